import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import type { ReactNode } from "react";

import { typedCount, typedDecimal } from "../domain/numbers";
import { lengthField } from "../domain/units";
import type { Units } from "../domain/units";
import { Stepper } from "../ui/Stepper";

/** A length in the kitchen's own unit, stepped and typed; its value stays in centimetres. */
export function Sized(props: {
  label: string;
  value: number;
  step: number;
  units: Units;
  onChange: (cm: number) => void;
}) {
  const { label, value, step, units, onChange } = props;
  const field = lengthField(units, step);
  return (
    <Labelled label={label}>
      <Stepper
        label={`${label}, ${field.unit}`}
        value={value}
        least={0}
        {...field}
        write={(cm) => (units === "us" ? field.write(cm) : String(Math.round(cm * 100) / 100))}
        onChange={(cm) => onChange(Math.round(cm * 100) / 100)}
      />
    </Labelled>
  );
}

/** A count within its bounds. */
export function Counted(props: {
  label: string;
  value: number;
  most: number;
  least?: number;
  step?: number;
  unit?: string;
  onChange: (count: number) => void;
}) {
  const { label, value, most, least = 1, step = 1, unit, onChange } = props;
  return (
    <Labelled label={label}>
      <Stepper
        label={label}
        value={value}
        least={least}
        step={step}
        read={step === 1 ? typedCount : typedDecimal}
        onChange={(count) => onChange(Math.min(Math.max(count, least), most))}
        {...(unit ? { unit } : {})}
      />
    </Labelled>
  );
}

function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, justifyContent: "space-between" }}>
      <Typography component="span" aria-hidden sx={{ maxWidth: 210, lineHeight: 1.2 }}>
        {label}
      </Typography>
      {children}
    </Box>
  );
}

/** Something that is done, or not. */
export function Toggle(props: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <FormControlLabel
      control={
        <Checkbox checked={props.on} onChange={(event) => props.onChange(event.target.checked)} />
      }
      label={props.label}
    />
  );
}

/** Back to what is usual for what the card has. */
export function Usual({ onClick }: { onClick: () => void }) {
  return (
    <Button size="small" onClick={onClick} sx={{ justifySelf: "start" }}>
      The usual
    </Button>
  );
}
