import { cleanup, renderHook, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Card, FinishAnswer, Finishing, FinishPart } from "../src/api/client";
import { bandsOf, borderOf, cakeScale, carvedHalf, dripsOf } from "../src/domain/cake";
import { CakeDrawing, cakeWords } from "../src/finish/CakeDrawing";
import { FinishParts } from "../src/rooms/fit/finish/FinishParts";
import { FinishLine } from "../src/finish/FinishLine";
import { OrderOfWork } from "../src/rooms/fit/finish/OrderOfWork";
import { settled } from "../src/finish/finishing";
import { useFinishing } from "../src/rooms/fit/finish/useFinishing";
import { FinishPanel } from "../src/rooms/recipes/desk/finish/FinishPanel";
import { PrintFinish } from "../src/rooms/fit/print/PrintFinish";
import { card, edits } from "./cards";
import { fakeKitchen, showAt } from "./fakeKitchen";
import { finishedCake, finishedLayer, fit, KITCHEN, listening } from "./fixtures";

afterEach(cleanup);
beforeEach(() => {
  fakeKitchen(KITCHEN);
});

const part = (changes: Partial<FinishPart> = {}): FinishPart => ({
  key: "frosting-0",
  title: "Bergamot buttercream",
  kind: "buttercream",
  house: false,
  was_g: 520,
  now_g: 520,
  needed_g: 754,
  spare_g: 75,
  make_g: 829,
  factor: 1.59,
  enough_for: "The scaled 520 g is enough for 69 % of it: make 1.59 times as much.",
  short: true,
  kept_share: 1,
  uses: [{ key: "coat", words: "coat of 0.5 cm, all round", grams: 435 }],
  made_from: [{ name: "Icing sugar", was_g: 320, g: 510, count: "" }],
  ready: "pale",
  use_at: "20 to 23 °C",
  holds: "cool 2 days",
  put_right: "Stiff: milk.",
  origins: { needed_g: { origin: "worked_out", note: "volume × density", assumptions: [] } },
  ...changes,
});

describe("the cake in section", () => {
  it("stands layer on layer, with a join between each", () => {
    const bands = bandsOf(finishedCake());
    expect(bands.map((one) => one.kind)).toEqual(["layer", "filling", "layer"]);
    expect(bands.at(-1)?.to).toBeCloseTo(8.4);
    expect(bandsOf(finishedCake({ fillings: [] })).map((one) => one.kind)).toEqual([
      "layer",
      "layer",
    ]);
  });

  it("shows the drips and the border that face one, in true number", () => {
    const drips = dripsOf(finishedCake());
    expect(drips.length).toBeGreaterThanOrEqual(6);
    expect(drips.length).toBeLessThanOrEqual(7);
    for (const one of drips) {
      expect(one.x).toBeLessThanOrEqual(21.4 / 2);
      expect(one.length).toBeLessThanOrEqual(4);
    }
    expect(borderOf(finishedCake()).length).toBeGreaterThanOrEqual(9);
    expect(dripsOf(finishedCake({ drips: 0 }))).toEqual([]);
    // A quarter of all drips face the half that is drawn; each hangs on the edge, none like the next.
    const round = finishedCake({ drips: 28, drip_cm: 4, width_cm: 22 });
    const seen = dripsOf(round);
    expect(seen.length).toBe(7);
    expect(seen.map((one) => one.x)).toEqual([...seen.map((one) => one.x)].sort((a, b) => a - b));
    expect(seen[0]?.x).toBeCloseTo(11 * Math.sin(Math.PI / 28), 6);
    expect(seen.every((one) => one.x > 0 && one.x < 11 && one.length <= 4)).toBe(true);
    expect(seen[1]?.length).toBe(4);
    expect(seen.every((one, i) => one.length !== seen[i + 1]?.length)).toBe(true);
    expect(seen[0]?.wide).toBeGreaterThan(seen[6]?.wide ?? 9);
    // Pieces stand half their width inside the edge, the one that faces one drawn last.
    const piped = borderOf(finishedCake({ border: 24, border_cm: 3, width_cm: 22 }));
    expect(Math.max(...piped.map((one) => Math.abs(one.x)))).toBeLessThanOrEqual(9.5);
    expect(piped.at(-1)?.share).toBeGreaterThan(0.95);
    expect(piped.every((one, i) => i === 0 || one.share >= (piped[i - 1]?.share ?? 0))).toBe(true);
    expect(piped.length).toBeLessThanOrEqual(14);
    expect(Math.abs((piped[0]?.x ?? 0) + (piped[1]?.x ?? 0))).toBeLessThan(1e-6);
  });

  it("keeps true proportions at any size of room", () => {
    expect(cakeScale(finishedCake(), 300, 400)).toBeLessThan(cakeScale(finishedCake(), 600, 400));
    expect(cakeScale(finishedCake(), 600, 400) * 29).toBeLessThanOrEqual(600);
  });

  it("follows a carved profile between its marks", () => {
    const marks = [
      [0, 20],
      [10, 10],
    ] as [number, number][];
    expect(carvedHalf(marks, 0)).toBe(10);
    expect(carvedHalf(marks, 5)).toBe(7.5);
    expect(carvedHalf(marks, 99)).toBe(5);
  });

  it("says in words what it shows, in the kitchen's units", () => {
    expect(cakeWords(finishedCake(), "metric")).toBe(
      "Round 20, finished, 2 layers, filled 0.8 cm thick, coated, 27 drips, " +
        "18 piped pieces along the edge, 9.1 cm high, 2.1 kg",
    );
    expect(cakeWords(finishedCake(), "us")).toContain("3⅝ in high");
  });

  it.each(["stack", "ring", "loaf", "ball", "small", "pieces"] as const)(
    "is drawn for a %s, and opens what a tapped part can be",
    async (kind) => {
      const onPart = vi.fn();
      const { container } = showAt(
        <CakeDrawing
          cake={finishedCake({
            kind,
            pieces: kind === "pieces" ? 12 : 0,
            tube_cm: kind === "ring" ? 7 : 0,
          })}
          parts={[part()]}
          units="metric"
          alone
          onPart={onPart}
        />,
      );
      expect(screen.getByRole("img")).toBeInTheDocument();
      expect(container.querySelectorAll(".cut").length).toBeGreaterThan(0);
      if (kind === "stack") {
        await userEvent.click(screen.getByText("Bergamot buttercream, 435 g"));
        expect(onPart).toHaveBeenCalledWith("coat");
      }
    },
  );
});

