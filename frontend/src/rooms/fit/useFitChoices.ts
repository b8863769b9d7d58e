import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo } from "react";
import { useLocation, useNavigate } from "react-router";

import { changedChoices, choicesFrom, requestOf, searchOf } from "../../domain/fitChoices";
import type { FitChoices } from "../../domain/fitChoices";
import { fitQuery } from "../../api/queries/fit";

export interface FitChoicesInHand {
  choices: FitChoices;
  /**
   * Change choices, by what they are to be or from what they are at that moment; a step worth going
   * back to is put into the browser's history.
   */
  choose: (change: Change, step?: "history") => void;
}

export type Change = Partial<FitChoices> | ((now: FitChoices) => Partial<FitChoices>);

/** The choices of the fit, kept in the address: reload, back and a copied link bring them back. */
export function useFitChoices(): FitChoicesInHand {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const choices = useMemo(() => choicesFrom(new URLSearchParams(search)), [search]);
  const choose = useCallback(
    (change: Change, step?: "history") => {
      // Read the address anew: several changes may come within one render.
      const now = choicesFrom(new URLSearchParams(window.location.search));
      const chosen = changedChoices(now, typeof change === "function" ? change(now) : change);
      const next = searchOf(chosen).toString();
      // Ask at once; the bench finds the answer on its way when it draws the new choice.
      const request = requestOf(chosen);
      if (request) void queries.query(fitQuery(request)).catch(() => undefined);
      void navigate(`${pathname}${next ? `?${next}` : ""}`, { replace: step !== "history" });
    },
    [navigate, pathname, queries],
  );
  return { choices, choose };
}
