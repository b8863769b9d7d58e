import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";

import type { Day, DayEvent } from "../../api/client";
import { timeOf } from "../../domain/moments";

const STANDS = {
  waiting: "waits",
  ready: "ready",
  running: "running",
  over: "time is up",
  done: "done",
} as const;

/** All steps of a day in their order; any tick can be taken back, any step done out of turn. */
export function AllSteps(props: {
  day: Day;
  onTick: (made: Omit<DayEvent, "id" | "ago_s">) => void;
  onClose: () => void;
}) {
  const { day, onTick, onClose } = props;
  const over = day.ended_at !== null;
  return (
    <Dialog
      open
      onClose={onClose}
      disableRestoreFocus
      fullWidth
      maxWidth="md"
      aria-labelledby="steps-title"
    >
      <DialogTitle id="steps-title">All steps</DialogTitle>
      <DialogContent>
        <Box
          component="table"
          sx={{ width: "100%", borderCollapse: "collapse", "& td": { py: 0.5, pr: 1.5 } }}
        >
          <tbody>
            {day.steps.map((one) => (
              <Box
                component="tr"
                key={one.key}
                sx={{
                  borderBottom: 1,
                  borderColor: "divider",
                  color: one.stand === "done" ? "text.secondary" : "text.primary",
                }}
              >
                <td>{one.ended && one.stand === "done" ? timeOf(one.ended, day.zone) : ""}</td>
                <td>{one.words}</td>
                <td>{STANDS[one.stand]}</td>
                <Box component="td" sx={{ textAlign: "right" }}>
                  {!over && one.tick && (
                    <Button
                      size="small"
                      aria-label={`Take back: ${one.words}`}
                      onClick={() => onTick({ kind: "undo", step: one.tick, place: 0, amount: 0 })}
                    >
                      Take back
                    </Button>
                  )}
                  {!over && one.stand !== "done" && one.kind !== "bake" && (
                    <Button
                      size="small"
                      aria-label={`Done: ${one.words}`}
                      onClick={() => onTick({ kind: "done", step: one.key, place: 0, amount: 0 })}
                    >
                      Done
                    </Button>
                  )}
                </Box>
              </Box>
            ))}
          </tbody>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
