import { useCallback, useState } from "react";

import type { Finishing } from "../../../api/client";
import type { FitChoicesInHand } from "../useFitChoices";

/** Words of the line that open; parts of the drawing open them too. */
export type FinishWord =
  "level" | "soak" | "filling" | "coat" | "drip" | "border" | "press" | "cut" | "wells" | "carve";

/** What is done after the oven, and which word of its line is open. */
export function useFinishing({ choices, choose }: FitChoicesInHand) {
  const [open, setOpen] = useState<FinishWord | null>(null);
  const now: Finishing = choices.finishing ?? {};
  const change = useCallback(
    (part: { [Name in keyof Finishing]?: Finishing[Name] | null }) =>
      choose((before) => {
        const next = Object.fromEntries(
          Object.entries({ ...before.finishing, ...part }).filter(([, value]) => value !== null),
        ) as Finishing;
        return { finishing: Object.keys(next).length === 0 ? null : next };
      }),
    [choose],
  );
  return { now, change, open, setOpen };
}

export type FinishingInHand = ReturnType<typeof useFinishing>;
