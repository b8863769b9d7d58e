import { Box } from "@mui/material";

import type { Fit } from "../../../api/client";
import type { FitChoicesInHand } from "../useFitChoices";
import { treatmentWords } from "../bake/heat/treatments";
import { BatchStrip } from "./BatchStrip";
import { CardColumn } from "./CardColumn";
import { OvenColumn } from "./OvenColumn";
import { PansColumn } from "./PansColumn";

/** The bench: card, pans, oven from left to right, and the batch below. */
export function ChooseState({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  return (
    <Box
      sx={{
        display: "flex",
        flexDirection: "column",
        gap: 1.5,
        px: { xs: 1, sm: 1.75 },
        pb: 1.5,
        flex: 1,
        minHeight: { lg: 0 },
      }}
    >
      <Box
        sx={(t) => ({
          display: "grid",
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            sm: "minmax(0, 1fr) minmax(0, 1fr)",
            lg: "minmax(380px, 404px) minmax(0, 1fr) minmax(256px, 272px)",
          },
          gridTemplateAreas: {
            xs: '"pans" "card" "oven"',
            sm: '"pans pans" "card oven"',
            lg: '"card pans oven"',
          },
          bgcolor: "background.paper",
          border: `2px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 2,
          flex: 1,
          minHeight: { lg: 380 },
          overflow: "hidden",
          "& > section": {
            px: { xs: 1.5, sm: 2 },
            py: 1.25,
            minWidth: 0,
            overflowY: { lg: "auto" },
          },
          "& > section + section": {
            borderLeft: { lg: `1px solid ${t.vars.palette.divider}` },
          },
        })}
      >
        <Box component="section" aria-labelledby="card-title" sx={{ gridArea: "card" }}>
          <CardColumn fit={fit} inHand={inHand} />
        </Box>
        <Box component="section" aria-labelledby="pans-title" sx={{ gridArea: "pans" }}>
          <PansColumn fit={fit} inHand={inHand} />
        </Box>
        <Box component="section" aria-labelledby="oven-title" sx={{ gridArea: "oven" }}>
          <OvenColumn
            fit={fit}
            temperature={inHand.choices.temperature}
            separately={inHand.choices.separately}
            treated={treatmentWords(inHand.choices, fit.oven.has_dial)}
            choose={inHand.choose}
          />
        </Box>
      </Box>
      <BatchStrip fit={fit} />
    </Box>
  );
}
