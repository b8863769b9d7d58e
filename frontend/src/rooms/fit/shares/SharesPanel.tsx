import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  TextField,
  Typography,
} from "@mui/material";
import { useState } from "react";

import type { Fit } from "../../../api/client";
import type { AskedShare } from "../../../domain/fitChoices";
import { countOf, typedCount } from "../../../domain/numbers";
import { CloseIcon } from "../../../ui/icons";
import { Stepper } from "../../../ui/Stepper";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { ShareSteps } from "./ShareSteps";

interface SharesPanelProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** One batter, several cakes: shares of it that take something of their own. */
export function SharesPanel({ fit, inHand }: SharesPanelProps) {
  const [open, setOpen] = useState(false);
  const { shares } = inHand.choices;
  if (fit.factor === null) return null;
  return (
    <Box sx={{ mt: 1.5 }}>
      {fit.shares.map((share) => (
        <ShareSteps key={share.name} share={share} />
      ))}
      <Button size="small" onClick={() => setOpen(true)} aria-haspopup="dialog">
        {shares.length > 0 ? "Change the shares" : "One batter, several cakes"}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="sm">
        <DialogTitle>One batter, several cakes</DialogTitle>
        <DialogContent>
          <Typography color="textSecondary">
            A share of the batter takes something of its own: a spice, cocoa with its milk, a
            colour. Write amounts as for the whole recipe; each share gets its part of them.
          </Typography>
          {shares.map((share, place) => (
            <ShareForm
              key={place}
              fit={fit}
              share={share}
              onChange={(next) =>
                inHand.choose((now) => ({
                  shares: now.shares.map((one, i) => (i === place ? next : one)),
                }))
              }
              onRemove={() =>
                inHand.choose((now) => ({ shares: now.shares.filter((_, i) => i !== place) }))
              }
            />
          ))}
          <Button
            onClick={() =>
              inHand.choose((now) => ({
                shares: [...now.shares, freshShare(fit, now.shares.length)],
              }))
            }
            sx={{ mt: 1 }}
          >
            Add a share
          </Button>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Done</Button>
        </DialogActions>
      </Dialog>
    </Box>
  );
}

function freshShare(fit: Fit, number: number): AskedShare {
  const entry = Math.max(
    0,
    fit.pans.findIndex((pan) => pan.batter_g_each !== null),
  );
  return {
    name: `Share ${String(number + 1)}`,
    pans: [{ entry, count: 1, part: 1 }],
    adds: [],
  };
}

interface ShareFormProps {
  fit: Fit;
  share: AskedShare;
  onChange: (share: AskedShare) => void;
  onRemove: () => void;
}

function ShareForm({ fit, share, onChange, onRemove }: ShareFormProps) {
  const [name, setName] = useState(share.name);
  const [adds, setAdds] = useState((share.adds ?? []).join("\n"));
  const count = (entry: number) => share.pans.find((one) => one.entry === entry)?.count ?? 0;
  const part = (entry: number) => share.pans.find((one) => one.entry === entry)?.part ?? 1;
  const take = (entry: number, next: number, nextPart: number) => {
    const others = share.pans.filter((one) => one.entry !== entry);
    const pans = next > 0 ? [...others, { entry, count: next, part: nextPart }] : others;
    onChange({ ...share, pans: pans.toSorted((a, b) => a.entry - b.entry) });
  };
  return (
    <Box
      component="fieldset"
      sx={(t) => ({
        border: `1px solid ${t.vars.palette.divider}`,
        borderRadius: 1.5,
        mt: 1.5,
        p: 1.5,
        minWidth: 0,
      })}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <TextField
          label="Name of the share"
          size="small"
          value={name}
          onChange={(event) => setName(event.target.value)}
          onBlur={() => name.trim() !== "" && onChange({ ...share, name: name.trim() })}
          error={name.trim() === ""}
          fullWidth
        />
        <IconButton aria-label={`Take ${share.name} away`} onClick={onRemove}>
          <CloseIcon />
        </IconButton>
      </Box>
      <TextField
        label="Stirred in, a line each"
        placeholder={"20 g cocoa\n25 ml milk"}
        value={adds}
        onChange={(event) => setAdds(event.target.value)}
        onBlur={() =>
          onChange({
            ...share,
            adds: adds.split("\n").filter((line) => line.trim() !== ""),
          })
        }
        multiline
        minRows={2}
        fullWidth
        sx={{ mt: 1.5 }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {fit.pans.map((pan, entry) =>
        pan.batter_g_each === null ? null : (
          <Box
            key={`${String(entry)}-${pan.label}`}
            sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mt: 1 }}
          >
            <Stepper
              label={`${pan.label} of ${share.name}`}
              value={count(entry)}
              least={0}
              read={typedCount}
              onChange={(next) => take(entry, Math.min(next, pan.count), part(entry))}
            />
            <span>of {countOf(pan)}</span>
            {count(entry) > 0 && (
              <Stepper
                label={`Part of the batter in ${pan.label}, per cent`}
                value={Math.round(part(entry) * 100)}
                least={5}
                step={5}
                unit="%"
                read={typedCount}
                onChange={(next) =>
                  take(entry, count(entry), Math.min(Math.max(next, 1), 100) / 100)
                }
              />
            )}
          </Box>
        ),
      )}
    </Box>
  );
}
