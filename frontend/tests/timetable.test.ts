import { describe, expect, it } from "vitest";

import type { DayPlan } from "../src/api/client";
import { busySpans, cakeRows, clockIn, fitsInside, shortWords } from "../src/domain/byCake";
import { clockOf, HOUR_PX, lanesOf, moved, NIGHT_PX, ordersOf } from "../src/domain/lanes";

describe("the clock of a timetable", () => {
  const task = (
    key: string,
    lane: string,
    start: string,
    end: string,
    oven: number | null = null,
  ) => ({ key, lane, oven_id: oven, order_id: 1, start, end }) as DayPlan["tasks"][number];
  const plan = {
    windows: [
      { start: "2027-03-19T07:00:00Z", end: "2027-03-19T21:00:00Z" },
      { start: "2027-03-20T07:00:00Z", end: "2027-03-20T21:00:00Z" },
      { start: "2027-03-21T07:00:00Z", end: "2027-03-21T21:00:00Z" },
    ],
    fridge: [],
    ovens: [
      { id: 1, name: "Deck" },
      { id: 2, name: "Deck" },
    ],
    tasks: [
      task("a", "hands", "2027-03-19T18:20:00Z", "2027-03-19T19:10:00Z"),
      task("b", "hands", "2027-03-19T18:40:00Z", "2027-03-19T19:00:00Z"),
      task("c", "hands", "2027-03-19T19:10:00Z", "2027-03-19T19:20:00Z"),
      task("d", "oven", "2027-03-21T08:00:00Z", "2027-03-21T08:30:00Z", 2),
    ],
  } as unknown as DayPlan;

  it("draws a day from the hour of its first task to that of its last, a night narrow, no empty day", () => {
    const drawn = clockOf(plan);
    expect(drawn.days.map((one) => [one.x, one.width])).toEqual([
      [0, 2 * HOUR_PX],
      [2 * HOUR_PX + NIGHT_PX, HOUR_PX],
    ]);
    expect(drawn.width).toBe(3 * HOUR_PX + NIGHT_PX);
    expect(drawn.at("2027-03-19T18:30:00Z")).toBeCloseTo(HOUR_PX / 2);
    expect(drawn.at("2027-03-19T10:00:00Z")).toBe(0);
    expect(drawn.at("2027-03-21T08:30:00Z")).toBeCloseTo(2.5 * HOUR_PX + NIGHT_PX);
    const night = drawn.at("2027-03-20T14:00:00Z");
    expect(night).toBeGreaterThan(2 * HOUR_PX);
    expect(night).toBeLessThan(2 * HOUR_PX + NIGHT_PX);
    expect(drawn.at("2027-03-22T08:30:00Z")).toBe(drawn.width);
    expect(new Date(drawn.moment(HOUR_PX / 2)).toISOString()).toBe("2027-03-19T18:30:00.000Z");
    expect(new Date(drawn.moment(1e6)).toISOString()).toBe("2027-03-21T09:00:00.000Z");
    expect(new Date(drawn.moment(2 * HOUR_PX + 1)).toISOString()).toBe("2027-03-21T08:00:00.000Z");
    expect(clockOf({ windows: [], tasks: [] }).width).toBe(0);
  });

  it("lays tasks of a lane in rows, so that none lies on another", () => {
    const lanes = lanesOf(plan);
    expect(lanes.map((one) => one.name)).toEqual(["Hands", "Deck"]);
    expect(lanes[0]?.rows.map((row) => row.map((one) => one.key))).toEqual([["a", "c"], ["b"]]);
    expect(moved("2027-03-19T18:20:00Z", -15)).toBe("2027-03-19T18:05:00.000Z");
  });

  it("gives an order its letter by its number, whatever is planned first", () => {
    const of = (order_id: number | null, order: string) =>
      ({ order_id, order }) as DayPlan["tasks"][number];
    const tasks = [of(7, "Choir tea"), of(null, ""), of(3, "Choir tea"), of(7, "Choir tea")];
    expect(ordersOf({ tasks })).toEqual([
      { id: 3, title: "Choir tea" },
      { id: 7, title: "Choir tea" },
    ]);
  });
});

