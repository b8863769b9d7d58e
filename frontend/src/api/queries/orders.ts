import { keepPreviousData, queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";
import type { OrderTyped, PlanAsked } from "../client";

/** So many orders that are done are shown at once. */
export const DONE_PAGE = 60;

/** Orders by when they are due; with the latest of those that are done, where asked for. */
export const ordersQuery = (done = false, most = DONE_PAGE) =>
  queryOptions({
    queryKey: ["orders", "list", done, most],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      answered(await client.GET("/api/orders", { params: { query: { done, most } }, signal })),
  });

export const workdayQuery = () =>
  queryOptions({
    queryKey: ["orders", "workday"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/workday", { signal })),
  });

/** The days of some orders; the last plan stays up while the next is on its way. */
export const planQuery = (asked: PlanAsked) =>
  queryOptions({
    queryKey: ["orders", "plan", asked],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/plan", { body: asked, signal })),
    enabled: asked.orders.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });

/** How a search for a better plan stands, asked every second; none where it has ended. */
export const searchQuery = (key: string) =>
  queryOptions({
    queryKey: ["orders", "search", key],
    queryFn: async ({ signal }) => {
      const found = await client.GET("/api/plan/searches/{key}", {
        params: { path: { key } },
        signal,
      });
      return found.data ?? null;
    },
    refetchInterval: 1000,
    retry: false,
  });

/** What an order that is being typed comes to: its price, its hands, the load of its day. */
export const worthQuery = (typed: OrderTyped, order: number | null) =>
  queryOptions({
    queryKey: ["orders", "worth", typed, order],
    queryFn: async ({ signal }) => {
      const { due, cakes = [], drive_min = 0, price = null } = typed;
      const body = { due, cakes, drive_min, order, price: Number.isNaN(price) ? null : price };
      return answered(await client.POST("/api/worth", { body, signal }));
    },
    placeholderData: keepPreviousData,
    retry: false,
  });

export const shoppingQuery = (orders: number[]) =>
  queryOptions({
    queryKey: ["orders", "shopping", orders],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/shopping", { body: { orders }, signal })),
    enabled: orders.length > 0,
    placeholderData: keepPreviousData,
  });

export const costQuery = (order: number) =>
  queryOptions({
    queryKey: ["orders", "cost", order],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/orders/{order_id}/cost", {
          params: { path: { order_id: order } },
          signal,
        }),
      ),
  });
