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

/** Decimal number typed in a field, with a point or a comma, or null where the text is none. */
export function typedDecimal(text: string): number | null {
  const bare = text.trim().replace(",", ".");
  return /^\d+(\.\d+)?$/.test(bare) ? Number(bare) : null;
}

/** How many of a pan, in words: wells are counted one by one. */
export function countOf(pan: { count: number; wells: number; label: string }): string {
  if (pan.wells > 1) return `${String(pan.count)} wells of ${pan.label}`;
  return pan.count > 1 ? `${String(pan.count)} × ${pan.label}` : pan.label;
}
