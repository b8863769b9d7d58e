import type { DayPlan, DayTask } from "../api/client";

/** Pixels of an hour of work, and of a night between two days. */
export const HOUR_PX = 168;
export const NIGHT_PX = 46;

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;

/** Where moments stand on the drawing: hours of work at one scale, each night narrow. */
export interface Clock {
  width: number;
  at: (moment: string | number) => number;
  /** The moment at a place, within the hours of work. */
  moment: (x: number) => number;
  days: { start: number; end: number; x: number; width: number }[];
}

/** The clock of a plan: every day from the hour of its first task to that of its last. */
export function clockOf(plan: Pick<DayPlan, "windows" | "tasks">, hourPx = HOUR_PX): Clock {
  const spans = plan.tasks.map((one) => ({
    start: Date.parse(one.start),
    end: Date.parse(one.end),
  }));
  const windows = plan.windows.flatMap((one, place) => {
    const from = Date.parse(one.start);
    const next = plan.windows[place + 1];
    const until = next ? Date.parse(next.start) : Infinity;
    const own = spans.filter((task) => task.start >= from && task.start < until);
    // A day on which nothing begins is not drawn.
    if (own.length === 0) return [];
    const ends = spans.map((task) => task.end).filter((end) => end > from && end < until);
    const start = Math.min(...own.map((task) => task.start));
    const end = Math.max(...ends, start + HOUR_MS);
    return [
      {
        start: Math.floor(start / HOUR_MS) * HOUR_MS,
        end: Math.ceil(end / HOUR_MS) * HOUR_MS,
      },
    ];
  });
  const days: Clock["days"] = [];
  let x = 0;
  for (const one of windows) {
    const width = ((one.end - one.start) / HOUR_MS) * hourPx;
    days.push({ ...one, x, width });
    x += width + NIGHT_PX;
  }
  const width = Math.max(0, x - NIGHT_PX);
  const at = (moment: string | number) => {
    const ms = typeof moment === "number" ? moment : Date.parse(moment);
    for (let i = 0; i < days.length; i += 1) {
      const day = days[i];
      if (!day) break;
      if (ms <= day.end) {
        if (ms >= day.start) return day.x + ((ms - day.start) / (day.end - day.start)) * day.width;
        const before = days[i - 1];
        if (!before) return 0;
        const share = (ms - before.end) / (day.start - before.end);
        return before.x + before.width + Math.max(0, share) * NIGHT_PX;
      }
    }
    return width;
  };
  const moment = (place: number) => {
    const day = days.find((one) => place <= one.x + one.width) ?? days.at(-1);
    if (!day) return 0;
    const within = Math.min(Math.max((place - day.x) / day.width, 0), 1);
    return day.start + within * (day.end - day.start);
  };
  return { width, at, moment, days };
}

/** A lane with its tasks in rows, so that none lies on another. */
export interface LaneRows {
  key: string;
  name: string;
  rows: DayTask[][];
  /** What stands in the fridge between its pieces of work, a row each. */
  stays: DayPlan["fridge"];
}

const NAMES = { hands: "Hands", fridge: "Fridge", stands: "Stands and cools" } as const;

export interface OrderOfPlan {
  id: number;
  title: string;
}

/** Orders of a plan by number: each keeps its letter however the plan changes. */
export function ordersOf(plan: Pick<DayPlan, "tasks">): OrderOfPlan[] {
  const titles = new Map<number, string>();
  for (const one of plan.tasks) if (one.order_id !== null) titles.set(one.order_id, one.order);
  return [...titles].map(([id, title]) => ({ id, title })).sort((a, b) => a.id - b.id);
}

/** The lanes of a plan: hands, each oven, fridge, and what stands by itself. */
export function lanesOf(plan: Pick<DayPlan, "tasks" | "ovens" | "fridge">): LaneRows[] {
  const lane = (key: string, name: string, own: (task: DayTask) => boolean): LaneRows => ({
    key,
    name,
    rows: inRows(plan.tasks.filter(own)),
    stays: key === "fridge" ? plan.fridge : [],
  });
  return [
    lane("hands", NAMES.hands, (task) => task.lane === "hands"),
    ...plan.ovens.map((oven) =>
      lane(
        `oven ${String(oven.id)} ${oven.name}`,
        oven.name,
        (task) => task.lane === "oven" && task.oven_id === oven.id,
      ),
    ),
    lane("fridge", NAMES.fridge, (task) => task.lane === "fridge"),
    lane("stands", NAMES.stands, (task) => task.lane === "stands"),
  ].filter((one) => one.rows.length + one.stays.length > 0);
}

export function inRows(tasks: readonly DayTask[]): DayTask[][] {
  const rows: DayTask[][] = [];
  for (const task of [...tasks].sort((one, other) => one.start.localeCompare(other.start))) {
    const row = rows.find((one) => Date.parse(one.at(-1)?.end ?? "") <= Date.parse(task.start));
    if (row) row.push(task);
    else rows.push([task]);
  }
  return rows;
}

/** A moment moved by minutes. */
export function moved(moment: string, minutes: number): string {
  return new Date(Date.parse(moment) + minutes * MINUTE_MS).toISOString();
}
