import { Box } from "@mui/material";

import type { Drawing } from "../api/client";
import { wallPath } from "../domain/section";
import { Outline, PlanFrame, planSize } from "./PanPlan";

interface RackDrawingProps {
  pan: { drawing: Drawing | null; wells: number };
  scale: number;
  /** Whether its wall is drawn below its outline, at the same scale. */
  section?: boolean;
}

/** A pan of the rack from above, its wall from the side, at a scale shared with the others. */
export function RackDrawing({ pan, scale, section = false }: RackDrawingProps) {
  const drawing = pan.drawing;
  if (!drawing) return null;
  return (
    <>
      <RackPlan drawing={drawing} wells={pan.wells} scale={scale} />
      {section && <RackSection drawing={drawing} scale={scale} />}
    </>
  );
}

function RackPlan({ drawing, wells, scale }: { drawing: Drawing; wells: number; scale: number }) {
  const { wide, high } = planSize(drawing);
  if (wells === 1) {
    return (
      <PlanFrame wide={wide} high={high} scale={scale}>
        <Outline drawing={drawing} />
      </PlanFrame>
    );
  }
  const { across, down } = wellGrid(wells);
  const pitch = drawing.rim_width_cm + 0.8;
  return (
    <PlanFrame wide={pitch * across} high={pitch * down} scale={scale}>
      {Array.from({ length: wells }, (_, i) => {
        const x = ((i % across) - (across - 1) / 2) * pitch;
        const y = (Math.floor(i / across) - (down - 1) / 2) * pitch;
        return (
          <g key={i} transform={`translate(${String(x)} ${String(y)})`}>
            <Outline drawing={drawing} />
          </g>
        );
      })}
    </PlanFrame>
  );
}

/** The wall from the side: how high it is and how it slopes tells pans of one outline apart. */
function RackSection({ drawing, scale }: { drawing: Drawing; scale: number }) {
  const wide = Math.max(drawing.rim_width_cm, drawing.base_width_cm) + 1.2;
  const high = drawing.wall_cm + 1;
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox={`${String(-wide / 2)} ${String(-high + 0.5)} ${String(wide)} ${String(high)}`}
      sx={(t) => ({
        display: "block",
        width: wide * scale,
        height: high * scale,
        maxWidth: "100%",
        "& path": {
          stroke: t.vars.palette.bench.rim,
          fill: "none",
          strokeWidth: 0.55,
          strokeLinejoin: "round",
          strokeLinecap: "round",
        },
      })}
    >
      <path d={wallPath(drawing)} />
    </Box>
  );
}

/** How a tray's wells lie: six as 3 × 2, twelve as 4 × 3, twenty-four as 6 × 4. */
export function wellGrid(wells: number): { across: number; down: number } {
  const across = Math.max(1, Math.round(Math.sqrt(wells * 1.4)));
  return { across, down: Math.ceil(wells / across) };
}
