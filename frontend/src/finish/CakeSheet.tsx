import { Box } from "@mui/material";
import type { ReactNode } from "react";

/** Pores of the crumb: x, y and radius in its tile. */
const CRUMB = [
  [3, 4, 0.9],
  [11, 2, 0.7],
  [17, 7, 1.1],
  [6, 11, 0.8],
  [13, 14, 0.9],
  [20, 16, 0.6],
  [1, 15, 0.6],
] as const;

interface CakeSheetProps {
  /** Names its crumb, so that several sheets on one page keep their own. */
  id: string;
  label: string;
  width: number;
  high: number;
  children: ReactNode;
}

/** What cakes are drawn on: the colours of crumb, coats and lines, for both themes and for print. */
export function CakeSheet({ id, label, width, high, children }: CakeSheetProps) {
  return (
    <Box
      component="svg"
      role="img"
      aria-label={label}
      viewBox={`0 0 ${String(width)} ${String(high)}`}
      sx={(t) => ({
        display: "block",
        width: "100%",
        height: high,
        "& .cut": { fill: `url(#crumb-${id})` },
        "& .crust": { fill: t.vars.palette.bench.batter, stroke: t.vars.palette.bench.crust },
        "& .coat": { fill: t.vars.palette.bench.coat },
        "& .shade": { stroke: t.vars.palette.bench.coatShade, fill: "none" },
        "& .shadeFill": { fill: t.vars.palette.bench.coatShade },
        "& .ganache": { fill: t.vars.palette.bench.ganache },
        "& .jam": { fill: t.vars.palette.bench.jam },
        "& .butter": { fill: t.vars.palette.bench.butter },
        "& .caramel": { fill: t.vars.palette.bench.crust },
        "& .dot": { fill: t.vars.palette.bench.crumbDot },
        "& .crumbs": { fill: t.vars.palette.bench.batter },
        "& .fruit": { fill: t.vars.palette.bench.layer },
        "& .soak": { fill: t.vars.palette.bench.crust, opacity: 0.28 },
        "& .edge": { stroke: t.vars.palette.bench.rim, fill: "none", strokeWidth: 1.5 },
        "& .dashed": {
          stroke: t.vars.palette.bench.crust,
          fill: "none",
          strokeDasharray: "3 3",
          strokeWidth: 1,
        },
        "& .board": { fill: t.vars.palette.bench.board, stroke: t.vars.palette.bench.rim },
        "& .support": {
          fill: t.vars.palette.bench.board,
          stroke: t.vars.palette.bench.rim,
          strokeWidth: 1,
        },
        "& .axis": { stroke: t.vars.palette.bench.rim, strokeDasharray: "9 4 2 4", fill: "none" },
        "& .rule": { stroke: t.vars.palette.bench.ghost, strokeWidth: 1, fill: "none" },
        "& .leader": { stroke: t.vars.palette.text.primary, strokeWidth: 1, fill: "none" },
        "& .mark": { fill: t.vars.palette.text.primary },
        "& text": { fill: t.vars.palette.text.secondary, fontSize: 13, fontFamily: "inherit" },
        "& .name": { fill: t.vars.palette.text.primary, fontWeight: 700 },
        "& .size": { fill: t.vars.palette.text.primary, fontWeight: 750, fontSize: 18 },
        "& .tap": { cursor: "pointer" },
        "& .tap:hover": { opacity: 0.85 },
      })}
    >
      <defs>
        <pattern id={`crumb-${id}`} width="22" height="18" patternUnits="userSpaceOnUse">
          <rect width="22" height="18" className="crumbs" />
          {CRUMB.map(([x, y, r]) => (
            <circle key={`${String(x)}-${String(y)}`} cx={x} cy={y} r={r} className="dot" />
          ))}
        </pattern>
      </defs>
      {children}
    </Box>
  );
}
