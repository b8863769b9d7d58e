import { describe, expect, it } from "vitest";

import { bytesOf, cellsAt, frameAt } from "../src/domain/inside";
import { askedBeside, besidesOf, besideTapped } from "../src/domain/insideBeside";
import { fit, pan } from "./fixtures";

describe("a bake cut open", () => {
  it("reads the bytes of an answer", () => {
    expect([...bytesOf(btoa(String.fromCharCode(0, 97, 255)))]).toEqual([0, 97, 255]);
  });

  it("draws cells from the base up, each on the one under it", () => {
    const drawn = { rows: 2, columns: 2, edges_cm: [0, 2, 5] };
    // Two frames: raw, then risen and warm.
    const states = Uint8Array.from([0, 0, 0, 0, 1, 2, 1, 2]);
    const tops = Uint8Array.from([10, 10, 20, 20, 15, 16, 34, 30]);
    expect(cellsAt(drawn, states, tops, 0).map((one) => [one.foot, one.high, one.band])).toEqual([
      [0, 1, 0],
      [0, 1, 0],
      [1, 1, 0],
      [1, 1, 0],
    ]);
    const risen = cellsAt(drawn, states, tops, 1);
    expect(risen.map((one) => one.band)).toEqual([1, 2, 1, 2]);
    expect(risen[3]).toMatchObject({ x: 2, wide: 3, foot: 1.6, band: 2 });
    expect(risen[3]?.high).toBeCloseTo(1.4);
  });

  it("finds the frame nearest to a minute", () => {
    expect([0, 4, 6, 99].map((one) => frameAt([0, 5, 10, 15], one))).toEqual([0, 1, 1, 3]);
  });
});

describe("what a bake is laid beside", () => {
  const request = {
    recipe: 1,
    into: [
      { pan: 3, count: 1 },
      { pan: 4, count: 1 },
    ],
  };
  const two = fit({ pans: [pan({}), pan({ batter_g_each: 800, kind: "flat" })] });
  const offered = (more: object, entry = 1) =>
    besidesOf(two, { ...request, ...more }, entry).map(({ value }) => value);

  it("is no way that this bake already is", () => {
    expect(offered({})).toEqual(
      expect.arrayContaining(["strips", "dark", "glass", "lower", "as_recipe", "two"]),
    );
    expect(offered({ strips: true })).not.toContain("strips");
    expect(offered({ finish: "dark" })).not.toContain("dark");
    expect(offered({ temperature: "lower" })).not.toContain("lower");
    const wells = fit({ pans: [pan({ kind: "wells" })] });
    expect(besidesOf(wells, request, 0).map(({ value }) => value)).not.toContain("two");
    const steam = fit({ oven: { ...two.oven, has_dial: false } });
    expect(besidesOf(steam, request, 0).map(({ value }) => value)).not.toContain("strips");
  });

  it("asks for the recipe's own pans, another pan, another heat", () => {
    expect(askedBeside(request, 1, "own")).toMatchObject({ entry: 0, way: "own_pans" });
    expect(askedBeside(request, 1, "pan 7")).toMatchObject({
      entry: 0,
      way: "chosen",
      fit: { into: [{ pan: 7, count: 1 }] },
    });
    expect(askedBeside({ ...request, dial: 190 }, 1, "lower").fit).toMatchObject({
      temperature: "lower",
      dial: null,
    });
  });

  it("leaves to the kitchen what half of a pan is", () => {
    expect(askedBeside(request, 1, "two")).toEqual({ fit: request, entry: 1, way: "halved" });
  });

  it("shows two at most: a third takes the place of the first", () => {
    expect(besideTapped([], "strips")).toEqual(["strips"]);
    expect(besideTapped(["strips", "dark"], "own")).toEqual(["dark", "own"]);
    expect(besideTapped(["strips", "dark"], "strips")).toEqual(["dark"]);
  });
});
