import { useCallback, useState } from "react";

import type { CoverLayer, Finishing, FitEntry } from "../../../api/client";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** Words of the line that open; parts of the drawing open them too. */
export type FinishWord =
  "level" | "soak" | "filling" | "coat" | "drip" | "border" | "press" | "cut" | "wells" | "carve";

/** What is done after the oven, and which word of its line is open. */
export function useFinishing({ choices, choose }: FitChoicesInHand) {
  const [open, setOpen] = useState<FinishWord | null>(null);
  const now: Finishing = choices.finishing ?? {};
  const change = useCallback(
    (part: { [Name in keyof Finishing]?: Finishing[Name] | null }) =>
      choose((before) => {
        const next = Object.fromEntries(
          Object.entries({ ...before.finishing, ...part }).filter(([, value]) => value !== null),
        ) as Finishing;
        return { finishing: Object.keys(next).length === 0 ? null : next };
      }),
    [choose],
  );
  /** Bake these layers instead: their pans, each as high as it has to be, in one stack. */
  const take = useCallback(
    (layers: readonly CoverLayer[]) =>
      choose(
        (before) => ({
          into: intoOf(layers),
          finishing: { ...before.finishing, joined: true },
        }),
        "history",
      ),
    [choose],
  );
  return { now, change, open, setOpen, take };
}

function intoOf(layers: readonly CoverLayer[]): FitEntry[] {
  const rows: FitEntry[] = [];
  for (const layer of layers) {
    if (layer.pan === null) continue;
    const last = rows.at(-1);
    const height = Math.round(layer.height_cm * 10) / 10;
    if (last?.pan === layer.pan && last.rule?.height_cm === height) {
      last.count = (last.count ?? 1) + layer.beside;
    } else {
      rows.push({
        pan: layer.pan,
        count: layer.beside,
        rule: { kind: "height", height_cm: height },
      });
    }
  }
  return rows;
}

export type FinishingInHand = ReturnType<typeof useFinishing>;
