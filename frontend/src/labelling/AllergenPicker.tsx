import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";

import type { LabelHabits } from "../api/client";

interface AllergenPickerProps {
  legend: string;
  allergens: LabelHabits["allergens"];
  chosen: readonly string[];
  /** Those that are in it by nature and cannot be taken out. */
  fixed?: readonly string[];
  onChange: (keys: string[]) => void;
}

/** Allergens to tick, those of one kind together. */
export function AllergenPicker(props: AllergenPickerProps) {
  const { legend, allergens, chosen, fixed = [], onChange } = props;
  const groups = [...new Set(allergens.map((one) => one.group))];
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
      <Typography component="legend" sx={{ fontWeight: 700, p: 0 }}>
        {legend}
      </Typography>
      {groups.map((group) => (
        <Box key={group} sx={{ display: "flex", flexWrap: "wrap", alignItems: "center" }}>
          {group && (
            <Typography
              component="span"
              color="textSecondary"
              sx={{ fontSize: "size.small", width: "100%", mt: 0.5 }}
            >
              {group}
            </Typography>
          )}
          {allergens
            .filter((one) => one.group === group)
            .map((one) => (
              <FormControlLabel
                key={one.key}
                label={one.name}
                control={
                  <Checkbox
                    checked={fixed.includes(one.key) || chosen.includes(one.key)}
                    disabled={fixed.includes(one.key)}
                    onChange={(event) =>
                      onChange(
                        event.target.checked
                          ? [...chosen, one.key]
                          : chosen.filter((key) => key !== one.key),
                      )
                    }
                  />
                }
                sx={{ mr: 1.5, minHeight: 44 }}
              />
            ))}
        </Box>
      ))}
    </Box>
  );
}
