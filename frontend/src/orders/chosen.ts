import type { Order } from "../api/client";
import { dayOf } from "../domain/moments";

const SPAN_MS = 3 * 86_400_000;

/** Ids of the orders that are planned and bought for: as chosen, else those of the next days. */
export function chosenOf(orders: readonly Order[], asked: string | null, zone: string): number[] {
  const open = orders.filter((one) => !one.done);
  if (asked !== null) {
    const ids = new Set(asked.split(",").map(Number));
    return orders.filter((one) => ids.has(one.id)).map((one) => one.id);
  }
  const today = dayOf(new Date(), zone);
  const coming = open.filter((one) => dayOf(one.due, zone) >= today);
  const first = coming[0];
  if (!first) return [];
  return coming
    .filter((one) => Date.parse(one.due) - Date.parse(first.due) < SPAN_MS)
    .map((one) => one.id);
}
