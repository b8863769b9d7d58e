import type { Day, DayStep, DayTimer } from "../api/client";
import { keysOf, readyAt, tickedAt } from "./here";
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
  const baking = day.steps.flatMap((step) => {
    const { bake } = step;
    const put = waiting.find(({ event }) => event.kind === "put_in" && event.step === step.key);
    if (!bake || !put || step.stand === "running" || tickedAt(step, waiting) !== null) return [];
    const answered = new Set([...keysOf(waiting, "turned")].includes(step.key) ? ["turn"] : []);
    if (keysOf(waiting, "covered").has(step.key)) answered.add("cover");
    return BAKING.flatMap((one) => {
      const minutes = one.at(bake);
      if (minutes === null || answered.has(one.kind)) return [];
      return [made(step, one, put.made, put.made + minutes * MINUTE_MS)];
    });
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
