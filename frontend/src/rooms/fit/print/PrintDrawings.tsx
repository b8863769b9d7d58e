import { Box } from "@mui/material";

import type { FitPan, SourcePan } from "../../../api/client";
import { DrawnPan } from "../../../pans/DrawnPan";

const WIDEST = 5;
const ROOM_PX = 640;

/** The pans on paper, at one scale: from above, and from the side with the recipe's own behind. */
export function PrintDrawings(props: { pans: readonly FitPan[]; source: readonly SourcePan[] }) {
  const { pans, source } = props;
  const wide = pans.reduce((sum, pan) => sum + (pan.drawing?.rim_width_cm ?? 0) + 3, 0);
  const scale = Math.min(WIDEST, ROOM_PX / Math.max(wide, 1));
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end", my: 0.5 }}>
      {pans.map((pan, place) => {
        if (!pan.drawing) return null;
        return (
          <div key={`${String(place)}-${pan.label}`}>
            <DrawnPan pan={pan} source={source} scale={scale} />
          </div>
        );
      })}
    </Box>
  );
}
