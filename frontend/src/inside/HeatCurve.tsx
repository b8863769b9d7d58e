import { Box } from "@mui/material";

import type { Inside } from "../api/client";

const WIDE = 240;
const HIGH = 110;
const LEFT = 4;

/** Middle and rim over the minutes, what is done as a line, the minute that is looked at. */
export function HeatCurve({ inside, frame }: { inside: Inside; frame: number }) {
  const last = inside.minutes.at(-1) ?? 1;
  const most = Math.max(...inside.rim_c, inside.done_c + 10);
  const x = (minute: number) => LEFT + (minute / last) * (WIDE - LEFT - 4);
  const y = (celsius: number) => HIGH - 6 - (celsius / most) * (HIGH - 16);
  const line = (heat: readonly number[]) =>
    heat
      .map((one, place) => `${String(x(inside.minutes[place] ?? 0))},${String(y(one))}`)
      .join(" ");
  const now = x(inside.minutes[frame] ?? 0);
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${String(WIDE)} ${String(HIGH)}`}
      aria-hidden
      sx={(t) => ({
        width: WIDE,
        maxWidth: "100%",
        "& polyline": { fill: "none", strokeWidth: 2 },
        "& .rim": { stroke: t.vars.palette.bench.crust, strokeDasharray: "6 3" },
        "& .middle": { stroke: t.vars.palette.bench.rim },
        "& .done": { stroke: t.vars.palette.bench.heat, strokeDasharray: "3 3" },
        "& .now": { stroke: t.vars.palette.text.primary },
        "& text": { fill: t.vars.palette.text.secondary, fontSize: 11 },
      })}
    >
      <line className="done" x1={LEFT} x2={WIDE} y1={y(inside.done_c)} y2={y(inside.done_c)} />
      <polyline className="rim" points={line(inside.rim_c)} />
      <polyline className="middle" points={line(inside.middle_c)} />
      <line className="now" x1={now} x2={now} y1={4} y2={HIGH - 4} />
      <text x={WIDE * 0.16} y={14}>
        rim
      </text>
      <text x={WIDE * 0.62} y={HIGH - 16}>
        middle
      </text>
    </Box>
  );
}
