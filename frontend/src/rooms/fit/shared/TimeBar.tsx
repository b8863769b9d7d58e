import { Box } from "@mui/material";

import type { FitBake } from "../../../api/client";

/** The window on a line of minutes: first look to latest, the likely time marked on it. */
export function TimeBar({ bake, longest }: { bake: FitBake; longest: number }) {
  const { first_look_min: look, likely_min: likely, latest_min: latest } = bake;
  if (look === null || likely === null || latest === null) return null;
  const at = (minutes: number) => (minutes / (longest * 1.03)) * 100;
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox="0 0 100 8"
      preserveAspectRatio="none"
      sx={(t) => ({
        display: "block",
        width: "100%",
        height: 16,
        my: 0.5,
        "& .track": { fill: t.vars.palette.bench.track },
        "& .window": { fill: t.vars.palette.bench.butter },
        "& .likely": { fill: t.vars.palette.bench.rim },
      })}
    >
      <rect className="track" x="0" y="3" width="100" height="2" />
      <rect className="window" x={at(look)} y="1.5" width={at(latest) - at(look)} height="5" />
      <rect className="likely" x={at(likely) - 0.6} y="0" width="1.2" height="8" />
    </Box>
  );
}
