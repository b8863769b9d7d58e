import { Box, Button, Typography } from "@mui/material";

import type { Card, CardDoubt } from "../../../../api/client";
import { AskedRow } from "../../AskedRow";

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
        <AskedRow key={`${one.words}-${one.why}`} text={one.why}>
          <Button variant="outlined" size="small" onClick={() => close(one)}>
            It is settled
          </Button>
        </AskedRow>
      ))}
    </Box>
  );
}
