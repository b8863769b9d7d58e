/** A clock set back by more than this is a clock set back, not an answer that came late. */
const LATE_MS = 60_000;

/**
 * Of two answers that each say when they were worked out, the one to show: an answer that was long
 * on its way never takes the place of newer news.
 */
export function newerOf<T extends { now: string }>(shown: T | undefined, next: T): T {
  if (shown === undefined) return next;
  const older = Date.parse(shown.now) - Date.parse(next.now);
  return older > 0 && older < LATE_MS ? shown : next;
}
