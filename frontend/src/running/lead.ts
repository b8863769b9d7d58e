import type { Day, DayStep } from "../api/client";
import { inTheOven, isAsked, isOver, isReady, keysOf } from "./here";
import type { Here } from "./here";
import type { Waiting } from "./outbox";

interface Leading {
  act: Day["act"];
  step: DayStep | null;
  next: DayStep[];
}

/** What leads on this screen: the kitchen's own, or while ticks are on their way what comes next. */
export function leading(
  day: Day,
  waiting: readonly Waiting[],
  /** This screen's clock, ms. */
  now = Date.now(),
  /** How far the kitchen's clock is ahead of it, ms, and whether the kitchen does not answer. */
  { ahead = 0, away = false } = {},
): Leading {
  const here: Here = { day, waiting, now, ahead };
  const of = (key: string | null) => {
    const found = day.steps.find((one) => one.key === key);
    return found ? withWaiting(found, waiting) : null;
  };
  const moved = new Set(["done", "put_in", "hot"].flatMap((kind) => [...keysOf(waiting, kind)]));
  const mine = keysOf(waiting, "put_in");
  // Of a bake that the kitchen knows of it calls by itself, while it answers.
  const due = inTheOven(here).find(
    ({ step, look }) => now >= look && (away || (mine.has(step.key) && step.stand !== "running")),
  );
  if (due) return { act: "look", step: withWaiting(due.step, waiting), next: [] };
  const lead = of(day.lead);
  const next = day.next.flatMap((key) => of(key) ?? []);
  const gone = lead === null || moved.has(lead.key) || (away && day.act === "look");
  if (!gone || (lead === null && !away)) {
    return { act: day.act, step: lead, next: next.filter((one) => !moved.has(one.key)) };
  }
  const left = [...next, ...day.steps].filter(
    (one, place, all) =>
      all.findIndex((other) => other.key === one.key) === place &&
      !one.passive &&
      isAsked(here, one) &&
      !moved.has(one.key) &&
      (one.stand === "ready" || isReady(here, one)),
  );
  const [step = null, ...rest] = left.map((one) => withWaiting(one, waiting));
  if (!step) {
    // The kitchen says by itself that all is done, once it has the ticks.
    const over =
      away && day.steps.every((one) => isOver(here, one) || (!one.asked && !isAsked(here, one)));
    const then = next.filter((one) => !moved.has(one.key));
    return { act: over ? "end" : "wait", step: null, next: over ? [] : then };
  }
  const act = step.kind === "bake" ? "put_in" : step.kind === "turn_out" ? "turn_out" : "do";
  return { act, step, next: rest.slice(0, 2) };
}

/** A step with what was weighed or poured on its way to the kitchen. */
export function withWaiting(step: DayStep, waiting: readonly Waiting[]): DayStep {
  const mine = waiting.filter(({ event }) => event.step === step.key);
  const put = (kind: string, place: number) =>
    mine.some(({ event }) => event.kind === kind && (event.place ?? 0) === place);
  if (mine.length === 0) return step;
  const putIn = mine.find(({ event }) => event.kind === "put_in");
  return {
    ...step,
    started: step.started ?? (putIn ? new Date(putIn.made).toISOString() : null),
    amounts: step.amounts.map((one, place) => ({
      ...one,
      weighed: one.weighed || put("weighed", place),
    })),
    pans: step.pans.map((one, place) => ({ ...one, filled: one.filled || put("poured", place) })),
    bake: step.bake && {
      ...step.bake,
      rows: step.bake.rows.map((one) => ({ ...one, out: one.out || put("out", one.row) })),
    },
  };
}
