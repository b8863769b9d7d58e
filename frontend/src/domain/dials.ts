import type { DialScale, OvenKind } from "../api/client";

export const KINDS: readonly (readonly [OvenKind, string])[] = [
  ["conventional", "Conventional oven"],
  ["fan", "Fan oven"],
  ["gas", "Gas oven"],
  ["counter", "Counter-top oven"],
  ["steam", "Steamer"],
  ["hob", "Lidded pot on the hob"],
];

export const SCALES: readonly (readonly [DialScale, string])[] = [
  ["C", "°C"],
  ["F", "°F"],
  ["mark", "gas marks"],
];

/** Levels of a flame under a lidded pot. */
export const FLAMES: readonly (readonly [number, string])[] = [
  [1, "Low flame"],
  [2, "Medium flame"],
  [3, "High flame"],
];

/** Steps and ends a dial of each scale usually has. */
export const USUAL_DIAL: Record<DialScale, { step: number; lowest: number; highest: number }> = {
  C: { step: 5, lowest: 50, highest: 250 },
  F: { step: 25, lowest: 150, highest: 500 },
  mark: { step: 0.5, lowest: 0.5, highest: 9 },
  flame: { step: 1, lowest: 1, highest: 3 },
};

export function hasDial(kind: OvenKind): boolean {
  return kind !== "steam" && kind !== "hob";
}
