import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it } from "vitest";

import type { Fit, FitRequest, OvenView } from "../src/api/client";
import { NO_CHOICES } from "../src/domain/fitChoices";
import type { FitChoices } from "../src/domain/fitChoices";
import { BakeState } from "../src/rooms/fit/bake/BakeState";
import { treatmentWords } from "../src/rooms/fit/bake/heat/treatments";
import { PrintCard } from "../src/rooms/fit/print/PrintCard";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { logged } from "./bakes";
import { bake, fit, KITCHEN, listening, ovenView, pan, panCard } from "./fixtures";

const REQUEST: FitRequest = { recipe: 1, into: [{ pan: 1, count: 1 }] };

let asked: ReturnType<typeof fakeKitchen>;
const kitchen = (view: OvenView, more: Parameters<typeof fakeKitchen>[0] = {}) => {
  asked = fakeKitchen({
    ...KITCHEN,
    "POST /api/fit/oven": { body: view },
    "GET /api/bakes": { body: { bakes: [], count: 0, tags: [] } },
    ...more,
  });
};

/** The bake of a fit, with the choices made at it. */
function showBake(shown: Fit = fit({}), choices: Partial<FitChoices> = {}) {
  const listened = listening(choices);
  showAt(<BakeState fit={shown} request={REQUEST} inHand={listened.hand} />);
  return listened;
}

beforeEach(() => kitchen(ovenView()));
afterEach(cleanup);

describe("the bake card", () => {
  it("puts the setting first, then first look, likely, latest, sign and caution", async () => {
    showBake();
    await screen.findByText(/Switch it on/);
    const text = screen.getByRole("region", { name: "Bake" }).textContent;
    const places = [
      "170 °C",
      "18 min before the pans go in",
      "look at 28",
      "likely 36",
      "no later than 41",
      "Not done: 4 min more",
      "stand 10 min, then turn out",
      "springs back",
      "Dry gloves",
    ];
    const found = places.map((words) => text.indexOf(words));
    expect(found).toEqual([...found].sort((a, b) => a - b));
    expect(found[0]).toBeGreaterThanOrEqual(0);
  });

  it("says so where there is no time to give", async () => {
    const none = bake({ dial: null, first_look_min: null, likely_min: null, latest_min: null });
    kitchen(ovenView({ card: { ...ovenView().card, pans: [] } }));
    showBake(fit({ bakes: [{ ...none, phases: [] }] }));
    expect(await screen.findByText("No time can be given for this one.")).toBeInTheDocument();
    expect(screen.queryByText(/look at/)).not.toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /It took/ })).not.toBeInTheDocument();
  });

  it("names each dial where pans are baked apart", async () => {
    const bakes = [bake({}), bake({ label: "Tray", dial: "180 °C" })];
    showBake(fit({ bakes, pans: [pan({}), pan({ label: "Tray", wells: 12, count: 6 })] }));
    expect(await screen.findByText(/· 170 °C/)).toBeInTheDocument();
    expect(screen.getByText(/· 180 °C/)).toBeInTheDocument();
    expect(screen.getByText("6 wells of Tray")).toBeInTheDocument();
  });

  it("shows what to heat the oven to first, and the phases on the clock", async () => {
    const phases = [
      { from_min: 0, to_min: 15, dial: "180 °C", covered: false, note: "" },
      { from_min: 15, to_min: 35, dial: "160 °C", covered: false, note: "" },
      { from_min: 35, to_min: null, dial: "160 °C", covered: true, note: "" },
    ];
    showBake(fit({ bakes: [bake({ dial: "160 °C", phases })] }));
    const list = await screen.findByRole("list", { name: "Phases" });
    expect(within(list).getAllByRole("listitem")).toHaveLength(3);
    expect(list).toHaveTextContent("35–done 160 °C, covered");
    expect(screen.getByText("then 160 °C")).toBeInTheDocument();
  });

  it("opens to why, with every cause of the window", async () => {
    showBake();
    await userEvent.click(await screen.findByRole("button", { name: "Why and what if" }));
    expect(
      await screen.findByText("Moved from the recipe's own 34 min in its own pan."),
    ).toBeVisible();
    expect(screen.getByText("the recipe's own bake: ± 7 %")).toBeInTheDocument();
    expect(asked.some((one) => one.path === "/api/fit/curve")).toBe(true);
  });

  it("keeps a caution at its step", async () => {
    const cautions = [
      { step: "out" as const, text: "Hot sugar sticks." },
      { step: "heat" as const, text: "Gas: light it." },
    ];
    kitchen(ovenView({ card: { ...ovenView().card, cautions } }));
    showBake();
    const gas = await screen.findByText("Gas: light it.");
    const row = screen.getByText("Round 20");
    const sugar = screen.getByText("Hot sugar sticks.");
    const follows = Node.DOCUMENT_POSITION_FOLLOWING;
    expect(gas.compareDocumentPosition(row) & follows).toBeTruthy();
    expect(row.compareDocumentPosition(sugar) & follows).toBeTruthy();
  });

  it("says what the kitchen said when it cannot be worked out", async () => {
    kitchen(ovenView(), {
      "POST /api/fit/oven": { status: 422, body: problem("impossible", "No such oven.") },
    });
    showBake();
    expect(await screen.findByText("No such oven.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Try again" })).toBeInTheDocument();
  });
});

