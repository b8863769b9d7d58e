import type { Day, DayStep, DayTimer } from "../api/client";
import type { Waiting } from "./outbox";

const MINUTE_MS = 60_000;

/** Timers of a bake that this screen knows of alone, as the kitchen names and times them. */
const BAKING = [
  { kind: "first_look", words: "First look", calls: true, loud: false },
  { kind: "likely", words: "Likely done", calls: false, loud: false },
  { kind: "latest", words: "No later than", calls: true, loud: true },
] as const;

/** What was put in here and has not arrived: the bake, and when it went in by this screen's clock. */
function baking(day: Day, waiting: readonly Waiting[]): { step: DayStep; since: number }[] {
  const out = keysOf(waiting, "done");
  return waiting.flatMap(({ event, made }) => {
    const step = day.steps.find((one) => one.key === event.step);
    const here = event.kind === "put_in" && step?.kind === "bake" && step.stand !== "running";
    return here && !out.has(step.key) ? [{ step, since: made }] : [];
  });
}

/** Timers of what was ticked here: they run here until the kitchen has the tick. */
export function timersHere(
  day: Day,
  waiting: readonly Waiting[],
  /** What the kitchen's clock is ahead of this one's, ms. */
  ahead: number,
): DayTimer[] {
  return baking(day, waiting).flatMap(({ step, since }) => {
    const { bake } = step;
    if (!bake) return [];
    const minutes = {
      first_look: bake.first_look_min,
      likely: bake.likely_min,
      latest: bake.latest_min,
    };
    return BAKING.map(({ kind, ...more }) => ({
      key: `${step.key}:${kind}:0`,
      kind,
      step: step.key,
      what: step.words,
      since: new Date(since + ahead).toISOString(),
      at: new Date(since + ahead + minutes[kind] * MINUTE_MS).toISOString(),
      ...more,
    }));
  });
}

/** What leads on this screen: the kitchen's own, or while ticks are on their way what comes next. */
export function leading(
  day: Day,
  waiting: readonly Waiting[],
  /** This screen's clock, ms. */
  now = Date.now(),
): { act: Day["act"]; step: DayStep | null; next: DayStep[] } {
  const of = (key: string | null) => {
    const found = day.steps.find((one) => one.key === key);
    return found ? withWaiting(found, waiting) : null;
  };
  const moved = new Set(["done", "put_in", "hot"].flatMap((kind) => [...keysOf(waiting, kind)]));
  const inOven = baking(day, waiting);
  const due = inOven.find(
    ({ step, since }) => step.bake && now >= since + step.bake.first_look_min * MINUTE_MS,
  );
  if (due) return { act: "look", step: withWaiting(due.step, waiting), next: [] };
  const lead = of(day.lead);
  const next = day.next.flatMap((key) => of(key) ?? []);
  if (!lead || !moved.has(lead.key)) {
    return { act: day.act, step: lead, next: next.filter((one) => !moved.has(one.key)) };
  }
  const left = [...next, ...day.steps].filter(
    (one, place, all) =>
      all.findIndex((other) => other.key === one.key) === place &&
      !one.passive &&
      one.asked &&
      !moved.has(one.key) &&
      (one.stand === "ready" || isReady(one, day, waiting, now)),
  );
  const [step = null, ...rest] = left.map((one) => withWaiting(one, waiting));
  if (!step) return { act: "wait", step: null, next: next.filter((one) => !moved.has(one.key)) };
  const act = step.kind === "bake" ? "put_in" : step.kind === "turn_out" ? "turn_out" : "do";
  return { act, step, next: rest.slice(0, 2) };
}

/** Whether all that a step waits for is over: done in the kitchen, or ticked here long enough ago. */
function isReady(step: DayStep, day: Day, waiting: readonly Waiting[], now: number): boolean {
  if (step.stand !== "waiting" || step.waits.length === 0) return false;
  return step.waits.every(({ key, least_min }) => {
    const before = day.steps.find((one) => one.key === key);
    if (keysOf(waiting, "hot").has(key)) return true;
    const here = waiting.findLast(({ event }) => event.kind === "done" && event.step === key);
    if (here) return now >= here.made + least_min * MINUTE_MS;
    if (before?.stand === "over") return true;
    const ended = before?.stand === "done" && before.ended ? Date.parse(before.ended) : null;
    return ended !== null && now >= ended + least_min * MINUTE_MS;
  });
}

function keysOf(waiting: readonly Waiting[], kind: string): Set<string> {
  return new Set(
    waiting.flatMap(({ event }) => (event.kind === kind && event.step ? [event.step] : [])),
  );
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
