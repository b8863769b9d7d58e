import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef } from "react";
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

/** A click is drawn after so long, whether its answer is there or not. */
const LONGEST_WAIT_MS = 120;

/** The choices of the fit, kept in the address: reload, back and a copied link bring them back. */
export function useFitChoices(): FitChoicesInHand {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const choices = useMemo(() => choicesFrom(new URLSearchParams(search)), [search]);
  /** What is chosen and not drawn yet, and whether it is a step worth going back to. */
  const waiting = useRef<{ search: string; history: boolean } | null>(null);
  useEffect(() => () => void (waiting.current = null), []);
  const choose = useCallback(
    (change: Change, step?: "history") => {
      // Read it anew: several changes may come before the next drawing.
      const now = choicesFrom(
        new URLSearchParams(waiting.current?.search ?? window.location.search),
      );
      const chosen = changedChoices(now, typeof change === "function" ? change(now) : change);
      const next = searchOf(chosen).toString();
      const mine = {
        search: next,
        history: step === "history" || (waiting.current?.history ?? false),
      };
      waiting.current = mine;
      const draw = () => {
        if (waiting.current !== mine || window.location.pathname !== pathname) return;
        waiting.current = null;
        void navigate(`${pathname}${next ? `?${next}` : ""}`, { replace: !mine.history });
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
    [navigate, pathname, queries],
  );
  return { choices, choose };
}
