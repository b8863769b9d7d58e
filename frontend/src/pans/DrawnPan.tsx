import { Box } from "@mui/material";

import type { FitPan, SourcePan } from "../api/client";
import { ghostFor } from "../domain/section";
import { PLAN_SHARE } from "../domain/benchScale";
import type { Units } from "../domain/units";
import { PanPlan } from "./PanPlan";
import { PanSection } from "./PanSection";

interface DrawnPanProps {
  pan: FitPan;
  /** The recipe's own pans; the one of this kind stands behind as a ghost. */
  source: readonly SourcePan[];
  /** Pixels per cm of the section, one for all pans. */
  scale: number;
  ruler?: boolean;
  /** Whether the plan stands over the section, and not beside it. */
  stacked?: boolean;
  numbers?: Units;
}

/** A pan from above and from the side, with the recipe's own behind it. */
export function DrawnPan({
  pan,
  source,
  scale,
  ruler = false,
  stacked = true,
  numbers,
}: DrawnPanProps) {
  const ghost = ghostFor(pan, source);
  return (
    <Box
      sx={{
        display: "flex",
        flexDirection: stacked ? "column" : "row",
        alignItems: stacked ? "flex-start" : "flex-end",
        gap: stacked ? 0.75 : 2.5,
        minWidth: 0,
      }}
    >
      <PanPlan pan={pan} scale={scale * PLAN_SHARE} />
      <PanSection
        pan={pan}
        ghost={ghost?.drawing ?? null}
        ghostStands={ghost?.stands_cm ?? null}
        scale={scale}
        ruler={ruler}
        {...(numbers ? { numbers } : {})}
      />
    </Box>
  );
}
