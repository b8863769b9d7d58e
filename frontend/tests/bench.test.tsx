import { act, cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Finding, Oven, PanRule } from "../src/api/client";
import { BakeStrip } from "../src/rooms/fit/choose/BakeStrip";
import { BatchHead } from "../src/rooms/fit/choose/BatchHead";
import { EggChoices } from "../src/rooms/fit/choose/EggChoices";
import { Knowing } from "../src/rooms/fit/choose/Knowing";
import { PanBay } from "../src/rooms/fit/choose/PanBay";
import { PansColumn } from "../src/rooms/fit/choose/PansColumn";
import { TypedPan } from "../src/pans/form/TypedPan";
import { fakeKitchen, openChoices, showAt } from "./fakeKitchen";
import { bake, fit, KITCHEN, listening, oven as ovenOf, pan } from "./fixtures";

class NoObserver {
  observe() {
    return undefined;
  }
  disconnect() {
    return undefined;
  }
}

afterEach(cleanup);
beforeEach(() => {
  vi.stubGlobal("ResizeObserver", NoObserver);
  fakeKitchen(KITCHEN);
});

const finding = (changes: Partial<Finding>): Finding => ({
  code: "x",
  severity: "note",
  text: "Worth knowing.",
  hint: "",
  subject: "",
  entry: null,
  field: "",
  numbers: {},
  ...changes,
});

function showBay(
  changes: Parameters<typeof pan>[0],
  more: Partial<Parameters<typeof PanBay>[0]> = {},
) {
  const heard = {
    rule: vi.fn<(place: number, rule: PanRule | null) => void>(),
    count: vi.fn(),
    remove: vi.fn(),
  };
  const { container } = showAt(
    <ul>
      <PanBay
        pan={pan(changes)}
        source={[]}
        drawn={{ scale: 8, stacked: false }}
        width={200}
        units="metric"
        ruler={false}
        apart={false}
        place={0}
        onCount={heard.count}
        rest="alone"
        onRest={vi.fn()}
        onRule={heard.rule}
        onRemove={heard.remove}
        {...more}
      />
    </ul>,
  );
  return { ...heard, container };
}

