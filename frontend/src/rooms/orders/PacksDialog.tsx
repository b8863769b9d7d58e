import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { ToBuy } from "../../api/client";
import { typedDecimal } from "../../domain/numbers";

const MOST_PACKS = 6;

/** Packs an ingredient comes in, their prices, what is there and where it is bought. */
export function PacksDialog({ row, onClose }: { row: ToBuy; onClose: () => void }) {
  const [have, setHave] = useState(String(Math.round(row.have_g)));
  const [where, setWhere] = useState(row.where);
  const [packs, setPacks] = useState(() => [
    ...row.known_packs.map((one) => ({
      g: String(one.g),
      price: one.price === null ? "" : String(one.price),
    })),
    { g: "", price: "" },
  ]);
  const typed = packs.filter((one) => one.g.trim() !== "");
  const wrong =
    typedDecimal(have) === null ||
    typed.some(
      (one) =>
        typedDecimal(one.g) === null || (one.price.trim() && typedDecimal(one.price) === null),
    );
  const save = useMutation({
    mutationFn: async () =>
      answered(
        await client.PUT("/api/larder", {
          body: {
            key: row.key,
            name: row.name,
            where: where.trim(),
            have_g: typedDecimal(have) ?? 0,
            packs: typed.map((one) => ({
              g: typedDecimal(one.g) ?? 0,
              price: one.price.trim() ? typedDecimal(one.price) : null,
            })),
          },
        }),
      ),
    onSuccess: onClose,
  });
  const set = (place: number, part: Partial<{ g: string; price: string }>) =>
    setPacks(packs.map((one, i) => (i === place ? { ...one, ...part } : one)));
  return (
    <Dialog open onClose={onClose} aria-labelledby="packs-title" fullWidth maxWidth="xs">
      <DialogTitle id="packs-title">{row.name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.5 }}>
        {save.isError && <Alert severity="error">{save.error.message}</Alert>}
        <TextField
          label="There already, g"
          value={have}
          onChange={(event) => setHave(event.target.value)}
          error={typedDecimal(have) === null}
          sx={{ mt: 1 }}
        />
        <TextField
          label="Bought where"
          value={where}
          onChange={(event) => setWhere(event.target.value)}
        />
        {packs.map((pack, place) => (
          <Box key={place} sx={{ display: "flex", gap: 1 }}>
            <TextField
              label={`Pack ${String(place + 1)}, g`}
              value={pack.g}
              onChange={(event) => set(place, { g: event.target.value })}
              error={pack.g.trim() !== "" && typedDecimal(pack.g) === null}
            />
            <TextField
              label={`Its price ${String(place + 1)}`}
              value={pack.price}
              onChange={(event) => set(place, { price: event.target.value })}
              error={pack.price.trim() !== "" && typedDecimal(pack.price) === null}
            />
          </Box>
        ))}
        {packs.length < MOST_PACKS && (
          <Button onClick={() => setPacks([...packs, { g: "", price: "" }])}>Another pack</Button>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button
          variant="contained"
          disabled={wrong || save.isPending}
          onClick={() => save.mutate()}
        >
          Save the packs
        </Button>
      </DialogActions>
    </Dialog>
  );
}
