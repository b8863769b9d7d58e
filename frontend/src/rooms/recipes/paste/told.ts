import type { MarkRole, TextMark } from "../../../api/client";

/** What the baker said a stretch of the text is, with its words, so that it moves with them. */
export interface Told {
  start: number;
  end: number;
  kind: MarkRole;
}

/** What was said of a text, after the text was edited: it moves along, or goes with its words. */
export function toldAfter(told: readonly Told[], was: string, now: string): Told[] {
  let same = 0;
  while (same < was.length && same < now.length && was[same] === now[same]) same += 1;
  let behind = 0;
  while (
    behind < was.length - same &&
    behind < now.length - same &&
    was[was.length - 1 - behind] === now[now.length - 1 - behind]
  ) {
    behind += 1;
  }
  const moved = now.length - was.length;
  return told.flatMap((one) => {
    if (one.end <= same) return [one];
    if (one.start >= was.length - behind) {
      return [{ ...one, start: one.start + moved, end: one.end + moved }];
    }
    return [];
  });
}

/** The smallest mark around a place of the text. */
export function markAt(marks: readonly TextMark[], place: number): TextMark | null {
  const around = marks.filter((one) => one.start <= place && place <= one.end);
  return around.reduce<TextMark | null>(
    (least, one) => (least && least.end - least.start <= one.end - one.start ? least : one),
    null,
  );
}

/** Words on one line, cut where they are more than so many signs. */
export function shortened(words: string, most: number): string {
  const bare = words.replace(/\s+/g, " ").trim();
  return bare.length > most ? `${bare.slice(0, most - 2)}…` : bare;
}

interface Span {
  start: number;
  end: number;
}

/** The text in stretches, each with the smallest mark over it. */
export function stretches(
  text: string,
  marks: readonly TextMark[],
  asked: readonly Span[] = [],
): { at: number; text: string; mark: TextMark | null; asked: boolean }[] {
  const edges = new Set([0, text.length]);
  const inside = marks.filter((one) => one.start < one.end && one.end <= text.length);
  for (const one of [...inside, ...asked.filter((span) => span.end <= text.length)])
    edges.add(one.start).add(one.end);
  const places = [...edges].sort((a, b) => a - b);
  // The larger come before what is in them, so the last over a place is the smallest.
  return places.slice(0, -1).map((start, at) => {
    const end = places[at + 1] ?? text.length;
    const mark = inside.findLast((one) => one.start <= start && end <= one.end) ?? null;
    const open = asked.some((one) => one.start <= start && end <= one.end);
    return { at: start, text: text.slice(start, end), mark, asked: open };
  });
}
