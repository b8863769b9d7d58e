import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import { CardPans } from "../src/rooms/recipes/desk/settle/CardPans";
import { Doubts } from "../src/rooms/recipes/desk/settle/Doubts";
import { Holes } from "../src/rooms/recipes/desk/settle/Holes";
import { Phases } from "../src/rooms/recipes/desk/settle/Phases";
import { Questions } from "../src/rooms/recipes/desk/settle/Questions";
import { SettlePanel } from "../src/rooms/recipes/desk/settle/SettlePanel";
import { card, desk, edits, hole, ingredient, question } from "./cards";
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

describe("questions", () => {
  const ask = (one: ReturnType<typeof question>, start = card()) => {
    const held = edits(start);
    const asked = fakeKitchen({ "POST /api/answers": { status: 204, body: null } });
    showAt(<Questions card={start} questions={[one]} edit={held.edit} />);
    return { held, asked };
  };

  it("take a near name only when it is picked, and remember it", async () => {
    const { held, asked } = ask(question("name", { near: [ingredient("soured_cream")] }));
    expect(held.card.lines[1]?.ingredient).toBe("kefir");
    await userEvent.click(screen.getByRole("button", { name: "soured cream" }));
    expect(held.card.lines[1]?.ingredient).toBe("soured_cream");
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({ phrase: "kefir", ingredient: "soured_cream" }),
    );
  });

  it("settle a list of names with one tap, each named with its guess", async () => {
    const start = card();
    const held = edits(start);
    const asked = fakeKitchen({ "POST /api/answers": { status: 204, body: null } });
    const names = [
      question("name", { line: 1, near: [ingredient("plain_flour")] }),
      question("name", { line: 2, near: [ingredient("soured_cream")] }),
    ];
    showAt(<Questions card={start} questions={names} edit={held.edit} />);
    await userEvent.click(screen.getByRole("button", { name: /^All 2 as guessed: .*kefir is/ }));
    expect(held.card.lines.slice(0, 2).map((one) => one.ingredient)).toEqual([
      "plain_flour",
      "soured_cream",
    ]);
    await waitFor(() => expect(asked).toHaveLength(2));
  });

  it("settle ounces as weight or fluid", async () => {
    const { held, asked } = ask(question("ounces"));
    await userEvent.click(screen.getByRole("button", { name: "Fluid" }));
    expect(held.card.lines[1]).toMatchObject({
      unit_assumed: false,
      amount: { value: 7, unit: "fl oz" },
    });
    await waitFor(() => expect(asked[0]?.body).toEqual({ phrase: "kefir", unit: "fl oz" }));
  });

  it("split a line as the method says", async () => {
    const parts = [
      { name: "in step 2", share: 0.75, written: "150 g" },
      { name: "in step 3", share: 0.25, written: "" },
    ];
    const { held } = ask(question("split", { parts }));
    await userEvent.click(screen.getByRole("button", { name: /150 g in step 2, 25 % in step 3/ }));
    expect(held.card.lines[1]?.parts).toEqual(parts);
  });

  it("leave a line as written when told to, and only a name is remembered", async () => {
    const { held, asked } = ask(question("unread", { line: 3 }));
    await userEvent.click(screen.getByRole("button", { name: "Leave it as written" }));
    expect(held.card.lines[2]).toMatchObject({ text: "some luck", settled: ["unread"] });
    expect(asked).toEqual([]);
  });
});

describe("holes", () => {
  const show = (holes = [hole()], start = card()) => {
    const held = edits(start);
    const onAims = vi.fn();
    const onSay = vi.fn();
    showAt(
      <Holes
        holes={holes}
        card={start}
        edit={held.edit}
        aims={["amounts", "bake_time"]}
        onAims={onAims}
        onSay={onSay}
      />,
    );
    return { held, onAims, onSay };
  };

  it("say what would be assumed, and accept it", async () => {
    const { held } = show();
    expect(screen.getByText("1 missing for")).toBeVisible();
    expect(screen.getByText(/Would be assumed: metric cups of 250 ml/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /^Assume: Which cups/ }));
    expect(held.card.assumed).toEqual(["measure_standard"]);
  });

  it("open the part of the card where they are said", async () => {
    const { onSay } = show([hole(), hole({ code: "pans", field: "pans", text: "The pan." })]);
    await userEvent.click(screen.getByRole("button", { name: "Say it: The pan." }));
    expect(onSay).toHaveBeenLastCalledWith("pans");
    cleanup();
    show([hole({ field: "lines" }), hole({ accepted: true })]);
    expect(screen.queryByRole("button", { name: /^Say it/ })).toBeNull();
  });

  it("stay listed when accepted, and can be taken back", async () => {
    const { held } = show([hole({ accepted: true })], card({ assumed: ["measure_standard"] }));
    expect(screen.getByText("Nothing is missing for")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /^Take back/ }));
    expect(held.card.assumed).toEqual([]);
  });

  it("never say that all is there while something of the pasted text is asked", () => {
    show([], card({ doubts: [{ words: "30 g", why: "“30 g” is on no line.", line: null }] }));
    expect(screen.queryByText("Nothing is missing for")).toBeNull();
  });

  it("offer no assumption where there is none to make", () => {
    show([hole({ code: "setting", text: "The oven setting.", assume: "" })]);
    expect(screen.queryByRole("button", { name: /^Assume/ })).toBeNull();
  });

  it("follow what the card is wanted for", async () => {
    const { onAims } = show();
    await userEvent.click(screen.getByRole("button", { name: "other pans" }));
    expect(onAims).toHaveBeenCalledWith(["amounts", "bake_time", "other_pans"]);
    await userEvent.click(screen.getByRole("button", { name: "bake time" }));
    expect(onAims).toHaveBeenCalledWith(["amounts"]);
  });
});

