import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";

import { STAGE_KEY } from "../src/api/bounds";
import type { MethodNotes } from "../src/api/client";
import { Forgotten } from "../src/rooms/fit/weigh/Forgotten";
import { Method } from "../src/rooms/fit/shared/Method";
import { StageDrawing } from "../src/ui/StageDrawing";
import { showAt } from "./fakeKitchen";

const NOTES: MethodNotes = {
  steps: [{ key: 1, kinds: ["cream"], stages: ["pale_fluffy"], guards: ["Eggs at 20 °C."] }],
  stages: [
    {
      key: "pale_fluffy",
      name: "pale and fluffy",
      see: "Clearly lighter in colour.",
      by_machine: "3 to 6 min",
      by_hand: "8 to 15 min",
      too_far: "Greasy and shining.",
      mend: "15 minutes in the fridge.",
    },
  ],
  late: [
    { name: "Fine salt", text: "Until it is in the oven." },
    { name: "Eggs", text: "Before the flour." },
  ],
};
const STEPS = [
  {
    key: 1,
    sign: "",
    words: [
      { text: "Beat ", was: "", swapped_to: "", stands_for: null },
      { text: "125 g", was: "180 g", swapped_to: "", stands_for: null },
      { text: " of the sugar until pale.", was: "", swapped_to: "", stands_for: null },
    ],
  },
];

describe("the method", () => {
  it("says what to mind at the step, on the screen and on paper", () => {
    showAt(<Method steps={STEPS} notes={NOTES} />);
    expect(screen.getByText("125 g")).toHaveAttribute("title", "180 g on the card");
    expect(screen.getByRole("note")).toHaveTextContent("Eggs at 20 °C.");
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("opens what a stage looks like, how long it takes and what mends it", async () => {
    showAt(<Method steps={STEPS} notes={NOTES} drawn />);
    await userEvent.click(screen.getByRole("button", { name: /pale and fluffy/ }));
    const told = await screen.findByRole("dialog", { name: "pale and fluffy" });
    expect(told).toHaveTextContent("Clearly lighter in colour.");
    expect(told).toHaveTextContent("3 to 6 min by machine, 8 to 15 min by hand");
    expect(told).toHaveTextContent("15 minutes in the fridge.");
  });

  it("has a drawing of its own for each stage", () => {
    const drawn = STAGE_KEY.map((stage) => {
      const { container } = showAt(<StageDrawing stage={stage} />);
      return container.querySelector("svg")?.innerHTML ?? "";
    });
    expect(new Set(drawn).size).toBe(STAGE_KEY.length);
    expect(drawn.every((one) => one.length > 80)).toBe(true);
  });
});

describe("forgot something", () => {
  it("says of the line that is tapped until when it can go in", async () => {
    showAt(<Forgotten late={NOTES.late} />);
    expect(screen.queryByRole("button", { name: "Eggs" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Forgot something?" }));
    await userEvent.click(screen.getByRole("button", { name: "Eggs" }));
    expect(screen.getByText("Before the flour.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Fine salt" }));
    expect(screen.getByText("Until it is in the oven.")).toBeVisible();
    expect(screen.queryByText("Before the flour.")).toBeNull();
  });

  it("is not offered where there is no method", () => {
    showAt(<Forgotten late={[]} />);
    expect(screen.queryByRole("button")).toBeNull();
  });
});
