import { act, cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Day, DayStep, Heard } from "../src/api/client";
import { DayRoom } from "../src/rooms/day/DayRoom";
import { put } from "../src/running/outbox";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import type { Asked } from "./fakeKitchen";
import { BAKE, DAY, MIX, STEP, WEIGH, line, marks } from "./days";

/** Clocks that beat when a test says so. */
class Beat {
  static all: Beat[] = [];
  onmessage: (() => void) | null = null;
  constructor() {
    Beat.all.push(this);
  }
  terminate() {
    Beat.all = Beat.all.filter((one) => one !== this);
  }
}

/** A stream that says what a test tells it to. */
class Stream {
  static readonly OPEN = 1;
  static latest: Stream | null = null;
  readyState = 1;
  onerror: (() => void) | null = null;
  private readonly heard = new Map<string, (event: { data: string }) => void>();
  constructor() {
    Stream.latest = this;
  }
  addEventListener(name: string, listener: (event: { data: string }) => void) {
    this.heard.set(name, listener);
  }
  async say(name: string, value: unknown) {
    await act(async () => {
      this.heard.get(name)?.({ data: JSON.stringify(value) });
      await new Promise((told) => setTimeout(told));
    });
  }
  lose() {
    this.readyState = 0;
    act(() => this.onerror?.());
  }
  close() {
    this.readyState = 2;
  }
}

const beat = () => act(() => Beat.all.forEach((one) => one.onmessage?.()));

beforeEach(() => {
  localStorage.clear();
  Beat.all = [];
  vi.stubGlobal("Worker", Beat);
  vi.stubGlobal("EventSource", Stream);
  performance.clearMarks();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const near = (ms: number) => new Date(Date.now() + ms).toISOString();
const fresh = (more: Partial<Day> = {}): Day => ({ ...DAY, now: near(0), ...more });

type Sent = {
  events: { kind: string; step: string; place: number; amount: number; ago_s: number }[];
};
const ticks = (asked: Asked[]) =>
  asked
    .filter((one) => one.path === "/api/days/7/events")
    .flatMap((one) => (one.body as Sent).events);

async function sheet(day: Day, answers: Parameters<typeof fakeKitchen>[0] = {}) {
  const asked = fakeKitchen({
    "GET /api/days/7": { body: day },
    "POST /api/days/7/events": { body: { ...day, now: near(1) } },
    ...answers,
  });
  showAt(
    <Routes>
      <Route path="/day/:id" element={<DayRoom />} />
    </Routes>,
    "/day/7",
  );
  await screen.findByRole("region", { name: "Now" });
  return asked;
}

describe("the run sheet without a hand free", () => {
  const mixing = fresh({ lead: MIX.key, next: [], steps: [MIX] });

  it("goes on by Space, by Enter and by a tap on the big half", async () => {
    const asked = await sheet(mixing);
    fireEvent.keyDown(document.body, { key: " " });
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ kind: "done", step: MIX.key });
    fireEvent.keyDown(document.body, { key: "Enter" });
    await waitFor(() => expect(ticks(asked)).toHaveLength(2));
    fireEvent.click(screen.getByRole("region", { name: "Now" }));
    await waitFor(() => expect(ticks(asked)).toHaveLength(3));
  });

  it("takes back by Backspace what was ticked last", async () => {
    const asked = await sheet(mixing);
    fireEvent.keyDown(document.body, { key: "Backspace" });
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ kind: "undo", step: "tick-1" });
  });

  it("does nothing while a key is held down, a dialog is open, or the day is over", async () => {
    const asked = await sheet(mixing);
    fireEvent.keyDown(document.body, { key: " ", repeat: true });
    await userEvent.click(screen.getByRole("button", { name: "All steps" }));
    fireEvent.keyDown(document.body, { key: " " });
    await Stream.latest?.say("day", { ...mixing, ended_at: near(0) });
    fireEvent.keyDown(document.body, { key: " " });
    expect(ticks(asked)).toEqual([]);
  });

  it("keeps a tick of another screen though an older answer arrives after it", async () => {
    const steps = { steps: [WEIGH, MIX] };
    const old = fresh({ ...steps, lead: WEIGH.key });
    let arrive: (answer: Response) => void = () => undefined;
    vi.stubGlobal("fetch", () => new Promise<Response>((came) => (arrive = came)));
    showAt(
      <Routes>
        <Route path="/day/:id" element={<DayRoom />} />
      </Routes>,
      "/day/7",
    );
    await Stream.latest?.say("day", { ...old, now: near(50), lead: MIX.key });
    const now = await screen.findByRole("region", { name: "Now" });
    await act(async () => {
      arrive(Response.json(old));
      await new Promise((told) => setTimeout(told, 30));
    });
    expect(now).toHaveTextContent(MIX.words);
    await Stream.latest?.say("day", { ...old, now: near(90), lead: WEIGH.key });
    expect(now).toHaveTextContent("Butter");
  });

  it("goes on with a day that was ended by mistake", async () => {
    await sheet(fresh({ ended_at: near(-1000), act: "end", lead: null }), {
      "POST /api/days/7/reopen": () => ({ body: { ...mixing, now: near(0) } }),
    });
    await userEvent.click(screen.getByRole("button", { name: "Go on with this day" }));
    expect(await screen.findByRole("button", { name: "Done" })).toBeInTheDocument();
  });
});

