import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { RackPan } from "../src/api/client";
import { wellGrid } from "../src/pans/RackDrawing";
import { PansRoom } from "../src/rooms/pans/PansRoom";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { pan as fitPan } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function rackPan(changes: Partial<RackPan>): RackPan {
  return {
    id: 3,
    label: "Oval 25 × 18",
    kind: "flat",
    outline: "oval",
    wells: 1,
    finish: "dark",
    owned: 2,
    capacity_ml: 2120.6,
    known_by: "measures",
    loose_base: true,
    damaged: false,
    inches: false,
    version: 1,
    measures: {
      outline: "oval",
      across: 25,
      width: 18,
      tube: null,
      corner: 0,
      rim_across: null,
      rim_width: null,
      rim_tube: null,
      wall_cm: 6,
      wells: 1,
      flutes: 0,
      finish: "dark",
      capacity_ml: null,
      sides: 6,
      points: [],
      loose_base: true,
      patted: false,
    },
    drawing: fitPan({}).drawing,
    ...changes,
  };
}

async function chooseFromMenu(label: string, entry: string) {
  await userEvent.click(await screen.findByRole("button", { name: `More for ${label}` }));
  await userEvent.click(screen.getByRole("menuitem", { name: entry }));
}

describe("the rack", () => {
  it("says what is known of each pan, and that water decided", async () => {
    const ring = rackPan({ id: 4, label: "Ring 23", known_by: "capacity", loose_base: false });
    fakeKitchen({ "GET /api/pans": { body: [rackPan({}), ring] } });
    showAt(<PansRoom />);
    expect(await screen.findByText("2121 ml · wall 5 cm · dark · loose base")).toBeVisible();
    expect(screen.getByText("Measured by water: 2121 ml · wall 5 cm · dark")).toBeVisible();
  });

  it("says how to begin when it is empty", async () => {
    fakeKitchen({ "GET /api/pans": { body: [] } });
    showAt(<PansRoom />);
    expect(await screen.findByText(/The rack is empty/)).toBeVisible();
  });

  it("sends only the measures that were given when the count changes", async () => {
    const asked = fakeKitchen({
      "GET /api/pans": { body: [rackPan({})] },
      "PUT /api/pans/3": { body: rackPan({ owned: 3 }) },
    });
    showAt(<PansRoom />);
    const owned = await screen.findByRole("spinbutton", { name: "Owned of Oval 25 × 18" });
    await userEvent.clear(owned);
    await userEvent.type(owned, "3{Enter}");
    await waitFor(() => {
      const put = asked.find((one) => one.method === "PUT");
      expect(put?.body).toMatchObject({ owned: 3, pan: { label: "Oval 25 × 18", across: 25 } });
      expect((put?.body as { pan: object }).pan).not.toHaveProperty("tube");
    });
  });

  it("sends every measure of a pan back, also those its form does not show", async () => {
    const measures = {
      outline: "ring" as const,
      across: 24,
      width: 3,
      tube: 7,
      corner: 0.5,
      rim_across: 25,
      rim_width: 4,
      rim_tube: 6.5,
      wall_cm: 8,
      wells: 1,
      flutes: 12,
      finish: "dark" as const,
      capacity_ml: 2400,
      sides: 7,
      points: [[0, 1]],
      loose_base: true,
      patted: false,
    };
    const ring = rackPan({ label: "Fluted ring", outline: "ring", measures, version: 6 });
    const asked = fakeKitchen({
      "GET /api/pans": { body: [ring] },
      "POST /api/readings/pan/measures": (one) => ({
        body: {
          pan: { label: "Fluted ring", measures: (one.body as { pan: unknown }).pan, count: 1 },
          capacity_ml: 2400,
          wall_cm: 8,
          wall_assumed: false,
          by_measures_ml: null,
          drawing: null,
        },
      }),
      "PUT /api/pans/3": { body: ring },
    });
    showAt(<PansRoom />);
    await chooseFromMenu("Fluted ring", "Change");
    const keep = await screen.findByRole("button", { name: "Keep the change" });
    await waitFor(() => expect(keep).toBeEnabled());
    await userEvent.click(keep);
    await waitFor(() => expect(asked.some((one) => one.method === "PUT")).toBe(true));
    const put = asked.find((one) => one.method === "PUT")?.body as {
      pan: Record<string, unknown>;
      base: number;
    };
    expect(put.base).toBe(6);
    for (const [name, value] of Object.entries(measures)) {
      expect([name, String(put.pan[name])]).toEqual([name, String(value)]);
    }
  });

  it("takes a pan off, and puts it back as it was", async () => {
    const asked = fakeKitchen({
      "GET /api/pans": { body: [rackPan({})] },
      "DELETE /api/pans/3": { status: 204, body: null },
      "POST /api/pans": { status: 201, body: rackPan({}) },
    });
    showAt(<PansRoom />);
    await chooseFromMenu("Oval 25 × 18", "Take off the rack");
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
        owned: 2,
        pan: { outline: "oval", across: 25, width: 18, wall_cm: 6, loose_base: true },
      }),
    );
  });

  it("opens a pan with its own measures, and keeps the dialog when it is refused", async () => {
    const asked = fakeKitchen({
      "GET /api/pans": { body: [rackPan({})] },
      "POST /api/readings/pan/measures": {
        body: {
          pan: { label: "Oval 26 × 18", measures: rackPan({}).measures, count: 1 },
          label: "Oval 26 × 18",
          capacity_ml: 2205,
          wall_cm: 6,
          wall_assumed: false,
          by_measures_ml: null,
          drawing: null,
        },
      },
      "PUT /api/pans/3": {
        status: 422,
        body: problem("impossible_pan", "A pan of that name is on the rack.", "label"),
      },
    });
    showAt(<PansRoom />);
    await chooseFromMenu("Oval 25 × 18", "Change");
    const dialog = within(await screen.findByRole("dialog"));
    const length = dialog.getByLabelText("Length");
    expect(length).toHaveValue("25");
    await userEvent.clear(length);
    await userEvent.type(length, "26");
    expect(await dialog.findByText(/Holds 2205 ml/)).toBeVisible();
    await userEvent.click(dialog.getByRole("button", { name: "Keep the change" }));
    expect(await dialog.findByText("A pan of that name is on the rack.")).toBeVisible();
    expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
      pan: { across: "26", width: "18" },
    });
  });
});

describe("a tray's wells", () => {
  it("lie as the usual trays do", () => {
    expect(wellGrid(6)).toEqual({ across: 3, down: 2 });
    expect(wellGrid(12)).toEqual({ across: 4, down: 3 });
    expect(wellGrid(24)).toEqual({ across: 6, down: 4 });
  });
});
