import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";

export interface BakesAsked {
  search?: string;
  tag?: string;
  recipe?: number;
  limit?: number;
}

/** Bakes of the logbook, the newest first. */
export const bakesQuery = (asked: BakesAsked = {}) =>
  queryOptions({
    queryKey: ["bakes", "list", asked],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/bakes", { params: { query: asked }, signal })),
    placeholderData: keepPreviousData,
  });

/** What all bakes taught. */
export const taughtQuery = () =>
  queryOptions({
    queryKey: ["bakes", "taught"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/bakes/taught", { signal })),
  });

/** Two bakes of one recipe side by side. */
export const comparedQuery = (one: number, other: number) =>
  queryOptions({
    queryKey: ["bakes", "compare", one, other],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/bakes/compare", { params: { query: { one, other } }, signal }),
      ),
  });

/** What can be baked again: the last bakes and kept fits, each with the fit behind it. */
export const againQuery = () =>
  queryOptions({
    queryKey: ["bakes", "again"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/bakes/again", { signal })),
  });

/** What went wrong with a recipe the last time. */
export const lastTimeQuery = (recipe: number | null) =>
  queryOptions({
    queryKey: ["bakes", "last", recipe],
    queryFn: async ({ signal }) =>
      recipe === null
        ? []
        : answered(await client.GET("/api/bakes/last", { params: { query: { recipe } }, signal })),
  });
