import description from "../../tests/kitchen/api/openapi.json";
import { describe, expect, it } from "vitest";

import type { Drawing, FitPan, SourcePan } from "../src/api/client";
import {
  changedChoices,
  asksFor,
  choicesFrom,
  choicesOf,
  NO_CHOICES,
  requestOf,
  searchOf,
} from "../src/domain/fitChoices";
import type { FitChoices } from "../src/domain/fitChoices";
import { countOf, grams, typedCount, typedDecimal } from "../src/domain/numbers";
import { restAt, takingRest } from "../src/domain/rest";
import { bayWide, benchScale } from "../src/domain/benchScale";
import { heat, heatBy, inches, length, lengthField, ounces, volume } from "../src/domain/units";
import { fillPath, ghostFor, risenPath, wallPath } from "../src/domain/section";

const CHOICES: FitChoices = {
  recipe: 3,
  revision: 5,
  variant: 2,
  instead: { "4": 0, "9": 1 },
  joins: 3,
  into: [
    { pan: 7, count: 2, rule: { kind: "grams", grams: 450 } },
    { pan: { outline: "round", label: "Round 8 in", across: "8 in", wall_cm: "2 in" }, count: 1 },
  ],
  rule: "keep_batch",
  eggs: "half",
  oven: 2,
  temperature: "own",
  dial: 165,
  separately: true,
  strips: true,
  cover: "late",
  finish: "glass",
  start: "chilled",
  withOptional: [4, 9],
  depth: 2.5,
  height: "3 in",
  eggCount: 5.5,
  eggsG: 232,
  eggsInShell: true,
  servings: 24,
  factor: 1.5,
  portion: "party",
  raising: "less",
  bowl: "none",
  mixes: [3, 2.5],
  weighed: [{ full_g: 2100, tare_g: 810 }],
  shares: [
    { name: "cocoa & milk", pans: [{ entry: 1, count: 1, part: 0.5 }], adds: ["20 g cocoa"] },
  ],
  laid: { "9": "2 in", "12": 4 },
  beside: null,
  opens: true,
  finishing: { drip: true, dome_cm: 1.2 },
  order: 12,
  orderCake: 0,
  at: "card",
};

