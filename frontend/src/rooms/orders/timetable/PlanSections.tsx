import { Box, Button, Typography } from "@mui/material";

import type { DayPlan, FixTyped } from "../../../api/client";
import { dayOf, dayWords, momentWords, spanWords } from "../../../domain/moments";
import { clock } from "../../../domain/numbers";

interface SectionProps {
  days: DayPlan;
}

/** What has to be in the fridge, and how long it is out of it. */
export function WhatIsCold({ days }: SectionProps) {
  if (days.fridge.length === 0) return null;
  return (
    <Box component="section" aria-label="What has to be cold" sx={{ mt: 2 }}>
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        What has to be cold
      </Typography>
      {days.fridge.map((one) => (
        <Typography key={`${String(one.order_id)} ${one.cake}`}>
          <strong>{one.cake}</strong>, {one.order}: out of the fridge for{" "}
          <strong>{one.warm_min} min</strong> in all, {one.words}{" "}
          <Box component="span" sx={{ color: "text.secondary" }}>
            In it {one.stays.map((stay) => spanWords(stay.start, stay.end, days.zone)).join("; ")}.
          </Box>
        </Typography>
      ))}
    </Box>
  );
}

/** How long each cake keeps once it is done. */
export function HowLongTheyKeep({ days }: SectionProps) {
  if (days.keeps.length === 0) return null;
  return (
    <Box component="section" aria-label="How long they keep" sx={{ mt: 2 }}>
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        How long they keep
      </Typography>
      {days.keeps.map((one) => (
        <Typography key={`${one.order} ${one.cake}`}>
          <strong>{one.cake}</strong>, {one.order}: done {momentWords(one.done, days.zone)}, keeps
          until {momentWords(one.until, days.zone)}
          {one.too_early ? ` (due ${momentWords(one.due, days.zone)})` : ""}.{" "}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {one.words}
          </Box>
        </Typography>
      ))}
    </Box>
  );
}

interface MakeAheadProps extends SectionProps {
  onTake: (fixes: FixTyped[]) => void;
}

/** What can be made on an earlier day, and what the last day is then. */
export function MakeAhead({ days, onTake }: MakeAheadProps) {
  if (days.make_ahead.length === 0) return null;
  const together = days.together;
  return (
    <Box component="section" aria-label="Make ahead" sx={{ mt: 2 }}>
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        Make ahead
      </Typography>
      {days.make_ahead.map((one) => {
        const day = dayWords(dayOf(one.start, days.zone));
        return (
          <Box key={one.key} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <Typography sx={{ flex: 1 }}>
              {one.words}: the last day is {clock(one.then_min)} instead of {clock(one.day_min)}
            </Typography>
            <Button
              size="small"
              aria-label={`On ${day}: ${one.words}`}
              onClick={() => onTake([{ key: one.key, start: one.start }])}
            >
              On {day}
            </Button>
          </Box>
        );
      })}
      {together && (
        <Button variant="outlined" onClick={() => onTake(together.starts)}>
          All of it ahead: {clock(together.then_min)} instead of {clock(together.day_min)}
        </Button>
      )}
    </Box>
  );
}
