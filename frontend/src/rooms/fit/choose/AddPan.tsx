import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useState } from "react";

import type { FitEntry, FitPan } from "../../../api/client";
import { countOf, listed } from "../../../domain/numbers";
import { Choice } from "../../../ui/Choice";
import { RackTray } from "../shared/RackTray";
import { TypedPan } from "../../../pans/form/TypedPan";

interface AddPanProps {
  open: boolean;
  onClose: () => void;
  onAdd: (entry: FitEntry) => void;
  /** What is in the fit by now. */
  chosen: readonly FitPan[];
}

const WAYS = [
  { value: "rack", label: "From the rack" },
  { value: "typed", label: "Type measures" },
] as const;

/** Add pans: from the rack, or by typing them; it stays open until it is left. */
export function AddPan({ open, onClose, onAdd, chosen }: AddPanProps) {
  const [way, setWay] = useState<"rack" | "typed">("rack");
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>Add pans</DialogTitle>
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
        <Typography role="status" sx={{ flex: 1, pl: 2 }}>
          {chosen.length > 0 && (
            <>
              In the fit: <strong>{listed(chosen.map(countOf))}</strong>
            </>
          )}
        </Typography>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
