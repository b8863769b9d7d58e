import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { FinishedCake } from "../src/api/client";
import { addPoint, behind, movePoint, removePoint } from "../src/domain/profile";
import { tiersOf } from "../src/domain/tiers";
import { weight } from "../src/domain/units";
import { Covers } from "../src/finish/CarveSizes";
import { CutPlan } from "../src/rooms/fit/finish/CutPlan";
import { EnlargeDialog } from "../src/rooms/fit/finish/EnlargeDialog";
import { ProfileEditor } from "../src/finish/ProfileEditor";
import { TiersDrawing } from "../src/finish/TiersDrawing";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { finishedCake } from "./fixtures";

beforeEach(() => {
  fakeKitchen({ "GET /api/kitchen": { body: { units: "metric" } } });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const POINTS = [
  { up_cm: 0, wide_cm: 20 },
  { up_cm: 5, wide_cm: 16 },
  { up_cm: 10, wide_cm: 12 },
];

describe("a drawn profile", () => {
  it("keeps its first point on the board and every other between its neighbours", () => {
    expect(movePoint(POINTS, 0, 4, 22)[0]).toEqual({ up_cm: 0, wide_cm: 22 });
    expect(movePoint(POINTS, 1, 99, 16)[1]?.up_cm).toBe(9.8);
    expect(movePoint(POINTS, 1, -3, -5)[1]).toEqual({ up_cm: 0.2, wide_cm: 0 });
    expect(movePoint(POINTS, 2, 12.34, 9)[2]).toEqual({ up_cm: 12.3, wide_cm: 9 });
  });

  it("takes a point half way, and gives one back, but never the foot", () => {
    expect(addPoint(POINTS, 0)[1]).toEqual({ up_cm: 2.5, wide_cm: 18 });
    expect(addPoint(POINTS, 2)[3]).toEqual({ up_cm: 12, wide_cm: 12 });
    const close = [
      { up_cm: 0, wide_cm: 20 },
      { up_cm: 0.3, wide_cm: 18 },
    ];
    expect(addPoint(close, 0)).toEqual(close);
    expect(removePoint(POINTS, 1)).toEqual([POINTS[0], POINTS[2]]);
    expect(removePoint(POINTS, 0)).toEqual(POINTS);
  });

  it("is drawn over the stack it is cut from", () => {
    const cake = finishedCake({});
    expect(behind(cake.layers, 1).map((one) => one.foot_cm)).toEqual([0, 4.8]);
  });

  const editor = () => {
    const change = vi.fn();
    showAt(
      <ProfileEditor
        points={POINTS}
        layers={finishedCake({}).layers}
        filling={0.7}
        onChange={change}
      />,
    );
    return change;
  };

  it("is moved by the arrow keys", () => {
    const change = editor();
    const point = screen.getByRole("slider", { name: "Point 2 of 3" });
    expect(point).toHaveAttribute("aria-valuetext", "16 cm wide, 5 cm up");
    fireEvent.keyDown(point, { key: "ArrowUp" });
    expect(change).toHaveBeenLastCalledWith(movePoint(POINTS, 1, 5.5, 16));
    fireEvent.keyDown(point, { key: "ArrowLeft" });
    expect(change).toHaveBeenLastCalledWith(movePoint(POINTS, 1, 5, 15));
    change.mockClear();
    fireEvent.keyDown(point, { key: "x" });
    expect(change).not.toHaveBeenCalled();
  });

  it("is dragged, and told once when it is let go", () => {
    const change = editor();
    const sheet = screen.getByRole("group", { name: /Half profile/ });
    fireEvent.pointerDown(screen.getByRole("slider", { name: "Point 3 of 3" }));
    fireEvent.pointerMove(sheet, { clientX: 60, clientY: 60 });
    fireEvent.pointerMove(sheet, { clientX: 80, clientY: 40 });
    expect(change).not.toHaveBeenCalled();
    fireEvent.pointerUp(sheet);
    expect(change).toHaveBeenCalledTimes(1);
  });

  it("takes typed sizes of the point that is chosen, and more or fewer points", async () => {
    const change = editor();
    fireEvent.focus(screen.getByRole("slider", { name: "Point 2 of 3" }));
    expect(screen.getByRole("spinbutton", { name: "Point 2, up, cm" })).toHaveValue("5");
    await userEvent.click(screen.getByRole("button", { name: "Another point" }));
    expect(change).toHaveBeenLastCalledWith(addPoint(POINTS, 1));
    await userEvent.click(screen.getByRole("button", { name: "Take it away" }));
    expect(change).toHaveBeenLastCalledWith(removePoint(POINTS, 1));
  });
});

describe("pans a shape is cut from", () => {
  const layer = (changes: object) => ({
    pan: 4,
    label: "Round 20",
    beside: 1,
    height_cm: 4.5,
    wide_cm: 19,
    batter_g: 620,
    ...changes,
  });

  it("are taken with one tap", async () => {
    const take = vi.fn();
    showAt(
      <Covers
        layers={[layer({}), layer({ label: "Round 15" })]}
        title="From your rack"
        onTake={take}
      />,
    );
    expect(screen.getByRole("list")).toHaveTextContent("Round 15, 4.5 cm high");
    await userEvent.click(screen.getByRole("button", { name: "Take these pans" }));
    expect(take).toHaveBeenCalled();
  });

  it("are not stacked where they lie side by side", () => {
    showAt(<Covers layers={[layer({ beside: 3 })]} title="From your rack" onTake={vi.fn()} />);
    expect(screen.getByRole("list")).toHaveTextContent("3 side by side: Round 20");
    expect(screen.queryByRole("button", { name: "Take these pans" })).toBeNull();
  });

  it("are not taken where the rack has none", () => {
    showAt(<Covers layers={[layer({ pan: null })]} title="From your rack" onTake={vi.fn()} />);
    expect(screen.getByRole("list")).toHaveTextContent("no pan covers 19 cm");
    expect(screen.getByRole("button", { name: "Take these pans" })).toBeDisabled();
  });
});

const cakes: FinishedCake[] = [
  finishedCake({ label: "Round 15", width_cm: 16, height_cm: 8 }),
  finishedCake({ label: "Round 20", width_cm: 21, height_cm: 8.4 }),
];

describe("tiers", () => {
  it("stand on each other, the widest at the foot, small cakes apart", () => {
    const tiers = tiersOf([...cakes, finishedCake({ kind: "small", width_cm: 60 })]);
    expect(tiers.map((one) => [one.cake.label, one.foot_cm])).toEqual([
      ["Round 20", 0],
      ["Round 15", expect.closeTo(8.7)],
    ]);
  });

  it("are drawn as one cake with what carries them, and say their height", () => {
    showAt(
      <TiersDrawing
        cakes={cakes}
        supports={[
          {
            tier: "Round 20",
            above: "Round 15",
            count: 5,
            height_cm: 8.4,
            circle_cm: 11,
            board_cm: 15,
            load_g: 1200,
          },
        ]}
        stacked={{
          tiers: ["Round 20", "Round 15"],
          height_cm: 17.5,
          width_cm: 21,
          mass_g: 2640,
          box_cm: 24,
        }}
        parts={[]}
        units="metric"
        onPart={vi.fn()}
      />,
    );
    const drawing = screen.getByRole("img", { name: /^2 tiers, 17.5 cm high/ });
    expect(within(drawing).getByText(weight(2640, "metric"))).toBeInTheDocument();
    expect(drawing.querySelectorAll(".support").length).toBe(2);
    expect(within(drawing).getByText("Round 20")).toBeInTheDocument();
  });

  it("are nothing without a stack", () => {
    showAt(
      <TiersDrawing
        cakes={[]}
        supports={[]}
        stacked={null}
        parts={[]}
        units="metric"
        onPart={vi.fn()}
      />,
    );
    expect(screen.queryByRole("img")).toBeNull();
  });
});

describe("the cutting plan", () => {
  it("draws every cut, and says portions and the order", () => {
    const serving = {
      outline: ["0,0 10,0 10,10"],
      cuts: ["0,0 5,5", "0,0 -5,5"],
      pieces: 12,
      origin: { origin: "worked_out" as const, note: "", assumptions: [] },
      portion: "dessert slices",
      words: "Cut through the middle.",
    };
    showAt(<CutPlan cake={finishedCake({ serving, count: 2 })} alone={false} />);
    const drawn = screen.getByRole("img", { name: /from above, cut in 12/ });
    expect(drawn.querySelectorAll("polyline")).toHaveLength(2);
    expect(screen.getByText("12 portions")).toBeInTheDocument();
    expect(screen.getByText("each cake, dessert slices")).toBeInTheDocument();
  });

  it("is nothing for what is a portion already", () => {
    showAt(<CutPlan cake={finishedCake({ kind: "small" })} alone />);
    expect(screen.queryByRole("img")).toBeNull();
  });
});

describe("a thing made as a cake", () => {
  const answer = {
    factor: 6,
    length_cm: 30,
    width_cm: 21,
    height_cm: 9,
    is_round: false,
    layers: [{ pan: 7, label: "Sheet", beside: 1, height_cm: 4.5, wide_cm: 30, batter_g: 1840 }],
    kept_g: 3068,
    batter_g: 3680,
    coat_g: 767,
    board_cm: 38,
    findings: [],
    origins: {},
  };
  const dialog = (reply: object = { body: answer }) => {
    const asked = fakeKitchen({
      "GET /api/kitchen": { body: { units: "metric" } },
      "POST /api/fit/enlarge": reply as never,
    });
    const take = vi.fn();
    const close = vi.fn();
    showAt(
      <EnlargeDialog
        request={{ recipe: 1, into: [] }}
        batter={1500}
        finishing={{ now: {}, change: vi.fn(), open: null, setOpen: vi.fn(), take }}
        onClose={close}
      />,
    );
    return { asked, take, close };
  };
  const last = (asked: { path: string; body?: unknown }[]) =>
    asked.filter((one) => one.path === "/api/fit/enlarge").at(-1)?.body;

  it("says its size, what it takes and from which pans, and takes them", async () => {
    const { asked, take, close } = dialog();
    expect(await screen.findByText("30 cm × 21 cm, 9 cm high")).toBeInTheDocument();
    expect(last(asked)).toMatchObject({ length_cm: 5, width_cm: 3.5, height_cm: 1.5, factor: 6 });
    await userEvent.click(screen.getByRole("button", { name: "Take these pans" }));
    expect(take).toHaveBeenCalledWith(answer.layers);
    expect(close).toHaveBeenCalled();
  });

  it("asks by exactly one of factor, length and batter; a round one has no width", async () => {
    const { asked } = dialog();
    await screen.findByText("30 cm × 21 cm, 9 cm high");
    await userEvent.click(screen.getByRole("radio", { name: "As far as the batter goes" }));
    await waitFor(() => expect(last(asked)).toMatchObject({ batter_g: 1500 }));
    expect(last(asked)).not.toHaveProperty("factor");
    await userEvent.click(screen.getByRole("checkbox", { name: "It is round" }));
    await waitFor(() => expect(last(asked)).toMatchObject({ width_cm: null }));
    await userEvent.click(screen.getByRole("radio", { name: "To a length" }));
    await waitFor(() => expect(last(asked)).toMatchObject({ wanted_cm: 30 }));
  });

  it("says why a size cannot be, and shows no numbers then", async () => {
    dialog({ status: 422, body: problem("impossible_choice", "That would be 300 cm.") });
    expect(await screen.findByText("That would be 300 cm.")).toBeInTheDocument();
    expect(screen.queryByText(/of batter in the cake itself/)).toBeNull();
  });
});