describe("a chosen pan", () => {
  it.each([
    ["batter depth", { kind: "depth", depth_cm: 2.5 }],
    ["baked height", { kind: "height", height_cm: 4.2 }],
    ["fill", { kind: "fill", fill: 0.5 }],
    ["grams", { kind: "grams", grams: 720 }],
    ["same depth", { kind: "same_depth" }],
    ["as all", null],
  ])("is set apart by its %s, from where it stands", async (choice, rule) => {
    const heard = showBay({});
    await openChoices("Rule of Round 20");
    await userEvent.click(screen.getByRole("radio", { name: choice }));
    expect(heard.rule).toHaveBeenCalledWith(0, rule);
  });

  it("takes what the others leave, where there are others", async () => {
    const onRest = vi.fn();
    showBay({}, { rest: "could", onRest });
    await openChoices("Rule of Round 20");
    await userEvent.click(screen.getByRole("radio", { name: /^the rest/ }));
    expect(onRest).toHaveBeenCalledWith(0);
    cleanup();
    showBay({}, { rest: "takes" });
    expect(screen.getByRole("button", { name: "Rule of Round 20: the rest" })).toBeVisible();
    cleanup();
    showBay({});
    await openChoices("Rule of Round 20");
    expect(screen.queryByRole("radio", { name: /^the rest/ })).toBeNull();
  });

  it("follows the fit where it has no rule of its own", () => {
    showBay({ rule: "depth", rule_depth_cm: 3 });
    expect(screen.getByRole("button", { name: "Rule of Round 20: as all" })).toBeVisible();
    expect(screen.queryByRole("spinbutton", { name: /Depth of the batter/ })).toBeNull();
  });

  it("shows the number of its own rule, and steps it", async () => {
    const heard = showBay({ rule: "depth", rule_depth_cm: 3 }, { apart: true });
    const depth = screen.getByRole("spinbutton", { name: "Depth of the batter in Round 20, cm" });
    expect(depth).toHaveValue("3");
    await userEvent.click(depth);
    await userEvent.keyboard("{ArrowDown}");
    expect(heard.rule).toHaveBeenCalledWith(0, { kind: "depth", depth_cm: 2.8 });
  });

  it("says what does not fit in words, beside its sign", () => {
    showBay({ verdict: "Rises over the rim.", verdict_severity: "stop", verdict_code: "over_rim" });
    expect(screen.getByText(/Rises over the rim/)).toHaveAttribute("data-verdict", "over_rim");
  });

  it("reads its numbers out on focus, and hides them on Escape", async () => {
    showBay({});
    act(() => screen.getByRole("group", { name: "Drawing of Round 20" }).focus());
    expect(await screen.findByText("Batter 2.5 cm deep")).toBeVisible();
    await userEvent.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByText("Batter 2.5 cm deep")).toBeNull());
  });

  it("draws its cut and what is laid in it", () => {
    const { container } = showBay({
      cuts: ["0,0 10,0"],
      pieces_each: 2,
      laid: ["1,1", "4,1"],
      laid_cm: 3,
    });
    expect(container.querySelectorAll(".cut")).toHaveLength(1);
    expect(container.querySelectorAll("circle.laid")).toHaveLength(2);
    expect(screen.getByText("2 laid side by side · cut in 2")).toBeInTheDocument();
  });

  it("is dough where it is patted out, with no wall", () => {
    const { container } = showBay({ patted: true, cut_out: { first: 8, again: 2 } });
    expect(container.querySelector(".wall")).toBeNull();
    expect(container.querySelector(".dough")).not.toBeNull();
    expect(screen.getByText("8 rounds, 2 more from the trimmings")).toBeInTheDocument();
  });

  it("says its place when it is counted or taken away", async () => {
    const heard = showBay({}, { place: 3 });
    await userEvent.click(screen.getByRole("button", { name: "More: Count of Round 20" }));
    expect(heard.count).toHaveBeenCalledWith(3, 2);
    await userEvent.click(screen.getByRole("button", { name: "Take Round 20 away" }));
    expect(heard.remove).toHaveBeenCalledWith(3, "Round 20");
  });
});

describe("the batch", () => {
  it("says why on request", async () => {
    showAt(<BatchHead fit={fit({ why: ["Twelve eggs make it."] })} />);
    expect(screen.queryByText("Twelve eggs make it.")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Why so much" }));
    expect(screen.getByText("Twelve eggs make it.")).toBeInTheDocument();
  });

  it("is told in pounds and ounces too, where the kitchen reads them", async () => {
    fakeKitchen({ ...KITCHEN, "GET /api/kitchen": { body: { units: "us" } } });
    showAt(<BatchHead fit={fit({ batter_g: 1000 })} />);
    expect(await screen.findByText(/2 lb 3½ oz/)).toBeInTheDocument();
  });

  it("names leftover only where there is some", () => {
    showAt(<BatchHead fit={fit({ leftover_g: 0.2 })} />);
    expect(screen.queryByText(/left over/)).toBeNull();
    cleanup();
    showAt(<BatchHead fit={fit({ leftover_g: 214.4 })} />);
    expect(screen.getByText("214 g")).toBeInTheDocument();
  });
});

describe("what to know", () => {
  it("keeps the gravest in sight, the notes one tap away", async () => {
    const findings = [
      finding({ text: "Over the rim.", code: "a", severity: "stop" }),
      finding({ text: "Worth a look.", code: "b" }),
    ];
    showAt(<Knowing findings={findings} filled />);
    expect(screen.getByText("Over the rim.")).toBeVisible();
    expect(screen.queryByText("Worth a look.")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: /1 more/ }));
    expect(screen.getByText("Worth a look.")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /Fewer/ }));
    await waitFor(() => expect(screen.queryByText("Worth a look.")).toBeNull());
  });

  it("says so where nothing stands against it, and not before pans are chosen", () => {
    showAt(<Knowing findings={[finding({})]} filled />);
    expect(screen.getByText("Nothing stands against it")).toBeVisible();
    expect(screen.getByRole("button", { name: /1 note/ })).toBeVisible();
    cleanup();
    showAt(<Knowing findings={[]} filled={false} />);
    expect(screen.queryByText("Nothing stands against it")).toBeNull();
  });
});

