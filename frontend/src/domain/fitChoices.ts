import {
  COVER,
  EGG_CHOICE,
  PAN_FINISH,
  REQUEST_PORTION,
  REQUEST_START,
  RAISING,
  RULE,
  SCHOOL,
} from "../api/bounds";
import type {
  EggChoice,
  Finishing,
  FitEntry,
  FitRequest,
  PanRule,
  PanMeasures,
  RecipeRow,
  Rule,
} from "../api/client";

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
export type BakeView = (typeof VIEWS)[number];
const VIEWS = ["card", "heat", "loads", "ways", "inside"] as const;

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
  /** What the oven is set to on its own dial, for the baker's own setting. */
  dial: number | null;
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
  /** The eggs there are, on the scale; wins over their count. */
  eggsG: number | null;
  eggsInShell: boolean;
  servings: number | null;
  factor: number | null;
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
  /** What is done after the oven; none takes the usual for what the card has. */
  finishing: Finishing | null;
  /** The other set of pans, while two are set side by side. */
  beside: FitEntry[] | null;
  at: BakeView;
  /** The order whose cake this is, and which of its cakes; none for a fit by itself. */
  order: number | null;
  orderCake: number | null;
  /** Whether it opens with an answer: the kitchen is asked for pans where none is chosen. */
  opens: boolean;
}

/** One choice: how it stands in the address and in the request, and what it starts from. */
interface Row<T> {
  /** Its name in the address. */
  name: string;
  /** The field of the request that takes it; null for what is only looked at. */
  asked: FieldOf<T> | null;
  initial: T;
  /** Read it from the address; undefined where it cannot be read. */
  read: (text: string) => T | undefined;
  write: (value: T) => string;
  /** Whether another value makes other amounts. */
  amounts?: true;
  /** Whether it belongs to one batch only: gone as soon as the amounts become others. */
  ofTheBatch?: true;
}

/** Fields of the request that a choice of this type can fill. */
type FieldOf<T> = {
  [Name in keyof FitRequest]-?: NonNullable<T> extends NonNullable<FitRequest[Name]>
    ? NonNullable<FitRequest[Name]> extends NonNullable<T>
      ? Name
      : never
    : never;
}[keyof FitRequest];

type Way<T> = Pick<Row<T>, "initial" | "read" | "write">;

const whole: Way<number | null> = { initial: null, read: wholeNumber, write: String };
const number: Way<number | null> = { initial: null, read: decimal, write: String };
const measure: Way<Length | null> = { initial: null, read: length, write: String };
const yes: Way<boolean> = {
  initial: false,
  read: (text) => text === "yes",
  write: (value) => (value ? "yes" : ""),
};
const numbers: Way<number[]> = {
  initial: [],
  read: (text) =>
    text
      .split(",")
      .map(decimal)
      .filter((one) => one !== undefined),
  write: (value) => value.join(","),
};

function among<T extends string>(values: readonly T[], initial: T): Way<T>;
function among<T extends string>(values: readonly T[], initial: null): Way<T | null>;
function among<T extends string>(values: readonly T[], initial: T | null) {
  return {
    initial,
    read: (text: string) => values.find((one) => one === text),
    write: (value: T | null) => value ?? "",
  };
}

function list<T>(read: (value: unknown) => T | null): Way<T[]> {
  return { initial: [], read: (text) => listFrom(text, read), write: JSON.stringify };
}