describe("choices in the address", () => {
  it("come back as they were", () => {
    expect(choicesFrom(searchOf(CHOICES))).toEqual(CHOICES);
  });

  it("settle the batch first where one pan takes the rest of it", () => {
    const into = [{ pan: 1, rule: { kind: "fill" as const, fill: 0.5 } }, { pan: 2 }, { pan: 3 }];
    const now = { ...NO_CHOICES, recipe: 1, rule: "depth" as const, depth: 3, into };
    expect(restAt(now, 2)).toBe("could");
    const taken = { ...now, ...takingRest(now, 2) };
    expect(taken.rule).toBe("keep_batch");
    expect(taken.into.map((one) => one.rule)).toEqual([
      { kind: "fill", fill: 0.5 },
      { kind: "depth", depth_cm: 3 },
      null,
    ]);
    expect([restAt(taken, 2), restAt(taken, 1)]).toEqual(["takes", "could"]);
    const eggs = takingRest({ ...now, rule: "eggs" }, 0);
    expect(eggs.rule).toBe("eggs");
    expect(eggs.into?.map((one) => one.rule)).toEqual([
      null,
      { kind: "same_depth" },
      { kind: "same_depth" },
    ]);
    expect(restAt({ ...now, into: into.slice(0, 1) }, 0)).toBe("alone");
  });

  it("come back from a kept request", () => {
    const request = requestOf(CHOICES);
    expect(request && choicesOf(request)).toEqual({
      ...CHOICES,
      opens: false,
      order: null,
      orderCake: null,
    });
    expect(request && asksFor(CHOICES, request)).toBe(true);
    const kept = {
      ...request,
      recipe: 3,
      into: request?.into?.map((one) => ({ rule: null, ...one })),
    };
    expect(asksFor(CHOICES, kept)).toBe(true);
    expect(request && asksFor({ ...CHOICES, dial: 150 }, request)).toBe(false);
  });

  it("hold the other set while two are side by side", () => {
    for (const beside of [[], [{ pan: 4, count: 3 }]]) {
      const search = searchOf({ ...NO_CHOICES, recipe: 1, beside });
      expect(choicesFrom(search).beside).toEqual(beside);
    }
  });

  it.each([
    ["weighed", '[{"full_g":"x","tare_g":1},{"full_g":900,"tare_g":300}]'],
    ["shares", '[{"name":5},{"name":"pink","pans":[]}]'],
    ["laid", '{"x":3,"4":5,"5":null}'],
    ["mixes", "3,x,-1,2"],
  ])("keep what can be read of %s", (name, text) => {
    const read = choicesFrom(new URLSearchParams({ [name]: text }));
    expect({
      weighed: read.weighed,
      shares: read.shares,
      laid: read.laid,
      mixes: read.mixes,
    }).toEqual({
      weighed: name === "weighed" ? [{ full_g: 900, tare_g: 300 }] : [],
      shares: name === "shares" ? [{ name: "pink", pans: [], adds: [] }] : [],
      laid: name === "laid" ? { "4": 5 } : {},
      mixes: name === "mixes" ? [3, 2] : [],
    });
  });

  it("let go of what was weighed and split as soon as the amounts are others", () => {
    const now = { ...CHOICES, weighed: [{ full_g: 2100, tare_g: 810 }], mixes: [3, 2] };
    for (const change of [
      { recipe: 9 },
      { eggs: "up" as const },
      { withOptional: [] },
      { variant: null },
      { raising: "proportion" as const },
    ]) {
      expect(changedChoices(now, change)).toMatchObject({ ...change, weighed: [], mixes: [] });
    }
    expect(changedChoices(now, { oven: 3, portion: "small" }).weighed).toEqual(now.weighed);
    expect(changedChoices(now, { recipe: 9, mixes: [4] }).mixes).toEqual([4]);
  });

  it("leave defaults out", () => {
    expect(searchOf({ ...NO_CHOICES, recipe: 1 }).toString()).toBe("recipe=1");
  });

  it.each(["recipe=x&rule=guess", "into=[", 'into={"pan":1}', 'into=[{"pan":"x"},5,null]'])(
    "are left at their defaults where %s cannot be read",
    (search) => {
      expect(choicesFrom(new URLSearchParams(search))).toEqual(NO_CHOICES);
    },
  );

  it("start from what the kitchen takes where nothing is said", () => {
    const properties = Object.entries<object>(description.components.schemas.Request.properties);
    const defaults = properties.flatMap(([name, described]) =>
      "default" in described ? [[name, described.default] as const] : [],
    );
    expect(defaults.length).toBeGreaterThan(6);
    const said = { recipe: 1, into: [], ...Object.fromEntries(defaults) };
    expect(choicesOf(said)).toEqual({ ...NO_CHOICES, recipe: 1 });
  });

  it("make no request without a recipe", () => {
    expect(requestOf(NO_CHOICES)).toBeNull();
  });
});

describe("typed numbers", () => {
  it.each([
    ["12", 12],
    [" 3 ", 3],
    ["-1", -1],
    ["", null],
    ["two", null],
    ["1.5", null],
  ])("reads the count %j as %j", (text, value) => {
    expect(typedCount(text)).toBe(value);
  });

  it.each([
    ["450", 450],
    ["0,5", 0.5],
    ["", null],
    ["lots", null],
    ["1e9", null],
  ])("reads the decimal %j as %j", (text, value) => {
    expect(typedDecimal(text)).toBe(value);
  });

  it("writes thousands apart and wells one by one", () => {
    expect(grams(12345.6)).toBe("12\u202f346");
    expect(countOf({ count: 8, wells: 12, label: "Tray" })).toBe("8 wells of Tray");
    expect(countOf({ count: 1, wells: 1, label: "Loaf" })).toBe("Loaf");
  });
});

const PAN: Drawing = {
  base_width_cm: 20,
  rim_width_cm: 24,
  tube_base_cm: 0,
  tube_rim_cm: 0,
  wall_cm: 5,
  ball: false,
  plan_width_cm: 24,
  plan_height_cm: 24,
  plan: [],
};
const RING: Drawing = { ...PAN, tube_base_cm: 8, tube_rim_cm: 6 };

