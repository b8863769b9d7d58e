import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Label, LabelHabits, LabelRow } from "../src/api/client";
import { labelAsked, labelChoicesFrom, withLabelChoice } from "../src/rooms/label/labelChoices";
import { LabelRoom } from "../src/rooms/label/LabelRoom";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";

const row = (changes: Partial<LabelRow>): LabelRow => ({
  key: "plain_flour",
  name: "plain flour",
  said: [
    { text: "plain flour (", strong: false },
    { text: "wheat", strong: true },
    { text: ")", strong: false },
  ],
  g: 240,
  percent: null,
  known: true,
  known_words: "by what it is",
  contains: ["wheat"],
  may_contain: [],
  by_nature: ["wheat"],
  opened: "",
  packet: false,
  ...changes,
});

const PASTE = row({
  key: "black_sesame_paste",
  name: "black sesame paste",
  known: false,
  known_words: "Read its packet.",
  contains: ["sesame"],
  by_nature: ["sesame"],
  percent: 0.004,
  g: null,
});

const label = (changes: Partial<Label> = {}): Label => ({
  title: "Sesame cake",
  cakes: [
    { label: "Round 18", count: 1, mass_g: 900, pieces: 8 },
    { label: "Tray of 12", count: 12, mass_g: 60, pieces: 1 },
  ],
  cake: 0,
  rows: [row({}), PASTE],
  contains: ["wheat", "sesame"],
  may_contain: [],
  elsewhere: ["lupin"],
  net_g: 900,
  net_words: "900 g",
  net_origin: { origin: "worked_out", note: "batter less what the oven took", assumptions: [] },
  made_on: "2026-11-28",
  made_words: "28 Nov 2026",
  keeps_until: "2026-11-30",
  until_words: "Best before 30 Nov 2026",
  days: 2,
  days_origin: { origin: "worked_out", note: "bare cake", assumptions: ["bare cake keeps 2 days"] },
  keep_words: "Keep cool and covered, under 20 °C.",
  keeps: [{ name: "bare cake", cool: "2 to 4 days", chilled: "not", frozen: "not", decides: true }],
  take_out: "",
  lot: "L261128-SC",
  own_lines: ["By the gate"],
  nutrition: [],
  nutrition_missing: ["black sesame paste"],
  nutrition_note: "",
  ready: false,
  findings: [],
  last: null,
  card: {
    keep: ["Keep it cool."],
    cut: "For 8 portions.",
    not_food: [],
    allergens: ["Contains: x."],
  },
  region: "European Union",
  source: "Annex II",
  ...changes,
});

const HABITS: LabelHabits = {
  region: "eu",
  address: "By the gate",
  sentence: "",
  may_contain: [],
  sheet: "a4-12",
  own_sheet: {},
  version: 4,
  allergens: [
    { key: "wheat", name: "wheat", group: "cereals containing gluten" },
    { key: "sesame", name: "sesame", group: "" },
    { key: "lupin", name: "lupin", group: "" },
  ],
  regions: [{ key: "eu", name: "European Union", source: "Annex II", kinds: ["wheat"] }],
  sheets: [{ key: "a4-12", words: "A4, 12 a page", count: 12 }],
  home_advice: "Ask your local authority.",
  local_advice: "Your local rules come first.",
};

const ADDRESS = "/label?recipe=2&into=%5B%7B%22pan%22%3A1%2C%22count%22%3A2%7D%5D";

function show(more: Parameters<typeof fakeKitchen>[0] = {}, address = ADDRESS) {
  const asked = fakeKitchen({
    "POST /api/labels": { body: label() },
    "GET /api/labels/habits": { body: HABITS },
    ...more,
  });
  showAt(<LabelRoom />, address);
  return asked;
}

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe("a label in the address", () => {
  it("is read back as it was said, and nonsense is the usual", () => {
    const said = withLabelChoice(new URLSearchParams("recipe=2"), {
      cake: 1,
      title: "Gift",
      madeOn: "2026-11-28",
      pieces: 8,
      weighed: 120.5,
      days: 3,
      lot: "L7",
      ofOrder: "12.0",
    });
    expect(labelChoicesFrom(said)).toEqual({
      cake: 1,
      title: "Gift",
      madeOn: "2026-11-28",
      pieces: 8,
      weighed: 120.5,
      days: 3,
      lot: "L7",
      ofOrder: "12.0",
    });
    expect(labelAsked(said)).toMatchObject({
      cake: 1,
      pieces: 8,
      weighed_g: 120.5,
      lot: "L7",
      of_order: "12.0",
    });
    expect(labelChoicesFrom(new URLSearchParams("l.order=12")).ofOrder).toBe("");
    expect(labelChoicesFrom(new URLSearchParams("l.order=12.0x")).ofOrder).toBe("");
    const usual = withLabelChoice(said, {
      cake: 0,
      title: "",
      madeOn: null,
      pieces: 1,
      weighed: null,
      days: null,
      lot: "",
      ofOrder: "",
    });
    expect(usual.toString()).toBe("recipe=2");
    expect(labelChoicesFrom(new URLSearchParams("l.pieces=no&l.made=soon&l.g=&l.cake=-3"))).toEqual(
      {
        cake: 0,
        title: "",
        madeOn: null,
        pieces: 1,
        weighed: null,
        days: null,
        lot: "",
        ofOrder: "",
      },
    );
    expect(labelAsked(new URLSearchParams())).toBeNull();
  });
});

