import { Box, Button, Checkbox, FormControlLabel, IconButton, Typography } from "@mui/material";

import type { Card, CardPhase } from "../../../../api/client";
import { FLAME_LEVELS, flameOf } from "../../../../domain/flames";
import { typedDecimal } from "../../../../domain/numbers";
import { CloseIcon } from "../../../../ui/icons";
import { PickField } from "../../../../ui/PickField";
import { TypedField } from "../../../../ui/TypedField";

const number = {
  read: typedDecimal,
  write: (value: number) => String(value),
  hint: "Type a number.",
};

/** The bake in stretches: hotter first, covered for a while. */
export function Phases(props: { card: Card; edit: (change: (card: Card) => Card) => void }) {
  const { card, edit } = props;
  const set = (phases: CardPhase[]) => edit((now) => ({ ...now, phases }));
  const change = (place: number, part: Partial<CardPhase>) =>
    set(card.phases.map((one, i) => (i === place ? { ...one, ...part } : one)));
  const fresh: CardPhase = { setting: card.setting, minutes: null, covered: false, note: "" };
  const scale = card.setting?.scale ?? "C";
  return (
    <Box component="section" aria-label="Phases of the bake">
      {card.phases.map((phase, place) => (
        <Box
          key={place}
          sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", mb: 0.75 }}
        >
          <Typography component="span" sx={{ fontWeight: 650, minWidth: 64 }}>
            Phase {place + 1}
          </Typography>
          {card.oven_kind === "hob" ? (
            <PickField
              label="Flame"
              value={phase.setting?.scale === "flame" ? String(phase.setting.value) : null}
              none="the lowest"
              options={FLAME_LEVELS}
              onChange={(level) => change(place, { setting: flameOf(level) })}
              sx={{ width: 150 }}
            />
          ) : (
            <TypedField
              label={`Oven, ${scale === "mark" ? "mark" : `°${scale}`}`}
              value={phase.setting?.value ?? null}
              {...number}
              onChange={(value) =>
                change(place, { setting: value === null ? null : { value, scale } })
              }
              sx={{ width: 104 }}
            />
          )}
          <TypedField
            label="Minutes"
            value={phase.minutes}
            {...number}
            onChange={(minutes) => change(place, { minutes })}
            sx={{ width: 104 }}
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={phase.covered}
                onChange={(event) => change(place, { covered: event.target.checked })}
              />
            }
            label="covered"
          />
          <IconButton
            aria-label={`Take phase ${String(place + 1)} away`}
            onClick={() => set(card.phases.filter((_, i) => i !== place))}
          >
            <CloseIcon />
          </IconButton>
        </Box>
      ))}
      <Button
        onClick={() => set(card.phases.length === 0 ? [fresh, fresh] : [...card.phases, fresh])}
      >
        {card.phases.length === 0 ? "The bake has phases" : "+ phase"}
      </Button>
      {card.phases.length > 0 && (
        <Typography component="span" color="textSecondary">
          {" "}
          A phase left without minutes takes what the bake time leaves; a fit moves all with the
          time.
        </Typography>
      )}
    </Box>
  );
}
