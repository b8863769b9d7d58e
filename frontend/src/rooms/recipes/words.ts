import type { Card, ComponentName, OvenKind, Role, ScalesBy } from "../../api/client";

/** What the choices of a card are called; the values are the kitchen's. */
export const COMPONENTS: Record<ComponentName, string> = {
  batter: "Batter",
  inclusion: "Inclusion (folded in)",
  base_layer: "Base layer",
  top_layer: "Layer on top",
  soak: "Soak",
  filling: "Filling",
  frosting: "Frosting",
  glaze: "Glaze",
  coating: "Coating",
  decoration: "Decoration",
  pan: "For the pan",
};

export const GROWTH: Record<ScalesBy, string> = {
  batter: "the batter",
  base_area: "base area",
  top_area: "top area",
  joins: "joins",
  top_and_side: "top and side",
  perimeter: "perimeter",
  pieces: "pieces",
  servings: "servings",
  fixed: "nothing (fixed)",
};

/** Components whose lines may be told what to grow with; batter and layers always go their own way. */
export const FREE_GROWTH: readonly ComponentName[] = [
  "soak",
  "filling",
  "frosting",
  "glaze",
  "coating",
  "decoration",
  "pan",
];

export const STARTS: readonly (readonly [Card["batter_start"], string])[] = [
  ["start_room_c", "At room temperature"],
  ["start_warm_c", "Finished hot"],
  ["start_chilled_c", "Cold from the fridge"],
];

export const COOLING: readonly (readonly [NonNullable<Card["cooling"]>, string])[] = [
  ["turn_out", "Turn out"],
  ["turn_out_warm", "Turn out while warm"],
  ["cool_in_pan", "Cool in the pan"],
  ["hang", "Hang upside down"],
];

export const OVEN_KINDS: readonly (readonly [OvenKind, string])[] = [
  ["conventional", "Conventional"],
  ["fan", "Fan"],
  ["gas", "Gas"],
  ["counter", "Counter-top"],
  ["steam", "Steamer"],
  ["hob", "Pot on the hob"],
];

export const SCALES = [
  ["C", "°C"],
  ["F", "°F"],
  ["mark", "mark"],
] as const;

export const ROLES: Record<Role, string> = {
  flour: "Flour",
  starch: "Starch",
  sugar: "Sugar or syrup",
  fat: "Fat or oil",
  egg: "Egg",
  liquid: "Liquid",
  dairy: "Cream or cheese",
  acid_dairy: "Sour dairy",
  acid: "Acid",
  leavener: "Raising agent",
  salt: "Salt",
  cocoa: "Cocoa",
  chocolate: "Chocolate",
  flavour: "Spice or flavour",
  fruit: "Fruit or vegetable",
  nut: "Nut or seed",
};
