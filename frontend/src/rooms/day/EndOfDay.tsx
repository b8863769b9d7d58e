import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { Day, DayEnd } from "../../api/client";
import { HOW, TOP } from "../../bakes/words";
import { typedDecimal } from "../../domain/numbers";
import { Choice } from "../../ui/Choice";

type How = NonNullable<DayEnd["bakes"]>[number];

/** The end of a day: how each bake was in three taps, and what is left over. */
export function EndOfDay(props: { day: Day; onKeep: (day: Day) => void; onClose: () => void }) {
  const { day, onKeep, onClose } = props;
  const bakes = day.steps.filter((one) => one.kind === "bake" && one.stand === "done");
  const made = day.steps.filter((one) => one.kind === "make" && one.stand === "done");
  const pans = new Map<string, number>();
  for (const { pan } of day.steps.flatMap((one) => one.pans)) {
    pans.set(pan, (pans.get(pan) ?? 0) + 1);
  }
  const left = day.steps.filter((one) => one.stand !== "done" && one.stand !== "over").length;
  const [how, setHow] = useState<Record<string, How>>({});
  const [over, setOver] = useState<Record<string, string>>({});
  const end = useMutation({
    mutationFn: async () =>
      answered(
        await client.POST("/api/days/{day_id}/finish", {
          params: { path: { day_id: day.id } },
          body: {
            bakes: Object.values(how),
            leftovers: Object.entries(over).flatMap(([name, text]) => {
              const g = typedDecimal(text);
              return g !== null && g > 0 ? [{ name, g }] : [];
            }),
            orders_done: true,
          },
        }),
      ),
    onSuccess: (next) => {
      onKeep(next);
      onClose();
    },
  });
  const say = (step: string, more: Partial<How>) =>
    setHow((before) => ({
      ...before,
      [step]: { step, how: "", top: "", change: "", ...before[step], ...more },
    }));
  const isWrong = (text: string | undefined) =>
    text !== undefined && text.trim() !== "" && typedDecimal(text) === null;
  const wrong = Object.values(over).some(isWrong);
  return (
    <Dialog
      open
      onClose={onClose}
      disableRestoreFocus
      fullWidth
      maxWidth="sm"
      aria-labelledby="end-title"
    >
      <DialogTitle id="end-title">End the day</DialogTitle>
      <DialogContent>
        {left > 0 && (
          <Alert severity="info" sx={{ mb: 2 }}>
            {`${left === 1 ? "1 step is not done. It stays as it is" : `${String(left)} steps are not done. They stay as they are`}; orders that are not boxed stay open.`}
          </Alert>
        )}
        {bakes.map((one) => (
          <HowItWas
            key={one.key}
            words={one.words}
            how={how[one.key]}
            onSay={(more) => say(one.key, more)}
          />
        ))}
        {made.length > 0 && (
          <>
            <Typography component="h3" sx={{ fontWeight: 700 }}>
              Left over, into the larder
            </Typography>
            {made.map((one) => {
              const name = one.words.replace(/^Make /, "").replace(/ · .*$/, "");
              return (
                <TextField
                  key={one.key}
                  label={`${name}, g`}
                  size="small"
                  sx={{ mt: 1, mr: 1 }}
                  value={over[name] ?? ""}
                  slotProps={{ htmlInput: { inputMode: "decimal" } }}
                  error={isWrong(over[name])}
                  onChange={(event) =>
                    setOver((before) => ({ ...before, [name]: event.target.value }))
                  }
                />
              );
            })}
          </>
        )}
        <Typography color="textSecondary" sx={{ mt: 2 }}>
          {`Wash and put back: ${[...pans].map(([pan, count]) => `${String(count)} × ${pan}`).join(", ")}${pans.size > 0 ? ", " : ""}bowls, racks. Count out what is not food.`}
        </Typography>
        {wrong && <Alert severity="error">Leftovers are grams, as 120.</Alert>}
        {end.isError && <Alert severity="error">{end.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Go on with the day</Button>
        <Button variant="contained" disabled={wrong || end.isPending} onClick={() => end.mutate()}>
          End the day
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface HowItWasProps {
  words: string;
  how: How | undefined;
  onSay: (more: Partial<How>) => void;
}

/** How a bake was, its top, and what she would change. */
function HowItWas({ words, how, onSay }: HowItWasProps) {
  return (
    <Box sx={{ mb: 2 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        {`${words}: how was it?`}
      </Typography>
      <Choice
        label={`How ${words} was`}
        size="small"
        wrap
        value={how?.how ?? ""}
        options={[...HOW]}
        onChange={(next: How["how"]) => onSay({ how: next })}
      />
      <Box sx={{ mt: 1 }}>
        <Choice
          label={`The top of ${words}`}
          size="small"
          wrap
          value={how?.top ?? ""}
          options={[...TOP]}
          onChange={(next: How["top"]) => onSay({ top: next })}
        />
      </Box>
      <TextField
        label="Would you change something?"
        size="small"
        fullWidth
        sx={{ mt: 1 }}
        value={how?.change ?? ""}
        slotProps={{ htmlInput: { maxLength: 500 } }}
        onChange={(event) => onSay({ change: event.target.value })}
      />
    </Box>
  );
}
