import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../../../api/client";
import type { Finishing, OwnFinish as Own } from "../../../api/client";
import { Opens } from "../../../ui/Opens";

interface OwnFinishProps {
  own: Own;
  recipe: number;
  /** Null where the cake is finished as its card says. */
  chosen: Finishing | null;
  asRecipe: () => void;
}

/** Where the finish comes from: the card's method, what was settled, or nothing but practice. */
export function OwnFinish({ own, recipe, chosen, asRecipe }: OwnFinishProps) {
  const settle = useMutation({
    mutationFn: async (finish: Finishing | null) =>
      answered(
        await client.PUT("/api/recipes/{recipe_id}/finish", {
          params: { path: { recipe_id: recipe } },
          body: { finish, base: own.version },
        }),
      ),
    onSuccess: (_, finish) => {
      if (finish) asRecipe();
    },
  });
  return (
    <Box className="no-print" sx={{ mb: 0.75, fontSize: "size.small" }}>
      <Typography component="span" color="textSecondary" sx={{ fontSize: "inherit" }}>
        {chosen ? "Your own finish; amounts are worked out from the recipe's." : "As the recipe: "}
        {!chosen && (
          <Opens label="Where this finish comes from" words={origin(own)} quiet>
            {() => (
              <Box sx={{ maxWidth: 380, p: 1.5 }}>
                <Typography>
                  {reason(own)} How thick everything lies follows from the recipe&apos;s own
                  amounts.
                </Typography>
                {own.said.map((sentence) => (
                  <Typography key={sentence} sx={{ pt: 0.75, fontStyle: "italic" }}>
                    “{sentence}”
                  </Typography>
                ))}
              </Box>
            )}
          </Opens>
        )}
      </Typography>
      {chosen && (
        <>
          <Button size="small" onClick={asRecipe}>
            As the recipe
          </Button>
          <Button size="small" disabled={settle.isPending} onClick={() => settle.mutate(chosen)}>
            Keep it on the card
          </Button>
        </>
      )}
      {!chosen && own.settled && (
        <Button size="small" disabled={settle.isPending} onClick={() => settle.mutate(null)}>
          Go by the method again
        </Button>
      )}
      {settle.isError && <Alert severity="error">{settle.error.message}</Alert>}
    </Box>
  );
}

function origin(own: Own): string {
  if (own.settled) return "settled on the card";
  return own.said.length === 0 ? "assumed, by its amounts" : "read from its method";
}

function reason(own: Own): string {
  if (own.settled) return "This finish was settled on the card.";
  return own.said.length === 0
    ? "The method says nothing of it that can be read, so cuts and coats are the usual ones."
    : "Its method says:";
}
