import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";

import { BowlsPanel } from "../../../bowls/BowlsPanel";
import type { Bowls } from "../../../bowls/useBowls";

interface BowlsDialogProps {
  open: boolean;
  bowls: Bowls;
  lossShare: number | null;
  onClose: () => void;
}

/** The mixing bowls, without leaving the card. */
export function BowlsDialog({ open, bowls, lossShare, onClose }: BowlsDialogProps) {
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Mixing bowls</DialogTitle>
      <DialogContent>
        <BowlsPanel bowls={bowls} lossShare={lossShare} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
