import { Box } from "@mui/material";
import type { ReactNode } from "react";

import type { STAGE_KEY } from "../api/bounds";

export type StageKey = (typeof STAGE_KEY)[number];

/** A bowl seen from the side, its rim at 20, with what is in it. */
const BOWL = "M6 20 H58 C58 36 46 45 32 45 C18 45 6 36 6 20 Z";
/** A whisk whose wires end at 32, 16. */
const WHISK = (
  <g className="tool">
    <path d="M32 0 V4" />
    <path d="M32 4 C24 8 25 15 32 17 C39 15 40 8 32 4 M32 4 C29 8 29 14 32 17 C35 14 35 8 32 4" />
  </g>
);

/** Dots at "x,y,r" each. */
function Dots({ at }: { at: string }) {
  return at.split(" ").map((dot) => {
    const [x, y, r] = dot.split(",");
    return <circle key={dot} className="mass" cx={x} cy={y} r={r} />;
  });
}

/** What a stage looks like, by its key. */
const DRAWN: Readonly<Record<StageKey, ReactNode>> = {
  soft_peak: (
    <>
      {WHISK}
      <path
        className="mass"
        d="M6 40 C16 38 24 36 29 27 C30 21 33 18 38 21 C41 23 41 27 38 28 C37 34 46 38 58 40 V46 H6 Z"
      />
    </>
  ),
  firm_peak: (
    <>
      {WHISK}
      <path
        className="mass"
        d="M6 40 C18 38 26 34 29 24 C30 19 33 16 36 18 C38 20 37 22 36 23 C36 32 46 38 58 40 V46 H6 Z"
      />
    </>
  ),
  stiff_peak: (
    <>
      {WHISK}
      <path className="mass" d="M6 40 C20 39 27 32 32 15 C37 32 44 39 58 40 V46 H6 Z" />
    </>
  ),
  foamy: (
    <>
      <path className="bowl" d={BOWL} />
      <Dots at="16,25,5 26,22,3 34,26,6 46,24,4.5 23,33,4 41,35,4 32,38,3" />
    </>
  ),
  ribbon: (
    <>
      <path className="bowl" d={BOWL} />
      <path className="mass" d="M9 27 H55 C53 37 44 44 32 44 C20 44 11 37 9 27 Z" />
      {WHISK}
      <path
        className="band"
        d="M32 17 V25 C40 23 46 27 40 29 C32 31 22 28 20 31 C18 34 34 35 40 33"
      />
    </>
  ),
  pale_fluffy: (
    <>
      <path className="bowl" d={BOWL} />
      <path
        className="mass"
        d="M9 22 C10 12 19 12 21 15 C24 7 35 7 37 13 C42 9 53 12 54 22 C53 36 44 44 32 44 C20 44 10 36 9 22 Z"
      />
      <path className="line" d="M18 22 C20 19 24 19 26 22 M34 20 C37 17 42 18 43 21" />
    </>
  ),
  crumbs: (
    <>
      <Dots at="10,42,2.2 17,43,2.9 24,42,3.6 31,43,2.2 38,42,2.9 45,43,3.6 53,42,2.2 15,37,2.9 22,36,3.6 29,37,2.2 36,36,2.9 43,37,3.6 49,38,2.2 21,31,2.9 28,30,3.6 35,31,2.2 41,31,2.9 28,25,3.6 34,25,2.2" />
    </>
  ),
  dropping: (
    <>
      <path className="tool" d="M4 10 H34" />
      <path className="bowl" d="M34 5 C46 4 52 8 52 11 C52 15 45 17 34 15 Z" />
      <path
        className="mass"
        d="M38 13 C46 13 50 12 50 15 C50 18 47 18 47 22 C47 25 42 25 42 21 C42 18 38 17 38 13 Z"
      />
      <path className="mass" d="M44 30 C48 35 47 39 44 39 C41 39 40 35 44 30 Z" />
      <path className="mass" d="M10 44 C24 40 40 46 58 43 V47 H10 Z" />
    </>
  ),
  pouring: (
    <>
      <path className="tool" d="M4 10 H32" />
      <path className="bowl" d="M32 5 C44 4 50 8 50 11 C50 15 43 17 32 15 Z" />
      <path className="band" d="M47 12 C48 22 47 30 47 40" />
      <path className="mass" d="M6 40 H58 V46 H6 Z" />
    </>
  ),
  figure_eight: (
    <>
      <ellipse className="mass" cx="32" cy="26" rx="27" ry="18" />
      <path
        className="line strong"
        d="M32 26 C24 14 14 18 16 26 C18 34 28 34 32 26 C36 18 46 18 48 26 C50 34 40 38 32 26 Z"
      />
    </>
  ),
  just_mixed: (
    <>
      <path className="bowl" d={BOWL} />
      <path className="mass" d="M9 26 C20 23 40 29 55 25 C53 37 44 44 32 44 C20 44 11 37 9 26 Z" />
      <path className="tool" d="M50 2 L38 22" />
      <path className="bowl" d="M39 19 C44 22 42 33 34 36 C30 30 33 22 39 19 Z" />
      <circle className="line" cx="20" cy="32" r="1.6" />
      <circle className="line" cx="27" cy="37" r="1.2" />
    </>
  ),
  melted_smooth: (
    <>
      <path className="bowl" d={BOWL} />
      <path className="dark" d="M8 25 H56 C54 37 45 44 32 44 C19 44 10 37 8 25 Z" />
      <path className="tool" d="M58 3 L40 14" />
      <path className="darkband" d="M40 14 C38 18 38 20 38 25" />
      <path className="shine" d="M16 29 C22 32 30 32 36 30" />
    </>
  ),
  coats_spoon: (
    <>
      <path className="tool" d="M32 2 V16" />
      <path
        className="mass"
        d="M32 15 C42 15 46 25 44 33 C42 41 37 46 32 46 C27 46 22 41 20 33 C18 25 22 15 32 15 Z"
      />
      <path className="track" d="M21 30 C28 28 36 28 43 30" />
    </>
  ),
  hand_warm: (
    <>
      <path className="bowl" d={BOWL} />
      <path className="mass" d="M9 27 H55 C53 37 44 44 32 44 C20 44 11 37 9 27 Z" />
      <path className="tool" d="M42 2 L31 31" />
      <path className="line" d="M18 17 C16 14 20 12 18 9 M26 17 C24 14 28 12 26 9" />
    </>
  ),
  curdled: (
    <>
      <path className="bowl" d={BOWL} />
      <path className="mass" d="M32 25 H56 C54 37 45 44 32 44 Z" />
      <Dots at="12,27,2 18,30,2 25,27,2 28,33,2 21,36,2 28,40,2 15,34,2" />
      <path className="line" d="M32 20 V45" />
    </>
  ),
  browned: (
    <>
      <path className="tool" d="M50 27 H63" />
      <path className="bowl" d="M6 20 H50 V40 C50 43 48 44 46 44 H10 C8 44 6 43 6 40 Z" />
      <path className="dark" d="M8 30 H48 V40 C48 42 47 42 46 42 H10 C9 42 8 42 8 40 Z" />
      <path className="mass" d="M8 30 C12 25 16 28 18 27 C22 24 27 28 30 27 C35 24 44 27 48 30 Z" />
      <path className="line" d="M20 16 C18 12 23 10 20 6 M32 16 C30 12 35 10 32 6" />
    </>
  ),
  skewer_clean: (
    <>
      <path className="mass" d="M8 24 C16 18 48 18 56 24 V44 H8 Z" />
      <path className="tool" d="M32 2 V36" />
      <path className="line" d="M16 32 H20 M42 36 H46 M24 40 H27 M46 29 H49" />
    </>
  ),
  springs_back: (
    <>
      <path
        className="mass"
        d="M8 26 C16 21 24 22 28 27 C30 29 34 29 36 27 C40 22 48 21 56 26 V44 H8 Z"
      />
      <path className="bowl" d="M28 2 H36 V20 C36 25 28 25 28 20 Z" />
      <path className="line strong" d="M47 16 V6 M43 10 L47 5 L51 10" />
    </>
  ),
};

