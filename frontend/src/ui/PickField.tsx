import { MenuItem, TextField } from "@mui/material";
import type { TextFieldProps } from "@mui/material";

interface PickFieldProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly (readonly [T, string])[];
  onChange: (value: T | null) => void;
  /** What the empty choice says; without it something has to be chosen. */
  none?: string;
  sx?: TextFieldProps["sx"];
}

/** One of several, from a list that opens. */
export function PickField<T extends string>(props: PickFieldProps<T>) {
  const { label, value, options, onChange, none } = props;
  return (
    <TextField
      select
      label={label}
      size="small"
      value={value ?? ""}
      onChange={(event) => onChange(event.target.value === "" ? null : (event.target.value as T))}
      slotProps={{
        select: { displayEmpty: none !== undefined },
        inputLabel: none === undefined ? {} : { shrink: true },
      }}
      sx={props.sx ?? null}
    >
      {none !== undefined && (
        <MenuItem value="">
          <em>{none}</em>
        </MenuItem>
      )}
      {options.map(([key, words]) => (
        <MenuItem key={key} value={key}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
