import type { Bake } from "../api/client";

/** How a bake was when it came out. */
export const HOW = [
  { value: "right", label: "Right" },
  { value: "little_over", label: "A little over" },
  { value: "raw", label: "Raw in the middle" },
] as const;

/** How its top came out. */
export const TOP = [
  { value: "flat", label: "Flat" },
  { value: "domed", label: "Domed" },
  { value: "cracked", label: "Cracked" },
  { value: "sunk", label: "Sunk" },
  { value: "ran_over", label: "Ran over" },
] as const;

const said = (rows: readonly { value: string; label: string }[], value: string) =>
  rows.find((one) => one.value === value)?.label.toLowerCase() ?? "";

/** What came of a bake: "right, domed". */
export function cameOut(bake: Bake): string {
  const words = [said(HOW, bake.how) || "nobody said how it was", said(TOP, bake.top)];
  return words.filter(Boolean).join(", ");
}

/** What was planned: "likely 36 (31 to 42)". */
export const planned = (bake: Bake) =>
  `likely ${String(bake.likely_min)} (${String(bake.early_min)} to ${String(bake.latest_min)})`;

/** Minutes as they are told: a whole number. */
export const minutes = (value: number) => String(Math.round(value));
