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

/** So many ticks go at once: a kitchen takes 500. */
export const PART = 100;

/** What the kitchen said of ticks it did not take. */
export interface Refusal {
  status: number;
  errors: readonly { field: string }[];
}

/**
 * The ticks that are refused by name: what is wrong with one never takes the others with it, and
 * what is wrong with the asking (signed out, too many at once, too often) takes none.
 */
export function refusedOf(part: readonly Waiting[], said: Refusal): Waiting[] {
  if (said.status === 404 || said.status === 410) return [...part];
  if (said.status !== 422 && said.status !== 400) return [];
  const named = said.errors.flatMap(({ field }) => {
    const place = /(?:^|\.)events\.(\d+)(?:\.|$)/.exec(field)?.[1];
    return place === undefined ? [] : [Number(place)];
  });
  if (named.length > 0) return part.filter((_, place) => named.includes(place));
  // The day is over, or has all the ticks it can have: none of them will ever be taken.
  return said.errors.some(({ field }) => field === "day" || field === "events") ? [...part] : [];
}

/** Ticks as they are sent: each says how long ago it was made. */
export const sent = (waiting: readonly Waiting[], now: number): DayEvent[] =>
  waiting.map(({ event, made }) => ({ ...event, ago_s: Math.max(0, (now - made) / 1000) }));
