import { describe, expect, it } from "vitest";

import { sharedIn, withShared } from "../src/domain/shared";

const shared = (query: string) => sharedIn(new URLSearchParams(query));

describe("what another app shares", () => {
  it("is its text with the title first, once", () => {
    expect(shared("title=Plum squares&text=200 g flour")?.text).toBe("Plum squares\n200 g flour");
    expect(shared("title=Plum squares&text=Plum squares\n200 g flour")?.text).toBe(
      "Plum squares\n200 g flour",
    );
  });

  it("is nothing to read where it is an address alone", () => {
    for (const query of [
      "url=https://example.org/plums",
      "title=Plums&text=https://example.org/plums",
    ]) {
      expect(shared(query)).toEqual({ text: "", onlyAddress: true });
    }
    expect(shared("seed=4")).toBeNull();
  });

  it("comes after what was pasted before, and once", () => {
    expect(withShared("", "200 g flour")).toBe("200 g flour");
    expect(withShared("3 eggs\n", "200 g flour")).toBe("3 eggs\n\n200 g flour");
    expect(withShared("3 eggs\n\n200 g flour", "200 g flour")).toBe("3 eggs\n\n200 g flour");
    expect(withShared("3 eggs", "")).toBe("3 eggs");
  });
});