describe("what is asked about the pasted text", () => {
  it("stands on the desk until she says that it is settled", async () => {
    const doubts = [
      { words: "30 g", why: "“30 g” is on no line.", line: null },
      { words: "160 °C", why: "“160 °C” is another oven setting.", line: null },
    ];
    const held = edits(card({ doubts }));
    showAt(<Doubts card={held.card} edit={held.edit} />);
    expect(screen.getByText("“30 g” is on no line.")).toBeVisible();
    const settled = screen.getAllByRole("button", { name: "It is settled" });
    await userEvent.click(settled[0] as HTMLElement);
    expect(held.card.doubts.map((one) => one.words)).toEqual(["160 °C"]);
  });
});

describe("the card beside its lines", () => {
  const show = (start = card()) => {
    const held = edits(start);
    fakeKitchen(CHOICES);
    showAt(
      <SettlePanel
        card={start}
        seen={desk()}
        edit={held.edit}
        aims={[]}
        onAims={() => undefined}
      />,
    );
    return held;
  };
  const type = async (label: string, text: string) => {
    const field = screen.getByLabelText(label);
    await userEvent.clear(field);
    await userEvent.type(field, `${text}{Enter}`);
  };

  const open = (part: string) =>
    userEvent.click(screen.getByRole("button", { name: new RegExp(`^${part}: `) }));

  it("is one sentence, and opens one part of it at a time", async () => {
    show(
      card({
        style: "creamed",
        setting: { value: 180, scale: "C" },
        oven_kind: "conventional",
        stated_low_min: 28,
        stated_high_min: 32,
        stand_min: 10,
        cooling: "turn_out",
        servings: "Serves 14",
        tags: ["ring"],
      }),
    );
    const said = screen.getByRole("region", { name: "The card" });
    expect(said).toHaveTextContent(
      /no pan named · 180 °C in a conventional oven · 28–32 min · stands 10 min, then is turned out · serves 14/,
    );
    expect(screen.queryByRole("textbox")).toBeNull();
    await open("The oven");
    expect(screen.getByLabelText("Oven")).toHaveValue("180");
    await open("What it makes");
    expect(screen.queryByLabelText("Oven")).toBeNull();
    await open("What it makes");
    expect(screen.queryByRole("textbox")).toBeNull();
  });

  it("says what the card leaves open, and never makes it up", () => {
    show();
    const said = screen.getByRole("region", { name: "The card" });
    for (const words of ["no pan named", "no heat said", "no time said", "standing not said"]) {
      expect(said).toHaveTextContent(words);
    }
    expect(said).toHaveTextContent("how many it serves is not said");
  });

  it("takes an oven setting with its scale", async () => {
    const held = show();
    await open("The oven");
    await type("Oven", "170");
    expect(held.card.setting).toEqual({ value: 170, scale: "C" });
  });

  it("takes one time, a range, and a range typed the wrong way round", async () => {
    let held = show();
    await open("How long it bakes");
    await type("Bakes, min", "34");
    expect([held.card.stated_low_min, held.card.stated_high_min]).toEqual([34, 34]);
    cleanup();
    held = show(card({ stated_low_min: 34, stated_high_min: 34 }));
    await open("How long it bakes");
    await type("to, min", "38");
    expect([held.card.stated_low_min, held.card.stated_high_min]).toEqual([34, 38]);
    cleanup();
    held = show(card({ stated_low_min: 34, stated_high_min: 34 }));
    await open("How long it bakes");
    await type("to, min", "20");
    expect([held.card.stated_low_min, held.card.stated_high_min]).toEqual([34, 34]);
  });

  it("takes tags and signs apart at commas, each once", async () => {
    const held = show();
    await open("Tags, note and source");
    await type("Tags", "ring, fair , ring");
    await open("How long it bakes");
    await type("Done when", "springs back; golden");
    expect(held.card.tags).toEqual(["ring", "fair"]);
    expect(held.card.signs).toEqual(["springs back", "golden"]);
  });

  it("says which style is assumed, and takes another", async () => {
    const held = show();
    await open("The batter");
    expect(screen.getByText("assumed: creamed butter")).toBeVisible();
    await userEvent.click(screen.getByLabelText("Style of the batter"));
    await userEvent.click(await screen.findByRole("option", { name: "foam" }));
    expect(held.card.style).toBe("foam");
  });

  it("keeps a bake in phases", async () => {
    const start = card({ setting: { value: 200, scale: "C" } });
    const held = edits(start);
    showAt(<Phases card={start} edit={held.edit} />);
    await userEvent.click(screen.getByRole("button", { name: "The bake has phases" }));
    expect(held.card.phases).toHaveLength(2);
    cleanup();
    const later = edits(held.card);
    showAt(<Phases card={held.card} edit={later.edit} />);
    const [, second] = screen.getAllByLabelText("Oven, °C");
    if (!second) throw new Error("no second phase");
    await userEvent.clear(second);
    await userEvent.type(second, "160{Enter}");
    expect(later.card.phases[1]?.setting).toEqual({ value: 160, scale: "C" });
    await userEvent.click(screen.getByRole("button", { name: "Take phase 1 away" }));
    expect(later.card.phases).toHaveLength(1);
  });
});

