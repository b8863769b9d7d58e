import { Box, Typography } from "@mui/material";

import { HOUR_PX } from "../../../domain/lanes";
import type { Clock } from "../../../domain/lanes";
import { dayOf, dayWords, hourOf } from "../../../domain/moments";

const HEAD_PX = 40;
const HOUR_MS = 3_600_000;
const LEAST_PX = 44;
const WORDS_PX = 34;

interface HoursProps {
  clock: Clock;
  zone: string;
  /** Pixels that names take at the left. */
  indent: number;
}

/** The head of a timetable: its days, and the hours of each as far as they find room. */
export function Hours({ clock, zone, indent }: HoursProps) {
  const first = clock.days[0];
  const hourPx = first ? (first.width / (first.end - first.start)) * HOUR_MS : HOUR_PX;
  const every = Math.max(1, Math.ceil(LEAST_PX / hourPx));
  return (
    <Box sx={{ height: HEAD_PX, position: "relative", ml: `${String(indent)}px` }} aria-hidden>
      {clock.days.map((day) => (
        <Box key={day.start}>
          <Typography
            sx={{
              position: "absolute",
              left: day.x + 4,
              top: 0,
              fontWeight: 700,
              fontSize: "size.small",
            }}
          >
            {dayWords(dayOf(new Date(day.start), zone), true)}
          </Typography>
          {Array.from(
            { length: Math.max(1, Math.floor((day.width - WORDS_PX) / hourPx / every) + 1) },
            (_, step) => (
              <Typography
                key={step}
                component="span"
                color="textSecondary"
                sx={{
                  position: "absolute",
                  left: day.x + step * every * hourPx + 4,
                  top: 20,
                  fontSize: "size.tiny",
                }}
              >
                {hourOf(new Date(day.start + step * every * HOUR_MS), zone)}
              </Typography>
            ),
          )}
        </Box>
      ))}
    </Box>
  );
}
