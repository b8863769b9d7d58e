import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { bowlsQuery } from "../api/queries/kitchen";
import { answered, client } from "../api/client";
import type { Bowl, BowlTyped } from "../api/client";
import type { Weighed } from "../domain/fitChoices";
import type { Said } from "../ui/SaidBar";

/** The mixing bowls, and what can be done with them. */
export function useBowls() {
  const [said, setSaid] = useState<Said | null>(null);
  const save = useMutation({
    mutationFn: async ({ was, bowl }: { was: Was; bowl: BowlTyped }) =>
      was === null
        ? answered(await client.POST("/api/bowls", { body: bowl }))
        : answered(
            await client.PUT("/api/bowls/{bowl_id}", {
              params: { path: { bowl_id: was.id } },
              body: { ...bowl, base: was.base },
            }),
          ),
  });
  const remove = useMutation({
    mutationFn: async (bowl: Bowl) =>
      answered(
        await client.DELETE("/api/bowls/{bowl_id}", { params: { path: { bowl_id: bowl.id } } }),
      ),
    onSuccess: (_, bowl) => {
      const { name, capacity_ml, working_ml, tare_g, is_default } = bowl;
      setSaid({
        words: `${name} is gone.`,
        undo: () =>
          save.mutate({ was: null, bowl: { name, capacity_ml, working_ml, tare_g, is_default } }),
      });
    },
  });
  const learn = useMutation({
    mutationFn: async (body: { weighed: Weighed[]; emptied_g: number }) =>
      answered(await client.PUT("/api/kitchen/bowl-loss", { body })),
  });
  const forget = useMutation({
    mutationFn: async () => answered(await client.DELETE("/api/kitchen/bowl-loss")),
  });
  return {
    list: useQuery(bowlsQuery()),
    said,
    clear: () => setSaid(null),
    save,
    remove,
    learn,
    forget,
  };
}

/** What is changed, and the version it was seen in; null for a new one. */
type Was = { id: number; base: number } | null;

export type Bowls = ReturnType<typeof useBowls>;
