import { Alert, Box, Button, Chip, FormControlLabel, Switch } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";

import { SaidBar } from "../../../ui/SaidBar";
import { NextButton } from "../../../ui/NextButton";
import { SearchField } from "../../../ui/SearchField";
import { recipesQuery } from "../../../api/queries/recipes";
import { Finder } from "./Finder";
import type { Finding } from "./Finder";
import { ImportButton } from "./ImportButton";
import { RecipeItem } from "./RecipeItem";
import { UnsavedCards } from "./UnsavedCards";
import { useListActions } from "./useListActions";
import { Room, RoomHead } from "../../../ui/Room";
import { Waiting } from "../../../ui/Waiting";

const PAGE = 60;

/** What of a wish is asked for. */
const given = (finding: Finding) =>
  Object.fromEntries(Object.entries(finding).filter(([, value]) => Boolean(value))) as Finding;

/** The box of cards: search, tags, the archive, and the ways a new card comes in. */
export function RecipesRoom() {
  const [words, setWords] = useState("");
  const [tag, setTag] = useState<string | null>(null);
  const [archived, setArchived] = useState(false);
  const [finding, setFinding] = useState<Finding>({});
  const [limit, setLimit] = useState(PAGE);
  const search = useDeferredValue(words.trim());
  const recipes = useQuery(
    recipesQuery({
      limit,
      archived,
      ...(search ? { search } : {}),
      ...(tag ? { tag } : {}),
      ...given(finding),
    }),
  );
  const actions = useListActions();
  const list = recipes.data;
  const empty = list?.total === 0 && !search && !tag && Object.keys(given(finding)).length === 0;
  return (
    <Room>
      <RoomHead
        title="Recipes"
        main={<NextButton to="/recipes/paste">Paste a recipe</NextButton>}
        more={
          <>
            <ImportButton />
            <Button component={Link} to="/recipes/book" variant="outlined">
              A book
            </Button>
            <Button component={Link} to="/recipes/new" variant="outlined">
              Empty card
            </Button>
          </>
        }
      />
      <SearchField
        label="Search recipes"
        placeholder="Search titles, ingredients, notes"
        value={words}
        onChange={setWords}
      />
      <Box
        sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", my: 1 }}
        role="group"
        aria-label="Tags"
      >
        <Tags tags={list?.tags ?? []} tag={tag} onTag={setTag} />
        <Box sx={{ flex: 1 }} />
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2 }}>
          <Finder finding={finding} onChange={setFinding} />
        </Box>
        <FormControlLabel
          control={
            <Switch checked={archived} onChange={(event) => setArchived(event.target.checked)} />
          }
          label="Archive"
          sx={{ mr: 0, minHeight: 44 }}
        />
      </Box>
      <UnsavedCards />
      {recipes.isPending && <Waiting words="Fetching the recipes" />}
      {recipes.isError && (
        <Alert
          severity="error"
          action={<Button onClick={() => void recipes.refetch()}>Try again</Button>}
        >
          {recipes.error.message}
        </Alert>
      )}
      {list && (
        <Box
          component="ul"
          aria-label={archived ? "Archived recipes" : "Recipes"}
          sx={(t) => ({
            listStyle: "none",
            m: 0,
            p: 0,
            bgcolor: "background.paper",
            border: `2px solid ${t.vars.palette.bench.rim}`,
            borderRadius: 2,
            overflow: "hidden",
            "& > li + li": { borderTop: 1, borderColor: "divider" },
          })}
        >
          {list.rows.map((recipe) => (
            <RecipeItem key={recipe.id} recipe={recipe} actions={actions} />
          ))}
          {list.rows.length === 0 && (
            <Box component="li" sx={{ p: 2.5 }}>
              {empty
                ? archived
                  ? "Nothing is put away."
                  : "No cards yet. Paste a recipe, bring in a file, or start with an empty card."
                : "Nothing here is like that. Try another word, or ask for less."}
            </Box>
          )}
        </Box>
      )}
      {list && list.total > list.rows.length && (
        <Button onClick={() => setLimit(Math.min(limit + PAGE, 200))} sx={{ mt: 1 }}>
          {limit < 200
            ? `Show more of ${String(list.total)}`
            : `${String(list.total - 200)} more: type a word of what you look for`}
        </Button>
      )}
      <SaidBar said={actions.said} onDone={actions.clear} />
    </Room>
  );
}

function Tags(props: {
  tags: readonly string[];
  tag: string | null;
  onTag: (tag: string | null) => void;
}) {
  const { tags, tag, onTag } = props;
  return (
    <>
      {tags.map((one) => (
        <Chip
          key={one}
          label={one}
          clickable
          aria-pressed={one === tag}
          onClick={() => onTag(one === tag ? null : one)}
          sx={(t) => ({
            height: 36,
            borderRadius: 1,
            border: `1.5px solid ${one === tag ? t.vars.palette.bench.butter : t.vars.palette.divider}`,
            bgcolor: one === tag ? t.vars.palette.bench.butter : "background.paper",
            color: one === tag ? t.vars.palette.bench.onButter : "text.primary",
            "&:hover, &.Mui-focusVisible": {
              bgcolor: one === tag ? t.vars.palette.bench.butter : t.vars.palette.bench.butterTint,
            },
            "&.Mui-focusVisible": { outline: `3px solid ${t.vars.palette.text.primary}` },
          })}
        />
      ))}
    </>
  );
}
