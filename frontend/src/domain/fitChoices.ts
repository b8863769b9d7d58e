import type { EggChoice, FitEntry, FitRequest, PanMeasures, RecipeRow, Rule } from "../api/client";

export type Temperature = NonNullable<FitRequest["temperature"]>;
export type Portion = NonNullable<FitRequest["portion"]>;
export type Raising = NonNullable<FitRequest["raising"]>;
export type Weighed = NonNullable<FitRequest["weighed"]>[number];
export type AskedShare = NonNullable<FitRequest["shares"]>[number];
export type Cover = NonNullable<FitRequest["cover"]>;
export type Finish = NonNullable<FitRequest["finish"]>;
export type Start = NonNullable<FitRequest["start"]>;
export type Length = number | string;

/** What is looked at beside the oven: the card, or one of the things to decide. */
export type BakeView = "card" | "heat" | "loads" | "ways";

/** Everything chosen for a fit; lives in the address, so that a link brings it back. */
export interface FitChoices {
  recipe: number | null;
  /** The revision of its card; none takes the newest. */
  revision: number | null;
  variant: number | null;
  /** By line, which of its alternatives is taken. */
  instead: Readonly<Record<string, number>>;
  joins: number | null;
  into: FitEntry[];
  rule: Rule;
  eggs: EggChoice;
  oven: number | null;
  temperature: Temperature;
  separately: boolean;
  strips: boolean;
  cover: Cover;
  /** A finish taken for every pan; none takes each its own. */
  finish: Finish | null;
  /** How warm the batter goes in; none takes the recipe's. */
  start: Start | null;
  withOptional: number[];
  /** What the rule aims at, where it goes by a number; none starts from the recipe's own. */
  depth: Length | null;
  height: Length | null;
  eggCount: number | null;
  servings: number | null;
  portion: Portion;
  raising: Raising;
  /** The mixing bowl; none takes the usual one. */
  bowl: number | "none" | null;
  /** Eggs of each mix; empty splits as the bowl needs. */
  mixes: number[];
  weighed: Weighed[];
  shares: AskedShare[];
  /** By line, how wide the things are that are laid in whole. */
  laid: Readonly<Record<string, Length>>;
  /** The other set of pans, while two are set side by side. */
  beside: FitEntry[] | null;
  at: BakeView;
}

export const NO_CHOICES: FitChoices = {
  recipe: null,
  revision: null,
  variant: null,
  instead: {},
  joins: null,
  into: [],
  rule: "same_depth",
  eggs: "default",
  oven: null,
  temperature: "same_crust",
  separately: false,
  strips: false,
  cover: "as_recipe",
  finish: null,
  start: null,
  withOptional: [],
  depth: null,
  height: null,
  eggCount: null,
  servings: null,
  portion: "",
  raising: "proportion",
  bowl: null,
  mixes: [],
  weighed: [],
  shares: [],
  laid: {},
  beside: null,
  at: "card",
};

/** What belongs to one batch only: gone as soon as the amounts become others. */
export const OF_THE_BATCH: Pick<FitChoices, "mixes" | "weighed"> = { mixes: [], weighed: [] };

/** Choices that make other amounts. */
const AMOUNTS: readonly (keyof FitChoices)[] = [
  "recipe",
  "revision",
  "variant",
  "instead",
  "into",
  "rule",
  "eggs",
  "withOptional",
  "depth",
  "height",
  "eggCount",
  "servings",
  "raising",
];

/** The choices after a change; what belonged to the batch before goes with its amounts. */
export function changedChoices(now: FitChoices, change: Partial<FitChoices>): FitChoices {
  const others = AMOUNTS.some((name) => name in change);
  return { ...now, ...(others ? OF_THE_BATCH : {}), ...change };
}

