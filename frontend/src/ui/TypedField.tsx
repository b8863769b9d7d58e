import { TextField } from "@mui/material";
import type { TextFieldProps } from "@mui/material";
import { useState } from "react";

interface TypedFieldProps<T> {
  label: string;
  value: T | null;
  /** Read what is typed; null where it cannot be. */
  read: (text: string) => T | null;
  write: (value: T) => string;
  onChange: (value: T | null) => void;
  /** What to type instead of what cannot be read. */
  hint: string;
  required?: boolean;
  sx?: TextFieldProps["sx"];
  multiline?: boolean;
}

/** A field that keeps what is typed apart from what it means; it is taken on Enter or on leaving. */
export function TypedField<T>(props: TypedFieldProps<T>) {
  const { label, value, read, write, onChange, hint, required = false } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? (value === null ? "" : write(value));
  const empty = shown.trim() === "";
  const wrong = draft !== null && (empty ? required : read(draft) === null);
  const take = () => {
    if (draft === null || wrong) return;
    setDraft(null);
    const next = empty ? null : read(draft);
    if (next !== value) onChange(next);
  };
  return (
    <TextField
      label={label}
      value={shown}
      size="small"
      error={wrong}
      helperText={wrong ? hint : undefined}
      multiline={props.multiline ?? false}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter" && !props.multiline) take();
        if (event.key === "Escape" && draft !== null) {
          event.stopPropagation();
          setDraft(null);
        }
      }}
      sx={props.sx ?? null}
    />
  );
}
