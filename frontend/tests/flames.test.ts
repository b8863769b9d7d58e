import { describe, expect, it } from "vitest";

import type { Card } from "../src/api/client";
import { FLAME_LEVELS, flameOf, withoutFlames } from "../src/domain/flames";

const phase = (setting: Card["setting"]) => ({ setting, minutes: 5, covered: false, note: "" });
const card = (setting: Card["setting"], ...phases: Card["setting"][]) =>
  ({ setting, phases: phases.map(phase) }) as unknown as Card;
const low = { value: 1, scale: "flame" } as const;
const hot = { value: 180, scale: "C" } as const;

describe("a flame under a pot", () => {
  it("has three levels, and none chosen is the lowest without a word", () => {
    expect(FLAME_LEVELS.map(([, words]) => words)).toEqual([
      "Low flame",
      "Medium flame",
      "High flame",
    ]);
    expect(flameOf("2")).toEqual({ value: 2, scale: "flame" });
    expect(flameOf(null)).toBeNull();
  });

  it("goes with the hob: another kind of oven keeps degrees and loses flames", () => {
    expect(withoutFlames(card(low, low, null), "hob")).toEqual({});
    const moved = withoutFlames(card(low, low, hot), "fan");
    expect(moved.setting).toBeNull();
    expect(moved.phases?.map((one) => one.setting)).toEqual([null, hot]);
    expect(withoutFlames(card(hot, hot), null).setting).toEqual(hot);
  });
});
