import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";
import type { LabelAsked } from "../client";

/** The label of a cake of a fit. */
export const labelQuery = (asked: LabelAsked | null) =>
  queryOptions({
    queryKey: ["labels", "label", asked],
    queryFn: async ({ signal }) =>
      asked === null ? null : answered(await client.POST("/api/labels", { body: asked, signal })),
    placeholderData: keepPreviousData,
  });

/** How this kitchen labels, with what there is to choose from. */
export const labelHabitsQuery = () =>
  queryOptions({
    queryKey: ["labels", "habits"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/labels/habits", { signal })),
  });

/** What packets say, by ingredient. */
export const packetsQuery = () =>
  queryOptions({
    queryKey: ["labels", "packets"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/labels/packets", { signal })),
  });
