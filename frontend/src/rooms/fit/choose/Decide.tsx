import { Box, ButtonBase } from "@mui/material";
import { useCallback } from "react";
import type { ReactNode } from "react";

import type { Rule } from "../../../api/client";
import { OF_THE_BATCH } from "../../../domain/fitChoices";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { Aim } from "./Aim";
import type { AimProps } from "./Aim";
import { useLately } from "./useLately";

const RULES: readonly { value: Rule; label: string; does: string }[] = [
  {
    value: "same_depth",
    label: "Same depth",
    does: "Flat pans about as deep as the recipe's own, rings, loaves and wells as full; the amounts follow.",
  },
  {
    value: "keep_batch",
    label: "Keep my batch",
    does: "The recipe as it is, at one depth over your pans.",
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
  {
    value: "factor",
    label: "Times the recipe",
    does: "Half of it, twice it, any number of times, at one depth over your pans.",
  },
];

const named = (rule: Rule) => RULES.find((one) => one.value === rule)?.label ?? rule;

/** One line: how the batter is shared, the rules used lately beside it, and what else to do. */
export function Decide(props: AimProps & { children: ReactNode }) {
  const { fit, inHand, children } = props;
  const { choices, choose } = inHand;
  const lately = useLately(choices.rule);
  const take = useCallback(
    (next: Rule) => choose({ rule: next, eggs: "default", ...OF_THE_BATCH }),
    [choose],
  );
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 1.5,
        fontSize: "size.strong",
      }}
    >
      <span>
        Decide by{" "}
        <Opens label="How the batter is shared" words={named(choices.rule).toLowerCase()}>
          {() => (
            <PickList
              label="How the batter is shared"
              value={choices.rule}
              options={RULES}
              onChange={take}
            />
          )}
        </Opens>
      </span>
      <Aim fit={fit} inHand={inHand} />
      <Box
        component="span"
        sx={{ flex: "1 1 210px", color: "text.secondary", fontSize: "size.small" }}
      >
        lately:{" "}
        {lately.map((rule, place) => (
          <span key={rule}>
            {place > 0 && " · "}
            <ButtonBase
              onClick={() => take(rule)}
              aria-label={`Decide by ${named(rule).toLowerCase()}`}
              sx={{ minHeight: 44, px: 0.25, font: "inherit", borderRadius: 1 }}
            >
              {named(rule).toLowerCase()}
            </ButtonBase>
          </span>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5 }}>{children}</Box>
    </Box>
  );
}
