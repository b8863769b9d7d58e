import { Box } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";

import type { Fit, FitRequest } from "../../../api/client";
import { insideQuery } from "../../../api/queries/fit";
import { frameAt, roomCm } from "../../../domain/inside";
import { Slice } from "../../../inside/Slice";

const SCALE = 9;

/** Three moments of the bakes that were looked into: at the first look, the likely minute, the last. */
export function PrintInside({ fit, request }: { fit: Fit; request: FitRequest }) {
  const cache = useQueryClient();
  return fit.bakes.map((bake, entry) => {
    const inside = cache.getQueryData(insideQuery({ fit: request, entry, way: "chosen" }).queryKey);
    if (!inside) return null;
    const moments = [
      ["at the first look", inside.first_look_min],
      ["likely", inside.likely_min],
      ["no later than", inside.latest_min],
    ] as const;
    return (
      <div key={`${String(entry)}-${bake.label}`}>
        <h2>Inside {bake.label}, an estimate</h2>
        <Box sx={{ display: "flex", gap: 2, alignItems: "flex-end" }}>
          {moments.map(([words, minute]) => (
            <div key={words}>
              <Slice
                inside={inside}
                frame={frameAt(inside.minutes, minute)}
                scale={SCALE}
                highCm={roomCm(inside)}
              />
              {words}, {minute} min
            </div>
          ))}
        </Box>
      </div>
    );
  });
}
