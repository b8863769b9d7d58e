import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

import { AskIcon } from "../../ui/icons";

/** One question about a card or its text, with its answers as taps. */
export function AskedRow({ text, children }: { text: string; children: ReactNode }) {
  return (
    <Box
      data-asks
      sx={(t) => ({
        display: "flex",
        gap: 1,
        borderLeft: `4px solid ${t.vars.palette.bench.butter}`,
        pl: 1.25,
        py: 0.25,
        mb: 0.75,
      })}
    >
      <AskIcon fontSize="small" titleAccess="Question" sx={{ mt: 0.4 }} />
      <Box sx={{ flex: 1 }}>
        <Typography sx={{ fontWeight: 650, lineHeight: 1.3 }}>{text}</Typography>
        <Box
          sx={{ display: "flex", flexWrap: "wrap", alignItems: "flex-start", gap: 0.75, mt: 0.5 }}
        >
          {children}
        </Box>
      </Box>
    </Box>
  );
}
