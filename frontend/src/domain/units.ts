import { centimetres, typedDecimal } from "./numbers";

/** How the kitchen reads lengths and weights. */
export type Units = "metric" | "us" | "both";

export const CM_PER_INCH = 2.54;
const G_PER_OUNCE = 28.3495;

const SIGNS: Record<string, string> = {
  "1/8": "⅛",
  "1/4": "¼",
  "3/8": "⅜",
  "1/2": "½",
  "5/8": "⅝",
  "3/4": "¾",
  "7/8": "⅞",
};

/** A length in inches to the marks of a ruler: eighths, below an inch sixteenths. */
export function inches(cm: number): string {
  return withFraction(cm / CM_PER_INCH, cm >= CM_PER_INCH ? 8 : 16);
}

/** A length as the kitchen reads it, with its unit. */
export function length(cm: number, units: Units): string {
  const metric = `${centimetres(cm)} cm`;
  if (units === "metric") return metric;
  return units === "us" ? `${inches(cm)} in` : `${metric} (${inches(cm)} in)`;
}

/** A length on a drawing, where there is room for one number: both beside each other, unit last. */
export function markLength(cm: number, units: Units): string {
  return units === "both" ? `${centimetres(cm)} cm · ${inches(cm)} in` : length(cm, units);
}

/** A width by a depth, its unit once. */
export function footprint(width: number, depth: number, units: Units): string {
  const metric = `${centimetres(width)} × ${centimetres(depth)} cm`;
  const us = `${inches(width)} × ${inches(depth)} in`;
  return units === "metric" ? metric : units === "us" ? us : `${metric} (${us})`;
}

/** A temperature as the kitchen reads it, with its unit. */
export function heat(c: number, units: Units, places = 0): string {
  const f = c * 1.8 + 32;
  return inBoth(
    `${c.toFixed(places)} °C`,
    `${String(f >= 250 ? 5 * Math.round(f / 5) : Math.round(f))} °F`,
    units,
  );
}

/** A temperature as a number on an axis: one of both kinds of degrees, whichever leads. */
export function degrees(c: number, units: Units): number {
  return units === "us" ? c * 1.8 + 32 : c;
}

/** The sign of the degrees on an axis. */
export function degreeSign(units: Units): string {
  return units === "us" ? "°F" : "°C";
}

/** A difference of temperatures. */
export function heatBy(c: number, units: Units): string {
  return inBoth(`${c.toFixed(0)} °C`, `${(c * 1.8).toFixed(0)} °F`, units);
}

const ML_PER = [
  [59, 236.588, 4, "cup"],
  [14, 14.787, 2, "tbsp"],
  [0, 4.929, 4, "tsp"],
] as const;

/** A volume as the kitchen reads it: millilitres, or the largest measure it fills. */
export function volume(ml: number, units: Units): string {
  const [, each, parts, name] = ML_PER.find(([least]) => ml >= least) ?? ML_PER[2];
  const told = withFraction(ml / each, parts);
  const plural = name === "cup" && ml / each > 1 + 1 / 8 ? "s" : "";
  return inBoth(`${String(Math.round(ml))} ml`, `${told} ${name}${plural}`, units);
}

/** A large volume: litres, or cups. */
export function litres(ml: number, units: Units): string {
  const [, each, parts] = ML_PER[0];
  return inBoth(`${(ml / 1000).toFixed(1)} l`, `${withFraction(ml / each, parts)} cups`, units);
}

function inBoth(metric: string, us: string, units: Units): string {
  return units === "metric" ? metric : units === "us" ? us : `${metric} (${us})`;
}

/** A weight in pounds and ounces. */
export function ounces(grams: number): string {
  const all = grams / G_PER_OUNCE;
  // From here on it rounds to a pound.
  if (all < 15.75) return `${withFraction(all, all < 1 ? 8 : all < 4 ? 4 : 2)} oz`;
  let pounds = Math.floor(all / 16);
  let over = Math.round((all - pounds * 16) * 2) / 2;
  if (over === 16) {
    pounds += 1;
    over = 0;
  }
  return over === 0 ? `${String(pounds)} lb` : `${String(pounds)} lb ${withFraction(over, 2)} oz`;
}

/** A whole cake's weight: "2.4 kg", in a US kitchen "5 lb 5 oz". */
export function weight(grams: number, units: Units): string {
  const kilos = `${(grams / 1000).toFixed(1)} kg`;
  if (units === "metric") return kilos;
  return units === "us" ? ounces(grams) : `${kilos} (${ounces(grams)})`;
}

/** A weight beside its grams, where the kitchen reads it; empty where it does not. */
export function besideGrams(grams: number | null, units: Units): string {
  return units === "metric" || grams === null ? "" : ounces(grams);
}

/** How a length is stepped and typed in the kitchen's own unit; its value stays in centimetres. */
export function lengthField(units: Units, stepCm: number) {
  if (units !== "us") {
    return { unit: "cm", step: stepCm, read: typedDecimal, write: (cm: number) => tenth(cm) };
  }
  return {
    unit: "in",
    step: CM_PER_INCH / (stepCm < 0.4 ? 8 : 4),
    read: (text: string) => {
      const typed = typedDecimal(text);
      return typed === null ? null : typed * CM_PER_INCH;
    },
    write: inches,
  };
}

/** A length typed for a kitchen's unit: a bare number gets the unit, one with its own keeps it. */
export function withUnit(text: string, inch: boolean): string {
  const bare = text.trim();
  return inch && typedDecimal(bare) !== null ? `${bare} in` : bare;
}

/** A length as it was entered: inches where they are meant and read back as they were. */
export function asEntered(cm: number, inch: boolean): string {
  if (!inch) return String(cm);
  const told = inches(cm);
  const back = (typedDecimal(told) ?? 0) * CM_PER_INCH;
  return Math.abs(back - cm) < 0.01 ? told : `${String(cm)} cm`;
}

/** Whether measures as typed are in inches. */
export function inInches(typed: Readonly<Record<string, unknown>>): boolean {
  return Object.values(typed).some(
    (value) => typeof value === "string" && /\d\s*(in|inch|inches|")$/i.test(value),
  );
}

function tenth(cm: number): string {
  return String(Math.round(cm * 10) / 10);
}

function withFraction(value: number, parts: number): string {
  const all = Math.round(value * parts);
  const whole = Math.floor(all / parts);
  let top = all % parts;
  if (top === 0) return String(whole);
  let bottom = parts;
  while (top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = `${String(top)}/${String(bottom)}`;
  return `${whole === 0 ? "" : String(whole)}${SIGNS[fraction] ?? `${whole === 0 ? "" : " "}${fraction}`}`;
}
