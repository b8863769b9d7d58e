import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { DayTimer } from "../src/api/client";
import { countdown, lateWords } from "../src/domain/countdown";
import { AllSteps } from "../src/rooms/day/AllSteps";
import { DayRoom } from "../src/rooms/day/DayRoom";
import { DevicesDialog } from "../src/rooms/day/DevicesDialog";
import { EndOfDay } from "../src/rooms/day/EndOfDay";
import { LookCard } from "../src/rooms/day/LookCard";
import { ProbePlot } from "../src/rooms/day/ProbePlot";
import { Running } from "../src/rooms/day/Running";
import { lineOf } from "../src/rooms/day/useForward";
import { leading, withWaiting } from "../src/running/lead";
import { arrived, put, sent, waitingOf } from "../src/running/outbox";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { BAKE, DAY, MIX, STEP, TIMES, WEIGH, marks } from "./days";
import { KITCHEN, WORKDAY } from "./fixtures";

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const made = (kind: "done" | "weighed" | "out", step: string, at: number, more = {}) => ({
  event: { id: `${kind}-${step}-${String(at)}`, kind, step, place: 0, amount: 0, ...more },
  made: at,
});

describe("ticks on their way", () => {
  it("wait in order, say how long ago they were made, and go when they have arrived", () => {
    put(7, made("done", "a", 1000));
    put(7, made("done", "b", 3000));
    put(8, made("done", "c", 3000));
    expect(sent(waitingOf(7), 61_000).map((one) => [one.step, one.ago_s])).toEqual([
      ["a", 60],
      ["b", 58],
    ]);
    arrived(7, new Set(["done-a-1000"]));
    expect(waitingOf(7).map((one) => one.event.step)).toEqual(["b"]);
    expect(waitingOf(8)).toHaveLength(1);
    localStorage.setItem("entremet.day.7", "not json");
    expect(waitingOf(7)).toEqual([]);
  });

  it("let the next step lead until the kitchen has said what does", () => {
    expect(leading(DAY, []).step?.key).toBe(WEIGH.key);
    const moved = leading(DAY, [made("done", WEIGH.key, 1)]);
    expect(moved.step?.key).toBe(MIX.key);
    expect(moved.act).toBe("do");
    const all = [made("done", WEIGH.key, 1), made("done", MIX.key, 2)];
    expect(leading(DAY, all)).toEqual({ act: "wait", step: null, next: [] });
  });

  it("weigh line after line and pan after pan", () => {
    expect(lineOf(WEIGH)?.name).toBe("Butter");
    const next = withWaiting(WEIGH, [made("weighed", WEIGH.key, 1, { place: 0, amount: 221 })]);
    expect(lineOf(next)).toMatchObject({ name: "Caster sugar", of: "2 of 2", wanted: 210 });
    const pans = ["Round 20", "Round 20"].map((pan) => ({
      pan,
      wanted_g: 430,
      filled: false,
      poured_g: null,
      left_g: 430,
      over: "",
      marks: marks(430),
    }));
    expect(lineOf({ ...STEP, kind: "fill", pans })).toMatchObject({ of: "pan 1 of 2" });
    expect(lineOf(MIX)).toBeNull();
  });
});

describe("time left", () => {
  it.each([
    [95_000, "1:35"],
    [0, "0:00"],
    [4_080_000, "1 h 08"],
    [-61_000, "over by 1:01"],
  ])("%d ms is %s", (ms, words) => expect(countdown(ms)).toBe(words));
  it.each([
    [2, "on time"],
    [12, "12 min late"],
    [-75, "1 h 15 ahead"],
  ])("%d min is %s", (minutes, words) => expect(lateWords(minutes)).toBe(words));
});

