import { useCallback, useState } from "react";

import type { CoverLayer, Finishing, FitEntry } from "../../../api/client";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** Words of the line that open; parts of the drawing open them too. */
export type FinishWord =
  "level" | "soak" | "filling" | "coat" | "drip" | "border" | "press" | "cut" | "wells" | "carve";

/** What of a finish is settled: what is open, or as it is by itself, is left out. */
export function settled(finish: Finishing): Finishing {
  return Object.fromEntries(
    Object.entries(finish).filter(
      ([name, value]) =>
        value !== null &&
        value !== false &&
        value !== UNSETTLED[name as keyof Finishing] &&
        !(typeof value === "object" && Object.keys(value).length === 0),
    ),
  );
}

const UNSETTLED: Partial<Finishing> = {
  level: "edge",
  stack: 1,
  pieces: 0,
  press: "none",
  border: "none",
  top_by: "area",
  batter_layers: 1,
};

/**
 * What is done after the oven, and which word of its line is open. While nothing is chosen the cake
 * is finished as its card says; the first change starts from there.
 */
export function useFinishing({ choices, choose }: FitChoicesInHand, own: Finishing) {
  const [open, setOpen] = useState<FinishWord | null>(null);
  const now: Finishing = choices.finishing ?? own;
  const change = useCallback(
    (part: { [Name in keyof Finishing]?: Finishing[Name] | null }) =>
      choose((before) => {
        const next = Object.fromEntries(
          Object.entries({ ...(before.finishing ?? own), ...part }).filter(
            ([, value]) => value !== null,
          ),
        ) as Finishing;
        return { finishing: same(next, own) ? null : next };
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

/** Whether two finishes settle the same; nothing chosen is an empty one, too. */
function same(one: Finishing, other: Finishing): boolean {
  const told = (finish: Finishing) =>
    JSON.stringify(Object.entries(settled(finish)).sort(([a], [b]) => a.localeCompare(b)));
  return told(one) === told(other);
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
