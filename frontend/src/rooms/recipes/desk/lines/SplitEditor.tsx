import { Box, Button, TextField } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import type { Card, CardLine } from "../../../../api/client";
import { percent } from "../../../../domain/numbers";
import { withLine } from "../changes";

interface SplitEditorProps {
  line: CardLine;
  card: Card;
  edit: (change: (card: Card) => Card) => void;
}

/** Split a line in words; the parts stay linked to it whatever the size of the batch. */
export function SplitEditor({ line, card, edit }: SplitEditorProps) {
  const [words, setWords] = useState("");
  const split = useMutation({
    mutationFn: async (phrases: string[]) =>
      answered(
        await client.POST("/api/readings/split", { body: { card, line: line.key, phrases } }),
      ),
    onSuccess: (answer) => {
      setWords("");
      edit((now) => withLine(now, { ...line, parts: answer.parts }));
    },
  });
  const named = line.parts
    .filter((part) => part.written !== "")
    .map((part) => `${part.written} ${part.name}`);
  const add = () => words.trim() && split.mutate([...named, ...words.split(";")]);
  return (
    <Box>
      {line.parts.length > 0 && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mb: 0.5 }}>
          {line.parts.map((part) => (
            <span key={part.name}>
              <strong>{part.written || percent(part.share)}</strong> {part.name}
            </span>
          ))}
          <Button onClick={() => edit((now) => withLine(now, { ...line, parts: [] }))}>
            Unsplit
          </Button>
        </Box>
      )}
      <TextField
        size="small"
        fullWidth
        label="Split off"
        placeholder="a quarter for the topping; 45 ml for loosening"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && add()}
        error={split.isError}
        helperText={split.error?.message}
        slotProps={{
          input: {
            endAdornment: words.trim() ? (
              <Button size="small" onClick={add} disabled={split.isPending}>
                Split
              </Button>
            ) : null,
          },
        }}
      />
    </Box>
  );
}
