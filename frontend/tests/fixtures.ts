import type {
  FinishedCake,
  Fit,
  FitBake,
  FitLine,
  FitPan,
  Order,
  Oven,
  OvenView,
  PanCard,
  Workday,
} from "../src/api/client";
import { NO_CHOICES } from "../src/domain/fitChoices";
import type { FitChoices } from "../src/domain/fitChoices";
import type { FitChoicesInHand } from "../src/rooms/fit/shared/useFitChoices";

/** A kitchen with one bowl, as far as the bench asks for it. */
export const KITCHEN = {
  "GET /api/kitchen": {
    body: {
      name: "Quillet Lane Kitchen",
      scale_step_g: 1,
      units: "metric",
      bowl_loss_share: null,
      altitude_m: null,
    },
  },
  "GET /api/bowls": {
    body: [
      {
        id: 4,
        name: "Stand mixer",
        capacity_ml: 4800,
        working_ml: null,
        tare_g: 810,
        is_default: true,
        origins: {},
      },
    ],
  },
};

/** Choices in hand; what is chosen goes to the given function. */
export function inHand(
  choices: Partial<FitChoices> = {},
  choose: FitChoicesInHand["choose"] = () => undefined,
): FitChoicesInHand {
  return { choices: { ...NO_CHOICES, recipe: 1, ...choices }, choose };
}

/** Choices that remember each change, worked out from what they were. */
export function listening(choices: Partial<FitChoices> = {}) {
  const changes: Partial<FitChoices>[] = [];
  const hand = inHand(choices, (change) => {
    changes.push(typeof change === "function" ? change(hand.choices) : change);
  });
  return { hand, changes, last: () => changes.at(-1) };
}

/** A line of an invented card; change what a test is about. */
export function line(changes: Partial<FitLine>): FitLine {
  return {
    id: 1,
    name: "Plain flour",
    heading: "",
    component: "batter",
    scales_by: "batter",
    optional: false,
    included: true,
    was: "240 g",
    swapped_from: "",
    recipe_g: 240,
    g: 360,
    factor: 1.5,
    shown: "360 g",
    shown_g: "360 g",
    shown_measure: null,
    measure_leads: false,
    parts: [],
    origins: {},
    ...changes,
  };
}

/** A chosen pan. */
export function pan(changes: Partial<FitPan>): FitPan {
  return {
    pan: 1,
    label: "Round 20",
    count: 1,
    owned: 2,
    wells: 1,
    kind: "flat",
    finish: "bright",
    capacity_ml: 1570,
    rule: "same_depth",
    rule_fill: null,
    rule_grams: null,
    rule_depth_cm: null,
    rule_height_cm: null,
    pieces_each: null,
    cuts: [],
    lining: [],
    patted: false,
    cut_out: null,
    laid: [],
    laid_cm: null,
    batter_g_each: 720,
    batter_cm: 2.5,
    layer_g_each: 0,
    top_g_each: 0,
    layer_cm: 0,
    stands_cm: 2.5,
    risen_cm: 4.2,
    fill: 0.5,
    fill_limit: 0.6,
    depth_change: 0,
    verdict: "Fits. Same depth as the recipe.",
    verdict_code: "same_depth",
    verdict_severity: "note",
    drawing: {
      base_width_cm: 20,
      rim_width_cm: 20,
      tube_base_cm: 0,
      tube_rim_cm: 0,
      wall_cm: 5,
      ball: false,
      plan_width_cm: 20,
      plan_height_cm: 20,
      plan: ["10,0 0,10 -10,0 0,-10"],
    },
    origins: {},
    ...changes,
  };
}

/** The bake of a pan. */
export function bake(changes: Partial<FitBake>): FitBake {
  return {
    pan: 1,
    label: "Round 20",
    oven_c: 170,
    dial: "170 °C",
    written: null,
    alone_dial: "170 °C",
    first_look_min: 28,
    early_min: 31,
    likely_min: 36,
    latest_min: 41,
    exact: null,
    phases: [
      { from_min: 0, to_min: null, dial: changes.dial ?? "170 °C", covered: false, note: "" },
    ],
    spread: [{ cause: "the recipe's own bake", share: 0.07 }],
    crust: "the recipe's crust",
    origins: {},
    why: ["Moved from the recipe's own 34 min in its own pan."],
    ...changes,
  };
}

