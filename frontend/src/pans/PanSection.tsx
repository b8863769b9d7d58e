import { Box } from "@mui/material";
import { memo } from "react";

import type { Drawing, FitPan } from "../api/client";
import { centimetres } from "../domain/numbers";
import { fillPath, risenPath, sectionSize, wallPath } from "../domain/section";

interface PanSectionProps {
  pan: FitPan;
  /** The recipe's own pan, drawn behind, and how high its batter stands. */
  ghost: Drawing | null;
  ghostStands: number | null;
  /** Pixels per cm, one for all pans. */
  scale: number;
  /** Whether a rule of centimetres stands beside it. */
  ruler: boolean;
}

const MARGIN_CM = 0.5;
/** Room beside a pan for what runs over its rim. */
const SPILL_CM = 1.3;
const RULER_CM = 1.8;

/** A pan from the side: walls, base layer, batter, risen top, and the recipe's pan as a ghost. */
export const PanSection = memo(function PanSection({
  pan,
  ghost,
  ghostStands,
  scale,
  ruler,
}: PanSectionProps) {
  const drawing = pan.drawing;
  if (!drawing) return <NoDrawing />;
  const levels = {
    layer: pan.layer_cm,
    stands: pan.stands_cm,
    risen: pan.patted ? null : pan.risen_cm,
  };
  const size = sectionSize(drawing, levels, ghost);
  const high = size.high + 0.7;
  // The kitchen says what runs over: a little dome above the rim does not.
  const spills = pan.verdict_code === "over_rim" || pan.verdict_code === "does_not_fit";
  const margin = spills ? SPILL_CM : MARGIN_CM;
  const wide = size.wide + margin * 2 + (ruler ? RULER_CM : 0);
  const left = -size.wide / 2 - margin - (ruler ? RULER_CM : 0);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={sectionWords(pan)}
      viewBox={`${left} ${-high} ${wide} ${high + 0.5}`}
      sx={(t) => ({
        display: "block",
        width: wide * scale,
        height: (high + 0.5) * scale,
        maxWidth: "100%",
        "& .wall": { stroke: t.vars.palette.bench.rim, fill: "none", strokeWidth: 0.34 },
        "& .ghost": {
          stroke: t.vars.palette.bench.ghost,
          fill: "none",
          strokeWidth: 0.12,
          strokeDasharray: "0.18 0.3",
        },
        "& .batter": { fill: t.vars.palette.bench.batter },
        "& .dough": {
          fill: "none",
          stroke: t.vars.palette.bench.crust,
          strokeWidth: 0.25,
          strokeLinejoin: "round",
        },
        "& .layer": { fill: t.vars.palette.bench.layer },
        "& .risen": {
          stroke: t.vars.palette.bench.crust,
          strokeWidth: 0.2,
          strokeDasharray: "0.55 0.35",
        },
        "& .spill": {
          stroke: t.vars.palette.bench.heat,
          fill: t.vars.palette.bench.heat,
          fillOpacity: 0.18,
          strokeDasharray: "none",
        },
        "& .rule": { stroke: t.vars.palette.bench.ghost, strokeWidth: 0.08 },
        "& text": { fill: t.vars.palette.text.secondary, fontSize: 1.05, fontFamily: "inherit" },
      })}
    >
      <line className="rule" x1={left} x2={left + wide} y1={0.17} y2={0.17} />
      {ruler && <Ruler x={left} wall={drawing.wall_cm} />}
      {levels.layer !== null && levels.layer > 0 && (
        <path className="layer" d={fillPath(drawing, 0, levels.layer)} />
      )}
      {levels.stands !== null && levels.stands > (levels.layer ?? 0) && (
        <path className="batter" d={fillPath(drawing, levels.layer ?? 0, levels.stands)} />
      )}
      {ghost && <Ghost drawing={ghost} stands={ghostStands} />}
      {pan.patted ? (
        <path className="dough" d={fillPath(drawing, 0, levels.stands ?? drawing.wall_cm)} />
      ) : (
        <path className="wall" d={wallPath(drawing)} strokeLinecap="round" strokeLinejoin="round" />
      )}
      {levels.risen !== null && levels.risen > 0 && (
        <path
          className={spills ? "risen spill" : "risen"}
          fill="none"
          d={risenPath(drawing, levels.risen, spills)}
        />
      )}
    </Box>
  );
});

function Ghost({ drawing, stands }: { drawing: Drawing; stands: number | null }) {
  return (
    <g aria-hidden>
      <path className="ghost" d={wallPath(drawing)} />
      {stands !== null && <path className="ghost" d={fillPath(drawing, 0, stands)} />}
    </g>
  );
}

function Ruler({ x, wall }: { x: number; wall: number }) {
  const marks = Array.from({ length: Math.floor(wall) + 1 }, (_, cm) => cm);
  return (
    <g aria-hidden>
      {marks.map((cm) => (
        <line
          key={cm}
          className="rule"
          x1={x}
          x2={x + (cm % 5 === 0 ? 0.8 : 0.4)}
          y1={-cm}
          y2={-cm}
        />
      ))}
      {marks
        .filter((cm) => cm > 0 && cm % 5 === 0)
        .map((cm) => (
          <text key={cm} x={x + 0.95} y={-cm + 0.35}>
            {cm}
          </text>
        ))}
    </g>
  );
}

function NoDrawing() {
  return (
    <Box
      sx={{
        height: 90,
        border: "1px dashed",
        borderColor: "divider",
        borderRadius: 1,
        display: "grid",
        placeItems: "center",
        color: "text.secondary",
      }}
    >
      No measures to draw by
    </Box>
  );
}

/** What the drawing shows, in words. */
export function sectionWords(pan: FitPan): string {
  const parts = [`${pan.label} from the side`];
  if (pan.batter_cm !== null) parts.push(`batter ${centimetres(pan.batter_cm)} cm deep`);
  if (pan.risen_cm !== null && !pan.patted)
    parts.push(`rises to about ${centimetres(pan.risen_cm)} cm`);
  if (pan.drawing && !pan.patted) parts.push(`rim at ${centimetres(pan.drawing.wall_cm)} cm`);
  return parts.join(", ");
}