/** Every choice of a fit, once: a choice left out of here does not compile. */
const CHOICES = {
  recipe: { name: "recipe", asked: "recipe", ...whole, amounts: true },
  revision: { name: "revision", asked: "revision", ...whole, amounts: true },
  variant: { name: "variant", asked: "variant", ...whole, amounts: true },
  instead: {
    name: "instead",
    asked: "instead",
    initial: {},
    read: pairsFrom,
    write: pairsText,
    amounts: true,
  },
  joins: { name: "joins", asked: "joins", ...whole },
  into: { name: "into", asked: "into", ...list(entryFrom), amounts: true },
  rule: { name: "rule", asked: "rule", ...among(RULE, "same_depth"), amounts: true },
  eggs: { name: "eggs", asked: "eggs", ...among(EGG_CHOICE, "default"), amounts: true },
  oven: { name: "oven", asked: "oven", ...whole },
  temperature: { name: "temperature", asked: "temperature", ...among(SCHOOL, "same_crust") },
  dial: { name: "dial", asked: "dial", ...number },
  separately: { name: "separately", asked: "separately", ...yes },
  strips: { name: "strips", asked: "strips", ...yes },
  cover: { name: "cover", asked: "cover", ...among(COVER, "as_recipe") },
  finish: { name: "finish", asked: "finish", ...among(PAN_FINISH, null) },
  start: { name: "start", asked: "start", ...among(REQUEST_START, null) },
  withOptional: { name: "with", asked: "with_optional", ...numbers, amounts: true },
  depth: { name: "depth", asked: "depth_cm", ...measure, amounts: true },
  height: { name: "height", asked: "height_cm", ...measure, amounts: true },
  eggCount: { name: "eggcount", asked: "egg_count", ...number, amounts: true },
  eggsG: { name: "eggsg", asked: "eggs_g", ...number, amounts: true },
  eggsInShell: { name: "inshell", asked: "eggs_in_shell", ...yes, amounts: true },
  servings: { name: "servings", asked: "servings", ...whole, amounts: true },
  factor: { name: "times", asked: "factor", ...number, amounts: true },
  portion: { name: "portion", asked: "portion", ...among(REQUEST_PORTION, "") },
  raising: { name: "raising", asked: "raising", ...among(RAISING, "proportion"), amounts: true },
  bowl: {
    name: "bowl",
    asked: "bowl",
    initial: null,
    read: (text) => (text === "none" ? text : wholeNumber(text)),
    write: String,
  },
  mixes: { name: "mixes", asked: "mixes", ...numbers, ofTheBatch: true },
  weighed: { name: "weighed", asked: "weighed", ...list(weighedFrom), ofTheBatch: true },
  shares: { name: "shares", asked: "shares", ...list(shareFrom) },
  laid: {
    name: "laid",
    asked: "laid",
    initial: {},
    read: laidFrom,
    write: JSON.stringify,
  },
  finishing: {
    name: "finishing",
    asked: "finishing",
    initial: null,
    read: finishingFrom,
    write: JSON.stringify,
  },
  beside: {
    name: "beside",
    asked: null,
    initial: null,
    read: (text) => listFrom(text, entryFrom),
    write: JSON.stringify,
  },
  at: { name: "at", asked: null, ...among(VIEWS, "card") },
  order: { name: "order", asked: null, ...whole },
  orderCake: { name: "cake", asked: null, ...whole },
  opens: { name: "opens", asked: null, ...yes },
} satisfies { [Name in keyof FitChoices]: Row<FitChoices[Name]> };

/** Every field of the request has its choice; this line does not compile while one has none. */
type Unasked = Exclude<keyof FitRequest, (typeof CHOICES)[keyof FitChoices]["asked"]>;
true satisfies [Unasked] extends [never] ? true : Unasked;

const ROWS = Object.entries(CHOICES) as unknown as readonly (readonly [
  keyof FitChoices,
  Omit<Row<unknown>, "asked"> & { asked: keyof FitRequest | null },
])[];

/** Values for every choice, one by one. */
function choicesBy(value: (row: (typeof ROWS)[number][1]) => unknown): FitChoices {
  return Object.fromEntries(ROWS.map(([key, row]) => [key, value(row)])) as unknown as FitChoices;
}

export const NO_CHOICES: FitChoices = choicesBy((row) => row.initial);

/** What belongs to one batch only. */
export const OF_THE_BATCH = Object.fromEntries(
  ROWS.filter(([, row]) => row.ofTheBatch).map(([key, row]) => [key, row.initial]),
) as Partial<FitChoices>;

/** The choices after a change; what belonged to the batch before goes with its amounts. */
export function changedChoices(now: FitChoices, change: Partial<FitChoices>): FitChoices {
  const others = ROWS.some(([key, row]) => row.amounts && key in change);
  return { ...now, ...(others ? OF_THE_BATCH : {}), ...change };
}

