import { Box, ButtonBase } from "@mui/material";
import type { ReactNode } from "react";

import { useRadioKeys } from "./useRadioKeys";

interface PickListProps<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; label: ReactNode; does?: ReactNode }[];
  onChange: (value: T) => void;
}

/** One of several, a row each with what it does; arrows move between them. */
export function PickList<T extends string>(props: PickListProps<T>) {
  const { label, value, options, onChange } = props;
  const { group, onKeyDown, tabIndex } = useRadioKeys(options, value, onChange);
  return (
    <Box ref={group} role="radiogroup" aria-label={label} onKeyDown={onKeyDown}>
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
