import { Box, Typography } from "@mui/material";
import { memo } from "react";

import type { Drawing, FitPan } from "../api/client";

const MOST_COPIES = 4;
const COLUMNS = 4;
/** How far copies of a pan lie apart, cm. */
const COPY_SHIFT = 3;

const WELL_SHARE = 0.75;

/** Size a plan needs with its copies or wells, cm of the plans' scale. */
export function planNeeds(pan: FitPan, drawing: Drawing): { wide: number; high: number } {
  if (pan.wells > 1) {
    const { columns, pitch, high } = wellGrid(drawing, pan.count, pan.wells);
    return { wide: columns * pitch * WELL_SHARE, high: high * WELL_SHARE };
  }
  const { wide, high } = planSize(drawing);
  return { wide: wide + COPY_SHIFT * Math.max(0, Math.min(pan.count, MOST_COPIES) - 1), high };
}

/** A pan from above at the plans' common scale; wells are counted one by one. */
export const PanPlan = memo(function PanPlan({ pan, scale }: { pan: FitPan; scale: number }) {
  const drawing = pan.drawing;
  if (!drawing) return null;
  return (
    <Box sx={{ display: "flex", alignItems: "flex-end", gap: 1, flexShrink: 0 }}>
      {pan.wells > 1 ? (
        <Wells drawing={drawing} filled={pan.count} wells={pan.wells} scale={scale} />
      ) : (
        <Copies pan={pan} drawing={drawing} scale={scale} />
      )}
      {pan.wells === 1 && pan.count > MOST_COPIES && (
        <Typography color="textSecondary">× {pan.count}</Typography>
      )}
    </Box>
  );
});

/** Outline of a pan, on its own. */
export function Outline({ drawing }: { drawing: Drawing }) {
  return (
    <>
      {drawing.plan.map((polygon, i) => (
        <polygon key={i} className={i === 0 ? "rim" : "tube"} points={polygon} />
      ))}
    </>
  );
}

/** Size of a plan, cm. */
export function planSize(drawing: Drawing): { wide: number; high: number } {
  return { wide: drawing.plan_width_cm, high: drawing.plan_height_cm };
}

function Copies({ pan, drawing, scale }: { pan: FitPan; drawing: Drawing; scale: number }) {
  const { wide, high } = planSize(drawing);
  const copies = Math.min(Math.max(pan.count, 0), MOST_COPIES);
  const spread = COPY_SHIFT * Math.max(0, copies - 1);
  return (
    <PlanFrame wide={wide + spread} high={high} scale={scale}>
      {Array.from({ length: copies }, (_, i) => (
        <g key={i} transform={`translate(${(copies - 1 - i) * COPY_SHIFT - spread / 2} 0)`}>
          <Outline drawing={drawing} />
          {i === copies - 1 && <OnTop pan={pan} />}
        </g>
      ))}
    </PlanFrame>
  );
}

/** What lies in the pan whole, and how the cake is cut. */
function OnTop({ pan }: { pan: FitPan }) {
  return (
    <>
      {pan.laid.map((middle) => {
        const [x, y] = middle.split(",");
        return <circle key={middle} className="laid" cx={x} cy={y} r={(pan.laid_cm ?? 0) / 2} />;
      })}
      {pan.cuts.map((line) => (
        <polyline key={line} className="cut" points={line} />
      ))}
    </>
  );
}

function Wells(props: { drawing: Drawing; filled: number; wells: number; scale: number }) {
  const { drawing, filled, wells, scale } = props;
  const { shown, columns, rows, pitch, high } = wellGrid(drawing, filled, wells);
  return (
    <PlanFrame wide={columns * pitch} high={high} scale={scale * WELL_SHARE}>
      {Array.from({ length: shown }, (_, i) => (
        <g
          key={i}
          className={i < filled ? undefined : "empty"}
          transform={`translate(${((i % columns) - (columns - 1) / 2) * pitch} ${
            (Math.floor(i / columns) - (rows - 1) / 2) * pitch
          })`}
        >
          <Outline drawing={drawing} />
        </g>
      ))}
    </PlanFrame>
  );
}

/** Wells in rows and columns: as many trays as the filled ones need, three at most. */
function wellGrid(drawing: Drawing, filled: number, wells: number) {
  const pitch = drawing.rim_width_cm + 0.8;
  const shown = Math.min(Math.max(Math.ceil(filled / wells), 1), 3) * wells;
  const columns = shown > wells ? COLUMNS * 2 : COLUMNS;
  const rows = Math.ceil(shown / columns);
  return { shown, columns, rows, pitch, high: rows * pitch };
}

interface PlanFrameProps {
  wide: number;
  high: number;
  scale: number;
  children: React.ReactNode;
}

/** The sheet a plan is drawn on. */
export function PlanFrame({ wide, high, scale, children }: PlanFrameProps) {
  const edge = 0.8;
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox={`${-wide / 2 - edge} ${-high / 2 - edge} ${wide + edge * 2} ${high + edge * 2}`}
      sx={(t) => ({
        display: "block",
        width: (wide + edge * 2) * scale,
        maxWidth: "100%",
        "& .rim": {
          fill: t.vars.palette.bench.butterTint,
          stroke: t.vars.palette.bench.rim,
          strokeWidth: 0.55,
        },
        "& .tube": {
          fill: t.vars.palette.background.paper,
          stroke: t.vars.palette.bench.rim,
          strokeWidth: 0.55,
        },
        "& .empty .rim": {
          fill: "none",
          stroke: t.vars.palette.bench.ghost,
          strokeDasharray: "1 1",
          strokeWidth: 0.35,
        },
        "& .cut": {
          fill: "none",
          stroke: t.vars.palette.bench.crust,
          strokeWidth: 0.35,
          strokeDasharray: "1 0.6",
        },
        "& .laid": {
          fill: t.vars.palette.bench.layer,
          stroke: t.vars.palette.background.paper,
          strokeWidth: 0.3,
        },
      })}
    >
      {children}
    </Box>
  );
}
