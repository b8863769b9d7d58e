import { Alert, Box, Button, LinearProgress } from "@mui/material";
import { useState } from "react";

import type { Label } from "../../api/client";
import { typedCount } from "../../domain/numbers";
import { Stepper } from "../../ui/Stepper";
import type { LabelInHand } from "./useLabel";

/** How many labels, from which place of the sheet; as PDF, as text; and the card. */
export function PrintBar({ label, hand }: { label: Label; hand: LabelInHand }) {
  const [count, setCount] = useState(1);
  const [first, setFirst] = useState(1);
  const { print, text, card } = hand;
  const busy = print.isPending || text.isPending || card.isPending;
  const failed = [print, text, card].find((one) => one.isError)?.error ?? null;
  const cleared = () => {
    for (const one of [print, text, card]) one.reset();
  };
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
          disabled={!label.ready || busy}
          onClick={() => {
            cleared();
            print.mutate({ count, first });
          }}
        >
          Print labels
        </Button>
        <Button
          disabled={!label.ready || busy}
          onClick={() => {
            cleared();
            text.mutate();
          }}
        >
          As text
        </Button>
        <Button
          disabled={!label.ready || busy}
          onClick={() => {
            cleared();
            card.mutate();
          }}
        >
          Card to hand over
        </Button>
      </Box>
      {busy && <LinearProgress aria-label="Setting the label" sx={{ mt: 1 }} />}
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed.message}
        </Alert>
      )}
    </Box>
  );
}
