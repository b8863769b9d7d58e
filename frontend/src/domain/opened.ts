import type { FitEntry } from "../api/client";

interface Opened {
  pan: number | null;
  measures: Readonly<Record<string, unknown>> | null;
  label: string;
  count: number;
  held: boolean;
}

/** A pan that a fit opens with, as it is asked for: of the rack, or by its measures. */
export function entryOf(one: Opened): FitEntry {
  const typed = Object.fromEntries(
    Object.entries(one.measures ?? {}).filter(([, value]) => value !== null),
  );
  return {
    pan: one.pan ?? ({ ...typed, label: one.label } as unknown as Exclude<FitEntry["pan"], number>),
    count: one.count,
    ...(one.held ? { rule: { kind: "same_depth" } } : {}),
  };
}
