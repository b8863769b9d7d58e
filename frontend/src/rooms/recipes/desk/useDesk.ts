import { useMutation, useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useReducer } from "react";

import { answered, client, KitchenProblem } from "../../../api/client";
import type { Card } from "../../../api/client";
import { draftNameOf, draftOf, dropDraft, EMPTY_CARD, keepDraft } from "../drafts";
import type { Draft } from "../drafts";
import { recipeQuery } from "../../../api/queries/recipes";

interface DeskState {
  draft: Draft | null;
  /** The card as last kept, to tell whether there is something to save. */
  kept: Card | null;
  past: Card[];
  future: Card[];
}

type DeskAction =
  | { kind: "open"; draft: Draft; kept: Card | null }
  | { kind: "edit"; change: (card: Card) => Card }
  | { kind: "undo" }
  | { kind: "redo" }
  | { kind: "saved"; card: Card; base: number }
  | { kind: "rebase"; base: number };

const MOST_UNDO = 100;

/** The card on the desk with its undo; every change is a step of its own. */
export function deskReducer(state: DeskState, action: DeskAction): DeskState {
  switch (action.kind) {
    case "open":
      return { draft: action.draft, kept: action.kept, past: [], future: [] };
    case "edit": {
      if (!state.draft) return state;
      const card = action.change(state.draft.card);
      if (card === state.draft.card) return state;
      const past = [...state.past, state.draft.card].slice(-MOST_UNDO);
      return { ...state, draft: { ...state.draft, card }, past, future: [] };
    }
    case "undo": {
      const last = state.past.at(-1);
      if (!state.draft || !last) return state;
      return {
        ...state,
        draft: { ...state.draft, card: last },
        past: state.past.slice(0, -1),
        future: [state.draft.card, ...state.future],
      };
    }
    case "redo": {
      const [next, ...future] = state.future;
      if (!state.draft || !next) return state;
      return {
        ...state,
        draft: { ...state.draft, card: next },
        past: [...state.past, state.draft.card],
        future,
      };
    }
    case "saved":
      return state.draft
        ? { ...state, draft: { ...state.draft, base: action.base, found: [] }, kept: action.card }
        : state;
    case "rebase":
      return state.draft ? { ...state, draft: { ...state.draft, base: action.base } } : state;
  }
}

export const sameCard = (a: Card | null, b: Card | null) => JSON.stringify(a) === JSON.stringify(b);

export type DeskInHand = ReturnType<typeof useDesk>;

/** The desk of a recipe, or of a new card that has only the name of its draft. */
export function useDesk(id: number | null, newDraft: string, onAdded: (id: number) => void) {
  const name = id === null ? newDraft : draftNameOf(id);
  const stored = useQuery({ ...recipeQuery(id ?? 0), enabled: id !== null });
  const [state, dispatch] = useReducer(deskReducer, {
    draft: null,
    kept: null,
    past: [],
    future: [],
  });
  const opened = state.draft !== null;
  useEffect(() => {
    if (opened) return;
    const waiting = draftOf(name);
    if (id === null) {
      const blank: Draft = { card: EMPTY_CARD, base: 0, found: [], imported: false };
      dispatch({ kind: "open", draft: waiting ?? blank, kept: null });
    } else if (stored.data && !stored.isFetching) {
      const card = stored.data.card;
      const fresh: Draft = { card, base: stored.data.revision, found: [], imported: false };
      dispatch({ kind: "open", draft: waiting ?? fresh, kept: card });
    }
  }, [id, name, opened, stored.data, stored.isFetching]);

  const { draft, kept } = state;
  const dirty = draft !== null && !sameCard(draft.card, kept);
  useEffect(() => {
    if (draft === null) return;
    const blank = id === null && sameCard(draft.card, EMPTY_CARD);
    if (dirty && !blank) keepDraft(name, draft);
    else dropDraft(name);
  }, [draft, dirty, id, name]);

  const save = useMutation({
    mutationFn: async (base?: number) => {
      if (draft === null) throw new KitchenProblem(undefined);
      const { card } = draft;
      if (id === null) {
        const body = { card, imported: draft.imported };
        return answered(await client.POST("/api/recipes", { body }));
      }
      return answered(
        await client.PUT("/api/recipes/{recipe_id}", {
          params: { path: { recipe_id: id } },
          body: { card, base: base ?? draft.base },
        }),
      );
    },
    onSuccess: (answer) => {
      dropDraft(name);
      dispatch({ kind: "saved", card: answer.card, base: answer.revision });
      if (id === null) onAdded(answer.row.id);
    },
  });
  const edit = useCallback(
    (change: (card: Card) => Card) => dispatch({ kind: "edit", change }),
    [],
  );
  return {
    id,
    draft,
    dirty,
    head: stored.data?.row.revision ?? 0,
    archived: stored.data?.row.archived ?? false,
    error: stored.error,
    edit,
    undo: () => dispatch({ kind: "undo" }),
    redo: () => dispatch({ kind: "redo" }),
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    save,
    /** Go back to the card as kept, or to an empty one; undo brings the changes again. */
    drop: () => edit(() => kept ?? EMPTY_CARD),
    /** Take a card from the kitchen in place of the one on the desk. */
    take: (card: Card, base: number) => {
      dropDraft(name);
      dispatch({ kind: "open", draft: { card, base, found: [], imported: false }, kept: card });
    },
  };
}
