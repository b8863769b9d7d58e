import { Box, ButtonBase } from "@mui/material";
import { memo } from "react";
import type { ReactNode } from "react";

import { useRadioKeys } from "./useRadioKeys";

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; label: ReactNode; disabled?: boolean }[];
  onChange: (value: T) => void;
  size?: "small" | "normal";
  /** Whether the options may stand on several lines. */
  wrap?: boolean;
}

function ChoiceRow<T extends string>(props: ChoiceProps<T>) {
  const { label, value, options, onChange, size = "normal", wrap = false } = props;
  const { group, onKeyDown, tabIndex } = useRadioKeys(options, value, onChange);
  return (
    <Box
      ref={group}
      role="radiogroup"
      aria-label={label}
      onKeyDown={onKeyDown}
      sx={(t) => ({
        display: wrap ? "flex" : "inline-flex",
        flexWrap: wrap ? "wrap" : "nowrap",
        gap: wrap ? 0.5 : 0,
        maxWidth: "100%",
        ...(!wrap && {
          border: `1.5px solid ${t.vars.palette.bench.rim}`,
          borderRadius: `${String(t.shape.borderRadius)}px`,
          overflow: "hidden",
        }),
      })}
    >
      {options.map((option, place) => {
        const chosen = option.value === value;
        return (
          <ButtonBase
            key={option.value}
            role="radio"
            aria-checked={chosen}
            tabIndex={tabIndex(place)}
            onClick={() => onChange(option.value)}
            sx={(t) => ({
              px: size === "small" ? 1.1 : 1.75,
              minHeight: 44,
              fontFamily: t.typography.fontFamily,
              fontSize: size === "small" ? "size.small" : "size.body",
              fontWeight: chosen ? 700 : 500,
              textAlign: "left",
              color: chosen ? t.vars.palette.bench.onButter : t.vars.palette.text.primary,
              bgcolor: chosen ? t.vars.palette.bench.butter : "transparent",
              ...(wrap && {
                border: `1.5px solid ${chosen ? t.vars.palette.bench.butter : t.vars.palette.divider}`,
                borderRadius: 1,
              }),
              ...(!wrap && place > 0 && { borderLeft: `1.5px solid ${t.vars.palette.bench.rim}` }),
              "&:focus-visible": {
                outline: `3px solid ${t.vars.palette.text.primary}`,
                outlineOffset: -4,
              },
            })}
          >
            {option.label}
          </ButtonBase>
        );
      })}
    </Box>
  );
}

/** One of a few: a row of options, one pressed; arrows move between them. */
export const Choice = memo(ChoiceRow) as typeof ChoiceRow;
