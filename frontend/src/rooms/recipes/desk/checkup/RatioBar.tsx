import { Box, Typography } from "@mui/material";

import type { Provenance, Ratio } from "../../../../api/client";
import { Figure } from "../../../../ui/Figure";

const STANDING: Record<Ratio["standing"], string> = {
  low: "less: ",
  usual: "",
  high: "more: ",
  unknown: "not all is weighed; ",
};

/** A ratio on its scale: the usual range as a band, where this card stands as a mark. */
export function RatioBar({ ratio }: { ratio: Ratio }) {
  const { value, low, high, standing } = ratio;
  const at = (number: number) => `${String(placeOf(number, low, high))}%`;
  const from: Provenance = { origin: "worked_out", note: ratio.note, assumptions: [] };
  const off = standing === "low" || standing === "high";
  return (
    <Box
      data-ratio={ratio.key}
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "1fr 60px", sm: "180px 62px 1fr 132px" },
        columnGap: 1.25,
        alignItems: "center",
        minHeight: 34,
      }}
    >
      <Typography component="span" sx={{ lineHeight: 1.15 }}>
        {ratio.name}
      </Typography>
      <Typography component="span" sx={{ fontWeight: 700, textAlign: "right" }}>
        <Figure from={from}>{`${tidy(value)} g`}</Figure>
      </Typography>
      <Box
        aria-hidden
        sx={(t) => ({
          position: "relative",
          height: 12,
          bgcolor: t.vars.palette.bench.track,
          display: { xs: "none", sm: "block" },
        })}
      >
        {low !== null && high !== null && (
          <Box
            sx={(t) => ({
              position: "absolute",
              left: `${String(BAND[0])}%`,
              width: `${String(BAND[1] - BAND[0])}%`,
              top: 0,
              bottom: 0,
              bgcolor: t.vars.palette.bench.butter,
            })}
          />
        )}
        <Box
          sx={(t) => ({
            position: "absolute",
            left: at(value),
            width: 4,
            ml: "-2px",
            top: -4,
            bottom: -4,
            bgcolor: t.vars.palette.bench.rim,
          })}
        />
      </Box>
      <Typography
        component="span"
        sx={{
          fontSize: "size.small",
          fontWeight: off ? 700 : 400,
          color: off ? "text.primary" : "text.secondary",
          gridColumn: { xs: "1 / -1", sm: "auto" },
        }}
      >
        {STANDING[standing]}
        {low !== null && high !== null && `${ratio.beside} ${tidy(low)}–${tidy(high)}`}
      </Typography>
    </Box>
  );
}

/** Where the usual range begins and ends on every bar, per cent of its length. */
const BAND = [35, 65] as const;
/** The end of a bar is so many times the most that is usual. */
const END_TIMES = 2;

/** One scale for all ratios: up to the usual range, within it, and how far beyond, to twice the most. */
function placeOf(value: number, low: number | null, high: number | null): number {
  const [from, to] = BAND;
  if (low === null || high === null || high <= 0) return 50;
  if (value < low) return (from * value) / low;
  if (value <= high) return high === low ? to : from + ((to - from) * (value - low)) / (high - low);
  return Math.min(99, to + ((100 - to) * (value / high - 1)) / (END_TIMES - 1));
}

const tidy = (value: number) =>
  value < 10 ? value.toFixed(1).replace(/\.0$/, "") : value.toFixed(0);
