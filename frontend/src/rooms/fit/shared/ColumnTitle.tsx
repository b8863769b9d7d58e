import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

/** Small heading over a part of the bench, with a word on the right. */
export function ColumnTitle(props: { id: string; children: string; aside?: ReactNode }) {
  return (
    <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline", mb: 0.5 }}>
      <Typography
        component="h2"
        id={props.id}
        sx={(t) => ({ fontWeight: 700, fontSize: "size.note", color: t.vars.palette.bench.rim })}
      >
        {props.children}
      </Typography>
      <Typography component="span" color="textSecondary" sx={{ fontSize: "size.tiny" }}>
        {props.aside}
      </Typography>
    </Box>
  );
}
