import { Alert, Autocomplete, Box, TextField } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../api/client";
import type { OrderCakeTyped, RecipeRow } from "../api/client";
import { recipesQuery } from "../api/queries/recipes";
import { entryOf } from "../domain/opened";

/** Puts a recipe into an order, in the pans that a fit of it opens with. */
export function AddRecipe({ onAdd }: { onAdd: (cake: OrderCakeTyped) => void }) {
  const [words, setWords] = useState("");
  const search = words.trim();
  const found = useQuery(recipesQuery(search ? { search } : {}));
  const open = useMutation({
    mutationFn: async (recipe: RecipeRow) => {
      const opened = answered(
        await client.POST("/api/fit/opening", { body: { recipe: recipe.id } }),
      );
      const { rule, egg_count } = opened;
      return { recipe: recipe.id, into: opened.into.map(entryOf), rule, egg_count };
    },
    onSuccess: (fit, recipe) => onAdd({ fit, label: recipe.title, count: 1 }),
  });
  return (
    <Box>
      <Autocomplete
        // A fresh field for the next cake.
        key={open.submittedAt}
        options={found.data?.rows ?? []}
        filterOptions={(options) => options}
        getOptionLabel={(one) => one.title}
        getOptionKey={(one) => one.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        loading={open.isPending}
        onInputChange={(_, next, reason) => setWords(reason === "input" ? next : "")}
        onChange={(_, recipe) => {
          if (recipe) open.mutate(recipe);
        }}
        noOptionsText={search ? "No recipe of that name" : "Type a name"}
        renderInput={(params) => <TextField {...params} label="Add a recipe" />}
      />
      {open.isError && <Alert severity="error">{open.error.message}</Alert>}
    </Box>
  );
}