const RULES: readonly Rule[] = [
  "keep_batch",
  "same_depth",
  "fill",
  "depth",
  "height",
  "grams",
  "servings",
  "eggs",
];
const PORTIONS: readonly Portion[] = ["", "own", "small", "party", "dessert"];
const SCHOOLS: readonly Temperature[] = ["same_crust", "both_ways", "as_recipe", "lower"];
const COVERS: readonly Cover[] = ["as_recipe", "bare", "late", "whole"];
const FINISHES: readonly Finish[] = ["bright", "dark", "glass", "silicone"];
const STARTS: readonly Start[] = ["room", "warm", "chilled"];
const VIEWS: readonly BakeView[] = ["card", "heat", "loads", "ways"];
const EGGS: readonly EggChoice[] = ["default", "exact", "nearest", "half", "up"];

/** Read choices from an address; what cannot be read is left at its default. */
export function choicesFrom(search: URLSearchParams): FitChoices {
  return {
    recipe: wholeNumber(search.get("recipe")),
    revision: wholeNumber(search.get("revision")),
    variant: wholeNumber(search.get("variant")),
    instead: pairsFrom(search.get("instead")),
    joins: wholeNumber(search.get("joins")),
    into: entriesFrom(search.get("into")),
    rule: oneOf(search.get("rule"), RULES, NO_CHOICES.rule),
    eggs: oneOf(search.get("eggs"), EGGS, NO_CHOICES.eggs),
    oven: wholeNumber(search.get("oven")),
    temperature: oneOf(search.get("temperature"), SCHOOLS, NO_CHOICES.temperature),
    separately: search.get("separately") === "yes",
    strips: search.get("strips") === "yes",
    cover: oneOf(search.get("cover"), COVERS, NO_CHOICES.cover),
    finish: FINISHES.find((one) => one === search.get("finish")) ?? null,
    start: STARTS.find((one) => one === search.get("start")) ?? null,
    withOptional: (search.get("with") ?? "")
      .split(",")
      .map(wholeNumber)
      .filter((id) => id !== null),
    depth: length(search.get("depth")),
    height: length(search.get("height")),
    eggCount: decimal(search.get("eggcount")),
    servings: wholeNumber(search.get("servings")),
    portion: oneOf(search.get("portion"), PORTIONS, ""),
    raising: search.get("raising") === "less" ? "less" : "proportion",
    bowl: search.get("bowl") === "none" ? "none" : wholeNumber(search.get("bowl")),
    mixes: (search.get("mixes") ?? "")
      .split(",")
      .map(decimal)
      .filter((size) => size !== null),
    weighed: listFrom(search.get("weighed"), weighedFrom),
    shares: listFrom(search.get("shares"), shareFrom),
    laid: laidFrom(search.get("laid")),
    beside: search.has("beside") ? entriesFrom(search.get("beside")) : null,
    at: oneOf(search.get("at"), VIEWS, NO_CHOICES.at),
  };
}

/** Write choices into an address; defaults are left out. */
export function searchOf(choices: FitChoices): URLSearchParams {
  const search = new URLSearchParams();
  if (choices.recipe !== null) search.set("recipe", String(choices.recipe));
  if (choices.revision !== null) search.set("revision", String(choices.revision));
  if (choices.variant !== null) search.set("variant", String(choices.variant));
  const instead = Object.entries(choices.instead);
  if (instead.length > 0) search.set("instead", instead.map((pair) => pair.join(":")).join(","));
  if (choices.joins !== null) search.set("joins", String(choices.joins));
  if (choices.into.length > 0) search.set("into", JSON.stringify(choices.into));
  if (choices.rule !== NO_CHOICES.rule) search.set("rule", choices.rule);
  if (choices.eggs !== NO_CHOICES.eggs) search.set("eggs", choices.eggs);
  if (choices.oven !== null) search.set("oven", String(choices.oven));
  if (choices.temperature !== NO_CHOICES.temperature) {
    search.set("temperature", choices.temperature);
  }
  if (choices.separately) search.set("separately", "yes");
  if (choices.strips) search.set("strips", "yes");
  if (choices.cover !== NO_CHOICES.cover) search.set("cover", choices.cover);
  if (choices.finish !== null) search.set("finish", choices.finish);
  if (choices.start !== null) search.set("start", choices.start);
  if (choices.at !== NO_CHOICES.at) search.set("at", choices.at);
  if (choices.withOptional.length > 0) search.set("with", choices.withOptional.join(","));
  const numbers = [
    ["depth", choices.depth],
    ["height", choices.height],
    ["eggcount", choices.eggCount],
    ["servings", choices.servings],
    ["bowl", choices.bowl],
  ] as const;
  for (const [name, value] of numbers) if (value !== null) search.set(name, String(value));
  if (choices.portion !== "") search.set("portion", choices.portion);
  if (choices.raising !== NO_CHOICES.raising) search.set("raising", choices.raising);
  if (choices.mixes.length > 0) search.set("mixes", choices.mixes.join(","));
  if (choices.weighed.length > 0) search.set("weighed", JSON.stringify(choices.weighed));
  if (choices.shares.length > 0) search.set("shares", JSON.stringify(choices.shares));
  if (Object.keys(choices.laid).length > 0) search.set("laid", JSON.stringify(choices.laid));
  if (choices.beside !== null) search.set("beside", JSON.stringify(choices.beside));
  return search;
}

