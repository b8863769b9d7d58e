import { Box } from "@mui/material";

import { CRUMB } from "../ui/theme";

type Sign = "dots" | "thin" | "cross" | "bars";

/** The states of a crumb without colour: what has none is told by what lies round it. */
const SIGNS: Readonly<Record<string, Sign>> = {
  runny: "dots",
  setting: "thin",
  "crumb forming": "cross",
  set: "bars",
};

const INK = "#14203a";

/** The sign of a state, as the fill of a shape under the patterns of an id; none for some. */
export function signOf(state: string, id: string): string | null {
  const sign = SIGNS[state];
  return sign ? `url(#${id}${sign})` : null;
}

/** The patterns that signs are drawn with, in units of their drawing. */
export function SignPatterns({ id, unit }: { id: string; unit: number }) {
  const size = { width: unit, height: unit, patternUnits: "userSpaceOnUse" };
  const line = { stroke: INK, strokeWidth: unit / 9, opacity: 0.4, fill: "none" };
  return (
    <defs>
      <pattern id={`${id}dots`} {...size}>
        <circle cx={unit / 2} cy={unit / 2} r={unit / 9} fill={INK} opacity={0.45} />
      </pattern>
      <pattern id={`${id}thin`} {...size}>
        <path d={`M0 ${String(unit)}L${String(unit)} 0`} {...line} />
      </pattern>
      <pattern id={`${id}cross`} {...size}>
        <path
          d={`M0 ${String(unit)}L${String(unit)} 0M0 0L${String(unit)} ${String(unit)}`}
          {...line}
        />
      </pattern>
      <pattern id={`${id}bars`} {...size}>
        <path d={`M${String(unit / 2)} 0V${String(unit)}`} {...line} />
      </pattern>
    </defs>
  );
}

/** A state as the legend has it: its colour and its sign. */
export function CrumbSwatch({ state, id }: { state: string; id: string }) {
  const sign = signOf(state, id);
  return (
    <Box component="svg" aria-hidden viewBox="0 0 22 15" sx={{ width: 22, height: 15 }}>
      <SignPatterns id={id} unit={5} />
      <rect width="22" height="15" fill={CRUMB[state]} />
      {sign && <rect width="22" height="15" fill={sign} />}
    </Box>
  );
}
