import { useCallback, useMemo } from "react";
import { useLocation, useNavigate } from "react-router";

import { choicesFrom, searchOf } from "../../domain/fitChoices";
import type { FitChoices } from "../../domain/fitChoices";

export interface FitChoicesInHand {
  choices: FitChoices;
  /** Change choices; a step worth going back to is put into the browser's history. */
  choose: (change: Partial<FitChoices>, step?: "history") => void;
}

/** The choices of the fit, kept in the address: reload, back and a copied link bring them back. */
export function useFitChoices(): FitChoicesInHand {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const choices = useMemo(() => choicesFrom(new URLSearchParams(search)), [search]);
  const choose = useCallback(
    (change: Partial<FitChoices>, step?: "history") => {
      // Read the address anew: several changes may come within one render.
      const now = choicesFrom(new URLSearchParams(window.location.search));
      const next = searchOf({ ...now, ...change }).toString();
      void navigate(`${pathname}${next ? `?${next}` : ""}`, { replace: step !== "history" });
    },
    [navigate, pathname],
  );
  return { choices, choose };
}
