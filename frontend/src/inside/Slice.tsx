import { Box } from "@mui/material";
import { useId, useMemo } from "react";

import type { Inside } from "../api/client";
import { bytesOf, cellsAt } from "../domain/inside";
import type { Cell } from "../domain/inside";
import { heat } from "../domain/units";
import { CRUMB } from "../ui/theme";
import { useUnits } from "../ui/useUnits";
import { SignPatterns, signOf } from "./CrumbSigns";

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
  const units = useUnits();
  const states = useMemo(() => bytesOf(inside.states), [inside.states]);
  const tops = useMemo(() => bytesOf(inside.tops_mm), [inside.tops_mm]);
  const cells = useMemo(() => cellsAt(inside, states, tops, frame), [inside, states, tops, frame]);
  const outer = inside.edges_cm.at(-1) ?? 1;
  const whole = 2 * (outer + ROOM_CM);
  const foot = highCm;
  const last = inside.rows * inside.columns - inside.columns;
  const minute = inside.minutes[frame] ?? 0;
  const inner = inside.edges_cm[0] ?? 0;
  const stateOf = (cell: Cell) => inside.bands[cell.band]?.name ?? "";
  const middle = outer + ROOM_CM;
  const wall = foot - inside.wall_cm;
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${String(whole)} ${String(highCm + 0.4)}`}
      role="img"
      aria-label={`${inside.label} cut open after ${String(Math.round(minute))} min: middle ${heat(inside.middle_c[frame] ?? 0, units)}, rim ${heat(inside.rim_c[frame] ?? 0, units)}`}
      sx={(t) => ({
        width: whole * scale,
        maxWidth: "100%",
        display: "block",
        "& .pan": { fill: "none", stroke: t.vars.palette.bench.rim, strokeWidth: 0.18 },
        "& .cut": { stroke: t.vars.palette.text.primary, strokeWidth: 0.06 },
      })}
    >
      <SignPatterns id={id} unit={0.4} />
      {cells.map((cell, place) => {
        const x = outer + ROOM_CM - cell.x - cell.wide;
        const y = foot - cell.foot - cell.high;
        const box = { x, y, width: cell.wide + 0.02, height: cell.high + 0.02 };
        const sign = signOf(stateOf(cell), id);
        return (
          <g key={place}>
            <rect fill={CRUMB[stateOf(cell)]} {...box} />
            {sign && <rect fill={sign} {...box} />}
          </g>
        );
      })}
      {cells.slice(last).map((cell, place) => (
        <rect
          key={place}
          fill={CRUMB[stateOf(cell)]}
          x={outer + ROOM_CM + cell.x}
          width={cell.wide + 0.02}
          y={foot - cell.foot - cell.high}
          height={cell.foot + cell.high}
        />
      ))}
      {inside.wall_cm > 0 && (
        <path
          className="pan"
          d={`M${String(ROOM_CM)} ${String(wall)}V${String(foot)}H${String(whole - ROOM_CM)}V${String(wall)}`}
        />
      )}
      {inside.ring && (
        <path
          className="pan"
          d={`M${String(middle - inner)} ${String(foot)}V${String(wall)}H${String(middle + inner)}V${String(foot)}`}
        />
      )}
      <line className="cut" x1={middle} x2={middle} y1={0.3} y2={foot} />
    </Box>
  );
}
