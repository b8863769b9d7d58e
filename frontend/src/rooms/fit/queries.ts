import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../../api/client";
import type { FitRequest } from "../../api/client";

export const kitchenQuery = () =>
  queryOptions({
    queryKey: ["kitchen"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/kitchen", { signal })),
  });

export interface RecipeSearch {
  search?: string;
  tag?: string;
  archived?: boolean;
  limit?: number;
}

/** Recipes found by words and by a tag; the last list stays up while the next is on its way. */
export const recipesQuery = (query: RecipeSearch = {}) =>
  queryOptions({
    queryKey: ["recipes", query],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/recipes", { params: { query }, signal })),
    placeholderData: keepPreviousData,
  });

export const pansQuery = () =>
  queryOptions({
    queryKey: ["pans"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/pans", { signal })),
  });

export const ovensQuery = () =>
  queryOptions({
    queryKey: ["ovens"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/ovens", { signal })),
  });

export const keptFitsQuery = () =>
  queryOptions({
    queryKey: ["fits"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/fits", { signal })),
  });

/** A fit; the last numbers stay up while the next ones are on their way. */
export const fitQuery = (request: FitRequest | null) =>
  queryOptions({
    queryKey: ["fit", request],
    queryFn: async ({ signal }) => {
      if (request === null) return null;
      return answered(await client.POST("/api/fit", { body: request, signal }));
    },
    enabled: request !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });

/** Everything at the oven for a fit: card, loads, schools, ways. */
export const ovenViewQuery = (request: FitRequest, altitude: boolean) =>
  queryOptions({
    queryKey: ["fit", "oven", request, altitude],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/oven", { body: { fit: request, altitude }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });

/** The centre of one pan minute by minute, at every setting within reach. */
export const curvesQuery = (request: FitRequest, entry: number) =>
  queryOptions({
    queryKey: ["fit", "curve", request, entry],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/curve", { body: { fit: request, entry }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
