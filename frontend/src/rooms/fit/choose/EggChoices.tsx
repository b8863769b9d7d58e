import { Box, Typography } from "@mui/material";

import type { EggChoice, Fit } from "../../../api/client";
import { Choice } from "../../../ui/Choice";
import type { FitChoicesInHand } from "../useFitChoices";

type Eggs = NonNullable<Fit["eggs"]>;

interface EggChoicesProps {
  eggs: Eggs;
  choose: FitChoicesInHand["choose"];
}

/** Ways to settle the eggs, each with what it does to the depth. */
export function EggChoices({ eggs, choose }: EggChoicesProps) {
  if (eggs.options.length < 2) return null;
  return (
    <Box sx={{ mt: 1.25 }}>
      <Choice<EggChoice>
        label="Eggs"
        value={eggs.choice}
        wrap
        size="small"
        options={eggs.options.map((option) => ({
          value: option.choice,
          label: (
            <Box component="span" sx={{ py: 0.5, lineHeight: 1.15 }}>
              {option.text}
              <Typography
                component="span"
                sx={{ display: "block", fontSize: "size.tiny", fontWeight: 400 }}
              >
                {option.effect}
              </Typography>
            </Box>
          ),
        }))}
        onChange={(choice) => choose({ eggs: choice })}
      />
    </Box>
  );
}
