import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useLocation } from "react-router";
import { afterEach, describe, expect, it } from "vitest";

import { WelcomeRoom } from "../src/rooms/welcome/WelcomeRoom";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { KITCHEN, oven } from "./fixtures";

afterEach(cleanup);

const measures = (across: number) => ({
  outline: "round",
  across,
  width: null,
  wall_cm: 5,
  wells: 1,
});
const drawing = {
  base_width_cm: 20,
  rim_width_cm: 20,
  tube_base_cm: 0,
  tube_rim_cm: 0,
  wall_cm: 5,
  ball: false,
  plan_width_cm: 20,
  plan_height_cm: 20,
  plan: ["10,0 0,10 -10,0 0,-10"],
};
const shelf = (label: string, across: number, inches = false) => ({
  label,
  measures: measures(across),
  inches,
  wells: 1,
  drawing,
});

const WELCOME = {
  regions: [
    {
      key: "islands",
      name: "The islands",
      units: "both",
      dial: "mark",
      measure_standard: "metric_250",
      egg_grade: "eu_m",
      paper: "A4",
      clock: "24",
    },
  ],
  shelf: [shelf("Round 18", 18), shelf("Round 20", 20)],
  starters: [{ key: "plain", title: "Plain loaf", words: "one loaf, 45 min" }],
};

const HABITS = {
  name: "Quillet Lane Kitchen",
  scale_step_g: 1,
  altitude_m: null,
  units: "metric",
  measure_standard: "metric_250",
  egg_grade: "eu_m",
  paper: "A4",
  clock: "24",
  welcomed: false,
  version: 3,
  bowl_loss_share: null,
};

function Where() {
  const { pathname, search } = useLocation();
  return <output>{pathname + search}</output>;
}

const morning = (step: number, answers: Parameters<typeof fakeKitchen>[0] = {}) => {
  const asked = fakeKitchen({
    ...KITCHEN,
    "GET /api/kitchen": { body: HABITS },
    "PUT /api/kitchen": (one) => ({ body: { ...HABITS, ...(one.body as object), version: 4 } }),
    "GET /api/welcome": { body: WELCOME },
    "GET /api/ovens": { body: [] },
    "GET /api/pans": { body: [] },
    "GET /api/choices": { body: { standards: [], egg_grades: [] } },
    ...answers,
  });
  showAt(
    <>
      <WelcomeRoom />
      <Where />
    </>,
    `/welcome?step=${String(step)}`,
  );
  return asked;
};

const sent = (asked: ReturnType<typeof fakeKitchen>, method: string, path: string) =>
  asked.filter((one) => one.method === method && one.path === path).map((one) => one.body);

const at = (step: number) =>
  waitFor(() =>
    expect(
      screen.getByText(
        (_, one) => one?.tagName === "P" && one.textContent === `${String(step)} of 4`,
      ),
    ).toBeVisible(),
  );

