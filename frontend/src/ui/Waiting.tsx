import { Box, Typography } from "@mui/material";
import { useEffect, useState } from "react";

const OUTLINE_MS = 300;
const WORDS_MS = 1000;

interface WaitingProps {
  /** What is going on, in words: "Planning the days". */
  words: string;
  /** How many things its outline shows. */
  rows?: number;
}

/**
 * What is waited for: nothing for a moment, then its outline, after a second in words. Read out at
 * once.
 */
export function Waiting({ words, rows = 3 }: WaitingProps) {
  const since = useSince();
  return (
    <Box role="progressbar" aria-label={words} aria-busy sx={{ py: 1, px: { xs: 1.5, sm: 0 } }}>
      {since >= OUTLINE_MS && (
        <>
          <Typography
            aria-hidden
            color="textSecondary"
            sx={{ minHeight: "1.6em", visibility: since >= WORDS_MS ? "visible" : "hidden" }}
          >
            {words} …
          </Typography>
          {Array.from({ length: rows }, (_, place) => (
            <Box
              key={place}
              aria-hidden
              sx={(t) => ({
                height: 72,
                mb: 1.25,
                maxWidth: place % 2 ? 720 : 960,
                borderRadius: 2,
                border: `2px dashed ${t.vars.palette.divider}`,
              })}
            />
          ))}
        </>
      )}
    </Box>
  );
}

/** How long this has been on the screen, told when its outline comes and when its words do. */
function useSince(): number {
  const [since, setSince] = useState(0);
  useEffect(() => {
    const timers = [OUTLINE_MS, WORDS_MS].map((span) => setTimeout(() => setSince(span), span));
    return () => timers.forEach(clearTimeout);
  }, []);
  return since;
}
