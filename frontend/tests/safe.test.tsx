import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { KitchenCopy, LeftoverRow } from "../src/api/client";
import { LeftoversPanel } from "../src/rooms/kitchen/LeftoversPanel";
import { SafePanel } from "../src/rooms/kitchen/safe/SafePanel";
import { SecondScreen } from "../src/rooms/kitchen/SecondScreen";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";

const COPY: KitchenCopy = {
  name: "kitchen-20261128-093000-000000-daily.zip",
  made_at: "2026-11-28T09:30:00Z",
  why: "daily",
  bytes: 1_400_000,
};

const looked = (changes: object = {}) => ({
  copy_file: COPY,
  rows: [{ words: "recipes", count: 8 }],
  now: [{ words: "recipes", count: 3 }],
  older: true,
  problem: "",
  ...changes,
});

const COPIES = { "GET /api/copies": { body: { copies: [COPY], most: 10, days: 14 } } };
const LOOK = `GET /api/copies/${COPY.name}/look`;
const RESTORE = `POST /api/copies/${COPY.name}/restore`;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe("keep safe", () => {
  it("looks into a copy before it is brought back, and undoes it", async () => {
    const asked = fakeKitchen({
      ...COPIES,
      [LOOK]: { body: looked() },
      [RESTORE]: { body: { name: COPY.name, before: "before.zip" } },
      "POST /api/copies/before.zip/restore": { body: { name: "before.zip", before: null } },
    });
    showAt(<SafePanel />);
    await screen.findByText(/of the day, 1.4 MB/);
    await userEvent.click(screen.getByRole("button", { name: /^Look into/ }));
    const dialog = await screen.findByRole("dialog");
    expect(dialog).toHaveTextContent("will be brought up to date");
    expect(within(dialog).getByRole("row", { name: /recipes/ })).toHaveTextContent("recipes83");
    expect(asked.some((one) => one.method === "POST")).toBe(false);
    await userEvent.click(within(dialog).getByRole("button", { name: "Bring it back" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked.at(-1)?.method).toBe("GET"));
    expect(asked.filter((one) => one.method === "POST").map((one) => one.path)).toEqual([
      `/api/copies/${COPY.name}/restore`,
      "/api/copies/before.zip/restore",
    ]);
  });

  it("offers nothing to bring back where a copy is damaged, and says what went wrong", async () => {
    fakeKitchen({
      ...COPIES,
      [LOOK]: { body: looked({ rows: [], problem: "It is damaged. Take another." }) },
      "POST /api/copies": { status: 422, body: problem("unsound", "The disk is full.") },
    });
    showAt(<SafePanel />);
    await userEvent.click(await screen.findByRole("button", { name: /^Look into/ }));
    expect(await screen.findByText("It is damaged. Take another.")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Bring it back" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Leave it" }));
    await userEvent.click(await screen.findByRole("button", { name: "Copy now" }));
    expect(await screen.findByText("The disk is full.")).toBeInTheDocument();
  });

  it("says when nothing was copied yet", async () => {
    fakeKitchen({ "GET /api/copies": { body: { copies: [], most: 10, days: 14 } } });
    showAt(<SafePanel />);
    expect(await screen.findByText(/Not copied yet/)).toBeInTheDocument();
  });
});

describe("a second screen", () => {
  it("is told how to be let in, with the caution, while nothing is shared", async () => {
    fakeKitchen({
      "GET /api/sharing": {
        body: { shared: false, addresses: [], qr: null, signed_in: 0, fingerprint: "" },
      },
    });
    showAt(<SecondScreen />);
    expect(await screen.findByText("make run SHARE=1")).toBeInTheDocument();
    expect(screen.getByText(/not encrypted/)).toBeInTheDocument();
  });

  it("finds the address and its code, and all are signed out", async () => {
    const away = vi.fn();
    vi.stubGlobal("location", { origin: window.location.origin, assign: away });
    const asked = fakeKitchen({
      "GET /api/sharing": {
        body: {
          shared: true,
          addresses: ["http://192.168.1.7:8000"],
          qr: "data:image/svg+xml,x",
          signed_in: 3,
          fingerprint: "",
        },
      },
      "POST /api/sharing/sign-out": { status: 204, body: null },
    });
    showAt(<SecondScreen />);
    expect(await screen.findByText("http://192.168.1.7:8000")).toBeInTheDocument();
    expect(screen.getByRole("img")).toHaveAccessibleName(
      "A code that opens http://192.168.1.7:8000",
    );
    expect(screen.getByText(/3 screens are signed in/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Sign every screen out" }));
    await waitFor(() => expect(away).toHaveBeenCalledWith("/sign-in"));
    expect(asked.at(-1)?.path).toBe("/api/sharing/sign-out");
    vi.unstubAllGlobals();
  });
});

describe("a second screen that is reached encrypted", () => {
  it("is shown the fingerprint to compare, and no word that nothing is encrypted", async () => {
    const fingerprint = Array.from({ length: 32 }, (_, place) => `0${(place % 10).toString()}`);
    fakeKitchen({
      "GET /api/sharing": {
        body: {
          shared: true,
          addresses: ["https://192.168.1.7:8001"],
          qr: "data:image/svg+xml,x",
          signed_in: 1,
          fingerprint: fingerprint.join(":"),
        },
      },
    });
    showAt(<SecondScreen />);
    const code = await screen.findByLabelText(`Fingerprint ${fingerprint.join(":")}`);
    expect(code.textContent.split("\n")).toHaveLength(4);
    expect(screen.queryByText(/not encrypted/)).not.toBeInTheDocument();
  });
});

describe("what is left over", () => {
  const row = (changes: Partial<LeftoverRow> = {}): LeftoverRow => ({
    id: 1,
    name: "Egg whites",
    kind: "egg whites",
    g: 90,
    since: "2026-11-20",
    stands: "chilled",
    places: ["chilled", "frozen"],
    until: "2026-11-24",
    left_days: -4,
    words: "egg whites chilled: 4 days, practice.",
    recipes: [{ id: 7, title: "Elderflower chiffon" }],
    version: 2,
    ...changes,
  });

  it("is said when it is past its day, and what would take it", async () => {
    const asked = fakeKitchen({
      "GET /api/leftovers": {
        body: [row(), row({ id: 2, name: "Batter", until: null, left_days: null, recipes: [] })],
      },
      "PUT /api/leftovers/1": { body: row({ stands: "frozen" }) },
    });
    showAt(<LeftoversPanel />);
    const rows = await screen.findAllByRole("listitem");
    expect(rows[0]).toHaveTextContent("past Tuesday 24 November: throw it away");
    expect(rows[1]).toHaveTextContent("does not keep chilled");
    expect(screen.getByRole("link", { name: "Elderflower chiffon" })).toHaveAttribute(
      "href",
      "/recipes/7",
    );
    await userEvent.click(within(rows[0] as HTMLElement).getByRole("radio", { name: "Frozen" }));
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toEqual({
        g: 90,
        since: "2026-11-20",
        stands: "frozen",
        base: 2,
      }),
    );
  });
});