/** The request these choices make, or null while no recipe is chosen. */
export function requestOf(choices: FitChoices): FitRequest | null {
  if (choices.recipe === null) return null;
  return {
    recipe: choices.recipe,
    ...(choices.revision === null ? {} : { revision: choices.revision }),
    ...(choices.variant === null ? {} : { variant: choices.variant }),
    ...(Object.keys(choices.instead).length === 0 ? {} : { instead: choices.instead }),
    ...(choices.joins === null ? {} : { joins: choices.joins }),
    into: choices.into,
    rule: choices.rule,
    eggs: choices.eggs,
    oven: choices.oven,
    temperature: choices.temperature,
    separately: choices.separately,
    ...(choices.strips ? { strips: true } : {}),
    ...(choices.cover === "as_recipe" ? {} : { cover: choices.cover }),
    ...(choices.finish === null ? {} : { finish: choices.finish }),
    ...(choices.start === null ? {} : { start: choices.start }),
    with_optional: choices.withOptional,
    ...(choices.depth === null ? {} : { depth_cm: choices.depth }),
    ...(choices.height === null ? {} : { height_cm: choices.height }),
    ...(choices.eggCount === null ? {} : { egg_count: choices.eggCount }),
    ...(choices.servings === null ? {} : { servings: choices.servings }),
    ...(choices.portion === "" ? {} : { portion: choices.portion }),
    ...(choices.raising === "proportion" ? {} : { raising: choices.raising }),
    ...(choices.bowl === null ? {} : { bowl: choices.bowl }),
    ...(choices.mixes.length === 0 ? {} : { mixes: choices.mixes }),
    ...(choices.weighed.length === 0 ? {} : { weighed: choices.weighed }),
    ...(choices.shares.length === 0 ? {} : { shares: choices.shares }),
    ...(Object.keys(choices.laid).length === 0 ? {} : { laid: choices.laid }),
  };
}

/** The choices a kept request holds. */
export function choicesOf(request: FitRequest): FitChoices {
  return {
    recipe: request.recipe,
    revision: request.revision ?? null,
    variant: request.variant ?? null,
    instead: request.instead ?? {},
    joins: request.joins ?? null,
    into: request.into,
    rule: request.rule ?? NO_CHOICES.rule,
    eggs: request.eggs ?? NO_CHOICES.eggs,
    oven: request.oven ?? null,
    temperature: request.temperature ?? NO_CHOICES.temperature,
    separately: request.separately ?? false,
    strips: request.strips ?? false,
    cover: request.cover ?? NO_CHOICES.cover,
    finish: request.finish ?? null,
    start: request.start ?? null,
    withOptional: request.with_optional ?? [],
    depth: request.depth_cm ?? null,
    height: request.height_cm ?? null,
    eggCount: request.egg_count ?? null,
    servings: request.servings ?? null,
    portion: request.portion ?? "",
    raising: request.raising ?? NO_CHOICES.raising,
    bowl: request.bowl ?? null,
    mixes: request.mixes ?? [],
    weighed: request.weighed ?? [],
    shares: request.shares ?? [],
    laid: request.laid ?? {},
    beside: null,
    at: NO_CHOICES.at,
  };
}

