/**
 * Ticks that have not arrived yet: kept in the browser, sent in order, each once.
 *
 * A tick has a key of its own, so that one sent twice counts once, and says how long ago it was
 * made, so that it counts from then.
 */
import type { DayEvent } from "../api/client";

export interface Waiting {
  event: Omit<DayEvent, "ago_s">;
  /** When it was made, by this browser's clock, ms. */
  made: number;
}

const shelf = (day: number) => `entremet.day.${String(day)}`;

/** Ticks of a day that have not arrived, oldest first. */
export function waitingOf(day: number): Waiting[] {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(shelf(day)) ?? "[]");
    return Array.isArray(read) ? (read as Waiting[]) : [];
  } catch {
    return [];
  }
}

/** Keep a tick until it has arrived. */
export function put(day: number, one: Waiting): void {
  localStorage.setItem(shelf(day), JSON.stringify([...waitingOf(day), one]));
}

/** Let go of ticks that have arrived; those made meanwhile stay. */
export function arrived(day: number, ids: ReadonlySet<string>): void {
  const left = waitingOf(day).filter((one) => !ids.has(one.event.id));
  if (left.length === 0) localStorage.removeItem(shelf(day));
  else localStorage.setItem(shelf(day), JSON.stringify(left));
}

/** Ticks as they are sent: each says how long ago it was made. */
export const sent = (waiting: readonly Waiting[], now: number): DayEvent[] =>
  waiting.map(({ event, made }) => ({ ...event, ago_s: Math.max(0, (now - made) / 1000) }));
