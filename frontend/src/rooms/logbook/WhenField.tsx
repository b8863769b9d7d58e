import { TextField } from "@mui/material";

interface WhenFieldProps {
  value: string;
  wrong: boolean;
  onChange: (field: string) => void;
}

/** When a bake came out, on the kitchen's clock. */
export function WhenField({ value, wrong, onChange }: WhenFieldProps) {
  return (
    <TextField
      label="Came out"
      type="datetime-local"
      size="small"
      value={value}
      error={wrong}
      sx={{ mt: 2 }}
      slotProps={{ inputLabel: { shrink: true } }}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
