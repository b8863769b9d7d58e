import { Box, Typography } from "@mui/material";

import type { Fit, OvenView } from "../../../../api/client";
import { FindingRow } from "../../../../ui/FindingRow";
import { ShelfDrawing } from "./ShelfDrawing";

/** What goes into the oven together, where each pan stands, and when to turn it. */
export function LoadsPanel({ fit, view }: { fit: Fit; view: OvenView }) {
  const shelf = { width: view.shelf_width_cm, depth: view.shelf_depth_cm };
  return (
    <Box sx={{ mt: 2 }}>
      {view.loads.length === 0 && (
        <Typography>Nothing to put in the oven yet: no pan has a time.</Typography>
      )}
      {view.loads.map((load, place) => (
        <Box
          key={`${load.dial}-${String(place)}`}
          component="section"
          aria-label={`Load ${String(place + 1)}`}
          sx={{ mb: 2.5 }}
        >
          <Typography component="h2" sx={{ fontWeight: 700, fontSize: "size.lead" }}>
            {view.loads.length > 1 ? `Load ${String(place + 1)}` : "All at once"} · {load.dial} ·
            about {load.minutes} min
          </Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, my: 1 }}>
            {shelf.width !== null &&
              shelf.depth !== null &&
              load.shelves.map((placed, row) => (
                <ShelfDrawing
                  key={row}
                  name={shelfName(row, load.shelves.length)}
                  placed={placed}
                  widthCm={shelf.width ?? 0}
                  depthCm={shelf.depth ?? 0}
                />
              ))}
          </Box>
          <Box sx={{ fontSize: "size.strong", lineHeight: 1.4 }}>
            {load.order.length > 0 && (
              <Typography sx={{ font: "inherit" }}>Out first: {load.order.join(", ")}.</Typography>
            )}
            {load.turn && <Typography sx={{ font: "inherit" }}>{load.turn}</Typography>}
            {load.slower && <Typography sx={{ font: "inherit" }}>{load.slower}</Typography>}
          </Box>
        </Box>
      ))}
      {[...view.findings, ...fit.findings]
        .filter((one) => LOAD_FINDINGS.has(one.code))
        .map((finding) => (
          <FindingRow key={`${finding.code}-${String(finding.entry)}`} finding={finding} />
        ))}
    </Box>
  );
}

const LOAD_FINDINGS = new Set([
  "shelf_unknown",
  "no_shelf",
  "tray_size_assumed",
  "may_share_oven",
  "waits",
  "waits_too_long",
  "too_many_for_shelves",
  "own_setting_apart",
  "larger_than_oven",
]);

function shelfName(row: number, rows: number): string {
  if (rows === 1) return "One shelf";
  if (row === 0) return "Upper shelf";
  return row === 1 && rows === 2 ? "Lower shelf" : `Shelf ${String(row + 1)}`;
}