describe("“it took”", () => {
  it("goes into the logbook with how it was, and can be undone", async () => {
    kitchen(ovenView(), {
      "POST /api/bakes": { status: 201, body: logged({ id: 9, minutes: 38 }) },
      "DELETE /api/bakes/9": { status: 204, body: null },
    });
    showBake();
    const minutes = await screen.findByRole("spinbutton", { name: "Minutes Round 20 took" });
    await userEvent.clear(minutes);
    await userEvent.type(minutes, "38");
    await userEvent.click(screen.getByRole("button", { name: "And it was right" }));
    expect(await screen.findByText(/took 38 min. It is in the logbook/)).toBeInTheDocument();
    expect(asked.find((one) => one.path === "/api/bakes" && one.body)?.body).toEqual({
      request: REQUEST,
      entry: 0,
      minutes: 38,
      how: "right",
    });
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked.some((one) => one.path === "/api/bakes/9")).toBe(true));
  });

  it("says how the last one in this pan was, and what went wrong with keeping it", async () => {
    kitchen(ovenView(), {
      "GET /api/bakes": {
        body: {
          bakes: [
            logged({ pan_label: "Round 15" }),
            logged({ pan_label: "Round 20", minutes: 41, how: "little_over", top: "domed" }),
          ],
          count: 2,
          tags: [],
        },
      },
      "POST /api/bakes": { status: 422, body: problem("impossible", "No pan stands there.") },
    });
    showBake();
    expect(
      await screen.findByText(/Last time in Round 20: 41 min, a little over, domed/),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Raw in the middle" }));
    expect(await screen.findByText("No pan stands there. It is not logged.")).toBeInTheDocument();
  });
});

