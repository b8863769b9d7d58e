import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useLocation } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Fit } from "../src/api/client";
import { FitHead } from "../src/rooms/fit/FitHead";
import type { FitStateName } from "../src/rooms/fit/FitHead";
import { FitRoom } from "../src/rooms/fit/FitRoom";
import { PhoneSummary } from "../src/rooms/fit/PhoneSummary";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { bake, fit, inHand, KITCHEN, pan } from "./fixtures";

const AT = `/fit?recipe=1&into=${encodeURIComponent('[{"pan":1,"count":1}]')}`;
const ANSWERS = { ...KITCHEN, "GET /api/ovens": { body: [] }, "GET /api/pans": { body: [] } };

beforeEach(() => {
  vi.stubGlobal("matchMedia", () => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  }));
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {
        return undefined;
      }
      disconnect() {
        return undefined;
      }
    },
  );
  localStorage.clear();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function Where() {
  const { pathname, search } = useLocation();
  return <output aria-label="Address">{pathname + search}</output>;
}

const room = (state: FitStateName, answer: Fit = fit({}), path = AT) => {
  const asked = fakeKitchen({ ...ANSWERS, "POST /api/fit": { body: answer } });
  window.history.replaceState(null, "", path);
  showAt(
    <>
      <FitRoom state={state} />
      <Where />
    </>,
    path,
  );
  return asked;
};

describe("the Fit room", () => {
  it("asks what to bake while no recipe is chosen", async () => {
    fakeKitchen({ ...ANSWERS, "GET /api/recipes": { body: { rows: [], total: 0, tags: [] } } });
    showAt(<FitRoom state="choose" />, "/fit");
    expect(await screen.findByText("What are you baking?")).toBeInTheDocument();
  });

  it("asks the kitchen for what the address holds, and nothing that is not there", async () => {
    const asked = room("choose");
    await screen.findByRole("list", { name: "Chosen pans" });
    expect(asked.find((one) => one.path === "/api/fit")?.body).toEqual({
      recipe: 1,
      into: [{ pan: 1, count: 1 }],
    });
  });

  it("says why a fit cannot be opened, with a way on", async () => {
    const asked = fakeKitchen({
      ...ANSWERS,
      "POST /api/fit": { status: 404, body: problem("not_here", "This pan is not on the rack.") },
    });
    showAt(<FitRoom state="choose" />, AT);
    expect(await screen.findByText("This pan is not on the rack.")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Choose a recipe" })).toBeInTheDocument();
    const before = asked.length;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(asked.length).toBeGreaterThan(before));
  });

  it.each([
    ["weigh", "Choose pans first; then there is something to weigh."],
    ["bake", "Choose pans first; then there is something to bake."],
  ] as const)("has nothing to %s before pans are chosen", async (state, words) => {
    room(state, fit({ factor: null, pans: [], bakes: [] }));
    expect(await screen.findByText(words)).toBeInTheDocument();
  });

  it("offers the rack while no pan is chosen", async () => {
    room("choose", fit({ factor: null, pans: [], bakes: [] }), "/fit?recipe=1");
    expect(await screen.findByText("The rack is empty.")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Compare with another set" })).toBeNull();
  });

  it("keeps its choices when the state changes, by key and by click", async () => {
    room("choose");
    await screen.findByRole("list", { name: "Chosen pans" });
    fireEvent.keyDown(document.body, { key: "2" });
    await waitFor(() =>
      expect(screen.getByRole("status", { name: "Address" })).toHaveTextContent(
        "/fit/weigh?recipe=1",
      ),
    );
    await userEvent.click(screen.getByRole("radio", { name: "Bake" }));
    expect(screen.getByRole("status", { name: "Address" })).toHaveTextContent("/fit/bake?recipe=1");
  });

  it("takes no key while something is typed, nor while a dialog is open", async () => {
    room("choose");
    const count = await screen.findByRole("spinbutton", { name: "Count of Round 20" });
    fireEvent.keyDown(count, { key: "2" });
    expect(screen.getByRole("status", { name: "Address" })).toHaveTextContent("/fit?recipe=1");
    fireEvent.keyDown(document.body, { key: "?" });
    const keys = await screen.findByRole("dialog");
    expect(within(keys).getByText("choose, weigh, bake, finish")).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: "3" });
    expect(screen.getByRole("status", { hidden: true })).toHaveTextContent("/fit?recipe=1");
  });

  it("writes a new count into the address", async () => {
    room("choose");
    const count = await screen.findByRole("spinbutton", { name: "Count of Round 20" });
    await userEvent.clear(count);
    await userEvent.type(count, "3");
    await waitFor(() =>
      expect(
        decodeURIComponent(screen.getByRole("status", { name: "Address" }).textContent),
      ).toContain('"count":3'),
    );
  });
});

