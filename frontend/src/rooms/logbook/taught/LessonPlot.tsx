import { Box } from "@mui/material";

import type { Lesson } from "../../../api/client";
import { momentWords } from "../../../domain/moments";
import { percent } from "../../../domain/numbers";
import { markOf } from "../WindowBar";

const WIDE = 460;
const HIGH = 110;
const LEFT = 44;

/** Bakes in order of time against what would have been said of each beforehand; the window shaded. */
export function LessonPlot({ lesson, zone }: { lesson: Lesson; zone: string }) {
  const { points } = lesson;
  const first = points[0];
  const last = points.at(-1);
  if (first === undefined || last === undefined) return null;
  const ends = points.flatMap((one) => [one.took, one.early, one.latest]);
  const low = Math.max(0.5, Math.min(0.85, ...ends));
  const high = Math.min(2, Math.max(1.15, ...ends));
  const y = (ratio: number) =>
    8 + ((high - Math.min(high, Math.max(low, ratio))) / (high - low)) * (HIGH - 28);
  const x = (place: number) => LEFT + ((place + 0.5) / points.length) * (WIDE - LEFT - 8);
  const step = (WIDE - LEFT - 8) / points.length;
  const marks = [low, 1, high];
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${String(WIDE)} ${String(HIGH)}`}
      role="img"
      aria-label={`${lesson.name}: ${String(points.length)} bakes; the last took ${percent(Math.abs(last.took - 1))} ${last.took < 1 ? "less" : "more"} than the heat balance says, ${percent(Math.abs(last.likely - 1))} ${last.likely < 1 ? "less" : "more"} was expected`}
      sx={(t) => ({
        width: "100%",
        maxWidth: WIDE,
        display: "block",
        "& text": { fontSize: 11, fill: t.vars.palette.text.secondary },
      })}
    >
      {points.map((one, place) => (
        <Box
          key={one.bake}
          component="rect"
          x={x(place) - step / 2}
          width={step}
          y={y(one.latest)}
          height={Math.max(1, y(one.early) - y(one.latest))}
          sx={(t) => ({ fill: t.vars.palette.bench.track })}
        />
      ))}
      {marks.map((ratio) => (
        <g key={ratio}>
          <Box
            component="line"
            x1={LEFT}
            x2={WIDE - 8}
            y1={y(ratio)}
            y2={y(ratio)}
            sx={(t) => ({
              stroke: t.vars.palette.bench.ghost,
              strokeWidth: ratio === 1 ? 1.2 : 0.5,
              strokeDasharray: ratio === 1 ? "none" : "3 3",
            })}
          />
          <text x={LEFT - 6} y={y(ratio) + 4} textAnchor="end">
            {ratio === 1 ? "book" : `${ratio > 1 ? "+" : "−"}${percent(Math.abs(ratio - 1))}`}
          </text>
        </g>
      ))}
      <Box
        component="polyline"
        points={points
          .map((one, place) => `${x(place).toFixed(1)},${y(one.likely).toFixed(1)}`)
          .join(" ")}
        sx={(t) => ({ fill: "none", stroke: t.vars.palette.bench.rim, strokeWidth: 2 })}
      />
      {points.map((one, place) => (
        <Box
          key={one.bake}
          component="path"
          d={markOf(one.how, x(place), y(one.took), 4.5)}
          sx={(t) => ({
            fill: t.vars.palette.bench.butter,
            stroke: t.vars.palette.text.primary,
            strokeWidth: 1.2,
          })}
        />
      ))}
      <text x={LEFT} y={HIGH - 4}>
        {momentWords(first.at, zone).replace(/,.*/, "")}
      </text>
      {points.length > 1 && (
        <text x={WIDE - 8} y={HIGH - 4} textAnchor="end">
          {momentWords(last.at, zone).replace(/,.*/, "")}
        </text>
      )}
    </Box>
  );
}
