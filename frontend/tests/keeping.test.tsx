import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useLocation } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { FitChoices } from "../src/domain/fitChoices";
import { KeepButton } from "../src/rooms/fit/keep/KeepButton";
import { SaveFile } from "../src/rooms/fit/keep/SaveFile";
import { RecipePicker } from "../src/rooms/fit/RecipePicker";
import { startWith } from "../src/domain/fitChoices";
import { useFitChoices } from "../src/rooms/fit/shared/useFitChoices";
import type { FitChoicesInHand } from "../src/rooms/fit/shared/useFitChoices";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";
import { fit, inHand, KITCHEN, listening } from "./fixtures";

afterEach(cleanup);
beforeEach(() => {
  fakeKitchen(KITCHEN);
});

describe("keeping", () => {
  const row = {
    id: 3,
    name: "Harvest supper",
    recipe: 1,
    recipe_title: "Parsnip and honey layer cake",
    kept_at: "2026-11-20T10:00:00Z",
  };

  it("says that a name is taken, and replaces on a second word", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "GET /api/fits": { body: [row] },
      "POST /api/fits": (one) =>
        (one.body as { replace: boolean }).replace
          ? { status: 201, body: { ...row, request: { recipe: 1, into: [] } } }
          : { status: 409, body: problem("name_taken", "There is one of that name.", "name") },
    });
    showAt(<KeepButton fit={fit({})} inHand={inHand()} />);
    await userEvent.click(screen.getByRole("button", { name: "Keep" }));
    const name = screen.getByLabelText("Name");
    await userEvent.clear(name);
    await userEvent.type(name, "Harvest supper{Enter}");
    expect(await screen.findByText("There is one of that name.")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Replace" }));
    await waitFor(() =>
      expect(asked.findLast((one) => one.method === "POST")?.body).toMatchObject({ replace: true }),
    );
  });

  it("brings a kept fit back with all that was chosen", async () => {
    const request = { recipe: 1, into: [{ pan: 7, count: 2 }], rule: "servings", servings: 30 };
    fakeKitchen({
      ...KITCHEN,
      "GET /api/fits": { body: [row] },
      "GET /api/fits/3": { body: { ...row, request, result: fit({}) } },
    });
    const heard = listening({});
    showAt(<KeepButton fit={fit({})} inHand={heard.hand} />);
    await userEvent.click(screen.getByRole("button", { name: "Keep" }));
    await userEvent.click(await screen.findByRole("button", { name: /^Harvest supper/ }));
    await waitFor(() =>
      expect(heard.last()).toMatchObject({ rule: "servings", servings: 30, beside: null }),
    );
  });
});

describe("picking a recipe", () => {
  it("starts afresh with it", () => {
    expect(startWith({ id: 4, revision: 7 } as Parameters<typeof startWith>[0])).toMatchObject({
      recipe: 4,
      revision: 7,
      variant: null,
      eggs: "default",
      shares: [],
      laid: {},
      servings: null,
      eggCount: null,
    });
  });

  it("says what to do in an empty kitchen", async () => {
    fakeKitchen({
      "GET /api/recipes": { body: { rows: [], total: 0, tags: [] } },
      "GET /api/kitchen": { body: { welcomed: true } },
    });
    showAt(<RecipePicker inHand={inHand()} />);
    expect(await screen.findByText(/no recipes yet/)).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Paste a recipe" })).toBeInTheDocument();
  });
});

describe("choices in the address", () => {
  function Twice({ say }: { say: (hand: FitChoicesInHand) => void }) {
    const hand = useFitChoices();
    const { search } = useLocation();
    return (
      <button
        type="button"
        data-search={search}
        onClick={() => say(hand)}
        aria-label={JSON.stringify(hand.choices.into)}
      >
        change
      </button>
    );
  }

  it("keep both of two changes that come within one step", async () => {
    fakeKitchen({ ...KITCHEN, "POST /api/fit": { body: fit({}) } });
    const start = `/fit?recipe=1&into=${encodeURIComponent('[{"pan":1,"count":1},{"pan":2,"count":1}]')}`;
    window.history.replaceState(null, "", start);
    const more = (place: number) => (now: FitChoices) => ({
      into: now.into.map((one, i) => (i === place ? { ...one, count: 5 } : one)),
    });
    showAt(
      <Twice
        say={({ choose }) => {
          choose(more(0));
          window.history.replaceState(
            null,
            "",
            `/fit?recipe=1&into=${encodeURIComponent('[{"pan":1,"count":5},{"pan":2,"count":1}]')}`,
          );
          choose(more(1));
        }}
      />,
      start,
    );
    await userEvent.click(screen.getByRole("button"));
    // The address follows a step later.
    await waitFor(() => {
      expect(JSON.parse(screen.getByRole("button").getAttribute("aria-label") ?? "")).toEqual([
        { pan: 1, count: 5 },
        { pan: 2, count: 5 },
      ]);
    });
    expect(within(document.body).getByRole("button").dataset.search).toContain("recipe=1");
  });
});

describe("leaving as a file", () => {
  it("saves the fit in the format that is chosen", async () => {
    const asked = fakeKitchen({
      ...KITCHEN,
      "POST /api/fit/file/markdown": {
        body: { file_name: "cake.md", media_type: "text/markdown", text: "# Cake" },
      },
    });
    const made = vi.fn<(file: Blob) => string>(() => "blob:cake");
    vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: made, revokeObjectURL: vi.fn() }));
    showAt(<SaveFile request={{ recipe: 1, into: [{ pan: 2 }] }} />);
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    await userEvent.click(screen.getByRole("menuitem", { name: /^Markdown/ }));
    await waitFor(() => expect(made).toHaveBeenCalledOnce());
    expect(made.mock.calls[0]?.[0].type).toBe("text/markdown");
    expect(asked.at(-1)?.body).toEqual({ recipe: 1, into: [{ pan: 2 }] });
  });

  it("says why a fit that cannot be worked out is not saved", async () => {
    fakeKitchen({
      ...KITCHEN,
      "POST /api/fit/file/json_ld": {
        status: 422,
        body: problem("not_fitted", "No pan is named."),
      },
    });
    showAt(<SaveFile request={{ recipe: 1, into: [{ pan: 9 }] }} />);
    await userEvent.click(screen.getByRole("button", { name: "Save" }));
    await userEvent.click(screen.getByRole("menuitem", { name: /^JSON-LD/ }));
    expect(await screen.findByText("Not saved. No pan is named.")).toBeVisible();
  });
});
