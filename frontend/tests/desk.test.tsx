import { ThemeProvider } from "@mui/material";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Card, Ratio } from "../src/api/client";
import { theme } from "../src/ui/theme";
import { typedDecimal } from "../src/domain/numbers";
import {
  nextKey,
  withLine,
  withLineMoved,
  withNewLine,
  withoutLine,
  withStepMoved,
} from "../src/rooms/recipes/desk/changes";
import { RatioBar } from "../src/rooms/recipes/desk/checkup/RatioBar";
import { MarkedText } from "../src/rooms/recipes/MarkedText";
import { DifferenceList } from "../src/rooms/recipes/desk/revisions/DifferenceList";
import { deskReducer, sameCard } from "../src/rooms/recipes/desk/useDesk";
import {
  draftNameOf,
  draftOf,
  dropDraft,
  EMPTY_CARD,
  isNewDraftName,
  keepDraft,
  newDraftName,
  newDrafts,
} from "../src/rooms/recipes/drafts";
import { TypedField } from "../src/ui/TypedField";
import { cardLine } from "./cards";

afterEach(cleanup);

const show = (part: React.ReactNode) => render(<ThemeProvider theme={theme}>{part}</ThemeProvider>);

const CARD: Card = {
  ...EMPTY_CARD,
  title: "Plum squares",
  components: [
    { key: 1, kind: "batter", title: "", scales_by: null },
    { key: 2, kind: "soak", title: "Syrup", scales_by: null },
  ],
  lines: [cardLine(1), cardLine(2), cardLine(3, { component: 2 })],
  steps: [
    {
      key: 1,
      text: "Beat.",
      sign: "",
      component: null,
      ties: [{ words: "2", line: 2 }],
      kinds: null,
    },
    { key: 2, text: "Bake.", sign: "", component: null, ties: [], kinds: null },
  ],
  variants: [
    {
      key: 1,
      name: "Dark",
      swaps: [
        { kind: "cocoa_for_flour", line: 2, share: 0.15 },
        { kind: "sugar_to_brown", line: 1, share: 1 },
      ],
    },
  ],
};

const keys = (card: Card) => card.lines.map((one) => one.key);

describe("changes of a card", () => {
  it("puts a new line behind its kin", () => {
    expect(keys(withNewLine(CARD, cardLine(4)))).toEqual([1, 2, 4, 3]);
    expect(keys(withNewLine(CARD, cardLine(4, { component: 2 })))).toEqual([1, 2, 3, 4]);
    expect(nextKey(CARD.lines)).toBe(4);
  });

  it("takes swaps and ties away with their line", () => {
    const card = withoutLine(CARD, 2);
    expect(keys(card)).toEqual([1, 3]);
    expect(card.variants[0]?.swaps.map((swap) => swap.line)).toEqual([1]);
    expect(card.steps[0]?.ties).toEqual([]);
    expect(keys(CARD)).toEqual([1, 2, 3]);
  });

  it("moves a line within its component and never out of it", () => {
    expect(keys(withLineMoved(CARD, 2, -1))).toEqual([2, 1, 3]);
    expect(withLineMoved(CARD, 2, 1)).toBe(CARD);
    expect(withLineMoved(CARD, 3, -1)).toBe(CARD);
  });

  it("moves a step and stops at the ends", () => {
    expect(withStepMoved(CARD, 2, -1).steps.map((one) => one.key)).toEqual([2, 1]);
    expect(withStepMoved(CARD, 1, -1)).toBe(CARD);
  });

  it("replaces one line alone", () => {
    const card = withLine(CARD, cardLine(2, { text: "new" }));
    expect(card.lines.map((one) => one.text)).toEqual(["line 1", "new", "line 3"]);
  });
});

describe("the desk's undo", () => {
  const open = deskReducer(
    { draft: null, kept: null, past: [], future: [] },
    {
      kind: "open",
      draft: { card: CARD, base: 3, found: ["oven"], imported: false },
      kept: CARD,
    },
  );
  const titled = (title: string) => ({
    kind: "edit" as const,
    change: (card: Card) => ({ ...card, title }),
  });

  it("steps back and forth", () => {
    const edited = deskReducer(deskReducer(open, titled("A")), titled("B"));
    const back = deskReducer(edited, { kind: "undo" });
    expect(back.draft?.card.title).toBe("A");
    expect(deskReducer(back, { kind: "redo" }).draft?.card.title).toBe("B");
    const anew = deskReducer(back, titled("C"));
    expect(anew.future).toEqual([]);
    expect(deskReducer(open, { kind: "undo" })).toBe(open);
    expect(deskReducer(open, { kind: "redo" })).toBe(open);
  });

  it("keeps what was typed while a save was on its way", () => {
    const saving = deskReducer(open, titled("A"));
    const typed = deskReducer(saving, titled("A and more"));
    const saved = deskReducer(typed, { kind: "saved", card: { ...CARD, title: "A" }, base: 4 });
    expect(saved.draft?.card.title).toBe("A and more");
    expect(saved.draft?.base).toBe(4);
    expect(sameCard(saved.draft?.card ?? null, saved.kept)).toBe(false);
  });

  it("makes no step of a change that changes nothing", () => {
    expect(deskReducer(open, { kind: "edit", change: (card) => card })).toBe(open);
  });
});

