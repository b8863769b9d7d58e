import { useQuery } from "@tanstack/react-query";

import { kitchenQuery } from "../api/queries/kitchen";
import type { Units } from "../domain/units";

/** The units this kitchen reads; metric until it has answered. */
export function useUnits(): Units {
  return useQuery(kitchenQuery()).data?.units ?? "metric";
}
