import { Box, ButtonBase, InputBase } from "@mui/material";
import { useState } from "react";
import type { KeyboardEvent } from "react";

interface StepperProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
  /** Read what is typed; null where it is not a number. */
  read: (text: string) => number | null;
  /** Write the value for the field. */
  write?: (value: number) => string;
  step?: number;
  least?: number;
  unit?: string;
  width?: number;
}

/** A number with minus and plus; arrows step it, typing replaces it, nonsense is marked. */
export function Stepper(props: StepperProps) {
  const { label, value, onChange, read, write = String, step = 1, least = 0 } = props;
  const { unit, width = 52 } = props;
  const [draft, setDraft] = useState<string | null>(null);
  const unreadable = draft !== null && read(draft) === null;
  const by = (change: number) => {
    setDraft(null);
    onChange(Math.max(least, value + change));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      by(event.key === "ArrowUp" ? step : -step);
    }
    if (event.key === "Escape") setDraft(null);
    if (event.key === "Enter") (event.target as HTMLElement).blur();
  };
  const onType = (text: string) => {
    setDraft(text);
    const typed = read(text);
    if (typed !== null) onChange(typed);
  };
  return (
    <Box>
      <Box
        sx={(t) => ({
          display: "inline-flex",
          alignItems: "stretch",
          border: `1.5px solid ${unreadable ? t.vars.palette.bench.heat : t.vars.palette.bench.rim}`,
          borderRadius: 1,
          overflow: "hidden",
        })}
      >
        <StepButton label={`Less: ${label}`} sign="−" onClick={() => by(-step)} />
        <InputBase
          value={draft ?? write(value)}
          onChange={(event) => onType(event.target.value)}
          onFocus={(event) => (event.target as HTMLInputElement).select()}
          onBlur={() => setDraft((text) => (text !== null && read(text) === null ? text : null))}
          onKeyDown={onKeyDown}
          inputProps={{
            "aria-label": label,
            "aria-invalid": unreadable,
            inputMode: "decimal",
            role: "spinbutton",
            "aria-valuenow": value,
            "aria-valuemin": least,
          }}
          sx={(t) => ({
            width,
            bgcolor: t.vars.palette.background.default,
            "& input": {
              ...t.typography.quantity,
              textAlign: "center",
              fontSize: "size.strong",
              p: 0,
              height: 42,
            },
            "&.Mui-focused": { boxShadow: `inset 0 -3px 0 ${t.vars.palette.bench.butter}` },
          })}
        />
        {unit && (
          <Box
            component="span"
            aria-hidden
            sx={(t) => ({
              display: "flex",
              alignItems: "center",
              pr: 0.75,
              bgcolor: t.vars.palette.background.default,
              color: "text.secondary",
            })}
          >
            {unit}
          </Box>
        )}
        <StepButton label={`More: ${label}`} sign="+" onClick={() => by(step)} />
      </Box>
      {unreadable && (
        <Box role="alert" sx={(t) => ({ color: t.vars.palette.bench.heat, fontSize: "size.tiny" })}>
          Type a number.
        </Box>
      )}
    </Box>
  );
}

function StepButton(props: { label: string; sign: string; onClick: () => void }) {
  return (
    <ButtonBase
      aria-label={props.label}
      onClick={props.onClick}
      tabIndex={-1}
      sx={(t) => ({
        width: 44,
        minHeight: 44,
        fontSize: "size.title",
        color: t.vars.palette.bench.rim,
        fontWeight: 700,
      })}
    >
      {props.sign}
    </ButtonBase>
  );
}
