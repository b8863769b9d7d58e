import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import type { Bake, BakeChanged } from "../../api/client";
import { planned } from "../../bakes/words";
import { fieldOf, momentOf, momentWords } from "../../domain/moments";
import { ToldFields } from "./ToldFields";
import { WhenField } from "./WhenField";
import { PhotoField } from "./PhotoField";
import { changedFrom, useBakes } from "./useBakes";

interface BakeDialogProps {
  bake: Bake;
  zone: string;
  onClose: () => void;
  onRemove: (bake: Bake) => void;
}

/** A bake, to be looked at and changed; what was planned stays as it was. */
export function BakeDialog({ bake, zone, onClose, onRemove }: BakeDialogProps) {
  const [told, setTold] = useState<BakeChanged>(changedFrom(bake));
  const [when, setWhen] = useState(fieldOf(bake.baked_at, zone));
  const { change } = useBakes();
  const at = momentOf(when, zone);
  const wrong = at === null || !(told.minutes > 0 && told.minutes <= 600);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="bake-title">
      <DialogTitle id="bake-title">
        {`${bake.recipe_title}, ${momentWords(bake.baked_at, zone)}`}
      </DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" sx={{ mb: 2 }}>
          {`${String(bake.count)} × ${bake.pan_label} · ${[bake.oven_name, bake.dial].filter(Boolean).join(", ")} · planned: look at ${String(bake.first_look_min)}, ${planned(bake)} min${bake.learnt_from > 0 ? `, learnt from ${String(bake.learnt_from)} bakes` : ""}${bake.looks > 0 ? ` · ${String(bake.looks)} × not done when looked at` : ""}`}
          {bake.recipe !== null && (
            <>
              {" · "}
              <Box
                component={Link}
                to={`/recipes/${String(bake.recipe)}`}
                sx={{ color: "inherit" }}
              >
                The card
              </Box>
            </>
          )}
        </Typography>
        <ToldFields told={told} onChange={(more) => setTold({ ...told, ...more })} />
        <WhenField value={when} wrong={at === null} onChange={setWhen} />
        <PhotoField bake={bake} />
      </DialogContent>
      {change.isError && (
        <Alert severity="error" sx={{ mx: 3 }}>
          {change.error.message}
        </Alert>
      )}
      <DialogActions sx={{ flexWrap: "wrap" }}>
        <Button color="error" onClick={() => onRemove(bake)}>
          Take it out of the logbook
        </Button>
        <Box sx={{ flex: 1 }} />
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={wrong || change.isPending}
          onClick={() =>
            change.mutate({ id: bake.id, body: { ...told, baked_at: at } }, { onSuccess: onClose })
          }
        >
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}
