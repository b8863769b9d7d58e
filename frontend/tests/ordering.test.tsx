import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { DayPlan } from "../src/api/client";
import { OrderForm } from "../src/orders/OrderForm";
import { OrderButton } from "../src/rooms/fit/keep/OrderButton";
import { PlanList } from "../src/rooms/orders/timetable/PlanList";
import { WaysOut } from "../src/rooms/orders/timetable/WaysOut";
import { WorkdayDialog } from "../src/rooms/orders/WorkdayDialog";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { harvest, fit, KITCHEN, listening, WORKDAY } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("the form of an order", () => {
  const start = {
    title: "Choir tea",
    due: "2099-03-21T10:00:00Z",
    cakes: [{ kept: 4, label: "Plum, two rounds", count: 1 }],
  };
  const form = (fits: unknown[] = []) => {
    fakeKitchen({ ...KITCHEN, "GET /api/fits": { body: fits } });
    const save = vi.fn();
    showAt(
      <OrderForm
        title="Add an order"
        start={start}
        zone="Europe/Paris"
        error={null}
        busy={false}
        onSave={save}
        onClose={vi.fn()}
      />,
    );
    return save;
  };

  it("reads and writes the due time on the kitchen's clock", async () => {
    const save = form();
    expect(screen.getByLabelText("Due")).toHaveValue("2099-03-21T11:00");
    fireEvent.change(screen.getByLabelText("Due"), { target: { value: "2099-07-01T09:15" } });
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save).toHaveBeenCalledWith(
      expect.objectContaining({ due: "2099-07-01T07:15:00.000Z", title: "Choir tea" }),
    );
  });

  it("is not saved without a time", async () => {
    const save = form();
    fireEvent.change(screen.getByLabelText("Due"), { target: { value: "" } });
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(screen.getByText("Say the day and the time.")).toBeInTheDocument();
    expect(save).not.toHaveBeenCalled();
  });

  it("asks for the spelling again when an inscription changes", async () => {
    const save = form();
    const words = screen.getByLabelText("Inscription on Plum, two rounds");
    fireEvent.change(words, { target: { value: "Well sown" } });
    await userEvent.click(screen.getByRole("checkbox", { name: /Well sown.*spelt/ }));
    fireEvent.change(words, { target: { value: "Well grown" } });
    expect(screen.getByRole("checkbox", { name: /Well grown/ })).not.toBeChecked();
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      cakes: [{ inscription: "Well grown", spelling_confirmed: false }],
    });
  });

  it("takes cakes from kept fits, counts them, and lets them go", async () => {
    const save = form([
      {
        id: 9,
        name: "Sesame sheet",
        recipe: 2,
        recipe_title: "Sesame",
        kept_at: "2026-01-01T00:00:00Z",
        damaged: false,
      },
    ]);
    await userEvent.click(await screen.findByRole("combobox", { name: /Add a kept fit/ }));
    await userEvent.click(await screen.findByRole("option", { name: "Sesame sheet" }));
    await userEvent.click(screen.getByRole("button", { name: "More: Count of Sesame sheet" }));
    await userEvent.click(
      screen.getByRole("button", { name: "Take Plum, two rounds off the order" }),
    );
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      cakes: [{ kept: 9, label: "Sesame sheet", count: 2 }],
    });
  });
});

