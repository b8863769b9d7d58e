import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import type { BakeChanged } from "../../api/client";
import { HOW, TOP } from "../../bakes/words";
import { typedCount } from "../../domain/numbers";
import { Choice } from "../../ui/Choice";
import { Stepper } from "../../ui/Stepper";
import { TypedField } from "../../ui/TypedField";

type Told = Omit<BakeChanged, "base">;

interface ToldFieldsProps {
  told: Told;
  onChange: (more: Partial<Told>) => void;
}

const MEASURES = [
  ["height_cm", "Height, cm", "as 5.2"],
  ["dome_cm", "Dome above the edge, cm", "as 1.5"],
  ["weight_g", "Weight when cold, g each", "as 470"],
  ["oven_read_c", "Thermometer in the oven, °C", "30 to 350"],
  ["hot_after_min", "Oven was hot after, min", "as 18"],
  ["batter_g_dl", "A decilitre of the batter, g", "10 to 200"],
] as const;

/** What a baker says of a bake: minutes and two taps, the rest where she wants it. */
export function ToldFields({ told, onChange }: ToldFieldsProps) {
  const [shown, setShown] = useState(MEASURES.some(([name]) => told[name] != null));
  return (
    <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5, alignItems: "flex-start" }}>
      <Stepper
        label="Minutes it took"
        value={Math.round(told.minutes)}
        onChange={(minutes) => onChange({ minutes })}
        read={typedCount}
        least={1}
        unit="min"
      />
      <Choice
        label="How it was"
        size="small"
        wrap
        value={told.how ?? ""}
        options={HOW}
        onChange={(how: NonNullable<Told["how"]>) => onChange({ how })}
      />
      <Choice
        label="The top"
        size="small"
        wrap
        value={told.top ?? ""}
        options={TOP}
        onChange={(top: NonNullable<Told["top"]>) => onChange({ top })}
      />
      <Typed name="change" label="Would you change something?" most={500} {...{ told, onChange }} />
      <Typed name="note" label="Note" most={1000} {...{ told, onChange }} />
      {told.note ? (
        <Typed name="note_step" label="At which step" most={120} {...{ told, onChange }} />
      ) : null}
      <TypedField
        label="Tags, with commas between"
        value={told.tags ?? []}
        read={(text) =>
          text
            .split(",")
            .map((one) => one.trim())
            .filter((one) => one !== "")
            .slice(0, 12)
        }
        write={(tags) => tags.join(", ")}
        onChange={(tags) => onChange({ tags: tags ?? [] })}
        hint="as: fair, wedding"
        sx={{ width: "100%" }}
      />
      {!shown && (
        <Button size="small" onClick={() => setShown(true)}>
          Measured something?
        </Button>
      )}
      {shown && (
        <Box>
          <Typography color="textSecondary" sx={{ fontSize: "size.small", mb: 1 }}>
            Each teaches a number of your own: how it rises, how far the dial is off, what a batter
            weighs.
          </Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, pt: 1 }}>
            {MEASURES.map(([name, label, hint]) => (
              <TypedField
                key={name}
                label={label}
                value={told[name] ?? null}
                read={(text) => {
                  const value = Number(text.replace(",", "."));
                  return Number.isFinite(value) && value >= 0 ? value : null;
                }}
                write={String}
                onChange={(value) => onChange({ [name]: value })}
                hint={hint}
                sx={{ width: 210 }}
              />
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}

function Typed(
  props: ToldFieldsProps & { name: "change" | "note" | "note_step"; label: string; most: number },
) {
  const { told, name, label, most, onChange } = props;
  return (
    <TextField
      label={label}
      size="small"
      fullWidth
      multiline={name === "note"}
      value={told[name] ?? ""}
      slotProps={{ htmlInput: { maxLength: most } }}
      onChange={(event) => onChange({ [name]: event.target.value })}
    />
  );
}
