import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../api/client";
import type { BakeTyped } from "../api/client";
import type { Said } from "../ui/SaidBar";

/** What the logbook teaches moves times everywhere: everything that shows one is asked again. */
export function useAskAgain() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [["bakes"], ["fit"], ["fits"], ["orders"], ["kitchen"]].map((queryKey) =>
        queries.invalidateQueries({ queryKey }),
      ),
    );
}

/** Enter a bake, and take it back. */
export function useLogged() {
  const askAgain = useAskAgain();
  const [said, setSaid] = useState<Said | null>(null);
  const remove = useMutation({
    mutationFn: async (id: number) =>
      answered(await client.DELETE("/api/bakes/{bake_id}", { params: { path: { bake_id: id } } })),
    onSuccess: askAgain,
  });
  const log = useMutation({
    mutationFn: async (body: BakeTyped) => answered(await client.POST("/api/bakes", { body })),
    onSuccess: (one) => {
      void askAgain();
      setSaid({
        words: `${one.pan_label} took ${String(Math.round(one.minutes))} min. It is in the logbook.`,
        undo: () => remove.mutate(one.id),
      });
    },
  });
  return { log, remove, said, clear: () => setSaid(null) };
}

export type Logbook = ReturnType<typeof useLogged>;