describe("drafts", () => {
  beforeEach(() => window.localStorage.clear());
  const draft = { card: CARD, base: 2, found: [], imported: false };

  it("outlive the desk, each under its own name", () => {
    keepDraft(draftNameOf(7), draft);
    const name = newDraftName();
    keepDraft(name, { ...draft, base: 0 });
    expect(draftOf(draftNameOf(7))).toEqual(draft);
    expect(newDrafts().map((one) => one.name)).toEqual([name]);
    dropDraft(name);
    expect(newDrafts()).toEqual([]);
    expect(draftOf(draftNameOf(8))).toBeNull();
  });

  it("that cannot be read are none", () => {
    window.localStorage.setItem("entremet.desk.new.abc", "{");
    window.localStorage.setItem("entremet.desk.new.abd", '{"card": 3}');
    expect(newDrafts()).toEqual([]);
    expect(isNewDraftName("new.abc")).toBe(true);
    expect(isNewDraftName("new.<b>")).toBe(false);
    expect(isNewDraftName(null)).toBe(false);
  });

  it("do without a store that is full", () => {
    const full = vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
      throw new Error("full");
    });
    expect(() => keepDraft("new.x", draft)).not.toThrow();
    full.mockRestore();
  });
});

describe("../src/rooms/recipes/MarkedText", () => {
  it("marks each part in its place and keeps every sign", () => {
    const { container } = show(
      <MarkedText
        text="2 cups oat flour, fine"
        marks={[
          { kind: "unit", start: 1, end: 6 },
          { kind: "amount", start: 0, end: 1 },
          { kind: "ingredient", start: 7, end: 16 },
          { kind: "note", start: 16, end: 22 },
        ]}
      />,
    );
    expect(container.textContent).toBe("2 cups oat flour, fine");
    expect(container.querySelector("[data-mark=unit]")?.textContent).toBe("cups");
    expect(container.querySelector("[data-mark=ingredient]")?.textContent).toBe("oat flour");
  });

  it("survives marks that overlap or run over the end", () => {
    const { container } = show(
      <MarkedText
        text="2 eggs"
        known={false}
        marks={[
          { kind: "amount", start: 0, end: 3 },
          { kind: "unit", start: 1, end: 2 },
          { kind: "note", start: 4, end: 99 },
        ]}
      />,
    );
    expect(container.textContent).toBe("2 eggs");
  });
});

describe("TypedField", () => {
  const field = (onChange: (value: number | null) => void) =>
    show(
      <TypedField
        label="Minutes"
        value={34}
        read={typedDecimal}
        write={String}
        hint="Type a number."
        onChange={onChange}
      />,
    );

  it("takes a number on Enter, as people write it", async () => {
    const onChange = vi.fn();
    field(onChange);
    await userEvent.clear(screen.getByLabelText("Minutes"));
    await userEvent.type(screen.getByLabelText("Minutes"), "37 1/2{Enter}");
    expect(onChange).toHaveBeenCalledExactlyOnceWith(37.5);
  });

  it("marks nonsense, keeps it, and never takes it for a number", async () => {
    const onChange = vi.fn();
    field(onChange);
    await userEvent.type(screen.getByLabelText("Minutes"), " or so");
    await userEvent.tab();
    expect(screen.getByText("Type a number.")).toBeVisible();
    expect(screen.getByLabelText("Minutes")).toHaveValue("34 or so");
    await userEvent.type(screen.getByLabelText("Minutes"), "{Escape}");
    expect(screen.getByLabelText("Minutes")).toHaveValue("34");
    expect(onChange).not.toHaveBeenCalled();
  });

  it("takes an empty field for nothing said", async () => {
    const onChange = vi.fn();
    field(onChange);
    await userEvent.clear(screen.getByLabelText("Minutes"));
    await userEvent.tab();
    expect(onChange).toHaveBeenCalledExactlyOnceWith(null);
  });
});

describe("typed numbers", () => {
  it.each([
    ["1½", 1.5],
    ["½", 0.5],
    ["1 1/2", 1.5],
    ["3/4", 0.75],
    ["1,5", 1.5],
    ["12", 12],
  ])("reads %s", (text, value) => expect(typedDecimal(text)).toBe(value));

  it.each(["", "a", "1/0", "-3", "1 2", "½½"])("does not read %j", (text) =>
    expect(typedDecimal(text)).toBeNull(),
  );
});

describe("RatioBar", () => {
  const ratio: Ratio = {
    key: "sugar",
    name: "sugar",
    value: 140,
    low: 75,
    high: 125,
    beside: "usual",
    standing: "high",
    note: "280 g to 200 g of flour",
  };

  it("says in words what stands outside", () => {
    const { container } = show(<RatioBar ratio={ratio} />);
    expect(container.textContent).toContain("140 g");
    expect(container.textContent).toContain("more: usual 75–125");
  });

  it("calls nothing out of the usual when it is usual", () => {
    const { container } = show(<RatioBar ratio={{ ...ratio, value: 90, standing: "usual" }} />);
    expect(container.textContent).not.toContain("more");
  });
});

describe("DifferenceList", () => {
  it("shows before and after, and says when nothing differs", () => {
    show(
      <DifferenceList
        differences={[{ change: "changed", part: "title", was: "Plums", now: "Damsons" }]}
      />,
    );
    expect(screen.getByText("Plums").tagName).toBe("DEL");
    expect(screen.getByText("Damsons").tagName).toBe("INS");
    cleanup();
    show(<DifferenceList differences={[]} />);
    expect(screen.getByText("Nothing differs.")).toBeVisible();
  });
});
