import { Alert, Box, Button, ButtonBase, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link, Navigate } from "react-router";

import type { RecipeRow } from "../../api/client";
import { startWith } from "../../domain/fitChoices";
import { RecipeLine } from "../../recipes/RecipeLine";
import { NextButton } from "../../ui/NextButton";
import { SearchField } from "../../ui/SearchField";
import { kitchenQuery } from "../../api/queries/kitchen";
import { recipesQuery } from "../../api/queries/recipes";
import type { FitChoicesInHand } from "./shared/useFitChoices";

/** Choose what to bake: the recipes of the kitchen, searched as one types. */
export function RecipePicker({ inHand }: { inHand: FitChoicesInHand }) {
  return (
    <Box sx={{ p: { xs: 2, sm: 3 }, maxWidth: 900, width: "100%", mx: "auto" }}>
      <Typography variant="roomTitle" sx={{ display: "block", mb: 2 }}>
        What are you baking?
      </Typography>
      <RecipeList onChoose={(recipe) => inHand.choose(startWith(recipe), "history")} />
    </Box>
  );
}

/** The list with its search field. */
export function RecipeList({ onChoose }: { onChoose: (recipe: RecipeRow) => void }) {
  const [words, setWords] = useState("");
  const search = useDeferredValue(words.trim());
  const recipes = useQuery(recipesQuery(search ? { search } : {}));
  if (recipes.isPending) return <LinearProgress aria-label="Fetching the recipes" />;
  if (recipes.isError) return <Alert severity="error">{recipes.error.message}</Alert>;
  const found = recipes.data.rows;
  if (recipes.data.total === 0 && !search) {
    return <FirstMorning />;
  }
  return (
    <>
      <Box sx={{ mb: 1.5 }}>
        <SearchField
          label="Search recipes"
          placeholder="Search"
          value={words}
          onChange={setWords}
        />
      </Box>
      <Box
        component="ul"
        sx={(t) => ({
          listStyle: "none",
          m: 0,
          p: 0,
          bgcolor: "background.paper",
          border: `2px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 2,
          overflow: "hidden",
        })}
      >
        {found.map((recipe) => (
          <Box
            component="li"
            key={recipe.id}
            sx={{ "& + &": { borderTop: 1, borderColor: "divider" } }}
          >
            <ButtonBase
              onClick={() => onChoose(recipe)}
              sx={(t) => ({
                width: "100%",
                minHeight: 68,
                px: 2.5,
                py: 1.25,
                display: "flex",
                textAlign: "left",
                "&:hover": { bgcolor: t.vars.palette.bench.butterTint },
                "&:focus-visible": { outlineOffset: -4 },
              })}
            >
              <RecipeLine recipe={recipe} />
            </ButtonBase>
          </Box>
        ))}
        {found.length === 0 && (
          <Box component="li" sx={{ p: 2.5 }}>
            Nothing here is called that. Try another word.
          </Box>
        )}
        {recipes.data.total > found.length && (
          <Box component="li" sx={{ p: 2.5, color: "text.secondary" }}>
            {recipes.data.total - found.length} more. Type a word of what you look for.
          </Box>
        )}
      </Box>
    </>
  );
}

/** An empty kitchen: the first morning, or straight to a recipe where that is behind it. */
function FirstMorning() {
  const kitchen = useQuery(kitchenQuery());
  if (kitchen.isPending) return <LinearProgress aria-label="Opening the kitchen" />;
  if (kitchen.data?.welcomed === false) return <Navigate to="/welcome" replace />;
  return (
    <>
      <Typography sx={{ mb: 2 }}>
        This kitchen has no recipes yet. Paste one, or take one of ours to try.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <NextButton to="/recipes/paste">Paste a recipe</NextButton>
        <Button component={Link} to="/welcome?step=4">
          Take one to try
        </Button>
      </Box>
    </>
  );
}
