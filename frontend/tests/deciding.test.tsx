import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Comparison, Fit, RackPan, SetOffer } from "../src/api/client";
import type { FitChoices } from "../src/domain/fitChoices";
import { LaidWhole } from "../src/rooms/fit/choose/LaidWhole";
import { RaisingChoice } from "../src/rooms/fit/choose/RaisingChoice";
import { Decide } from "../src/rooms/fit/choose/Decide";
import { PortionChoice } from "../src/rooms/fit/choose/PortionChoice";
import { CompareDialog } from "../src/rooms/fit/compare/CompareDialog";
import { readings } from "../src/pans/Reading";
import { WhatFits } from "../src/rooms/fit/sets/WhatFits";
import { SharesPanel } from "../src/rooms/fit/shares/SharesPanel";
import { fakeKitchen, openChoices, problem, showAt } from "./fakeKitchen";
import { fit, KITCHEN, line, listening, pan } from "./fixtures";

afterEach(cleanup);
beforeEach(() => {
  fakeKitchen(KITCHEN);
  localStorage.clear();
});

const AIM = { depth_cm: null, height_cm: null, egg_count: null, servings: null, factor: null };

describe("the rule", () => {
  it("says what it does, and starts its number from what the kitchen worked out", async () => {
    const heard = listening({ rule: "depth" });
    showAt(
      <Decide fit={fit({ aim: { ...AIM, depth_cm: 2.464 } })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    const depth = screen.getByRole("spinbutton", { name: "Depth of the batter, cm" });
    expect(depth).toHaveValue("2.5");
    await userEvent.click(depth);
    await userEvent.keyboard("{ArrowUp}");
    expect(heard.last()).toMatchObject({ depth: 2.66 });
    await openChoices("How the batter is shared");
    expect(screen.getByText(/Raw batter of this depth/)).toBeInTheDocument();
  });

  it("goes by inches where the kitchen does", async () => {
    fakeKitchen({ ...KITCHEN, "GET /api/kitchen": { body: { units: "us" } } });
    const heard = listening({ rule: "depth" });
    showAt(
      <Decide fit={fit({ aim: { ...AIM, depth_cm: 2.54 } })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    const depth = await screen.findByRole("spinbutton", { name: "Depth of the batter, in" });
    expect(depth).toHaveValue("1");
    await userEvent.clear(depth);
    await userEvent.type(depth, "1½");
    expect(heard.last()).toMatchObject({ depth: 3.81 });
  });

  it("keeps the rules used lately beside it", async () => {
    const heard = listening({ rule: "height" });
    showAt(
      <Decide fit={fit({ aim: AIM })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    await userEvent.click(screen.getByRole("button", { name: "Decide by same depth" }));
    expect(heard.last()).toMatchObject({ rule: "same_depth" });
    cleanup();
    showAt(
      <Decide fit={fit({ aim: AIM })} inHand={listening({ rule: "grams" }).hand}>
        <span />
      </Decide>,
    );
    expect(screen.getByRole("button", { name: "Decide by baked height" })).toBeVisible();
  });

  it.each([
    ["height", { height_cm: 4.2 }, "Height when baked, cm", "5", { height: 5 }],
    ["eggs", { egg_count: 4 }, "Eggs", "6", { eggCount: 6 }],
    ["servings", { servings: 12 }, "Servings", "30", { servings: 30 }],
    ["factor", { factor: 1 }, "Times the recipe", "2.5", { factor: 2.5 }],
  ] as const)("goes by %s where that is chosen", async (rule, aim, label, typed, change) => {
    const heard = listening({ rule });
    showAt(
      <Decide fit={fit({ aim: { ...AIM, ...aim } })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    const field = screen.getByRole("spinbutton", { name: label });
    await userEvent.clear(field);
    await userEvent.type(field, typed);
    expect(heard.last()).toMatchObject(change);
  });

  it("doubles or halves the recipe by a tap", async () => {
    const heard = listening({ rule: "factor" });
    showAt(
      <Decide fit={fit({ aim: { ...AIM, factor: 2 } })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    await userEvent.click(screen.getByRole("button", { name: "× ½ the recipe" }));
    expect(heard.last()).toMatchObject({ factor: 0.5, weighed: [], mixes: [] });
  });

  it("goes by the eggs on the scale, in their shells or not", async () => {
    const told = fit({ aim: { ...AIM, egg_count: 4 } });
    const heard = listening({ rule: "eggs" });
    showAt(
      <Decide fit={told} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    await userEvent.click(screen.getByRole("button", { name: "On the scale" }));
    expect(heard.last()).toMatchObject({ eggsG: told.eggs?.total_g ?? 5 });
    cleanup();
    const weighed = listening({ rule: "eggs", eggsG: 232 });
    showAt(
      <Decide fit={told} inHand={weighed.hand}>
        <span />
      </Decide>,
    );
    expect(screen.queryByRole("spinbutton", { name: "Eggs" })).toBeNull();
    await userEvent.click(screen.getByRole("checkbox", { name: "in their shells" }));
    expect(weighed.last()).toMatchObject({ eggsInShell: true });
    await userEvent.click(screen.getByRole("button", { name: "Counted" }));
    expect(weighed.last()).toMatchObject({ eggsG: null, eggsInShell: false });
  });

  it("drops what was weighed and split when the amounts become others", async () => {
    const heard = listening({ weighed: [{ full_g: 2000, tare_g: 800 }], mixes: [3, 3] });
    showAt(
      <Decide fit={fit({})} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    await openChoices("How the batter is shared");
    await userEvent.click(screen.getByRole("radio", { name: /^Keep my batch/ }));
    expect(heard.last()).toMatchObject({ rule: "keep_batch", weighed: [], mixes: [] });
  });

  it("has no eggs to count on a card that counts none", () => {
    const heard = listening({ rule: "eggs" });
    showAt(
      <Decide fit={fit({ aim: AIM })} inHand={heard.hand}>
        <span />
      </Decide>,
    );
    expect(screen.queryByRole("spinbutton")).toBeNull();
  });
});

describe("portions", () => {
  const portion: Fit["portion"] = {
    key: "party",
    name: "party slices",
    ml: 120,
    pieces: 17,
    origins: { ml: { origin: "assumed", note: "a finger in a napkin", assumptions: [] } },
  };

  it("are counted, and their size says that it is assumed", () => {
    const heard = listening({ portion: "party" });
    showAt(<PortionChoice fit={fit({ portion })} inHand={heard.hand} />);
    expect(screen.getByText("17")).toBeInTheDocument();
    expect(screen.getByText("120 ml")).toHaveAttribute("data-origin", "assumed");
  });

  it("cannot be left out where servings decide", async () => {
    const heard = listening({ rule: "servings" });
    showAt(<PortionChoice fit={fit({ portion })} inHand={heard.hand} />);
    await openChoices("Cut in portions");
    expect(screen.queryByRole("radio", { name: "Not cut" })).toBeNull();
    expect(screen.getByRole("radio", { name: "As the recipe" })).toBeChecked();
  });
});

describe("schools of raising", () => {
  it("are shown only where they differ, or where one is chosen", async () => {
    const choose = vi.fn();
    showAt(<RaisingChoice fit={fit({})} choose={choose} />);
    expect(screen.queryByRole("button")).toBeNull();
    cleanup();
    showAt(<RaisingChoice fit={fit({ raising_bites: true })} choose={choose} />);
    await openChoices("Baking powder");
    await userEvent.click(screen.getByRole("radio", { name: /^Less in large pans/ }));
    expect(choose).toHaveBeenCalledWith({ raising: "less" });
    cleanup();
    showAt(<RaisingChoice fit={fit({ raising: "less" })} choose={choose} />);
    expect(screen.getByRole("button", { name: "Baking powder: less in large pans" })).toBeVisible();
  });
});

describe("things laid whole", () => {
  const plums = line({ id: 9, name: "Plum halves", component: "base_layer" });

  it("take a width in centimetres or inches, and nothing else", async () => {
    const heard = listening({ laid: { "4": 3 } });
    showAt(<LaidWhole fit={fit({ lines: [plums], may_lay: [9] })} inHand={heard.hand} />);
    const field = screen.getByLabelText("Width of one: plum halves");
    await userEvent.type(field, "wide{Enter}");
    expect(screen.getByText("Type centimetres, or 2 in.")).toBeInTheDocument();
    expect(heard.changes).toEqual([]);
    await userEvent.clear(field);
    await userEvent.type(field, "2 in{Enter}");
    expect(heard.last()).toEqual({ laid: { "4": 3, "9": "2 in" } });
  });

  it("say how many lie there", () => {
    const laid = [
      { line: 9, name: "Plum halves", count: 19, text: "19 lie side by side (19)", across_cm: 4 },
    ];
    const heard = listening({ laid: { "9": 4 } });
    showAt(<LaidWhole fit={fit({ lines: [plums], may_lay: [9], laid })} inHand={heard.hand} />);
    expect(screen.getByText("19 lie side by side (19)")).toBeInTheDocument();
  });

  it("are not asked about on a card without layers", () => {
    showAt(<LaidWhole fit={fit({})} inHand={listening().hand} />);
    expect(screen.queryByRole("textbox")).toBeNull();
  });
});

describe("the reading of a drawing", () => {
  it("names every number that is drawn", () => {
    expect(readings(pan({ layer_cm: 0.6 }), "metric")).toEqual([
      "Base layer up to 0.6 cm",
      "Batter 2.5 cm deep",
      "50 % full, 60 % is the usual most",
      "Rises to about 4.2 cm, rim at 5 cm",
      "Holds 1570 ml",
    ]);
  });

  it("names no rim where there is no pan", () => {
    expect(readings(pan({ patted: true }), "metric")).toEqual(["Batter 2.5 cm deep"]);
  });
});

const rackPan = (id: number, label: string, owned = 1): RackPan => ({
  id,
  label,
  kind: "flat",
  outline: "round",
  wells: 1,
  version: 1,
  damaged: false,
  inches: false,
  owned,
  finish: "bright",
  capacity_ml: 1500,
  known_by: "measures",
  loose_base: false,
  measures: {
    outline: "round",
    across: 18,
    width: null,
    tube: null,
    corner: 0,
    rim_across: null,
    rim_width: null,
    rim_tube: null,
    wall_cm: 5,
    wells: 1,
    flutes: 0,
    finish: "bright",
    capacity_ml: null,
    sides: 6,
    points: [],
    loose_base: false,
    patted: false,
  },
  drawing: null,
});

const offer = (changes: Partial<SetOffer>): SetOffer => ({
  into: [{ pan: 2, label: "Round 25", count: 1, held: false }],
  rule: "keep_batch",
  egg_count: null,
  factor: 1,
  deviation: 0.02,
  words: "2 % deeper, nothing left over.",
  leftover_g: 0,
  left_into: [],
  also: ["2 × Round 20, deep"],
  fit: fit({ pans: [pan({ label: "Round 25" })] }),
  ...changes,
});

const HELD = offer({
  into: [{ pan: 1, label: "Round 18", count: 1, held: true }],
  words: "Same depth as the recipe, 240 g left over.",
  leftover_g: 240,
  left_into: [{ pan: 7, label: "Tray of 12", count: 6, held: false }],
  fit: fit({ pans: [pan({ label: "Round 18" })] }),
});

describe("what fits", () => {
  const rack = [rackPan(1, "Round 18", 2), rackPan(2, "Round 25")];
  const answers = (offers: SetOffer[]) => ({
    ...KITCHEN,
    "GET /api/pans": { body: rack },
    "POST /api/fit/sets": { body: { offers, order: "Nearest depth first." } },
  });
  const request = { recipe: 1, into: [] };
  const show = (onTake = vi.fn()) => {
    showAt(<WhatFits open request={request} onClose={vi.fn()} onTake={onTake} />);
    return onTake;
  };

  it("folds sets that differ in their walls alone into one row that says so", async () => {
    fakeKitchen(answers([offer({})]));
    show();
    const row = await screen.findByRole("listitem", { name: /Round 25/ });
    expect(row).toHaveTextContent("As well in 2 × Round 20, deep: only the walls differ.");
  });

  it("asks with the pans that are free, as many as are owned", async () => {
    const asked = fakeKitchen(answers([offer({})]));
    show();
    await screen.findByText("2 % deeper, nothing left over.");
    const pickIn = async (about: string, role: string, name: string) => {
      await openChoices(about);
      await userEvent.click(screen.getByRole(role, { name }));
      await userEvent.keyboard("{Escape}");
    };
    await pickIn("Free pans", "checkbox", "2 × Round 18");
    await pickIn("The batch", "radio", "Any whole eggs");
    await pickIn("How far the depth may move", "radio", "20 %");
    await waitFor(() =>
      expect(asked.at(-1)?.body).toEqual({
        fit: request,
        free: { "2": 1 },
        batch: "whole_eggs",
        tolerance: 0.2,
        most_pans: 3,
      }),
    );
  });

  it("takes a set with its rule, and holds pans that leave some over", async () => {
    fakeKitchen(answers([offer({}), HELD]));
    const take = show();
    const second = await screen.findByRole("listitem", { name: "Round 18" });
    await userEvent.click(within(second).getByRole("button", { name: "Take this set" }));
    expect(take).toHaveBeenLastCalledWith(
      expect.objectContaining({
        into: [{ pan: 1, count: 1, rule: { kind: "same_depth" } }],
        rule: "keep_batch",
        weighed: [],
      }),
    );
    await userEvent.click(
      within(second).getByRole("button", { name: "and the rest into 6 of Tray of 12" }),
    );
    const taken = take.mock.lastCall?.[0] as Partial<FitChoices>;
    expect(taken.into).toHaveLength(2);
    expect(taken.into?.[1]).toEqual({ pan: 7, count: 6 });
  });

  it("sets one beside the best", async () => {
    fakeKitchen(answers([offer({}), HELD]));
    const take = show();
    await userEvent.click(await screen.findByRole("button", { name: "Beside the best" }));
    const taken = take.mock.lastCall?.[0] as Partial<FitChoices>;
    expect(taken.into).toEqual([{ pan: 2, count: 1 }]);
    expect(taken.beside).toEqual([{ pan: 1, count: 1, rule: { kind: "same_depth" } }]);
  });

  it("says what to do when nothing fits, when nothing is free, and when it fails", async () => {
    fakeKitchen(answers([]));
    show();
    expect(await screen.findByText(/No set of these pans/)).toBeInTheDocument();
    await openChoices("Free pans");
    await userEvent.click(screen.getByRole("button", { name: "None" }));
    expect(screen.getByText(/No pan is free/)).toBeInTheDocument();
    cleanup();
    fakeKitchen({
      ...answers([]),
      "POST /api/fit/sets": { status: 422, body: problem("x", "Search fewer pans.") },
    });
    show();
    expect(await screen.findByText("Search fewer pans.")).toBeInTheDocument();
  });
});

describe("two sets side by side", () => {
  const both: Comparison = {
    one: fit({ pans: [pan({ label: "Round 18", count: 2 })] }),
    other: fit({ pans: [pan({ label: "Round 25" })] }),
    rows: [{ name: "Layers", one: "2", other: "1", words: "About half as many as the first" }],
  };

  it("are compared in a table, and the other can be taken", async () => {
    fakeKitchen({ ...KITCHEN, "POST /api/fit/compare": { body: both } });
    const heard = listening({
      into: [{ pan: 1, count: 2 }],
      beside: [{ pan: 2, count: 1 }],
      shares: [{ name: "pink", pans: [], adds: [] }],
    });
    showAt(<CompareDialog inHand={heard.hand} />);
    const row = await screen.findByRole("row", { name: /Layers/ });
    expect(row).toHaveTextContent("Layers21About half as many as the first");
    await userEvent.click(screen.getByRole("button", { name: "Take the other set" }));
    expect(heard.last()).toMatchObject({
      into: [{ pan: 2, count: 1 }],
      beside: null,
      shares: [],
    });
  });

  it("change sides, and the count of the other", async () => {
    fakeKitchen({ ...KITCHEN, "POST /api/fit/compare": { body: both } });
    const heard = listening({ into: [{ pan: 1, count: 2 }], beside: [{ pan: 2, count: 1 }] });
    showAt(<CompareDialog inHand={heard.hand} />);
    const more = await screen.findByRole("button", {
      name: "More: Count of Round 25 in the other set",
    });
    await userEvent.click(more);
    expect(heard.last()).toEqual({ beside: [{ pan: 2, count: 2 }] });
    await userEvent.click(screen.getByRole("button", { name: "Change sides" }));
    expect(heard.last()).toEqual({ into: [{ pan: 2, count: 1 }], beside: [{ pan: 1, count: 2 }] });
  });

  it("stay away while no other set is in the address", () => {
    showAt(<CompareDialog inHand={listening().hand} />);
    expect(screen.queryByRole("dialog")).toBeNull();
  });
});

describe("shares of the batter", () => {
  const share: Fit["shares"][number] = {
    name: "Cocoa",
    part: 0.5,
    batter_g: 580,
    total_g: 605,
    stirred: [],
    pans: [],
    steps: ["Weigh 580 g of the finished batter into a bowl of its own.", "Divide."],
  };

  it("say what to do for each", () => {
    showAt(<SharesPanel fit={fit({ shares: [share] })} inHand={listening().hand} />);
    expect(screen.getByText("Cocoa, 50 % of the batter")).toBeInTheDocument();
    expect(screen.getAllByRole("listitem")).toHaveLength(2);
  });

  it("begin with the first pan that is filled", async () => {
    const heard = listening();
    const pans = [pan({ batter_g_each: null }), pan({ label: "Round 18" })];
    showAt(<SharesPanel fit={fit({ pans })} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "One batter, several cakes" }));
    await userEvent.click(screen.getByRole("button", { name: "Add a share" }));
    expect(heard.last()).toEqual({
      shares: [{ name: "Share 1", pans: [{ entry: 1, count: 1, part: 1 }], adds: [] }],
    });
  });

  it("take no more of a pan than there is, and lines without the empty ones", async () => {
    const asked = { name: "Cocoa", pans: [{ entry: 0, count: 1, part: 1 }], adds: [] };
    const heard = listening({ shares: [asked] });
    showAt(<SharesPanel fit={fit({ pans: [pan({ count: 2 })] })} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "Change the shares" }));
    const count = screen.getByRole("spinbutton", { name: "Round 20 of Cocoa" });
    await userEvent.clear(count);
    await userEvent.type(count, "9");
    expect(heard.last()?.shares?.[0]?.pans).toEqual([{ entry: 0, count: 2, part: 1 }]);
    await userEvent.type(
      screen.getByLabelText("Stirred in, a line each"),
      "20 g cocoa\n\n1 tbsp milk",
    );
    await userEvent.tab();
    expect(heard.last()?.shares?.[0]?.adds).toEqual(["20 g cocoa", "1 tbsp milk"]);
    await userEvent.click(screen.getByRole("button", { name: "Take Cocoa away" }));
    expect(heard.last()).toEqual({ shares: [] });
  });
});
