import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import type { Fit, FitRequest } from "../../../../api/client";
import type { Said } from "../../../../ui/SaidBar";
import { keptFitsQuery } from "../../../../api/queries/fit";
import { suggestionFor } from "../../keep/naming";
import { cutTo } from "../../../../domain/words";

/** Times noted with this fit; the first note keeps the fit where it was not kept. */
export function useTook(fit: Fit, request: FitRequest) {
  const queries = useQueryClient();
  const [said, setSaid] = useState<Said | null>(null);
  const noted = useQuery({
    queryKey: [...keptFitsQuery().queryKey, "noted", request],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/noted", { body: request, signal })),
  });
  const refresh = () => queries.invalidateQueries({ queryKey: keptFitsQuery().queryKey });
  const forget = useMutation({
    mutationFn: async ({ fitId, takenId }: { fitId: number; takenId: number }) =>
      answered(
        await client.DELETE("/api/fits/{fit_id}/taken/{taken_id}", {
          params: { path: { fit_id: fitId, taken_id: takenId } },
        }),
      ),
    onSuccess: refresh,
  });
  const note = useMutation({
    mutationFn: async (body: { entry: number; minutes: number }) => {
      const fitId = noted.data?.kept ?? (await keep(fit, request));
      const one = answered(
        await client.POST("/api/fits/{fit_id}/taken", {
          params: { path: { fit_id: fitId } },
          body,
        }),
      );
      return { one, fitId };
    },
    onSuccess: ({ one, fitId }) => {
      void refresh();
      setSaid({
        words: `${one.label} took ${String(one.minutes)} min. Kept with the fit.`,
        undo: () => forget.mutate({ fitId, takenId: one.id }),
      });
    },
  });
  return { noted: noted.data?.taken ?? [], note, said, clear: () => setSaid(null) };
}

/** Keep the fit under a name nobody has used yet. */
async function keep(fit: Fit, request: FitRequest): Promise<number> {
  const name = suggestionFor(fit);
  for (const tried of [name, ...Array.from({ length: 20 }, (_, i) => another(name, i + 2))]) {
    const result = await client.POST("/api/fits", {
      body: { name: tried, request, replace: false },
    });
    if (result.response.status !== 409) return answered(result).id;
  }
  throw new Error("Keep the fit under a name of your own first.");
}

function another(name: string, number: number): string {
  const end = `, ${String(number)}`;
  return `${cutTo(name, 80 - end.length)}${end}`;
}
