import { Box, Typography } from "@mui/material";
import { useId } from "react";

import type { Inside } from "../api/client";
import { CrumbSwatch } from "./CrumbSigns";

/** The states of a crumb by name, each with its colour and its sign. */
export function CrumbBands({ bands }: { bands: Inside["bands"] }) {
  const id = useId();
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 1.5 }} aria-label="Bands" role="list">
      {bands.map((band, place) => (
        <Box
          key={band.name}
          role="listitem"
          sx={{ display: "flex", alignItems: "center", gap: 0.75 }}
        >
          <CrumbSwatch state={band.name} id={`${id}${String(place)}`} />
          <Typography sx={{ fontSize: "size.small" }}>{band.name}</Typography>
        </Box>
      ))}
    </Box>
  );
}
