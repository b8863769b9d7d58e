import type { Bake, Lesson, Taught } from "../src/api/client";

/** A bake of the logbook. */
export function logged(more: Partial<Bake> = {}): Bake {
  return {
    id: 1,
    version: 1,
    recipe: 1,
    recipe_title: "Parsnip and honey layer cake",
    revision: 1,
    oven: 1,
    oven_name: "Main oven",
    pan: 1,
    pan_label: "Round 20",
    count: 2,
    dial: "170 °C",
    baked_at: "2026-11-20T10:00:00Z",
    minutes: 38,
    how: "right",
    top: "flat",
    change: "",
    note: "",
    note_step: "",
    tags: [],
    counted: "",
    looks: 0,
    covered_min: null,
    height_cm: null,
    weight_g: null,
    dome_cm: null,
    oven_read_c: null,
    hot_after_min: null,
    batter_g_dl: null,
    first_look_min: 29,
    early_min: 31,
    likely_min: 36,
    latest_min: 42,
    learnt_from: 3,
    photo: null,
    from_day: false,
    ask: "",
    damaged: false,
    ...more,
  };
}

/** What was taught of an oven. */
export function lesson(more: Partial<Lesson> = {}): Lesson {
  return {
    kind: "oven",
    key: "oven:1",
    name: "Main oven",
    words: "Main oven is 7 % slower than its dial says, ± 5, from 6 bakes.",
    shift: 0.07,
    sd: 0.05,
    bakes: 6,
    window_before: 0.12,
    window_now: 0.06,
    points: [
      {
        bake: 1,
        at: "2026-11-20T10:00:00Z",
        took: 1.1,
        likely: 1.0,
        early: 0.82,
        latest: 1.21,
        how: "right",
      },
      {
        bake: 2,
        at: "2026-11-22T10:00:00Z",
        took: 1.05,
        likely: 1.06,
        early: 0.95,
        latest: 1.18,
        how: "raw",
      },
    ],
    ...more,
  };
}

/** All that was taught. */
export function taught(more: Partial<Taught> = {}): Taught {
  return {
    bakes: 6,
    counted: 6,
    scores: [
      { name: "With what the bakes before it taught", median: 0.04, inside: 0.9, bakes: 6 },
      { name: "With nothing learnt", median: 0.08, inside: 1, bakes: 6 },
      { name: "The recipe's own minutes in any pan", median: 0.12, inside: null, bakes: 6 },
      { name: "Minutes by the depth of the batter", median: null, inside: null, bakes: 0 },
    ],
    lessons: [lesson()],
    quantities: [],
    asked: [],
    set_back: [],
    ...more,
  };
}
