import type { Day, DayStep } from "../api/client";
import type { Waiting } from "./outbox";

/** What leads on this screen: the kitchen's own, or while ticks are on their way what comes next. */
export function leading(
  day: Day,
  waiting: readonly Waiting[],
): { act: Day["act"]; step: DayStep | null; next: DayStep[] } {
  const moved = new Set(
    waiting
      .filter(({ event }) => event.kind === "done" || event.kind === "put_in")
      .map(({ event }) => event.step),
  );
  const of = (key: string | null) => {
    const found = day.steps.find((one) => one.key === key);
    return found ? withWaiting(found, waiting) : null;
  };
  const lead = of(day.lead);
  const next = day.next.flatMap((key) => of(key) ?? []);
  if (!lead || !moved.has(lead.key)) {
    return { act: day.act, step: lead, next: next.filter((one) => !moved.has(one.key)) };
  }
  const left = [...next, ...day.steps.filter((one) => one.stand === "ready")].filter(
    (one, place, all) => !moved.has(one.key) && all.indexOf(one) === place,
  );
  const [step = null, ...rest] = left;
  if (!step) return { act: "wait", step: null, next: [] };
  const act = step.kind === "bake" ? "put_in" : step.kind === "turn_out" ? "turn_out" : "do";
  return { act, step, next: rest.slice(0, 2) };
}

/** A step with what was weighed or poured on its way to the kitchen. */
export function withWaiting(step: DayStep, waiting: readonly Waiting[]): DayStep {
  const mine = waiting.filter(({ event }) => event.step === step.key);
  const put = (kind: string, place: number) =>
    mine.some(({ event }) => event.kind === kind && (event.place ?? 0) === place);
  if (mine.length === 0) return step;
  return {
    ...step,
    amounts: step.amounts.map((one, place) => ({
      ...one,
      weighed: one.weighed || put("weighed", place),
    })),
    pans: step.pans.map((one, place) => ({ ...one, filled: one.filled || put("poured", place) })),
  };
}
