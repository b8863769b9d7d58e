import { Box, Typography } from "@mui/material";
import { useCallback } from "react";
import type { ReactNode } from "react";

import type { Fit, Rule } from "../../../api/client";
import { OF_THE_BATCH } from "../../../domain/fitChoices";
import type { Portion } from "../../../domain/fitChoices";
import { typedCount, typedDecimal } from "../../../domain/numbers";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { Stepper } from "../../../ui/Stepper";
import type { FitChoicesInHand } from "../useFitChoices";

const RULES: readonly { value: Rule; label: string; does: string }[] = [
  {
    value: "keep_batch",
    label: "Keep my batch",
    does: "The recipe as it is, at one depth over your pans.",
  },
  {
    value: "same_depth",
    label: "Same depth",
    does: "Every pan as deep as the recipe's own; the amounts follow.",
  },
  {
    value: "depth",
    label: "Batter depth",
    does: "Raw batter of this depth in every pan; what is over is left over.",
  },
  {
    value: "height",
    label: "Baked height",
    does: "Every cake this high when baked, layers included.",
  },
  {
    value: "fill",
    label: "Fill",
    does: "Every pan filled to its share; what is over is left over.",
  },
  {
    value: "grams",
    label: "Grams each",
    does: "Every pan gets the grams you set; what is over is left over.",
  },
  {
    value: "servings",
    label: "Servings",
    does: "Enough for so many, at one depth over your pans.",
  },
  {
    value: "eggs",
    label: "Eggs I have",
    does: "So many eggs and what they make, at one depth over your pans.",
  },
];

const PORTIONS: readonly { value: Portion; label: string }[] = [
  { value: "own", label: "As the recipe" },
  { value: "small", label: "Small" },
  { value: "party", label: "Party" },
  { value: "dessert", label: "Dessert" },
];

const CUT_OR_NOT = [{ value: "" as const, label: "Not cut" }, ...PORTIONS];

interface RuleChoiceProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** The rule in a baker's words, what it does, and the number it goes by; actions beside it. */
export function RuleChoice(props: RuleChoiceProps & { children: ReactNode }) {
  const { fit, inHand, children } = props;
  const { choices, choose } = inHand;
  const onRule = useCallback(
    (next: Rule) => choose({ rule: next, eggs: "default", ...OF_THE_BATCH }),
    [choose],
  );
  const rule = RULES.find((one) => one.value === choices.rule);
  return (
    <Box sx={{ mb: 0.5 }}>
      <Choice
        label="How the batter is shared"
        value={choices.rule}
        options={RULES}
        onChange={onRule}
        size="small"
        wrap
      />
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          alignItems: "center",
          columnGap: 1.5,
          rowGap: 0.5,
          mt: 0.5,
          minHeight: 44,
        }}
      >
        <Aim fit={fit} inHand={inHand} />
        <Typography
          color="textSecondary"
          sx={{ flex: "1 1 190px", lineHeight: 1.2, fontSize: "size.note" }}
        >
          {rule?.does}
        </Typography>
        <Box sx={{ display: "flex", gap: 0.5 }}>{children}</Box>
      </Box>
    </Box>
  );
}

/** The number a rule aims at. */
function Aim({ fit, inHand }: RuleChoiceProps) {
  const { choices, choose } = inHand;
  const { aim } = fit;
  switch (choices.rule) {
    case "depth":
      return (
        <Stepper
          label="Depth of the batter in cm"
          value={tenth(aim.depth_cm ?? 2.5)}
          least={0.5}
          step={0.2}
          unit="cm"
          read={typedDecimal}
          onChange={(depth) => choose({ depth: within(tenth(depth), 0.3, 40), ...OF_THE_BATCH })}
        />
      );
    case "height":
      return (
        <Stepper
          label="Height when baked in cm"
          value={tenth(aim.height_cm ?? 4)}
          least={0.5}
          step={0.5}
          unit="cm"
          read={typedDecimal}
          onChange={(height) => choose({ height: within(tenth(height), 0.5, 60), ...OF_THE_BATCH })}
        />
      );
    case "eggs":
      return aim.egg_count === null ? null : (
        <Stepper
          label="Eggs"
          value={Math.round(aim.egg_count * 100) / 100}
          least={1}
          read={typedDecimal}
          onChange={(count) => choose({ eggCount: within(count, 0.5, 400), ...OF_THE_BATCH })}
        />
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
    case "fill":
    case "grams":
    case "keep_batch":
    case "same_depth":
      return null;
  }
}

/** What the cakes are cut in, and how many pieces that makes. */
export function PortionChoice({ fit, inHand }: RuleChoiceProps) {
  const { choices, choose } = inHand;
  const { portion } = fit;
  const cut = choices.portion !== "" || choices.rule === "servings";
  const onPortion = useCallback((next: Portion) => choose({ portion: next }), [choose]);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5, mt: 1 }}>
      <Choice<Portion>
        label="Cut in portions"
        value={choices.portion === "" && cut ? "own" : choices.portion}
        options={choices.rule === "servings" ? PORTIONS : CUT_OR_NOT}
        onChange={onPortion}
        size="small"
      />
      {portion && (
        <Typography aria-live="polite">
          <strong>{portion.pieces}</strong> pieces of{" "}
          <Figure from={portion.origins.ml}>{`${String(Math.round(portion.ml))} ml`}</Figure> baked
          cake each
        </Typography>
      )}
    </Box>
  );
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

/** Keep a number where the kitchen takes it, so that a slip of the hand leaves a fit to mend. */
function within(value: number, least: number, most: number): number {
  return Math.min(Math.max(value, least), most);
}
