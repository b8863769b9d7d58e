import { Box, Button, Slider, Typography } from "@mui/material";
import { useEffect, useState } from "react";

import type { Inside } from "../../../../api/client";
import { frameAt, roomCm } from "../../../../domain/inside";
import { heat } from "../../../../domain/units";
import { useUnits } from "../../../../ui/useUnits";
import { CrumbBands } from "../../../../inside/CrumbBands";
import { HeatCurve } from "../../../../inside/HeatCurve";
import { Slice } from "../../../../inside/Slice";

const BEAT_MS = 160;
const ROOM_PX = 620;
/** What a row of three is given. */
const ROW_PX = 1160;

/** A bake on the clock, under its name. */
export interface Case {
  title: string;
  inside: Inside;
}

/** Cases on one clock: a minute that is dragged, moved by keys, or played. */
export function OneClock({ cases }: { cases: readonly Case[] }) {
  const last = Math.max(...cases.map(({ inside }) => inside.minutes.at(-1) ?? 0));
  const first = cases[0]?.inside;
  const [minute, setMinute] = useState(first?.likely_min ?? 0);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return undefined;
    const beat = setInterval(
      () =>
        setMinute((now) => {
          if (now + 1 >= last) setPlaying(false);
          return Math.min(last, now + 1);
        }),
      BEAT_MS,
    );
    return () => clearInterval(beat);
  }, [playing, last]);
  const highCm = Math.max(...cases.map(({ inside }) => roomCm(inside)));
  const wideCm = Math.max(...cases.map(({ inside }) => 2 * (inside.edges_cm.at(-1) ?? 1) + 3));
  const room = cases.length > 1 ? ROW_PX / cases.length - 24 : ROOM_PX;
  const scale = Math.min(34, room / wideCm);
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", maxWidth: 760 }}>
        <Button
          variant="outlined"
          onClick={() => {
            if (minute >= last) setMinute(0);
            setPlaying(!playing);
          }}
          sx={{ minWidth: 84 }}
        >
          {playing ? "Stop" : "Play"}
        </Button>
        <Slider
          aria-label="Minute"
          value={Math.min(minute, last)}
          min={0}
          max={Math.floor(last)}
          step={1}
          marks={
            first
              ? [
                  { value: first.first_look_min, label: "look" },
                  { value: first.likely_min, label: "likely" },
                  { value: first.latest_min, label: "" },
                ]
              : []
          }
          onChange={(_, next) => setMinute(next)}
          sx={{
            flex: 1,
            mt: 2,
            // On a phone the two words would lie on one another.
            "& .MuiSlider-markLabel[data-index='0']": { display: { xs: "none", sm: "block" } },
          }}
        />
        <Typography sx={{ minWidth: 70, fontWeight: 700 }}>{Math.round(minute)} min</Typography>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            md: `repeat(${String(cases.length)}, minmax(0, 1fr))`,
          },
          gap: 3,
          mt: 1.5,
        }}
      >
        {cases.map((one) => (
          <OneCase key={one.title} one={one} minute={minute} scale={scale} highCm={highCm} />
        ))}
      </Box>
      {first && <CrumbBands bands={first.bands} />}
      {first && <Moments inside={first} />}
    </>
  );
}

interface OneCaseProps {
  one: Case;
  minute: number;
  scale: number;
  highCm: number;
}

function OneCase({ one, minute, scale, highCm }: OneCaseProps) {
  const units = useUnits();
  const { inside } = one;
  const frame = frameAt(inside.minutes, minute);
  return (
    <Box component="figure" sx={{ m: 0, minWidth: 0 }}>
      <Typography component="figcaption" sx={{ fontWeight: 700 }}>
        {inside.label}, {one.title}
        <Typography component="span" color="textSecondary" sx={{ display: "block" }}>
          look at {inside.first_look_min} · likely {inside.likely_min} · {inside.setting}
        </Typography>
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
        <Slice inside={inside} frame={frame} scale={scale} highCm={highCm} />
        <HeatCurve inside={inside} frame={frame} />
      </Box>
      <Typography color="textSecondary">
        middle {heat(inside.middle_c[frame] ?? 0, units)} · rim{" "}
        {heat(inside.rim_c[frame] ?? 0, units)}
      </Typography>
      <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5, maxWidth: 620 }}>
        {inside.words.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
    </Box>
  );
}

/** The same in a table: five moments of the bake. */
function Moments({ inside }: { inside: Inside }) {
  const units = useUnits();
  const at = [0.25, 0.5, 0.75, 1, 1.15].map((share) =>
    frameAt(inside.minutes, inside.likely_min * share),
  );
  return (
    <Box
      component="table"
      sx={{ mt: 1.5, borderCollapse: "collapse", "& td, & th": { pr: 3, textAlign: "left" } }}
    >
      <caption style={{ textAlign: "left", fontWeight: 700 }}>Moments of {inside.label}</caption>
      <thead>
        <tr>
          <th scope="col">Minute</th>
          <th scope="col">Middle</th>
          <th scope="col">Rim</th>
        </tr>
      </thead>
      <tbody>
        {at.map((frame) => (
          <tr key={frame}>
            <th scope="row">{Math.round(inside.minutes[frame] ?? 0)}</th>
            <td>{heat(inside.middle_c[frame] ?? 0, units)}</td>
            <td>{heat(inside.rim_c[frame] ?? 0, units)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
