import { useMutation, useQueryClient } from "@tanstack/react-query";

import { answered, client } from "../api/client";
import type { Day, DayStart } from "../api/client";
import { dayQuery } from "../api/queries/running";
import { wakeSound } from "./tones";

/** Start a day; the touch that starts it lets its timers sound. */
export function useStart(onStarted: (day: Day) => void) {
  const queries = useQueryClient();
  const start = useMutation({
    mutationFn: async (body: DayStart) => answered(await client.POST("/api/days", { body })),
    onSuccess: (day) => {
      queries.setQueryData(dayQuery(day.id).queryKey, day);
      onStarted(day);
    },
  });
  const begin = (body: DayStart) => {
    wakeSound();
    start.mutate(body);
  };
  return { ...start, begin };
}
