import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { dayInsideQuery } from "../../api/queries/running";
import { frameAt, roomCm } from "../../domain/inside";
import { heat } from "../../domain/units";
import { CrumbBands } from "../../inside/CrumbBands";
import { Slice } from "../../inside/Slice";
import { useUnits } from "../../ui/useUnits";

const ROOM_PX = 300;

interface InsideNowProps {
  day: number;
  step: string;
  /** Since it went in. */
  minute: number;
  /** When it is likely done, as it is now: a probe moves it, and the picture with it. */
  likely: string;
}

/** What bakes, cut open at this minute; it goes on with the clock of its bake. */
export function InsideNow(props: InsideNowProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Close it" : "Look inside"}
      </Button>
      {open && <Opened {...props} />}
    </>
  );
}

function Opened({ day, step, minute, likely }: InsideNowProps) {
  const units = useUnits();
  const { data: inside, error } = useQuery(dayInsideQuery(day, step, likely));
  if (error && !inside) return <Alert severity="info">{error.message}</Alert>;
  if (!inside) return null;
  const frame = frameAt(inside.minutes, minute);
  const wide = 2 * (inside.edges_cm.at(-1) ?? 1) + 3;
  return (
    <Box sx={{ my: 1 }}>
      <Slice inside={inside} frame={frame} scale={ROOM_PX / wide} highCm={roomCm(inside)} />
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {inside.label}: middle {heat(inside.middle_c[frame] ?? 0, units)}, rim{" "}
        {heat(inside.rim_c[frame] ?? 0, units)}. An estimate; the signs say when it is done.
      </Typography>
      <CrumbBands bands={inside.bands} />
    </Box>
  );
}
