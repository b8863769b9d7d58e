import { Box, Typography } from "@mui/material";

import type { DayStep } from "../../api/client";

/** What the card says about this step, and what helps when it goes wrong. */
export function Notes({ step }: { step: DayStep | null }) {
  if (!step || (step.notes.length === 0 && step.rescues.length === 0)) return <Box />;
  return (
    <Box
      component="section"
      aria-label="At this step"
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: { xs: 1.5, sm: 2 },
      })}
    >
      {step.notes.length > 0 && (
        <>
          <Typography component="h2" color="primary" sx={{ fontWeight: 700 }}>
            On the card
          </Typography>
          <Box component="ol" sx={{ pl: 2.5, my: 0.5 }}>
            {step.notes.map((one, place) => (
              <li key={place}>{one}</li>
            ))}
          </Box>
        </>
      )}
      {step.rescues.length > 0 && (
        <>
          <Typography component="h2" color="primary" sx={{ fontWeight: 700 }}>
            When it goes wrong
          </Typography>
          {step.rescues.map((one) => (
            <Box component="details" key={one.what} sx={{ py: 0.5 }}>
              <Box component="summary" sx={{ fontWeight: 600, cursor: "pointer", minHeight: 32 }}>
                {one.what}
              </Box>
              <Typography>{one.now}</Typography>
              <Typography color="textSecondary">{`Next time: ${one.next} (practice)`}</Typography>
            </Box>
          ))}
        </>
      )}
    </Box>
  );
}
