import { queryOptions, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { LeftoverRow, Stands } from "../../api/client";
import type { Said } from "../../ui/SaidBar";

const leftoversQuery = () =>
  queryOptions({
    queryKey: ["leftovers"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/leftovers", { signal })),
  });

/** What is left over: added, moved, used up, and taken back. */
export function useLeftovers() {
  const [said, setSaid] = useState<Said | null>(null);
  const add = useMutation({
    mutationFn: async (body: { name: string; g: number }) =>
      answered(await client.POST("/api/leftovers", { body })),
  });
  const gone = useMutation({
    mutationFn: async ({ row, gone: isGone }: { row: LeftoverRow; gone: boolean }) =>
      answered(
        await client.POST("/api/leftovers/{leftover_id}/gone", {
          params: { path: { leftover_id: row.id } },
          body: { gone: isGone },
        }),
      ),
    onSuccess: (_, { row, gone: isGone }) => {
      if (isGone) {
        setSaid({ words: `${row.name}: gone.`, undo: () => gone.mutate({ row, gone: false }) });
      }
    },
  });
  const move = useMutation({
    mutationFn: async ({ row, ...part }: { row: LeftoverRow; stands?: Stands; g?: number }) =>
      answered(
        await client.PUT("/api/leftovers/{leftover_id}", {
          params: { path: { leftover_id: row.id } },
          body: { g: row.g, since: row.since, stands: row.stands, base: row.version, ...part },
        }),
      ),
  });
  return { rows: useQuery(leftoversQuery()), add, gone, move, said, clear: () => setSaid(null) };
}
