import type { DayPlan, DayTask } from "../api/client";
import { clockOf, inRows, NIGHT_PX } from "./lanes";
import type { Clock } from "./lanes";

/** An hour is drawn no narrower and no wider than this. */
const LEAST_HOUR_PX = 44;
const MOST_HOUR_PX = 168;

/** Pixels of a letter of the small words under a ribbon, about. */
const LETTER_PX = 6.4;
const LABEL_ROWS = 2;

/** A clock that fills a width as far as its hours stay readable. */
export function clockIn(plan: Pick<DayPlan, "windows" | "tasks">, width: number): Clock {
  const one = clockOf(plan, 1);
  const nights = Math.max(0, one.days.length - 1) * NIGHT_PX;
  const hours = one.width - nights;
  if (hours <= 0) return one;
  const fits = Math.floor((width - nights) / hours);
  return clockOf(plan, Math.min(MOST_HOUR_PX, Math.max(LEAST_HOUR_PX, fits)));
}

/** Words beside what is too short for them. */
export interface Label {
  key: string;
  words: string;
  x: number;
  row: number;
}

/** A cake's way from weighing to its box: what hands do above, what goes on by itself below. */
export interface CakeRow {
  key: string;
  title: string;
  order_id: number;
  cake: string;
  due: string;
  leaves: string | null;
  hands: DayTask[][];
  alone: DayTask[][];
  stays: DayPlan["fridge"][number]["stays"];
  labels: Label[];
}

type Planned = Pick<DayPlan, "cakes" | "tasks" | "fridge">;

/** The rows of a plan by cake, the first to be ready first. */
export function cakeRows(plan: Planned, clock: Clock): CakeRow[] {
  return [...plan.cakes]
    .sort((one, other) => one.due.localeCompare(other.due))
    .map((one) => {
      const own = plan.tasks.filter((task) => task.cake === one.key);
      const hands = own.filter((task) => task.lane === "hands");
      return {
        key: one.key,
        title: one.order,
        order_id: one.order_id,
        cake: one.cake,
        due: one.due,
        leaves: one.leaves,
        hands: inRows(hands),
        alone: inRows(own.filter((task) => task.lane !== "hands")),
        stays:
          plan.fridge.find((cold) => cold.order_id === one.order_id && cold.cake === one.cake)
            ?.stays ?? [],
        labels: labelsOf(hands, clock),
      };
    })
    .filter((row) => row.hands.length + row.alone.length > 0);
}

/** What a task is, without the name of what it is done to: "Fill, stack". */
export function shortWords(task: Pick<DayTask, "words">): string {
  return task.words.split(" · ")[0] ?? task.words;
}

/** Whether the words of a task find room in its own bar. */
export function fitsInside(words: string, width: number): boolean {
  return words.length * LETTER_PX + 8 <= width;
}

/** Words under the ribbon, in two rows; what would lie on another word is left to the tap. */
function labelsOf(hands: readonly DayTask[], clock: Clock): Label[] {
  const ends: number[] = Array<number>(LABEL_ROWS).fill(-Infinity);
  const found: Label[] = [];
  for (const task of [...hands].sort((one, other) => one.start.localeCompare(other.start))) {
    const words = shortWords(task);
    const x = clock.at(task.start);
    if (fitsInside(words, clock.at(task.end) - x)) continue;
    const row = ends.findIndex((end) => end <= x);
    if (row < 0) continue;
    ends[row] = x + words.length * LETTER_PX + 8;
    found.push({ key: task.key, words, x, row });
  }
  return found;
}

/** Stretches in which hands are busy, joined where one follows on the other. */
export function busySpans(tasks: readonly DayTask[]): { start: string; end: string }[] {
  const found: { start: string; end: string }[] = [];
  const hands = tasks.filter((task) => task.lane === "hands");
  for (const { start, end } of hands.sort((one, other) => one.start.localeCompare(other.start))) {
    const last = found.at(-1);
    if (last && Date.parse(start) <= Date.parse(last.end)) {
      if (Date.parse(end) > Date.parse(last.end)) last.end = end;
    } else found.push({ start, end });
  }
  return found;
}
