import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../api/client";
import type { BakeTyped } from "../api/client";
import type { Said } from "../ui/SaidBar";

/** Enter a bake, and take it back. */
export function useLogged() {
  const [said, setSaid] = useState<Said | null>(null);
  const remove = useMutation({
    mutationFn: async (id: number) =>
      answered(await client.DELETE("/api/bakes/{bake_id}", { params: { path: { bake_id: id } } })),
  });
  const log = useMutation({
    mutationFn: async (body: BakeTyped) => answered(await client.POST("/api/bakes", { body })),
    onSuccess: (one) => {
      setSaid({
        words: `${one.pan_label} took ${String(Math.round(one.minutes))} min. It is in the logbook.`,
        undo: () => remove.mutate(one.id),
      });
    },
  });
  return { log, remove, said, clear: () => setSaid(null) };
}

export type Logbook = ReturnType<typeof useLogged>;
