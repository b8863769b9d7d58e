import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";

import type { Bake, Taught } from "../src/api/client";
import { cameOut, planned } from "../src/bakes/words";
import { LogbookRoom } from "../src/rooms/logbook/LogbookRoom";
import { markOf } from "../src/rooms/logbook/WindowBar";
import { lesson, logged, taught } from "./bakes";
import { fakeKitchen, problem, showAt } from "./fakeKitchen";

afterEach(cleanup);

const ZONE = { body: { zone: "UTC" } };

function kitchen(bakes: Bake[], more: Parameters<typeof fakeKitchen>[0] = {}) {
  return fakeKitchen({
    "GET /api/bakes": {
      body: { bakes, count: bakes.length, tags: [...new Set(bakes.flatMap((one) => one.tags))] },
    },
    "GET /api/workday": ZONE,
    "GET /api/pans": { body: [] },
    ...more,
  });
}

describe("the words of a bake", () => {
  it("say what came of it and what was planned", () => {
    expect(cameOut(logged({ how: "little_over", top: "cracked" }))).toBe("a little over, cracked");
    expect(cameOut(logged({ how: "", top: "" }))).toBe("nobody said how it was");
    expect(planned(logged())).toBe("likely 36 (31 to 42)");
  });

  it("draws another mark for each way it can be", () => {
    const marks = (["right", "little_over", "raw", ""] as const).map((how) =>
      markOf(how, 10, 10, 5),
    );
    expect(new Set(marks).size).toBe(4);
  });
});

