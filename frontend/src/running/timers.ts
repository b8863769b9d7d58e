import type { Day, DayStep, DayTimer } from "../api/client";
import { inTheOven, keysOf, readyAt, tickedAt } from "./here";
import type { Here } from "./here";
import type { Waiting } from "./outbox";

const MINUTE_MS = 60_000;

type Named = Pick<DayTimer, "kind" | "words" | "calls" | "loud">;

/** Timers of a bake that this screen knows of alone, as the kitchen names and times them. */
const BAKING: readonly (Named & { at: (bake: NonNullable<DayStep["bake"]>) => number | null })[] = [
  { kind: "turn", words: "Turn the pans", calls: true, loud: false, at: (one) => one.turn_min },
  { kind: "cover", words: "Cover loosely", calls: true, loud: false, at: (one) => one.cover_min },
  {
    kind: "first_look",
    words: "First look",
    calls: true,
    loud: false,
    at: (one) => one.first_look_min,
  },
  { kind: "likely", words: "Likely done", calls: false, loud: false, at: (one) => one.likely_min },
  { kind: "latest", words: "No later than", calls: true, loud: true, at: (one) => one.latest_min },
];

const LOOK_AGAIN: Named = {
  kind: "look_again",
  words: "Look again",
  calls: true,
  loud: false,
};

/** Of what stands by itself, by its kind. */
const STANDING: Partial<Record<DayStep["kind"], Named>> = {
  stand: { kind: "out_of_pan", words: "Out of the pan", calls: true, loud: false },
  cool: { kind: "cold", words: "Cold enough", calls: true, loud: false },
  chill: { kind: "chilled", words: "Chilled", calls: true, loud: false },
  wait: { kind: "ready", words: "Ready", calls: true, loud: false },
};

/** Timers of what was ticked here: they run here until the kitchen has the tick. */
export function timersHere(
  day: Day,
  waiting: readonly Waiting[],
  /** What the kitchen's clock is ahead of this one's, ms. */
  ahead: number,
  /** This screen's clock, ms. */
  now = Date.now(),
): DayTimer[] {
  const here: Here = { day, waiting, ahead, now };
  const moment = (ms: number) => new Date(ms + ahead).toISOString();
  const made = (step: DayStep, named: Named, since: number, at: number): DayTimer => ({
    key: `${step.key}:${named.kind}:0`,
    step: step.key,
    what: step.words,
    since: moment(since),
    at: moment(at),
    kind: named.kind,
    words: named.words,
    calls: named.calls,
    loud: named.loud,
  });
  const turned = keysOf(waiting, "turned");
  const covered = new Set([...keysOf(waiting, "covered"), ...keysOf(waiting, "too_dark")]);
  const baking = inTheOven(here).flatMap(({ step, look, looked }) => {
    const { bake } = step;
    const again = looked === null ? [] : [made(step, LOOK_AGAIN, looked, look)];
    const put = waiting.find(({ event }) => event.kind === "put_in" && event.step === step.key);
    // Of a bake that the kitchen knows of it told the rest.
    if (!bake || !put || step.stand === "running") return again;
    const own = BAKING.flatMap((one) => {
      const minutes = one.at(bake);
      const answered =
        (one.kind === "turn" && turned.has(step.key)) ||
        (one.kind === "cover" && covered.has(step.key)) ||
        (one.kind === "first_look" && looked !== null);
      if (minutes === null || answered) return [];
      return [made(step, one, put.made, put.made + minutes * MINUTE_MS)];
    });
    return [...own, ...again];
  });
  const standing = day.steps.flatMap((step) => {
    const named = STANDING[step.kind];
    if (!named || !step.passive || step.stand !== "waiting") return [];
    const since = readyAt(here, step);
    const after = day.steps.filter((one) => one.waits.some(({ key }) => key === step.key));
    const gone =
      tickedAt(step, waiting) !== null ||
      (after.length > 0 && after.every((one) => tickedAt(one, waiting) !== null));
    // What stands after something that stands is the kitchen's to tell until its turn has come.
    if (since === null || since === -Infinity || since > now || gone) return [];
    return [made(step, named, since, since + step.minutes * MINUTE_MS)];
  });
  return [...baking, ...standing];
}
