import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Card } from "../src/api/client";
import { CheckupPanel } from "../src/rooms/recipes/desk/checkup/CheckupPanel";
import { ExportDialog } from "../src/rooms/recipes/desk/ExportDialog";
import { IngredientPicker } from "../src/rooms/recipes/desk/lines/IngredientPicker";
import { LinesColumn } from "../src/rooms/recipes/desk/lines/LinesColumn";
import { OwnWeight } from "../src/rooms/recipes/desk/lines/OwnWeight";
import { SplitEditor } from "../src/rooms/recipes/desk/lines/SplitEditor";
import { MethodPanel } from "../src/rooms/recipes/desk/method/MethodPanel";
import { SwapsPanel } from "../src/rooms/recipes/desk/swaps/SwapsPanel";
import { card, cardLine, desk, edits, FLOUR, ingredient, KEFIR, offer } from "./cards";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const CHOICES = {
  "GET /api/choices": {
    body: {
      styles: [
        { key: "creamed", name: "creamed butter" },
        { key: "foam", name: "foam" },
      ],
      standards: [{ key: "metric", name: "metric" }],
      egg_grades: [{ key: "uk_large", name: "EU/UK large" }],
    },
  },
};

describe("lines", () => {
  it("are grouped by component and can be added to", async () => {
    const start = card({
      components: [
        { key: 1, kind: "batter", title: "", scales_by: null },
        { key: 2, kind: "soak", title: "For the syrup", scales_by: "servings" },
      ],
      lines: [FLOUR, cardLine(5, { text: "60 ml cider", component: 2 })],
    });
    const held = edits(start);
    const asked = fakeKitchen({
      "POST /api/readings/line": { body: { line: cardLine(1, { text: "2 eggs", component: 2 }) } },
    });
    showAt(<LinesColumn card={start} seen={desk()} edit={held.edit} />);
    expect(screen.getByText("Soak, grows with servings")).toBeVisible();
    await userEvent.type(screen.getByLabelText("Add to For the syrup"), "2 eggs{Enter}");
    await waitFor(() => expect(held.card.lines.map((one) => one.key)).toEqual([1, 5, 6]));
    expect(asked[0]?.body).toEqual({ text: "2 eggs", key: 1, component: 2 });
  });

  it("open to be typed in, and are read anew with what was settled", async () => {
    const start = card();
    const held = edits(start);
    const asked = fakeKitchen({
      ...CHOICES,
      "POST /api/readings/line": {
        body: { line: { ...FLOUR, text: "250 g plain flour", written: "250 g" } },
      },
    });
    showAt(<LinesColumn card={start} seen={desk()} edit={held.edit} />);
    await userEvent.click(screen.getByRole("button", { name: /200 g plain flour/ }));
    const field = screen.getByLabelText("Line 200 g plain flour");
    await userEvent.clear(field);
    await userEvent.type(field, "250 g plain flour{Enter}");
    await waitFor(() => expect(held.card.lines[0]?.text).toBe("250 g plain flour"));
    expect(asked.at(-1)?.body).toMatchObject({ was: { key: 1, ingredient: "plain_flour" } });
  });

  it("show where their grams come from and what they may carry", async () => {
    fakeKitchen(CHOICES);
    const held = edits(card());
    showAt(<LinesColumn card={card()} seen={desk()} edit={held.edit} />);
    await userEvent.click(screen.getByRole("button", { name: /200 g plain flour/ }));
    expect(
      screen.getByText(/as the recipe has it; 100 % of the flour; contains gluten/),
    ).toBeVisible();
    await userEvent.click(screen.getByLabelText("Optional"));
    expect(held.card.lines[0]?.optional).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "Take the line away" }));
    expect(held.card.lines.map((one) => one.key)).toEqual([2, 3]);
  });
});

describe("a split", () => {
  it("is read from words and keeps the parts it has", async () => {
    const line = { ...KEFIR, parts: [{ name: "on top", share: 0.25, written: "a quarter" }] };
    const start = card({ lines: [line] });
    const held = edits(start);
    const parts = [{ name: "the rest", share: 1, written: "" }];
    const asked = fakeKitchen({ "POST /api/readings/split": { body: { parts } } });
    showAt(<SplitEditor line={line} card={start} edit={held.edit} />);
    await userEvent.type(screen.getByLabelText("Split off"), "45 ml for loosening{Enter}");
    await waitFor(() => expect(held.card.lines[0]?.parts).toEqual(parts));
    expect(asked[0]?.body).toMatchObject({
      line: 2,
      phrases: ["a quarter on top", "45 ml for loosening"],
    });
  });

  it("says why it cannot be", async () => {
    fakeKitchen({
      "POST /api/readings/split": { status: 422, body: problem("x", "The parts come to 140 %.") },
    });
    const held = edits(card());
    showAt(<SplitEditor line={KEFIR} card={card()} edit={held.edit} />);
    await userEvent.type(screen.getByLabelText("Split off"), "140 % on top{Enter}");
    expect(await screen.findByText("The parts come to 140 %.")).toBeVisible();
    expect(held.card.lines[1]?.parts).toEqual([]);
  });
});

