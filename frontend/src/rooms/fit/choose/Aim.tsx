import { Button, Checkbox, FormControlLabel } from "@mui/material";

import type { Fit } from "../../../api/client";
import { OF_THE_BATCH } from "../../../domain/fitChoices";
import { typedCount, typedDecimal } from "../../../domain/numbers";
import { lengthField } from "../../../domain/units";
import { Stepper } from "../../../ui/Stepper";
import { useUnits } from "../../../ui/useUnits";
import type { FitChoicesInHand } from "../shared/useFitChoices";

export interface AimProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** The number a rule aims at. */
export function Aim({ fit, inHand }: AimProps) {
  const { choices, choose } = inHand;
  const { aim } = fit;
  const units = useUnits();
  const depth = lengthField(units, 0.2);
  const height = lengthField(units, 0.5);
  switch (choices.rule) {
    case "depth":
      return (
        <Stepper
          label={`Depth of the batter, ${depth.unit}`}
          value={aim.depth_cm ?? 2.5}
          least={0.5}
          {...depth}
          onChange={(cm) => choose({ depth: within(hundredth(cm), 0.3, 40), ...OF_THE_BATCH })}
        />
      );
    case "height":
      return (
        <Stepper
          label={`Height when baked, ${height.unit}`}
          value={aim.height_cm ?? 4}
          least={0.5}
          {...height}
          onChange={(cm) => choose({ height: within(hundredth(cm), 0.5, 60), ...OF_THE_BATCH })}
        />
      );
    case "eggs":
      return aim.egg_count === null ? null : (
        <>
          {choices.eggsG === null && (
            <Stepper
              label="Eggs"
              value={Math.round(aim.egg_count * 100) / 100}
              least={1}
              read={typedDecimal}
              onChange={(count) => choose({ eggCount: within(count, 0.5, 400), ...OF_THE_BATCH })}
            />
          )}
          <EggsOnScale fit={fit} inHand={inHand} />
        </>
      );
    case "servings":
      return (
        <Stepper
          label="Servings"
          value={aim.servings ?? choices.servings ?? 12}
          least={1}
          read={typedCount}
          onChange={(servings) => choose({ servings: within(servings, 1, 5000), ...OF_THE_BATCH })}
        />
      );
    case "factor":
      return (
        <>
          {TIMES.map((one) => (
            <Button
              key={one.words}
              size="small"
              variant={aim.factor === one.factor ? "contained" : "outlined"}
              aria-label={`${one.words} the recipe`}
              onClick={() => choose({ factor: one.factor, ...OF_THE_BATCH })}
              sx={{ minWidth: 52 }}
            >
              {one.words}
            </Button>
          ))}
          <Stepper
            label="Times the recipe"
            value={hundredth(aim.factor ?? 1)}
            least={0.05}
            step={0.25}
            read={typedDecimal}
            onChange={(factor) => choose({ factor: within(factor, 0.05, 200), ...OF_THE_BATCH })}
          />
        </>
      );
    case "fill":
    case "grams":
    case "keep_batch":
    case "same_depth":
      return null;
  }
}

/** The eggs there are, weighed: all else follows from them. */
function EggsOnScale({ fit, inHand }: AimProps) {
  const { choices, choose } = inHand;
  const { eggsG, eggsInShell } = choices;
  if (eggsG === null) {
    const now = Math.round(fit.eggs?.total_g ?? 0);
    return (
      <Button
        size="small"
        onClick={() => choose({ eggsG: within(now, 5, 50_000), ...OF_THE_BATCH })}
      >
        On the scale
      </Button>
    );
  }
  return (
    <>
      <Stepper
        label="Eggs on the scale, g"
        value={eggsG}
        least={5}
        unit="g"
        width={64}
        read={typedDecimal}
        onChange={(grams) => choose({ eggsG: within(grams, 5, 50_000), ...OF_THE_BATCH })}
      />
      <FormControlLabel
        control={
          <Checkbox
            checked={eggsInShell}
            onChange={(event) => choose({ eggsInShell: event.target.checked, ...OF_THE_BATCH })}
          />
        }
        label="in their shells"
        slotProps={{ typography: { sx: { fontSize: "size.small" } } }}
      />
      <Button size="small" onClick={() => choose({ eggsG: null, eggsInShell: false })}>
        Counted
      </Button>
    </>
  );
}

const TIMES = [
  { factor: 0.5, words: "× ½" },
  { factor: 1.5, words: "× 1½" },
  { factor: 2, words: "× 2" },
] as const;

function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}

/** Keep a number where the kitchen takes it, so that a slip of the hand leaves a fit to mend. */
function within(value: number, least: number, most: number): number {
  return Math.min(Math.max(value, least), most);
}
