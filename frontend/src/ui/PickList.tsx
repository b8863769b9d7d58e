import { Box, ButtonBase } from "@mui/material";
import { useRef } from "react";
import type { KeyboardEvent, ReactNode } from "react";

interface PickListProps<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; label: ReactNode; does?: ReactNode }[];
  onChange: (value: T) => void;
}

/** One of several, a row each with what it does; arrows move between them. */
export function PickList<T extends string>(props: PickListProps<T>) {
  const { label, value, options, onChange } = props;
  const list = useRef<HTMLDivElement>(null);
  const move = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const place = options.findIndex((option) => option.value === value);
    const next = (place + step + options.length) % options.length;
    const option = options[next];
    if (!option) return;
    onChange(option.value);
    list.current?.querySelectorAll<HTMLElement>('[role="radio"]')[next]?.focus();
  };
  return (
    <Box ref={list} role="radiogroup" aria-label={label} onKeyDown={move}>
      {options.map((option, place) => {
        const chosen = option.value === value;
        return (
          <ButtonBase
            key={option.value}
            role="radio"
            aria-checked={chosen}
            tabIndex={chosen || (place === 0 && !options.some((o) => o.value === value)) ? 0 : -1}
            onClick={() => onChange(option.value)}
            sx={(t) => ({
              display: "block",
              width: "100%",
              minHeight: 44,
              px: 1.25,
              py: 0.75,
              borderRadius: 1,
              textAlign: "left",
              fontFamily: t.typography.fontFamily,
              fontSize: "size.body",
              fontWeight: chosen ? 700 : 500,
              color: chosen ? t.vars.palette.bench.onButter : t.vars.palette.text.primary,
              bgcolor: chosen ? t.vars.palette.bench.butter : "transparent",
              "&:hover": { bgcolor: chosen ? undefined : t.vars.palette.bench.butterTint },
              "& .does": {
                display: "block",
                fontSize: t.typography.size.small,
                fontWeight: 400,
                color: chosen ? "inherit" : t.vars.palette.text.secondary,
              },
            })}
          >
            {option.label}
            {option.does && <span className="does">{option.does}</span>}
          </ButtonBase>
        );
      })}
    </Box>
  );
}
