import { Box, Typography } from "@mui/material";
import { useCallback } from "react";

import type { Portion } from "../../../domain/fitChoices";
import { Figure } from "../../../ui/Figure";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import type { AimProps } from "./Aim";
import { volume } from "../../../domain/units";
import { useUnits } from "../../../ui/useUnits";

const PORTIONS: readonly { value: Portion; label: string }[] = [
  { value: "own", label: "As the recipe" },
  { value: "small", label: "Small" },
  { value: "party", label: "Party" },
  { value: "dessert", label: "Dessert" },
];

const CUT_OR_NOT = [{ value: "" as const, label: "Not cut" }, ...PORTIONS];

/** What the cakes are cut in, and how many pieces that makes. */
export function PortionChoice({ fit, inHand }: AimProps) {
  const units = useUnits();
  const { choices, choose } = inHand;
  const { portion } = fit;
  const cut = choices.portion !== "" || choices.rule === "servings";
  const onPortion = useCallback((next: Portion) => choose({ portion: next }), [choose]);
  const value = choices.portion === "" && cut ? "own" : choices.portion;
  const options = choices.rule === "servings" ? PORTIONS : CUT_OR_NOT;
  const words = options.find((one) => one.value === value)?.label.toLowerCase() ?? "not cut";
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}>
      <Typography component="span">
        {value === "" ? "" : "cut in portions: "}
        <Opens label="Cut in portions" words={words} quiet>
          {() => (
            <PickList<Portion>
              label="Cut in portions"
              value={value}
              options={options}
              onChange={onPortion}
            />
          )}
        </Opens>
      </Typography>
      {portion && (
        <Typography aria-live="polite">
          <strong>{portion.pieces}</strong> pieces of{" "}
          <Figure from={portion.origins.ml}>{volume(portion.ml, units)}</Figure> baked cake each
        </Typography>
      )}
    </Box>
  );
}