const AS_USUAL = { level: "edge", drip: false, press: "none" } as FinishAnswer["own"]["finish"];

const answer = (changes: Partial<FinishAnswer> = {}): FinishAnswer => ({
  own: { finish: AS_USUAL, settled: false, said: [], version: 1 },
  cakes: [finishedCake()],
  components: [part()],
  trim_g: 150,
  trim_ml: 330,
  trim_words: "crumbs to press on",
  steps: [],
  findings: [],
  in_pans: [],
  supports: [],
  stacked: null,
  drenched: 0.9,
  ...changes,
});

const hand = (change = vi.fn()) => ({
  now: {},
  change,
  open: null,
  setOpen: vi.fn(),
  take: vi.fn(),
});

describe("what goes on it", () => {
  it("works back from what is left once it is made", async () => {
    const change = vi.fn();
    showAt(<FinishParts done={answer()} units="metric" finishing={hand(change)} />);
    await userEvent.click(screen.getByRole("button", { name: "More about Bergamot buttercream" }));
    await userEvent.click(
      screen.getByRole("button", { name: /^Less: Left of Bergamot buttercream/ }),
    );
    expect(change).toHaveBeenCalledWith({ yields: { "frosting-0": 0.95 } });
  });

  it("counts what lies on top, and says what it goes by", async () => {
    const slices = part({
      key: "decoration-0",
      title: "To decorate",
      make_g: 0,
      factor: null,
      made_from: [{ name: "Plum slices", was_g: null, g: 0, count: "11" }],
    });
    const change = vi.fn();
    showAt(
      <FinishParts
        done={answer({ components: [slices] })}
        units="metric"
        finishing={hand(change)}
      />,
    );
    expect(screen.getByText("11")).toBeVisible();
    expect(screen.getByText("11 plum slices")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "More about To decorate" }));
    await userEvent.click(screen.getByRole("radio", { name: "By its edge" }));
    expect(change).toHaveBeenCalledWith({ top_by: "edge" });
  });

  it("names what goes into each pan first, and what stands under tiers", () => {
    const done = answer({
      in_pans: [{ pan: "Mini", first: true, lines: [{ name: "Butter", g: 12 }] }],
      supports: [
        {
          tier: "Round 25",
          above: "Round 15",
          count: 5,
          height_cm: 9.1,
          circle_cm: 10.4,
          board_cm: 15,
          load_g: 1200,
        },
      ],
    });
    showAt(<FinishParts done={done} units="metric" finishing={hand()} />);
    expect(screen.getByText(/12 g butter/)).toBeInTheDocument();
    expect(screen.getByText(/5 supports cut to 9.1 cm/)).toHaveTextContent(
      "Round 15 on a board of 15 cm, never wider than it. 1.2 kg stand on them.",
    );
    cleanup();
    const stacked = { tiers: [], height_cm: 19.4, width_cm: 26, mass_g: 5300, box_cm: 23 };
    showAt(<FinishParts done={answer({ stacked })} units="us" finishing={hand()} />);
    expect(screen.getByText("Stacked:").parentElement).toHaveTextContent(
      "Stacked: 7⅝ in high, 11 lb 11 oz without boards; a box at least 9 in high.",
    );
  });

  it("says card, make, short, and opens to when it is ready", async () => {
    showAt(<FinishParts done={answer()} units="metric" finishing={hand()} />);
    expect(screen.getByText("520 g")).toBeVisible();
    expect(screen.getByText("829 g")).toHaveAttribute("data-origin", "worked_out");
    expect(screen.getByText(/make 1.59 times/)).toBeVisible();
    expect(screen.queryByText(/Use at/)).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "More about Bergamot buttercream" }));
    expect(screen.getByText("Use at 20 to 23 °C.")).toBeInTheDocument();
    expect(screen.getByText("510 g icing sugar")).toBeInTheDocument();
  });

  it("asks where a part goes that nothing takes, and puts it there at a tap", async () => {
    const change = vi.fn();
    const glaze = part({ key: "glaze-2", title: "Lemon glaze", uses: [] });
    showAt(
      <FinishParts
        done={answer({ components: [glaze] })}
        units="metric"
        finishing={hand(change)}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "Lemon glaze: as a drip" }));
    expect(change).toHaveBeenLastCalledWith({ drip: true });
  });

  it("shows ounces where the kitchen reads them, and what an empty card can do", () => {
    showAt(<FinishParts done={answer()} units="us" finishing={hand()} />);
    expect(screen.getByText(/1 lb 13 oz/)).toBeInTheDocument();
    cleanup();
    showAt(
      <FinishParts
        done={answer({ components: [], trim_g: 0 })}
        units="metric"
        finishing={hand()}
      />,
    );
    expect(screen.getByText(/a house formula stands in/)).toBeInTheDocument();
  });
});

