import { Box, Button, MenuItem, Select, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Fit } from "../../../api/client";
import { OF_THE_BATCH } from "../../../domain/fitChoices";
import { grams } from "../../../domain/numbers";
import { Figure } from "../../../ui/Figure";
import { TypedField } from "../../../ui/TypedField";
import { kitchenQuery } from "../../../api/queries/kitchen";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { BowlsDialog } from "./BowlsDialog";
import { useBowls } from "../../../bowls/useBowls";

interface BowlBarProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** Which bowl the batter is mixed in, what it takes, and how the batch is split over mixes. */
export function BowlBar({ fit, inHand }: BowlBarProps) {
  const { choices, choose } = inHand;
  const [open, setOpen] = useState(false);
  const bowls = useBowls();
  const kitchen = useQuery(kitchenQuery());
  const list = bowls.list.data ?? [];
  return (
    <Box
      sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5, rowGap: 1, alignItems: "center" }}
    >
      <Select
        size="small"
        value={fit.bowl === null ? "none" : String(fit.bowl.id)}
        inputProps={{ "aria-label": "Mixing bowl" }}
        onChange={(event) =>
          choose({
            bowl: event.target.value === "none" ? "none" : Number(event.target.value),
            ...OF_THE_BATCH,
          })
        }
        sx={{ minHeight: 44 }}
      >
        {list.map((bowl) => (
          <MenuItem key={bowl.id} value={String(bowl.id)}>
            {bowl.name}
          </MenuItem>
        ))}
        <MenuItem value="none">All mixed at once</MenuItem>
      </Select>
      {fit.bowl && (
        <Typography color="textSecondary">
          takes <Figure from={fit.bowl.origins.working_ml}>{`${grams(fit.bowl.most_g)} g`}</Figure>{" "}
          of this batter
        </Typography>
      )}
      {fit.mixes.length > 1 && fit.eggs && (
        <TypedField
          label="Eggs in each mix"
          value={fit.mixes.map((mix) => mix.eggs ?? 0)}
          read={readMixes}
          write={writeMixes}
          hint="Type a number for each mix: 4 + 3"
          onChange={(mixes) => choose({ ...OF_THE_BATCH, mixes: mixes ?? [] })}
          sx={{ width: 190 }}
        />
      )}
      {choices.mixes.length > 0 && (
        <Button size="small" onClick={() => choose({ ...OF_THE_BATCH })}>
          Split as the bowl needs
        </Button>
      )}
      <Button size="small" onClick={() => setOpen(true)} aria-haspopup="dialog">
        Bowls
      </Button>
      <BowlsDialog
        open={open}
        bowls={bowls}
        lossShare={kitchen.data?.bowl_loss_share ?? null}
        onClose={() => setOpen(false)}
      />
    </Box>
  );
}

/** Read "4 + 3" or "4, 3"; null where it is no such list. */
export function readMixes(text: string): number[] | null {
  const parts = text.split(/[+;,/]| and /).map((part) => part.trim());
  const sizes = parts.map((part) => (/^\d+(\.\d+)?$/.test(part) ? Number(part) : NaN));
  return sizes.every((size) => size > 0) ? sizes : null;
}

export function writeMixes(mixes: readonly number[]): string {
  return mixes.map((size) => String(Math.round(size * 100) / 100)).join(" + ");
}
