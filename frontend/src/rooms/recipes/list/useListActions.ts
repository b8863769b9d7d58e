import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { answered, client } from "../../../api/client";
import type { RecipeRow as WholeRow } from "../../../api/client";
import type { Said } from "../../../ui/SaidBar";

type RecipeRow = Pick<WholeRow, "id" | "title">;

export type ListActions = ReturnType<typeof useListActions>;

/** What can be done with a card from outside: copy it, put it away, bring it back. */
export function useListActions() {
  const navigate = useNavigate();
  const [said, setSaid] = useState<Said | null>(null);
  const putAway = useMutation({
    mutationFn: async (change: { recipe: RecipeRow; archived: boolean }) =>
      answered(
        await client.POST("/api/recipes/{recipe_id}/archive", {
          params: { path: { recipe_id: change.recipe.id } },
          body: { archived: change.archived },
        }),
      ),
    onSuccess: (_, { recipe, archived }) => {
      setSaid({
        words: archived ? `“${recipe.title}” is put away.` : `“${recipe.title}” is back.`,
        undo: () => putAway.mutate({ recipe, archived: !archived }),
      });
    },
    onError: (error) => setSaid({ words: error.message, undo: null }),
  });
  const duplicate = useMutation({
    mutationFn: async (recipe: RecipeRow) =>
      answered(
        await client.POST("/api/recipes/{recipe_id}/duplicate", {
          params: { path: { recipe_id: recipe.id } },
        }),
      ),
    onSuccess: (answer) => {
      void navigate(`/recipes/${String(answer.row.id)}`);
    },
    onError: (error) => setSaid({ words: error.message, undo: null }),
  });
  return { said, clear: () => setSaid(null), putAway, duplicate };
}