describe("the bakes", () => {
  it("shows each with what was planned and what happened", async () => {
    kitchen([
      logged({ change: "Less honey", note: "Seeds darker" }),
      logged({ id: 2, minutes: 12, ask: "Was it so?" }),
    ]);
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    const rows = await screen.findAllByRole("listitem");
    const first = within(rows[0] ?? document.body);
    expect(first.getByText("38 min")).toBeInTheDocument();
    expect(first.getByText(/likely 36 \(31 to 42\)/)).toBeInTheDocument();
    expect(first.getByText("To change: Less honey")).toBeInTheDocument();
    expect(
      first.getByRole("img", { name: "Taken out at 38 min; likely 36 (31 to 42) min" }),
    ).toBeInTheDocument();
    expect(within(rows[1] ?? document.body).getByText("Was it so?")).toBeInTheDocument();
  });

  it("answers for an odd one", async () => {
    const asked = kitchen([logged({ id: 4, version: 2, minutes: 90, ask: "Was it so?" })], {
      "PUT /api/bakes/4": { body: logged({ id: 4 }) },
    });
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    await userEvent.click(await screen.findByRole("button", { name: /leave it out/ }));
    await waitFor(() =>
      expect(asked.find((one) => one.path === "/api/bakes/4")?.body).toMatchObject({
        base: 2,
        minutes: 90,
        counted: "left_out",
      }),
    );
  });

  it("is empty with a way on, and says when a search finds nothing", async () => {
    kitchen([]);
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    expect(await screen.findByText(/No bake is logged yet/)).toBeInTheDocument();
    await userEvent.type(screen.getByRole("searchbox", { name: "Search the logbook" }), "plum");
    expect(await screen.findByText("No bake holds these words.")).toBeInTheDocument();
  });

  it("changes a bake, keeps what cannot be kept, and names the step of a note", async () => {
    let tries = 0;
    const asked = kitchen([logged({ id: 7, version: 3 })], {
      "PUT /api/bakes/7": () => {
        tries += 1;
        return tries === 1
          ? { status: 409, body: problem("edited_meanwhile", "Changed elsewhere.") }
          : { body: logged({ id: 7 }) };
      },
    });
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    await userEvent.click(await screen.findByRole("button", { name: /^Open Parsnip/ }));
    const dialog = within(screen.getByRole("dialog"));
    await userEvent.click(dialog.getByRole("radio", { name: "A little over" }));
    await userEvent.type(dialog.getByRole("textbox", { name: "Note" }), "Pears were wet");
    await userEvent.type(dialog.getByRole("textbox", { name: "At which step" }), "Fold in");
    await userEvent.click(dialog.getByRole("button", { name: "Measured something?" }));
    await userEvent.type(dialog.getByRole("textbox", { name: "Height, cm" }), "5,2");
    await userEvent.tab();
    await userEvent.click(dialog.getByRole("button", { name: "Keep" }));
    expect(await dialog.findByText("Changed elsewhere.")).toBeInTheDocument();
    await userEvent.click(dialog.getByRole("button", { name: "Keep" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).not.toBeInTheDocument());
    expect(asked.filter((one) => one.path === "/api/bakes/7").at(-1)?.body).toMatchObject({
      base: 3,
      how: "little_over",
      note: "Pears were wet",
      note_step: "Fold in",
      height_cm: 5.2,
    });
  });

  it("takes one out, and brings it back", async () => {
    const asked = kitchen([logged({ id: 8 })], {
      "DELETE /api/bakes/8": { status: 204, body: null },
      "POST /api/bakes/8/back": { body: logged({ id: 8 }) },
    });
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    await userEvent.click(await screen.findByRole("button", { name: /^Open Parsnip/ }));
    await userEvent.click(screen.getByRole("button", { name: "Take it out of the logbook" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked.some((one) => one.path === "/api/bakes/8/back")).toBe(true));
  });

  it("compares only bakes of one recipe", async () => {
    kitchen([logged({ id: 1 }), logged({ id: 2 }), logged({ id: 3, recipe_title: "Plum cake" })]);
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    const [first] = await screen.findAllByRole("button", { name: /^Compare Parsnip/ });
    await userEvent.click(first ?? document.body);
    expect(screen.getByText(/Choose another bake of Parsnip/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: /^Compare Plum cake/ })).toBeDisabled();
    expect(screen.getByRole("button", { name: /^Compare with Parsnip/ })).toBeEnabled();
  });

  it("enters a bake in three taps", async () => {
    const request = { recipe: 1, into: [{ pan: 1, count: 2 }] };
    const asked = kitchen([], {
      "GET /api/bakes/again": {
        body: [
          {
            recipe: 1,
            recipe_title: "Plum cake",
            pan_label: "Round 18",
            count: 2,
            oven_name: "Main oven",
            likely_min: 33,
            request,
            entry: 1,
          },
        ],
      },
      "POST /api/bakes": { status: 201, body: logged() },
    });
    showAt(<LogbookRoom view="bakes" />, "/logbook");
    await userEvent.click(await screen.findByRole("button", { name: "Enter a bake" }));
    await userEvent.click(
      await screen.findByRole("button", { name: "Plum cake · 2 × Round 18 · Main oven" }),
    );
    // Nobody said yet how it was: nothing is taken for right.
    expect(screen.getByRole("button", { name: "Into the logbook" })).toBeDisabled();
    await userEvent.click(screen.getByRole("radio", { name: "Right" }));
    await userEvent.click(screen.getByRole("button", { name: "Into the logbook" }));
    expect(await screen.findByText(/It is in the logbook/)).toBeInTheDocument();
    await waitFor(() =>
      expect(asked.find((one) => one.path === "/api/bakes" && one.body)?.body).toMatchObject({
        request,
        entry: 1,
        minutes: 33,
        how: "right",
      }),
    );
  });
});

describe("what it taught", () => {
  function show(told: Taught, more: Parameters<typeof fakeKitchen>[0] = {}) {
    const asked = fakeKitchen({
      "GET /api/bakes/taught": { body: told },
      "GET /api/workday": ZONE,
      ...more,
    });
    showAt(<LogbookRoom view="taught" />, "/logbook/taught");
    return asked;
  }

  it("says one line of each with its band, its plot and how the window narrowed", async () => {
    show(taught());
    expect(
      await screen.findByText("Main oven is 7 % slower than its dial says, ± 5, from 6 bakes."),
    ).toBeInTheDocument();
    expect(screen.getByText(/± 12 % with nothing learnt; it is ± 6 % now/)).toBeInTheDocument();
    expect(
      screen.getByRole("img", { name: /Main oven: 2 bakes; the last took 5 % more/ }),
    ).toBeInTheDocument();
    expect(screen.getByText("± 4 %, 90 % in the window")).toBeInTheDocument();
    expect(screen.getByText("nothing to score yet")).toBeInTheDocument();
  });

  it("sets one back, and counts it again", async () => {
    const back = taught({
      lessons: [],
      set_back: [{ kind: "oven", key: "oven:1", name: "Main oven", at: "2026-11-26T09:00:00Z" }],
    });
    let now = taught();
    const asked = show(now, {
      "GET /api/bakes/taught": () => ({ body: now }),
      "POST /api/bakes/forget": ({ body }) => {
        now = (body as { forget: boolean }).forget ? back : taught();
        return { body: now };
      },
    });
    await userEvent.click(
      await screen.findByRole("button", { name: "Set back what was learnt of Main oven" }),
    );
    expect(await screen.findByText(/Main oven: learnt anew since/)).toBeInTheDocument();
    await userEvent.click(
      screen.getByRole("button", { name: "Let the earlier bakes of Main oven count again" }),
    );
    expect(await screen.findByText(/Main oven is 7 % slower/)).toBeInTheDocument();
    expect(asked.filter((one) => one.path === "/api/bakes/forget").map((one) => one.body)).toEqual([
      { kind: "oven", key: "oven:1", forget: true },
      { kind: "oven", key: "oven:1", forget: false },
    ]);
  });

  it("says what is missing while nothing was taught", async () => {
    show(taught({ bakes: 2, lessons: [] }));
    expect(await screen.findByText(/No bake says yet how it was/)).toBeInTheDocument();
  });

  it("asks about odd bakes first", async () => {
    show(
      taught({ asked: [logged({ minutes: 58, ask: "Was the door open?" })], lessons: [lesson()] }),
    );
    expect(await screen.findByText("Was the door open?")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /^Compare/ })).not.toBeInTheDocument();
  });
});
