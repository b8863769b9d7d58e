import { Box } from "@mui/material";
import type { ReactNode } from "react";

/** A page in black on white that only print sees. */
export function PrintFrame({ children, tall = false }: { children: ReactNode; tall?: boolean }) {
  return (
    <Box
      aria-hidden
      data-print-sheet
      sx={{
        display: "none",
        "@media print": {
          display: "block",
          color: "#000",
          fontSize: "9.5pt",
          lineHeight: 1.2,
          "& h1": { fontSize: "15pt", m: 0 },
          "& h2": { fontSize: "10.5pt", mt: 0.75, mb: 0.25, borderBottom: "1.5pt solid #000" },
          "& table": { width: "100%", borderCollapse: "collapse" },
          "& td, & th": { textAlign: "left", padding: "1pt 4pt 1pt 0", verticalAlign: "top" },
          "& tr": { borderBottom: "0.5pt solid #999" },
          "& .number": { fontWeight: 700, whiteSpace: "nowrap" },
          "& ul, & ol": { m: 0, pl: 2 },
          "& p": { m: 0, mt: 0.5 },
          "& svg": { maxHeight: tall ? "90mm" : "30mm" },
          "& ol > li": { py: "0.5pt", lineHeight: 1.2 },
          "& li *": { fontSize: "inherit", lineHeight: 1.2, m: 0 },
          // Parts of a cake in two columns, their amounts under each other from part to part.
          "& .parts": { columnCount: 2, columnGap: "7mm" },
          "& .parts > *": { breakInside: "avoid" },
          "& .parts > *:first-of-type > h2": { mt: 0 },
          "& .amounts": { tableLayout: "fixed" },
          "& .amounts td:first-of-type": { width: "1.5em" },
          "& .amounts td:nth-of-type(2)": { width: "21%" },
          "& .amounts td:nth-of-type(3)": { width: "30%", whiteSpace: "normal" },
          "& svg .wall, & svg .risen, & svg polyline.cut, & svg .rim, & svg .tube": {
            stroke: "#000",
          },
          "& svg .batter": { fill: "#ccc" },
          "& svg .layer, & svg .laid": { fill: "#999" },
          "& svg .rim, & svg .tube": { fill: "#fff" },
          "& svg .ghost, & svg .rule": { stroke: "#777" },
          "& svg text": { fill: "#000" },
        },
      }}
    >
      {children}
    </Box>
  );
}