describe("the order of work", () => {
  const step = { key: "x", name: "Cool", hands_min: 2, wait_min: 130, sign: "26 °C", caution: "" };

  it("adds hands and waiting, and says cautions once", () => {
    const hot = {
      ...step,
      key: "y",
      name: "Boil",
      hands_min: 8,
      wait_min: 0,
      caution: "Hot sugar.",
    };
    showAt(<OrderOfWork steps={[step, hot, { ...hot, key: "z" }]} />);
    expect(screen.getByText(/hands 18 min · waiting 2 h 10/)).toBeInTheDocument();
    expect(screen.getByText(/Hot sugar\.$/)).toBeInTheDocument();
  });
});

describe("the line of the finish", () => {
  const open = async (about: string) => {
    await userEvent.click(
      screen.getByRole("button", { name: (name) => name.startsWith(`${about}: `) }),
    );
    return screen.getByRole("dialog", { name: about });
  };
  const line = (
    now: Finishing = {},
    cakes = [finishedCake()],
    units: "metric" | "us" = "metric",
    parts = [part()],
  ) => {
    const change = vi.fn();
    showAt(
      <FinishLine
        done={answer({ cakes, components: parts })}
        finishing={{ ...hand(change), now }}
        units={units}
      />,
    );
    return change;
  };

  it("says what the kitchen worked out, in its units", () => {
    line({ drip: true, border: "rosette", press: "nuts" });
    const words = screen.getAllByRole("button").map((one) => one.textContent);
    expect(words.join(" ").replaceAll(" ▾", "")).toBe(
      "level to the edge a cake of each row soak 5 % fill 0.8 cm with a dam coat 0.5 cm drip 4 cm 18 rosettes nuts on the sides not carved",
    );
    cleanup();
    line({}, [finishedCake({ dam_cm: 0, drips: 0, border: 0 })], "us");
    expect(screen.getByRole("button", { name: "Filling: fill 5/16 in" })).toBeVisible();
    expect(screen.getByRole("button", { name: "Glaze and drip: no drip" })).toBeVisible();
  });

  it("sets what lies in a join on the first filling, a warm soak, and one that drenches", async () => {
    const fillings = [
      { component: "filling-1", thick_cm: 0.3 },
      { component: "filling-2", thick_cm: 0.6 },
    ];
    const change = line({}, [finishedCake({ fillings, filling_cm: 0.9 })], "metric", [
      part({ key: "filling-2", title: "Vanilla cream" }),
    ]);
    await userEvent.click(
      within(await open("Filling")).getByRole("button", { name: /^More: Vanilla cream on it/ }),
    );
    expect(change).toHaveBeenLastCalledWith({ fillings_cm: { "filling-2": 0.7 } });
    await userEvent.keyboard("{Escape}");
    const soak = within(await open("Soak"));
    await userEvent.click(soak.getByRole("checkbox", { name: /^Warm/ }));
    expect(change).toHaveBeenLastCalledWith({ soak_hot: true });
    await userEvent.click(soak.getByRole("button", { name: "Drenched, 90 %" }));
    expect(change).toHaveBeenLastCalledWith({ soak: 0.9 });
  });

  it("cuts a sheet by its pieces, which keep their size until told, and says which faces are dipped", async () => {
    const change = line({ pieces: 12 }, [finishedCake({ kind: "pieces", pieces: 18 })]);
    expect(screen.getByRole("button", { name: /cut in 18 pieces/ })).toBeVisible();
    const cut = within(await open("Stacking and cutting"));
    await userEvent.click(
      cut.getByRole("button", { name: /^More: A sheet cut in so many pieces/ }),
    );
    expect(change).toHaveBeenLastCalledWith({ pieces: 19, piece_cm: null, stack: 1 });
    await userEvent.click(cut.getByRole("radio", { name: "The top alone" }));
    expect(change).toHaveBeenLastCalledWith({ dipped: "top" });
  });

  it("shows the height that was levelled to, and takes another", async () => {
    const change = line({ level: "to", split: 2, dome_cm: 1 }, [finishedCake({ split: 2 })]);
    expect(
      screen.getByRole("button", {
        name: "Levelling and splitting: level to 7.6 cm (dome 1 cm), split in 2",
      }),
    ).toBeVisible();
    const dialog = await open("Levelling and splitting");
    await userEvent.click(within(dialog).getByRole("radio", { name: /Leave the dome/ }));
    expect(change).toHaveBeenLastCalledWith({ level: "leave", level_cm: null });
  });

  it("invents no sizes: a carve and a hollow are asked for, their sizes come with the answer", async () => {
    const change = line();
    await userEvent.click(within(await open("Carve")).getByRole("radio", { name: "Taper" }));
    expect(change).toHaveBeenLastCalledWith({ carve: { profile: "taper" } });
    await userEvent.click(screen.getByRole("checkbox", { name: "A hollow inside, filled" }));
    expect(change).toHaveBeenLastCalledWith({
      hollow: true,
      hollow_cm: null,
      hollow_high_cm: null,
    });
    expect(screen.queryByLabelText(/Hollow, across/)).toBeNull();
  });

  it("goes back to the usual by taking away what was chosen", async () => {
    const change = line({ soak: 0.5 });
    await userEvent.click(within(await open("Soak")).getByRole("button", { name: "The usual" }));
    expect(change).toHaveBeenLastCalledWith({ soak: null, soak_hot: null });
  });

  it("asks of small cakes only what small cakes have", () => {
    const small = [
      finishedCake({ kind: "small", layers: [finishedLayer(4, 7)], drips: 0, border: 0 }),
    ];
    const named = () => screen.getAllByRole("button").map((one) => one.getAttribute("aria-label"));
    line({}, small);
    // No component is used for a swirl: none is counted, so none is said.
    expect(named()).toEqual(["Soak: soak 5 %", "On small cakes: on top: nothing"]);
    cleanup();
    line({}, small, "metric", [
      part({ uses: [{ key: "swirl", words: "12 × 45 ml", grams: 500 }] }),
    ]);
    expect(named()).toEqual(["Soak: soak 5 %", "On small cakes: on top: a swirl"]);
  });
});

