import type { Day, DayStep } from "../api/client";
import type { Waiting } from "./outbox";

const MINUTE_MS = 60_000;

/** A day as far as one screen knows it: what the kitchen said last, and what was ticked here. */
export interface Here {
  day: Day;
  waiting: readonly Waiting[];
  /** This screen's clock, ms. */
  now: number;
  /** What the kitchen's clock is ahead of this one's, ms. */
  ahead: number;
}

/** Ticks that were not taken back before they arrived; what takes one back goes with it. */
export function inForce(waiting: readonly Waiting[]): Waiting[] {
  const back = keysOf(waiting, "undo");
  return waiting.filter(({ event }) => event.kind !== "undo" && !back.has(event.id));
}

/** Steps that ticks of some kind are on their way for. */
export const keysOf = (waiting: readonly Waiting[], kind: string): Set<string> =>
  new Set(waiting.flatMap(({ event }) => (event.kind === kind && event.step ? [event.step] : [])));

/** When a step was ticked here as over, by this screen's clock; a load once its last row is out. */
export function tickedAt(step: DayStep, waiting: readonly Waiting[]): number | null {
  const mine = waiting.filter(({ event }) => event.step === step.key);
  const done = mine.findLast(
    ({ event }) => event.kind === "done" || (event.kind === "hot" && step.kind === "heat"),
  );
  if (done) return done.made;
  const rows = step.bake?.rows ?? [];
  const out = mine.filter(({ event }) => event.kind === "out");
  const all = rows.every(
    (row) => row.out || out.some(({ event }) => (event.place ?? 0) === row.row),
  );
  return rows.length > 0 && out.length > 0 && all ? Math.max(...out.map(({ made }) => made)) : null;
}

/** When a step is over, by this screen's clock; null while what it hangs on is not done. */
function endOf(here: Here, key: string): number | null {
  const step = here.day.steps.find((one) => one.key === key);
  if (!step) return null;
  const ticked = tickedAt(step, here.waiting);
  if (ticked !== null) return ticked;
  const ended = step.ended ? Date.parse(step.ended) - here.ahead : null;
  if (step.stand === "over" || step.stand === "done") return ended ?? -Infinity;
  if (!step.passive) return null;
  // What stands by itself ends by its minutes, from when all before it was over.
  if (step.stand === "running") return ended;
  const ready = readyAt(here, step);
  return ready === null ? null : ready + step.minutes * MINUTE_MS;
}

/** When all that a step waits for is over; null while something of it is not done. */
export function readyAt(here: Here, step: DayStep): number | null {
  let ready = -Infinity;
  const hot = keysOf(here.waiting, "hot");
  for (const { key, least_min } of step.waits) {
    const end = endOf(here, key);
    if (end === null) return null;
    ready = Math.max(ready, hot.has(key) ? end : end + least_min * MINUTE_MS);
  }
  return ready;
}

/** Whether a step is over as far as this screen knows. */
export function isOver(here: Here, step: DayStep): boolean {
  const end = endOf(here, step.key);
  return end !== null && here.now >= end;
}

/** Whether all that a waiting step waits for is over. */
export function isReady(here: Here, step: DayStep): boolean {
  if (step.stand !== "waiting") return false;
  // The kitchen knows the oven that was hot before its minutes were over.
  if (step.ready_at && here.now >= Date.parse(step.ready_at) - here.ahead) return true;
  if (step.waits.length === 0) return false;
  const ready = readyAt(here, step);
  return ready !== null && here.now >= ready;
}

/** A bake that is in the oven, and when to look at it next, by this screen's clock. */
interface InOven {
  step: DayStep;
  look: number;
  /** When it was looked at here and was not done; null where it was not. */
  looked: number | null;
}

/** What is in the oven: put in here, or known to the kitchen when it was last heard. */
export function inTheOven(here: Here): InOven[] {
  return here.day.steps.flatMap((step): InOven[] => {
    if (step.kind !== "bake" || !step.bake || tickedAt(step, here.waiting) !== null) return [];
    const mine = here.waiting.filter(({ event }) => event.step === step.key);
    const put = mine.find(({ event }) => event.kind === "put_in");
    const running = step.stand === "running";
    if (!running && !put) return [];
    const looked = mine.findLast(
      ({ event }) => event.kind === "not_yet" || event.kind === "too_dark",
    );
    if (looked) {
      const look = looked.made + step.bake.give_min * MINUTE_MS;
      return [{ step, look, looked: looked.made }];
    }
    const called = here.day.timers.find(
      (one) => one.step === step.key && (one.kind === "first_look" || one.kind === "look_again"),
    );
    if (running)
      return called ? [{ step, look: Date.parse(called.at) - here.ahead, looked: null }] : [];
    return put
      ? [{ step, look: put.made + step.bake.first_look_min * MINUTE_MS, looked: null }]
      : [];
  });
}

/** Whether hands are asked for a step: an oven that held another heat is free once it is empty. */
export function isAsked(here: Here, step: DayStep): boolean {
  if (step.asked) return true;
  if (step.kind !== "heat" || inTheOven(here).length > 0) return false;
  const begun = keysOf(here.waiting, "put_in");
  return !here.day.steps.some(
    (one) =>
      one.waits.some(({ key }) => key === step.key) &&
      (begun.has(one.key) || isOver(here, one) || one.stand === "running"),
  );
}
