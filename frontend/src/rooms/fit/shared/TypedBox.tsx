import { Box, Button, TextField, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { FitEntry } from "../../../api/client";
import { length, volume } from "../../../domain/units";
import { useUnits } from "../../../ui/useUnits";

/** A pan in one breath: shape and sizes in one box, read by the kitchen, added at Enter. */
export function TypedBox({ onAdd }: { onAdd: (entry: FitEntry) => void }) {
  const units = useUnits();
  const [text, setText] = useState("");
  const [said, setSaid] = useState("");
  const read = useMutation({
    mutationFn: async (words: string) =>
      answered(await client.POST("/api/readings/pan", { body: { text: words, bench: true } })),
    onSuccess: ({ pan, wall_cm, capacity_ml }) => {
      setText("");
      setSaid(
        [
          `Read as ${pan.count > 1 ? `${String(pan.count)} × ` : ""}${pan.label}`,
          wall_cm === null ? "" : `wall ${length(wall_cm, units)}`,
          capacity_ml === null ? "" : volume(capacity_ml, units),
        ]
          .filter(Boolean)
          .join(", ") + (pan.assumed ? `; assumed: ${pan.assumed}.` : "."),
      );
      onAdd({ pan: { ...pan.measures, label: pan.label }, count: pan.count });
    },
  });
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) read.mutate(text.trim());
      }}
      sx={{ mt: 1 }}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
        <TextField
          size="small"
          label="Type a pan"
          placeholder={
            units === "us" ? "8 × 3 round, or 10 cup bundt" : "20 × 7.5 round, or 2.4 l ring"
          }
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={read.isError}
          helperText={read.error?.message}
          sx={{ flex: 1, maxWidth: 420 }}
        />
        <Button type="submit" variant="outlined" disabled={!text.trim() || read.isPending}>
          Add it
        </Button>
      </Box>
      <Typography role="status" color="textSecondary" sx={{ fontSize: "size.small" }}>
        {said}
      </Typography>
    </Box>
  );
}
