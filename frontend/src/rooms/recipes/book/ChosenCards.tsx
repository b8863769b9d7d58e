import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import { recipesQuery } from "../../../api/queries/recipes";
import { SearchField } from "../../../ui/SearchField";
import { Waiting } from "../../../ui/Waiting";

const MOST = 200;

interface ChosenCardsProps {
  /** Titles of the chosen cards by their ids, in the order they were chosen; null takes all. */
  chosen: ReadonlyMap<number, string> | null;
  onChange: (chosen: ReadonlyMap<number, string> | null) => void;
}

/** Which cards go in: all of them, or those that are ticked. */
export function ChosenCards({ chosen, onChange }: ChosenCardsProps) {
  const [words, setWords] = useState("");
  const search = useDeferredValue(words.trim());
  const list = useQuery(recipesQuery({ limit: MOST, ...(search && { search }) })).data;
  const set = (id: number, title: string, on: boolean) => {
    const next = new Map(chosen ?? []);
    if (on) next.set(id, title);
    else next.delete(id);
    onChange(next);
  };
  return (
    <Box component="section" aria-label="Cards">
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        Cards
      </Typography>
      <FormControlLabel
        control={
          <Checkbox
            checked={chosen === null}
            onChange={(event) => onChange(event.target.checked ? null : new Map())}
          />
        }
        label="All of them, by their names"
        sx={{ minHeight: 44 }}
      />
      {chosen !== null && (
        <>
          <SearchField
            label="Search cards"
            placeholder="Search titles, ingredients, notes"
            value={words}
            onChange={setWords}
          />
          {!list && <Waiting words="Fetching the cards" />}
          {list && (
            <>
              <Box sx={{ display: "flex", alignItems: "center", gap: 1, my: 0.5 }}>
                <Typography role="status">
                  {chosen.size === 1 ? "1 card chosen" : `${String(chosen.size)} cards chosen`}
                </Typography>
                <Button
                  onClick={() => {
                    const next = new Map(chosen);
                    list.rows.forEach((one) => next.set(one.id, one.title));
                    onChange(next);
                  }}
                >
                  Choose these {list.rows.length}
                </Button>
                <Button disabled={chosen.size === 0} onClick={() => onChange(new Map())}>
                  None
                </Button>
              </Box>
              <Box
                component="ul"
                aria-label="Cards to choose from"
                sx={{ listStyle: "none", m: 0, p: 0, columns: { sm: 2 } }}
              >
                {list.rows.map((one) => (
                  <Box component="li" key={one.id} sx={{ breakInside: "avoid" }}>
                    <FormControlLabel
                      control={
                        <Checkbox
                          checked={chosen.has(one.id)}
                          onChange={(event) => set(one.id, one.title, event.target.checked)}
                        />
                      }
                      label={one.title}
                      sx={{ minHeight: 44 }}
                    />
                  </Box>
                ))}
              </Box>
              {list.rows.length === 0 && <Typography>No card is like that.</Typography>}
              {list.total > list.rows.length && (
                <Typography color="textSecondary">
                  {list.total - list.rows.length} more: type a word of what you look for.
                </Typography>
              )}
            </>
          )}
        </>
      )}
    </Box>
  );
}