describe("eggs", () => {
  const option = (choice: "exact" | "nearest", text: string) => ({
    choice,
    same_as: [],
    text,
    count: 5,
    beaten_g: 0,
    factor: 1.2,
    depth_change: 0,
    depth_changes: [],
    over_limit: false,
    leftover_g: 0,
    effect: "same depth",
  });
  const eggs = {
    line: 3,
    name: "Eggs",
    recipe_count: 4,
    count: 5,
    beaten_g: 0,
    total_g: 250,
    choice: "nearest" as const,
    text: "5 eggs",
    options: [option("exact", "4 eggs + 30 g beaten egg"), option("nearest", "5 eggs")],
  };

  it("are chosen with what each does", async () => {
    const choose = vi.fn();
    showAt(<EggChoices eggs={eggs} choose={choose} />);
    await openChoices("Eggs");
    expect(screen.getByRole("radio", { name: /^5 eggs/ })).toBeChecked();
    await userEvent.click(screen.getByRole("radio", { name: /30 g beaten egg/ }));
    expect(choose).toHaveBeenCalledWith({ eggs: "exact" });
  });

  it("leave nothing to choose where all choices are one", () => {
    showAt(<EggChoices eggs={{ ...eggs, options: eggs.options.slice(0, 1) }} choose={vi.fn()} />);
    expect(screen.queryByRole("button")).toBeNull();
  });
});

const oven = (id: number, name: string): Oven => ovenOf({ id, name, is_default: id === 1 });

