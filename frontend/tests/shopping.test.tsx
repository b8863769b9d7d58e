import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Shopping } from "../src/api/client";
import { OrdersRoom } from "../src/rooms/orders/OrdersRoom";
import { fakeKitchen, showAt } from "./fakeKitchen";
import { harvest, WORKDAY } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const KITCHEN = {
  "GET /api/orders": { body: [harvest()] },
  "GET /api/workday": { body: WORKDAY },
  "GET /api/fits": { body: [] },
  "GET /api/ovens": { body: [] },
};

const room = (answers: Parameters<typeof fakeKitchen>[0] = {}, path = "/orders") => {
  const asked = fakeKitchen({ ...KITCHEN, ...answers });
  showAt(<OrdersRoom />, path);
  return asked;
};

describe("shopping", () => {
  const shopping: Shopping = {
    rows: [
      {
        key: "caster_sugar",
        name: "Caster sugar",
        needed_g: 1400,
        have_g: 0,
        buy_g: 1400,
        pieces: null,
        packs: [{ g: 1000, price: 1.9, count: 2 }],
        packs_g: 2000,
        left_g: 600,
        price: 3.8,
        where: "Mill",
        cakes: [],
        raw: "",
        house: false,
        known_packs: [{ g: 1000, price: 1.9, count: 0 }],
        left_for: ["Small oat rounds"],
      },
    ],
    things: [{ name: "board 28 cm", count: 2 }],
    price: 3.8,
    without_price: 0,
    currency: "€",
  };

  it("ticks what was bought into the larder, whole packs", async () => {
    const asked = room(
      {
        "POST /api/shopping": { body: shopping },
        "POST /api/larder/bought": {
          body: { key: "caster_sugar", name: "Caster sugar", have_g: 2000, packs: [], where: "" },
        },
      },
      "/orders?view=shopping",
    );
    expect(await screen.findByText("3.80 €")).toBeInTheDocument();
    expect(
      screen.getByText(/2 × 1.000 g · 600 g left, would go into Small oat rounds/),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole("checkbox", { name: "Bought: Caster sugar" }));
    await waitFor(() =>
      expect(asked.find((one) => one.path === "/api/larder/bought")?.body).toEqual({
        key: "caster_sugar",
        name: "Caster sugar",
        g: 2000,
      }),
    );
  });

  it("keeps packs, and refuses what is no number", async () => {
    const asked = room(
      { "POST /api/shopping": { body: shopping }, "PUT /api/larder": { body: {} } },
      "/orders?view=shopping",
    );
    await userEvent.click(await screen.findByRole("button", { name: "Packs of Caster sugar" }));
    const have = screen.getByLabelText("There already, g");
    fireEvent.change(have, { target: { value: "some" } });
    expect(screen.getByRole("button", { name: "Save the packs" })).toBeDisabled();
    fireEvent.change(have, { target: { value: "350" } });
    await userEvent.click(screen.getByRole("button", { name: "Save the packs" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
        have_g: 350,
        packs: [{ g: 1000, price: 1.9 }],
      }),
    );
  });
});

describe("cost", () => {
  it("shows each part, both prices, and what leaves hands out", async () => {
    const part = (key: string, sum: number, assumed = false) => ({
      key,
      name: key,
      sum,
      assumed,
      origin: { origin: assumed ? "assumed" : "given", note: "", assumptions: [] },
    });
    room({
      "GET /api/orders/1/cost": {
        body: {
          cakes: [
            {
              label: "Plum cake",
              count: 1,
              parts: [part("Ingredients", 6), part("Oven", 0.4, true)],
              total: 6.4,
              without_price: ["Plums"],
              by_margin: 8.5,
              by_portion: 45,
              each: null,
              below_cost: false,
              portions: 14,
              hands_min: 190,
              hands_left_out: true,
            },
          ],
          total: 6.4,
          by_margin: 8.5,
          currency: "€",
        },
      },
    });
    await userEvent.click(await screen.findByRole("button", { name: "Cost: Harvest supper" }));
    const dialog = await screen.findByRole("dialog", { name: "What Harvest supper costs" });
    expect(await within(dialog).findByText(/By cost and margin at least 8.50 €/)).toHaveTextContent(
      "by 14 portions 45.00 €",
    );
    expect(within(dialog).getByText(/Hands cost nothing here/)).toBeInTheDocument();
    expect(within(dialog).getByText(/not counted: plums/)).toBeInTheDocument();
    await userEvent.click(within(dialog).getByRole("button", { name: "Wage, energy, margin" }));
    expect(await screen.findByLabelText("Wage of an hour")).toHaveValue("14");
  });
});
