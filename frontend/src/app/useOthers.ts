import { useQuery, useQueryClient } from "@tanstack/react-query";

import { asked, touched } from "../api/topics";

const EVERY_MS = 5000;

/** Hear of what other screens write, while this one is looked at. */
export function useOthers(): void {
  const queries = useQueryClient();
  useQuery({
    queryKey: ["changes"],
    queryFn: async ({ signal }) => {
      const topics = await asked(signal);
      touched(queries, topics);
      return topics;
    },
    refetchInterval: EVERY_MS,
    staleTime: 0,
    retry: false,
  });
}