describe("the label", () => {
  it("says where to begin when no cake stands in the address", async () => {
    show({}, "/label");
    expect(await screen.findByText(/No cake yet/)).toBeInTheDocument();
  });

  it("marks what is not settled, claims nothing for it and cannot be printed", async () => {
    show();
    const drawn = await screen.findByRole("article", { name: "The label" });
    expect(within(drawn).getByText("wheat").tagName).toBe("STRONG");
    expect(within(drawn).getByText("black sesame paste (?)").tagName).toBe("MARK");
    expect(drawn).not.toHaveTextContent("Contains:");
    expect(drawn).toHaveTextContent("Made on 28 Nov 2026. Best before 30 Nov 2026.");
    for (const name of ["Print labels", "As text", "Card to hand over"]) {
      expect(screen.getByRole("button", { name })).toBeDisabled();
    }
    expect(screen.getByText(/Not enough is known/)).toHaveTextContent("black sesame paste");
    expect(screen.getByText(/Inside and not on that list: lupin/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: /^black sesame paste/ })).toHaveTextContent(
      "at least sesame",
    );
    expect(screen.getByText("not weighed")).toBeInTheDocument();
  });

  it("sends what a packet says, without what is in it by nature being taken out", async () => {
    const asked = show({
      "PUT /api/labels/packets": {
        body: { key: "black_sesame_paste", called: "black sesame paste" },
      },
    });
    await userEvent.click(await screen.findByRole("button", { name: /^black sesame paste/ }));
    const dialog = screen.getByRole("dialog");
    expect(within(dialog).getByRole("checkbox", { name: "sesame" })).toBeDisabled();
    await userEvent.type(within(dialog).getByLabelText(/What it is made of/), "sesame, salt");
    await userEvent.click(within(dialog).getByRole("checkbox", { name: "lupin" }));
    await userEvent.click(within(dialog).getByRole("button", { name: /may contain/ }));
    await userEvent.click(
      within(dialog).getAllByRole("checkbox", { name: "wheat" })[1] as HTMLElement,
    );
    await userEvent.click(within(dialog).getByRole("button", { name: "Keep it" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(asked.find((one) => one.method === "PUT")?.body).toEqual({
      key: "black_sesame_paste",
      called: "black sesame paste",
      opened: "sesame, salt",
      contains: ["sesame", "lupin"],
      may_contain: ["wheat"],
    });
    expect(await screen.findByText(/kept for every label with it/)).toBeInTheDocument();
  });

  it("says why it could not be printed", async () => {
    const asked = show({
      "POST /api/labels": { body: label({ ready: true, rows: [row({})] }) },
      "POST /api/labels/pdf": { status: 422, body: problem("x", "Take a larger label.", "sheet") },
    });
    const many = await screen.findByRole("spinbutton", { name: "How many labels" });
    await userEvent.clear(many);
    await userEvent.type(many, "6");
    await userEvent.click(screen.getByRole("button", { name: "Print labels" }));
    expect(await screen.findByText("Take a larger label.")).toBeInTheDocument();
    expect(asked.find((one) => one.path === "/api/labels/pdf")?.body).toMatchObject({
      count: 6,
      first: 1,
    });
  });

  it("asks anew for another cake, pieces and days", async () => {
    const asked = show();
    await userEvent.click(await screen.findByRole("button", { name: /^Which cake/ }));
    await userEvent.click(screen.getByRole("radio", { name: /Tray of 12/ }));
    await userEvent.click(screen.getByRole("button", { name: /^Keeps until/ }));
    const days = screen.getByRole("textbox", { name: "Keeps, days" });
    await userEvent.type(days, "soon");
    expect(screen.getByText("Type days.")).toBeInTheDocument();
    await userEvent.clear(days);
    await userEvent.type(days, "3{Enter}");
    await userEvent.tab();
    await waitFor(() =>
      expect(asked.filter((one) => one.path === "/api/labels").at(-1)?.body).toMatchObject({
        cake: 1,
        days: 3,
        pieces: 1,
      }),
    );
  });

  it("changes how the kitchen labels", async () => {
    const asked = show({ "PUT /api/labels/habits": { body: HABITS } });
    await userEvent.click(await screen.findByRole("button", { name: "How we label" }));
    await userEvent.click(
      await screen.findByRole("button", { name: "Change what may be in everything" }),
    );
    await userEvent.click(screen.getByRole("checkbox", { name: "lupin" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
        region: "eu",
        may_contain: ["lupin"],
        own_sheet: null,
        base: 4,
      }),
    );
  });
});
