import { describe, expect, it } from "vitest";

import type { DayStep } from "../src/api/client";
import { benchScale, bayWide } from "../src/domain/benchScale";
import { countdown, lateWords } from "../src/domain/countdown";
import { newerOf } from "../src/domain/newer";
import { momentOf, isSaturday, mondayOf } from "../src/domain/moments";
import {
  centimetres,
  clock,
  countOf,
  grams,
  listed,
  percent,
  times,
  typedDecimal,
  typedLength,
} from "../src/domain/numbers";
import {
  asEntered,
  besideGrams,
  footprint,
  inches,
  inInches,
  length,
  lengthField,
  markLength,
  ounces,
  withUnit,
} from "../src/domain/units";
import { cutTo, signsIn } from "../src/domain/words";
import { leading, withWaiting } from "../src/running/lead";
import { timersHere } from "../src/running/timers";
import { arrived, put, refusedOf, sent, waitingOf } from "../src/running/outbox";
import { BAKE, DAY, MIX, WEIGH } from "./days";

describe("a screen without its kitchen", () => {
  const tick = (kind: "done" | "put_in", step: string, made: number) => ({
    event: { id: `${kind}-${step}`, kind, step, place: 0, amount: 0 },
    made,
  });

  it("knows when what was put in here went in, so that its look has an hour", () => {
    const bake = { ...BAKE, stand: "ready" as const, started: null };
    expect(withWaiting(bake, [tick("put_in", BAKE.key, 60_000)]).started).toBe(
      "1970-01-01T00:01:00.000Z",
    );
    expect(withWaiting(bake, [tick("done", BAKE.key, 60_000)]).started).toBeNull();
  });

  it("asks for nothing that the kitchen would not ask for", () => {
    const heat = { ...MIX, key: "heat", words: "Main oven on, 150 °C" };
    const day = { ...DAY, next: [], steps: [WEIGH, heat, MIX] as DayStep[] };
    const waiting = [tick("done", WEIGH.key, 1)];
    expect(leading(day, waiting).step?.key).toBe("heat");
    const unasked = { ...day, steps: [WEIGH, { ...heat, asked: false }, MIX] as DayStep[] };
    expect(leading(unasked, waiting).step?.key).toBe(MIX.key);
  });
});

describe("of two answers", () => {
  const at = (minute: string) => ({ now: `2027-03-20T08:${minute}Z` });
  it.each([
    ["the newer is shown", "10:00", "10:01", "10:01"],
    ["one that came late is not", "10:01", "10:00", "10:01"],
    ["a clock set back is believed", "10:00", "08:50", "08:50"],
  ])("%s", (_, shown, next, wanted) => {
    expect(newerOf(at(shown), at(next))).toEqual(at(wanted));
    expect(newerOf(undefined, at(next))).toEqual(at(next));
  });
});