describe("the oven", () => {
  const show = (changes: Parameters<typeof fit>[0], choose = vi.fn(), separately = false) => {
    showAt(
      <BakeStrip
        fit={fit(changes)}
        temperature="same_crust"
        separately={separately}
        treated=""
        choose={choose}
      />,
    );
    return choose;
  };

  it("leads with the first look, and opens to why", async () => {
    show({ bakes: [bake({ early_min: 26 })] });
    expect(screen.getByText("28")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Why this time for Round 20" }));
    expect(screen.getByText(/Moved from the recipe's own/)).toBeInTheDocument();
    expect(screen.getByText(/look through the glass from then/)).toBeInTheDocument();
    await openChoices("Done when");
    expect(screen.getByText(/A sign ends the bake/)).toBeInTheDocument();
  });

  it("gives no time where there is none, and no sign of being done", () => {
    show({ bakes: [bake({ dial: null, likely_min: null })] });
    expect(screen.getByText(/No time can be given/)).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /Done when/ })).toBeNull();
  });

  it("changes the school, and says what it does", async () => {
    const choose = show({});
    await openChoices("Oven and temperature");
    expect(screen.getByText(/Cooler for deeper pans, never/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("radio", { name: /^As the recipe/ }));
    expect(choose).toHaveBeenCalledWith({ temperature: "as_recipe", dial: null });
  });

  it("is set as the baker sets it, from where it stands", async () => {
    const choose = show({});
    await openChoices("Oven and temperature");
    await userEvent.click(screen.getByRole("radio", { name: /^My own/ }));
    expect(choose).toHaveBeenCalledWith({ temperature: "own", dial: 170 });
    cleanup();
    const set = vi.fn();
    showAt(
      <BakeStrip fit={fit({})} temperature="own" separately={false} treated="" choose={set} />,
    );
    await openChoices("Oven and temperature");
    await userEvent.click(screen.getByRole("button", { name: "Less: Set the oven to" }));
    expect(set).toHaveBeenCalledWith({ dial: 165 });
  });

  it("offers to bake apart only where settings are apart", async () => {
    show({});
    expect(screen.queryByRole("checkbox")).toBeNull();
    cleanup();
    const choose = show({ findings: [finding({ code: "own_setting_apart" })] });
    await userEvent.click(screen.getByRole("checkbox", { name: /Bake separately/ }));
    expect(choose).toHaveBeenCalledWith({ separately: true });
    cleanup();
    show({ bakes: [bake({}), bake({ label: "Loaf", dial: "160 °C" })] }, vi.fn(), true);
    expect(screen.getByText("Loaf at 160 °C")).toBeInTheDocument();
  });

  it("lets another oven be chosen where there are several", async () => {
    fakeKitchen({
      ...KITCHEN,
      "GET /api/ovens": { body: [oven(1, "Main oven"), oven(2, "Upper oven")] },
    });
    const choose = show({});
    await openChoices("Oven and temperature");
    await userEvent.click(await screen.findByRole("radio", { name: /Upper oven/ }));
    expect(choose).toHaveBeenCalledWith({ oven: 2, dial: null });
  });
});

describe("the pans of a fit", () => {
  const rack = {
    id: 7,
    label: "Round 15",
    kind: "flat",
    outline: "round",
    wells: 1,
    owned: 2,
    finish: "bright",
    capacity_ml: 1300,
    known_by: "measures",
    loose_base: false,
    measures: {},
    drawing: null,
  };

  it("get more of a pan that is there already", async () => {
    fakeKitchen({ ...KITCHEN, "GET /api/pans": { body: [rack] } });
    const heard = listening({ into: [{ pan: 7, count: 2 }], weighed: [{ full_g: 9, tare_g: 1 }] });
    showAt(<PansColumn fit={fit({})} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "+ pan" }));
    await userEvent.click(await screen.findByRole("button", { name: /^Round 15/ }));
    expect(heard.last()).toEqual({ into: [{ pan: 7, count: 3 }], mixes: [], weighed: [] });
  });

  it("are taken away with their shares, and both come back", async () => {
    const shares = [{ name: "pink", pans: [{ entry: 0, count: 1, part: 1 }], adds: [] }];
    const heard = listening({ into: [{ pan: 7, count: 2 }], shares });
    showAt(<PansColumn fit={fit({})} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "Take Round 20 away" }));
    expect(heard.last()).toMatchObject({ into: [], shares: [] });
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    expect(heard.last()).toMatchObject({ shares });
    expect(heard.last()?.into?.[0]).toEqual({ pan: 7, count: 2 });
  });

  it("are compared from an empty other side", async () => {
    const heard = listening({ into: [{ pan: 7, count: 2 }] });
    showAt(<PansColumn fit={fit({})} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "Compare with another set" }));
    expect(heard.last()).toEqual({ beside: [] });
  });
});

