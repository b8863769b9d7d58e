import { describe, expect, it } from "vitest";

import { inForce } from "../src/running/here";
import { leading } from "../src/running/lead";
import { timersHere } from "../src/running/timers";
import type { Day, DayStep } from "../src/api/client";
import { BAKE, DAY, MIX } from "./days";

const MINUTE = 60_000;
const AWAY = { away: true };

const step = (key: string, kind: DayStep["kind"], more: Partial<DayStep> = {}): DayStep => ({
  ...MIX,
  key,
  kind,
  words: key,
  stand: "waiting",
  asked: true,
  passive: false,
  planned: null,
  ready_at: null,
  started: null,
  ended: null,
  waits: [],
  ...more,
});
const after = (...keys: string[]) => keys.map((key) => ({ key, least_min: 0 }));
const tick = (kind: string, of: string, minute = 0, place = 0) => ({
  event: { id: `${kind} ${of} ${String(minute)}`, kind, step: of, place, amount: 0 } as never,
  made: minute * MINUTE,
});
const at = (minute: number) => new Date(minute * MINUTE).toISOString();

const BAKED = step("bake", "bake", {
  bake: {
    ...BAKE.bake,
    first_look_min: 24,
    likely_min: 30,
    latest_min: 36,
    give_min: 4,
    turn_min: null,
    cover_min: 20,
    rows: [],
  } as unknown as DayStep["bake"],
});
const STANDS = step("stand", "stand", { passive: true, minutes: 10, waits: after("bake") });
const OUT = step("out", "turn_out", { waits: after("stand") });
const COOLS = step("cool", "cool", { passive: true, minutes: 90, waits: after("out") });
const COAT = step("coat", "finish", { waits: after("cool") });
const STEPS = [{ ...BAKED, stand: "ready" as const }, STANDS, OUT, COOLS, COAT];
const day = (steps: DayStep[], more: Partial<Day> = {}): Day => ({
  ...DAY,
  act: "wait",
  lead: null,
  next: [],
  timers: [],
  steps,
  ...more,
});

