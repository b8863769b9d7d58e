import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

/** A card of the run sheet: a name that leads, and what stands under it. */
export function Panel({
  name,
  title,
  children,
}: {
  name: string;
  title?: string;
  children: ReactNode;
}) {
  return (
    <Box
      component="section"
      aria-label={name}
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: { xs: 1.5, sm: 2 },
      })}
    >
      {title && <PanelTitle>{title}</PanelTitle>}
      {children}
    </Box>
  );
}

export function PanelTitle({ children }: { children: ReactNode }) {
  return (
    <Typography component="h2" color="primary" sx={{ fontWeight: 700, mb: 0.5 }}>
      {children}
    </Typography>
  );
}
