import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

interface RoomPanelProps {
  id: string;
  title: string;
  /** Stands beside four others, one above the other. */
  tall?: boolean;
  children: ReactNode;
}

/** A part of a room with its own heading, framed. */
export function RoomPanel({ id, title, tall, children }: RoomPanelProps) {
  return (
    <Box
      component="section"
      aria-labelledby={`${id}-title`}
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: { xs: 1.5, sm: 2 },
        minWidth: 0,
        overflowX: "auto",
        ...(tall && { gridRow: { md: "span 4" } }),
      })}
    >
      <Typography
        component="h2"
        id={`${id}-title`}
        sx={(t) => ({ fontWeight: 700, fontSize: "size.strong", color: t.vars.palette.bench.rim })}
      >
        {title}
      </Typography>
      {children}
    </Box>
  );
}
