import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { draftOf, keepDraft, newDrafts } from "../src/rooms/recipes/drafts";
import { ImportButton } from "../src/rooms/recipes/list/ImportButton";
import { fitAddress } from "../src/rooms/recipes/list/RecipeItem";
import { RecipesRoom } from "../src/rooms/recipes/list/RecipesRoom";
import { PasteRoom } from "../src/rooms/recipes/paste/PasteRoom";
import { toldAfter } from "../src/rooms/recipes/paste/told";
import { card, desk, row } from "./cards";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";

beforeEach(() => window.localStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const list = (rows = [row()], total = rows.length) => ({
  body: { rows, total, tags: ["ring", "sheet cake"] },
});

describe("the box of cards", () => {
  it("shows each card with what it is written for and the way to a fit of its revision", async () => {
    fakeKitchen({ "GET /api/recipes": list() });
    showAt(<RecipesRoom />);
    expect(await screen.findByText("Plum squares")).toBeVisible();
    expect(screen.getByText("180 °C · 30 min")).toBeVisible();
    expect(screen.getByRole("link", { name: "Fit Plum squares" })).toHaveAttribute(
      "href",
      "/fit?recipe=4&revision=3&opens=yes",
    );
    expect(fitAddress(row({ id: 9, revision: 1 }))).toBe("/fit?recipe=9&revision=1&opens=yes");
  });

  it("says what is written beside a recipe, and which card is damaged", async () => {
    const pans = ["round 18", "round 20", "round 22"].map((label) => ({
      label,
      wells: 1,
      drawing: null,
    }));
    fakeKitchen({
      "GET /api/recipes": list([
        row({
          id: 5,
          title: "Tall one",
          pans: pans as never,
          note: "from an aunt",
          tags: ["tiers"],
        }),
        row({ id: 6, title: "Torn one", damaged: true }),
      ]),
    });
    showAt(<RecipesRoom />);
    const tall = (await screen.findByText("Tall one")).closest("li");
    expect(tall).toHaveTextContent("from an aunt · creamed butter · tiers");
    expect(screen.getByText("Torn one").closest("li")).toHaveTextContent(
      "damaged: open it to bring an earlier revision back",
    );
  });

  it("says that a card without settings is not settled", async () => {
    fakeKitchen({ "GET /api/recipes": list([row({ style: "", oven: "", time: "" })]) });
    showAt(<RecipesRoom />);
    expect(await screen.findByText("not settled yet")).toBeVisible();
  });

  it("asks the kitchen for words and tags", async () => {
    const asked = fakeKitchen({ "GET /api/recipes": list() });
    showAt(<RecipesRoom />);
    await userEvent.click(await screen.findByRole("button", { name: "ring" }));
    await userEvent.type(screen.getByLabelText("Search recipes"), "plum");
    await waitFor(() => {
      const last = asked.at(-1);
      expect([last?.search.get("search"), last?.search.get("tag")]).toEqual(["plum", "ring"]);
    });
    expect(screen.getByRole("button", { name: "ring" })).toHaveAttribute("aria-pressed", "true");
  });

  it("finds what feeds so many, and puts what was baked last first", async () => {
    const asked = fakeKitchen({
      "GET /api/recipes": list([row({ feeds: 12, hands_min: 95, uses_up: ["Plums"] })]),
    });
    showAt(<RecipesRoom />);
    expect(await screen.findByText("feeds 12 · 95 min of hands")).toBeVisible();
    expect(screen.getByText(/uses up Plums/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /^What to find: any card/ }));
    await userEvent.click(screen.getByRole("button", { name: "More: Feeds at least" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("feeds")).toBe("2"));
    await userEvent.click(screen.getByRole("button", { name: "More: Hours in all, at most" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("all_min")).toBe("60"));
    await userEvent.click(screen.getByRole("button", { name: "Anything" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("feeds")).toBeNull());
    await userEvent.keyboard("{Escape}");
    await userEvent.click(screen.getByRole("button", { name: /^In which order/ }));
    await userEvent.click(screen.getByRole("radio", { name: "baked last first" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("sort")).toBe("baked"));
  });

  it("says what to do when the box is empty, and when nothing is found", async () => {
    fakeKitchen({ "GET /api/recipes": list([]) });
    showAt(<RecipesRoom />);
    expect(await screen.findByText(/No cards yet/)).toBeVisible();
    await userEvent.type(screen.getByLabelText("Search recipes"), "zebra");
    expect(await screen.findByText(/Nothing here is like that/)).toBeVisible();
    await userEvent.clear(screen.getByLabelText("Search recipes"));
    await userEvent.click(screen.getByLabelText("Archive"));
    expect(await screen.findByText("Nothing is put away.")).toBeVisible();
  });

  it("says when the kitchen does not answer, and asks again", async () => {
    let broken = true;
    fakeKitchen({
      "GET /api/recipes": () =>
        broken ? { status: 500, body: problem("broken", "Something broke here.") } : list(),
    });
    showAt(<RecipesRoom />);
    expect(await screen.findByText("Something broke here.")).toBeVisible();
    broken = false;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("Plum squares")).toBeVisible();
  });

  it("shows more on request and names how many there are", async () => {
    const asked = fakeKitchen({ "GET /api/recipes": list([row()], 130) });
    showAt(<RecipesRoom />);
    await userEvent.click(await screen.findByRole("button", { name: "Show more of 130" }));
    await waitFor(() => expect(asked.at(-1)?.search.get("limit")).toBe("120"));
  });

  it("puts a card away and takes that back", async () => {
    const asked = fakeKitchen({
      "GET /api/recipes": list(),
      "POST /api/recipes/4/archive": { body: row({ archived: true }) },
    });
    showAt(<RecipesRoom />);
    await userEvent.click(await screen.findByRole("button", { name: "More for Plum squares" }));
    await userEvent.click(screen.getByRole("menuitem", { name: "Put away" }));
    expect(await screen.findByText("“Plum squares” is put away.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() =>
      expect(asked.filter((one) => one.path.endsWith("/archive")).map((one) => one.body)).toEqual([
        { archived: true },
        { archived: false },
      ]),
    );
  });

  it("offers a way back for what is put away, and no fit", async () => {
    fakeKitchen({ "GET /api/recipes": list([row({ archived: true })]) });
    showAt(<RecipesRoom />);
    expect(await screen.findByRole("button", { name: "Bring back" })).toBeVisible();
    expect(screen.queryByRole("link", { name: "Fit Plum squares" })).toBeNull();
  });

  it("goes to the copy of a card", async () => {
    fakeKitchen({
      "GET /api/recipes": list(),
      "POST /api/recipes/4/duplicate": {
        status: 201,
        body: { row: row({ id: 5 }), revision: 1, card: card() },
      },
    });
    showAt(<RecipesRoom />, "/recipes", "/recipes");
    await userEvent.click(await screen.findByRole("button", { name: "More for Plum squares" }));
    await userEvent.click(screen.getByRole("menuitem", { name: "Duplicate" }));
    expect(await screen.findByTestId("elsewhere")).toBeInTheDocument();
  });

  it("lists cards that wait unsaved, and drops one with a way back", async () => {
    fakeKitchen({ "GET /api/recipes": list() });
    keepDraft("new.abc", {
      card: card({ title: "Sloe ring" }),
      base: 0,
      found: [],
      imported: false,
    });
    showAt(<RecipesRoom />);
    const waiting = await screen.findByRole("list", { name: "Not saved yet" });
    expect(waiting).toHaveTextContent("Sloe ring, 3 lines");
    expect(within(waiting).getByRole("link", { name: "Go on" })).toHaveAttribute(
      "href",
      "/recipes/new?draft=new.abc",
    );
    await userEvent.click(within(waiting).getByRole("button", { name: "Drop it" }));
    expect(newDrafts()).toEqual([]);
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    expect(newDrafts()).toHaveLength(1);
  });
});

function reading(changes: object = {}) {
  return {
    card: card(),
    found: ["oven “180 °C”"],
    unread: [],
    marks: [],
    offers: [],
    apart: [],
    ledger: [],
    ...changes,
  };
}

describe("bringing in a file", () => {
  const file = (text: string, name = "plums.html") => new File([text], name, { type: "text/html" });

  it("lays what was read on the desk as a draft that is not kept yet", async () => {
    const asked = fakeKitchen({
      "POST /api/readings": { body: reading() },
    });
    showAt(<ImportButton />, "/recipes", "/recipes");
    await userEvent.upload(screen.getByTestId("recipe-file"), file("<html>plums"));
    expect(await screen.findByTestId("elsewhere")).toBeInTheDocument();
    expect(asked[0]?.body).toEqual({ text: "<html>plums", name: "plums.html" });
    const [draft] = newDrafts();
    expect(draft && draftOf(draft.name)).toMatchObject({
      base: 0,
      imported: true,
      found: ["oven “180 °C”"],
    });
  });

  it("says why a file cannot be read, and keeps nothing", async () => {
    fakeKitchen({
      "POST /api/readings": {
        status: 422,
        body: problem("unreadable_recipe", "There is no recipe in this file.", "text"),
      },
    });
    showAt(<ImportButton />, "/recipes", "/recipes");
    await userEvent.upload(screen.getByTestId("recipe-file"), file("x"));
    expect(await screen.findByRole("dialog")).toHaveTextContent("There is no recipe in this file.");
    expect(newDrafts()).toEqual([]);
  });

  it("does not send a file that is far too large", async () => {
    const asked = fakeKitchen({});
    showAt(<ImportButton />);
    await userEvent.upload(screen.getByTestId("recipe-file"), file("x".repeat(3_000_001)));
    expect(await screen.findByRole("dialog")).toHaveTextContent("larger than 3 MB");
    expect(asked).toEqual([]);
  });
});

describe("pasting", () => {
  it("shows what is read as one types, and lays it on the desk", async () => {
    fakeKitchen({
      "POST /api/readings": { body: reading() },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />, "/recipes/paste", "/recipes/paste");
    expect(screen.getByRole("button", { name: "Lay it on the desk" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Recipe text"), "200 g plain flour");
    expect(await screen.findByText("200 g")).toBeVisible();
    expect(screen.getByText(/not read; asked about on the desk/)).toBeVisible();
    expect(screen.getByText("From the words: oven “180 °C”.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Lay it on the desk" }));
    expect(await screen.findByTestId("elsewhere")).toBeInTheDocument();
    expect(newDrafts()[0]?.draft.card.title).toBe("Plum squares");
  });

  it("marks the text, and sends what the baker says of a mark with the text", async () => {
    const asked = fakeKitchen({
      "POST /api/readings": {
        body: reading({ marks: [{ start: 0, end: 5, kind: "line", line: 1, why: "", asks: "" }] }),
      },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />);
    fireEvent.change(screen.getByLabelText("Recipe text"), { target: { value: "20 cm" } });
    const bar = await screen.findByRole("region", { name: "What the marked words are" });
    expect(bar).toHaveTextContent("“20 cm” is read as an ingredient line.");
    await userEvent.click(within(bar).getByRole("button", { name: "the pan" }));
    await waitFor(() =>
      expect(asked.at(-1)?.body).toEqual({
        text: "20 cm",
        told: [{ start: 0, end: 5, kind: "pan" }],
      }),
    );
    await userEvent.click(await within(bar).findByRole("button", { name: "Read it anew" }));
    await waitFor(() =>
      expect(within(bar).queryByRole("button", { name: "Read it anew" })).toBeNull(),
    );
  });

  it("asks what no account holds, in place, and shows what was set aside and why", async () => {
    const text = "48 comments\nAdd 30 g of fluff";
    const asked = fakeKitchen({
      "POST /api/readings": {
        body: reading({
          marks: [{ start: 0, end: 11, kind: "note", line: null, why: "a comment", asks: "" }],
          ledger: [
            { start: 0, end: 2, account: "aside", why: "a comment", line: null, answers: [] },
            {
              start: 16,
              end: 20,
              account: "open",
              why: "“30 g” is on no line.",
              line: null,
              answers: ["right", "line", "note"],
            },
          ],
        }),
      },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />);
    fireEvent.change(screen.getByLabelText("Recipe text"), { target: { value: text } });
    const read = await screen.findByRole("region", { name: "What was read" });
    expect(within(read).getByRole("heading")).toHaveTextContent("One thing is asked");
    expect(within(read).getByText("“30 g” is on no line.")).toBeVisible();
    expect(within(read).getByText("Set aside: a comment")).toBeVisible();
    expect(document.querySelector("[data-asked]")).toHaveTextContent("30 g");
    await userEvent.click(within(read).getByRole("button", { name: "It is right as read" }));
    await waitFor(() =>
      expect(asked.at(-1)?.body).toEqual({
        text,
        told: [{ start: 16, end: 20, kind: "right" }],
      }),
    );
  });

  it("does not say that nothing is unread while a line is not", async () => {
    fakeKitchen({
      "POST /api/readings": { body: reading({ unread: ["some luck"] }) },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />);
    fireEvent.change(screen.getByLabelText("Recipe text"), { target: { value: "some luck" } });
    expect(await screen.findByText(/one line is not read/)).toBeVisible();
    expect(screen.queryByText(/Nothing is unread/)).toBeNull();
  });

  it("says that nothing is unread when nothing is asked", async () => {
    fakeKitchen({
      "POST /api/readings": { body: reading() },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />);
    fireEvent.change(screen.getByLabelText("Recipe text"), { target: { value: "3 eggs" } });
    expect(await screen.findByText(/Nothing is unread/)).toBeVisible();
  });

  it("offers another pan with its time, and each of several recipes", async () => {
    const small = { label: "round 15", count: 1, measures: card().pans[0]?.measures };
    fakeKitchen({
      "POST /api/readings": {
        body: reading({
          offers: [{ pan: small, low_min: 52, high_min: 52, words: "an 15 cm tin" }],
          apart: [
            { title: "Plum", start: 0, end: 4 },
            { title: "Pear", start: 4, end: 8 },
          ],
        }),
      },
      "POST /api/desk": { body: desk() },
    });
    showAt(<PasteRoom />, "/recipes/paste", "/recipes/paste");
    fireEvent.change(screen.getByLabelText("Recipe text"), { target: { value: "PlumPear" } });
    await userEvent.click(await screen.findByRole("button", { name: /round 15, 52 min/ }));
    expect(screen.getByText("round 15")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Pear" }));
    expect(screen.getByLabelText("Recipe text")).toHaveValue("Pear");
    await userEvent.click(await screen.findByRole("button", { name: "Lay it on the desk" }));
    expect(newDrafts()[0]?.draft.card.title).toBe("Plum squares");
  });

  it("moves what was said of the text along with its words, and lets go of words that changed", () => {
    const told = [{ start: 4, end: 8, kind: "pan" as const }];
    expect(toldAfter(told, "one two2 end", "zero one two2 end")).toEqual([
      { start: 9, end: 13, kind: "pan" },
    ]);
    expect(toldAfter(told, "one two2 end", "one two2 ends")).toEqual(told);
    expect(toldAfter(told, "one two2 end", "one twx2 end")).toEqual([]);
  });

  it("says why a text cannot be read", async () => {
    fakeKitchen({
      "POST /api/readings": { status: 422, body: problem("unreadable_recipe", "Too long.") },
    });
    showAt(<PasteRoom />);
    await userEvent.type(screen.getByLabelText("Recipe text"), "x");
    expect(await screen.findByText("Too long.")).toBeVisible();
    expect(screen.getByRole("button", { name: "Lay it on the desk" })).toBeDisabled();
  });
});
