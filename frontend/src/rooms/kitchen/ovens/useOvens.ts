import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { Oven, OvenTyped } from "../../../api/client";
import type { Said } from "../../../ui/SaidBar";
import { ovensQuery } from "../../../api/queries/kitchen";

/** What is changed, and the version it was seen in; null for a new one. */
export type Was = { id: number; base: number } | null;

/** The ovens, and what can be done with them. */
export function useOvens() {
  const [said, setSaid] = useState<Said | null>(null);
  const save = useMutation({
    mutationFn: async ({ was, oven }: { was: Was; oven: OvenTyped }) =>
      was === null
        ? answered(await client.POST("/api/ovens", { body: oven }))
        : answered(
            await client.PUT("/api/ovens/{oven_id}", {
              params: { path: { oven_id: was.id } },
              body: { ...oven, base: was.base },
            }),
          ),
  });
  const remove = useMutation({
    mutationFn: async (oven: Oven) =>
      answered(
        await client.DELETE("/api/ovens/{oven_id}", { params: { path: { oven_id: oven.id } } }),
      ),
    onSuccess: (_, oven) => {
      setSaid({
        words: `${oven.name} is gone.`,
        undo: () => save.mutate({ was: null, oven: typedOf(oven) }),
      });
    },
  });
  return { list: useQuery(ovensQuery()), save, remove, said, clear: () => setSaid(null) };
}

export type Ovens = ReturnType<typeof useOvens>;

/** What was typed of an oven; what is only assumed of it is left open. */
export function typedOf(oven: Oven): OvenTyped {
  return {
    name: oven.name,
    kind: oven.kind,
    dial: oven.dial,
    dial_step: oven.dial_step,
    dial_lowest: oven.dial_lowest,
    dial_highest: oven.dial_highest,
    shelf_width_cm: oven.shelf_width_cm,
    shelf_depth_cm: oven.shelf_depth_cm,
    shelves: oven.shelves,
    dial_off_c: oven.dial_off_c,
    preheat_min: oven.origins.preheat_min?.origin === "assumed" ? null : oven.preheat_min,
    is_default: oven.is_default,
  };
}
