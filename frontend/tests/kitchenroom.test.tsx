import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";

import { KitchenRoom } from "../src/rooms/kitchen/KitchenRoom";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { KITCHEN, oven } from "./fixtures";

const MAIN = oven();
const STEAMER = oven({
  id: 2,
  name: "Steamer",
  kind: "steam",
  kind_words: "steamer",
  has_dial: false,
  is_default: false,
  shelf_width_cm: null,
  shelf_depth_cm: null,
  origins: { preheat_min: { origin: "assumed", note: "usual", assumptions: [] } },
});

function showKitchen(more: Parameters<typeof fakeKitchen>[0] = {}) {
  const asked = fakeKitchen({ ...KITCHEN, "GET /api/ovens": { body: [MAIN, STEAMER] }, ...more });
  showAt(<KitchenRoom />);
  return asked;
}

afterEach(cleanup);

describe("the ovens", () => {
  it("are told with their dial, shelves and how soon they are hot", async () => {
    showKitchen();
    const list = await screen.findByRole("list", { name: "Ovens" });
    await within(list).findByText(/Main oven · the usual one/);
    const [main, steamer] = within(list).getAllByRole("listitem");
    expect(main).toHaveTextContent("50 to 250 °C in steps of 5");
    expect(main).toHaveTextContent("2 shelves of 45 × 36 cm");
    expect(main).toHaveTextContent("hot in 18 min");
    expect(steamer).not.toHaveTextContent("steps of");
    expect(steamer).toHaveTextContent("shelves not measured");
  });

  it("are added with a dial in marks, whose steps follow", async () => {
    const asked = showKitchen({ "POST /api/ovens": { status: 201, body: oven({ id: 3 }) } });
    await userEvent.click(await screen.findByRole("button", { name: "Add an oven" }));
    const form = screen.getByRole("form", { name: "Add an oven" });
    await userEvent.type(within(form).getByLabelText("Name"), "Hall cooker");
    await userEvent.click(within(form).getByRole("combobox", { name: "Kind" }));
    await userEvent.click(screen.getByRole("option", { name: "Gas oven" }));
    await userEvent.click(within(form).getByRole("combobox", { name: "Dial" }));
    await userEvent.click(screen.getByRole("option", { name: "gas marks" }));
    const off = within(form).getByLabelText(/Hotter than it says/);
    await userEvent.clear(off);
    await userEvent.type(off, "-10");
    await userEvent.type(within(form).getByLabelText("Shelf width, cm"), "18 in");
    await userEvent.type(within(form).getByLabelText("Shelf depth, cm"), "36");
    await userEvent.click(within(form).getByRole("button", { name: "Add it" }));
    await waitFor(() => expect(asked.some((one) => one.method === "POST")).toBe(true));
    expect(asked.find((one) => one.method === "POST")?.body).toEqual({
      name: "Hall cooker",
      kind: "gas",
      dial: "mark",
      dial_step: 0.5,
      dial_lowest: 0.5,
      dial_highest: 9,
      dial_off_c: -10,
      shelf_width_cm: "18 in",
      shelf_depth_cm: 36,
      shelves: 1,
      preheat_min: null,
      is_default: false,
    });
  });

  it("mark what cannot be read, and do not send it", async () => {
    const asked = showKitchen();
    await userEvent.click(await screen.findByRole("button", { name: "Change Main oven" }));
    const form = screen.getByRole("form", { name: "Change Main oven" });
    const step = within(form).getByLabelText("Step of the dial");
    await userEvent.clear(step);
    await userEvent.type(step, "five");
    expect(within(form).getByText("Type a number.")).toBeInTheDocument();
    expect(within(form).getByRole("button", { name: "Keep the change" })).toBeDisabled();
    expect(asked.every((one) => one.method === "GET")).toBe(true);
  });

  it("show at its field what the kitchen refuses", async () => {
    showKitchen({
      "PUT /api/ovens/1": {
        status: 422,
        body: problem("impossible_choice", "An oven takes 1 to 8 shelves.", "shelves"),
      },
    });
    await userEvent.click(await screen.findByRole("button", { name: "Change Main oven" }));
    const form = screen.getByRole("form", { name: "Change Main oven" });
    const shelves = within(form).getByLabelText("Shelves at once");
    await userEvent.clear(shelves);
    await userEvent.type(shelves, "40");
    await userEvent.click(within(form).getByRole("button", { name: "Keep the change" }));
    expect(await within(form).findByText("An oven takes 1 to 8 shelves.")).toBeInTheDocument();
    expect(shelves).toHaveValue("40");
  });

  it("come back when they were removed by mistake", async () => {
    const asked = showKitchen({
      "DELETE /api/ovens/2": { status: 204, body: null },
      "POST /api/ovens": { status: 201, body: STEAMER },
    });
    await userEvent.click(await screen.findByRole("button", { name: "Remove Steamer" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked.some((one) => one.method === "POST")).toBe(true));
    expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
      name: "Steamer",
      kind: "steam",
      preheat_min: null,
    });
  });

  it("are missing: the kitchen says what it takes instead", async () => {
    showKitchen({ "GET /api/ovens": { body: [] } });
    expect(await screen.findByText(/No oven yet/)).toBeInTheDocument();
  });
});

describe("the habits", () => {
  it("are kept as they are typed", async () => {
    const asked = showKitchen({
      "PUT /api/kitchen": { body: { name: "x", scale_step_g: 1, altitude_m: 1600 } },
    });
    const field = await screen.findByLabelText("Metres above the sea");
    await userEvent.type(field, "1600{Enter}");
    await waitFor(() => expect(asked.some((one) => one.method === "PUT")).toBe(true));
    expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
      name: "Quillet Lane Kitchen",
      altitude_m: 1600,
    });
  });

  it("show what is wrong with them", async () => {
    showKitchen({
      "PUT /api/kitchen": {
        status: 422,
        body: problem("impossible_choice", "A kitchen lies 0 to 5000 m above the sea."),
      },
    });
    await userEvent.type(await screen.findByLabelText("Metres above the sea"), "9000{Enter}");
    expect(await screen.findByText(/0 to 5000 m/)).toBeInTheDocument();
  });
});