describe("what was chosen for the finish", () => {
  it("keeps what is chosen, drops what is null, and is nothing again when all is the usual", () => {
    const { hand: choices, last } = listening({ finishing: { drip: true, drip_cm: 4 } });
    const { result } = renderHook(() => useFinishing(choices, {}));
    expect(result.current.now).toEqual({ drip: true, drip_cm: 4 });
    result.current.change({ drip_cm: null, soak: 0.1 });
    expect(last()).toEqual({ finishing: { drip: true, soak: 0.1 } });
    result.current.change({ drip: null, drip_cm: null });
    expect(last()).toEqual({ finishing: null });
  });

  it("starts from what the card says, and is nothing again when it says the same", () => {
    const own = settled({ ...AS_USUAL, split: 2, drip: true, yields: {} });
    expect(own).toEqual({ split: 2, drip: true });
    const { hand: choices, last } = listening({ finishing: null });
    const { result } = renderHook(() => useFinishing(choices, own));
    expect(result.current.now).toEqual(own);
    result.current.change({ coat_cm: 1 });
    expect(last()).toEqual({ finishing: { split: 2, drip: true, coat_cm: 1 } });
    result.current.change({ coat_cm: null });
    expect(last()).toEqual({ finishing: null });
  });
});

describe("the finish on paper", () => {
  it("has what to make, the order with hands and waiting, and what to watch for", async () => {
    const warned = {
      severity: "warn",
      code: "short",
      text: "The caramel is short.",
      hint: "",
      entry: null,
      field: "",
      subject: "",
      numbers: {},
    } as const;
    fakeKitchen({
      ...KITCHEN,
      "POST /api/fit/finish": {
        body: answer({
          steps: [
            {
              key: "cool",
              name: "Cool",
              hands_min: 2,
              wait_min: 130,
              sign: "26 °C inside",
              caution: "",
            },
          ],
          findings: [warned, { ...warned, severity: "note", code: "kept", text: "A note." }],
        }),
      },
    });
    showAt(<PrintFinish fit={fit({})} request={{ recipe: 1 }} />);
    expect(await screen.findByText(/: finish$/)).toBeInTheDocument();
    const row = screen.getByText("Bergamot buttercream").closest("tr");
    expect(row).toHaveTextContent("510 g icing sugar");
    expect(row).toHaveTextContent("829 g");
    expect(screen.getByText("Cool").closest("li")?.textContent.replaceAll("\u00a0", " ")).toBe(
      "Cool hands 2 min, wait 2 h 10: 26 °C inside ",
    );
    expect(screen.getByText("The caramel is short.")).toBeInTheDocument();
    expect(screen.queryByText("A note.")).toBeNull();
  });
});

