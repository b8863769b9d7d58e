import { QueryClient } from "@tanstack/react-query";
import { beforeEach, describe, expect, it, vi } from "vitest";

import { client } from "../src/api/client";
import { asked, listen, RESTS_ON, touched } from "../src/api/topics";

const SOURCES: Record<string, string> = import.meta.glob("../src/**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});

const headers = (value?: string): Record<string, string> => ({
  "Content-Type": "application/json",
  ...(value ? { "Kitchen-Touched": value } : {}),
});

const sent = (body: unknown, value?: string) =>
  vi.stubGlobal("fetch", () =>
    Promise.resolve(new Response(JSON.stringify(body), { status: 200, headers: headers(value) })),
  );

let queries: QueryClient;
const keys = [
  ["fit", 1],
  ["orders", "plan"],
  ["pans"],
  ["recipe", 3],
  ["leftovers"],
  ["days", "day", 4],
  ["days", "list"],
];
const stale = () =>
  keys.filter((key) => queries.getQueryState(key)?.isInvalidated).map(([head]) => head);

beforeEach(() => {
  queries = new QueryClient();
  for (const key of keys) queries.setQueryData(key, {});
});

describe("what a write touches", () => {
  it("is known of every query that is asked", () => {
    const heads = Object.values(SOURCES)
      .flatMap((text) => [...text.matchAll(/queryKey:[^[]*\[\s*"([\w-]+)"/g)])
      .map((one) => one[1] ?? "");
    expect(heads.length).toBeGreaterThan(30);
    expect(heads.filter((head) => !(head in RESTS_ON))).toEqual([]);
  });

  it("asks anew what rests on it, and nothing else", () => {
    touched(queries, ["ovens"]);
    expect(stale()).toEqual(["fit", "orders"]);
    touched(queries, ["leftovers"]);
    expect(stale()).toEqual(["fit", "orders", "leftovers"]);
  });

  it("leaves alone what is typed at a desk", () => {
    touched(queries, ["recipes", "ingredients", "answers", "habits", "bakes", "pans"]);
    expect(stale()).toEqual(["fit", "orders", "pans"]);
  });

  it("leaves an open day to its stream", () => {
    touched(queries, ["days"]);
    expect(queries.getQueryState(["days", "day", 4])?.isInvalidated).toBe(false);
    expect(queries.getQueryState(["days", "list"])?.isInvalidated).toBe(true);
  });

  it("is heard of from the answer to one's own write", async () => {
    listen(queries);
    sent({}, "4 pans bakes");
    await client.DELETE("/api/pans/{pan_id}", { params: { path: { pan_id: 1 } } });
    expect(stale()).toEqual(["fit", "orders", "pans"]);
  });

  it("is the only one to say what is asked anew", () => {
    const others = Object.entries(SOURCES).filter(
      ([file, text]) => !file.endsWith("/api/topics.ts") && text.includes("invalidateQueries"),
    );
    expect(others.map(([file]) => file)).toEqual([]);
  });

  it("asks what others wrote at once when one of them was quicker", async () => {
    listen(queries);
    queries.setQueryData(["changes"], []);
    vi.stubGlobal("fetch", () =>
      Promise.resolve(new Response("{}", { status: 409, headers: headers() })),
    );
    await client.DELETE("/api/pans/{pan_id}", { params: { path: { pan_id: 1 } } });
    expect(queries.getQueryState(["changes"])?.isInvalidated).toBe(true);
  });

  it("is not told of what was there before, and then of what others touched", async () => {
    const signal = new AbortController().signal;
    sent({ start: "abc", number: 7, topics: ["pans"] });
    expect(await asked(signal)).toEqual([]);
    sent({ start: "abc", number: 9, topics: ["larder"] });
    expect(await asked(signal)).toEqual(["larder"]);
    expect(stale()).toEqual([]);
  });
});
