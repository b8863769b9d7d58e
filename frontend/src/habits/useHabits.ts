import { useMutation, useQueryClient } from "@tanstack/react-query";

import { answered, client } from "../api/client";
import type { Kitchen, KitchenTyped } from "../api/client";
import { readAs } from "../domain/reads";

/** Change habits of the kitchen; everything that is worded by them is fetched anew. */
export function useHabits(kitchen: Kitchen) {
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: async (part: Partial<KitchenTyped>) => {
      const { name, scale_step_g, altitude_m, units, measure_standard, egg_grade, paper, clock } =
        kitchen;
      return answered(
        await client.PUT("/api/kitchen", {
          body: {
            name,
            scale_step_g,
            altitude_m,
            units,
            measure_standard,
            egg_grade,
            paper,
            clock,
            welcomed: kitchen.welcomed,
            base: kitchen.version,
            ...part,
          },
        }),
      );
    },
    onSuccess: (now) => {
      readAs(now);
      queries.setQueryData(["kitchen"], now);
    },
  });
  return save;
}
