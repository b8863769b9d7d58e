import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { FitRequest } from "../../api/client";
import { insideQuery } from "../../api/queries/fit";
import { roomCm } from "../../domain/inside";
import { heat } from "../../domain/units";
import { Slice } from "../../inside/Slice";
import { useUnits } from "../../ui/useUnits";

const ROOM_PX = 320;

interface LikelySliceProps {
  request: FitRequest;
  entry: number;
  title?: string;
}

/** A cake cut open at its likely minute; nothing where it cannot be. */
export function LikelySlice({ request, entry, title }: LikelySliceProps) {
  const units = useUnits();
  const { data: inside } = useQuery({
    ...insideQuery({ fit: request, entry, way: "chosen" }),
    placeholderData: undefined,
  });
  if (!inside) return null;
  const wide = 2 * (inside.edges_cm.at(-1) ?? 1) + 3;
  return (
    <Box component="figure" sx={{ m: 0, maxWidth: "100%" }}>
      <Typography component="figcaption" sx={{ fontWeight: 700 }}>
        {title ?? inside.label}, {inside.likely_min} min
      </Typography>
      <Slice
        inside={inside}
        frame={inside.likely}
        scale={Math.min(18, ROOM_PX / wide)}
        highCm={roomCm(inside)}
      />
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        middle {heat(inside.middle_c[inside.likely] ?? 0, units)}, rim{" "}
        {heat(inside.rim_c[inside.likely] ?? 0, units)}, an estimate
      </Typography>
    </Box>
  );
}
