import { Box, Button, Collapse, Typography } from "@mui/material";
import { memo, useState } from "react";

import type { Fit } from "../../../api/client";
import { grams, times } from "../../../domain/numbers";
import { besideGrams } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { useUnits } from "../../../ui/useUnits";

/** The batch over its card: how much of the recipe, the eggs, the batter, and why. */
export const BatchHead = memo(function BatchHead({ fit }: { fit: Fit }) {
  const [why, setWhy] = useState(false);
  const units = useUnits();
  if (fit.factor === null) return null;
  const oz = besideGrams(fit.batter_g, units);
  return (
    <Box component="section" aria-label="The batch" sx={{ mb: 0.5 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1.5 }}>
        <Typography variant="quantityLarge">
          <Figure from={fit.origins.factor}>{times(fit.factor)}</Figure>
        </Typography>
        <Typography component="span" sx={{ flex: 1, lineHeight: 1.25 }}>
          of the recipe{fit.eggs ? `, ${fit.eggs.text}` : ""}
        </Typography>
        <Button
          size="small"
          onClick={() => setWhy(!why)}
          aria-expanded={why}
          aria-label="Why so much"
          sx={{ minWidth: 44, my: -0.5 }}
        >
          Why
        </Button>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.3 }}>
        <Figure from={fit.origins.batter_g}>{`${grams(fit.batter_g ?? 0)} g`}</Figure> batter
        {oz && ` (${oz})`}; about{" "}
        <Figure from={fit.origins.bowl_loss_g}>{`${grams(fit.bowl_loss_g ?? 0)} g`}</Figure> stays
        in the bowl
        {(fit.leftover_g ?? 0) >= 0.5 && (
          <>
            , <Figure from={fit.origins.leftover_g}>{`${grams(fit.leftover_g ?? 0)} g`}</Figure>{" "}
            left over
          </>
        )}
      </Typography>
      <Collapse in={why} unmountOnExit>
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "size.note" }}>
          {fit.why.map((fact) => (
            <li key={fact}>{fact}</li>
          ))}
        </Box>
      </Collapse>
    </Box>
  );
});
