import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import type { Fit } from "../../../api/client";
import type { Weighed } from "../../../domain/fitChoices";
import { grams, percent, typedDecimal } from "../../../domain/numbers";
import { Figure } from "../../../ui/Figure";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { useBowls } from "../../../bowls/useBowls";

interface WeighBowlProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** The bowl weighed full: grams for every pan from what is really there; and emptied, to learn. */
export function WeighBowl({ fit, inHand }: WeighBowlProps) {
  const { choices, choose } = inHand;
  const mixes = Math.max(1, fit.mixes.length);
  const [texts, setTexts] = useState<Record<string, string>>({});
  const at = (place: number, which: "full" | "tare") =>
    texts[`${which}${String(place)}`] ?? written(choices.weighed[place], which, fit);
  const set = (place: number, which: "full" | "tare", text: string) => {
    const next = { ...texts, [`${which}${String(place)}`]: text };
    setTexts(next);
    const all = Array.from({ length: mixes }, (_, i) => ({
      full_g: typedDecimal(next[`full${String(i)}`] ?? written(choices.weighed[i], "full", fit)),
      tare_g: typedDecimal(next[`tare${String(i)}`] ?? written(choices.weighed[i], "tare", fit)),
    }));
    const read = all.filter((one): one is Weighed => one.full_g !== null && one.tare_g !== null);
    const whole = read.length === mixes && read.every((one) => one.full_g > one.tare_g);
    if (whole) choose({ weighed: read });
    else if (choices.weighed.length > 0) choose({ weighed: [] });
  };
  return (
    <Box component="section" aria-label="Weigh the bowl" sx={{ mt: 2 }}>
      <Typography component="h2" sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.rim })}>
        Weigh the bowl, and divide
      </Typography>
      {Array.from({ length: mixes }, (_, place) => (
        <Box key={place} sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1 }}>
          {(["tare", "full"] as const).map((which) => {
            const text = at(place, which);
            const wrong = text.trim() !== "" && typedDecimal(text) === null;
            const light = which === "full" && !wrong && tooLight(text, at(place, "tare"));
            const mix = mixes > 1 ? `, mix ${String(place + 1)}` : "";
            return (
              <TextField
                key={which}
                label={which === "tare" ? `Empty bowl, g${mix}` : `Bowl with batter, g${mix}`}
                value={text}
                onChange={(event) => set(place, which, event.target.value)}
                error={wrong || light}
                helperText={
                  wrong
                    ? "Type grams."
                    : light
                      ? "The full bowl has to weigh more than the empty one."
                      : undefined
                }
                slotProps={{ htmlInput: { inputMode: "decimal" } }}
                sx={{ width: 210 }}
              />
            );
          })}
        </Box>
      ))}
      <Box aria-live="polite">
        {fit.weighed_g !== null && (
          <Typography sx={{ mt: 1 }}>
            <Figure from={fit.origins.weighed_g}>{`${grams(fit.weighed_g)} g`}</Figure> of batter is
            really there; {grams(fit.batter_g ?? 0)} g was worked out.
          </Typography>
        )}
        <Box component="ul" aria-label="Grams in each pan" sx={{ m: 0, mt: 1, pl: 0 }}>
          {fit.pans.map((pan, place) =>
            pan.batter_g_each === null ? null : (
              <Box
                component="li"
                key={`${String(place)}-${pan.label}`}
                sx={{ display: "flex", alignItems: "baseline", gap: 1.5, listStyle: "none" }}
              >
                <Typography variant="quantityLarge">{grams(pan.batter_g_each)} g</Typography>
                <Typography component="span">
                  {pan.count > 1 ? `into each of ${String(pan.count)} × ` : "into "}
                  {pan.label}
                </Typography>
              </Box>
            ),
          )}
        </Box>
      </Box>
      {fit.weighed_g !== null && (
        <LearnLoss
          weighed={choices.weighed}
          learnt={fit.origins.bowl_loss_g?.origin === "measured"}
        />
      )}
    </Box>
  );
}

function LearnLoss({ weighed, learnt }: { weighed: readonly Weighed[]; learnt: boolean }) {
  const [text, setText] = useState("");
  const bowls = useBowls();
  const emptied = typedDecimal(text);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1.5, alignItems: "flex-start" }}>
      <TextField
        label={weighed.length > 1 ? "All bowls, emptied, g" : "Bowl, emptied, g"}
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={text.trim() !== "" && emptied === null}
        helperText={text.trim() !== "" && emptied === null ? "Type grams." : undefined}
        slotProps={{ htmlInput: { inputMode: "decimal" } }}
        sx={{ width: 210 }}
      />
      <Button
        disabled={emptied === null}
        onClick={() =>
          emptied !== null && bowls.learn.mutate({ weighed: [...weighed], emptied_g: emptied })
        }
        sx={{ minHeight: 56 }}
      >
        Learn what the bowl keeps
      </Button>
      {bowls.learn.isSuccess && learnt && (
        <Typography role="status" sx={{ py: 2 }}>
          From now on {percent(bowls.learn.data.bowl_loss_share ?? 0)} stays in the bowl, as you
          weighed it.
        </Typography>
      )}
      {bowls.learn.isError && <Alert severity="error">{bowls.learn.error.message}</Alert>}
    </Box>
  );
}

function written(weighed: Weighed | undefined, which: "full" | "tare", fit: Fit): string {
  if (weighed) return String(which === "full" ? weighed.full_g : weighed.tare_g);
  return which === "tare" && fit.bowl?.tare_g ? String(fit.bowl.tare_g) : "";
}

function tooLight(full: string, tare: string): boolean {
  const [heavy, light] = [typedDecimal(full), typedDecimal(tare)];
  return heavy !== null && light !== null && heavy <= light;
}
