import { Box } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { readingQuery } from "../../../../api/queries/recipes";
import { MarkedPieces } from "../../paste/MarkedBox";
import { openOf } from "../../paste/LedgerPanel";

/** The text a card was read from, as it came, with its marks. */
export function Pasted({ text }: { text: string }) {
  const [open, setOpen] = useState(false);
  const read = useQuery({ ...readingQuery(text, []), enabled: open });
  if (text.trim() === "") return null;
  return (
    <Box
      component="details"
      onToggle={(event) => setOpen((event.target as HTMLDetailsElement).open)}
    >
      <Box component="summary" sx={{ cursor: "pointer", fontWeight: 650, minHeight: 32 }}>
        The text as it was pasted
      </Box>
      <Box sx={{ whiteSpace: "pre-wrap", overflowWrap: "break-word", lineHeight: 1.5 }}>
        <MarkedPieces
          text={text}
          marks={read.data?.marks ?? []}
          asked={openOf(read.data?.ledger ?? [])}
        />
      </Box>
    </Box>
  );
}