describe("an order from a message", () => {
  const told = {
    due: "2099-03-28T10:00:00Z",
    recipe: 4,
    title: "Plum squares",
    eaters: null,
    pieces: 24,
    cakes: null,
    inscription: "Well sown",
    driven: null,
    questions: ["At what hour? 10:00 is assumed.", "Any allergies?"],
  };
  const form = (answer: object, wells = 12) => {
    fakeKitchen({
      ...KITCHEN,
      "GET /api/pans": { body: [{ id: 2, label: "Tray of 12", wells }] },
      "GET /api/fits": { body: [] },
      "GET /api/recipes": { body: { rows: [], total: 0, tags: [], ingredients: [] } },
      "POST /api/fit/opening": {
        body: {
          into: [{ pan: 2, measures: null, label: "Tray of 12", count: 12, held: false }],
          rule: "same_depth",
          egg_count: null,
          words: "",
        },
      },
      "POST /api/readings/message": answer as { body: unknown },
    });
    const save = vi.fn();
    const start = { title: "", due: "2099-03-21T10:00:00Z", cakes: [] };
    showAt(
      <OrderForm
        title="Add an order"
        start={start}
        zone="UTC"
        error={null}
        busy={false}
        onSave={save}
        onClose={vi.fn()}
      />,
    );
    return save;
  };
  const read = async (text: string) => {
    await userEvent.click(screen.getByRole("button", { name: "From a message" }));
    fireEvent.change(screen.getByLabelText("Message"), { target: { value: text } });
    await userEvent.click(screen.getByRole("button", { name: "Read it" }));
  };

  it("is filled in as far as it says, with the rest to ask and the words kept", async () => {
    const save = form({ body: told });
    await read("two dozen plum squares for the 28th");
    const asked = await screen.findByRole("region", { name: "To ask" });
    expect(asked).toHaveTextContent("24 of them.");
    expect(
      within(asked)
        .getAllByRole("listitem")
        .map((one) => one.textContent),
    ).toEqual(told.questions);
    expect(screen.getByLabelText("Due")).toHaveValue("2099-03-28T10:00");
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      title: "Plum squares",
      note: "two dozen plum squares for the 28th",
      cakes: [{ inscription: "Well sown", fit: { recipe: 4, into: [{ pan: 2, count: 24 }] } }],
    });
  });

  it("adds to what was typed already, and reads the same words once", async () => {
    const save = form({ body: told });
    fireEvent.change(screen.getByLabelText("Order"), { target: { value: "Fair" } });
    fireEvent.change(screen.getByLabelText("Note"), { target: { value: "Paid" } });
    await read("two dozen");
    await screen.findByRole("region", { name: "To ask" });
    expect(screen.getByRole("button", { name: "Read it" })).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({ title: "Fair", note: "Paid\ntwo dozen" });
  });

  it("takes slices for no pans", async () => {
    const save = form({ body: told }, 1);
    await read("24 slices");
    await screen.findByRole("region", { name: "To ask" });
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      cakes: [{ fit: { into: [{ pan: 2, count: 12 }] } }],
    });
  });

  it("leaves alone what a message does not say", async () => {
    form({ body: { ...told, due: null, recipe: null, title: "", inscription: "", pieces: null } });
    await read("Thank you for the cake");
    await screen.findByRole("region", { name: "To ask" });
    expect(screen.getByLabelText("Due")).toHaveValue("2099-03-21T10:00");
    expect(screen.getByLabelText("Order")).toHaveValue("");
    expect(screen.queryByRole("group", { name: /^Pans of/ })).not.toBeInTheDocument();
  });
});

describe("an order from a fit", () => {
  it("is two taps, with the fit as it stands", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "GET /api/workday": { body: WORKDAY },
      "GET /api/fits": { body: [] },
      "POST /api/orders": { status: 201, body: {} },
    });
    showAt(
      <OrderButton
        fit={fit({})}
        inHand={listening({ recipe: 1, into: [{ pan: 4, count: 2 }] }).hand}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "Order" }));
    await userEvent.click(await screen.findByRole("button", { name: "Save the order" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
        cakes: [{ fit: { recipe: 1, into: [{ pan: 4, count: 2 }] } }],
      }),
    );
    expect(await screen.findByText(/is ordered. It stands in Orders/)).toBeInTheDocument();
  });

  it("waits for something to order", () => {
    fakeKitchen(KITCHEN);
    showAt(<OrderButton fit={fit({ factor: null })} inHand={listening().hand} />);
    expect(screen.getByRole("button", { name: "Order" })).toBeDisabled();
  });
});

