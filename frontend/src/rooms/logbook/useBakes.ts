import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { Bake, BakeChanged } from "../../api/client";
import type { Said } from "../../ui/SaidBar";

/** A bake as the form of a change holds it. */
export function changedFrom(bake: Bake): BakeChanged {
  return {
    base: bake.version,
    minutes: bake.minutes,
    baked_at: bake.baked_at,
    how: bake.how,
    top: bake.top,
    change: bake.change,
    note: bake.note,
    note_step: bake.note_step,
    tags: bake.tags,
    counted: bake.counted,
    height_cm: bake.height_cm,
    weight_g: bake.weight_g,
    dome_cm: bake.dome_cm,
    oven_read_c: bake.oven_read_c,
    hot_after_min: bake.hot_after_min,
    batter_g_dl: bake.batter_g_dl,
  };
}

/** Change, answer for, and take away bakes; what was taken away can come back. */
export function useBakes() {
  const [said, setSaid] = useState<Said | null>(null);
  const change = useMutation({
    mutationFn: async ({ id, body }: { id: number; body: BakeChanged }) =>
      answered(
        await client.PUT("/api/bakes/{bake_id}", { params: { path: { bake_id: id } }, body }),
      ),
  });
  const answer = useMutation({
    mutationFn: async ({ bake, counted }: { bake: Bake; counted: "true" | "left_out" }) =>
      answered(
        await client.PUT("/api/bakes/{bake_id}", {
          params: { path: { bake_id: bake.id } },
          body: { ...changedFrom(bake), counted },
        }),
      ),
  });
  const back = useMutation({
    mutationFn: async (id: number) =>
      answered(
        await client.POST("/api/bakes/{bake_id}/back", { params: { path: { bake_id: id } } }),
      ),
  });
  const remove = useMutation({
    mutationFn: async (bake: Bake) => {
      answered(
        await client.DELETE("/api/bakes/{bake_id}", { params: { path: { bake_id: bake.id } } }),
      );
    },
    onSuccess: (_, bake) => {
      setSaid({
        words: `${bake.recipe_title}, ${bake.pan_label}: taken out of the logbook, and no time counts it.`,
        undo: () => back.mutate(bake.id),
      });
    },
  });
  return { change, answer, remove, said, clear: () => setSaid(null) };
}
