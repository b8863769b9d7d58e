import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { LabelRow } from "../../api/client";
import { labelHabitsQuery } from "../../api/queries/labels";
import { AllergenPicker } from "../../labelling/AllergenPicker";
import type { LabelInHand } from "./useLabel";

interface PacketDialogProps {
  row: LabelRow;
  settle: LabelInHand["settle"];
  onClose: () => void;
}

/** What a packet says is in an ingredient; asked once, kept for every label with it. */
export function PacketDialog({ row, settle, onClose }: PacketDialogProps) {
  const habits = useQuery(labelHabitsQuery());
  const [opened, setOpened] = useState(row.opened);
  const [contains, setContains] = useState(row.contains);
  const [may, setMay] = useState(row.may_contain);
  const [asksMay, setAsksMay] = useState(row.may_contain.length > 0);
  const save = () =>
    settle.mutate(
      {
        key: row.key,
        called: row.name,
        opened: opened.trim(),
        contains,
        may_contain: may.filter((key) => !contains.includes(key)),
      },
      { onSuccess: onClose },
    );
  return (
    <Dialog open onClose={onClose} aria-labelledby="packet-title" fullWidth maxWidth="sm">
      <DialogTitle id="packet-title">What is in the {row.name}?</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.5 }}>
        <Typography>
          Enter what the packet says. It stands in brackets on the label, and is kept for every cake
          with it until you change it.
        </Typography>
        <TextField
          label="What it is made of, as the packet lists it"
          placeholder="raising agents, maize starch"
          value={opened}
          onChange={(event) => setOpened(event.target.value.slice(0, 400))}
          multiline
          helperText="Empty if it is one thing."
        />
        {habits.data && (
          <>
            <AllergenPicker
              legend="Contains"
              allergens={habits.data.allergens}
              chosen={contains}
              fixed={row.by_nature}
              onChange={setContains}
            />
            {asksMay ? (
              <AllergenPicker
                legend="May contain, as the packet says"
                allergens={habits.data.allergens.filter((one) => !contains.includes(one.key))}
                chosen={may}
                onChange={setMay}
              />
            ) : (
              <Button onClick={() => setAsksMay(true)} sx={{ justifySelf: "start" }}>
                The packet says “may contain”
              </Button>
            )}
          </>
        )}
      </DialogContent>
      {settle.isError && (
        <Alert severity="error" sx={{ mx: 3 }}>
          {settle.error.message}
        </Alert>
      )}
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button variant="contained" disabled={settle.isPending} onClick={save}>
          {contains.length > 0 ? "Keep it" : "Keep it: none of these is in it"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
