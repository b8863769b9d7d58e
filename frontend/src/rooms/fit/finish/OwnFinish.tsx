import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../../../api/client";
import type { Finishing, OwnFinish as Own } from "../../../api/client";
import { originOf, OwnReason } from "../../../finish/OwnReason";
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
          <Opens label="Where this finish comes from" words={originOf(own)} quiet>
            {() => (
              <Box sx={{ maxWidth: 380, p: 1.5 }}>
                <OwnReason own={own} />
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
