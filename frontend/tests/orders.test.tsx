import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { DayPlan, DayTask } from "../src/api/client";
import { clockOf, HOUR_PX, lanesOf, moved, NIGHT_PX } from "../src/domain/lanes";
import {
  dayOf,
  daysFrom,
  dayWords,
  fieldOf,
  momentOf,
  dueWords,
  momentWords,
  mondayOf,
  hourOf,
  timeOf,
  yearWords,
} from "../src/domain/moments";
import { readAs } from "../src/domain/reads";
import { listed } from "../src/domain/numbers";
import { blankOrder } from "../src/orders/blank";
import { typedOf } from "../src/orders/useOrders";
import { chosenOf } from "../src/orders/chosen";
import { OrdersRoom } from "../src/rooms/orders/OrdersRoom";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { harvest as order, WORKDAY } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const task = (changes: Partial<DayTask> = {}): DayTask => ({
  key: "1.0.0/mix0",
  order: "Harvest supper",
  order_id: 1,
  cake: "1.0.0",
  kind: "mix",
  words: "Mix · Plum cake",
  lane: "hands",
  oven: null,
  oven_id: null,
  start: "2099-03-20T08:00:00Z",
  end: "2099-03-20T08:20:00Z",
  minutes: 20,
  why: "usual for this step",
  waits: ["after “Weigh”"],
  slack_min: 0,
  heat_c: null,
  fixed: false,
  done: false,
  ...changes,
});

const plan = (changes: Partial<DayPlan> = {}): DayPlan => ({
  tasks: [
    task(),
    task({
      key: "1.0.0/bake0",
      words: "Bake Round 20",
      lane: "oven",
      oven: "Main oven",
      oven_id: 1,
      start: "2099-03-20T08:20:00Z",
      end: "2099-03-20T09:00:00Z",
    }),
  ],
  cakes: [
    {
      key: "1.0.0",
      order_id: 1,
      order: "Harvest supper",
      cake: "Round 20",
      due: "2099-03-20T14:00:00Z",
      leaves: null,
    },
  ],
  filled: [],
  boards: 6,
  left_out: [],
  findings: [],
  clash: [],
  ways_out: [],
  make_ahead: [],
  together: null,
  keeps: [],
  fridge: [],
  windows: [
    { start: "2099-03-20T07:00:00Z", end: "2099-03-20T21:00:00Z" },
    { start: "2099-03-21T07:00:00Z", end: "2099-03-21T21:00:00Z" },
  ],
  ovens: [
    { id: 1, name: "Main oven" },
    { id: 2, name: "Upper oven" },
  ],
  zone: "UTC",
  hands_min: 203,
  hours_min: 1680,
  cost: 100,
  proven: false,
  gap: null,
  impossible: false,
  ...changes,
});

const KITCHEN = {
  "GET /api/orders": { body: [order()] },
  "GET /api/workday": { body: WORKDAY },
  "GET /api/fits": { body: [] },
  "GET /api/ovens": { body: [] },
};

const room = (answers: Parameters<typeof fakeKitchen>[0] = {}, path = "/orders") => {
  const asked = fakeKitchen({ ...KITCHEN, ...answers });
  showAt(<OrdersRoom />, path);
  return asked;
};

