import { Box, Typography } from "@mui/material";
import { useEffect, useState } from "react";

import type { Clock } from "../../../domain/lanes";

const EVERY_MS = 30_000;

/** The present as a line over the days; nothing where no drawn day holds it. */
export function Present({ clock, indent }: { clock: Clock; indent: number }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const beat = setInterval(() => setNow(Date.now()), EVERY_MS);
    return () => clearInterval(beat);
  }, []);
  if (!clock.days.some((day) => day.start <= now && now <= day.end)) return null;
  return (
    <Box
      role="img"
      aria-label="Now"
      sx={(t) => ({
        position: "absolute",
        top: 22,
        bottom: 0,
        left: indent + clock.at(now),
        borderLeft: `2px solid ${t.vars.palette.bench.heat}`,
        pointerEvents: "none",
        zIndex: 1,
      })}
    >
      <Typography
        aria-hidden
        sx={(t) => ({
          fontSize: "size.tiny",
          lineHeight: 1.2,
          px: 0.5,
          color: "background.paper",
          bgcolor: t.vars.palette.bench.heat,
        })}
      >
        now
      </Typography>
    </Box>
  );
}
