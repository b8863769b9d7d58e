import { Box, Button, Typography } from "@mui/material";
import { useRef, useState } from "react";
import type { PointerEvent } from "react";

import type { FinishedCake } from "../api/client";
import { addPoint, behind, movePoint, removePoint } from "../domain/profile";
import type { Point } from "../domain/profile";
import { length } from "../domain/units";
import { useUnits } from "../ui/useUnits";
import { Sized } from "./controls";

const WIDE_PX = 250;
const HIGH_PX = 210;
const ROOM_CM = 3;
const KEY_STEP_CM = 0.5;

interface ProfileEditorProps {
  points: readonly Point[];
  layers: FinishedCake["layers"];
  filling: number;
  onChange: (points: Point[]) => void;
}

/**
 * Half a profile to draw: its points are dragged, or moved by the arrow keys; the stack it is cut
 * from stands behind it.
 */
export function ProfileEditor({ points, layers, filling, onChange }: ProfileEditorProps) {
  const units = useUnits();
  const sheet = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const [shown, setShown] = useState<readonly Point[] | null>(null);
  const [chosen, setChosen] = useState(0);
  const now = shown ?? points;
  const stack = behind(layers, filling);
  const crown = stack.at(-1);
  const tall =
    Math.max(crown ? crown.foot_cm + crown.height_cm : 1, now.at(-1)?.up_cm ?? 1) + ROOM_CM;
  const wide =
    Math.max(...stack.map((one) => one.wide_cm), ...now.map((one) => one.wide_cm)) / 2 + ROOM_CM;
  const scale = Math.min(WIDE_PX / wide, HIGH_PX / tall);
  const x = (half: number) => half * scale + 8;
  const y = (z: number) => HIGH_PX - z * scale;
  const drag = (event: PointerEvent) => {
    const box = sheet.current?.getBoundingClientRect();
    if (held === null || !box) return;
    const half = (event.clientX - box.left - 8) / scale;
    const z = (HIGH_PX - (event.clientY - box.top)) / scale;
    setShown(movePoint(now, held, z, 2 * half));
  };
  const drop = () => {
    if (shown) onChange([...shown]);
    setHeld(null);
    setShown(null);
  };
  const point = now[Math.min(chosen, now.length - 1)];
  return (
    <Box>
      <Box
        component="svg"
        ref={sheet}
        width={WIDE_PX + 16}
        height={HIGH_PX + 12}
        role="group"
        aria-label="Half profile, from the axis outwards"
        onPointerMove={drag}
        onPointerUp={drop}
        onPointerLeave={drop}
        sx={(t) => ({
          display: "block",
          touchAction: "none",
          "& .layer": { fill: t.vars.palette.bench.batter, stroke: t.vars.palette.bench.crust },
          "& .profile": { fill: "none", stroke: t.vars.palette.text.primary, strokeWidth: 2 },
          "& .axis": { stroke: t.vars.palette.bench.rim, strokeDasharray: "9 4 2 4" },
          "& .point": {
            fill: t.vars.palette.bench.butter,
            stroke: t.vars.palette.text.primary,
            strokeWidth: 1.5,
            cursor: "grab",
          },
          "& .point:focus-visible": { strokeWidth: 4, outline: "none" },
        })}
      >
        {stack.map((layer) => (
          <rect
            key={layer.foot_cm}
            className="layer"
            x={x(0)}
            y={y(layer.foot_cm + layer.height_cm)}
            width={(layer.wide_cm / 2) * scale}
            height={layer.height_cm * scale}
          />
        ))}
        <line className="axis" x1={x(0)} x2={x(0)} y1={0} y2={HIGH_PX} />
        <polyline
          className="profile"
          points={now
            .map((one) => `${String(x(one.wide_cm / 2))},${String(y(one.up_cm))}`)
            .join(" ")}
        />
        {now.map(({ up_cm: z, wide_cm: w }, i) => (
          <circle
            key={i}
            className="point"
            cx={x(w / 2)}
            cy={y(z)}
            r={i === chosen ? 9 : 7}
            tabIndex={0}
            role="slider"
            aria-label={`Point ${String(i + 1)} of ${String(now.length)}`}
            aria-valuenow={w}
            aria-valuemin={0}
            aria-valuemax={150}
            aria-valuetext={`${length(w, units)} wide, ${length(z, units)} up`}
            onFocus={() => setChosen(i)}
            onPointerDown={(event) => {
              event.preventDefault();
              setChosen(i);
              setHeld(i);
            }}
            onKeyDown={(event) => {
              const step = STEPS[event.key];
              if (!step) return;
              event.preventDefault();
              onChange(movePoint(now, i, z + step[0], w + step[1]));
            }}
          />
        ))}
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        Drag a point, or move it with the arrow keys.
      </Typography>
      {point && <OnePoint now={now} chosen={chosen} onChange={onChange} onChoose={setChosen} />}
    </Box>
  );
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [KEY_STEP_CM, 0],
  ArrowDown: [-KEY_STEP_CM, 0],
  ArrowRight: [0, 2 * KEY_STEP_CM],
  ArrowLeft: [0, -2 * KEY_STEP_CM],
};

interface OnePointProps {
  now: readonly Point[];
  chosen: number;
  onChange: (points: Point[]) => void;
  onChoose: (place: number) => void;
}

/** The chosen point in numbers; another beside it, or it goes. */
function OnePoint({ now, chosen, onChange, onChoose }: OnePointProps) {
  const units = useUnits();
  const point = now[Math.min(chosen, now.length - 1)];
  if (!point) return null;
  return (
    <>
      <Sized
        label={`Point ${String(chosen + 1)}, wide`}
        value={point.wide_cm}
        step={0.5}
        units={units}
        onChange={(w) => onChange(movePoint(now, chosen, point.up_cm, w))}
      />
      {chosen > 0 && (
        <Sized
          label={`Point ${String(chosen + 1)}, up`}
          value={point.up_cm}
          step={0.5}
          units={units}
          onChange={(z) => onChange(movePoint(now, chosen, z, point.wide_cm))}
        />
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button size="small" onClick={() => onChange(addPoint(now, chosen))}>
          Another point
        </Button>
        <Button
          size="small"
          disabled={now.length <= 2 || chosen === 0}
          onClick={() => {
            onChange(removePoint(now, chosen));
            onChoose(Math.max(0, chosen - 1));
          }}
        >
          Take it away
        </Button>
      </Box>
    </>
  );
}
