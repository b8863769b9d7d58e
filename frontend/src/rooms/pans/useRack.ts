import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { PanMeasures, RackPan } from "../../api/client";
import type { Said } from "../../ui/SaidBar";

export type RackActions = ReturnType<typeof useRack>;

/** What can be done with the rack. */
export function useRack() {
  const [said, setSaid] = useState<Said | null>(null);
  const save = useMutation({
    mutationFn: async (change: {
      was: { id: number; base: number } | null;
      pan: PanMeasures;
      owned: number;
      inches?: boolean;
    }) => {
      const body = { pan: change.pan, owned: change.owned, inches: change.inches ?? false };
      if (change.was === null) return answered(await client.POST("/api/pans", { body }));
      const params = { path: { pan_id: change.was.id } };
      return answered(
        await client.PUT("/api/pans/{pan_id}", {
          params,
          body: { ...body, base: change.was.base },
        }),
      );
    },
    onError: (error) => {
      setSaid({ words: error.message, undo: null });
    },
  });
  const remove = useMutation({
    mutationFn: async (pan: RackPan) =>
      answered(await client.DELETE("/api/pans/{pan_id}", { params: { path: { pan_id: pan.id } } })),
    onSuccess: (_, pan) => {
      const measures = Object.fromEntries(
        Object.entries(pan.measures).filter(([, value]) => value !== null),
      ) as PanMeasures;
      setSaid({
        words: `${pan.label} is off the rack.`,
        undo: () =>
          save.mutate({
            was: null,
            pan: { ...measures, label: pan.label },
            owned: pan.owned,
            inches: pan.inches,
          }),
      });
    },
    onError: (error) => setSaid({ words: error.message, undo: null }),
  });
  const importRack = useMutation({
    mutationFn: async (file: File) =>
      answered(await client.POST("/api/rack/file", { body: { text: await file.text() } })),
    onSuccess: (pans) => {
      setSaid({ words: `${String(pans.length)} pans are on the rack.`, undo: null });
    },
  });
  return {
    said,
    clear: () => setSaid(null),
    save,
    remove,
    importRack,
  };
}