/** Read choices from an address; what cannot be read is left at its default. */
export function choicesFrom(search: URLSearchParams): FitChoices {
  return choicesBy((row) => {
    const text = search.get(row.name);
    return text === null ? row.initial : (row.read(text) ?? row.initial);
  });
}

/** Write choices into an address; defaults are left out. */
export function searchOf(choices: FitChoices): URLSearchParams {
  return new URLSearchParams(
    ROWS.filter(([key, row]) => !isInitial(row, choices[key])).map(([key, row]) => [
      row.name,
      row.write(choices[key]),
    ]),
  );
}

/** The request these choices make, or null while no recipe is chosen. */
export function requestOf(choices: FitChoices): FitRequest | null {
  const { recipe, into } = choices;
  if (recipe === null) return null;
  const others = ROWS.flatMap(([key, row]): [keyof FitRequest, unknown][] =>
    row.asked === null || isInitial(row, choices[key]) ? [] : [[row.asked, choices[key]]],
  );
  return {
    ...Object.fromEntries<unknown>(others),
    recipe,
    into,
  };
}

/** Whether choices ask for what a request asks for: both as an address brings them back. */
export function asksFor(choices: FitChoices, request: FitRequest): boolean {
  const asked = (one: FitChoices) => JSON.stringify(requestOf(choicesFrom(searchOf(one))));
  return asked(choices) === asked(choicesOf(request));
}

/** The choices a kept request holds. */
export function choicesOf(request: FitRequest): FitChoices {
  const given: Readonly<Partial<Record<string, unknown>>> = request;
  return choicesBy((row) => (row.asked === null ? null : given[row.asked]) ?? row.initial);
}

function isInitial(row: (typeof ROWS)[number][1], value: unknown): boolean {
  return row.initial === null || value === null
    ? value === row.initial
    : row.write(value) === row.write(row.initial);
}

/** Read a list from JSON; what cannot be read of it is left out. */
function listFrom<T>(text: string, read: (value: unknown) => T | null): T[] {
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

function laidFrom(text: string): Record<string, Length> {
  try {
    const parsed: unknown = JSON.parse(text);
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

/** What is done after the oven, from the address; the kitchen looks at every field of it. */
function finishingFrom(text: string): Finishing | undefined {
  try {
    const value: unknown = JSON.parse(text);
    return isRecord(value) ? value : undefined;
  } catch {
    return undefined;
  }
}

function entryFrom(value: unknown): FitEntry | null {
  if (!isRecord(value)) return null;
  const { pan, count, rule, cutter_cm: cutter } = value;
  if (!(Number.isInteger(pan) || isRecord(pan))) return null;
  return {
    pan: pan as number | PanMeasures,
    count: Number.isInteger(count) ? (count as number) : 1,
    ...(isRecord(rule) ? { rule: rule as unknown as PanRule } : {}),
    ...(typeof cutter === "number" || typeof cutter === "string" ? { cutter_cm: cutter } : {}),
  };
}

/** Read "3:0,7:1"; what cannot be read is left out. */
function pairsFrom(text: string): Record<string, number> {
  const pairs = text.split(",").map((pair) => /^(\d+):(\d+)$/.exec(pair));
  return Object.fromEntries(
    pairs.filter((pair) => pair !== null).map((pair) => [pair[1] ?? "", Number(pair[2])]),
  );
}

function pairsText(pairs: Readonly<Record<string, number>>): string {
  return Object.entries(pairs)
    .map((pair) => pair.join(":"))
    .join(",");
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function wholeNumber(text: string): number | undefined {
  return /^\d+$/.test(text) ? Number(text) : undefined;
}

function decimal(text: string): number | undefined {
  return /^\d+(\.\d+)?$/.test(text) ? Number(text) : undefined;
}

/** A length as typed: a bare number, or text such as 2 in that the kitchen reads. */
function length(text: string): Length | undefined {
  return text.trim() === "" ? undefined : (decimal(text) ?? text);
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
    eggsG: null,
    eggsInShell: false,
    dial: null,
    servings: null,
    factor: null,
    depth: null,
    height: null,
    shares: [],
    laid: {},
    beside: null,
    opens: true,
    finishing: null,
    order: null,
    orderCake: null,
  };
}