describe("the first morning", () => {
  it("sets every habit of a region in one tap, over what is there now", async () => {
    const asked = morning(1);
    const region = await screen.findByRole("button", { name: /The islands/ });
    expect(region).toHaveTextContent("20 cm (8 in) · gas mark 4 · A4");
    await userEvent.click(region);
    await at(2);
    expect(sent(asked, "PUT", "/api/kitchen")).toEqual([
      expect.objectContaining({ units: "both", egg_grade: "eu_m", paper: "A4", base: 3 }),
    ]);
  });

  it("says what went wrong and stays where it is", async () => {
    morning(1, {
      "PUT /api/kitchen": { status: 409, body: problem("conflict", "Changed in the meantime.") },
    });
    await userEvent.click(await screen.findByRole("button", { name: /The islands/ }));
    expect(await screen.findByText("Changed in the meantime.")).toBeVisible();
    await at(1);
  });

  it("can be skipped and gone back in, at every step", async () => {
    const asked = morning(1);
    for (const step of [2, 3, 4]) {
      await userEvent.click(await screen.findByRole("button", { name: "Skip" }));
      await at(step);
    }
    expect(screen.queryByRole("button", { name: "Skip" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Back" }));
    await at(3);
    expect(asked.every((one) => one.method === "GET")).toBe(true);
  });

  it("opens at a step that is there, whatever the address says", async () => {
    morning(9);
    await at(4);
    cleanup();
    morning(-2);
    await at(1);
  });
});

describe("its oven", () => {
  it("is added with the usual marks of its dial", async () => {
    const asked = morning(2, { "POST /api/ovens": { body: oven() } });
    const dial = await screen.findByRole("radiogroup", { name: "Its dial counts in" });
    await userEvent.click(within(dial).getByRole("radio", { name: "gas marks" }));
    await userEvent.click(await screen.findByRole("button", { name: /a flame below/ }));
    await at(3);
    expect(sent(asked, "POST", "/api/ovens")).toEqual([
      expect.objectContaining({ kind: "gas", dial: "mark", is_default: true, dial_off_c: 0 }),
    ]);
  });

  it("takes the place of the one that is there, and can be kept as it is", async () => {
    const asked = morning(2, {
      "GET /api/ovens": { body: [oven({ id: 7, kind: "fan", version: 5 })] },
      "PUT /api/ovens/7": { body: oven({ id: 7 }) },
    });
    await screen.findByRole("button", { name: "Keep Main oven" });
    expect(screen.getByRole("button", { name: /a fan moves/ })).toHaveAttribute("aria-current");
    await userEvent.click(screen.getByRole("button", { name: /from above and below/ }));
    await at(3);
    expect(sent(asked, "PUT", "/api/ovens/7")).toEqual([
      expect.objectContaining({ kind: "conventional", base: 5 }),
    ]);
  });

  it("has no dial where it keeps its own heat", async () => {
    const asked = morning(2, { "POST /api/ovens": { body: oven() } });
    await screen.findByRole("radiogroup", { name: "Its dial counts in" });
    await userEvent.click(await screen.findByRole("button", { name: /a lidded pot/ }));
    await at(3);
    expect(sent(asked, "POST", "/api/ovens")[0]).toMatchObject({ kind: "hob", dial: "C" });
  });
});

describe("its pans", () => {
  it("are counted by taps, and put on the rack as they are sold", async () => {
    const asked = morning(3, { "POST /api/pans": { status: 201, body: {} } });
    const list = await screen.findByRole("list", { name: "The usual pans" });
    const tap = async (name: RegExp) => userEvent.click(within(list).getByRole("button", { name }));
    await within(list).findByRole("button", { name: /^Round 18/ });
    await tap(/^Round 18/);
    await tap(/^Round 20/);
    await tap(/^Round 20/);
    expect(within(list).getByRole("button", { name: /^Round 20.*you own 2/ })).toBeVisible();
    await tap(/^One less of Round 18/);
    await userEvent.click(screen.getByRole("button", { name: /2 pans/ }));
    await at(4);
    expect(sent(asked, "POST", "/api/pans")).toEqual([
      {
        pan: { outline: "round", across: 20, wall_cm: 5, wells: 1, label: "Round 20" },
        owned: 2,
        inches: false,
      },
    ]);
  });

  it("that hang on the rack already are not put there twice", async () => {
    const asked = morning(3, { "GET /api/pans": { body: [{ label: "Round 18" }] } });
    await userEvent.click(await screen.findByRole("button", { name: /^Round 18/ }));
    await userEvent.click(screen.getByRole("button", { name: /1 pan/ }));
    await at(4);
    expect(sent(asked, "POST", "/api/pans")).toEqual([]);
  });

  it("are asked for as sold in inches on request", async () => {
    const asked = morning(3);
    await userEvent.click(await screen.findByRole("radio", { name: "sold in inches" }));
    await waitFor(() =>
      expect(
        asked
          .filter((one) => one.path === "/api/welcome")
          .at(-1)
          ?.search.get("inches"),
      ).toBe("true"),
    );
  });
});

describe("the first recipe", () => {
  it("is taken to try, and its fit opens with an answer", async () => {
    const asked = morning(4, { "POST /api/welcome/starters/plain": { body: { recipe: 12 } } });
    await userEvent.click(await screen.findByRole("button", { name: /Plain loaf/ }));
    expect(await screen.findByText("/fit?recipe=12&opens=yes")).toBeInTheDocument();
    await waitFor(() =>
      expect(sent(asked, "PUT", "/api/kitchen")).toEqual([
        expect.objectContaining({ welcomed: true }),
      ]),
    );
  });

  it("can wait: looking around ends the first morning too", async () => {
    const asked = morning(4);
    await userEvent.click(await screen.findByRole("link", { name: "Look around first" }));
    await waitFor(() => expect(sent(asked, "PUT", "/api/kitchen")).toHaveLength(1));
  });
});
