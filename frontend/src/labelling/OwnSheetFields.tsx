import { Box, MenuItem, TextField } from "@mui/material";
import { useState } from "react";

import type { LabelHabits, LabelHabitsTyped } from "../api/client";
import { typedDecimal } from "../domain/numbers";
import { ownSheet } from "./useLabelHabits";

type Own = NonNullable<LabelHabitsTyped["own_sheet"]>;

const FIELDS = [
  ["across", "In a row"],
  ["down", "Rows"],
  ["width", "Wide, mm"],
  ["height", "High, mm"],
  ["left", "From the left edge, mm"],
  ["top", "From the top edge, mm"],
  ["gap_x", "Between, across, mm"],
  ["gap_y", "Between, down, mm"],
] as const;

const START: Own = {
  paper: "A4",
  across: 2,
  down: 5,
  width: 90,
  height: 50,
  left: 12,
  top: 20,
  gap_x: 4,
  gap_y: 2,
};

/** The measures of the kitchen's own sheet of labels; sent once all of them are numbers. */
export function OwnSheetFields(props: { habits: LabelHabits; onChange: (own: Own) => void }) {
  const { habits, onChange } = props;
  const [own, setOwn] = useState<Own>(() => ownSheet(habits) ?? START);
  const [typed, setTyped] = useState<Partial<Record<keyof Own, string>>>({});
  const change = (next: Own) => {
    setOwn(next);
    onChange(next);
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      <TextField
        select
        label="Paper"
        value={own.paper}
        onChange={(event) => change({ ...own, paper: event.target.value })}
        sx={{ width: 110 }}
      >
        <MenuItem value="A4">A4</MenuItem>
        <MenuItem value="Letter">Letter</MenuItem>
      </TextField>
      {FIELDS.map(([name, label]) => {
        const text = typed[name] ?? String(own[name]);
        const wrong = typedDecimal(text) === null;
        return (
          <TextField
            key={name}
            label={label}
            value={text}
            error={wrong}
            helperText={wrong ? "Type a number." : undefined}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            onBlur={() => {
              const value = typedDecimal(text);
              if (value !== null && value !== own[name]) change({ ...own, [name]: value });
            }}
            sx={{ width: 150 }}
          />
        );
      })}
    </Box>
  );
}
