import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it } from "vitest";

import type { Fit, FitMix } from "../src/api/client";
import { BowlBar, readMixes, writeMixes } from "../src/rooms/fit/mixing/BowlBar";
import { BowlsDialog } from "../src/rooms/fit/mixing/BowlsDialog";
import { useBowls } from "../src/bowls/useBowls";
import { WeighBowl } from "../src/rooms/fit/mixing/WeighBowl";
import { PrintMixes } from "../src/rooms/fit/print/PrintMixes";
import { Preparing } from "../src/rooms/fit/weigh/Preparing";
import { WeighState } from "../src/rooms/fit/weigh/WeighState";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { fit, inHand, KITCHEN, line, listening, pan } from "./fixtures";

afterEach(cleanup);
beforeEach(() => {
  localStorage.clear();
  fakeKitchen(KITCHEN);
});

const mix = (eggs: number, flour: string): FitMix => ({
  share: eggs / 7,
  eggs,
  batter_g: eggs * 300,
  in_bowl_ml: eggs * 350,
  lines: [
    {
      id: 1,
      name: "Plain flour",
      g: 100,
      shown_g: flour,
      shown_measure: null,
      measure_leads: false,
      parts: [],
    },
    {
      id: 2,
      name: "Fine salt",
      g: 1,
      shown_g: "1 g",
      shown_measure: "¼ tsp",
      measure_leads: true,
      parts: [],
    },
  ],
});

const BOWL: Fit["bowl"] = {
  id: 4,
  name: "Stand mixer",
  capacity_ml: 4800,
  working_ml: 2880,
  tare_g: 810,
  most_g: 2410,
  origins: {},
};
const EGGS: Fit["eggs"] = {
  line: 3,
  name: "Eggs",
  recipe_count: 4,
  count: 7,
  beaten_g: 0,
  total_g: 350,
  choice: "nearest",
  text: "7 eggs",
  options: [],
};
const SPLIT = fit({
  bowl: BOWL,
  eggs: EGGS,
  mixes: [mix(4, "240 g"), mix(3, "180 g")],
  lines: [line({}), line({ id: 8, name: "Apricot jam", component: "filling", shown_g: "90 g" })],
});

const LEARNT: Fit["origins"] = {
  bowl_loss_g: { origin: "measured", note: "as your bowl kept", assumptions: [] },
};

