import { keepPreviousData, queryOptions, replaceEqualDeep } from "@tanstack/react-query";

import { newerOf } from "../../domain/newer";
import { answered, client } from "../client";
import type { Day } from "../client";

/** Days, those under way first. */
export const daysQuery = () =>
  queryOptions({
    queryKey: ["days", "list"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/days", { signal })),
    staleTime: 0,
  });

/** A day as it stands; a stream brings what changes. */
export const dayQuery = (id: number) =>
  queryOptions({
    queryKey: ["days", "day", id],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/days/{day_id}", { params: { path: { day_id: id } }, signal }),
      ),
    retry: false,
    staleTime: 0,
    // The stream may have told of newer ticks while this was on its way.
    structuralSharing: (shown, next) =>
      replaceEqualDeep(shown, newerOf(shown as Day | undefined, next as Day)),
  });

/** What bakes in a step, cut open; worked out anew when its likely moment moves. */
export const dayInsideQuery = (id: number, step: string, likely: string) =>
  queryOptions({
    queryKey: ["days", "inside", id, step, likely],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/days/{day_id}/inside", {
          params: { path: { day_id: id }, query: { step } },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });

export const devicesQuery = () =>
  queryOptions({
    queryKey: ["devices"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/devices", { signal })),
  });
