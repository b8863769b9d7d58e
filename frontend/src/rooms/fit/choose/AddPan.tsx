import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import { useState } from "react";

import type { FitEntry } from "../../../api/client";
import { Choice } from "../../../ui/Choice";
import { RackTray } from "../shared/RackTray";
import { TypedPan } from "../../../pans/form/TypedPan";

interface AddPanProps {
  open: boolean;
  onClose: () => void;
  onAdd: (entry: FitEntry) => void;
}

const WAYS = [
  { value: "rack", label: "From the rack" },
  { value: "typed", label: "Type measures" },
] as const;

/** Add a pan: from the rack, or by typing its measures. */
export function AddPan({ open, onClose, onAdd }: AddPanProps) {
  const [way, setWay] = useState<"rack" | "typed">("rack");
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>Add a pan</DialogTitle>
      <DialogContent>
        <Box sx={{ mb: 1.5 }}>
          <Choice label="Where the pan comes from" value={way} options={WAYS} onChange={setWay} />
        </Box>
        {way === "rack" ? (
          <RackTray onAdd={onAdd} onOther={() => setWay("typed")} />
        ) : (
          <TypedPan
            onAdd={(_, count, typed, cutter) =>
              onAdd({ pan: typed, count, ...(cutter === null ? {} : { cutter_cm: cutter }) })
            }
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