describe("times on the kitchen's clock", () => {
  it("are read and written in its zone, across a change of the clocks", () => {
    const paris = "Europe/Paris";
    expect(fieldOf("2026-03-29T00:30:00Z", paris)).toBe("2026-03-29T01:30");
    expect(fieldOf("2026-03-29T01:30:00Z", paris)).toBe("2026-03-29T03:30");
    expect(momentOf("2026-03-29T03:30", paris)).toBe("2026-03-29T01:30:00.000Z");
    expect(momentOf("2026-10-25T10:00", paris)).toBe("2026-10-25T09:00:00.000Z");
    expect(momentOf("soon", paris)).toBeNull();
    expect(momentOf("", paris)).toBeNull();
  });

  it("fall on days and weeks there", () => {
    expect(dayOf("2026-11-27T23:30:00Z", "Europe/Paris")).toBe("2026-11-28");
    expect(mondayOf("2026-11-29")).toBe("2026-11-23");
    expect(daysFrom("2026-11-30", 2)).toEqual(["2026-11-30", "2026-12-01"]);
    expect(dayWords("2026-11-28")).toBe("Sat 28");
    expect(momentWords("2026-11-28T10:00:00Z", "UTC")).toContain("10:00");
    const now = new Date("2026-12-31T23:30:00Z");
    expect(dueWords("2026-11-28T10:00:00Z", "UTC", now)).toBe("Sat 28 November, 10:00");
    expect(dueWords("2027-01-02T10:00:00Z", "UTC", now)).toBe("Sat 2 January 2027, 10:00");
    // In Paris it is next year already.
    expect(dueWords("2027-01-02T10:00:00Z", "Europe/Paris", now)).toBe("Sat 2 January, 11:00");
  });

  it("read hours by half days and the month first where the kitchen does", () => {
    readAs({ clock: "12", units: "us" });
    try {
      const noon = "2026-11-28T12:05:00Z";
      expect(timeOf(noon, "UTC")).toBe("12:05 pm");
      expect(timeOf("2026-11-28T00:30:00Z", "UTC")).toBe("12:30 am");
      expect(hourOf("2026-11-28T14:00:00Z", "UTC")).toBe("2 pm");
      expect(momentWords(noon, "UTC")).toBe("Sat November 28, 12:05 pm");
      expect(dayWords("2026-11-28", true)).toBe("Saturday November 28");
      // A field holds what it always does.
      expect(fieldOf(noon, "UTC")).toBe("2026-11-28T12:05");
      readAs({ clock: "12", units: "metric" });
      expect(yearWords(noon, "UTC")).toBe("Sat 28 November 2026, 12:05 pm");
    } finally {
      readAs({ clock: "24", units: "metric" });
    }
    expect(timeOf("2026-11-28T00:30:00Z", "UTC")).toBe("00:30");
    expect(hourOf("2026-11-28T14:00:00Z", "UTC")).toBe("14:00");
  });

  it("start an order at ten on a Saturday two days off or more", () => {
    const due = (now: string) => blankOrder("UTC", new Date(now)).due.slice(0, 16);
    expect(due("2026-11-26T08:00:00Z")).toBe("2026-11-28T10:00");
    expect(due("2026-11-27T08:00:00Z")).toBe("2026-12-05T10:00");
  });
});

describe("lanes over the clock", () => {
  it("have hours at one scale and nights narrow", () => {
    const next = task({ start: "2099-03-21T07:30:00Z", end: "2099-03-21T09:30:00Z" });
    const clock = clockOf({ ...plan(), tasks: [task(), next] });
    expect(clock.days).toHaveLength(2);
    expect(clock.at("2099-03-20T08:30:00Z")).toBe(HOUR_PX / 2);
    expect(clock.at("2099-03-21T07:00:00Z")).toBe(HOUR_PX + NIGHT_PX);
    expect(clock.at("2099-03-21T02:00:00Z")).toBeGreaterThan(HOUR_PX);
    expect(clock.moment(HOUR_PX / 2)).toBe(Date.parse("2099-03-20T08:30:00Z"));
    expect(clock.moment(-50)).toBe(Date.parse("2099-03-20T08:00:00Z"));
    expect(clock.width).toBe(4 * HOUR_PX + NIGHT_PX);
  });

  it("leave out days on which nothing begins, and reach to the last task", () => {
    const late = task({ start: "2099-03-21T20:50:00Z", end: "2099-03-21T21:30:00Z" });
    const clock = clockOf({ ...plan(), tasks: [late] });
    expect(clock.days).toHaveLength(1);
    expect(clock.width).toBe(2 * HOUR_PX);
    expect(clockOf({ ...plan(), tasks: [] }).width).toBe(0);
  });

  it("never lay one task on another", () => {
    const two = [task(), task({ key: "b", start: "2099-03-20T08:10:00Z" })];
    const lanes = lanesOf({ ...plan(), tasks: two });
    expect(lanes[0]?.rows.map((row) => row.length)).toEqual([1, 1]);
    expect(lanesOf(plan()).map((one) => one.name)).toEqual(["Hands", "Main oven"]);
    expect(moved("2099-03-20T08:00:00.000Z", -15)).toBe("2099-03-20T07:45:00.000Z");
  });
});

