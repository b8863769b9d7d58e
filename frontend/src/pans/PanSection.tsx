import { Box } from "@mui/material";
import { memo } from "react";

import type { Drawing, FitPan } from "../api/client";
import { LABELS_PX } from "../domain/benchScale";
import { CM_PER_INCH, length, markLength } from "../domain/units";
import type { Units } from "../domain/units";
import { useUnits } from "../ui/useUnits";
import { fillPath, risenPath, sectionSize, wallPath } from "../domain/section";

interface PanSectionProps {
  pan: FitPan;
  /** The recipe's own pan, drawn behind, and how high its batter stands. */
  ghost: Drawing | null;
  ghostStands: number | null;
  /** Pixels per cm, one for all pans. */
  scale: number;
  /** Whether a rule stands beside it. */
  ruler: boolean;
  /** The units of the numbers written on it; none leaves them off. */
  numbers?: Units;
}

const MARGIN_CM = 0.5;
/** Room beside a pan for what runs over its rim. */
const SPILL_CM = 1.3;
const RULER_PX = 28;

/** A pan from the side: walls, base layer, batter, risen top, and the recipe's pan as a ghost. */
export const PanSection = memo(function PanSection({
  pan,
  ghost,
  ghostStands,
  scale,
  ruler,
  numbers,
}: PanSectionProps) {
  const units = useUnits();
  const drawing = pan.drawing;
  if (!drawing) return <NoDrawing />;
  const levels = {
    layer: pan.layer_cm,
    stands: pan.stands_cm,
    risen: pan.patted ? null : pan.risen_cm,
  };
  const size = sectionSize(drawing, levels, ghost);
  // The kitchen says what runs over: a little dome above the rim does not.
  const spills = pan.verdict_code === "over_rim" || pan.verdict_code === "does_not_fit";
  const margin = spills ? SPILL_CM : MARGIN_CM;
  // Words and marks keep their size on the screen, whatever the scale.
  const px = 1 / scale;
  // The numbers over a low pan need room above it.
  const high = Math.max(size.high + 0.7, numbers ? 72 * px : 0);
  const rulerCm = ruler ? RULER_PX * px : 0;
  const labelsCm = numbers ? LABELS_PX * px : 0;
  const wide = size.wide + margin * 2 + rulerCm + labelsCm;
  const left = -size.wide / 2 - margin - rulerCm;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={sectionWords(pan, units)}
      viewBox={`${left} ${-high} ${wide} ${high + 0.5}`}
      sx={(t) => ({
        display: "block",
        flexShrink: 1,
        minWidth: 0,
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
        "& text": { fill: t.vars.palette.text.secondary, fontFamily: "inherit" },
        "& .stands": { fontWeight: 700, fill: t.vars.palette.text.primary },
        "& .rises": { fill: t.vars.palette.bench.crust },
        "& .over": { fontWeight: 700, fill: t.vars.palette.bench.heat },
      })}
    >
      <line className="rule" x1={left} x2={left + wide - labelsCm} y1={0.17} y2={0.17} />
      {ruler && <Ruler x={left} wall={drawing.wall_cm} px={px} units={numbers ?? "metric"} />}
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
      {numbers && (
        <Numbers pan={pan} drawing={drawing} units={numbers} px={px} x={size.wide / 2 + margin} />
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

/** A rule from the bottom to the rim: centimetres, inches, or both on its two sides. */
function Ruler(props: { x: number; wall: number; px: number; units: Units }) {
  const { x, wall, px, units } = props;
  const inch = units === "us";
  const unit = inch ? CM_PER_INCH / 2 : 1;
  const named = inch ? 2 : 5;
  const marks = Array.from({ length: Math.floor(wall / unit) + 1 }, (_, i) => i);
  const second =
    units === "both" ? Array.from({ length: Math.floor(wall / CM_PER_INCH) }, (_, i) => i + 1) : [];
  return (
    <g aria-hidden>
      {marks.map((i) => (
        <line
          key={i}
          className="rule"
          x1={x + 14 * px}
          x2={x + (i % named === 0 ? 24 : 20) * px}
          y1={-i * unit}
          y2={-i * unit}
        />
      ))}
      {marks
        .filter((i) => i > 0 && i % named === 0)
        .map((i) => (
          <text key={i} x={x + 12 * px} y={-i * unit + 4 * px} fontSize={12 * px} textAnchor="end">
            {inch ? i / 2 : i}
          </text>
        ))}
      {second.map((i) => (
        <g key={i}>
          <line
            className="rule"
            x1={x + 8 * px}
            x2={x + 14 * px}
            y1={-i * CM_PER_INCH}
            y2={-i * CM_PER_INCH}
          />
          <text x={x + 7 * px} y={-i * CM_PER_INCH + 4 * px} fontSize={10 * px} textAnchor="end">
            {`${String(i)}″`}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Distance two numbers keep, px. */
const APART_PX = 17;

/** The numbers at their heights: rim, what it rises to, the batter; apart enough to be read. */
function Numbers(props: { pan: FitPan; drawing: Drawing; units: Units; px: number; x: number }) {
  const { pan, drawing, units, px, x } = props;
  const over = pan.verdict_code === "over_rim" || pan.verdict_code === "does_not_fit";
  const told = [
    pan.patted
      ? null
      : { at: drawing.wall_cm, words: `rim ${markLength(drawing.wall_cm, units)}`, kind: "" },
    pan.patted || pan.risen_cm === null
      ? null
      : {
          at: pan.risen_cm,
          words: `rises to ${markLength(pan.risen_cm, units)}`,
          kind: over ? "over" : "rises",
        },
    pan.batter_cm === null
      ? null
      : {
          at: pan.stands_cm ?? pan.batter_cm,
          words: `${markLength(pan.batter_cm, units)} batter`,
          kind: "stands",
        },
  ]
    .filter((one) => one !== null)
    .toSorted((one, other) => other.at - one.at);
  const least = APART_PX * px;
  const heights = told.map((one) => one.at);
  for (let i = heights.length - 2; i >= 0; i -= 1) {
    heights[i] = Math.max(heights[i] ?? 0, (heights[i + 1] ?? 0) + least);
  }
  return (
    <g aria-hidden>
      {told.map((one, i) => {
        const y = -(heights[i] ?? one.at);
        return (
          <g key={one.words}>
            <polyline
              className="rule"
              fill="none"
              points={`${String(x)},${String(-one.at)} ${String(x + 8 * px)},${String(y)} ${String(x + 12 * px)},${String(y)}`}
            />
            <text className={one.kind} x={x + 15 * px} y={y + 4 * px} fontSize={13 * px}>
              {one.words}
            </text>
          </g>
        );
      })}
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
export function sectionWords(pan: FitPan, units: Units): string {
  const parts = [`${pan.label} from the side`];
  if (pan.batter_cm !== null) parts.push(`batter ${length(pan.batter_cm, units)} deep`);
  if (pan.risen_cm !== null && !pan.patted)
    parts.push(`rises to about ${length(pan.risen_cm, units)}`);
  if (pan.drawing && !pan.patted) parts.push(`rim at ${length(pan.drawing.wall_cm, units)}`);
  return parts.join(", ");
}
