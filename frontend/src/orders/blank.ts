import type { OrderTyped } from "../api/client";
import { dayOf, daysFrom, momentOf } from "../domain/moments";

const SATURDAY = 6;
const LEAST_DAYS = 2;

/** An empty order, due at ten on the next Saturday that is two days off or more. */
export function blankOrder(zone: string, now = new Date()): OrderTyped {
  const today = dayOf(now, zone);
  const saturday = daysFrom(today, 7 + LEAST_DAYS).find(
    (one, i) => i >= LEAST_DAYS && new Date(`${one}T00:00:00Z`).getUTCDay() === SATURDAY,
  );
  return {
    title: "",
    due: momentOf(`${saturday ?? today}T10:00`, zone) ?? now.toISOString(),
    cakes: [],
  };
}