describe("orders", () => {
  it("are chosen by those of the next days, or as said", () => {
    const rows = [
      order(),
      order({ id: 2, due: "2099-03-22T10:00:00Z" }),
      order({ id: 3, due: "2099-05-01T10:00:00Z" }),
      order({ id: 4, done: true }),
      order({ id: 5, due: "2001-01-01T10:00:00Z" }),
    ];
    expect(chosenOf(rows, null, "UTC")).toEqual([1, 2]);
    expect(chosenOf(rows, "3,4", "UTC")).toEqual([3, 4]);
    expect(chosenOf([], null, "UTC")).toEqual([]);
    expect(listed(["one", "two", "three"])).toBe("one, two and three");
  });

  it("have an empty state with the next thing to do", async () => {
    room({ "GET /api/orders": { body: [] } });
    expect(await screen.findByText(/No order yet/)).toBeInTheDocument();
  });

  it("say what the kitchen says when it cannot be read", async () => {
    room({ "GET /api/orders": { status: 503, body: problem("busy", "The file is locked.") } });
    expect(await screen.findByText("The file is locked.")).toBeInTheDocument();
  });

  it("are added with what was typed, and stay typed when refused", async () => {
    const asked = room({
      "POST /api/orders": { status: 409, body: problem("name_taken", "There is one.") },
    });
    await userEvent.click(await screen.findByRole("button", { name: "Add an order" }));
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(screen.getByText("Give it a short name.")).toBeInTheDocument();
    expect(asked.some((one) => one.method === "POST")).toBe(false);
    fireEvent.change(screen.getByLabelText("Order"), { target: { value: "Choir tea" } });
    fireEvent.change(screen.getByLabelText("Due"), { target: { value: "2099-04-01T12:30" } });
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(await screen.findByText("There is one.")).toBeInTheDocument();
    expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
      title: "Choir tea",
      due: "2099-04-01T12:30:00.000Z",
    });
    expect(screen.getByLabelText("Order")).toHaveValue("Choir tea");
  });

  it("are done, and taken away with a way back", async () => {
    const asked = room({
      "PUT /api/orders/1": { body: order({ done: true }) },
      "DELETE /api/orders/1": { status: 204, body: null },
      "POST /api/orders": { status: 201, body: order() },
    });
    await userEvent.click(await screen.findByRole("button", { name: "Done: Harvest supper" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
        done: true,
        base: 3,
      }),
    );
    await userEvent.click(screen.getByRole("button", { name: "Remove: Harvest supper" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "POST")?.body).toEqual(typedOf(order())),
    );
  });
});

