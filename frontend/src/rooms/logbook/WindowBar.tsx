import { Box } from "@mui/material";

import type { Bake } from "../../api/client";
import { minutes, planned } from "../../bakes/words";

const WIDE = 200;
const HIGH = 26;
const REACH = Math.log(1.4);

/** What was planned as a band with its likely minute, and what happened as a mark on it. */
export function WindowBar({ bake }: { bake: Bake }) {
  // One scale for all bakes, by shares of the likely time: their marks can be compared down a list.
  const x = (at: number) => {
    const share = Math.log(at / Math.max(1, bake.likely_min)) / REACH;
    return WIDE / 2 + Math.max(-1, Math.min(1, share)) * (WIDE / 2 - 8);
  };
  const at = x(bake.minutes);
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${String(WIDE)} ${String(HIGH)}`}
      role="img"
      aria-label={`Taken out at ${minutes(bake.minutes)} min; ${planned(bake)} min`}
      sx={{ width: WIDE, maxWidth: "100%", height: HIGH, display: "block" }}
    >
      <Box
        component="rect"
        x={x(bake.early_min)}
        width={Math.max(2, x(bake.latest_min) - x(bake.early_min))}
        y={8}
        height={10}
        rx={2}
        sx={(t) => ({ fill: t.vars.palette.bench.track })}
      />
      <Box
        component="line"
        x1={x(bake.likely_min)}
        x2={x(bake.likely_min)}
        y1={2}
        y2={24}
        sx={(t) => ({ stroke: t.vars.palette.bench.rim, strokeWidth: 2 })}
      />
      <Box
        component="path"
        d={markOf(bake.how, at, HIGH / 2, 6)}
        sx={(t) => ({
          fill: t.vars.palette.bench.butter,
          stroke: t.vars.palette.text.primary,
          strokeWidth: 1.5,
        })}
      />
    </Box>
  );
}

/** A mark by how a bake was: round for right, up for a little over, down for raw, square unsaid. */
export function markOf(how: Bake["how"], x: number, y: number, r: number): string {
  const at = (dx: number, dy: number) => `${(x + dx).toFixed(1)},${(y + dy).toFixed(1)}`;
  if (how === "little_over") return `M${at(-r, r)}L${at(r, r)}L${at(0, -r)}Z`;
  if (how === "raw") return `M${at(-r, -r)}L${at(r, -r)}L${at(0, r)}Z`;
  if (how === "right") {
    const arc = `${String(r)},${String(r)} 0 1 0`;
    return `M${at(-r, 0)}A${arc} ${at(r, 0)}A${arc} ${at(-r, 0)}Z`;
  }
  const s = r * 0.8;
  return `M${at(-s, -s)}L${at(s, -s)}L${at(s, s)}L${at(-s, s)}Z`;
}
