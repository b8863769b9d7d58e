import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../api/client";
import type { Order, OrderTyped } from "../api/client";

/** Adding, changing and taking away orders; a taken one can be brought back. */
export function useOrders() {
  const add = useMutation({
    mutationFn: async (order: OrderTyped) =>
      answered(await client.POST("/api/orders", { body: order })),
  });
  const change = useMutation({
    mutationFn: async ({ order, typed }: { order: Order; typed: OrderTyped }) =>
      answered(
        await client.PUT("/api/orders/{order_id}", {
          params: { path: { order_id: order.id } },
          body: { ...typed, base: order.version },
        }),
      ),
  });
  const remove = useMutation({
    mutationFn: async (order: Order) => {
      answered(
        await client.DELETE("/api/orders/{order_id}", {
          params: { path: { order_id: order.id } },
        }),
      );
      return order;
    },
  });
  return { add, change, remove };
}

export type OrderActions = ReturnType<typeof useOrders>;

/** An order as it would be typed again. */
export function typedOf(order: Order): OrderTyped {
  return {
    title: order.title,
    due: order.due,
    occasion: order.occasion,
    note: order.note,
    carried_in: order.carried_in,
    sold: order.sold,
    drive_min: order.drive_min,
    done: order.done,
    price: order.price,
    cakes: order.cakes.flatMap((cake) =>
      cake.request === null
        ? []
        : [
            {
              fit: cake.request,
              label: cake.label,
              count: cake.count,
              inscription: cake.inscription,
              spelling_confirmed: cake.spelling_confirmed,
            },
          ],
    ),
  };
}
