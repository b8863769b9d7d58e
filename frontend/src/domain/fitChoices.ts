import type { EggChoice, FitEntry, FitRequest, PanMeasures, Rule } from "../api/client";

export type Temperature = NonNullable<FitRequest["temperature"]>;

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
  withOptional: number[];
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
  withOptional: [],
};

const RULES: readonly Rule[] = ["keep_batch", "same_depth", "fill", "grams"];
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
    temperature: search.get("temperature") === "as_recipe" ? "as_recipe" : "same_crust",
    separately: search.get("separately") === "yes",
    withOptional: (search.get("with") ?? "")
      .split(",")
      .map(wholeNumber)
      .filter((id) => id !== null),
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
  if (choices.withOptional.length > 0) search.set("with", choices.withOptional.join(","));
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
    with_optional: choices.withOptional,
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
    withOptional: request.with_optional ?? [],
  };
}

function entriesFrom(text: string | null): FitEntry[] {
  if (text === null) return [];
  try {
    const parsed: unknown = JSON.parse(text);
    return Array.isArray(parsed) ? parsed.map(entryFrom).filter((entry) => entry !== null) : [];
  } catch {
    return [];
  }
}

function entryFrom(value: unknown): FitEntry | null {
  if (!isRecord(value)) return null;
  const { pan, count, rule } = value;
  if (!(Number.isInteger(pan) || isRecord(pan))) return null;
  return {
    pan: pan as number | PanMeasures,
    count: Number.isInteger(count) ? (count as number) : 1,
    ...(isRecord(rule) ? { rule: rule } : {}),
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

function oneOf<T extends string>(text: string | null, values: readonly T[], fallback: T): T {
  return values.find((value) => value === text) ?? fallback;
}
