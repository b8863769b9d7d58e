import { Box, Typography } from "@mui/material";

import type { Finding } from "../api/client";
import { CareIcon, NoteIcon, StopIcon } from "./icons";

const ICONS = { stop: StopIcon, warn: CareIcon, note: NoteIcon } as const;
const NAMES = { stop: "Stops here", warn: "Take care", note: "Note" } as const;

/** A finding: what it is, and what to do. */
export function FindingRow({ finding }: { finding: Finding }) {
  const Icon = ICONS[finding.severity];
  return (
    <Box
      data-finding={finding.code}
      sx={(t) => ({
        display: "flex",
        gap: 1,
        alignItems: "flex-start",
        py: 0.5,
        pl: 1.25,
        mb: 0.5,
        borderLeft: `4px solid ${
          finding.severity === "stop"
            ? t.vars.palette.bench.heat
            : finding.severity === "warn"
              ? t.vars.palette.bench.butter
              : t.vars.palette.bench.rim
        }`,
      })}
    >
      <Icon titleAccess={NAMES[finding.severity]} fontSize="small" sx={{ mt: 0.2 }} />
      <Typography sx={{ lineHeight: 1.3 }}>
        <Box component="span" sx={{ fontWeight: finding.severity === "note" ? 400 : 650 }}>
          {finding.text}
        </Box>{" "}
        <Box component="span" sx={{ color: "text.secondary" }}>
          {finding.hint}
        </Box>
      </Typography>
    </Box>
  );
}
