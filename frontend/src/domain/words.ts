/** Cut a text to so many signs as the kitchen counts them, never through a sign as it is seen. */
export function cutTo(text: string, most: number): string {
  const whole = text.replace(/\p{Surrogate}/gu, "");
  if (whole.length <= most) return whole;
  let kept = "";
  let signs = 0;
  for (const { segment } of SEEN.segment(whole)) {
    signs += signsIn(segment);
    if (signs > most) break;
    kept += segment;
  }
  return kept;
}

/** How many signs a text has as the kitchen counts them. */
export const signsIn = (text: string): number => Array.from(text).length;

const SEEN = new Intl.Segmenter(undefined, { granularity: "grapheme" });
