import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../api/client";
import type { MessageRead, OrderCakeTyped, OrderTyped } from "../api/client";
import { entryOf } from "../domain/opened";

const MOST_SIGNS = 4000;

/** Makes an order of a message, and says what the message does not. */
export function FromMessage({ onRead }: { onRead: (part: Partial<OrderTyped>) => void }) {
  const [text, setText] = useState("");
  const [open, setOpen] = useState(false);
  const read = useMutation({
    mutationFn: async () => {
      const told = answered(await client.POST("/api/readings/message", { body: { text } }));
      const cake = told.recipe === null ? null : await opened(told.recipe, told);
      return { told, cake };
    },
    onSuccess: ({ told, cake }) => {
      onRead({
        note: text.slice(0, 1000),
        ...(told.title ? { title: told.title.slice(0, 80) } : {}),
        ...(told.due ? { due: told.due } : {}),
        ...(cake ? { cakes: [cake] } : {}),
      });
    },
  });
  if (!open) {
    return (
      <Button sx={{ justifySelf: "start" }} onClick={() => setOpen(true)}>
        From a message
      </Button>
    );
  }
  const told = read.data?.told;
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <TextField
        label="Message"
        multiline
        minRows={3}
        value={text}
        onChange={(event) => setText(event.target.value)}
        slotProps={{ htmlInput: { maxLength: MOST_SIGNS } }}
      />
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        disabled={!text.trim() || read.isPending}
        onClick={() => read.mutate()}
      >
        Read it
      </Button>
      {read.isError && <Alert severity="error">{read.error.message}</Alert>}
      {told && (
        <Box component="section" aria-label="To ask">
          <Typography sx={{ fontWeight: 700 }}>{saidIn(told)}To ask</Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {told.questions.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** How many a message names, to be held against what the cake feeds. */
function saidIn(told: MessageRead): string {
  if (told.pieces !== null) return `${String(told.pieces)} of them. `;
  return told.eaters === null ? "" : `For ${String(told.eaters)}. `;
}

/** The cake of a message in the pans a fit of it opens with; small ones as many as are named. */
async function opened(recipe: number, told: MessageRead): Promise<OrderCakeTyped> {
  const found = answered(await client.POST("/api/fit/opening", { body: { recipe } }));
  const into = found.into.map(entryOf);
  const [first, ...rest] = into;
  const { pieces } = told;
  return {
    fit: {
      recipe,
      into: pieces !== null && first && rest.length === 0 ? [{ ...first, count: pieces }] : into,
      rule: found.rule,
      egg_count: found.egg_count,
    },
    label: told.title,
    count: told.cakes ?? 1,
    inscription: told.inscription,
  };
}
