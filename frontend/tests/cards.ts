import type {
  Card,
  CardLine,
  Desk,
  DeskLine,
  Hole,
  Ingredient,
  Offer,
  Question,
  RecipeRow,
} from "../src/api/client";
import { EMPTY_CARD } from "../src/rooms/recipes/drafts";

export function cardLine(key: number, changes: Partial<CardLine> = {}): CardLine {
  return {
    key,
    text: `line ${String(key)}`,
    component: 1,
    written: "",
    amount: null,
    joined: null,
    second: null,
    packs: null,
    name: "",
    note: "",
    ingredient: "",
    state: "",
    egg_size: null,
    optional: false,
    unit_assumed: false,
    scales_by: null,
    parts: [],
    instead: [],
    settled: [],
    worked_from: "",
    swapped_from: "",
    ...changes,
  };
}

export const FLOUR = cardLine(1, {
  text: "200 g plain flour",
  written: "200 g",
  amount: { value: 200, unit: "g", high: null },
  name: "plain flour",
  ingredient: "plain_flour",
});
export const KEFIR = cardLine(2, {
  text: "7 oz kefir, divided",
  written: "7 oz",
  amount: { value: 7, unit: "oz", high: null },
  name: "kefir",
  note: "divided",
  ingredient: "kefir",
  unit_assumed: true,
});
export const LUCK = cardLine(3, { text: "some luck" });

export function card(changes: Partial<Card> = {}): Card {
  return { ...EMPTY_CARD, title: "Plum squares", lines: [FLOUR, KEFIR, LUCK], ...changes };
}

export function ingredient(key: string, changes: Partial<Ingredient> = {}): Ingredient {
  return {
    key,
    name: key.replace(/_/g, " "),
    role: "flour",
    g_per_100ml: 52.8,
    source: "USDA SR28 food 20081: 1 cup = 125 g",
    measured: false,
    own: false,
    allergens: ["gluten"],
    ...changes,
  };
}

export function deskLine(key: number, changes: Partial<DeskLine> = {}): DeskLine {
  return {
    key,
    label: `Line ${String(key)}`,
    marks: [],
    g: null,
    shown: "",
    origin: null,
    ingredient: null,
    percent: null,
    ...changes,
  };
}

export function desk(changes: Partial<Desk> = {}): Desk {
  return {
    style: "creamed butter",
    style_assumed: true,
    batter_g: 400,
    lines: [
      deskLine(1, {
        shown: "200 g",
        g: 200,
        percent: 100,
        ingredient: ingredient("plain_flour"),
        origin: { origin: "given", note: "200 g, as the recipe has it", assumptions: [] },
      }),
      deskLine(2, { shown: "198 g", ingredient: ingredient("kefir") }),
      deskLine(3),
    ],
    steps: [],
    questions: [],
    holes: [],
    ratios: [],
    findings: [],
    offers: [],
    variant_lines: [],
    ...changes,
  };
}

export function question(ask: Question["ask"], changes: Partial<Question> = {}): Question {
  return { line: 2, ask, text: `About ${ask}?`, near: [], parts: [], ...changes };
}

export function hole(changes: Partial<Hole> = {}): Hole {
  return {
    code: "measure_standard",
    text: "Which cups the recipe means.",
    assume: "metric cups of 250 ml",
    field: "measure_standard",
    accepted: false,
    ...changes,
  };
}

export function offer(changes: Partial<Offer> = {}): Offer {
  return {
    line: 1,
    kind: "cocoa_for_flour",
    name: "cocoa for part of the flour",
    usual: 0.15,
    most: 0.25,
    limits: "Up to a quarter of the flour.",
    source: "kitchen practice",
    ...changes,
  };
}

export function row(changes: Partial<RecipeRow> = {}): RecipeRow {
  return {
    id: 4,
    title: "Plum squares",
    style: "creamed butter",
    pans: [],
    written_for: "square 20",
    oven: "180 °C",
    time: "30 min",
    note: "For the fair.",
    tags: ["sheet cake"],
    revision: 3,
    feeds: null,
    hands_min: null,
    all_min: null,
    last_baked: null,
    uses_up: [],
    changed_at: "2026-11-01T10:00:00Z",
    archived: false,
    damaged: false,
    ...changes,
  };
}

/** An edit that a test can look at: the card it was given, changed. */
export function edits(start: Card) {
  let now = start;
  return {
    edit: (change: (card: Card) => Card) => {
      now = change(now);
    },
    get card() {
      return now;
    },
  };
}