describe("a timetable by cake", () => {
  const task = (key: string, words: string, start: string, end: string, more = {}) =>
    ({
      key,
      words,
      cake: "7.0.0",
      order_id: 7,
      lane: "hands",
      start: `2027-03-20T${start}:00Z`,
      end: `2027-03-20T${end}:00Z`,
      ...more,
    }) as DayPlan["tasks"][number];
  const cake = (key: string, order: string, due: string) => ({
    key,
    order_id: Number(key[0]),
    order,
    cake: "Round 20",
    due: `2027-03-20T${due}:00Z`,
    leaves: null,
  });
  const plan = {
    windows: [{ start: "2027-03-20T07:00:00Z", end: "2027-03-20T21:00:00Z" }],
    cakes: [cake("7.0.0", "Choir tea", "14:00"), cake("3.0.0", "Harvest supper", "12:00")],
    fridge: [
      {
        order_id: 7,
        cake: "Round 20",
        stays: [{ start: "2027-03-20T10:00:00Z", end: "2027-03-20T13:00:00Z" }],
      },
    ],
    tasks: [
      task("weigh", "Weigh · Round 20", "08:00", "08:10"),
      task("mix", "Mix · Round 20", "08:10", "08:20"),
      task("line", "Line the pans", "08:20", "08:25"),
      task("bake", "Bake · Round 20", "08:30", "09:10", { lane: "oven" }),
      task("frosting", "Make Buttercream", "09:00", "09:50"),
      task("tea", "Mix · Sheet", "09:20", "10:00", { cake: "3.0.0", order_id: 3 }),
      task("meal", "A meal", "11:00", "11:30", { cake: "", order_id: null }),
    ],
  } as unknown as DayPlan;

  it("has a row for each cake, the first to be ready first, hands apart from what goes by itself", () => {
    const rows = cakeRows(plan, clockOf(plan));
    expect(rows.map((row) => row.title)).toEqual(["Harvest supper", "Choir tea"]);
    const [tea, choir] = rows;
    expect(choir?.hands.flat().map((one) => one.key)).toEqual(["weigh", "mix", "line", "frosting"]);
    expect(choir?.alone.flat().map((one) => one.key)).toEqual(["bake"]);
    expect([choir?.stays.length, tea?.stays.length]).toEqual([1, 0]);
    // A cake of which nothing is placed has no row.
    expect(cakeRows({ ...plan, tasks: [] }, clockOf(plan))).toEqual([]);
  });

  it("writes beside a bar what is too long for it, and never one word over another", () => {
    const hour = 44;
    const rows = cakeRows(plan, clockOf(plan, hour));
    const labels = rows[1]?.labels ?? [];
    expect(labels.map((one) => [one.words, one.row])).toEqual([
      ["Weigh", 0],
      ["Mix", 1],
      // What came between waits for a tap; then the first row is free again.
      ["Make Buttercream", 0],
    ]);
    const wide = cakeRows(plan, clockOf(plan, 700))[1]?.labels ?? [];
    expect(wide.map((one) => one.words)).toEqual(["Line the pans"]);
    expect(shortWords({ words: "Fill, stack · Round 20" })).toBe("Fill, stack");
    expect(fitsInside("Mix", 27)).toBe(false);
    expect(fitsInside("Mix", 28)).toBe(true);
  });

  it("fills the width it has as far as an hour stays readable", () => {
    // Four hours are drawn, from the first task to the last.
    expect(clockIn(plan, 400).width).toBe(400);
    expect(clockIn(plan, 60).width).toBe(4 * 44);
    expect(clockIn(plan, 4000).width).toBe(4 * 168);
    expect(clockIn({ windows: [], tasks: [] }, 400).width).toBe(0);
  });

  it("joins stretches in which hands are busy, and leaves the rest free", () => {
    const spans = busySpans(plan.tasks);
    expect(spans.map((one) => `${one.start.slice(11, 16)} ${one.end.slice(11, 16)}`)).toEqual([
      "08:00 08:25",
      "09:00 10:00",
      "11:00 11:30",
    ]);
    const within = [task("a", "A", "08:00", "10:00"), task("b", "B", "08:30", "09:00")];
    expect(busySpans(within)).toEqual([{ start: within[0]?.start, end: within[0]?.end }]);
  });
});
