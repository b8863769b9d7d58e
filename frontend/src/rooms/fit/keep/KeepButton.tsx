import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  List,
  ListItem,
  ListItemButton,
  ListItemText,
  Snackbar,
  TextField,
  Typography,
} from "@mui/material";
import { useDeferredValue, useState } from "react";

import { KitchenProblem } from "../../../api/client";
import type { Fit, FitRequest, KeptRow } from "../../../api/client";
import { dueWords, HERE } from "../../../domain/moments";
import { choicesOf, requestOf } from "../../../domain/fitChoices";
import { CloseIcon, KeepIcon } from "../../../ui/icons";
import { SearchField } from "../../../ui/SearchField";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { suggestionFor } from "./naming";
import { useKeptFits } from "./useKeptFits";

/** Kept fits from which their list has a search. */
const WORTH_A_SEARCH = 12;

/** Keep the fit under a name, or bring a kept one back. */
export function KeepButton({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState("");
  const [removed, setRemoved] = useState<{ name: string; request: FitRequest } | null>(null);
  const [words, setWords] = useState("");
  const kept = useKeptFits(useDeferredValue(words.trim()));
  const bringBack = async (row: KeptRow) => {
    inHand.choose(choicesOf(await kept.open(row)), "history");
    setOpen(false);
    setSaid(`“${row.name}” is back.`);
  };
  const letGo = async (row: KeptRow) => setRemoved(await kept.remove.mutateAsync(row));
  return (
    <>
      <Button startIcon={<KeepIcon />} onClick={() => setOpen(true)} aria-haspopup="dialog">
        Keep
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="sm">
        <DialogTitle>Keep this fit</DialogTitle>
        <DialogContent>
          <KeepForm
            key={String(open)}
            suggestion={suggestionFor(fit)}
            request={requestOf(inHand.choices)}
            kept={kept}
            onKept={(name) => {
              setOpen(false);
              setSaid(`Kept as “${name}”.`);
            }}
          />
          <Typography component="h2" sx={{ mt: 2, fontWeight: 700 }}>
            Kept fits
          </Typography>
          {kept.list.isError && <Alert severity="error">{kept.list.error.message}</Alert>}
          {kept.list.data?.length === 0 && (
            <Typography color="textSecondary">
              {words ? "No kept fit is called that." : "None yet. A kept fit opens from here."}
            </Typography>
          )}
          {((kept.list.data?.length ?? 0) >= WORTH_A_SEARCH || words !== "") && (
            <SearchField
              label="Search kept fits"
              placeholder="Search names and recipes"
              value={words}
              onChange={setWords}
            />
          )}
          {removed && (
            <Alert
              severity="info"
              role="status"
              action={
                <Button
                  color="inherit"
                  onClick={() => {
                    kept.keep.mutate({ ...removed, replace: false });
                    setRemoved(null);
                  }}
                >
                  Undo
                </Button>
              }
            >
              “{removed.name}” is removed.
            </Alert>
          )}
          <List dense>
            {kept.list.data?.map((row) => (
              <ListItem
                key={row.id}
                disablePadding
                secondaryAction={
                  <IconButton aria-label={`Remove ${row.name}`} onClick={() => void letGo(row)}>
                    <CloseIcon />
                  </IconButton>
                }
              >
                <ListItemButton onClick={() => void bringBack(row)}>
                  <ListItemText
                    primary={row.name}
                    secondary={`${row.recipe_title} · ${dueWords(row.kept_at, HERE)}`}
                  />
                </ListItemButton>
              </ListItem>
            ))}
          </List>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
      <Snackbar
        open={said !== ""}
        message={said}
        autoHideDuration={4000}
        onClose={() => setSaid("")}
      />
    </>
  );
}

interface KeepFormProps {
  suggestion: string;
  request: FitRequest | null;
  kept: ReturnType<typeof useKeptFits>;
  onKept: (name: string) => void;
}

function KeepForm({ suggestion, request, kept, onKept }: KeepFormProps) {
  const [name, setName] = useState(suggestion);
  const problem = kept.keep.error instanceof KitchenProblem ? kept.keep.error.problem : undefined;
  const taken = problem?.code === "name_taken";
  const keep = async (replace: boolean) => {
    if (request === null) return;
    await kept.keep.mutateAsync({ name, request, replace }).then(
      () => onKept(name),
      () => undefined,
    );
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        void keep(false);
      }}
      sx={{ display: "flex", gap: 1, alignItems: "flex-start", pt: 1 }}
    >
      <TextField
        label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={kept.keep.isError}
        helperText={kept.keep.error?.message ?? " "}
        fullWidth
        autoFocus
      />
      {taken ? (
        <Button variant="contained" onClick={() => void keep(true)} sx={{ minHeight: 56 }}>
          Replace
        </Button>
      ) : (
        <Button type="submit" variant="contained" sx={{ minHeight: 56 }}>
          Keep it
        </Button>
      )}
    </Box>
  );
}
