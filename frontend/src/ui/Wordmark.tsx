import { Box } from "@mui/material";

import { TITLE_FACE } from "./theme";

const narrowHidden = {
  "@media (max-width: 599.95px)": {
    position: "absolute",
    width: "1px",
    height: "1px",
    overflow: "hidden",
    clipPath: "inset(50%)",
    whiteSpace: "nowrap",
  },
} as const;

/** The mark: a pan with a wave of batter in it, and the name. */
export function Wordmark() {
  return (
    <Box component="span" sx={{ display: "inline-flex", alignItems: "center", gap: 1.25 }}>
      <svg width="34" height="26" viewBox="0 0 34 26" aria-hidden>
        <path
          d="M2 23h30M5 23V9q0-5 5-5h14q5 0 5 5v14"
          fill="none"
          stroke="currentColor"
          strokeWidth="2.6"
          strokeLinecap="round"
        />
        <path
          d="M5.5 14.5q5.7-4.6 11.5 0t11.5 0"
          fill="none"
          stroke="var(--mui-palette-bench-butter)"
          strokeWidth="2.6"
        />
      </svg>
      <Box
        component="span"
        sx={{
          fontFamily: TITLE_FACE,
          fontWeight: 800,
          fontSize: "size.large",
          letterSpacing: "-0.015em",
          // On a phone the rooms need the place; the mark stays, the name is still read out.
          ...narrowHidden,
        }}
      >
        entremet
      </Box>
    </Box>
  );
}
