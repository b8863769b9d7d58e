import { Box, Typography } from "@mui/material";

import type { Fit } from "../../../api/client";
import type { Raising } from "../../../domain/fitChoices";
import { Choice } from "../../../ui/Choice";
import type { FitChoicesInHand } from "../useFitChoices";

const SCHOOLS = [
  { value: "proportion", label: "In proportion" },
  { value: "less", label: "Less in large pans" },
] as const;

const DOES: Record<Raising, string> = {
  proportion: "Baking powder grows with the flour, as most recipes do.",
  less: "Some bakers hold back: a flatter top, less taste of raising, a little less rise.",
};

/** Two schools of baking powder, where these pans make a difference. */
export function RaisingChoice(props: { fit: Fit; choose: FitChoicesInHand["choose"] }) {
  const { fit, choose } = props;
  if (!fit.raising_bites && fit.raising === "proportion") return null;
  return (
    <Box sx={{ mt: 1.25 }}>
      <Choice<Raising>
        label="Baking powder"
        value={fit.raising}
        options={SCHOOLS}
        onChange={(raising) => choose({ raising })}
        size="small"
      />
      <Typography color="textSecondary" sx={{ fontSize: "size.tiny", mt: 0.25 }}>
        {DOES[fit.raising]}
      </Typography>
    </Box>
  );
}
