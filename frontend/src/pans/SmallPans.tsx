import { Box, Typography } from "@mui/material";

import type { Fit, FitPan, SourcePan } from "../api/client";
import { countOf, grams } from "../domain/numbers";
import { DrawnPan } from "./DrawnPan";

/** The pans of a fit, small and side by side at one scale. */
export function SmallPans({ fit, scale }: { fit: Fit; scale: number }) {
  return (
    <Box
      component="ul"
      sx={{
        listStyle: "none",
        m: 0,
        p: 0,
        display: "flex",
        flexWrap: "wrap",
        gap: 2,
        alignItems: "flex-end",
      }}
    >
      {fit.pans.map((pan, place) => (
        <SmallPan
          key={`${String(place)}-${pan.label}`}
          pan={pan}
          source={fit.source.pans}
          scale={scale}
        />
      ))}
    </Box>
  );
}

function SmallPan(props: { pan: FitPan; source: readonly SourcePan[]; scale: number }) {
  const { pan, source, scale } = props;
  return (
    <Box component="li" sx={{ minWidth: 0, maxWidth: "100%" }}>
      <Box sx={{ minHeight: 92, display: "flex", flexDirection: "column", justifyContent: "end" }}>
        <DrawnPan pan={pan} source={source} scale={scale} />
      </Box>
      <Typography sx={{ fontWeight: 650, lineHeight: 1.2, mt: 0.25 }}>{countOf(pan)}</Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.2 }}>
        {pan.batter_g_each === null
          ? "not filled"
          : `${grams(pan.batter_g_each)} g${pan.count > 1 ? " each" : ""}`}
      </Typography>
    </Box>
  );
}