describe("ticks and a kitchen that is away", () => {
  const day = fresh();

  it("keeps a tick that the kitchen had no time for, and sends it again", async () => {
    let busy = true;
    const asked = await sheet(day, {
      "POST /api/days/7/events": () => {
        if (!busy) return { body: day };
        busy = false;
        return { status: 503, body: { ...problem("busy", "Busy."), status: 503 } };
      },
    });
    fireEvent.keyDown(document.body, { key: " " });
    expect(await screen.findByText(/1 tick waits/)).toBeInTheDocument();
    await waitFor(() => expect(ticks(asked)).toHaveLength(2), { timeout: 4000 });
    const [first, again] = ticks(asked) as unknown as { id: string; ago_s: number }[];
    expect(again?.id).toBe(first?.id);
    expect(again?.ago_s).toBeGreaterThanOrEqual(1);
    await waitFor(() => expect(screen.queryByText(/ticks? waits?/)).toBeNull());
  });

  it("does not send again what the kitchen refuses, and says why", async () => {
    const asked = await sheet(day, {
      "POST /api/days/7/events": {
        status: 422,
        body: {
          ...problem("impossible_choice", "This day is over; nothing more is ticked in it."),
          status: 422,
          errors: [{ field: "day", text: "over" }],
        },
      },
    });
    fireEvent.keyDown(document.body, { key: " " });
    expect(await screen.findByText(/nothing more is ticked/)).toBeInTheDocument();
    expect(screen.getByText(/The kitchen did not take: “Weigh out/)).toBeInTheDocument();
    expect(localStorage.getItem("entremet.day.7")).toBeNull();
    expect(ticks(asked)).toHaveLength(1);
  });

  it("drops one bad tick alone and sends the others again", async () => {
    const bad = {
      ...problem("invalid_request", "The request cannot be read as it is."),
      status: 422,
      errors: [{ field: "events.0.kind", text: "none" }],
    };
    put(7, {
      event: { id: "bad", kind: "done", step: "1.0.0/gone", place: 0, amount: 0 },
      made: 1,
    });
    put(7, { event: { id: "good", kind: "done", step: MIX.key, place: 0, amount: 0 }, made: 2 });
    let asked: Asked[] = [];
    asked = await sheet(day, {
      "POST /api/days/7/events": () =>
        ticks(asked).length <= 2
          ? { status: 422, body: bad }
          : { status: 200, body: { ...day, now: near(1) } },
    });
    await waitFor(() => expect(ticks(asked)).toHaveLength(3));
    expect(ticks(asked)[2]).toMatchObject({ step: MIX.key });
    await waitFor(() => expect(localStorage.getItem("entremet.day.7")).toBeNull());
    expect(screen.getByText(/did not take: “done”/)).toBeInTheDocument();
  });

  it("keeps ticks when somebody signed this screen out, and asks to sign in", async () => {
    await sheet(day, {
      "POST /api/days/7/events": {
        status: 401,
        body: { ...problem("signed_out", "Sign in first."), status: 401 },
      },
    });
    fireEvent.keyDown(document.body, { key: " " });
    expect(await screen.findByText(/1 tick waits here and arrive/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Sign in again" })).toBeInTheDocument();
    expect(JSON.parse(localStorage.getItem("entremet.day.7") ?? "[]")).toHaveLength(1);
    expect(screen.queryByText(/did not take/)).toBeNull();
  });

  it("sends a long queue in parts", async () => {
    for (let place = 0; place < 230; place += 1) {
      const event = { id: `t${String(place)}`, kind: "weighed", step: MIX.key, place, amount: 0 };
      put(7, { event: event as never, made: place });
    }
    const asked = await sheet(day);
    await waitFor(() => expect(ticks(asked)).toHaveLength(230));
    const parts = asked.filter((one) => one.path === "/api/days/7/events");
    expect(parts.map((one) => (one.body as Sent).events.length)).toEqual([100, 100, 30]);
  });

  it("says when the stream is lost and follows it when it is back", async () => {
    await sheet(day);
    Stream.latest?.lose();
    expect(screen.getByText(/Timers go on here/)).toBeInTheDocument();
    await Stream.latest?.say("day", fresh({ lead: MIX.key }));
    expect(screen.queryByText(/Timers go on here/)).toBeNull();
    expect(screen.getByRole("region", { name: "Now" })).toHaveTextContent("Mix");
  });
});

describe("calls", () => {
  const timer = (at: string, more = {}) => ({
    key: "bake:out_of_pan:0",
    kind: "out_of_pan" as const,
    step: BAKE.key,
    what: "Fluted ring",
    words: "Out of the pan",
    since: near(-600_000),
    at,
    calls: true,
    loud: false,
    ...more,
  });
  const called = () => performance.getEntriesByType("mark").map((one) => one.name);

  it("come once at their time, are in the title, and ask how the day stands", async () => {
    const asked = await sheet(fresh({ timers: [timer(near(60_000))] }));
    beat();
    expect(called()).toEqual([]);
    await Stream.latest?.say("day", fresh({ timers: [timer(near(-10))] }));
    const before = asked.filter((one) => one.method === "GET").length;
    beat();
    beat();
    expect(called()).toEqual(["call bake:out_of_pan:0"]);
    expect(document.title).toBe("Out of the pan: Fluted ring");
    await waitFor(() =>
      expect(asked.filter((one) => one.method === "GET").length).toBeGreaterThan(before),
    );
  });

  it("are only shown when they were over long before the page came, but for a ring", async () => {
    await sheet(fresh({ timers: [timer(near(-300_000))] }));
    beat();
    expect(called()).toEqual([]);
    expect(screen.getByRole("timer")).toHaveTextContent("over by 5:0");
    await Stream.latest?.say(
      "day",
      fresh({ timers: [timer(near(-300_000), { key: "ring", loud: true })] }),
    );
    beat();
    expect(called()).toEqual(["call ring"]);
  });

  it("make no sound where sound is off", async () => {
    await sheet(fresh({ timers: [timer(near(-10))] }));
    await userEvent.click(screen.getByRole("button", { name: "Sound is on" }));
    performance.clearMarks();
    await Stream.latest?.say("day", fresh({ timers: [timer(near(-10), { key: "next" })] }));
    beat();
    expect(called()).toEqual([]);
    expect(localStorage.getItem("entremet.silent")).toBe("yes");
  });
});

describe("a scale beside the sheet", () => {
  const weigh: DayStep = { ...STEP, amounts: [line("Butter", 220), line("Caster sugar", 210)] };
  const day = fresh({ lead: weigh.key, next: [], steps: [weigh] });
  const reads = (g: number, more: Partial<Heard> = {}): Heard => ({
    device: 3,
    kind: "scale",
    name: "Kitchen scale",
    ago_s: 0,
    g,
    stable: true,
    overload: false,
    battery_low: false,
    centre_c: null,
    air_c: null,
    ...more,
  });

  it("counts from what lay on it, shows what is still wanted, and sends what it read", async () => {
    const asked = await sheet(day);
    await Stream.latest?.say("device", reads(300));
    await Stream.latest?.say("device", reads(460, { stable: false }));
    expect(screen.getByText("160 of 220 g are in")).toBeInTheDocument();
    expect(screen.getByRole("meter")).toHaveAttribute("aria-valuenow", "160");
    fireEvent.keyDown(document.body, { key: " " });
    expect(screen.getByRole("button", { name: "Settling" })).toBeInTheDocument();
    expect(ticks(asked)).toEqual([]);
    await Stream.latest?.say("device", reads(521));
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ kind: "weighed", place: 0, amount: 221 });
  });

  it("zeroes by hand only what is steady, and says that it waits for it", async () => {
    const asked = await sheet(day);
    await Stream.latest?.say("device", reads(0));
    await Stream.latest?.say("device", reads(44, { stable: false }));
    await userEvent.click(screen.getByRole("button", { name: "Zero with what is on it" }));
    expect(screen.getByText(/zero as soon as it is steady/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Zero with what is on it" })).toBeDisabled();
    expect(screen.queryByRole("meter")).not.toBeInTheDocument();
    await Stream.latest?.say("device", reads(212, { stable: false }));
    await Stream.latest?.say("device", reads(300));
    expect(screen.getByText(/this line from zero/)).toBeInTheDocument();
    await Stream.latest?.say("device", reads(400));
    expect(screen.getByText("100 of 220 g are in")).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: " " });
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ amount: 100 });
  });

  it("takes no zero from a reading that is long past", async () => {
    await sheet(day);
    await Stream.latest?.say("device", reads(300, { ago_s: 60 }));
    await Stream.latest?.say("device", reads(20, { stable: false }));
    expect(screen.getByText(/not steady yet/)).toBeInTheDocument();
    await Stream.latest?.say("device", reads(20));
    await Stream.latest?.say("device", reads(70));
    expect(screen.getByText("50 of 220 g are in")).toBeInTheDocument();
  });

  it("goes on by itself when it is right and steady, where that is wanted", async () => {
    const asked = await sheet(day);
    await Stream.latest?.say("device", reads(0));
    await userEvent.click(screen.getByRole("switch", { name: "go on when it is steady" }));
    await Stream.latest?.say("device", reads(150));
    await Stream.latest?.say("device", reads(220, { stable: false }));
    expect(ticks(asked)).toEqual([]);
    await Stream.latest?.say("device", reads(220));
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ amount: 220, place: 0 });
  });

  it("is not believed when it is silent: what is done by hand says no grams", async () => {
    const asked = await sheet(day);
    await Stream.latest?.say("device", reads(300, { ago_s: 60 }));
    expect(screen.getByText(/is silent: weigh by hand/)).toBeInTheDocument();
    fireEvent.keyDown(document.body, { key: " " });
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ kind: "weighed", place: 0, amount: 0 });
  });

  it("says too much as too much, and a weak battery", async () => {
    await sheet(day);
    await Stream.latest?.say("device", reads(0));
    await Stream.latest?.say("device", reads(250, { battery_low: true }));
    expect(screen.getByText("g too much")).toBeInTheDocument();
    expect(screen.getByText(/its battery is weak/)).toBeInTheDocument();
    await Stream.latest?.say("device", reads(0, { overload: true }));
    expect(screen.getByText(/bears no more/)).toBeInTheDocument();
  });

  it("fills pan after pan, all at once by hand where that is quicker", async () => {
    const pans = ["Tray of 12", "Tray of 12"].map((pan) => ({
      pan,
      wanted_g: 55,
      filled: false,
      poured_g: null,
      left_g: 55,
      over: "",
      marks: marks(55),
    }));
    const fill: DayStep = { ...STEP, key: "f", kind: "fill", words: "Fill Tray of 12", pans };
    const asked = await sheet(fresh({ lead: "f", next: [], steps: [fill] }));
    expect(screen.getByText(/pan 1 of 2/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "All filled" }));
    await waitFor(() => expect(ticks(asked)).toHaveLength(1));
    expect(ticks(asked)[0]).toMatchObject({ kind: "done", step: "f" });
  });
});