describe("a day whose kitchen does not answer", () => {
  const put = [tick("put_in", "bake", 0)];
  const done = [...put, tick("done", "bake", 30)];

  it("goes on by what stands by itself, from the oven to the end", () => {
    const one = day(STEPS, { lead: "bake", act: "put_in" });
    expect(leading(one, [], 0, AWAY)).toMatchObject({ act: "put_in" });
    expect(leading(one, put, 23.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, put, 24 * MINUTE, AWAY).act).toBe("look");
    expect(leading(one, done, 39.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, done, 40 * MINUTE, AWAY)).toMatchObject({ act: "turn_out" });
    const out = [...done, tick("done", "out", 41)];
    expect(leading(one, out, 130.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, out, 131 * MINUTE, AWAY).step?.key).toBe("coat");
    const all = [...out, tick("done", "coat", 140)];
    expect(leading(one, all, 141 * MINUTE, AWAY)).toEqual({ act: "end", step: null, next: [] });
    // While the kitchen answers, that all is done is its own to say.
    expect(leading(one, all, 141 * MINUTE).act).toBe("wait");
  });

  it("looks again after the minutes to give, and not at once", () => {
    const one = day(STEPS, { lead: "bake", act: "put_in" });
    const again = [...put, tick("not_yet", "bake", 25)];
    expect(leading(one, again, 28.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, again, 29 * MINUTE, AWAY).act).toBe("look");
  });

  it("calls to look at a bake that the kitchen knew of before it went silent", () => {
    const running = { ...BAKED, stand: "running" as const, started: at(5) };
    const timers = [{ step: "bake", kind: "first_look", at: at(29) }] as unknown as Day["timers"];
    const one = day([running, ...STEPS.slice(1)], { timers });
    expect(leading(one, [], 28.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, [], 29 * MINUTE, AWAY)).toMatchObject({ act: "look" });
    expect(leading(one, [], 29 * MINUTE).act, "the kitchen calls by itself").toBe("wait");
    // A clock that is two minutes behind the kitchen's looks when the kitchen would.
    expect(leading(one, [], 27 * MINUTE, { ...AWAY, ahead: 2 * MINUTE }).act).toBe("look");
    expect(leading(one, [], 26.9 * MINUTE, { ...AWAY, ahead: 2 * MINUTE }).act).toBe("wait");
    const looked = { ...one, act: "look" as const, lead: "bake" };
    expect(leading(looked, [tick("not_yet", "bake", 30)], 31 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(looked, [tick("done", "bake", 30)], 31 * MINUTE, AWAY).act).toBe("wait");
  });

  it("goes on from what stood or was waited for when the kitchen was last heard", () => {
    const stood = { ...STANDS, stand: "running" as const, ended: at(12) };
    const one = day([{ ...BAKED, stand: "done" }, stood, OUT]);
    expect(leading(one, [], 11.9 * MINUTE, AWAY).step).toBeNull();
    expect(leading(one, [], 12 * MINUTE, AWAY).step?.key).toBe("out");
    const sets = step("glaze", "finish", { ready_at: at(50), waits: after("x") });
    expect(leading(day([sets]), [], 50 * MINUTE, AWAY).step?.key).toBe("glaze");
  });

  it("has a load out of the oven once its last row is", () => {
    const rows = [
      { row: 0, out: false },
      { row: 1, out: false },
    ] as never;
    const load = { ...BAKED, stand: "ready" as const, bake: { ...BAKED.bake, rows } as never };
    const one = day([load, ...STEPS.slice(1)], { lead: "bake", act: "put_in" });
    const first = [...put, tick("out", "bake", 26, 0)];
    expect(leading(one, first, 60 * MINUTE, AWAY).act).toBe("look");
    const both = [...first, tick("out", "bake", 32, 1)];
    expect(leading(one, both, 41.9 * MINUTE, AWAY).act).toBe("wait");
    expect(leading(one, both, 42 * MINUTE, AWAY).act).toBe("turn_out");
  });

  it("asks for an oven at another heat once it is empty, and never for one passed by", () => {
    const heat = step("heat", "heat", { stand: "ready", asked: false });
    const second = step("second", "bake", { waits: after("heat") });
    const one = day([{ ...BAKED, stand: "ready" }, heat, second], { lead: "bake" });
    expect(leading(one, put, 3 * MINUTE, AWAY).step).toBeNull();
    expect(leading(one, done, 31 * MINUTE, AWAY).step?.key).toBe("heat");
    const passed = day([{ ...BAKED, waits: after("heat"), stand: "ready" }, heat], {
      lead: "bake",
    });
    expect(leading(passed, done, 31 * MINUTE, AWAY).act).toBe("end");
  });

  it("takes back what was ticked here, without the kitchen", () => {
    const taken = { event: { id: "u", kind: "undo", step: "done bake 30" } as never, made: 31e5 };
    expect(inForce([...done, taken])).toEqual(put);
    expect(inForce(done)).toEqual(done);
    const one = day(STEPS, { lead: "bake", act: "put_in" });
    expect(leading(one, inForce([...done, taken]), 45 * MINUTE, AWAY).act).toBe("look");
  });

  it("calls to look again by the look that was had here", () => {
    const again = [...put, tick("not_yet", "bake", 25)];
    const kinds = (steps: DayStep[], ticks: typeof again) =>
      timersHere(day(steps), ticks, 0, 26 * MINUTE).map((timer) => [timer.kind, timer.at]);
    expect(kinds(STEPS, again).map(([kind]) => kind)).toEqual([
      "cover",
      "likely",
      "latest",
      "look_again",
    ]);
    expect(kinds(STEPS, again).at(-1)).toEqual(["look_again", at(29)]);
    const running = { ...BAKED, stand: "running" as const, started: at(0) };
    expect(kinds([running], [tick("not_yet", "bake", 25)])).toEqual([["look_again", at(29)]]);
    const dark = [...put, tick("too_dark", "bake", 25)];
    expect(kinds(STEPS, dark).map(([kind]) => kind)).not.toContain("cover");
  });

  it("rings for what stands by itself and what is to be done at the oven", () => {
    const one = day(STEPS);
    const kinds = (waiting: ReturnType<typeof tick>[], minute: number) =>
      timersHere(one, waiting, 0, minute * MINUTE).map((timer) => [timer.kind, timer.at]);
    expect(kinds(put, 1)).toEqual([
      ["cover", at(20)],
      ["first_look", at(24)],
      ["likely", at(30)],
      ["latest", at(36)],
    ]);
    expect(kinds([...put, tick("covered", "bake", 20)], 21).map(([kind]) => kind)).toEqual([
      "first_look",
      "likely",
      "latest",
    ]);
    expect(kinds(done, 31)).toEqual([["out_of_pan", at(40)]]);
    expect(kinds([...done, tick("done", "out", 41)], 42)).toEqual([["cold", at(131)]]);
    const chilled = step("chill", "chill", { passive: true, minutes: 30, waits: after("cool") });
    const chain = day([...STEPS.slice(0, 4), chilled]);
    const out = [...done, tick("done", "out", 41)];
    expect(timersHere(chain, out, 0, 60 * MINUTE).map(({ kind }) => kind)).toEqual(["cold"]);
    expect(timersHere(chain, out, 0, 131 * MINUTE).map(({ kind }) => kind)).toEqual([
      "cold",
      "chilled",
    ]);
  });
});