describe("a look into the oven", () => {
  it("shows the signs and sends one of three answers", async () => {
    const onTick = vi.fn<(made: { kind: string; step?: string | undefined }) => void>();
    showAt(<LookCard step={BAKE} zone="UTC" onTick={onTick} />);
    expect(screen.getByText("a skewer comes out clean")).toBeInTheDocument();
    expect(screen.getByText(/likely 08:30 · no later than 08:36/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /Not yet.*in 3 min/ }));
    await userEvent.click(screen.getByRole("button", { name: /Too dark/ }));
    await userEvent.click(screen.getByRole("button", { name: /^Done/ }));
    expect(onTick.mock.calls.map(([event]) => event.kind)).toEqual(["not_yet", "too_dark", "done"]);
  });

  it("takes unlike pans out one by one, and asks for what is still in alone", async () => {
    const onTick = vi.fn<(made: { kind: string; place?: number | undefined }) => void>();
    const times = { first_look_min: 14, likely_min: 18, latest_min: 22, out: false };
    const rows = [
      { ...times, row: 1, label: "12 wells of Tray" },
      { ...times, row: 0, label: "Round 20", first_look_min: 24, likely_min: 30, latest_min: 36 },
    ];
    const step = { ...BAKE, bake: { ...TIMES, rows } };
    showAt(<LookCard step={step} zone="UTC" onTick={onTick} />);
    const still = screen.getByRole("list", { name: "Still in the oven" });
    expect(still).toHaveTextContent(/12 wells of Tray · look at 08:14 · likely 08:18/);
    await userEvent.click(screen.getByRole("button", { name: /^12 wells of Tray/ }));
    expect(onTick.mock.lastCall?.[0]).toMatchObject({ kind: "out", place: 1 });
    cleanup();
    // Ticked here and not yet in the kitchen: it is out all the same.
    const out = withWaiting(step, [made("out", step.key, 1, { place: 1 })]);
    showAt(<LookCard step={out} zone="UTC" onTick={onTick} />);
    expect(screen.getByRole("list", { name: "Still in the oven" })).not.toHaveTextContent("Tray");
    expect(screen.queryByRole("button", { name: /^Round 20/ })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: /^Done/ }));
    expect(onTick.mock.lastCall?.[0]).toMatchObject({ kind: "done" });
  });

  it("offers no second cover, and says what covering does", () => {
    const bake = { ...TIMES, covered: true, looks: 1 };
    showAt(<LookCard step={{ ...BAKE, bake }} zone="UTC" onTick={vi.fn()} />);
    expect(screen.queryByRole("button", { name: /Too dark/ })).toBeNull();
    expect(screen.getByText(/browns no more/)).toBeInTheDocument();
    expect(screen.getByText("Look again")).toBeInTheDocument();
  });

  it("draws both windows where a probe watches", () => {
    const bake = {
      ...TIMES,
      readings: 40,
      early_min: 31,
      latest_min: 34,
      curve: [
        { minutes: 0, c: 20 },
        { minutes: 15, c: 61 },
      ],
      air_off_c: -8,
    };
    showAt(<ProbePlot bake={bake} />);
    expect(screen.getByRole("img")).toHaveAccessibleName(/at 61 °C; done between 31 and 34/);
    expect(screen.getByText(/8 °C cooler than its dial/)).toBeInTheDocument();
  });
});