describe("temperature", () => {
  const row = (school: "same_crust" | "lower", dial: string) => ({
    school,
    name: school === "lower" ? "15 °C lower for deep or dark" : "Same crust, never hotter",
    dial,
    first_look_min: 30,
    likely_min: 38,
    latest_min: 45,
    crust: "the recipe's crust",
    dome: "likely flatter",
  });

  it("sets the schools side by side and takes the one chosen", async () => {
    kitchen(ovenView({ schools: [row("same_crust", "165 °C"), row("lower", "155 °C")] }));
    const { last } = showBake(fit({}), { at: "heat" });
    const table = await screen.findByRole("table", { name: "Temperature schools" });
    expect(within(table).getByRole("radio", { name: /Same crust/ })).toBeChecked();
    expect(within(table).getByText("165 °C")).toBeInTheDocument();
    await userEvent.click(within(table).getByRole("radio", { name: /15 °C lower/ }));
    expect(last()).toEqual({ temperature: "lower" });
  });

  it("is one line where all schools come to the same, and can be set side by side", async () => {
    kitchen(ovenView({ schools: [row("same_crust", "165 °C"), row("lower", "165 °C")] }));
    showBake(fit({}), { at: "heat" });
    expect(await screen.findByText(/All 2 schools come to the same here/)).toHaveTextContent(
      "165 °C, look at 30, likely 38, no later than 45 min",
    );
    expect(screen.queryByRole("table", { name: "Temperature schools" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Side by side" }));
    expect(screen.getByRole("table", { name: "Temperature schools" })).toBeInTheDocument();
  });

  it("switches strips, covering, pans and a cold batter", async () => {
    const { changes } = showBake(fit({}), { at: "heat" });
    await userEvent.click(await screen.findByRole("checkbox", { name: "Insulating strips" }));
    for (const [field, option] of [
      ["Top covered", "From 0.6 of the time"],
      ["Pans", "All glass or ceramic"],
      ["Batter goes in", /From the fridge/],
    ] as const) {
      await userEvent.click(screen.getByRole("combobox", { name: field }));
      await userEvent.click(screen.getByRole("option", { name: option }));
    }
    expect(changes).toEqual([
      { strips: true },
      { cover: "late" },
      { finish: "glass" },
      { start: "chilled" },
    ]);
  });

  it("has nothing to choose over steam", async () => {
    const steamer = { ...fit({}).oven, name: "Steamer", kind: "steam" as const, has_dial: false };
    showBake(fit({ oven: steamer }), { at: "heat" });
    expect(await screen.findByText(/Steamer has one heat of its own/)).toBeInTheDocument();
    expect(screen.queryByRole("checkbox", { name: "Insulating strips" })).not.toBeInTheDocument();
  });

  it("asks for the advice of high kitchens only when it is wanted", async () => {
    const height = {
      altitude_m: 1600,
      boiling_c: 94.7,
      source: "A school of practice.",
      caution: "Bake a small trial first.",
      rows: [{ what: "Baking powder", now: "8.0 g", high: "6.3 g", why: "practice" }],
    };
    kitchen(ovenView(), {
      "POST /api/fit/oven": (one) => ({
        body: ovenView((one.body as { altitude: boolean }).altitude ? { height } : {}),
      }),
    });
    showBake(fit({}), { at: "heat" });
    const wanted = await screen.findByRole("checkbox", { name: /high above the sea/ });
    expect(screen.queryByText("6.3 g")).not.toBeInTheDocument();
    await userEvent.click(wanted);
    expect(await screen.findByText("6.3 g")).toBeInTheDocument();
    expect(screen.getByText(/Bake a small trial first/)).toBeInTheDocument();
  });
});

describe("loads and ways", () => {
  it("draws each shelf with its pans and says when to turn", async () => {
    const placed = (label: string) => ({
      entry: 0,
      label,
      x_cm: 12,
      y_cm: 12,
      long_cm: 19,
      short_cm: 19,
      turned: false,
      plan: ["9,0 0,9 -9,0 0,-9"],
    });
    const load = {
      dial: "170 °C",
      minutes: 36,
      labels: ["Round 18, 1", "Round 18, 2"],
      shelves: [[placed("Round 18, 1")], [placed("Round 18, 2")]],
      turn: "At the first look, 28 min in, swap the shelves.",
      slower: "2 shelves at once are slower.",
      order: [],
    };
    kitchen(ovenView({ loads: [load] }));
    showBake(fit({}), { at: "loads" });
    expect(
      await screen.findByRole("img", { name: "Upper shelf: Round 18, 1" }),
    ).toBeInTheDocument();
    expect(screen.getByRole("img", { name: "Lower shelf: Round 18, 2" })).toBeInTheDocument();
    expect(screen.getByText(/28 min in, swap the shelves/)).toBeInTheDocument();
    expect(screen.getByText(/slower/)).toBeInTheDocument();
  });

  it("sets the ways side by side and marks a batter that waits too long", async () => {
    const way = {
      way: "at_once" as const,
      name: "As chosen, at once",
      pans: "3 × Round 15",
      each_min: 31,
      oven_min: 31,
      last_out_min: 31,
      waits_min: 0,
      too_long: false,
      pans_needed: 3,
      shelves_needed: 2,
      bakes: 1,
      evenness: "about the recipe's dome",
      after: "",
      overflows: "",
    };
    const turns = {
      ...way,
      way: "turns" as const,
      name: "One pan, 3 turns",
      last_out_min: 134,
      waits_min: 103,
      too_long: true,
      pans_needed: 1,
      shelves_needed: 1,
      bakes: 3,
    };
    kitchen(ovenView({ ways: [way, turns] }));
    showBake(fit({}), { at: "ways" });
    const table = await screen.findByRole("table", { name: "Ways to bake" });
    const [, first, second] = within(table).getAllByRole("row");
    expect(first).toHaveTextContent("not at all");
    expect(first).toHaveTextContent("3 pans, 2 shelves");
    expect(second).toHaveTextContent("134 min");
    expect(second).toHaveTextContent("too long for it");
    expect(second).toHaveTextContent("1 pan, 1 shelf, 3 bakes");
  });

  it("moves between what is decided at the oven", async () => {
    const { last } = showBake();
    await userEvent.click(screen.getByRole("radio", { name: "Ways" }));
    expect(last()).toEqual({ at: "ways" });
  });
});

describe("the printed card", () => {
  it("holds times, phases, sign and cautions on one page", async () => {
    kitchen(ovenView({ card: { ...ovenView().card, pans: [panCard()] } }));
    showAt(<PrintCard fit={fit({})} request={REQUEST} />);
    expect(await screen.findByText(/switch on 18 min before/)).toBeInTheDocument();
    const page = document.querySelector("[data-print-sheet]");
    for (const words of [
      "look at 28",
      "no later than 41",
      "It took ______",
      "springs back",
      "Dry gloves",
    ]) {
      expect(page).toHaveTextContent(words);
    }
  });
});

describe("what is counted in beside the oven", () => {
  it("is said in words, and nothing where nothing is", () => {
    expect(treatmentWords(NO_CHOICES, true, "metric")).toBe("");
    expect(
      treatmentWords(
        { ...NO_CHOICES, strips: true, cover: "late", start: "chilled" },
        true,
        "metric",
      ),
    ).toBe(
      "insulating strips; top covered: from 0.6 of the time; batter: from the fridge, about 5 °C",
    );
  });

  it("leaves out what steam does not follow", () => {
    const chosen = {
      ...NO_CHOICES,
      strips: true,
      cover: "whole" as const,
      finish: "dark" as const,
    };
    expect(treatmentWords(chosen, false, "us")).toBe("pans: all dark metal");
  });
});