function entriesFrom(text: string | null): FitEntry[] {
  return listFrom(text, entryFrom);
}

/** Read a list from JSON; what cannot be read of it is left out. */
function listFrom<T>(text: string | null, read: (value: unknown) => T | null): T[] {
  if (text === null) return [];
  try {
    const parsed: unknown = JSON.parse(text);
    return Array.isArray(parsed) ? parsed.map(read).filter((one) => one !== null) : [];
  } catch {
    return [];
  }
}

function weighedFrom(value: unknown): Weighed | null {
  if (!isRecord(value)) return null;
  const { full_g: full, tare_g: tare } = value;
  return typeof full === "number" && typeof tare === "number"
    ? { full_g: full, tare_g: tare }
    : null;
}

function shareFrom(value: unknown): AskedShare | null {
  if (!isRecord(value) || typeof value.name !== "string" || !Array.isArray(value.pans)) return null;
  const adds = Array.isArray(value.adds) ? value.adds : [];
  return {
    name: value.name,
    adds: adds.filter((line) => typeof line === "string"),
    pans: value.pans.filter(isRecord).map((one) => ({
      entry: Number(one.entry),
      count: Number(one.count ?? 1),
      part: Number(one.part ?? 1),
    })),
  };
}

function laidFrom(text: string | null): Record<string, Length> {
  try {
    const parsed: unknown = JSON.parse(text ?? "{}");
    if (!isRecord(parsed)) return {};
    return Object.fromEntries(
      Object.entries(parsed).filter(
        (pair): pair is [string, Length] =>
          /^\d+$/.test(pair[0]) && (typeof pair[1] === "number" || typeof pair[1] === "string"),
      ),
    );
  } catch {
    return {};
  }
}

function entryFrom(value: unknown): FitEntry | null {
  if (!isRecord(value)) return null;
  const { pan, count, rule, cutter_cm: cutter } = value;
  if (!(Number.isInteger(pan) || isRecord(pan))) return null;
  return {
    pan: pan as number | PanMeasures,
    count: Number.isInteger(count) ? (count as number) : 1,
    ...(isRecord(rule) ? { rule: rule } : {}),
    ...(typeof cutter === "number" || typeof cutter === "string" ? { cutter_cm: cutter } : {}),
  };
}

/** Read "3:0,7:1"; what cannot be read is left out. */
function pairsFrom(text: string | null): Record<string, number> {
  const pairs = (text ?? "").split(",").map((pair) => /^(\d+):(\d+)$/.exec(pair));
  return Object.fromEntries(
    pairs.filter((pair) => pair !== null).map((pair) => [pair[1] ?? "", Number(pair[2])]),
  );
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function wholeNumber(text: string | null): number | null {
  return text !== null && /^\d+$/.test(text) ? Number(text) : null;
}

function decimal(text: string | null): number | null {
  return text !== null && /^\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}

/** A length as typed: a bare number, or text such as 2 in that the kitchen reads. */
function length(text: string | null): Length | null {
  return text === null || text.trim() === "" ? null : (decimal(text) ?? text);
}

function oneOf<T extends string>(text: string | null, values: readonly T[], fallback: T): T {
  return values.find((value) => value === text) ?? fallback;
}

/** Begin with a recipe in its newest revision; what was chosen for another card goes. */
export function startWith(recipe: RecipeRow): Partial<FitChoices> {
  return {
    recipe: recipe.id,
    revision: recipe.revision,
    variant: null,
    instead: {},
    joins: null,
    withOptional: [],
    eggs: "default",
    eggCount: null,
    servings: null,
    depth: null,
    height: null,
    shares: [],
    laid: {},
    beside: null,
  };
}
