import { Box, Typography, useMediaQuery } from "@mui/material";
import type { ReactNode } from "react";

import { Behind } from "./Behind";

/** Where the content of every room begins and ends. */
export const EDGES = { xs: 1.5, sm: 3 } as const;

/** The frame of a room: one edge, one width; one that fills the screen keeps its scroll inside. */
export function Room({ children, fill = false }: { children: ReactNode; fill?: boolean }) {
  return (
    <Box
      sx={{
        px: EDGES,
        pt: { xs: 0.5, sm: 1.5 },
        pb: { xs: 2, sm: 3 },
        width: "100%",
        maxWidth: 1480,
        mx: "auto",
        ...(fill && {
          flex: 1,
          display: "flex",
          flexDirection: "column",
          minHeight: { lg: 0 },
        }),
      }}
    >
      {children}
    </Box>
  );
}

interface RoomHeadProps {
  title: ReactNode;
  /** What there is to look at in it. */
  views?: ReactNode;
  /** The one thing to do. */
  main?: ReactNode;
  /** What else can be done; behind one button on a phone. */
  more?: ReactNode;
}

/** The head of every room: its title, its views, the one thing to do, and the rest. */
export function RoomHead({ title, views, main, more }: RoomHeadProps) {
  const phone = useMediaQuery((t) => t.breakpoints.down("sm"), { noSsr: true });
  return (
    <Box className="no-print" sx={{ mb: { xs: 1, sm: 1.5 } }}>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          alignItems: "center",
          columnGap: { xs: 1, sm: 2 },
          rowGap: 1,
          minHeight: 44,
        }}
      >
        <Typography
          variant="roomTitle"
          noWrap={phone}
          sx={{ minWidth: 0, flex: { xs: 1, sm: "none" } }}
        >
          {title}
        </Typography>
        {!phone && views}
        <Box sx={{ flex: { sm: 1 } }} />
        {!phone && more}
        {main}
        {phone && more && <Behind>{more}</Behind>}
      </Box>
      {phone && views && <Box sx={{ mt: 0.5 }}>{views}</Box>}
    </Box>
  );
}