describe("a split over mixes", () => {
  it.each([
    ["4 + 3", [4, 3]],
    ["4,3", [4, 3]],
    ["2 and 2 and 1", [2, 2, 1]],
    ["2.5 / 2", [2.5, 2]],
    ["4 +", null],
    ["-1 + 8", null],
    ["0 + 7", null],
    ["some", null],
  ])("is read from %s", (text, sizes) => {
    expect(readMixes(text)).toEqual(sizes);
  });

  it("is written as it is read", () => {
    expect(readMixes(writeMixes([4, 2.5]))).toEqual([4, 2.5]);
  });

  it("has a tab for each mix and one for what is not mixed", async () => {
    showAt(<WeighState fit={SPLIT} request={{ recipe: 1, into: [] }} inHand={inHand()} />);
    expect(screen.getByRole("checkbox", { name: /Plain flour/ })).toHaveTextContent("240 g");
    await userEvent.click(screen.getByRole("checkbox", { name: /Plain flour/ }));
    expect(screen.getByText("1 of 2 in")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("radio", { name: /Mix 2 of 2/ }));
    expect(screen.getByRole("checkbox", { name: /Plain flour/ })).toHaveTextContent("180 g");
    expect(screen.getByRole("checkbox", { name: /Plain flour/ })).not.toBeChecked();
    await userEvent.click(screen.getByRole("radio", { name: "Not in the bowl" }));
    expect(screen.getByRole("checkbox", { name: /Apricot jam/ })).toBeInTheDocument();
    expect(screen.queryByRole("checkbox", { name: /Plain flour/ })).toBeNull();
  });

  it("falls back to the first mix when there are fewer than before", async () => {
    const state = (shown: Fit) => (
      <WeighState fit={shown} request={{ recipe: 1, into: [] }} inHand={inHand()} />
    );
    showAt(state(SPLIT));
    await userEvent.click(screen.getByRole("radio", { name: /Mix 2 of 2/ }));
    cleanup();
    showAt(state(fit({ mixes: [mix(4, "240 g")] })));
    expect(screen.queryByRole("radiogroup", { name: "Which mix" })).toBeNull();
    expect(screen.getByRole("checkbox", { name: /Plain flour/ })).toHaveTextContent("360 g");
  });

  it("is typed by the baker, and given back to the bowl", async () => {
    const heard = listening({ mixes: [4, 3] });
    showAt(<BowlBar fit={SPLIT} inHand={heard.hand} />);
    const field = screen.getByLabelText("Eggs in each mix");
    expect(field).toHaveValue("4 + 3");
    await userEvent.clear(field);
    await userEvent.type(field, "5 + 2{Enter}");
    expect(heard.last()).toEqual({ mixes: [5, 2], weighed: [] });
    await userEvent.click(screen.getByRole("button", { name: "Split as the bowl needs" }));
    expect(heard.last()).toEqual({ mixes: [], weighed: [] });
  });

  it("prints in one table", () => {
    showAt(<PrintMixes fit={SPLIT} />);
    expect(screen.getByText("In 2 mixes in Stand mixer")).toBeInTheDocument();
    const salt = screen.getByRole("row", { name: /Fine salt/ });
    expect(salt).toHaveTextContent("Fine salt¼ tsp (1 g)¼ tsp (1 g)");
    cleanup();
    const { container } = showAt(<PrintMixes fit={fit({})} />);
    expect(container.querySelector("table")).toBeNull();
  });
});

describe("the bowl on the scale", () => {
  it("begins with the bowl's own weight and takes the full one as it is typed", async () => {
    const heard = listening();
    showAt(<WeighBowl fit={fit({ bowl: BOWL })} inHand={heard.hand} />);
    expect(screen.getByLabelText("Empty bowl, g")).toHaveValue("810");
    await userEvent.type(screen.getByLabelText("Bowl with batter, g"), "2010");
    expect(heard.last()).toEqual({ weighed: [{ full_g: 2010, tare_g: 810 }] });
  });

  it("waits for a number for every mix", async () => {
    const heard = listening();
    showAt(<WeighBowl fit={SPLIT} inHand={heard.hand} />);
    await userEvent.type(screen.getByLabelText("Bowl with batter, g, mix 1"), "2010");
    expect(heard.last()).toBeUndefined();
    await userEvent.type(screen.getByLabelText("Bowl with batter, g, mix 2"), "1700");
    expect(heard.last()).toEqual({
      weighed: [
        { full_g: 2010, tare_g: 810 },
        { full_g: 1700, tare_g: 810 },
      ],
    });
  });

  it("marks what is no weight and what is too light, and keeps it", async () => {
    const heard = listening();
    showAt(<WeighBowl fit={fit({ bowl: BOWL })} inHand={heard.hand} />);
    const full = screen.getByLabelText("Bowl with batter, g");
    await userEvent.type(full, "heavy");
    expect(screen.getByText("Type grams.")).toBeInTheDocument();
    await userEvent.clear(full);
    await userEvent.type(full, "80");
    expect(screen.getByText(/has to weigh more than the empty one/)).toBeInTheDocument();
    expect(full).toHaveValue("80");
    expect(heard.last()).toBeUndefined();
  });

  it("learns what stays, and says why it does not", async () => {
    const weighed = [{ full_g: 2010, tare_g: 810 }];
    const asked = fakeKitchen({
      ...KITCHEN,
      "PUT /api/kitchen/bowl-loss": (one) => {
        const { emptied_g: emptied } = one.body as { emptied_g: number };
        return emptied > 1100
          ? { status: 422, body: problem("x", "A bowl keeps at most a quarter.") }
          : { body: { name: "K", scale_step_g: 1, bowl_loss_share: 0.02 } };
      },
    });
    showAt(
      <WeighBowl
        fit={fit({ weighed_g: 1200, origins: LEARNT })}
        inHand={listening({ weighed }).hand}
      />,
    );
    const emptied = screen.getByLabelText("Bowl, emptied, g");
    await userEvent.type(emptied, "1500");
    await userEvent.click(screen.getByRole("button", { name: "Learn what the bowl keeps" }));
    expect(await screen.findByText("A bowl keeps at most a quarter.")).toBeInTheDocument();
    await userEvent.clear(emptied);
    await userEvent.type(emptied, "834");
    await userEvent.click(screen.getByRole("button", { name: "Learn what the bowl keeps" }));
    expect(await screen.findByText(/From now on 2 % stays/)).toBeInTheDocument();
    expect(asked.findLast((one) => one.method === "PUT")?.body).toEqual({
      weighed,
      emptied_g: 834,
    });
  });

  it("names the grams for every pan", () => {
    const pans = [pan({ count: 3, batter_g_each: 389 }), pan({ batter_g_each: null })];
    showAt(<WeighBowl fit={fit({ pans })} inHand={inHand()} />);
    expect(screen.getByRole("listitem")).toHaveTextContent("389 ginto each of 3 × Round 20");
  });
});

