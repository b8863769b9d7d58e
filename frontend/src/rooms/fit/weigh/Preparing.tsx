import { Box, Typography } from "@mui/material";

import type { FitPan } from "../../../api/client";
import { countOf } from "../../../domain/numbers";
import { CareIcon } from "../../../ui/icons";

/** The lining list: what to do to every pan before the batter goes in. */
export function Preparing({ pans }: { pans: readonly FitPan[] }) {
  const listed = pans.filter((pan) => pan.lining.length > 0);
  if (listed.length === 0) return null;
  return (
    <Box component="section" aria-label="Prepare the pans" sx={{ mb: 2 }}>
      <Typography component="h2" sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.rim })}>
        Prepare the pans
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 4, rowGap: 1 }}>
        {listed.map((pan, place) => (
          <Box key={`${String(place)}-${pan.label}`} sx={{ flex: "1 1 320px", minWidth: 0 }}>
            <Typography component="h3" sx={{ fontWeight: 650 }}>
              {countOf(pan)}
            </Typography>
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {pan.lining.map((one) => (
                <li key={one.text}>
                  {one.kind === "leak" && (
                    <CareIcon titleAccess="Take care" fontSize="inherit" sx={{ mr: 0.5 }} />
                  )}
                  {one.text}
                </li>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
