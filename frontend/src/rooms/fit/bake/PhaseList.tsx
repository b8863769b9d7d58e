import { Box } from "@mui/material";

import type { FitBake } from "../../../api/client";

/** The phases of a bake on the clock; a sign ends the last. */
export function PhaseList({ phases }: { phases: FitBake["phases"] }) {
  return (
    <Box
      component="ol"
      aria-label="Phases"
      sx={{ listStyle: "none", m: 0, my: 0.75, p: 0, display: "flex", flexWrap: "wrap", gap: 1 }}
    >
      {phases.map((phase) => (
        <Box
          component="li"
          key={phase.from_min}
          sx={(t) => ({
            px: 1.25,
            py: 0.5,
            fontSize: "size.lead",
            border: `1.5px solid ${t.vars.palette.divider}`,
            borderRadius: 1,
          })}
        >
          <strong>
            {phase.from_min}–{phase.to_min ?? "done"}
          </strong>{" "}
          {phase.dial}
          {phase.covered ? ", covered" : ""}
          {phase.note ? `, ${phase.note}` : ""}
        </Box>
      ))}
    </Box>
  );
}
