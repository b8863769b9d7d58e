import { Box } from "@mui/material";
import { useState } from "react";

import type { Aim, Card, Desk } from "../../../../api/client";
import { Doubts } from "./Doubts";
import { Holes } from "./Holes";
import { Pasted } from "./Pasted";
import { Questions } from "./Questions";
import type { PartName } from "./sentence";
import { SettleForm } from "./SettleForm";

interface SettlePanelProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
  aims: readonly Aim[];
  onAims: (aims: readonly Aim[]) => void;
}

/** What is asked, what is missing, and everything about the card beside its lines. */
export function SettlePanel({ card, seen, edit, aims, onAims }: SettlePanelProps) {
  const [open, setOpen] = useState<PartName | null>(null);
  return (
    <Box sx={{ display: "grid", gap: 1.25 }}>
      {seen && seen.questions.length > 0 && (
        <Questions card={card} questions={seen.questions} edit={edit} />
      )}
      <Doubts card={card} edit={edit} />
      {seen && (
        <Holes
          holes={seen.holes}
          card={card}
          edit={edit}
          aims={aims}
          onAims={onAims}
          onSay={setOpen}
        />
      )}
      <SettleForm card={card} seen={seen} edit={edit} open={open} onOpen={setOpen} />
      <Pasted text={card.pasted} />
    </Box>
  );
}