describe("the timetable", () => {
  const at = (answers: Parameters<typeof fakeKitchen>[0]) =>
    room(
      { "PUT /api/plan/tasks": { status: 204, body: null }, ...answers },
      "/orders?view=timetable",
    );

  it("draws every task, and says why it is there", async () => {
    at({ "POST /api/plan": { body: plan() } });
    await userEvent.click(await screen.findByRole("button", { name: /^Mix · Plum cake, / }));
    const panel = screen.getByRole("region", { name: "The task" });
    expect(panel).toHaveTextContent("after “Weigh”");
    expect(panel).toHaveTextContent("What waits for it begins at once.");
    expect(screen.getByText(/3 h 23/)).toBeInTheDocument();
  });

  it("moves a task by keys and by buttons, and lets it be done", async () => {
    const asked = at({ "POST /api/plan": { body: plan() } });
    await userEvent.click(await screen.findByRole("radio", { name: "By hand" }));
    const bar = await screen.findByRole("button", { name: /^A: Mix · Plum cake/ });
    fireEvent.keyDown(bar, { key: "ArrowLeft" });
    const puts = () => asked.filter((one) => one.method === "PUT").map((one) => one.body);
    await waitFor(() =>
      expect(puts()).toEqual([
        { key: "1.0.0/mix0", start: "2099-03-20T07:55:00.000Z", oven: null },
      ]),
    );
    fireEvent.keyDown(bar, { key: "ArrowRight", shiftKey: true });
    await waitFor(() =>
      expect(puts().at(-1)).toEqual({
        key: "1.0.0/mix0",
        start: "2099-03-20T09:00:00.000Z",
        oven: null,
      }),
    );
    await userEvent.click(bar);
    await userEvent.click(screen.getByRole("button", { name: "It is done" }));
    await waitFor(() => expect(puts().at(-1)).toMatchObject({ done: true }));
  });

  it("looks for a better plan on demand, and says what is proven", async () => {
    const asked = at({
      "POST /api/plan": (one: { body?: unknown }) => ({
        body: (one.body as { effort?: number }).effort ? plan({ gap: 0.12, cost: 80 }) : plan(),
      }),
    });
    expect(await screen.findByText(/the quick plan/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Look for a better plan" }));
    expect(await screen.findByText(/not proven, within 12 % of the best/)).toBeInTheDocument();
    expect(asked.filter((one) => one.path === "/api/plan").at(-1)?.body).toMatchObject({
      effort: 1,
    });
  });

  it("is the same as a list", async () => {
    at({ "POST /api/plan": { body: plan() } });
    await userEvent.click(await screen.findByRole("radio", { name: "List" }));
    const [table] = screen.getAllByRole("table");
    if (!table) throw new Error("no table");
    expect(within(table).getAllByRole("row")).toHaveLength(2);
    expect(table).toHaveTextContent("08:20–09:00");
  });

  it("shows when a cold cake is in the fridge, and how long it is out of it", async () => {
    const cold = {
      order_id: 1,
      order: "Harvest supper",
      cake: "Plum cake",
      stays: [
        { start: "2099-03-20T20:00:00Z", end: "2099-03-21T07:19:00Z" },
        { start: "2099-03-21T07:31:00Z", end: "2099-03-21T08:01:00Z" },
      ],
      warm_min: 96,
      too_warm: false,
      words: "120 at most, practice.",
    };
    const filled = [{ start: cold.stays[0]?.start ?? "", end: "2099-03-21T08:01:00Z", boards: 2 }];
    at({ "POST /api/plan": { body: plan({ fridge: [cold], filled }) } });
    const strip = await screen.findByRole("group", { name: "Fridge" });
    expect(strip).toHaveTextContent("2 of 6 places at most");
    await userEvent.click(screen.getByRole("radio", { name: "By hand" }));
    const told = await screen.findByRole("region", { name: "What has to be cold" });
    expect(told).toHaveTextContent("out of the fridge for 96 min in all, 120 at most");
    expect(told).toHaveTextContent("Sat 21 March, 07:31 to 08:01");
    const lane = screen.getByRole("group", { name: "Fridge" });
    expect(
      within(lane)
        .getAllByRole("img")
        .map((one) => one.title),
    ).toEqual([
      "Plum cake in the fridge, Fri 20 March, 20:00 to Sat 21 March, 07:19",
      "Plum cake in the fridge, Sat 21 March, 07:31 to 08:01",
    ]);
  });

  it("says what cannot be done together, and takes a way out", async () => {
    const stuck = plan({
      impossible: true,
      left_out: [{ key: "x", order: "Choir tea", words: "Bake Sheet" }],
      clash: [
        { order: 1, title: "Harvest supper" },
        { order: 2, title: "Choir tea" },
      ],
      ways_out: [
        {
          help: "day_before",
          words: "Start a day earlier.",
          minutes: 0,
          order: null,
          oven: null,
          task: null,
        },
        {
          help: "later",
          words: "Harvest supper 60 min later.",
          minutes: 60,
          order: 1,
          oven: null,
          task: null,
        },
      ],
    });
    const asked = at({
      "POST /api/plan": { body: stuck },
      "PUT /api/orders/1": { body: order() },
    });
    expect(
      await screen.findByText("Harvest supper and Choir tea cannot be done together."),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Start a day earlier." }));
    await waitFor(() =>
      expect(asked.filter((one) => one.path === "/api/plan").at(-1)?.body).toMatchObject({
        days_before: 2,
      }),
    );
    await userEvent.click(screen.getByRole("button", { name: "Harvest supper 60 min later." }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
        due: "2099-03-21T11:00:00.000Z",
      }),
    );
  });

  it("offers to make ahead, with the day before and after", async () => {
    const asked = at({
      "POST /api/plan": {
        body: plan({
          make_ahead: [
            {
              key: "1.0.0/make_filling",
              words: "Make Curd",
              start: "2099-03-20T18:00:00Z",
              day_min: 300,
              then_min: 240,
            },
          ],
        }),
      },
    });
    await userEvent.click(await screen.findByRole("button", { name: "On Fri 20: Make Curd" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toEqual({
        key: "1.0.0/make_filling",
        start: "2099-03-20T18:00:00Z",
      }),
    );
  });

  it("takes all that can be made ahead at once, and says what the last day is then", async () => {
    const starts = ["filling", "syrup"].map((part) => ({
      key: `1.0.0/make_${part}`,
      start: "2099-03-20T18:00:00Z",
    }));
    const asked = at({
      "POST /api/plan": {
        body: plan({
          make_ahead: starts.map((one) => ({
            ...one,
            words: one.key,
            day_min: 420,
            then_min: 360,
          })),
          together: { starts, day_min: 420, then_min: 240 },
        }),
      },
    });
    await userEvent.click(
      await screen.findByRole("button", { name: /^All of it ahead: 4.h instead of 7.h$/ }),
    );
    await waitFor(() =>
      expect(asked.filter((one) => one.method === "PUT").map((one) => one.body)).toEqual(starts),
    );
  });

  it("lets go of a task that is named as the reason, with one tap", async () => {
    const asked = at({
      "POST /api/plan": {
        body: plan({
          left_out: [{ key: "1.0.0/box", order: "Harvest supper", words: "Board, box, label" }],
          clash: [{ order: 1, title: "Harvest supper" }],
          ways_out: [
            {
              help: "release",
              words: "Let “Mix” be planned again: where it was put nothing else fits.",
              minutes: 0,
              order: null,
              oven: null,
              task: "1.0.0/mix0",
            },
          ],
        }),
      },
    });
    await userEvent.click(await screen.findByRole("button", { name: /^Let “Mix” be planned/ }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toEqual({
        key: "1.0.0/mix0",
        start: null,
      }),
    );
  });

  it("asks for orders where none is chosen", async () => {
    room({ "GET /api/orders": { body: [] } }, "/orders?view=timetable");
    expect(await screen.findByText(/Nothing is chosen/)).toBeInTheDocument();
  });
});
