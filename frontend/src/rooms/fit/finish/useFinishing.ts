import { useCallback, useState } from "react";

import type { CoverLayer, Finishing, FitEntry } from "../../../api/client";
import { changedFinish, sameFinish } from "../../../finish/finishing";
import type { FinishChange, FinishingInHand, FinishWord } from "../../../finish/finishing";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/**
 * What is done after the oven, and which word of its line is open. While nothing is chosen the cake
 * is finished as its card says; the first change starts from there.
 */
export function useFinishing(
  { choices, choose }: FitChoicesInHand,
  own: Finishing,
): Required<FinishingInHand> {
  const [open, setOpen] = useState<FinishWord | null>(null);
  const now: Finishing = choices.finishing ?? own;
  const change = useCallback(
    (part: FinishChange) =>
      choose((before) => {
        const next = changedFinish(before.finishing ?? own, part);
        return { finishing: sameFinish(next, own) ? null : next };
      }),
    [choose, own],
  );
  /** Bake these layers instead: their pans, each as high as it has to be, in one stack. */
  const take = useCallback(
    (layers: readonly CoverLayer[]) =>
      choose(
        (before) => ({
          into: intoOf(layers),
          finishing: { ...(before.finishing ?? own), joined: true },
        }),
        "history",
      ),
    [choose, own],
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