describe("pans of a card", () => {
  const measures = {
    outline: "round" as const,
    across: 18,
    width: null,
    tube: null,
    corner: 0,
    rim_across: null,
    rim_width: null,
    rim_tube: null,
    wall_cm: null,
    wells: 1,
    flutes: 0,
    finish: "bright" as const,
    capacity_ml: null,
    sides: 6,
    points: [],
    loose_base: false,
    patted: false,
  };
  const pan = { label: "round 18", count: 2, measures, assumed: "" };

  it("are read from words", async () => {
    const held = edits(card());
    const asked = fakeKitchen({ "POST /api/readings/pan": { body: { pan } } });
    showAt(<CardPans card={card()} edit={held.edit} />);
    await userEvent.type(screen.getByLabelText("Written for this pan"), "two 18 cm tins{Enter}");
    await waitFor(() => expect(held.card.pans).toEqual([pan]));
    expect(asked[0]?.body).toEqual({ text: "two 18 cm tins" });
  });

  it("keep what cannot be read in the field and say why", async () => {
    const held = edits(card());
    fakeKitchen({
      "POST /api/readings/pan": { status: 422, body: problem("x", "No pan can be read there.") },
    });
    showAt(<CardPans card={card()} edit={held.edit} />);
    await userEvent.type(screen.getByLabelText("Written for this pan"), "a big one{Enter}");
    expect(await screen.findByText("No pan can be read there.")).toBeVisible();
    expect(screen.getByLabelText("Written for this pan")).toHaveValue("a big one");
    expect(held.card.pans).toEqual([]);
  });

  it("take any pan of the rack, a tray with all its wells", async () => {
    const held = edits(card());
    fakeKitchen({
      "GET /api/pans": {
        body: [
          {
            id: 3,
            label: "Tray of 6",
            wells: 6,
            measures: { ...measures, wells: 6 },
            damaged: false,
          },
          { id: 4, label: "Bent", wells: 1, measures, damaged: true },
        ],
      },
    });
    showAt(<CardPans card={card()} edit={held.edit} />);
    await userEvent.click(screen.getByRole("button", { name: "From the rack" }));
    await userEvent.click(await screen.findByRole("menuitem", { name: "Tray of 6" }));
    expect(screen.queryByRole("menuitem", { name: "Bent" })).toBeNull();
    expect(held.card.pans).toEqual([
      { label: "Tray of 6", count: 6, measures: { ...measures, wells: 6 }, assumed: "" },
    ]);
  });

  it("say what is assumed of them, and hold the time of another", async () => {
    const start = card({
      pans: [{ ...pan, assumed: "a tin called 2 lb taken to hold 1900 ml" }],
      offers: [{ pan: { ...pan, label: "round 15", count: 1 }, low_min: 44, high_min: 50 }],
    });
    const held = edits(start);
    showAt(<CardPans card={start} edit={held.edit} />);
    expect(screen.getByText(/Assumed: a tin called 2 lb/)).toBeVisible();
    expect(screen.getByText(/round 15, 44–50 min/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Take the time of round 15 away" }));
    expect(held.card.offers).toEqual([]);
    expect(held.card.pans).toHaveLength(1);
  });

  it("take a wall in inches, and a count that is a whole number", async () => {
    const start = card({ pans: [pan] });
    const held = edits(start);
    const asked = fakeKitchen({
      "POST /api/readings/pan/measures": {
        body: { pan: { ...pan, measures: { ...measures, wall_cm: 5.08 } } },
      },
    });
    showAt(<CardPans card={start} edit={held.edit} />);
    await userEvent.type(screen.getByLabelText("Wall, cm"), "2 in{Enter}");
    await waitFor(() => expect(held.card.pans[0]?.measures.wall_cm).toBe(5.08));
    expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
      pan: { across: 18, wall_cm: "2 in" },
    });
    await userEvent.clear(screen.getByLabelText("How many"));
    await userEvent.type(screen.getByLabelText("How many"), "none{Enter}");
    expect(screen.getByText("1 to 200")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Take round 18 away" }));
    expect(held.card.pans).toEqual([]);
  });
});
