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
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import type { BakeTyped } from "../../api/client";
import { againQuery } from "../../api/queries/logbook";
import type { Logbook } from "../../bakes/useLogged";
import { fieldOf, momentOf } from "../../domain/moments";
import { ToldFields } from "./ToldFields";
import { WhenField } from "./WhenField";

type Told = Omit<BakeTyped, "request" | "entry">;

/** A bake without a run sheet: what, how long, how it was. */
export function EnterDialog(props: { zone: string; logbook: Logbook; onClose: () => void }) {
  const { zone, logbook, onClose } = props;
  const again = useQuery(againQuery());
  const [chosen, setChosen] = useState<number | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [when, setWhen] = useState(fieldOf(new Date(), zone));
  const rows = again.data ?? [];
  const row = chosen === null ? undefined : rows[chosen];
  const at = momentOf(when, zone);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="enter-title">
      <DialogTitle id="enter-title">
        {row ? `${row.recipe_title} · ${row.pan_label}` : "What did you bake?"}
      </DialogTitle>
      <DialogContent>
        {!row && (
          <>
            {again.isPending && <Typography>Looking through your fits…</Typography>}
            {again.isError && <Alert severity="error">{again.error.message}</Alert>}
            <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {rows.map((one, place) => (
                <li key={`${String(one.recipe)}/${one.pan_label}/${one.oven_name}`}>
                  <Button
                    fullWidth
                    sx={{ justifyContent: "flex-start", textAlign: "left" }}
                    onClick={() => {
                      setChosen(place);
                      setTold({ minutes: one.likely_min, how: "" });
                    }}
                  >
                    {`${one.recipe_title} · ${one.count > 1 ? `${String(one.count)} × ` : ""}${one.pan_label} · ${one.oven_name}`}
                  </Button>
                </li>
              ))}
            </Box>
            <Typography color="textSecondary" sx={{ mt: 1 }}>
              {rows.length === 0 && again.data ? "Nothing was kept or baked yet. " : "Another? "}
              Open its{" "}
              <Box component={Link} to="/fit" sx={{ color: "inherit" }}>
                fit
              </Box>{" "}
              and say on the bake card how long it took.
            </Typography>
          </>
        )}
        {row && told && (
          <>
            <ToldFields told={told} onChange={(more) => setTold({ ...told, ...more })} />
            <WhenField value={when} wrong={at === null} onChange={setWhen} />
          </>
        )}
      </DialogContent>
      {logbook.log.isError && (
        <Alert severity="error" sx={{ mx: 3 }}>
          {logbook.log.error.message}
        </Alert>
      )}
      <DialogActions>
        {row && <Button onClick={() => setChosen(null)}>Another cake</Button>}
        <Button onClick={onClose}>Leave</Button>
        {row && told && (
          <Button
            variant="contained"
            disabled={at === null || !told.how || !(told.minutes > 0) || logbook.log.isPending}
            onClick={() =>
              logbook.log.mutate(
                { ...told, baked_at: at, request: row.request, entry: row.entry },
                { onSuccess: onClose },
              )
            }
          >
            Into the logbook
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
