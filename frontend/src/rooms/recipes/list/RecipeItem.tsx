import { Box, Button, IconButton, Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import type { RecipeRow } from "../../../api/client";
import { NO_CHOICES, searchOf, startWith } from "../../../domain/fitChoices";
import { RecipeLine } from "../../../recipes/RecipeLine";
import { MoreIcon } from "../../../ui/icons";
import type { ListActions } from "./useListActions";

/** The address of a fresh fit of a recipe, in the revision it is at. */
export function fitAddress(recipe: RecipeRow): string {
  return `/fit?${searchOf({ ...NO_CHOICES, ...startWith(recipe) }).toString()}`;
}

/** A card in the box: the way to its desk, to a fit, and what else can be done with it. */
export function RecipeItem({ recipe, actions }: { recipe: RecipeRow; actions: ListActions }) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const close = (then: () => void) => () => {
    setMenu(null);
    then();
  };
  return (
    <Box
      component="li"
      sx={(t) => ({
        display: "flex",
        flexWrap: { xs: "wrap", sm: "nowrap" },
        justifyContent: "flex-end",
        alignItems: "center",
        gap: { sm: 1 },
        pr: 1,
        "&:hover": { bgcolor: t.vars.palette.bench.butterTint },
      })}
    >
      <Box
        component={Link}
        to={`/recipes/${String(recipe.id)}`}
        sx={(t) => ({
          flex: { xs: "1 0 100%", sm: 1 },
          minWidth: 0,
          minHeight: 68,
          px: { xs: 1.75, sm: 2.5 },
          py: 1.1,
          display: "flex",
          alignItems: "center",
          color: "inherit",
          textDecoration: "none",
          "&:focus-visible": {
            outline: `3px solid ${t.vars.palette.text.primary}`,
            outlineOffset: -4,
          },
        })}
      >
        <RecipeLine recipe={recipe} />
      </Box>
      {recipe.archived ? (
        <Button onClick={() => actions.putAway.mutate({ recipe, archived: false })}>
          Bring back
        </Button>
      ) : (
        <Button component={Link} to={fitAddress(recipe)} aria-label={`Fit ${recipe.title}`}>
          Fit
        </Button>
      )}
      <IconButton
        aria-label={`More for ${recipe.title}`}
        aria-haspopup="menu"
        onClick={(event) => setMenu(event.currentTarget)}
      >
        <MoreIcon />
      </IconButton>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        <MenuItem onClick={close(() => actions.duplicate.mutate(recipe))}>Duplicate</MenuItem>
        {!recipe.archived && (
          <MenuItem onClick={close(() => actions.putAway.mutate({ recipe, archived: true }))}>
            Put away
          </MenuItem>
        )}
      </Menu>
    </Box>
  );
}
