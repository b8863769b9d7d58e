import { Box, Typography } from "@mui/material";

import type { Fit, Provenance } from "../../../api/client";
import { typedCount } from "../../../domain/numbers";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { Stepper } from "../../../ui/Stepper";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** What the card leaves to choose: alternatives of a line, and the joins of a filling. */
export function CardChoices(props: { fit: Fit; choose: FitChoicesInHand["choose"] }) {
  const { fit, choose } = props;
  const chosen = Object.fromEntries(
    fit.recipe.instead.flatMap((one) =>
      one.chosen === null ? [] : [[String(one.line), one.chosen] as const],
    ),
  );
  const pick = (line: number, place: number) => {
    const others = Object.entries(chosen).filter(([key]) => key !== String(line));
    choose({
      instead: Object.fromEntries(place < 0 ? others : [...others, [String(line), place]]),
    });
  };
  return (
    <>
      {fit.recipe.instead.map((one) => (
        <Box key={one.line} sx={{ mt: 1 }}>
          <Choice
            label={`Which: ${one.names.join(" or ")}`}
            size="small"
            wrap
            value={String(one.chosen ?? -1)}
            options={one.names.map((name, place) => ({ value: String(place - 1), label: name }))}
            onChange={(value) => pick(one.line, Number(value))}
          />
        </Box>
      ))}
      {fit.recipe.joins !== null && (
        <Box sx={{ mt: 1, display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
          <Typography component="span">
            <Figure from={fit.recipe.joins_assumed ? JOINS_ASSUMED : undefined}>
              Joins to fill
            </Figure>
          </Typography>
          <Stepper
            label="Joins to fill"
            value={fit.recipe.joins}
            least={1}
            read={typedCount}
            onChange={(value) => choose({ joins: Math.min(Math.max(value, 1), 200) })}
          />
        </Box>
      )}
    </>
  );
}

const JOINS_ASSUMED: Provenance = {
  origin: "assumed",
  note: "pans of one kind are layers of one cake, a single one is cut once",
  assumptions: [],
};
