import type { Card } from "../../api/client";

/** A card on the desk that is not kept yet: it outlives a reload and a closed tab. */
export interface Draft {
  card: Card;
  /** The revision it was edited from; 0 for a new card. */
  base: number;
  /** What was taken from the text or the file, in words. */
  found: string[];
  imported: boolean;
}

export const EMPTY_CARD: Card = {
  title: "Untitled card",
  source_note: "",
  note: "",
  tags: [],
  servings: "",
  style: null,
  measure_standard: null,
  egg_grade: null,
  egg_g: null,
  pans: [],
  setting: null,
  oven_kind: null,
  stated_low_min: null,
  stated_high_min: null,
  phases: [],
  batter_start: "start_room_c",
  stand_min: null,
  cooling: null,
  signs: [],
  components: [{ key: 1, kind: "batter", title: "", scales_by: null }],
  lines: [],
  steps: [],
  variants: [],
  assumed: [],
};

const nameOf = (id: number | null) => `entremet.desk.${id === null ? "new" : String(id)}`;

/** The draft of a recipe, or of the new card; null where there is none. */
export function draftOf(id: number | null): Draft | null {
  try {
    const text = window.localStorage.getItem(nameOf(id));
    const draft = text === null ? null : (JSON.parse(text) as Partial<Draft>);
    if (!draft || typeof draft.card !== "object" || typeof draft.base !== "number") return null;
    return {
      card: { ...EMPTY_CARD, ...draft.card },
      base: draft.base,
      found: draft.found ?? [],
      imported: draft.imported ?? false,
    };
  } catch {
    return null;
  }
}

export function keepDraft(id: number | null, draft: Draft): void {
  try {
    window.localStorage.setItem(nameOf(id), JSON.stringify(draft));
  } catch {
    // A full or closed store loses the safety net, not the desk.
  }
}

export function dropDraft(id: number | null): void {
  try {
    window.localStorage.removeItem(nameOf(id));
  } catch {
    // As above.
  }
}
