import { queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";

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
  });

export const devicesQuery = () =>
  queryOptions({
    queryKey: ["devices"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/devices", { signal })),
  });