describe("what runs", () => {
  const timer = (kind: DayTimer["kind"], at: string, more = {}): DayTimer => ({
    key: `${kind}:0`,
    kind,
    step: BAKE.key,
    what: "Bake Round 20",
    words: kind === "first_look" ? "First look" : "Turn the pans",
    since: "2027-03-20T08:00:00Z",
    at,
    calls: true,
    loud: false,
    ...more,
  });

  it("counts down to the look with the window beside it, and is answered", async () => {
    const onTick = vi.fn<(made: { kind: string; step?: string | undefined }) => void>();
    const timers = [
      timer("first_look", "2027-03-20T08:24:00Z"),
      timer("turn", "2027-03-20T08:24:00Z"),
      timer("likely", "2027-03-20T08:30:00Z", { calls: false }),
      timer("latest", "2027-03-20T08:36:00Z"),
    ];
    showAt(
      <Running
        day={DAY}
        timers={timers}
        now={Date.parse("2027-03-20T08:19:30Z")}
        onTick={onTick}
      />,
    );
    const look = screen.getByRole("group", { name: /First look/ });
    expect(within(look).getByRole("timer")).toHaveTextContent("4:30");
    expect(look).toHaveTextContent("likely 08:30 · no later than 08:36");
    await userEvent.click(screen.getByRole("button", { name: "Turned" }));
    expect(onTick).toHaveBeenCalledWith(
      expect.objectContaining({ kind: "turned", step: BAKE.key }),
    );
  });

  it("opens a cake at the minute of its bake, where it can be opened", async () => {
    const cells = btoa(String.fromCharCode(1, 1, 2, 2));
    const asked = fakeKitchen({
      "GET /api/days/7/inside": {
        body: {
          label: "Round 20",
          minutes: [0, 20],
          rows: 1,
          columns: 2,
          edges_cm: [0, 5, 10],
          wall_cm: 5,
          ring: false,
          states: cells,
          tops_mm: btoa(String.fromCharCode(20, 20, 40, 38)),
          middle_c: [20, 80],
          rim_c: [20, 97],
          bands: [
            { name: "runny", from_c: -300 },
            { name: "warm", from_c: 40 },
            { name: "setting", from_c: 65 },
          ],
        },
      },
    });
    const timers = [
      timer("first_look", "2027-03-20T08:24:00Z"),
      timer("likely", "2027-03-20T08:30:00Z", { calls: false }),
    ];
    const running = (opens: boolean) => (
      <Running
        day={{ ...DAY, steps: [{ ...BAKE, bake: { ...TIMES, opens } }] }}
        timers={timers}
        now={Date.parse("2027-03-20T08:19:00Z")}
        onTick={vi.fn()}
      />
    );
    const { unmount } = showAt(running(false));
    expect(screen.queryByRole("button", { name: "Look inside" })).toBeNull();
    unmount();
    showAt(running(true));
    await userEvent.click(screen.getByRole("button", { name: "Look inside" }));
    expect(
      await screen.findByRole("img", {
        name: "Round 20 cut open after 20 min: middle 80 °C, rim 97 °C",
      }),
    ).toBeInTheDocument();
    expect(asked.find(({ path }) => path.endsWith("/inside"))?.search.get("step")).toBe(BAKE.key);
  });

  it("lets an oven be hot before its time is up", async () => {
    const onTick = vi.fn<(made: { kind: string; step?: string | undefined }) => void>();
    showAt(
      <Running
        day={DAY}
        timers={[{ ...timer("turn", "2027-03-20T08:24:00Z"), kind: "preheat", step: "fit/heat" }]}
        now={Date.parse("2027-03-20T08:10:00Z")}
        onTick={onTick}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "It is hot already" }));
    expect(onTick).toHaveBeenCalledWith(expect.objectContaining({ kind: "hot", step: "fit/heat" }));
  });

  it("says when a bake is past its latest time", () => {
    const timers = [
      timer("first_look", "2027-03-20T08:24:00Z"),
      timer("latest", "2027-03-20T08:36:00Z"),
    ];
    showAt(
      <Running
        day={DAY}
        timers={timers}
        now={Date.parse("2027-03-20T08:37:00Z")}
        onTick={vi.fn()}
      />,
    );
    expect(screen.getByText("Past its latest time: look now.")).toBeInTheDocument();
  });
});

