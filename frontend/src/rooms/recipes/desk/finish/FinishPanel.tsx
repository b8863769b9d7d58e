import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import type { Card } from "../../../../api/client";
import { cardFinishQuery } from "../../../../api/queries/recipes";
import { Drawings } from "../../../../finish/Drawings";
import { changedFinish, sameFinish } from "../../../../finish/finishing";
import type { FinishingInHand, FinishWord } from "../../../../finish/finishing";
import { FinishLine } from "../../../../finish/FinishLine";
import { OwnReason } from "../../../../finish/OwnReason";
import { useUnits } from "../../../../ui/useUnits";

interface FinishPanelProps {
  card: Card;
  edit: (change: (card: Card) => Card) => void;
}

/** How the card's own cakes are finished: drawn, in one line, each word of it a choice. */
export function FinishPanel({ card, edit }: FinishPanelProps) {
  const units = useUnits();
  const [open, setOpen] = useState<FinishWord | null>(null);
  const asked = useQuery(cardFinishQuery(useDeferredValue(card)));
  const done = asked.data ?? null;
  if (asked.isError && !done) return <Alert severity="error">{asked.error.message}</Alert>;
  if (!done) return <Typography aria-busy>Drawing its cake…</Typography>;
  const own = done.own.finish;
  const finishing: FinishingInHand = {
    now: own,
    open,
    setOpen,
    change: (part) =>
      edit((now) => {
        const next = changedFinish(own, part);
        return sameFinish(next, own) ? now : { ...now, finish: next as Card["finish"] };
      }),
  };
  return (
    <>
      <Drawings done={done} units={units} onPart={setOpen} />
      <FinishLine done={done} finishing={finishing} units={units} />
      <Box sx={{ fontSize: "size.small" }}>
        <OwnReason own={done.own} />
        <Typography color="textSecondary" sx={{ pt: 0.75 }}>
          Every fit is finished so unless it says otherwise, and all its amounts are measured from
          here.
        </Typography>
        {done.own.settled && (
          <Button size="small" onClick={() => edit((now) => ({ ...now, finish: null }))}>
            Go by the method again
          </Button>
        )}
      </Box>
    </>
  );
}
