import { useState } from "react";

export const ORDERS = [
  { value: "card", label: "As on the card" },
  { value: "method", label: "By the method" },
] as const;

type Order = (typeof ORDERS)[number]["value"];

const STORE = "entremet.weigh.order";

/** In which order this screen weighs: as the card lists it, or step by step. */
export function useOrder(): [Order, (order: Order) => void] {
  const [order, setOrder] = useState<Order>(() =>
    localStorage.getItem(STORE) === "method" ? "method" : "card",
  );
  return [
    order,
    (next) => {
      localStorage.setItem(STORE, next);
      setOrder(next);
    },
  ];
}
