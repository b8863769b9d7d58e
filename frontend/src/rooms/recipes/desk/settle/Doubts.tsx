import { Box, Button, Typography } from "@mui/material";

import type { Card, CardDoubt } from "../../../../api/client";
import { AskIcon } from "../../../../ui/icons";

interface DoubtsProps {
  card: Card;
  edit: (change: (card: Card) => Card) => void;
}

/** What is still asked about the text the card was read from; each goes with a tap. */
export function Doubts({ card, edit }: DoubtsProps) {
  if (card.doubts.length === 0) return null;
  const close = (one: CardDoubt) =>
    edit((now) => ({
      ...now,
      doubts: now.doubts.filter((doubt) => doubt.words !== one.words || doubt.why !== one.why),
    }));
  return (
    <Box component="section" aria-label="Asked about the text">
      <Typography component="h2" sx={{ fontWeight: 700, mb: 0.5 }}>
        Asked about the text you pasted
      </Typography>
      {card.doubts.map((one) => (
        <Box
          key={`${one.words}-${one.why}`}
          data-doubt
          sx={(t) => ({
            display: "flex",
            gap: 1,
            borderLeft: `4px solid ${t.vars.palette.bench.butter}`,
            pl: 1.25,
            py: 0.25,
            mb: 0.75,
          })}
        >
          <AskIcon fontSize="small" titleAccess="Question" sx={{ mt: 0.4 }} />
          <Box sx={{ flex: 1 }}>
            <Typography sx={{ fontWeight: 650, lineHeight: 1.3 }}>{one.why}</Typography>
            <Button variant="outlined" size="small" sx={{ mt: 0.5 }} onClick={() => close(one)}>
              It is settled
            </Button>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
