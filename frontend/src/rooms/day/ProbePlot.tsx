import { Box, Typography } from "@mui/material";

import type { DayStep } from "../../api/client";
import { heat, heatBy } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";

type Bake = NonNullable<DayStep["bake"]>;

const WIDE = 600;
const HIGH = 78;
const TOP_C = 100;

/** The middle as it warms, and two windows: as planned, and as the probe has it now. */
export function ProbePlot({ bake }: { bake: Bake }) {
  const most = 1.1 * Math.max(bake.planned_latest_min, bake.latest_min);
  const x = (minutes: number) => (minutes / most) * WIDE;
  const y = (c: number) => HIGH - 16 - (Math.min(TOP_C, Math.max(0, c)) / TOP_C) * (HIGH - 20);
  const band = (low: number, high: number) => ({
    x: x(low),
    width: Math.max(2, x(high) - x(low)),
  });
  const last = bake.curve.at(-1);
  const units = useUnits();
  return (
    <Box sx={{ mt: 2 }}>
      <Box
        component="svg"
        viewBox={`0 0 ${String(WIDE)} ${String(HIGH)}`}
        role="img"
        aria-label={`The middle is at ${last ? heat(last.c, units) : "no heat yet"}; done between ${bake.early_min.toFixed(0)} and ${bake.latest_min.toFixed(0)} min, planned ${bake.planned_early_min.toFixed(0)} to ${bake.planned_latest_min.toFixed(0)}`}
        sx={{ width: "100%", maxHeight: 90, display: "block" }}
      >
        <Box
          component="rect"
          {...band(bake.planned_early_min, bake.planned_latest_min)}
          y={4}
          height={HIGH - 20}
          sx={(t) => ({ fill: t.vars.palette.bench.track })}
        />
        <Box
          component="rect"
          {...band(bake.early_min, bake.latest_min)}
          y={4}
          height={HIGH - 20}
          sx={(t) => ({ fill: t.vars.palette.bench.butter, opacity: 0.7 })}
        />
        <Box
          component="polyline"
          points={bake.curve
            .map(({ minutes, c }) => `${x(minutes).toFixed(1)},${y(c).toFixed(1)}`)
            .join(" ")}
          sx={(t) => ({ fill: "none", stroke: t.vars.palette.bench.heat, strokeWidth: 2.5 })}
        />
        <Box
          component="line"
          x1={0}
          x2={WIDE}
          y1={HIGH - 16}
          y2={HIGH - 16}
          sx={(t) => ({ stroke: t.vars.palette.bench.rim, strokeWidth: 1.5 })}
        />
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {`Measured, ${String(bake.readings)} readings: ${bake.early_min.toFixed(0)} to ${bake.latest_min.toFixed(0)} min (planned ${bake.planned_early_min.toFixed(0)} to ${bake.planned_latest_min.toFixed(0)}). The sign decides.`}
        {bake.air_off_c !== null &&
          Math.abs(bake.air_off_c) >= 5 &&
          ` The oven is ${heatBy(Math.abs(bake.air_off_c), units)} ${bake.air_off_c > 0 ? "hotter" : "cooler"} than its dial.`}
      </Typography>
    </Box>
  );
}