/** A stage of a batter, drawn: what to see when it is reached. */
export function StageDrawing({ stage, size = 64 }: { stage: StageKey; size?: number }) {
  return (
    <Box
      component="svg"
      viewBox="0 0 64 48"
      width={size}
      height={size * 0.75}
      aria-hidden
      sx={(t) => ({
        flex: "none",
        fill: "none",
        strokeLinecap: "round",
        strokeLinejoin: "round",
        "& .tool, & .tool path": {
          stroke: t.vars.palette.text.secondary,
          strokeWidth: 1.8,
          fill: "none",
        },
        "& .bowl": {
          stroke: t.vars.palette.text.secondary,
          strokeWidth: 1.6,
          fill: t.vars.palette.background.paper,
        },
        "& .mass": {
          fill: t.vars.palette.bench.batter,
          stroke: t.vars.palette.bench.crust,
          strokeWidth: 1.3,
        },
        "& .band": { stroke: t.vars.palette.bench.crust, strokeWidth: 4, strokeOpacity: 0.85 },
        "& .dark": { fill: t.vars.palette.bench.crust, stroke: "none" },
        "& .darkband": { stroke: t.vars.palette.bench.crust, strokeWidth: 2.6 },
        "& .line": { stroke: t.vars.palette.bench.crust, strokeWidth: 1.5 },
        "& .line.strong": { strokeWidth: 2.4 },
        "& .track": { stroke: t.vars.palette.background.paper, strokeWidth: 5 },
        "& .shine": { stroke: t.vars.palette.background.paper, strokeWidth: 1.6 },
      })}
    >
      {DRAWN[stage]}
    </Box>
  );
}