describe("an ingredient", () => {
  it("is searched for by the kitchen and picked", async () => {
    const asked = fakeKitchen({ "GET /api/ingredients": { body: [ingredient("cake_flour")] } });
    const onPick = vi.fn();
    showAt(<IngredientPicker value={null} typed="" onPick={onPick} />);
    await userEvent.type(screen.getByLabelText("Ingredient"), "cake");
    await userEvent.click(await screen.findByRole("option", { name: "cake flour" }));
    expect(onPick).toHaveBeenCalledWith(expect.objectContaining({ key: "cake_flour" }));
    expect(asked.at(-1)?.search.get("search_for")).toBe("cake");
  });

  it("can be added when the table lacks it", async () => {
    const own = ingredient("own_rose_jam", { own: true });
    const asked = fakeKitchen({ "POST /api/ingredients": { status: 201, body: own } });
    const onPick = vi.fn();
    showAt(<IngredientPicker value={null} typed="rose jam" onPick={onPick} />);
    await userEvent.click(screen.getByRole("button", { name: "Add one of my own" }));
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    await waitFor(() => expect(onPick).toHaveBeenCalledWith(own));
    expect(asked[0]?.body).toEqual({ name: "rose jam", role: "flavour" });
  });

  it("takes her own weight, and refuses what is no number", async () => {
    const asked = fakeKitchen({
      ...CHOICES,
      "PUT /api/ingredients/plain_flour/weight": { body: ingredient("plain_flour") },
    });
    showAt(<OwnWeight ingredient={ingredient("plain_flour")} />);
    await userEvent.click(screen.getByRole("button", { name: "My own weight" }));
    await userEvent.type(screen.getByLabelText("weighs, g"), "heavy");
    expect(screen.getByText("Type grams, for instance 134.")).toBeVisible();
    expect(screen.getByRole("button", { name: "Take it" })).toBeDisabled();
    await userEvent.clear(screen.getByLabelText("weighs, g"));
    await userEvent.type(screen.getByLabelText("weighs, g"), "134");
    await userEvent.click(screen.getByRole("button", { name: "Take it" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toEqual({
        measure: "1 cup",
        grams: 134,
        standard: "metric",
      }),
    );
  });

  it("goes back to the table only where it was weighed", () => {
    fakeKitchen(CHOICES);
    showAt(<OwnWeight ingredient={ingredient("plain_flour", { measured: true })} />);
    expect(screen.getByRole("button", { name: "Back to the table" })).toBeVisible();
    cleanup();
    showAt(<OwnWeight ingredient={ingredient("rose", { g_per_100ml: null, source: "" })} />);
    expect(screen.getByText("No measure of it is weighed yet.")).toBeVisible();
  });
});

describe("the method", () => {
  const start = card({
    steps: [
      { key: 1, text: "Fold in 200 g flour.", sign: "", component: null, ties: [], kinds: null },
    ],
  });
  const tie = {
    start: 8,
    end: 13,
    words: "200 g",
    line: 1,
    line_label: "Plain flour",
    by_hand: false,
  };
  const show = (by_hand = false) => {
    const held = edits(start);
    const seen = desk({ steps: [{ key: 1, ties: [{ ...tie, by_hand }], kinds: ["fold"] }] });
    showAt(<MethodPanel card={start} seen={seen} edit={held.edit} />);
    return held;
  };

  it("shows which line an amount grows with, and cuts it loose", async () => {
    const held = show();
    await userEvent.click(screen.getByRole("button", { name: "200 g → Plain flour" }));
    await userEvent.click(screen.getByRole("menuitem", { name: /No line/ }));
    expect(held.card.steps[0]?.ties).toEqual([{ words: "200 g", line: null }]);
  });

  it("goes back to the words where a tie was set by hand", async () => {
    const held = show(true);
    await userEvent.click(screen.getByRole("button", { name: "200 g → Plain flour" }));
    await userEvent.click(screen.getByRole("menuitem", { name: "As read from the words" }));
    expect(held.card.steps[0]?.ties).toEqual([]);
  });

  it("says what work a step is, and is put right by a tap", async () => {
    const held = show();
    await userEvent.click(screen.getByRole("button", { name: "Work of step 1: fold" }));
    await userEvent.click(screen.getByRole("menuitemcheckbox", { name: "rest" }));
    expect(held.card.steps[0]?.kinds).toEqual(["fold", "rest"]);
    await userEvent.click(screen.getByRole("menuitemcheckbox", { name: "fold" }));
    expect(held.card.steps[0]?.kinds).toEqual([]);
  });

  it("takes words and signs, adds a step and takes one away", async () => {
    const held = show();
    await userEvent.type(screen.getByLabelText("Step 1"), " Gently.");
    await userEvent.tab();
    expect(held.card.steps[0]?.text).toBe("Fold in 200 g flour. Gently.");
    await userEvent.click(screen.getByRole("button", { name: "+ step" }));
    expect(held.card.steps).toHaveLength(2);
    await userEvent.click(screen.getByRole("button", { name: "Take step 1 away" }));
    expect(held.card.steps.map((one) => one.key)).toEqual([2]);
  });
});

describe("the check-up", () => {
  it("says that nothing stands out, or what does", () => {
    showAt(
      <CheckupPanel recipe={null} card={card()} seen={desk()} variant={null} onVariant={vi.fn()} />,
    );
    expect(screen.getByText(/Nothing stands out/)).toBeVisible();
    cleanup();
    const finding = {
      code: "salt_high",
      severity: "warn" as const,
      text: "Much salt.",
      hint: "Is the amount right?",
      subject: "",
      entry: null,
      field: "",
      numbers: {},
    };
    showAt(
      <CheckupPanel
        recipe={null}
        card={card()}
        seen={desk({ findings: [finding] })}
        variant={null}
        onVariant={vi.fn()}
      />,
    );
    expect(screen.getByText("Much salt.")).toBeVisible();
  });
});

describe("swaps", () => {
  const preview = {
    name: "cocoa",
    limits: "Up to a quarter.",
    source: "kitchen practice",
    findings: [],
    changes: [{ name: "cocoa powder", was_g: 0, now_g: 30, was_per_100: 0, now_per_100: 15 }],
  };
  const show = (start: Card, variant: number | null = null) => {
    const held = edits(start);
    const onVariant = vi.fn();
    fakeKitchen({ "POST /api/swaps": { body: preview } });
    showAt(
      <SwapsPanel
        card={start}
        seen={desk({ offers: [offer()] })}
        edit={held.edit}
        variant={variant}
        onVariant={onVariant}
      />,
    );
    return { held, onVariant };
  };
  const choose = async () => {
    await userEvent.click(screen.getByLabelText("Which line"));
    await userEvent.click(await screen.findByRole("option", { name: "200 g plain flour" }));
    await userEvent.click(screen.getByRole("button", { name: "cocoa for part of the flour" }));
  };

  it("show before and after per 100 g of flour, then become a variant", async () => {
    const { held, onVariant } = show(card());
    await choose();
    expect(await screen.findByRole("row", { name: /cocoa powder – 15 g – → 30 g/ })).toBeVisible();
    expect(screen.getByText("Up to a quarter.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Make it a variant" }));
    expect(held.card.variants).toEqual([
      {
        key: 1,
        name: "Cocoa for part of the flour",
        swaps: [{ kind: "cocoa_for_flour", line: 1, share: 0.15 }],
      },
    ]);
    expect(onVariant).toHaveBeenCalledWith(1);
  });

  it("join a variant that is open, and can be swapped back", async () => {
    const swap = { kind: "sugar_to_brown", line: 2, share: 1 };
    const start = card({ variants: [{ key: 4, name: "Dark", swaps: [swap] }] });
    const { held } = show(start, 4);
    await choose();
    await userEvent.click(screen.getByRole("button", { name: "Put it into “Dark”" }));
    expect(held.card.variants[0]?.swaps).toHaveLength(2);
    await userEvent.click(screen.getByRole("button", { name: "Swap back" }));
    expect(held.card.variants[0]?.swaps).toEqual([]);
  });

  it("say when no line can be swapped", () => {
    showAt(
      <SwapsPanel card={card()} seen={desk()} edit={vi.fn()} variant={null} onVariant={vi.fn()} />,
    );
    expect(screen.getByText(/No line here can be swapped yet/)).toBeVisible();
  });
});

describe("saving as a file", () => {
  it("lists what a format cannot hold before it is saved", async () => {
    const asked = fakeKitchen({
      "GET /api/recipes/4/export": ({ search }) => ({
        body: {
          format: search.get("format"),
          file_name: "plum.json",
          media_type: "application/json",
          text: "{}",
          losses: search.get("format") === "own" ? [] : ["the pans and their wall heights"],
        },
      }),
    });
    showAt(
      <ExportDialog
        open
        onClose={vi.fn()}
        recipe={4}
        variants={[{ key: 1, name: "Dark", swaps: [] }]}
      />,
    );
    expect(await screen.findByText("Everything on the card is in this file.")).toBeVisible();
    expect(screen.queryByLabelText("Variant")).toBeNull();
    await userEvent.click(screen.getByRole("radio", { name: "JSON-LD" }));
    expect(await screen.findByText("the pans and their wall heights")).toBeVisible();
    await userEvent.click(screen.getByLabelText("Variant"));
    await userEvent.click(await screen.findByRole("option", { name: "Dark" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("variant")).toBe("1"));
  });
});
