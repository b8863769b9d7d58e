import { Box, Typography } from "@mui/material";

import type { FinishedCake } from "../../../api/client";
import { Figure } from "../../../ui/Figure";

const PLAN_PX = 148;

/** How a finished cake is cut: lines on its top from above, portions, the order of the cuts. */
export function CutPlan({ cake, alone }: { cake: FinishedCake; alone: boolean }) {
  const serving = cake.serving;
  if (!serving) return null;
  const half = cake.width_cm / 2 + 1;
  return (
    <Box
      component="section"
      aria-label={`Cutting ${cake.label}`}
      sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}
    >
      <Box
        component="svg"
        role="img"
        aria-label={`${cake.label} from above, cut in ${String(serving.pieces)}`}
        viewBox={`${String(-half)} ${String(-half)} ${String(2 * half)} ${String(2 * half)}`}
        sx={(t) => ({
          width: PLAN_PX,
          height: PLAN_PX,
          flexShrink: 0,
          "& polygon": {
            fill: t.vars.palette.bench.coat,
            stroke: t.vars.palette.bench.rim,
            strokeWidth: 0.25,
          },
          "& polygon + polygon": { fill: t.vars.palette.background.paper },
          "& polyline": {
            fill: "none",
            stroke: t.vars.palette.text.primary,
            strokeWidth: 0.18,
            strokeDasharray: "0.7 0.4",
          },
        })}
      >
        <g transform="scale(1 -1)">
          {serving.outline.map((points) => (
            <polygon key={points} points={points} />
          ))}
          {serving.cuts.map((points) => (
            <polyline key={points} points={points} />
          ))}
        </g>
      </Box>
      <Box sx={{ flex: 1, minWidth: 200, maxWidth: 420 }}>
        <Typography sx={{ fontWeight: 700 }}>
          {alone ? "" : `${cake.label}: `}
          <Figure from={serving.origin}>{`${String(serving.pieces)} portions`}</Figure>
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          {`${cake.count > 1 ? "each cake, " : ""}${serving.portion}`}
        </Typography>
        <Typography sx={{ mt: 0.5, lineHeight: 1.35 }}>{serving.words}</Typography>
      </Box>
    </Box>
  );
}
