import { queryOptions } from "@tanstack/react-query";

import { readAs } from "../../domain/reads";
import { answered, client } from "../client";

export const kitchenQuery = () =>
  queryOptions({
    queryKey: ["kitchen"],
    queryFn: async ({ signal }) => {
      const kitchen = answered(await client.GET("/api/kitchen", { signal }));
      readAs(kitchen);
      return kitchen;
    },
  });

export const pansQuery = () =>
  queryOptions({
    queryKey: ["pans"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/pans", { signal })),
  });

/** Version, data, what changed, licences of all that ships. */
export const aboutQuery = () =>
  queryOptions({
    queryKey: ["about"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/about", { signal })),
    staleTime: Infinity,
  });

/** The guide does not change while the program runs. */
export const guideQuery = () =>
  queryOptions({
    queryKey: ["guide"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/guide", { signal })),
    staleTime: Infinity,
  });

export const ovensQuery = () =>
  queryOptions({
    queryKey: ["ovens"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/ovens", { signal })),
  });

export const bowlsQuery = () =>
  queryOptions({
    queryKey: ["bowls"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/bowls", { signal })),
  });
