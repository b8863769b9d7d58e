import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { FitRequest } from "../src/api/client";
import { CardColumn } from "../src/rooms/fit/choose/CardColumn";
import { linesByComponent } from "../src/rooms/fit/shared/components";
import { sectionWords } from "../src/pans/PanSection";
import { FindingRow } from "../src/ui/FindingRow";
import { PrintSheet } from "../src/rooms/fit/PrintSheet";
import { WeighState } from "../src/rooms/fit/weigh/WeighState";
import { fakeKitchen, showAt } from "./fakeKitchen";
import { fit, inHand, KITCHEN, line, pan } from "./fixtures";

const REQUEST: FitRequest = { recipe: 1, into: [{ pan: 1, count: 1 }] };
const show = (part: React.ReactNode) => showAt(part);
const HAND = inHand();

beforeEach(() => {
  localStorage.clear();
  fakeKitchen(KITCHEN);
});
afterEach(cleanup);

const SUGAR = line({
  id: 2,
  name: "Caster sugar",
  shown: "330 g",
  shown_g: "330 g",
  parts: [
    { name: "creamed", recipe_g: 180, g: 270, shown: "270 g" },
    { name: "with the eggs", recipe_g: 40, g: 60, shown: "60 g" },
  ],
});
const NUTS = line({ id: 3, name: "Walnuts", optional: true, included: false, shown: "left out" });

describe("weighing", () => {
  it("has a tick for each part of a split and none for what is left out", () => {
    show(
      <WeighState fit={fit({ lines: [line({}), SUGAR, NUTS] })} request={REQUEST} inHand={HAND} />,
    );
    expect(screen.getAllByRole("checkbox")).toHaveLength(3);
    expect(screen.getByText("0 of 3 in")).toBeInTheDocument();
  });

  it("keeps ticks with their fit and starts another without", async () => {
    const first = show(<WeighState fit={fit({})} request={REQUEST} inHand={HAND} />);
    await userEvent.click(screen.getByRole("checkbox"));
    expect(screen.getByText("All in.")).toBeInTheDocument();
    first.unmount();
    show(<WeighState fit={fit({})} request={REQUEST} inHand={HAND} />);
    expect(screen.getByRole("checkbox")).toBeChecked();
    cleanup();
    show(<WeighState fit={fit({})} request={{ ...REQUEST, rule: "fill" }} inHand={HAND} />);
    expect(screen.getByRole("checkbox")).not.toBeChecked();
  });

  it("keeps ticks when the bowl is weighed, since the card stays as it is", async () => {
    const first = show(<WeighState fit={fit({})} request={REQUEST} inHand={HAND} />);
    await userEvent.click(screen.getByRole("checkbox"));
    first.unmount();
    const weighed = [{ full_g: 2010, tare_g: 810 }];
    show(<WeighState fit={fit({})} request={{ ...REQUEST, weighed }} inHand={HAND} />);
    expect(screen.getByRole("checkbox")).toBeChecked();
  });

  it("leads with the spoon where the scale is too coarse", () => {
    const salt = line({ shown_g: "2 g", shown_measure: "¼ + ⅛ tsp", measure_leads: true });
    show(<WeighState fit={fit({ lines: [salt] })} request={REQUEST} inHand={HAND} />);
    const row = screen.getByRole("checkbox");
    expect(row.textContent.indexOf("¼ + ⅛ tsp")).toBeLessThan(row.textContent.indexOf("2 g"));
  });

  it("asks for pans while there is nothing to weigh", () => {
    show(<WeighState fit={fit({ factor: null })} request={REQUEST} inHand={HAND} />);
    expect(screen.getByText(/Choose pans first/)).toBeInTheDocument();
  });

  it("carries its caution", () => {
    show(<WeighState fit={fit({})} request={REQUEST} inHand={HAND} />);
    expect(screen.getByText("Do not taste the batter.")).toBeInTheDocument();
  });
});

describe("the card", () => {
  it("shows every line was and now, those left out too", () => {
    show(<CardColumn fit={fit({ lines: [line({}), SUGAR, NUTS] })} inHand={HAND} />);
    expect(screen.getAllByRole("rowheader").map((cell) => cell.textContent)).toEqual([
      "Plain flour",
      "Caster sugar",
      "creamed",
      "with the eggs",
      "Walnuts",
    ]);
    const flour = screen.getAllByRole("row")[1];
    expect(flour && within(flour).getByText("240 g")).toBeInTheDocument();
    expect(flour && within(flour).getByText("360 g")).toBeInTheDocument();
  });

  it("puts an optional line in and takes it out again", async () => {
    const choose = vi.fn();
    show(<CardColumn fit={fit({ lines: [NUTS] })} inHand={inHand({}, choose)} />);
    await userEvent.click(screen.getByRole("checkbox", { name: "Walnuts" }));
    expect(choose).toHaveBeenCalledWith({ withOptional: [3] });
    cleanup();
    show(
      <CardColumn
        fit={fit({ lines: [{ ...NUTS, included: true }] })}
        inHand={inHand({}, choose)}
      />,
    );
    await userEvent.click(screen.getByRole("checkbox", { name: "Walnuts" }));
    expect(choose).toHaveBeenLastCalledWith({ withOptional: [] });
  });

  it("groups lines by the part of the cake they belong to", () => {
    const plums = line({ id: 9, component: "base_layer" });
    const groups = linesByComponent([plums, line({}), line({ id: 4 })]);
    expect(groups.map((group) => [group.component, group.lines.length])).toEqual([
      ["base_layer", 1],
      ["batter", 2],
    ]);
  });
});

describe("the sheet for print", () => {
  it("carries pans, amounts, splits, times, signs and what is wrong", () => {
    const finding = {
      code: "over_rim",
      severity: "stop" as const,
      text: "Rises over the rim.",
      hint: "",
      subject: "",
      entry: 0,
      field: "",
      numbers: {},
    };
    const { container } = show(
      <PrintSheet fit={fit({ lines: [line({}), SUGAR], findings: [finding] })} />,
    );
    for (const words of [
      "Round 20",
      "720 g2.5 cm deep",
      "360 g",
      "60 g with the eggs",
      "look at 28",
      "the top springs back",
      "Rises over the rim.",
      "Dry gloves.",
    ]) {
      expect(container.textContent).toContain(words);
    }
  });
});

describe("findings and drawings in words", () => {
  it.each([
    ["stop", "Stops here"],
    ["warn", "Take care"],
    ["note", "Note"],
  ] as const)("a %s is named, not only coloured", (severity, name) => {
    show(
      <FindingRow
        finding={{
          code: "x",
          severity,
          text: "T",
          hint: "H",
          subject: "",
          entry: null,
          field: "",
          numbers: {},
        }}
      />,
    );
    expect(screen.getByTitle(name)).toBeInTheDocument();
  });

  it("a section says what it shows", () => {
    expect(sectionWords(pan({}), "metric")).toBe(
      "Round 20 from the side, batter 2.5 cm deep, rises to about 4.2 cm, rim at 5 cm",
    );
    expect(sectionWords(pan({}), "us")).toBe(
      "Round 20 from the side, batter 1 in deep, rises to about 1⅝ in, rim at 2 in",
    );
  });
});