describe("the end of a day", () => {
  it("sends how it was and what is left; nonsense is refused and kept", async () => {
    const over = { ...BAKE, stand: "done" as const, ended: "2027-03-20T08:31:00Z" };
    const make = {
      ...MIX,
      key: "m",
      kind: "make" as const,
      words: "Make Syrup",
      stand: "done" as const,
    };
    const asked = fakeKitchen({
      "POST /api/days/7/finish": { body: { ...DAY, ended_at: "2027-03-20T12:00:00Z" } },
    });
    const onKeep = vi.fn();
    const day = { ...DAY, steps: [over, make, { ...MIX, stand: "waiting" as const }] };
    showAt(<EndOfDay day={day} onKeep={onKeep} onClose={vi.fn()} />);
    expect(screen.getByText(/^1 step is not done\. It stays as it is;/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("radio", { name: "A little over" }));
    await userEvent.click(screen.getByRole("radio", { name: "Cracked" }));
    await userEvent.type(screen.getByLabelText("Syrup, g"), "lots");
    expect(screen.getByRole("button", { name: "End the day" })).toBeDisabled();
    await userEvent.clear(screen.getByLabelText("Syrup, g"));
    await userEvent.type(screen.getByLabelText("Syrup, g"), "12 1/2");
    await userEvent.click(screen.getByRole("button", { name: "End the day" }));
    await waitFor(() => expect(onKeep).toHaveBeenCalled());
    expect(asked[0]?.body).toEqual({
      bakes: [{ step: BAKE.key, how: "little_over", top: "cracked", change: "" }],
      leftovers: [{ name: "Syrup", g: 12.5 }],
      orders_done: true,
    });
  });

  it("takes any tick back and does a step out of turn", async () => {
    const onTick = vi.fn<(made: { kind: string; step?: string | undefined }) => void>();
    const done = {
      ...WEIGH,
      stand: "done" as const,
      ended: "2027-03-20T07:20:00Z",
      tick: "tick-9",
    };
    showAt(<AllSteps day={{ ...DAY, steps: [done, MIX] }} onTick={onTick} onClose={vi.fn()} />);
    await userEvent.click(screen.getByRole("button", { name: /Take back: Weigh/ }));
    await userEvent.click(screen.getByRole("button", { name: "Done: Mix" }));
    expect(onTick.mock.calls.map(([event]) => [event.kind, event.step])).toEqual([
      ["undo", "tick-9"],
      ["done", MIX.key],
    ]);
  });
});

describe("devices and days", () => {
  it("lets a scale in and says where it sends its readings", async () => {
    const device = {
      id: 3,
      kind: "scale",
      name: "Kitchen scale",
      key: "abc-key-123",
      simulated: false,
      watches: "",
    };
    let here: unknown[] = [];
    const asked = fakeKitchen({
      "GET /api/devices": () => ({ body: here }),
      "POST /api/devices": () => {
        here = [device];
        return { status: 201, body: device };
      },
    });
    showAt(<DevicesDialog day={DAY} heard={new Map()} onClose={vi.fn()} />);
    expect(await screen.findByText(/None is let in/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Let a scale in" }));
    expect(await screen.findByText(/\/api\/devices\/abc-key-123\/readings/)).toBeInTheDocument();
    expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({ simulated: false });
    expect(screen.getByText("silent")).toBeInTheDocument();
  });

  it("starts an order's day, and says why one cannot be", async () => {
    const order = {
      id: 5,
      title: "Choir tea",
      due: "2099-03-20T10:00:00Z",
      done: false,
      cakes: [],
    };
    const asked = fakeKitchen({
      ...KITCHEN,
      "GET /api/workday": { body: WORKDAY },
      "GET /api/orders": { body: [order] },
      "GET /api/days": {
        body: [{ id: 7, title: "Harvest supper", started_at: DAY.started_at, ended_at: null }],
      },
      "POST /api/days": {
        status: 422,
        body: problem("impossible_choice", "These orders cannot all be done."),
      },
    });
    showAt(<DayRoom />, "/day");
    expect(await screen.findByRole("button", { name: "Go on with Harvest supper" })).toBeEnabled();
    await userEvent.click(await screen.findByRole("button", { name: "Start Choir tea" }));
    expect(await screen.findByText("These orders cannot all be done.")).toBeInTheDocument();
    expect(asked.find((one) => one.method === "POST")?.body).toEqual({ orders: [5] });
  });
});
