import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";
import type { Enlarging, FitRequest } from "../client";
import type { Asked } from "../../domain/insideBeside";

/** Kept fits, the newest first; with words, those that hold them all. */
export const keptFitsQuery = (search = "") =>
  queryOptions({
    queryKey: search ? ["fits", search] : ["fits"],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/fits", { params: { query: search ? { search } : {} }, signal }),
      ),
    placeholderData: keepPreviousData,
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

/** With which pans a fit opens. */
export const openingQuery = (request: FitRequest | null) =>
  queryOptions({
    queryKey: ["fit", "opening", request],
    queryFn: async ({ signal }) => {
      if (request === null) return null;
      return answered(await client.POST("/api/fit/opening", { body: request, signal }));
    },
    enabled: request !== null,
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

/** A pan of a fit cut open while it bakes; worked out only when it is looked at. */
export const insideQuery = (asked: Asked) =>
  queryOptions({
    queryKey: ["fit", "inside", asked],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/inside", { body: asked, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

/** What the schools, or the ways to bake, do inside; it comes after the table it stands in. */
export const insideComparedQuery = (fit: FitRequest, of: "schools" | "ways") =>
  queryOptions({
    queryKey: ["fit", "inside", of, fit],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/inside/compared", { body: { fit, of }, signal })),
    staleTime: Infinity,
    retry: false,
  });

/** The dome that levelling may be reckoned with where nobody measured. */
export const domeQuery = (fit: FitRequest) =>
  queryOptions({
    queryKey: ["fit", "inside", "dome", fit],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/inside/dome", { body: { fit }, signal })),
    staleTime: Infinity,
    retry: false,
  });

/** The cakes of a fit after the oven; the last ones stay up while the next are on their way. */
export const finishQuery = (request: FitRequest) =>
  queryOptions({
    queryKey: ["fit", "finish", request],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/finish", { body: request, signal })),
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

/** A thing made as a cake of a fit's recipe; the last size stays up while the next is worked out. */
export const enlargeQuery = (asked: Enlarging) =>
  queryOptions({
    queryKey: ["fit", "enlarge", asked],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/fit/enlarge", { body: asked, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
