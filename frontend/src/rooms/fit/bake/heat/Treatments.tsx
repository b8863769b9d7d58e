import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";

import type { Fit } from "../../../../api/client";
import { PickField } from "../../../../ui/PickField";
import type { FitChoicesInHand } from "../../shared/useFitChoices";
import { COVERS, FINISHES, startsIn } from "./treatments";
import { useUnits } from "../../../../ui/useUnits";

/** Strips, covering, other pans, a cold or hot batter: switched on, the times follow. */
export function Treatments({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const units = useUnits();
  const { choices, choose } = inHand;
  const wide = { minWidth: 210, flex: "1 1 210px", maxWidth: 300 };
  return (
    <Box component="section" aria-label="What else changes the bake" sx={{ my: 2 }}>
      <Typography component="h2" sx={{ fontWeight: 700, fontSize: "size.strong", mb: 1 }}>
        What else changes the bake
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        {fit.oven.has_dial && (
          <>
            <FormControlLabel
              control={
                <Checkbox
                  checked={choices.strips}
                  onChange={(event) => choose({ strips: event.target.checked })}
                />
              }
              label="Insulating strips"
            />
            <PickField
              label="Top covered"
              value={choices.cover}
              options={COVERS}
              onChange={(cover) => choose({ cover: cover ?? "as_recipe" })}
              sx={wide}
            />
          </>
        )}
        <PickField
          label="Pans"
          value={choices.finish}
          options={FINISHES}
          none="Each as on the rack"
          onChange={(finish) => choose({ finish })}
          sx={wide}
        />
        <PickField
          label="Batter goes in"
          value={choices.start}
          options={startsIn(units)}
          none="As the card says"
          onChange={(start) => choose({ start })}
          sx={wide}
        />
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.75 }}>
        A metal core in the middle and wet paper outside also help a wide cake; nothing sourced says
        by how much, so no time is given for them: look earlier and go by the sign.
      </Typography>
    </Box>
  );
}
