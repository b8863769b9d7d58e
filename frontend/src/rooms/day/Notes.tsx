import { Box, Typography } from "@mui/material";

import type { DayStep } from "../../api/client";
import { Panel, PanelTitle } from "./Panel";

/** What the card says about this step, and what helps when it goes wrong. */
export function Notes({ step }: { step: DayStep | null }) {
  if (!step || (step.notes.length === 0 && step.rescues.length === 0)) return <Box />;
  return (
    <Panel name="At this step">
      {step.notes.length > 0 && (
        <>
          <PanelTitle>On the card</PanelTitle>
          <Box component="ol" sx={{ pl: 2.5, my: 0.5 }}>
            {step.notes.map((one, place) => (
              <li key={place}>{one}</li>
            ))}
          </Box>
        </>
      )}
      {step.rescues.length > 0 && (
        <>
          <PanelTitle>When it goes wrong</PanelTitle>
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
    </Panel>
  );
}
