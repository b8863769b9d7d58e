import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { guessed, keepGuesses, keptGuesses, NO_GUESSES, tendencies } from "../src/domain/guesses";
import { ClassView } from "../src/rooms/learn/ClassView";
import { GuessView } from "../src/rooms/learn/GuessView";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { KITCHEN } from "./fixtures";

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const EARLY = "You look too early at deep pans.";
const QUESTION = {
  seed: 5,
  asks: "first_look",
  text: "Plum cake in Round 20. When would you first look?",
  choices: [
    { text: "after 20 min", tells: EARLY, stage: null },
    { text: "after 38 min", tells: "", stage: null },
    { text: "after 70 min", tells: "You look too late at deep pans.", stage: null },
  ],
  right: 1,
  reason: "Likely 48 min: the door stays shut until about 38.",
  request: null,
};

describe("what is kept of guesses", () => {
  it("counts right ones in a row, and from the third time on what one tends to", () => {
    let kept = NO_GUESSES;
    for (let time = 0; time < 2; time += 1) kept = guessed(kept, true, "");
    expect(kept).toMatchObject({ asked: 2, right: 2, row: 2 });
    for (let time = 0; time < 2; time += 1) kept = guessed(kept, false, EARLY);
    expect(tendencies(kept)).toEqual([]);
    kept = guessed(kept, false, EARLY);
    expect(kept).toMatchObject({ asked: 5, right: 2, row: 0 });
    expect(tendencies(kept)).toEqual([`${EARLY} (3 times)`]);
    expect(guessed(kept, true, EARLY).tells).toEqual(kept.tells);
  });

  it("outlasts a reload, and what cannot be read is begun anew", () => {
    keepGuesses(guessed(NO_GUESSES, false, EARLY));
    expect(keptGuesses()).toMatchObject({ asked: 1, tells: { [EARLY]: 1 } });
    localStorage.setItem("entremet.guesses", "{");
    expect(keptGuesses()).toEqual(NO_GUESSES);
    localStorage.setItem("entremet.guesses", "null");
    expect(keptGuesses()).toEqual(NO_GUESSES);
  });
});

describe("guess first", () => {
  it("says nothing before the guess, then the right one, the reason and the next", async () => {
    const asked = fakeKitchen({
      "GET /api/trainer/guess": { body: QUESTION },
      "GET /api/kitchen": { body: KITCHEN },
    });
    showAt(<GuessView />);
    const answers = await screen.findByRole("group", { name: "Answers" });
    expect(screen.queryByText(/Likely 48/)).toBeNull();
    await userEvent.click(within(answers).getByRole("button", { name: /after 20 min/ }));
    expect(screen.getByRole("status")).toHaveTextContent(/Not this time.*Likely 48 min/);
    expect(within(answers).getByRole("button", { name: /after 38 min · right/ })).toBeVisible();
    expect(within(answers).getByRole("button", { name: /your guess/ })).toHaveTextContent("20");
    // A second tap changes nothing.
    await userEvent.click(within(answers).getByRole("button", { name: /after 38 min/ }));
    expect(screen.getByText(/0 of 1 right/)).toBeInTheDocument();
    const before = asked.filter(({ path }) => path.endsWith("guess")).length;
    await userEvent.click(screen.getByRole("button", { name: "Next" }));
    await screen.findByRole("group", { name: "Answers" });
    expect(asked.filter(({ path }) => path.endsWith("guess")).length).toBeGreaterThan(before);
    await userEvent.keyboard("2");
    expect(await screen.findByText(/1 of 2 right/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Forget them" }));
    expect(keptGuesses()).toEqual(NO_GUESSES);
  });

  it("says what leaves nothing to ask, and asks another", async () => {
    fakeKitchen({
      "GET /api/trainer/guess": { status: 422, body: problem("impossible", "Nothing to ask.") },
    });
    showAt(<GuessView />);
    expect(await screen.findByText("Nothing to ask.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Another" })).toBeVisible();
  });
});

describe("a class", () => {
  it("asks for sheets once every group has a name and a pan", async () => {
    const asked = fakeKitchen({
      "GET /api/recipes": { body: { rows: [{ id: 3, title: "Plum cake" }], count: 1 } },
      "GET /api/pans": {
        body: [
          { id: 1, label: "Round 18", wells: 1, damaged: false },
          { id: 2, label: "Tray", wells: 12, damaged: false },
        ],
      },
      "POST /api/trainer/class": {
        body: {
          title: "Plum cake",
          groups: [],
          method: [],
          bought: [{ name: "Butter", g: 240 }],
          compare: ["Taste the rim and the middle of each."],
          caution: [],
        },
      },
    });
    showAt(<ClassView />);
    const pick = async (name: string, place: number, choice: string) => {
      await userEvent.click((await screen.findAllByRole("combobox", { name }))[place] as Element);
      await userEvent.click(await screen.findByRole("option", { name: choice }));
    };
    await pick("Recipe", 0, "Plum cake");
    await pick("Pan", 0, "Round 18");
    expect(asked.some(({ path }) => path.endsWith("class"))).toBe(false);
    await pick("Pan", 1, "Tray");
    expect((await screen.findAllByText("Taste the rim and the middle of each.")).length).toBe(2);
    expect(asked.find(({ path }) => path.endsWith("class"))?.body).toEqual({
      groups: [
        { name: "Group A", fit: { recipe: 3, into: [{ pan: 1, count: 1 }] } },
        { name: "Group B", fit: { recipe: 3, into: [{ pan: 2, count: 12 }] } },
      ],
    });
  });
});