function Bowls() {
  return <BowlsDialog open bowls={useBowls()} lossShare={0.018} onClose={() => undefined} />;
}

describe("the bowls of the kitchen", () => {
  it("are listed with what is known of them, and what was learnt can be forgotten", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "DELETE /api/kitchen/bowl-loss": { body: KITCHEN["GET /api/kitchen"].body },
    });
    showAt(<Bowls />);
    expect(await screen.findByText("holds 4.8 l, 810 g empty")).toBeInTheDocument();
    expect(screen.getByText(/keep 2 % of a batter/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Assume the usual again" }));
    await waitFor(() => expect(asked.some((one) => one.method === "DELETE")).toBe(true));
  });

  it("take litres as people write them, and refuse at the field", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "POST /api/bowls": {
        status: 422,
        body: problem("impossible_choice", "Too small.", "capacity_ml"),
      },
    });
    showAt(<Bowls />);
    await userEvent.type(screen.getByLabelText("Name"), "Copper bowl");
    const holds = screen.getByLabelText("Holds to the brim, litres");
    await userEvent.type(holds, "big");
    expect(screen.getByText("Type a number.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Add it" })).toBeDisabled();
    await userEvent.clear(holds);
    await userEvent.type(holds, "2 1/2");
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    expect(await screen.findByText("Too small.")).toBeInTheDocument();
    expect(asked.find((one) => one.method === "POST")?.body).toEqual({
      name: "Copper bowl",
      is_default: false,
      capacity_ml: 2500,
      working_ml: null,
      tare_g: null,
    });
  });

  it("are changed from what they are", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "PUT /api/bowls/4": { body: KITCHEN["GET /api/bowls"].body[0] },
    });
    showAt(<Bowls />);
    await userEvent.click(await screen.findByRole("button", { name: "Change" }));
    expect(screen.getByLabelText("Holds to the brim, litres")).toHaveValue("4.8");
    await userEvent.click(screen.getByRole("button", { name: "Keep the change" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({ tare_g: 810 }),
    );
  });
});

describe("the lining list", () => {
  it("lists what to do for each pan, and marks a leak", () => {
    const lining = [
      { kind: "paper" as const, text: "Cut 1 paper base.", count: 1, length_cm: 18, width_cm: 18 },
      { kind: "leak" as const, text: "It leaks.", count: 0, length_cm: null, width_cm: null },
    ];
    showAt(<Preparing pans={[pan({ lining }), pan({ label: "Bare", lining: [] })]} />);
    expect(screen.getAllByRole("listitem")).toHaveLength(2);
    expect(screen.getByTitle("Take care")).toBeInTheDocument();
    expect(screen.queryByText("Bare")).toBeNull();
  });
});
