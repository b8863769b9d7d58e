import { Box, Typography } from "@mui/material";

import type { FitShare } from "../../../api/client";
import { percent } from "../../../domain/numbers";

/** A share of the batter, and what to do for it. */
export function ShareSteps({ share }: { share: FitShare }) {
  return (
    <Box sx={{ mb: 1 }} data-share={share.name}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        {share.name}, {percent(share.part)} of the batter
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 3 }}>
        {share.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Box>
    </Box>
  );
}
