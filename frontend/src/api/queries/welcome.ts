import { queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";

/** What a new kitchen may start from; pans as sold in inches or in centimetres. */
export const welcomeQuery = (inches: boolean) =>
  queryOptions({
    queryKey: ["welcome", inches],
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/welcome", { params: { query: { inches } }, signal })),
    staleTime: Infinity,
  });