describe("the head of a fit", () => {
  const source: Fit["source"] = {
    batter_g: 1200,
    oven: "170 °C",
    oven_c: 170,
    time: "34 min",
    pans: [
      {
        label: "round 18",
        count: 2,
        kind: "flat",
        batter_g_each: 600,
        batter_cm: 2.5,
        layer_cm: 0,
        stands_cm: 2.5,
        wall_assumed: true,
        drawing: pan({}).drawing,
      },
    ],
  };

  it("says what the recipe is written for, and marks what is assumed about it", () => {
    fakeKitchen(ANSWERS);
    showAt(<FitHead fit={fit({ source })} inHand={inHand()} state="choose" phone={false} />);
    expect(screen.getByText("5 cm")).toHaveAttribute("data-origin", "assumed");
    expect(screen.getByText(/written for/)).toHaveTextContent("written for 2 × round 18");
  });

  it("reads the wall in the kitchen's own units", async () => {
    fakeKitchen({ ...ANSWERS, "GET /api/kitchen": { body: { units: "us" } } });
    showAt(<FitHead fit={fit({ source })} inHand={inHand()} state="choose" phone={false} />);
    expect(await screen.findByText("2 in")).toHaveAttribute("data-origin", "assumed");
  });

  it("says when the card has moved on, and takes the newest on request", async () => {
    fakeKitchen(ANSWERS);
    const choose = vi.fn();
    const recipe = { ...fit({}).recipe, revision: 2, head: 5 };
    showAt(
      <FitHead fit={fit({ recipe })} inHand={inHand({}, choose)} state="choose" phone={false} />,
    );
    expect(screen.getByText(/From revision 2; the card is at 5/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Use the newest" }));
    expect(choose).toHaveBeenCalledWith({ revision: 5 }, "history");
  });
});

describe("a fit that opens with an answer", () => {
  const ASKS = "/fit?recipe=1&opens=yes";
  const opening = (changes: object = {}) => ({
    body: {
      into: [{ pan: 4, measures: null, label: "Round 20", count: 2, held: false }],
      rule: "same_depth",
      egg_count: null,
      words: "The nearest of your own pans.",
      ...changes,
    },
  });
  const opens = (answer: ReturnType<typeof opening> | { status: number; body: unknown }) => {
    const asked = fakeKitchen({
      ...ANSWERS,
      "POST /api/fit": { body: fit({}) },
      "POST /api/fit/opening": answer,
    });
    window.history.replaceState(null, "", ASKS);
    showAt(
      <>
        <FitRoom state="choose" />
        <Where />
      </>,
      ASKS,
    );
    return asked;
  };
  const where = () =>
    new URLSearchParams(screen.getByRole("status", { name: "Address" }).textContent.split("?")[1]);

  it("puts the pans it names into the address, and says why they are these", async () => {
    const asked = opens(opening());
    expect(await screen.findByText(/The nearest of your own pans/)).toBeVisible();
    expect(where().get("opens")).toBeNull();
    expect(JSON.parse(where().get("into") ?? "")).toEqual([{ pan: 4, count: 2 }]);
    expect(asked.filter((one) => one.path === "/api/fit/opening")).toHaveLength(1);
  });

  it("takes pans by their measures where they do not hang on the rack", async () => {
    opens(
      opening({
        into: [
          {
            pan: null,
            measures: { outline: "round", across: 18, width: null },
            label: "round 18",
            count: 2,
            held: true,
          },
        ],
      }),
    );
    await waitFor(() =>
      expect(JSON.parse(where().get("into") ?? "[]")).toEqual([
        {
          pan: { outline: "round", across: 18, label: "round 18" },
          count: 2,
          rule: { kind: "same_depth" },
        },
      ]),
    );
  });

  it("offers the rack where no answer can be had", async () => {
    opens({ status: 422, body: problem("no_pans", "It has no pans.") });
    expect(await screen.findByText(/The rack is empty|Which pans/)).toBeVisible();
    await waitFor(() => expect(where().get("opens")).toBeNull());
  });
});

describe("a fit in short, on a phone", () => {
  const finding = (severity: "note" | "warn" | "stop", text: string) => ({
    severity,
    text,
    code: severity,
    hint: "",
    entry: null,
    field: "",
    subject: "",
    numbers: {},
  });

  it("has the batter, the first dial, the earliest look and the worst warning", () => {
    fakeKitchen(ANSWERS);
    showAt(
      <PhoneSummary
        fit={fit({
          bakes: [bake({ first_look_min: 28 }), bake({ first_look_min: 19, dial: "160 °C" })],
          findings: [finding("note", "A note."), finding("stop", "It runs over.")],
        })}
        state="choose"
      />,
    );
    const short = screen.getByRole("region", { name: "In short" });
    expect(short).toHaveTextContent(/1.800 g/);
    expect(short).toHaveTextContent(/170.°C/);
    expect(short).toHaveTextContent(/look at 19.min/);
    expect(short).toHaveTextContent("It runs over.");
    expect(short).not.toHaveTextContent("A note.");
  });

  it("says nothing it does not know", () => {
    fakeKitchen(ANSWERS);
    showAt(<PhoneSummary fit={fit({ batter_g: null, bakes: [] })} state="weigh" />);
    const short = screen.getByRole("region", { name: "In short" });
    expect(short).not.toHaveTextContent(/ g|°|look/);
    expect(within(short).getByRole("radio", { name: "Weigh" })).toBeChecked();
  });
});