/** A fit into one pan. */
export function fit(changes: Partial<Fit>): Fit {
  return {
    recipe: {
      id: 1,
      title: "Parsnip and honey layer cake",
      style: "creamed butter",
      revision: 1,
      head: 1,
      variant: null,
      variant_name: "",
      variants: [],
      instead: [],
      joins: null,
      joins_assumed: true,
      stand_min: 10,
      cooling: "turn out",
    },
    steps: [],
    method: { steps: [], stages: [], late: [], bench: [], tools: [] },
    source: { batter_g: 1200, pans: [], oven: "170 °C", oven_c: 170, time: "34 min" },
    oven: {
      id: 1,
      name: "Main oven",
      kind: "conventional",
      kind_words: "conventional oven",
      has_dial: true,
      dial_off_c: 0,
      dial: "C",
      dial_step: 5,
      dial_lowest: 50,
      dial_highest: 250,
      set_to: 170,
    },
    factor: 1.5,
    batter_g: 1800,
    bowl_loss_g: 46,
    leftover_g: 0,
    weighed_g: null,
    aim: { depth_cm: null, height_cm: null, egg_count: null, servings: null, factor: null },
    raising: "proportion",
    raising_bites: false,
    bowl: null,
    mixes: [],
    portion: null,
    shares: [],
    opened: [],
    laid: [],
    may_lay: [],
    origins: {},
    why: [],
    eggs: null,
    lines: [line({})],
    pans: [pan({})],
    bakes: [bake({})],
    findings: [],
    done_when: ["the top springs back"],
    cautions: { weigh: ["Do not taste the batter."], bake: ["Dry gloves."] },
    ...changes,
  };
}

/** An oven of the kitchen. */
export function oven(changes: Partial<Oven> = {}): Oven {
  return {
    id: 1,
    name: "Main oven",
    kind: "conventional",
    kind_words: "conventional oven",
    has_dial: true,
    dial: "C",
    dial_step: 5,
    dial_lowest: 50,
    dial_highest: 250,
    shelf_width_cm: 45,
    shelf_depth_cm: 36,
    shelves: 2,
    dial_off_c: 0,
    preheat_min: 18,
    is_default: true,
    version: 1,
    damaged: false,
    origins: { preheat_min: { origin: "given", note: "as timed", assumptions: [] } },
    ...changes,
  };
}

/** The card of a row of pans. */
export function panCard(changes: Partial<PanCard> = {}): PanCard {
  return {
    entry: 0,
    shelf: "middle shelf",
    give_min: 4,
    not_done: "Not done: 4 min more, then look again; past 41 min, check the oven.",
    too_dark: "Dark too early: foil laid loosely on top.",
    stand_min: 10,
    leaving: "turn out",
    origins: {},
    ...changes,
  };
}

/** Everything at the oven for that fit. */
export function ovenView(changes: Partial<OvenView> = {}): OvenView {
  return {
    card: {
      heat_before_min: 18,
      signs: [{ kind: "touch", text: "the top springs back", source: "practice" }],
      probe: null,
      pans: [panCard()],
      cautions: [{ step: "in", text: "Dry gloves." }],
      origins: {},
    },
    schools: [],
    lead: 0,
    shelf_width_cm: 45,
    shelf_depth_cm: 36,
    shelves: 2,
    loads: [],
    waiting: { minutes: 30, low: 15, high: 45, words: "raised by baking powder", waits: true },
    ways: [],
    height: null,
    findings: [],
    ...changes,
  };
}

export const finishedLayer = (height_cm: number, width_cm = 20) => ({
  outline: ["0,0 1,0 1,1"],
  width_cm,
  height_cm,
  mass_g: 400,
  pan: "Round 20",
});

/** Two layers of 20 cm, filled, coated, dripped and piped. */
export const finishedCake = (changes: Partial<FinishedCake> = {}): FinishedCake => ({
  label: "Round 20",
  kind: "stack",
  count: 1,
  layers: [finishedLayer(3.8), finishedLayer(3.8)],
  height_cm: 9.1,
  width_cm: 21.4,
  tube_cm: 0,
  mass_g: 2100,
  top_cm2: 350,
  side_cm2: 600,
  hollow_cm: 0,
  fruit_cm: 0,
  turned_over: false,
  hollow_high_cm: 0,
  soak_share: 0.05,
  soak_hot: false,
  filling_cm: 0.8,
  fillings: [{ component: "filling-1", thick_cm: 0.8 }],
  dam_cm: 1,
  crumb_cm: 0.2,
  coat_top_cm: 0.7,
  coat_side_cm: 0.7,
  glazed: false,
  drips: 27,
  drip_cm: 4,
  pitch_cm: 2.5,
  final_top_cm: 0.5,
  border: 18,
  border_cm: 3,
  dome_cm: 0,
  pieces: 0,
  split: 1,
  cover: [],
  serving: null,
  board_cm: 28,
  box_cm: 14.5,
  carved: null,
  ...changes,
});

/** A working day with a wage, and nobody said the power of the oven. */
export const WORKDAY: Workday = {
  zone: "UTC",
  opens: "07:00",
  closes: "21:00",
  week: [],
  hands: 1,
  boards: 6,
  shelf_cm: null,
  high_places: 1,
  pace: 1,
  currency: "€",
  wage: 14,
  kwh: 0.3,
  kw: null,
  packaging: 1,
  fixed: 0,
  margin: 0.3,
  portion: null,
  rounding: 0.5,
  version: 2,
};

/** An order without cakes. */
export const harvest = (changes: Partial<Order> = {}): Order => ({
  id: 1,
  version: 3,
  title: "Harvest supper",
  due: "2099-03-21T10:00:00Z",
  occasion: "supper",
  note: "",
  carried_in: "",
  sold: false,
  drive_min: 15,
  done: false,
  price: null,
  cautions: [],
  cakes: [],
  ...changes,
});
