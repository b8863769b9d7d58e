/** Grams as a scale shows them, thousands apart by a thin space. */
export function grams(value: number): string {
  return Math.round(value)
    .toString()
    .replace(/\B(?=(\d{3})+$)/g, "\u202f");
}

/** Centimetres to a millimetre, a whole number without a point. */
export function centimetres(value: number): string {
  return value.toFixed(1).replace(/\.0$/, "");
}

/** A share as whole per cent. */
export function percent(value: number): string {
  return `${Math.round(value * 100)} %`;
}

/** A factor with two places. */
export function times(value: number): string {
  return `× ${value.toFixed(2)}`;
}

/** Whole number typed in a field, or null where the text is none. */
export function typedCount(text: string): number | null {
  const bare = text.trim();
  return /^-?\d{1,6}$/.test(bare) ? Number(bare) : null;
}

const SIGNS: Record<string, number> = {
  "⅛": 1 / 8,
  "¼": 1 / 4,
  "⅓": 1 / 3,
  "⅜": 3 / 8,
  "½": 1 / 2,
  "⅝": 5 / 8,
  "⅔": 2 / 3,
  "¾": 3 / 4,
  "⅞": 7 / 8,
};

/**
 * Number typed in a field as people write it, or null where the text is none: 1.5, 1,5, 1½, 1 1/2.
 */
export function typedDecimal(text: string): number | null {
  const bare = text.trim().replace(",", ".");
  if (/^\d+(\.\d+)?$/.test(bare)) return Number(bare);
  const over = /^(?:(\d+)\s+)?(\d+)\s*\/\s*([1-9]\d*)$/.exec(bare);
  if (over) return Number(over[1] ?? 0) + Number(over[2]) / Number(over[3]);
  const sign = /^(\d*)\s*([⅛¼⅓⅜½⅝⅔¾⅞])$/.exec(bare);
  return sign ? Number(sign[1] ?? 0) + (SIGNS[sign[2] ?? ""] ?? 0) : null;
}

/** Length typed in a field: a bare number is centimetres, anything with a unit the kitchen reads. */
export function typedLength(text: string): number | string | null {
  const bare = typedDecimal(text);
  if (bare !== null) return bare;
  return LENGTH.test(text) ? text.trim() : null;
}

const LENGTH = /^\s*[\d.,/ ⅛¼⅓⅜½⅝⅔¾⅞]+\s*(cm|mm|in|inch|inches|")\s*$/i;

/** A span of minutes; from 100 on in hours. */
export function clock(minutes: number): string {
  const all = Math.round(minutes);
  if (all < 100) return `${String(all)}\u00a0min`;
  return `${String(Math.floor(all / 60))}\u00a0h${all % 60 === 0 ? "" : ` ${String(all % 60)}`}`;
}

/** How many of a pan, in words: wells are counted one by one. */
export function countOf(pan: { count: number; wells: number; label: string }): string {
  if (pan.wells > 1) {
    return `${String(pan.count)} ${pan.count === 1 ? "well" : "wells"} of ${pan.label}`;
  }
  return pan.count > 1 ? `${String(pan.count)} × ${pan.label}` : pan.label;
}

/** Names as one says them: "one", "one and two", "one, two and three". */
export function listed(names: readonly string[]): string {
  const last = names.at(-1) ?? "";
  return names.length < 2 ? last : `${names.slice(0, -1).join(", ")} and ${last}`;
}
