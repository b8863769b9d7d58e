import { Box, IconButton, useMediaQuery } from "@mui/material";
import { useState } from "react";
import type { ReactNode } from "react";

import { MoreIcon } from "./icons";

/** Rarer things to do: beside the others where there is room, behind one button on a phone. */
export function Behind({ children }: { children: ReactNode }) {
  const phone = useMediaQuery((t) => t.breakpoints.down("sm"), { noSsr: true });
  const [open, setOpen] = useState(false);
  if (!phone) return children;
  return (
    <>
      <IconButton aria-label="What else" aria-expanded={open} onClick={() => setOpen(!open)}>
        <MoreIcon />
      </IconButton>
      {open && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, flexBasis: "100%" }}>
          {children}
        </Box>
      )}
    </>
  );
}
