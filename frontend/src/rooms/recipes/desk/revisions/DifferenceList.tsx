import { Box } from "@mui/material";

import type { Difference } from "../../../../api/client";

const WORDS: Record<Difference["change"], string> = {
  added: "added",
  taken_away: "taken away",
  changed: "changed",
};

/** Differences of two versions, before and after. */
export function DifferenceList({ differences }: { differences: readonly Difference[] }) {
  if (differences.length === 0) return <Box sx={{ py: 1 }}>Nothing differs.</Box>;
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {differences.map((one, place) => (
        <Box
          component="li"
          key={place}
          sx={{ py: 0.75, borderBottom: 1, borderColor: "divider", lineHeight: 1.3 }}
        >
          <Box component="span" sx={{ fontWeight: 700 }}>
            {one.part} {WORDS[one.change]}
          </Box>
          {one.was && (
            <Box component="del" sx={{ display: "block", color: "text.secondary" }}>
              {one.was}
            </Box>
          )}
          {one.now && (
            <Box component="ins" sx={{ display: "block", textDecoration: "none" }}>
              {one.now}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