describe("numbers as people type them", () => {
  it.each([
    ["1/2", 0.5],
    ["1 1/2", 1.5],
    ["3/4", 0.75],
    ["11/4", 2.75],
    ["½", 0.5],
    ["2½", 2.5],
    ["2 ⅔", 2 + 2 / 3],
    ["1,25", 1.25],
    ["1/0", null],
    ["1//2", null],
    ["-3", null],
  ])("reads %j as %j", (text, value) => {
    const read = typedDecimal(text);
    if (value === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(value, 9);
  });

  it("takes a length with its own unit as it is typed, a bare number as centimetres", () => {
    expect(typedLength("20")).toBe(20);
    expect(typedLength(" 8 in ")).toBe("8 in");
    expect(typedLength('8½"')).toBe('8½"');
    expect(typedLength("8 miles")).toBeNull();
    expect(typedLength("wide")).toBeNull();
  });

  it("are written as a scale, a ruler and a clock show them", () => {
    expect([999.4, 999.5, 1_234_567].map(grams)).toEqual([
      "999",
      "1\u202f000",
      "1\u202f234\u202f567",
    ]);
    expect([5, 5.04, 5.05001, 12.3].map(centimetres)).toEqual(["5", "5", "5.1", "12.3"]);
    expect([percent(0.125), times(1.5)]).toEqual(["13 %", "× 1.50"]);
    expect([0, 99, 99.6, 120, 135].map(clock)).toEqual([
      "0\u00a0min",
      "99\u00a0min",
      "1\u00a0h 40",
      "2\u00a0h",
      "2\u00a0h 15",
    ]);
    expect(listed([])).toBe("");
    expect(listed(["a"])).toBe("a");
    expect(listed(["a", "b"])).toBe("a and b");
    expect(listed(["a", "b", "c"])).toBe("a, b and c");
    expect(countOf({ count: 2, wells: 1, label: "Loaf" })).toBe("2 × Loaf");
    expect(countOf({ count: 2, wells: 0, label: "Loaf" })).toBe("2 × Loaf");
  });
});

describe("a kitchen in inches and pounds", () => {
  it.each([
    [453.592, "1 lb"],
    [453.2, "1 lb"],
    [446.4, "15½ oz"],
    [907, "2 lb"],
    [900, "1 lb 15½ oz"],
    [906, "2 lb"],
    [14.2, "½ oz"],
    [3.6, "⅛ oz"],
    [50, "1¾ oz"],
    [130, "4½ oz"],
  ])("weighs %d g as %s", (weight, words) => {
    expect(ounces(weight)).toBe(words);
  });

  it("never carries sixteen ounces beside a pound", () => {
    for (let weight = 454; weight < 3000; weight += 1)
      expect(ounces(weight)).not.toMatch(/lb (16|0)/);
  });

  it("measures to eighths, below an inch to sixteenths", () => {
    expect([2.54, 2.4, 30.48, 1.27, 0.16, 3.02].map(inches)).toEqual([
      "1",
      "15/16",
      "12",
      "½",
      "1/16",
      "1¼",
    ]);
    expect(length(20, "metric")).toBe("20 cm");
    expect(markLength(20, "both")).toBe("20 cm · 7⅞ in");
    expect(markLength(20, "us")).toBe("7⅞ in");
    expect(footprint(33, 22.86, "metric")).toBe("33 × 22.9 cm");
    expect(footprint(33, 22.86, "us")).toBe("13 × 9 in");
    expect(footprint(33, 22.86, "both")).toBe("33 × 22.9 cm (13 × 9 in)");
    expect(besideGrams(null, "us")).toBe("");
    expect(besideGrams(454, "metric")).toBe("");
    expect(besideGrams(454, "both")).toBe("1 lb");
  });

  it("steps a field in its own marks and reads back what it wrote", () => {
    const metric = lengthField("metric", 0.5);
    expect([metric.unit, metric.step, metric.read("1,5"), metric.write(1.449)]).toEqual([
      "cm",
      0.5,
      1.5,
      "1.4",
    ]);
    expect(lengthField("us", 0.5).step).toBeCloseTo(2.54 / 4);
    expect(lengthField("us", 0.1).step).toBeCloseTo(2.54 / 8);
    expect(withUnit("8", true)).toBe("8 in");
    expect(withUnit("8", false)).toBe("8");
    expect(withUnit(" 8 cm", true)).toBe("8 cm");
    expect(asEntered(20.32, true)).toBe("8");
    expect(asEntered(20.2, true)).toBe("20.2 cm");
    expect(asEntered(20, false)).toBe("20");
    expect(inInches({ across: "8 in", wall: 5 })).toBe(true);
    expect(inInches({ across: "20 cm", label: "in" })).toBe(false);
  });
});

describe("words for the clock", () => {
  it("count down in minutes and seconds, from an hour on in hours, and say how long it is over", () => {
    expect([95_000, 720_000, 3_600_000, 4_080_999, 500, -500, -61_000].map(countdown)).toEqual([
      "1:35",
      "12:00",
      "1 h 00",
      "1 h 08",
      "0:00",
      "0:00",
      "over by 1:01",
    ]);
  });

  it("call five minutes late or early on time no longer", () => {
    expect([0, 4, -4, 5, -5, 59, 60, 75, -130].map(lateWords)).toEqual([
      "on time",
      "on time",
      "on time",
      "5 min late",
      "5 min ahead",
      "59 min late",
      "1 h 00 late",
      "1 h 15 late",
      "2 h 10 ahead",
    ]);
  });

  it("know no moment in what is no date, and which day is a Saturday", () => {
    expect(momentOf("soon", "UTC")).toBeNull();
    expect([isSaturday("2027-03-20"), isSaturday("2027-03-21")]).toEqual([true, false]);
    expect(mondayOf("2027-03-21")).toBe("2027-03-15");
  });
});

describe("texts that are cut", () => {
  it("keep whole signs as the kitchen counts them", () => {
    expect(cutTo("crème", 5)).toBe("crème");
    expect(cutTo("crème", 4)).toBe("crèm");
    expect(cutTo("🧁🧁🧁", 2)).toBe("🧁🧁");
    expect(cutTo("a👩‍🍳b", 3)).toBe("a");
    expect(cutTo("a\ud83d", 5)).toBe("a");
    expect(signsIn("🧁a")).toBe(2);
  });
});

describe("the scale of the bench", () => {
  const needs = { planWide: 20, planHigh: 20, wide: 20, high: 5 };

  it("gives a pan room for its drawing and its numbers", () => {
    const beside = bayWide(needs, { scale: 10, stacked: false });
    expect(beside).toBe(20 * 0.42 * 10 + 20 + 20 * 10 + 112 + 30);
    expect(bayWide(needs, { scale: 10, stacked: true })).toBe(20 * 10 + 112 + 30);
    expect(bayWide({ ...needs, wide: 2, planWide: 2 }, { scale: 6, stacked: true })).toBe(250);
  });

  it("lays bays in rows and is as large as lets all rows stand in the room", () => {
    const two = benchScale([needs, needs], 900, 500);
    const rows = 2 * (78 + Math.max(20 * 0.42, 5) * two.scale);
    expect(rows).toBeLessThanOrEqual(500);
    expect(benchScale([needs, needs], 1600, 250).scale).toBeGreaterThan(
      benchScale([needs, needs], 600, 250).scale,
    );
    expect(benchScale([], 900, 500).scale).toBe(17);
    expect(benchScale([{ ...needs, wide: 400 }], 300, 500).scale).toBe(2);
  });
});

describe("what leads while ticks are on their way", () => {
  const bake: DayStep = { ...BAKE, key: "b", stand: "ready", started: null };
  const turn: DayStep = {
    ...MIX,
    key: "t",
    kind: "turn_out",
    stand: "waiting",
    waits: [{ key: "b", least_min: 10 }],
  };
  const waits = (
    kind: string,
    step: string,
    place = 0,
    id = `${kind} ${step} ${String(place)}`,
  ) => ({
    event: { id, kind, step, place, amount: 0 } as never,
    made: 1000,
  });

  it("is the kitchen's own while nothing waits", () => {
    const now = leading(DAY, []);
    expect([now.act, now.step?.key, now.next.map((one) => one.key)]).toEqual([
      "do",
      WEIGH.key,
      [MIX.key],
    ]);
  });

  it("moves on from what was ticked here, to what is ready and not ticked too", () => {
    const day = { ...DAY, next: [MIX.key], steps: [WEIGH, MIX, bake, turn] };
    const next = leading(day, [waits("done", WEIGH.key)]);
    expect([next.act, next.step?.key]).toEqual(["do", MIX.key]);
    expect(next.next.map((one) => one.key)).toEqual(["b"]);
    const further = leading(day, [waits("done", WEIGH.key), waits("done", MIX.key)]);
    expect([further.act, further.step?.key]).toEqual(["put_in", "b"]);
    const out = leading(
      day,
      [waits("done", WEIGH.key), waits("done", MIX.key), waits("put_in", "b")],
      2000,
    );
    // It is in the oven: what waits for it to come out is nothing to do yet.
    expect([out.act, out.step?.key ?? null]).toEqual(["wait", null]);
    const rest = leading({ ...day, steps: [WEIGH], next: [] }, [waits("done", WEIGH.key)]);
    expect([rest.act, rest.step, rest.next]).toEqual(["wait", null, []]);
  });

  it("waits no longer for an oven that is hot already", () => {
    const heat: DayStep = { ...WEIGH, key: "h", kind: "heat" };
    const bake: DayStep = {
      ...MIX,
      key: "b",
      kind: "bake",
      stand: "waiting",
      waits: [{ key: "h", least_min: 18 }],
    };
    const day = { ...DAY, lead: "h", next: [], steps: [heat, bake] };
    expect(leading(day, [waits("done", "h")], 2000).step).toBeNull();
    expect(leading(day, [waits("hot", "h")], 2000)).toMatchObject({ act: "put_in" });
  });

  it("leads on through what waits, as soon as all it waits for was ticked here", () => {
    const mix: DayStep = { ...MIX, stand: "waiting", waits: [{ key: WEIGH.key, least_min: 0 }] };
    const fill: DayStep = {
      ...mix,
      key: "f",
      kind: "fill",
      waits: [{ key: mix.key, least_min: 5 }],
    };
    const day = { ...DAY, next: [mix.key], steps: [WEIGH, mix, fill] };
    expect(leading(day, [waits("done", WEIGH.key)], 2000).step?.key).toBe(mix.key);
    const both = [waits("done", WEIGH.key), waits("done", mix.key)];
    expect(leading(day, both, 1000 + 4.9 * 60_000).step).toBeNull();
    expect(leading(day, both, 1000 + 5 * 60_000).step?.key).toBe("f");
    const ended = { ...WEIGH, stand: "done", ended: "2027-03-20T08:00:00Z" } as DayStep;
    const gone = { ...day, lead: mix.key, steps: [ended, mix, fill] };
    expect(leading(gone, [waits("done", mix.key)], 1000 + 6 * 60_000).step?.key).toBe("f");
    const passive = { ...day, steps: [WEIGH, { ...mix, passive: true }] };
    expect(leading(passive, [waits("done", WEIGH.key)], 2000).step).toBeNull();
  });

  it("calls to look at a bake that this screen alone knows of, at its own time", () => {
    const day = { ...DAY, lead: bake.key, next: [], steps: [bake, turn] };
    const put = [waits("put_in", bake.key)];
    expect(leading(day, put, 1000 + 23.9 * 60_000)).toMatchObject({ act: "wait", step: null });
    const look = leading(day, put, 1000 + 24 * 60_000);
    expect([look.act, look.step?.key]).toEqual(["look", bake.key]);
    const out = [...put, waits("done", bake.key)];
    expect(leading(day, out, 1000 + 9 * 60_000).step).toBeNull();
    expect(leading(day, out, 1000 + 11 * 60_000).step?.key).toBe("t");
  });

  it("runs a bake's timers here, by the kitchen's clock, until the kitchen has the tick", () => {
    const day = { ...DAY, steps: [bake] };
    const here = timersHere(day, [waits("put_in", bake.key)], 500);
    expect(here.map((one) => [one.kind, one.words, one.calls, one.loud])).toEqual([
      ["first_look", "First look", true, false],
      ["likely", "Likely done", false, false],
      ["latest", "No later than", true, true],
    ]);
    const at = (minutes: number) => new Date(1500 + minutes * 60_000).toISOString();
    expect(here.map((one) => one.at)).toEqual([at(24), at(30), at(36)]);
    expect(here.every((one) => one.since === at(0) && one.step === bake.key)).toBe(true);
    const running = { ...DAY, steps: [{ ...bake, stand: "running" as const }] };
    expect(timersHere(running, [waits("put_in", bake.key)], 0)).toEqual([]);
    expect(timersHere(day, [waits("put_in", bake.key), waits("done", bake.key)], 0)).toEqual([]);
    expect(timersHere(day, [waits("done", bake.key)], 0)).toEqual([]);
  });

  it("keeps every tick but those the kitchen refuses by name", () => {
    const all = [waits("done", "a"), waits("done", "b"), waits("done", "c")];
    const refused = (status: number, ...fields: string[]) =>
      refusedOf(all, { status, errors: fields.map((field) => ({ field })) }).map(
        ({ event }) => (event as { step: string }).step,
      );
    for (const status of [401, 403, 413, 429, 500, 503]) expect(refused(status)).toEqual([]);
    expect(refused(422, "events.1.kind")).toEqual(["b"]);
    expect(refused(422, "body.events.0.amount", "body.events.2.step")).toEqual(["a", "c"]);
    expect(refused(422, "day")).toEqual(["a", "b", "c"]);
    expect(refused(404)).toEqual(["a", "b", "c"]);
    expect(refused(422, "eventsful.1.kind")).toEqual([]);
  });

  it("is not moved by a line that is weighed, and shows that line as weighed", () => {
    const now = leading(DAY, [waits("weighed", WEIGH.key, 1)]);
    expect(now.step?.key).toBe(WEIGH.key);
    expect(now.step?.amounts.map((one) => one.weighed)).toEqual([false, true]);
    const pans = [{ filled: false }, { filled: false }] as DayStep["pans"];
    const filled = withWaiting({ ...MIX, pans }, [waits("poured", MIX.key, 0)]);
    expect(filled.pans.map((one) => one.filled)).toEqual([true, false]);
    expect(withWaiting(MIX, [waits("weighed", WEIGH.key)])).toBe(MIX);
    const weighed = { ...WEIGH, amounts: WEIGH.amounts.map((one) => ({ ...one, weighed: true })) };
    expect(
      withWaiting(weighed, [waits("poured", WEIGH.key)]).amounts.every((one) => one.weighed),
      "what was weighed in the kitchen stays weighed",
    ).toBe(true);
  });

  it("leaves out of what comes next whatever was ticked here", () => {
    const day = { ...DAY, next: [MIX.key, "b"], steps: [WEIGH, MIX, bake] };
    expect(leading(day, [waits("done", MIX.key)]).next.map((one) => one.key)).toEqual(["b"]);
  });
});

describe("ticks on their way", () => {
  const tick = (id: string) => ({
    event: { id, kind: "done", step: "s", place: 0 } as never,
    made: 4_000,
  });

  it("are kept a day apart, in order, until they have arrived", () => {
    put(3, tick("a"));
    put(3, tick("b"));
    put(4, tick("c"));
    expect(waitingOf(3).map((one) => one.event.id)).toEqual(["a", "b"]);
    arrived(3, new Set(["a", "c"]));
    expect(waitingOf(3).map((one) => one.event.id)).toEqual(["b"]);
    expect(waitingOf(4)).toHaveLength(1);
    arrived(3, new Set(["b"]));
    expect(localStorage.getItem("entremet.day.3")).toBeNull();
  });

  it("say how long ago each was made, never less than nothing", () => {
    expect(sent([tick("a")], 9_500).map((one) => one.ago_s)).toEqual([5.5]);
    expect(sent([tick("a")], 1_000).map((one) => one.ago_s)).toEqual([0]);
  });

  it("are none where the shelf holds something else", () => {
    localStorage.setItem("entremet.day.9", "{");
    expect(waitingOf(9)).toEqual([]);
    localStorage.setItem("entremet.day.9", '{"a":1}');
    expect(waitingOf(9)).toEqual([]);
  });
});
