import { describe, expect, it } from "vitest";

import { bytesOf, cellsAt, frameAt } from "../src/domain/inside";

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
