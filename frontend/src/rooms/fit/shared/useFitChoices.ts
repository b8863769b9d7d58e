import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo } from "react";
import { useLocation, useNavigate } from "react-router";

import { changedChoices, choicesFrom, requestOf, searchOf } from "../../../domain/fitChoices";
import type { FitChoices } from "../../../domain/fitChoices";
import { fitQuery } from "../../../api/queries/fit";

export interface FitChoicesInHand {
  choices: FitChoices;
  /**
   * Change choices, by what they are to be or from what they are at that moment; a step worth going
   * back to is put into the browser's history.
   */
  choose: (change: Change, step?: "history") => void;
}

export type Change = Partial<FitChoices> | ((now: FitChoices) => Partial<FitChoices>);

/** A click is drawn after so long, whether its answer is there or not. */
const LONGEST_WAIT_MS = 120;

/** The choices of the fit, kept in the address: reload, back and a copied link bring them back. */
export function useFitChoices(): FitChoicesInHand {
  const { search } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const choices = useMemo(() => choicesFrom(new URLSearchParams(search)), [search]);
  const choose = useCallback(
    (change: Change, step?: "history") => {
      // Read it anew: several changes may come before the next drawing.
      const now = choicesFrom(new URLSearchParams(window.location.search));
      const chosen = changedChoices(now, typeof change === "function" ? change(now) : change);
      const next = searchOf(chosen).toString();
      // The address has it at once, whatever the drawing waits for: a reload, a copied link or
      // another state of the bench loses nothing.
      const address = `${window.location.pathname}${next ? `?${next}` : ""}`;
      if (step === "history") window.history.pushState(nextStep(), "", address);
      else window.history.replaceState(window.history.state, "", address);
      const mine = window.location.href;
      let drawn = false;
      const draw = () => {
        if (drawn || window.location.href !== mine) return;
        drawn = true;
        void navigate(address, { replace: true });
      };
      // The bench is drawn once, with its answer; a slow kitchen does not keep the click waiting.
      const request = requestOf(chosen);
      const query = request && fitQuery(request);
      if (query === null || queries.getQueryData(query.queryKey) !== undefined) {
        draw();
        return;
      }
      setTimeout(draw, LONGEST_WAIT_MS);
      void queries
        .query(query)
        .catch(() => undefined)
        .then(draw);
    },
    [navigate, queries],
  );
  return { choices, choose };
}

/** State of a new step in the history, numbered as the router numbers them. */
function nextStep(): { idx: number } {
  const last = window.history.state as { idx?: number } | null;
  return { idx: (last?.idx ?? 0) + 1 };
}
