import type { QueryClient } from "@tanstack/react-query";

import { answered, client } from "./client";
import type { Topic } from "./client";

const FIT = [
  "recipes",
  "pans",
  "ovens",
  "bowls",
  "habits",
  "ingredients",
  "answers",
  "bakes",
] as const satisfies readonly Topic[];

/** What each query's answer rests on, by the first part of its key, or by the first two. */
export const RESTS_ON: Readonly<Record<string, readonly Topic[]>> = {
  about: [],
  bakes: ["bakes", "recipes", "ovens", "pans"],
  // A book that is made says by itself how far it is.
  book: [],
  bowls: ["bowls", "habits"],
  changes: [],
  choices: [],
  compare: [],
  copies: ["copies"],
  days: ["days"],
  // A day that is open is told by its stream; an answer asked for beside it might be older.
  "days day": [],
  desk: ["ingredients", "answers", "habits"],
  devices: ["devices"],
  export: ["recipes", "ingredients", "habits"],
  fit: FIT,
  fits: [...FIT, "fits"],
  guide: [],
  ingredients: ["ingredients"],
  kitchen: ["habits", "bakes"],
  labels: [...FIT, "labels", "orders", "days", "ticks"],
  leftovers: ["leftovers", "days"],
  orders: [...FIT, "orders", "larder", "days", "ticks"],
  ovens: ["ovens", "bakes"],
  "pan-check": [],
  pans: ["pans"],
  readers: [],
  reading: ["ingredients", "answers", "habits"],
  // What is typed at a desk is the baker's; another's save is told when she keeps hers.
  recipe: [],
  recipes: ["recipes", "bakes"],
  revisions: ["recipes"],
  sharing: [],
  swap: ["ingredients"],
  welcome: ["habits"],
};

/** Ask anew what rests on what was touched. */
export function touched(queries: QueryClient, topics: readonly Topic[]): void {
  if (topics.length === 0) return;
  void queries.invalidateQueries({
    predicate: ({ queryKey: [head, next] }) =>
      (RESTS_ON[`${String(head)} ${String(next)}`] ?? RESTS_ON[String(head)] ?? []).some((topic) =>
        topics.includes(topic),
      ),
  });
}

const HEADER = "Kitchen-Touched";
const CONFLICT = 409;
const known = { start: "", number: 0 };

/**
 * Listen to what this screen writes: every answer to a write says what it touched. One that was
 * refused because another screen was quicker says that what this one shows is old.
 */
export function listen(queries: QueryClient): () => void {
  const hears = {
    onResponse({ response }: { response: Response }) {
      if (response.status === CONFLICT) void queries.invalidateQueries({ queryKey: ["changes"] });
      const [number, ...topics] = (response.headers.get(HEADER) ?? "").split(" ");
      if (!number) return;
      // Nothing of others lies between: there is no need to be told of one's own again.
      if (Number(number) === known.number + 1) known.number += 1;
      touched(queries, topics as Topic[]);
    },
  };
  client.use(hears);
  return () => client.eject(hears);
}

/** What others wrote since it was asked last. */
export async function asked(signal: AbortSignal): Promise<Topic[]> {
  const found = answered(
    await client.GET("/api/changes", {
      params: { query: { start: known.start, since: known.number } },
      signal,
    }),
  );
  const first = known.start === "";
  known.start = found.start;
  known.number = found.number;
  return first ? [] : found.topics;
}