describe("sections", () => {
  it("slope from base to rim", () => {
    expect(wallPath(PAN)).toBe("M-12.00 -5.00L-10.00 0L10.00 0L12.00 -5.00");
  });

  it("fill to the sloping walls", () => {
    expect(fillPath(PAN, 0, 2.5)).toBe("M-10.00 0.00L-11.00 -2.50L11.00 -2.50L10.00 0.00Z");
  });

  it("draw a ring as two troughs", () => {
    expect(wallPath(RING).match(/M/g)).toHaveLength(2);
  });

  it("change shape where the batter runs over the rim, and only there", () => {
    const fits = risenPath(PAN, 4.5, false);
    const domes = risenPath(PAN, 5.2, false);
    const spills = risenPath(PAN, 6, true);
    expect(fits.match(/Q/g)).toHaveLength(1);
    expect(domes.match(/Q/g)).toHaveLength(1);
    expect(domes).toContain("M-12.00 -5.00Q0.00 -5.40");
    expect(spills.match(/Q/g)).toHaveLength(3);
  });
});

describe("the common scale", () => {
  const needs = (wide: number, high = 5) => ({ wide, high, planWide: wide, planHigh: wide });

  it("is as large as the room allows, and smaller for more pans", () => {
    const one = benchScale([needs(20)], 820, 460).scale;
    const four = benchScale([needs(20), needs(20), needs(20), needs(20)], 820, 460).scale;
    expect(one).toBe(17);
    expect(four).toBeLessThan(one);
  });

  it("never makes one pan wider than the room", () => {
    const drawn = benchScale([needs(40), needs(40), needs(40)], 340, Infinity);
    expect(bayWide(needs(40), drawn)).toBeLessThanOrEqual(340);
  });

  it("stands a plan over its section where the room is narrow", () => {
    expect(benchScale([needs(20)], 340, Infinity).stacked).toBe(true);
    expect(benchScale([needs(20)], 820, 460).stacked).toBe(false);
    // Beside each other they take the height of the taller, not of both.
    expect(benchScale([needs(20)], 820, 230).scale).toBe(17);
  });
});

describe("units", () => {
  it("reads lengths to the marks of a ruler", () => {
    expect([20.32, 20, 33, 1.2, 0.3].map(inches)).toEqual(["8", "7⅞", "13", "½", "⅛"]);
    expect(length(5, "metric")).toBe("5 cm");
    expect(length(5.08, "us")).toBe("2 in");
    expect(length(20, "both")).toBe("20 cm (7⅞ in)");
  });

  it("reads weights in pounds and ounces", () => {
    expect([28.35, 113.4, 453.6, 440, 1000].map(ounces)).toEqual([
      "1 oz",
      "4 oz",
      "1 lb",
      "15½ oz",
      "2 lb 3½ oz",
    ]);
  });

  it("keeps centimetres behind what is typed in inches", () => {
    const field = lengthField("us", 0.5);
    expect(field.read("1 1/2")).toBeCloseTo(3.81);
    expect(field.read("wide")).toBeNull();
    expect(field.write(3.81)).toBe("1½");
  });
});

describe("heat and volume in the kitchen's units", () => {
  it.each([
    [96, "96 °C", "205 °F"],
    [163, "163 °C", "325 °F"],
    [-18, "-18 °C", "0 °F"],
  ] as const)("tells %s degrees", (c, metric, us) => {
    expect(heat(c, "metric")).toBe(metric);
    expect(heat(c, "us")).toBe(us);
    expect(heat(c, "both")).toBe(`${metric} (${us})`);
  });

  it("tells a difference without the 32", () => {
    expect([heatBy(20, "metric"), heatBy(20, "us")]).toEqual(["20 °C", "36 °F"]);
  });

  it.each([
    [1846, "7¾ cups"],
    [237, "1 cup"],
    [60, "¼ cup"],
    [30, "2 tbsp"],
    [5, "1 tsp"],
  ] as const)("tells %s ml in the largest measure it fills", (ml, us) => {
    expect(volume(ml, "us")).toBe(us);
    expect(volume(ml, "metric")).toBe(`${String(ml)} ml`);
  });
});

describe("the ghost", () => {
  const source = [{ kind: "flat", label: "round 18" } as SourcePan];

  it("is the recipe's own pan", () => {
    expect(ghostFor({ kind: "loaf" } as FitPan, source)?.label).toBe("round 18");
  });

  it("does not stand a pan behind a well", () => {
    expect(ghostFor({ kind: "wells" } as FitPan, source)).toBeNull();
  });
});