describe("a typed pan", () => {
  const checked = {
    pan: { label: "Round 24", count: 1, measures: {} },
    capacity_ml: 905,
    wall_cm: 2,
    wall_assumed: false,
    by_measures_ml: null,
    drawing: null,
  };

  it("can be dough, with its thickness and a cutter", async () => {
    const asked = fakeKitchen({ "POST /api/readings/pan/measures": { body: checked } });
    const add = vi.fn();
    showAt(<TypedPan onAdd={add} />);
    await userEvent.click(screen.getByRole("checkbox", { name: "No pan: dough patted out" }));
    expect(screen.queryByLabelText("Rim, if wider")).toBeNull();
    expect(screen.queryByLabelText("Or water it holds, g")).toBeNull();
    await userEvent.type(screen.getByLabelText("Diameter"), "24");
    await userEvent.type(screen.getByLabelText("Thickness"), "2");
    await userEvent.type(screen.getByLabelText("Cutter, across"), "6");
    await waitFor(() => expect(screen.getByRole("button", { name: /Put it/ })).toBeEnabled());
    await userEvent.click(screen.getByRole("button", { name: /Put it/ }));
    expect(asked.at(-1)?.body).toMatchObject({ pan: { patted: true, wall_cm: "2" } });
    const [, count, typed, cutter] = add.mock.lastCall as [unknown, number, object, string];
    expect([count, cutter]).toEqual([1, "6"]);
    expect(typed).toMatchObject({ patted: true, outline: "round" });
  });

  it("is drawn by a guess while its second measure is missing, and cannot be taken yet", async () => {
    const asked = fakeKitchen({ "POST /api/readings/pan/measures": { body: checked } });
    showAt(<TypedPan onAdd={vi.fn()} />);
    await userEvent.click(screen.getByRole("radio", { name: "Rectangle" }));
    await userEvent.type(screen.getByLabelText("Length"), "30");
    expect(await screen.findByText("Drawn by a guess; type the width.")).toBeVisible();
    await waitFor(() =>
      expect(asked.at(-1)?.body).toMatchObject({ pan: { across: "30", width: "21.00" } }),
    );
    expect(screen.getByRole("button", { name: /Put it/ })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Width"), "20");
    await waitFor(() => expect(screen.getByRole("button", { name: /Put it/ })).toBeEnabled());
    expect(asked.at(-1)?.body).toMatchObject({ pan: { across: "30", width: "20" } });
  });

  it("takes bare numbers as inches where the kitchen reads inches, and keeps a typed unit", async () => {
    const asked = fakeKitchen({
      "GET /api/kitchen": { body: { units: "us" } },
      "POST /api/readings/pan/measures": { body: checked },
    });
    showAt(<TypedPan onAdd={vi.fn()} />);
    expect(await screen.findByText(/A bare number is inches/)).toBeVisible();
    await userEvent.type(screen.getByLabelText("Diameter"), "8");
    await userEvent.type(screen.getByLabelText("Wall height"), "5 cm");
    await waitFor(() =>
      expect(asked.at(-1)?.body).toMatchObject({
        pan: { across: "8 in", wall_cm: "5 cm", label: "Round 8 in" },
      }),
    );
  });

  it("starts a pan that is changed from its own measures, and keeps what it does not show", async () => {
    const asked = fakeKitchen({ "POST /api/readings/pan/measures": { body: checked } });
    const measures = {
      outline: "round",
      across: 20.32,
      width: null,
      tube: null,
      wall_cm: 5.08,
      rim_across: null,
      rim_width: null,
      rim_tube: null,
      corner: 0,
      capacity_ml: null,
      wells: 1,
      sides: 6,
      flutes: 0,
      base_cm: 0.2,
    };
    showAt(
      <TypedPan
        whole
        inches
        onAdd={vi.fn()}
        initial={{ label: "Grandmother's", measures } as never}
      />,
    );
    expect(screen.getByLabelText("Diameter")).toHaveValue("8");
    expect(screen.getByLabelText("Wall height")).toHaveValue("2");
    expect(screen.getByLabelText("Name")).toHaveValue("Grandmother's");
    await waitFor(() =>
      expect(asked.at(-1)?.body).toMatchObject({
        pan: { across: "8 in", wall_cm: "2 in", base_cm: 0.2, label: "Grandmother's" },
      }),
    );
    await userEvent.click(screen.getByRole("radio", { name: "Square" }));
    await userEvent.type(screen.getByLabelText("Side"), "7");
    await waitFor(() =>
      expect(asked.at(-1)?.body).toMatchObject({ pan: { outline: "square", across: "7 in" } }),
    );
    expect(asked.at(-1)?.body).not.toHaveProperty("pan.base_cm");
  });

  it("is never dough on the rack, nor for a ring", async () => {
    showAt(<TypedPan whole onAdd={vi.fn()} />);
    expect(screen.queryByRole("checkbox", { name: /dough/ })).toBeNull();
    cleanup();
    showAt(<TypedPan onAdd={vi.fn()} />);
    await userEvent.click(screen.getByRole("radio", { name: "Ring" }));
    expect(screen.queryByRole("checkbox", { name: /dough/ })).toBeNull();
  });

  it("takes a rim for every outline whose walls can slope", async () => {
    showAt(<TypedPan onAdd={vi.fn()} />);
    for (const outline of ["Heart", "Polygon", "Petal", "Drawn"]) {
      await userEvent.click(screen.getByRole("radio", { name: outline }));
      expect(screen.getByLabelText("Across at the rim")).toBeInTheDocument();
    }
    await userEvent.click(screen.getByRole("radio", { name: "Half ball" }));
    expect(screen.queryByLabelText("Across at the rim")).toBeNull();
  });
});
