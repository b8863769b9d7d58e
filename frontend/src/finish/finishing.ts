import type { CoverLayer, Finishing } from "../api/client";

/** Words of the line that open; parts of the drawing open them too. */
export type FinishWord =
  "level" | "soak" | "filling" | "coat" | "drip" | "border" | "press" | "cut" | "wells" | "carve";

/** Some choices of a finish; null leaves one open again. */
export type FinishChange = { [Name in keyof Finishing]?: Finishing[Name] | null };

/** What is done after the oven, which word of its line is open, and what changes either. */
export interface FinishingInHand {
  now: Finishing;
  change: (part: FinishChange) => void;
  open: FinishWord | null;
  setOpen: (word: FinishWord | null) => void;
  /** Bake these layers instead; a card on the desk has no other pans than its own. */
  take?: (layers: readonly CoverLayer[]) => void;
}

/** A finish with some choices changed; what is open again is left out. */
export function changedFinish(finish: Finishing, part: FinishChange): Finishing {
  return Object.fromEntries(
    Object.entries({ ...finish, ...part }).filter(([, value]) => value !== null),
  );
}

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
  dipped: "all",
  press: "none",
  border: "none",
  top_by: "area",
  batter_layers: 1,
};

/** Whether two finishes settle the same; nothing chosen is an empty one, too. */
export function sameFinish(one: Finishing, other: Finishing): boolean {
  const told = (finish: Finishing) =>
    JSON.stringify(Object.entries(settled(finish)).sort(([a], [b]) => a.localeCompare(b)));
  return told(one) === told(other);
}
