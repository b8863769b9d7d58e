import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../api/client";
import type { MessageRead, OrderCakeTyped, RackPan } from "../api/client";
import { pansQuery } from "../api/queries/kitchen";
import { entryOf } from "../domain/opened";

const MOST_SIGNS = 4000;
const MOST_NOTE = 1000;

/** What a message says of an order. */
export interface ToldInMessage {
  note: string;
  title: string;
  due: string | null;
  cake: OrderCakeTyped | null;
}

/** Makes an order of a message, and says what the message does not. */
export function FromMessage({ onRead }: { onRead: (told: ToldInMessage) => void }) {
  const [text, setText] = useState("");
  const [open, setOpen] = useState(false);
  const rack = useQuery(pansQuery()).data ?? [];
  const read = useMutation({
    mutationFn: async (text: string) => {
      const told = answered(await client.POST("/api/readings/message", { body: { text } }));
      const cake = told.recipe === null ? null : await opened(told.recipe, told, rack);
      return { told, cake };
    },
    onSuccess: ({ told, cake }, note) =>
      onRead({ note, title: told.title.slice(0, 80), due: told.due, cake }),
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
        helperText={
          text.length > MOST_NOTE
            ? `All of it is read; the first ${String(MOST_NOTE)} signs go into the note.`
            : undefined
        }
        slotProps={{ htmlInput: { maxLength: MOST_SIGNS } }}
      />
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        disabled={!text.trim() || read.isPending || (read.isSuccess && read.variables === text)}
        onClick={() => read.mutate(text)}
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
async function opened(
  recipe: number,
  told: MessageRead,
  rack: readonly RackPan[],
): Promise<OrderCakeTyped> {
  const found = answered(await client.POST("/api/fit/opening", { body: { recipe } }));
  const into = found.into.map(entryOf);
  const [first, ...rest] = into;
  const { pieces } = told;
  // Only wells are counted as pieces: 24 slices are not 24 pans.
  const wells = rack.some((pan) => pan.id === first?.pan && pan.wells > 1);
  return {
    fit: {
      recipe,
      into:
        pieces !== null && first && wells && rest.length === 0
          ? [{ ...first, count: pieces }]
          : into,
      rule: found.rule,
      egg_count: found.egg_count,
      ...(told.eaters === null || pieces !== null ? {} : { servings: told.eaters }),
    },
    label: told.title,
    count: told.cakes ?? 1,
    inscription: told.inscription,
  };
}
