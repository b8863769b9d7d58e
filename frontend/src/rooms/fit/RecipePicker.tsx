import { Alert, Box, Button, ButtonBase, Typography } from "@mui/material";
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
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

/** Choose what to bake: the recipes of the kitchen, searched as one types. */
export function RecipePicker({ inHand }: { inHand: FitChoicesInHand }) {
  return (
    <Room>
      <RoomHead title="What are you baking?" />
      <RecipeList onChoose={(recipe) => inHand.choose(startWith(recipe), "history")} />
    </Room>
  );
}

/** The list with its search field. */
export function RecipeList({ onChoose }: { onChoose: (recipe: RecipeRow) => void }) {
  const [words, setWords] = useState("");
  const search = useDeferredValue(words.trim());
  const recipes = useQuery(recipesQuery(search ? { search } : {}));
  if (recipes.isPending) return <Waiting words="Fetching the recipes" />;
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
  if (kitchen.isPending) return <Waiting words="Opening the kitchen" />;
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
