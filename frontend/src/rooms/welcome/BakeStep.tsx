import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";

import { answered, client } from "../../api/client";
import { welcomeQuery } from "../../api/queries/welcome";
import { useHabits } from "../../habits/useHabits";
import { NextButton } from "../../ui/NextButton";
import type { StepProps } from "./step";
import { Tile } from "./Tile";

/** The first recipe: paste one, or take one to try that can be thrown away. */
export function BakeStep({ kitchen }: StepProps) {
  const welcome = useQuery(welcomeQuery(false));
  const habits = useHabits(kitchen);
  const navigate = useNavigate();
  const done = () => {
    if (!kitchen.welcomed) habits.mutate({ welcomed: true });
  };
  const take = useMutation({
    mutationFn: async (key: string) =>
      answered(await client.POST("/api/welcome/starters/{key}", { params: { path: { key } } })),
    onSuccess: ({ recipe }) => {
      done();
      void navigate(`/fit?recipe=${String(recipe)}&opens=yes`);
    },
  });
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mb: 2 }}>
        <NextButton to="/recipes/paste" onClick={done}>
          Paste a recipe
        </NextButton>
        <Button component={Link} to="/recipes" onClick={done}>
          Look around first
        </Button>
      </Box>
      <Typography sx={{ mb: 1 }}>
        Or take one of ours to try; it can be thrown away in the Recipes room.
      </Typography>
      <Box sx={{ display: "grid", gap: 1.25, maxWidth: 560 }}>
        {welcome.data?.starters.map((starter) => (
          <Tile
            key={starter.key}
            title={starter.title}
            words={starter.words}
            disabled={take.isPending}
            onClick={() => take.mutate(starter.key)}
          />
        ))}
      </Box>
      {take.isError && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {take.error.message}
        </Alert>
      )}
    </>
  );
}
