import { useMutation, useQueryClient } from "@tanstack/react-query";

import { answered, client } from "../api/client";
import type { LabelHabits, LabelHabitsTyped } from "../api/client";

/** Change how this kitchen labels; labels that are open are fetched anew. */
export function useLabelHabits(habits: LabelHabits | undefined) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (part: Partial<LabelHabitsTyped>) => {
      if (!habits) throw new Error("How you label is not read yet.");
      const { region, address, sentence, may_contain, sheet } = habits;
      return answered(
        await client.PUT("/api/labels/habits", {
          body: {
            region,
            address,
            sentence,
            may_contain,
            sheet,
            own_sheet: ownSheet(habits),
            base: habits.version,
            ...part,
          },
        }),
      );
    },
    onSuccess: (now) => queries.setQueryData(["labels", "habits"], now),
  });
}

/** The kitchen's own sheet as it is sent, or none. */
export function ownSheet(habits: LabelHabits): LabelHabitsTyped["own_sheet"] {
  const { own_sheet: own } = habits;
  const number = (name: string) => Number(own[name] ?? 0);
  if (own.paper === undefined) return null;
  return {
    paper: String(own.paper),
    across: number("across"),
    down: number("down"),
    width: number("width"),
    height: number("height"),
    left: number("left"),
    top: number("top"),
    gap_x: number("gap_x"),
    gap_y: number("gap_y"),
  };
}
