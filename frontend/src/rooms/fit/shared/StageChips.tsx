import { Box, ButtonBase, Popover, Typography } from "@mui/material";
import { useState } from "react";

import type { Stage } from "../../../api/client";
import { StageDrawing } from "../../../ui/StageDrawing";

/** The stages a step asks for, drawn; a tap says what to see and what mends it. */
export function StageChips({ stages, step }: { stages: readonly Stage[]; step: number }) {
  const [open, setOpen] = useState<{ stage: Stage; at: HTMLElement } | null>(null);
  return (
    <Box
      role="group"
      aria-label={`What to see at step ${String(step)}`}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}
    >
      {stages.map((stage) => (
        <ButtonBase
          key={stage.key}
          aria-haspopup="dialog"
          aria-label={`What it looks like: ${stage.name}`}
          onClick={(event) => setOpen({ stage, at: event.currentTarget })}
          sx={(t) => ({
            gap: 0.75,
            pr: 1.25,
            pl: 0.5,
            minHeight: 44,
            borderRadius: 2,
            border: `1.5px solid ${t.vars.palette.divider}`,
            font: "inherit",
            fontSize: "size.note",
            "&:hover": { borderColor: t.vars.palette.bench.rim },
          })}
        >
          <StageDrawing stage={stage.key} size={52} />
          {stage.name}
        </ButtonBase>
      ))}
      <Popover
        open={open !== null}
        anchorEl={open?.at}
        onClose={() => setOpen(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        {open && <StageWords stage={open.stage} />}
      </Popover>
    </Box>
  );
}

function StageWords({ stage }: { stage: Stage }) {
  const long = [
    stage.by_machine && `${stage.by_machine} by machine`,
    stage.by_hand && `${stage.by_hand} by hand`,
  ].filter(Boolean);
  return (
    <Box
      role="dialog"
      aria-label={stage.name}
      sx={{ p: 2, maxWidth: 380, display: "flex", gap: 2 }}
    >
      <StageDrawing stage={stage.key} size={120} />
      <Box>
        <Typography sx={{ fontWeight: 700 }}>
          {stage.name.charAt(0).toUpperCase() + stage.name.slice(1)}
        </Typography>
        <Typography>{stage.see}</Typography>
        {long.length > 0 && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
            Usually {long.join(", ")}. The sign counts, not the clock.
          </Typography>
        )}
        <Typography sx={{ mt: 0.75 }}>
          <strong>Too far:</strong> {stage.too_far}
        </Typography>
        <Typography>
          <strong>Then:</strong> {stage.mend}
        </Typography>
      </Box>
    </Box>
  );
}
