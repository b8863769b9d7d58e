import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { TickIcon } from "../../../ui/icons";

/** Tools the method wants, to be ticked off as they are laid out. */
export function HaveReady({ tools }: { tools: readonly string[] }) {
  const [there, setThere] = useState<ReadonlySet<string>>(new Set());
  if (tools.length === 0) return null;
  const toggle = (tool: string) => {
    const next = new Set(there);
    if (!next.delete(tool)) next.add(tool);
    setThere(next);
  };
  return (
    <Box component="section" aria-label="Have ready" className="no-print" sx={{ mb: 2 }}>
      <Typography component="h2" sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.rim })}>
        Have ready
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, mt: 0.5 }}>
        {tools.map((tool) => (
          <Button
            key={tool}
            size="small"
            variant="outlined"
            aria-pressed={there.has(tool)}
            startIcon={there.has(tool) ? <TickIcon /> : undefined}
            onClick={() => toggle(tool)}
          >
            {tool}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
