import { Box, Typography } from "@mui/material";

import type { Placed } from "../../../../api/client";

interface ShelfDrawingProps {
  name: string;
  placed: Placed[];
  widthCm: number;
  depthCm: number;
}

/** A shelf from above, the door at the bottom, its pans to scale. */
export function ShelfDrawing({ name, placed, widthCm, depthCm }: ShelfDrawingProps) {
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Box
        component="svg"
        role="img"
        aria-label={`${name}: ${placed.map((one) => one.label).join(", ")}`}
        viewBox={`-0.5 -0.5 ${String(widthCm + 1)} ${String(depthCm + 3)}`}
        sx={(t) => ({
          display: "block",
          width: `min(${String(widthCm * 8.4)}px, 80vw)`,
          "& .shelf": { fill: t.vars.palette.background.default, stroke: t.vars.palette.bench.rim },
          "& .bar": { stroke: t.vars.palette.bench.track, strokeWidth: 0.25 },
          "& .pan": {
            fill: t.vars.palette.bench.batter,
            stroke: t.vars.palette.bench.rim,
            strokeWidth: 0.35,
          },
          "& .tray": {
            fill: t.vars.palette.bench.butterTint,
            stroke: t.vars.palette.bench.rim,
            strokeWidth: 0.3,
            strokeDasharray: "1 0.6",
          },
          "& text": {
            fill: t.vars.palette.bench.onButter,
            fontSize: 1.7,
            fontWeight: 650,
            textAnchor: "middle",
            fontFamily: t.typography.fontFamily,
          },
          "& .tray-name, & .door": { fill: t.vars.palette.text.primary },
        })}
      >
        <rect className="shelf" width={widthCm} height={depthCm} rx="0.6" strokeWidth="0.4" />
        {bars(widthCm).map((x) => (
          <line key={x} className="bar" x1={x} x2={x} y1="0.4" y2={depthCm - 0.4} />
        ))}
        {placed.map((one) => (
          <PlacedPan key={one.label} one={one} depthCm={depthCm} />
        ))}
        <text className="door" x={widthCm / 2} y={depthCm + 2.1}>
          door
        </text>
      </Box>
      <Typography component="figcaption" sx={{ textAlign: "center", fontWeight: 650 }}>
        {name}
      </Typography>
    </Box>
  );
}

function PlacedPan({ one, depthCm }: { one: Placed; depthCm: number }) {
  const turn = one.turned ? " rotate(90)" : "";
  // The kitchen measures from the front; the drawing's door is at the bottom.
  const at = `translate(${String(one.x_cm)} ${String(depthCm - one.y_cm)})`;
  const tray = one.plan.length === 0;
  return (
    <g transform={at}>
      <g transform={turn.trim()}>
        {tray ? (
          <rect
            className="tray"
            x={-one.long_cm / 2}
            y={-one.short_cm / 2}
            width={one.long_cm}
            height={one.short_cm}
            rx="1"
          />
        ) : (
          <path
            className="pan"
            fillRule="evenodd"
            d={one.plan.map((ring) => `M${ring.split(" ").join("L")}Z`).join("")}
          />
        )}
      </g>
      <text className={tray ? "tray-name" : undefined} y="0.6">
        {one.label}
      </text>
    </g>
  );
}

function bars(widthCm: number): number[] {
  return Array.from({ length: Math.max(0, Math.floor(widthCm / 3) - 1) }, (_, i) => (i + 1) * 3);
}
