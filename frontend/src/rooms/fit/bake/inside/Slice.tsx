import { Box } from "@mui/material";
import { useId, useMemo } from "react";

import type { Inside } from "../../../../api/client";
import { bytesOf, cellsAt } from "../../../../domain/inside";
import { CRUMB } from "../../../../ui/theme";

/** Signs of the bands without colour, from the coolest: dots, lines, crossed lines; done has none. */
const SIGNS = ["dots", "", "thin", "cross", "", ""] as const;

const ROOM_CM = 1.5;

interface SliceProps {
  inside: Inside;
  frame: number;
  /** Pixels of a centimetre, the same for all that stand side by side. */
  scale: number;
  /** Height that all of them are given, cm. */
  highCm: number;
}

/** A pan in section at scale: its left half cut open, its right half as it looks from outside. */
export function Slice({ inside, frame, scale, highCm }: SliceProps) {
  const id = useId();
  const celsius = useMemo(() => bytesOf(inside.celsius), [inside.celsius]);
  const tops = useMemo(() => bytesOf(inside.tops_mm), [inside.tops_mm]);
  const cells = useMemo(
    () => cellsAt(inside, celsius, tops, frame),
    [inside, celsius, tops, frame],
  );
  const outer = inside.edges_cm.at(-1) ?? 1;
  const whole = 2 * (outer + ROOM_CM);
  const foot = highCm;
  const last = inside.rows * inside.columns - inside.columns;
  const minute = inside.minutes[frame] ?? 0;
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${String(whole)} ${String(highCm + 0.4)}`}
      role="img"
      aria-label={`${inside.label} cut open after ${String(Math.round(minute))} min: middle ${String(Math.round(inside.middle_c[frame] ?? 0))} °C, rim ${String(Math.round(inside.rim_c[frame] ?? 0))} °C`}
      sx={(t) => ({
        width: whole * scale,
        maxWidth: "100%",
        display: "block",
        ...Object.fromEntries(CRUMB.map((fill, band) => [`& .b${String(band)}`, { fill }])),
        "& .pan": { fill: "none", stroke: t.vars.palette.bench.rim, strokeWidth: 0.18 },
        "& .cut": { stroke: t.vars.palette.text.primary, strokeWidth: 0.06 },
        "& .sign": { fill: "#14203a", opacity: 0.45 },
        "& .line": { stroke: "#14203a", strokeWidth: 0.05, opacity: 0.4 },
      })}
    >
      <defs>
        <pattern id={`${id}dots`} width="0.5" height="0.5" patternUnits="userSpaceOnUse">
          <circle className="sign" cx="0.25" cy="0.25" r="0.05" />
        </pattern>
        <pattern id={`${id}thin`} width="0.4" height="0.4" patternUnits="userSpaceOnUse">
          <path className="line" d="M0 0.4L0.4 0" />
        </pattern>
        <pattern id={`${id}cross`} width="0.4" height="0.4" patternUnits="userSpaceOnUse">
          <path className="line" d="M0 0L0.4 0.4M0 0.4L0.4 0" />
        </pattern>
      </defs>
      {cells.map((cell, place) => {
        const x = outer + ROOM_CM - cell.x - cell.wide;
        const y = foot - cell.foot - cell.high;
        const box = { x, y, width: cell.wide + 0.02, height: cell.high + 0.02 };
        const sign = SIGNS[cell.band];
        return (
          <g key={place}>
            <rect className={`b${String(cell.band)}`} {...box} />
            {sign && <rect fill={`url(#${id}${sign})`} {...box} />}
          </g>
        );
      })}
      {cells.slice(last).map((cell, place) => (
        <rect
          key={place}
          className={`b${String(cell.band)}`}
          x={outer + ROOM_CM + cell.x}
          width={cell.wide + 0.02}
          y={foot - cell.foot - cell.high}
          height={cell.foot + cell.high}
        />
      ))}
      <path
        className="pan"
        d={`M${String(ROOM_CM)} ${String(foot - inside.wall_cm)}V${String(foot)}H${String(whole - ROOM_CM)}V${String(foot - inside.wall_cm)}`}
      />
      <line className="cut" x1={outer + ROOM_CM} x2={outer + ROOM_CM} y1={0.3} y2={foot} />
    </Box>
  );
}
