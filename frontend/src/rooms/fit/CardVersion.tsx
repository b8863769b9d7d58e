import { Box, Link as MuiLink, MenuItem, Select } from "@mui/material";

import type { Fit } from "../../api/client";
import type { FitChoicesInHand } from "./shared/useFitChoices";

const AS_WRITTEN = "as-written";

/** Which version of the card is fitted: its variant, and whether the card has moved on since. */
export function CardVersion(props: { fit: Fit; choose: FitChoicesInHand["choose"] }) {
  const { fit, choose } = props;
  const { recipe } = fit;
  const behind = recipe.revision < recipe.head;
  if (recipe.variants.length === 0 && !behind) return null;
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 1.5,
        alignItems: "center",
        flexShrink: 0,
      }}
    >
      {recipe.variants.length > 0 && (
        <Select
          size="small"
          variant="standard"
          value={recipe.variant === null ? AS_WRITTEN : String(recipe.variant)}
          inputProps={{ "aria-label": "Variant of the card" }}
          onChange={(event) =>
            choose(
              { variant: event.target.value === AS_WRITTEN ? null : Number(event.target.value) },
              "history",
            )
          }
          sx={{ minHeight: 44 }}
        >
          <MenuItem value={AS_WRITTEN}>As written</MenuItem>
          {recipe.variants.map((variant) => (
            <MenuItem key={variant.key} value={String(variant.key)}>
              {variant.name}
            </MenuItem>
          ))}
        </Select>
      )}
      {behind && (
        <Box component="span" sx={{ fontSize: "size.small" }}>
          From revision {recipe.revision}; the card is at {recipe.head}.{" "}
          <MuiLink
            component="button"
            sx={{ verticalAlign: "baseline", minHeight: 24 }}
            onClick={() => choose({ revision: recipe.head }, "history")}
          >
            Use the newest
          </MuiLink>
        </Box>
      )}
    </Box>
  );
}
