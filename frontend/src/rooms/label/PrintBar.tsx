import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useState } from "react";

import type { Label } from "../../api/client";
import { dayOf, dayWords } from "../../domain/moments";
import { typedCount } from "../../domain/numbers";
import { Stepper } from "../../ui/Stepper";
import type { LabelInHand } from "./useLabel";

/** How many labels, from which place of the sheet; as PDF, as text; and the card. */
export function PrintBar({ label, hand }: { label: Label; hand: LabelInHand }) {
  const [count, setCount] = useState(1);
  const [first, setFirst] = useState(1);
  const ways = [hand.print, hand.text, hand.card];
  const busy = ways.some((one) => one.isPending);
  const failed = ways.find((one) => one.isError)?.error ?? null;
  const after = (send: () => void) => () => {
    for (const one of ways) one.reset();
    send();
  };
  const off = !label.ready || busy;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        <Box>
          How many
          <Stepper
            label="How many labels"
            value={count}
            least={1}
            read={typedCount}
            onChange={setCount}
          />
        </Box>
        <Box>
          First free one
          <Stepper
            label="First free label of the sheet"
            value={first}
            least={1}
            read={typedCount}
            onChange={setFirst}
          />
        </Box>
        <Button
          variant="contained"
          disabled={off}
          onClick={after(() => hand.print.mutate({ count, first }))}
        >
          Print labels
        </Button>
        <Button disabled={off} onClick={after(() => hand.text.mutate())}>
          As text
        </Button>
        <Button disabled={off} onClick={after(() => hand.card.mutate())}>
          Card to hand over
        </Button>
      </Box>
      {busy && <LinearProgress aria-label="Setting the label" sx={{ mt: 1 }} />}
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed.message}
        </Alert>
      )}
      {label.last && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 1 }}>
          Last printed {dayWords(dayOf(label.last.printed_at, "local"), true)} as “
          {label.last.title}
          ”.
        </Typography>
      )}
    </Box>
  );
}
