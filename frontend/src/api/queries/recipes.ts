import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import type { operations } from "../api-schema";
import { answered, client } from "../client";
import type { Aim, Card, CardSwap, ToldStretch } from "../client";

export type RecipeSearch = NonNullable<operations["list_recipes"]["parameters"]["query"]>;

/** Recipes found by words and by a tag; the last list stays up while the next is on its way. */
export const recipesQuery = (query: RecipeSearch = {}) =>
  queryOptions({
    queryKey: ["recipes", query],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/recipes", { params: { query }, signal })),
    placeholderData: keepPreviousData,
  });

/** A card in its newest revision, or in another; it is fetched anew whenever the desk opens. */
export const recipeQuery = (id: number, revision?: number) =>
  queryOptions({
    queryKey: ["recipe", id, revision ?? "newest"],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/recipes/{recipe_id}", {
          params: { path: { recipe_id: id }, query: revision === undefined ? {} : { revision } },
          signal,
        }),
      ),
    staleTime: revision === undefined ? 0 : Infinity,
    gcTime: 0,
  });

/** What the kitchen says of a card on the desk; the last answer stays up while it looks again. */
export const deskQuery = (card: Card | null, variant: number | null, aims: readonly Aim[]) =>
  queryOptions({
    queryKey: ["desk", card, variant, aims],
    queryFn: async ({ signal }) => {
      if (card === null) return null;
      const body = { card, aims: [...aims], ...(variant === null ? {} : { variant }) };
      return answered(await client.POST("/api/desk", { body, signal }));
    },
    enabled: card !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

/** A card's own cakes, finished as it says; the last ones stay up while it looks again. */
export const cardFinishQuery = (card: Card) =>
  queryOptions({
    queryKey: ["desk", "finish", card],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/desk/finish", { body: { card }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

/** Styles, cups and eggs that a card can be settled with. */
export const choicesQuery = () =>
  queryOptions({
    queryKey: ["choices"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/choices", { signal })),
    staleTime: Infinity,
  });

/** What else than text this machine reads. */
export const readersQuery = () =>
  queryOptions({
    queryKey: ["readers"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/readings/readers", { signal })),
    staleTime: Infinity,
  });

/** Pasted text as read, and as the baker said of stretches of it. */
export const readingQuery = (text: string, told: ToldStretch[] = []) =>
  queryOptions({
    queryKey: ["reading", text, told],
    queryFn: async ({ signal }) => ({
      ...answered(await client.POST("/api/readings", { body: { text, told }, signal })),
      text,
    }),
    enabled: text.trim() !== "",
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

export const revisionsQuery = (id: number, head: number) =>
  queryOptions({
    queryKey: ["revisions", id, head],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/recipes/{recipe_id}/revisions", {
          params: { path: { recipe_id: id } },
          signal,
        }),
      ),
  });

export const compareQuery = (id: number, was: number, now: number) =>
  queryOptions({
    queryKey: ["compare", id, was, now],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/recipes/{recipe_id}/compare", {
          params: { path: { recipe_id: id }, query: { was, now } },
          signal,
        }),
      ),
    staleTime: Infinity,
  });

export const ingredientsQuery = (words: string) =>
  queryOptions({
    queryKey: ["ingredients", words],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/ingredients", { params: { query: { search_for: words } }, signal }),
      ),
    enabled: words.trim() !== "",
    placeholderData: keepPreviousData,
  });

export const swapQuery = (card: Card, swap: CardSwap | null) =>
  queryOptions({
    queryKey: ["swap", card, swap],
    queryFn: async ({ signal }) => {
      if (swap === null) return null;
      return answered(await client.POST("/api/swaps", { body: { card, swap }, signal }));
    },
    enabled: swap !== null,
    placeholderData: keepPreviousData,
  });
