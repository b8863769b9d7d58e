import { Box, Button, Collapse, Typography } from "@mui/material";
import { useState } from "react";

import type { Finding } from "../../../api/client";
import { FindingRow } from "../../../ui/FindingRow";

/** The gravest first: what stands against this fit stays in sight, the notes are one tap away. */
export function Knowing({ findings, filled }: { findings: readonly Finding[]; filled: boolean }) {
  const [open, setOpen] = useState(false);
  const grave = findings.filter((one) => one.severity !== "note");
  const first = grave[0];
  const hidden = findings.length - (first ? 1 : 0);
  return (
    <Box
      role="region"
      aria-label="What to know"
      aria-live="polite"
      sx={{
        minWidth: 0,
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 1.5,
        "& > :first-of-type": { mt: 0 },
        "& > .MuiCollapse-root": { flexBasis: "100%" },
      }}
    >
      {first ? (
        <FindingRow finding={first} />
      ) : (
        filled && (
          <Typography sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.leaf })}>
            Nothing stands against it
          </Typography>
        )
      )}
      {hidden > 0 && (
        <Button
          size="small"
          onClick={() => setOpen(!open)}
          aria-expanded={open}
          sx={{ px: 0.75, ml: -0.75 }}
        >
          {open ? "Fewer" : first ? `${String(hidden)} more` : notes(hidden)} {open ? "▴" : "▾"}
        </Button>
      )}
      <Collapse in={open} unmountOnExit>
        {findings.slice(first ? 1 : 0).map((finding) => (
          <FindingRow
            key={`${finding.code}-${String(finding.entry)}-${finding.subject}`}
            finding={finding}
          />
        ))}
      </Collapse>
    </Box>
  );
}

function notes(count: number): string {
  return count === 1 ? "1 note" : `${String(count)} notes`;
}
