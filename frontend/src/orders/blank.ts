import type { OrderTyped } from "../api/client";
import { dayOf, daysFrom, isSaturday, momentOf } from "../domain/moments";

const LEAST_DAYS = 2;

/** An empty order, due at ten on the next Saturday that is two days off or more. */
export function blankOrder(zone: string, now = new Date()): OrderTyped {
  const today = dayOf(now, zone);
  const saturday = daysFrom(today, 7 + LEAST_DAYS)
    .slice(LEAST_DAYS)
    .find(isSaturday);
  return {
    title: "",
    due: momentOf(`${saturday ?? today}T10:00`, zone) ?? now.toISOString(),
    cakes: [],
  };
}
