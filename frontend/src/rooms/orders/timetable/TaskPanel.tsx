import { Box, Button, Typography } from "@mui/material";

import type { DayTask } from "../../../api/client";
import { moved } from "../../../domain/lanes";
import { momentWords, timeOf } from "../../../domain/moments";
import { clock } from "../../../domain/numbers";

interface TaskPanelProps {
  task: DayTask;
  zone: string;
  onMove: (start: string) => void;
  onDone: () => void;
  onFree: () => void;
  onClose: () => void;
}

const STEPS = [-60, -15, 15, 60] as const;

/** One task: when, why there, and what can be done with it. */
export function TaskPanel({ task, zone, onMove, onDone, onFree, onClose }: TaskPanelProps) {
  // A meal is nobody's order: it goes where the day leaves room.
  const still = task.done || task.order_id === null;
  return (
    <Box
      component="section"
      aria-label="The task"
      className="no-print"
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: 1.5,
        mt: 1.5,
        maxWidth: 760,
        // In sight however far the drawing goes, clear of the rooms on a phone.
        position: "sticky",
        bottom: { xs: 72, sm: 8 },
        zIndex: 3,
        maxHeight: "50vh",
        overflow: "auto",
      })}
    >
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        {task.words}
      </Typography>
      <Typography>
        {`${momentWords(task.start, zone)} to ${timeOf(task.end, zone)}, ${clock(task.minutes)}${
          task.oven ? `, ${task.oven}` : ""
        }${task.order ? ` · ${task.order}` : ""}`}
      </Typography>
      {task.why && <Typography color="textSecondary">{task.why}</Typography>}
      {task.waits.map((words) => (
        <Typography key={words} color="textSecondary" sx={{ fontSize: "size.small" }}>
          {words}
        </Typography>
      ))}
      {task.slack_min !== null && (
        <Typography sx={{ fontSize: "size.small" }}>
          {task.slack_min > 0
            ? `It could be ${clock(task.slack_min)} later without moving what waits for it.`
            : "What waits for it begins at once."}
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        {!still &&
          STEPS.map((minutes) => (
            <Button
              key={minutes}
              size="small"
              variant="outlined"
              onClick={() => onMove(moved(task.start, minutes))}
            >
              {minutes < 0 ? `${clock(-minutes)} earlier` : `${clock(minutes)} later`}
            </Button>
          ))}
        {!still && (
          <Button size="small" onClick={onDone}>
            It is done
          </Button>
        )}
        {(task.fixed || task.done) && (
          <Button size="small" onClick={onFree}>
            {task.done ? "Not done after all" : "Let it be planned"}
          </Button>
        )}
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
    </Box>
  );
}
