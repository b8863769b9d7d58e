import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";

import { STAGE_KEY } from "../src/api/bounds";
import type { MethodNotes } from "../src/api/client";
import { byMethod } from "../src/rooms/fit/weigh/weighings";
import type { WeighGroup } from "../src/rooms/fit/weigh/weighings";
import { HaveReady } from "../src/rooms/fit/weigh/HaveReady";
import { Forgotten } from "../src/rooms/fit/weigh/Forgotten";
import { Method } from "../src/rooms/fit/shared/Method";
import { StageDrawing } from "../src/ui/StageDrawing";
import { showAt } from "./fakeKitchen";
import { fit } from "./fixtures";

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
  bench: [],
  tools: [],
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

describe("weighing by the method", () => {
  const weighing = (line: number, part = "") => ({
    key: `${String(line)}/${part}`,
    line,
    part,
    name: `line ${String(line)}`,
    lead: "1 g",
    second: null,
    from: undefined,
  });
  const said = (text: string) => [{ text, was: "", swapped_to: "", stands_for: null }];
  const card: WeighGroup[] = [
    { title: "Batter", weighings: [weighing(1), weighing(2, "late"), weighing(2, "early")] },
    { title: "Frosting", weighings: [weighing(3)] },
  ];
  const made = fit({
    steps: [
      { key: 7, sign: "", words: said("Heat the oven.") },
      {
        key: 8,
        sign: "",
        words: said("Beat the butter with the sugar until it is very, very pale."),
      },
      { key: 9, sign: "", words: said("Fold in the rest.") },
    ],
    method: {
      ...NOTES,
      bench: [
        { line: 1, part: "", step: 8 },
        { line: 2, part: "early", step: 8 },
        { line: 2, part: "late", step: 9 },
      ],
    },
  });

  it("puts each line and each part at its step, and leaves the rest as on the card", () => {
    expect(
      byMethod(card, made).map((group) => [group.title, group.weighings.map((one) => one.key)]),
    ).toEqual([
      ["Step 2: Beat the butter with the sugar until it is very, very …", ["1/", "2/early"]],
      ["Step 3: Fold in the rest.", ["2/late"]],
      ["Frosting", ["3/"]],
    ]);
  });

  it("weighs nothing twice and forgets nothing", () => {
    const keys = (groups: readonly WeighGroup[]) =>
      groups.flatMap((group) => group.weighings.map((one) => one.key)).sort();
    expect(keys(byMethod(card, made))).toEqual(keys(card));
  });

  it("says so where no step names a line", () => {
    const found = byMethod([{ title: null, weighings: [weighing(5)] }], made);
    expect(found.map((group) => group.title)).toEqual(["No step names it"]);
  });
});

describe("what has to be at hand", () => {
  it("is ticked off as it is laid out", async () => {
    showAt(<HaveReady tools={["sieve", "wire rack"]} />);
    const sieve = screen.getByRole("button", { name: "sieve" });
    await userEvent.click(sieve);
    expect(sieve).toHaveAttribute("aria-pressed", "true");
    expect(screen.getByRole("button", { name: "wire rack" })).toHaveAttribute(
      "aria-pressed",
      "false",
    );
    await userEvent.click(sieve);
    expect(sieve).toHaveAttribute("aria-pressed", "false");
  });
});