describe("the finish of a card on its desk", () => {
  const shown = async (own: Partial<FinishAnswer["own"]> = {}) => {
    const held = edits(card());
    const asked = fakeKitchen({
      ...KITCHEN,
      "POST /api/desk/finish": {
        body: answer({ own: { finish: AS_USUAL, settled: false, said: [], version: 0, ...own } }),
      },
    });
    showAt(<FinishPanel card={held.card} edit={held.edit} />);
    await screen.findByRole("img");
    return { held, asked };
  };

  it("is drawn in its own pans, with the sentence it comes from, and changed by a word", async () => {
    const { held, asked } = await shown({ said: ["Coat the top and sides."] });
    expect(asked.some((one) => JSON.stringify(one.body) === JSON.stringify({ card: card() }))).toBe(
      true,
    );
    expect(screen.getByText("“Coat the top and sides.”")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /^Soak: / }));
    await userEvent.click(screen.getByRole("button", { name: "None" }));
    expect(held.card.finish).toMatchObject({ soak: 0 });
  });

  it("goes by its method again once it was settled", async () => {
    const { held } = await shown({ settled: true });
    held.edit((now) => ({ ...now, finish: { soak: 0.3 } as Card["finish"] }));
    await userEvent.click(screen.getByRole("button", { name: "Go by the method again" }));
    expect(held.card.finish).toBeNull();
  });
});
