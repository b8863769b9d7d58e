import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import { OrderForm } from "../src/orders/OrderForm";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { row } from "./cards";
import { KITCHEN } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("an order straight from a recipe", () => {
  const worth = (changes: object = {}) => ({
    cost: {
      cakes: [
        {
          label: "Plum squares",
          count: 1,
          parts: [],
          total: 20,
          without_price: [],
          by_margin: 27,
          by_portion: null,
          each: null as number | null,
          below_cost: false,
          portions: 14,
          hands_min: 150,
          hands_left_out: false,
        },
      ],
      currency: "€",
      total: 20,
      by_margin: 27,
      asked: null as object | null,
    },
    hands_min: 150,
    beside: ["Choir tea"],
    day_hands_min: 330,
    hours_min: 1680,
    ...changes,
  });
  const opened = {
    into: [{ pan: 1, measures: null, label: "Round 20", count: 2, held: false }],
    rule: "same_depth",
    egg_count: null,
    words: "",
  };
  const form = (answers: object = {}) => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "GET /api/pans": {
        body: [
          { id: 1, label: "Round 20", wells: 1 },
          { id: 2, label: "Tray of 12", wells: 12 },
        ],
      },
      "GET /api/fits": { body: [] },
      "GET /api/recipes": { body: { rows: [row()], total: 1, tags: [], ingredients: [] } },
      "POST /api/fit/opening": { body: opened },
      "POST /api/worth": { body: worth() },
      ...answers,
    });
    const save = vi.fn();
    showAt(
      <OrderForm
        title="Add an order"
        start={{ title: "Supper", due: "2099-03-21T10:00:00Z", cakes: [] }}
        zone="UTC"
        id={7}
        error={null}
        busy={false}
        onSave={save}
        onClose={vi.fn()}
      />,
    );
    return { asked, save };
  };
  const choose = async () => {
    await userEvent.click(await screen.findByRole("combobox", { name: "Add a recipe" }));
    await userEvent.click(await screen.findByRole("option", { name: "Plum squares" }));
  };

  it("has the pans it opens with, others by a tap, and is saved as it stands", async () => {
    const { save } = form();
    await choose();
    const pans = await screen.findByRole("group", { name: "Pans of Plum squares" });
    expect(await within(pans).findByText("Round 20")).toBeInTheDocument();
    await userEvent.click(
      within(pans).getByRole("button", { name: "More: How many of Round 20, Plum squares" }),
    );
    await userEvent.click(within(pans).getByRole("combobox", { name: "Another pan" }));
    await userEvent.click(await screen.findByRole("option", { name: "Tray of 12" }));
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      cakes: [
        {
          label: "Plum squares",
          fit: {
            recipe: 4,
            rule: "same_depth",
            into: [
              { pan: 1, count: 3 },
              { pan: 2, count: 12 },
            ],
          },
        },
      ],
    });
  });

  it("says what it feeds, its price and its hands while it is typed, with its day", async () => {
    const { asked } = form();
    await choose();
    const told = await screen.findByRole("region", { name: "What it comes to" });
    expect(told).toHaveTextContent(/Feeds 14 · with the margin 27\.00 € · 2.h 30 of hands/);
    expect(told).toHaveTextContent(/With Choir tea: 5.h 30 of hands, 28.h are there/);
    // The order that is changed is not counted beside itself.
    expect(asked.find((one) => one.path === "/api/worth")?.body).toMatchObject({ order: 7 });
  });

  it("is for so many: sets of pans that feed them are offered, and one is taken", async () => {
    const offer = {
      into: [{ pan: 2, label: "Round 15", count: 3, held: false }],
      fit: { pans: [{ label: "Round 15", count: 3, wells: 1 }] },
      words: "5 % deeper, nothing left over",
    };
    const { asked, save } = form({ "POST /api/fit/sets": { body: { offers: [offer] } } });
    await choose();
    await userEvent.click(await screen.findByRole("button", { name: "For how many" }));
    const eaters = screen.getByRole("spinbutton", { name: "Eaters of Plum squares" });
    await userEvent.clear(eaters);
    await userEvent.type(eaters, "24");
    await userEvent.tab();
    await userEvent.click(
      await screen.findByRole("button", { name: "3 × Round 15: 5 % deeper, nothing left over" }),
    );
    expect(asked.filter((one) => one.path === "/api/fit/sets").at(-1)?.body).toMatchObject({
      fit: { rule: "servings", servings: 24 },
    });
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({
      cakes: [{ fit: { rule: "servings", servings: 24, into: [{ pan: 2, count: 3 }] } }],
    });
    expect(screen.getByRole("button", { name: "For 24" })).toBeInTheDocument();
  });

  it("says where no pans of the rack feed so many", async () => {
    form({ "POST /api/fit/sets": { body: { offers: [] } } });
    await choose();
    await userEvent.click(await screen.findByRole("button", { name: "For how many" }));
    expect(await screen.findByText(/No 5 pans of your rack/)).toBeInTheDocument();
  });

  it("holds the price agreed against the cost, and takes no nonsense for a price", async () => {
    const told = worth();
    told.cost.asked = { price: 15, over: -5, words: "15.00 € is 5.00 € below what it costs." };
    for (const cake of told.cost.cakes) cake.each = 1.5;
    const { asked, save } = form({ "POST /api/worth": { body: told } });
    await choose();
    await userEvent.type(screen.getByRole("textbox", { name: "Price agreed" }), "15");
    expect(await screen.findByText("15.00 € is 5.00 € below what it costs.")).toBeInTheDocument();
    expect(screen.getByText("Plum squares: 1.50 € each")).toBeInTheDocument();
    await waitFor(() =>
      expect(asked.filter((one) => one.path === "/api/worth").at(-1)?.body).toMatchObject({
        price: 15,
      }),
    );
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save.mock.lastCall?.[0]).toMatchObject({ price: 15 });
    await userEvent.type(screen.getByRole("textbox", { name: "Price agreed" }), "x");
    expect(screen.getByText("A price is a number, 0 or more.")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Save the order" }));
    expect(save).toHaveBeenCalledTimes(1);
  });

  it("says when the day has more hands' work than hands, and what is wrong with a cake", async () => {
    form({ "POST /api/worth": { body: worth({ day_hands_min: 1700 }) } });
    await choose();
    expect(await screen.findByText(/more than can be done/)).toBeInTheDocument();
    cleanup();
    form({ "POST /api/worth": { status: 422, body: problem("impossible", "It fills nothing.") } });
    await choose();
    expect(await screen.findByText("It fills nothing.")).toBeInTheDocument();
  });
});
