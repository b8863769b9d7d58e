import { Box, Slider, Typography } from "@mui/material";
import { useTheme } from "@mui/material/styles";
import { ChartsReferenceLine } from "@mui/x-charts/ChartsReferenceLine";
import { useDrawingArea, useXScale } from "@mui/x-charts/hooks";
import { LineChart } from "@mui/x-charts/LineChart";
import { useRef, useState } from "react";
import type { PointerEvent, ReactNode } from "react";

import type { Curve, Curves } from "../../../../api/client";
import { degrees, degreeSign, heat } from "../../../../domain/units";
import { useUnits } from "../../../../ui/useUnits";

const HEIGHT = 250;
const MARGIN = { left: 4, right: 12, top: 18, bottom: 4 };
const AXIS = { left: 56, bottom: 50 };

/** The centre over time with the window; drag the minute or the setting and read what happens. */
export function CentrePlot({ curves }: { curves: Curves }) {
  const theme = useTheme();
  const units = useUnits();
  const [place, setPlace] = useState(curves.chosen);
  const curve = curves.curves[place] ?? curves.curves[curves.chosen];
  const [at, setAt] = useState(curve?.likely_min ?? 0);
  const frame = useRef<HTMLDivElement>(null);
  if (!curve) return null;
  const last = curve.moments.length - 1;
  const drag = (event: PointerEvent) => {
    const share = shareAt(event, frame.current);
    if (share !== null) setAt(Math.round(share * last));
  };
  const ink = theme.vars.palette;
  const line = (x: number, label: string, colour: string) => (
    <ChartsReferenceLine
      key={label}
      x={x}
      label={label}
      labelAlign="end"
      lineStyle={{ stroke: colour, strokeWidth: 1.5, strokeDasharray: "5 4" }}
      labelStyle={{ fontSize: 12, fill: ink.text.secondary }}
    />
  );
  return (
    <Box>
      <Box
        ref={frame}
        onPointerDown={drag}
        onPointerMove={drag}
        role="img"
        aria-label={words(curves, curve)}
        sx={{ touchAction: "pan-y", cursor: "ew-resize", userSelect: "none" }}
      >
        <LineChart
          height={HEIGHT}
          skipAnimation
          hideLegend
          disableAxisListener
          margin={MARGIN}
          xAxis={[
            {
              data: curve.moments.map((one) => one.at_min),
              scaleType: "linear",
              min: 0,
              max: last,
              label: "minutes in the oven",
              height: AXIS.bottom,
            },
          ]}
          yAxis={[
            {
              min: degrees(0, units),
              max: degrees(110, units),
              label: `centre, ${degreeSign(units)}`,
              width: AXIS.left,
            },
          ]}
          series={[
            {
              data: curve.moments.map((one) => degrees(one.centre_c, units)),
              showMark: false,
              curve: "linear",
              color: ink.bench.rim,
            },
          ]}
          slotProps={{ tooltip: { trigger: "none" } }}
        >
          <WindowBand from={curve.first_look_min} to={curve.latest_min} />
          {line(curve.first_look_min, "look", ink.bench.crust)}
          {line(curve.latest_min, "latest", ink.bench.crust)}
          {curve.phase_ends_min.map((end, i) =>
            line(end, `phase ${String(i + 2)}`, ink.bench.ghost),
          )}
          <ChartsReferenceLine
            x={Math.min(at, last)}
            lineStyle={{ stroke: ink.bench.heat, strokeWidth: 2 }}
          />
          {curves.done_c !== null && (
            <ChartsReferenceLine
              y={degrees(curves.done_c, units)}
              label="done"
              labelAlign="start"
              lineStyle={{ stroke: ink.bench.leaf, strokeWidth: 1.5 }}
              labelStyle={{ fontSize: 12, fill: ink.bench.leaf }}
            />
          )}
        </LineChart>
      </Box>
      <Box sx={{ pl: "60px", pr: "16px" }}>
        <Handle>Minutes in the oven: {Math.min(at, last)}</Handle>
        <Slider
          aria-label="Minutes in the oven"
          value={Math.min(at, last)}
          min={0}
          max={last}
          onChange={(_, value) => setAt(value)}
          getAriaValueText={(value) => `${String(value)} min`}
          sx={{ py: 1 }}
        />
        {curves.curves.length > 1 && (
          <>
            <Handle>Oven setting: {curve.dial}</Handle>
            <Slider
              aria-label="Oven setting"
              value={place}
              min={0}
              max={curves.curves.length - 1}
              marks
              onChange={(_, value) => setPlace(value)}
              getAriaValueText={(value) => curves.curves[value]?.dial ?? ""}
              sx={{ py: 1 }}
            />
          </>
        )}
      </Box>
      <AtThatMinute curve={curve} at={Math.min(at, last)} />
    </Box>
  );
}

/** What a handle moves, over it. */
function Handle({ children }: { children: ReactNode }) {
  return (
    <Typography aria-hidden sx={{ fontSize: "size.small", fontWeight: 650, mb: -0.75 }}>
      {children}
    </Typography>
  );
}

/** The window of time, shaded behind the curve. */
function WindowBand({ from, to }: { from: number; to: number }) {
  const x = useXScale<"linear">();
  const { top, height } = useDrawingArea();
  const theme = useTheme();
  return (
    <rect
      x={x(from)}
      y={top}
      width={x(to) - x(from)}
      height={height}
      fill={theme.vars.palette.bench.butter}
      opacity={0.22}
    />
  );
}

function words(curves: Curves, curve: Curve): string {
  return (
    `Centre of ${curves.label} over time at ${curve.dial}: first look ${String(curve.first_look_min)}, ` +
    `likely ${String(curve.likely_min)}, no later than ${String(curve.latest_min)} minutes.`
  );
}

/** What the model says of one minute at one setting. */
function AtThatMinute({ curve, at }: { curve: Curve; at: number }) {
  const units = useUnits();
  const moment = curve.moments[at];
  return (
    <>
      <Typography aria-live="polite" sx={{ pl: "60px", lineHeight: 1.35 }}>
        <strong>
          {at} min at {curve.dial}
        </strong>
        {moment && (
          <>
            : centre about {heat(moment.centre_c, units)}, {moment.centre}
            {moment.crust && `; crust ${moment.crust}`}
          </>
        )}
        . Likely {curve.likely_min} there.
      </Typography>
      <Typography color="textSecondary" sx={{ pl: "60px", fontSize: "size.tiny" }}>
        Drag either. A wet centre does not pass {heat(100, units)}, so the curve is cut there. A
        model, not a thermometer.
      </Typography>
    </>
  );
}

/** How far along the axis a pointer is that is held down. */
function shareAt(event: PointerEvent, frame: HTMLDivElement | null): number | null {
  if (event.buttons !== 1 || !frame) return null;
  const box = frame.getBoundingClientRect();
  const left = MARGIN.left + AXIS.left;
  const share = (event.clientX - box.left - left) / (box.width - left - MARGIN.right);
  return Math.min(Math.max(share, 0), 1);
}
