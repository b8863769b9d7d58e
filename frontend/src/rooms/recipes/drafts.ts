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
  strips: false,
  offers: [],
  cooling: null,
  signs: [],
  finish: null,
  components: [{ key: 1, kind: "batter", title: "", scales_by: null }],
  lines: [],
  steps: [],
  variants: [],
  assumed: [],
  pasted: "",
  doubts: [],
};

const PREFIX = "entremet.desk.";

/** Names a draft in the browser's store: a recipe's own, or one of the cards not kept yet. */
export const draftNameOf = (recipe: number) => `recipe.${String(recipe)}`;
export const newDraftName = () => `new.${Date.now().toString(36)}`;
export const isNewDraftName = (name: string | null): name is string =>
  name !== null && /^new\.[0-9a-z]{1,20}$/.test(name);

/** A draft by its name; null where there is none, or none that can be read. */
export function draftOf(name: string): Draft | null {
  try {
    const text = window.localStorage.getItem(PREFIX + name);
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

export function keepDraft(name: string, draft: Draft): void {
  try {
    window.localStorage.setItem(PREFIX + name, JSON.stringify(draft));
  } catch {
    // A full or closed store loses the safety net, not the desk.
  }
}

export function dropDraft(name: string): void {
  try {
    window.localStorage.removeItem(PREFIX + name);
  } catch {
    // As above.
  }
}

/** Cards that were begun and never kept, the newest first. */
export function newDrafts(): { name: string; draft: Draft }[] {
  try {
    return Object.keys(window.localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .map((key) => key.slice(PREFIX.length))
      .filter(isNewDraftName)
      .sort()
      .reverse()
      .flatMap((name) => {
        const draft = draftOf(name);
        return draft ? [{ name, draft }] : [];
      });
  } catch {
    return [];
  }
}
