import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";
import type { FitRequest, Guess, TurnedNumber } from "../client";

/** The question of a seed, of the kitchen's own cards, pans and ovens. */
export const guessQuery = (seed: number, about: Guess["asks"] | null) =>
  queryOptions({
    queryKey: ["fit", "guess", seed, about],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/trainer/guess", {
          params: { query: { seed, ...(about && { about }) } },
          signal,
        }),
      ),
    staleTime: Infinity,
    retry: false,
  });

/** What comes of a number that is turned. */
export const spoilQuery = (fit: FitRequest | null, turned: TurnedNumber) =>
  queryOptions({
    queryKey: ["fit", "spoil", fit, turned],
    queryFn: async ({ signal }) =>
      fit === null
        ? null
        : answered(await client.POST("/api/trainer/spoil", { body: { fit, turned }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

/** The sheets of a class. */
export const classQuery = (groups: readonly { name: string; fit: FitRequest }[]) =>
  queryOptions({
    queryKey: ["fit", "class", groups],
    queryFn: async ({ signal }) =>
      groups.length === 0
        ? null
        : answered(
            await client.POST("/api/trainer/class", { body: { groups: [...groups] }, signal }),
          ),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });
