import type { CardPan, PanMeasures } from "../../api/client";
import { typedCount, typedDecimal } from "../../domain/numbers";
import { asEntered, withUnit } from "../../domain/units";
import type { Points } from "./DrawPad";
import { OUTLINES, SIDED, USUAL_WELLS, usualSides } from "./outlines";
import type { LengthField, OutlineName } from "./outlines";

const COUNTS = ["wells", "sides", "flutes"] as const;

/** The fields of the form as they stand. */
export type Texts = Partial<
  Record<LengthField | "capacity_ml" | (typeof COUNTS)[number] | "label" | "cutter_cm", string>
>;

/** A pan as the kitchen read and drew it. */
export type CheckedPan = Omit<CardPan, "count" | "assumed">;

/** What was typed, as the kitchen takes it; lengths go as text and are read there. */
export function measuresFrom(
  outline: OutlineName,
  texts: Texts,
  points: Points,
  initial: CheckedPan | undefined,
  inch: boolean,
): PanMeasures | null {
  const filled = Object.entries(texts).filter(
    ([field, text]) => text.trim() !== "" && ![...COUNTS, "cutter_cm"].includes(field),
  );
  const {
    capacity_ml: capacity,
    label: name,
    ...lengths
  } = Object.fromEntries(filled) as Omit<Texts, (typeof COUNTS)[number] | "cutter_cm">;
  if (Object.keys(lengths).length === 0 && capacity === undefined) return null;
  if (badNumber(texts.capacity_ml)) return null;
  const size = [lengths.across, lengths.width].filter(Boolean).join(" × ");
  const shape = OUTLINES.find((one) => one.value === outline)?.label ?? "Pan";
  return {
    ...notShown(outline, initial),
    outline,
    label:
      name?.trim() ??
      `${shape} ${size ? (inch && !/[a-z"]/i.test(size) ? `${size} in` : size) : `${capacity ?? ""} ml`}`.trim(),
    ...Object.fromEntries(
      Object.entries(lengths).map(([field, text]) => [field, withUnit(text, inch)]),
    ),
    ...(capacity === undefined ? {} : { capacity_ml: Number(capacity.replace(",", ".")) }),
    ...(outline === "wells" ? { wells: typedCount(texts.wells ?? USUAL_WELLS) ?? 0 } : {}),
    ...(SIDED.includes(outline)
      ? { sides: typedCount(texts.sides ?? usualSides(outline)) ?? 0 }
      : {}),
    ...(outline === "ring" && texts.flutes?.trim()
      ? { flutes: typedCount(texts.flutes) ?? 0 }
      : {}),
    ...(outline === "drawn" ? { points } : {}),
  };
}

/** Measures an outline cannot do without beside the first, and what share of it draws a guess. */
const SECOND: Partial<Record<OutlineName, readonly [LengthField, number, string]>> = {
  rectangle: ["width", 0.7, "width"],
  loaf: ["width", 0.5, "width"],
  oval: ["width", 0.7, "width"],
  ring: ["tube", 0.3, "tube"],
};

/** A pan of which only the first measure is typed, drawn by a guess until the second comes. */
export function missing(
  outline: OutlineName,
  texts: Texts,
): { drawn: Texts; wanted: string } | null {
  const second = SECOND[outline];
  const first = /^([\d.,/ ⅛¼⅓⅜½⅝⅔¾⅞]+)(.*)$/.exec(texts.across?.trim() ?? "");
  if (!second || !first || (texts.capacity_ml ?? "").trim() !== "") return null;
  const [field, share, wanted] = second;
  const number = typedDecimal(first[1] ?? "");
  if (number === null || (texts[field] ?? "").trim() !== "") return null;
  return {
    drawn: { ...texts, [field]: `${(number * share).toFixed(2)}${first[2] ?? ""}` },
    wanted,
  };
}

/** What a pan that is changed has beside the fields of this form; a change of outline drops it. */
function notShown(outline: OutlineName, pan: CheckedPan | undefined): Partial<PanMeasures> {
  if (pan?.measures.outline !== outline) return {};
  const fields = OUTLINES.find((one) => one.value === outline)?.fields ?? [];
  const shown = new Set<string>([...fields.map(([field]) => field), "wall_cm", "capacity_ml"]);
  if (outline === "ring") shown.add("flutes");
  return Object.fromEntries(
    Object.entries(pan.measures).filter(([field, value]) => value !== null && !shown.has(field)),
  );
}

/** The texts of a pan that is changed. */
export function textsOf(pan: CheckedPan | undefined, inch: boolean): Texts {
  if (!pan) return {};
  const { measures } = pan;
  const names = [
    "across",
    "width",
    "tube",
    "wall_cm",
    "rim_across",
    "rim_width",
    "rim_tube",
  ] as const;
  const lengths = names.flatMap((name) =>
    measures[name] === null ? [] : [[name, asEntered(measures[name], inch)] as const],
  );
  return {
    ...(Object.fromEntries(lengths) as Texts),
    ...(measures.corner > 0 ? { corner: asEntered(measures.corner, inch) } : {}),
    ...(measures.capacity_ml === null ? {} : { capacity_ml: String(measures.capacity_ml) }),
    wells: String(measures.wells),
    sides: String(measures.sides),
    ...(measures.flutes > 0 ? { flutes: String(measures.flutes) } : {}),
    label: pan.label,
  };
}

/** Whether a number of grams was typed that is none. */
export function badNumber(text: string | undefined): boolean {
  return text !== undefined && text.trim() !== "" && !/^\s*\d+([.,]\d+)?\s*$/.test(text);
}