describe("hours, hands and rates", () => {
  const dialog = (answer: unknown = { body: WORKDAY }) => {
    const close = vi.fn();
    const asked = fakeKitchen({
      "GET /api/orders": { body: [harvest(), harvest({ id: 2 })] },
      "PUT /api/workday": answer as { body: unknown },
    });
    showAt(<WorkdayDialog workday={WORKDAY} onClose={close} />);
    return { asked, close };
  };

  it("are kept from the version that was read; what is left open stays open", async () => {
    const { asked, close } = dialog();
    fireEvent.change(screen.getByLabelText("Pairs of hands"), { target: { value: "2" } });
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
      hands: 2,
      base: 2,
      kw: null,
      portion: null,
      wage: 14,
    });
  });

  it("ask what becomes of open orders before the clock is another", async () => {
    const { asked, close } = dialog();
    const clock = screen.getByLabelText("Clock of the kitchen");
    fireEvent.change(clock, { target: { value: "Pacific/Auckland" } });
    const stays = await screen.findByRole("radiogroup", { name: "The 2 open orders are due" });
    expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
    await userEvent.click(within(stays).getByRole("radio", { name: /hour they say/ }));
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(close).toHaveBeenCalled());
    expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
      zone: "Pacific/Auckland",
      due: "hour",
    });
    fireEvent.change(clock, { target: { value: WORKDAY.zone } });
    expect(screen.queryByRole("radiogroup", { name: /open orders/ })).toBeNull();
  });

  it("have days of the week with hours of their own, and free ones", async () => {
    const { asked } = dialog();
    const row = (name: string, kind: string) =>
      within(screen.getByRole("radiogroup", { name })).getByRole("radio", { name: kind });
    await userEvent.click(row("Sunday", "free"));
    await userEvent.click(row("Tuesday", "own"));
    fireEvent.change(screen.getByLabelText("Tuesday from"), { target: { value: "18:30" } });
    await userEvent.click(row("Friday", "free"));
    await userEvent.click(row("Friday", "usual"));
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
        opens: "07:00",
        week: [
          { day: 1, opens: "18:30", closes: "21:00" },
          { day: 6, opens: null, closes: null },
        ],
      }),
    );
  });

  it("are not kept while one is no number, and say what the kitchen refuses", async () => {
    dialog({ status: 422, body: problem("impossible_choice", "“Moon” is no time zone.") });
    const wage = screen.getByLabelText("Wage of an hour");
    fireEvent.change(wage, { target: { value: "much" } });
    expect(screen.getByText("This is no number.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
    fireEvent.change(wage, { target: { value: "15" } });
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("“Moon” is no time zone.")).toBeInTheDocument();
  });
});

describe("a plan in words", () => {
  const days: DayPlan = {
    tasks: ["2099-03-20T22:50:00Z", "2099-03-20T23:30:00Z"].map((start, place) => ({
      key: `1.0.0/t${String(place)}`,
      order: "Choir tea",
      order_id: 1,
      cake: "1.0.0",
      kind: "mix",
      words: `Task ${String(place)}`,
      lane: "hands",
      oven: null,
      oven_id: null,
      start,
      end: start,
      minutes: 10,
      why: "",
      waits: [],
      slack_min: null,
      heat_c: null,
      fixed: place === 0,
      done: place === 1,
    })),
    cakes: [],
    filled: [],
    boards: 6,
    left_out: [{ key: "x", order: "Choir tea", words: "Bake" }],
    findings: [],
    clash: [{ order: 1, title: "Choir tea" }],
    ways_out: [],
    make_ahead: [],
    together: null,
    windows: [],
    keeps: [],
    fridge: [],
    ovens: [],
    zone: "Europe/Paris",
    hands_min: 20,
    hours_min: 60,
    cost: 0,
    proven: false,
    gap: null,
    impossible: false,
  };

  it("has a table for each day of the kitchen's clock", () => {
    showAt(<PlanList days={days} onChoose={vi.fn()} />);
    const tables = screen.getAllByRole("table");
    expect(tables).toHaveLength(2);
    expect(within(tables[0] ?? document.body).getByText(/put here/)).toBeInTheDocument();
    expect(tables[1]).toHaveTextContent("00:30");
    expect(tables[1]).toHaveTextContent("done");
  });

  it("says that no single change helps", () => {
    showAt(<WaysOut orders={[]} days={days} onTake={vi.fn()} />);
    expect(screen.getByText("No plan was found for Choir tea in these hours.")).toBeInTheDocument();
    expect(screen.getByText(/No single change helps/)).toBeInTheDocument();
  });
});
