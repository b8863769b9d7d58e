import { Box, Typography } from "@mui/material";

import type { FinishAnswer } from "../../../api/client";
import { clock } from "../../../domain/numbers";

/** The steps after the oven in a row: hands in butter, waiting in white, each with its sign. */
export function OrderOfWork({ steps }: { steps: FinishAnswer["steps"] }) {
  const hands = steps.reduce((sum, step) => sum + step.hands_min, 0);
  const waits = steps.reduce((sum, step) => sum + step.wait_min, 0);
  const cautions = [...new Set(steps.map((step) => step.caution).filter(Boolean))];
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", justifyContent: "space-between", mb: 0.5 }}>
        <Typography
          component="h2"
          sx={(t) => ({ fontWeight: 700, fontSize: "size.note", color: t.vars.palette.bench.rim })}
        >
          In this order
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
          hands {clock(hands)} · waiting {clock(waits)} (practice but for the cooling)
        </Typography>
      </Box>
      <Box
        component="ol"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "stretch",
        }}
      >
        {steps.map((step) => {
          const waiting = step.wait_min > step.hands_min;
          return (
            <Box component="li" key={step.key} sx={{ flex: "1 1 92px", maxWidth: 190 }}>
              <Typography component="h3" sx={{ fontSize: "size.small", lineHeight: 1.2 }}>
                {step.name}
              </Typography>
              <Box
                sx={(t) => ({
                  my: 0.25,
                  px: 1,
                  py: 0.25,
                  borderRadius: 0.75,
                  textAlign: "center",
                  fontWeight: 700,
                  border: `1.5px solid ${waiting ? t.vars.palette.bench.rim : t.vars.palette.bench.butter}`,
                  bgcolor: waiting ? "transparent" : t.vars.palette.bench.butter,
                  color: waiting ? "text.primary" : t.vars.palette.bench.onButter,
                })}
              >
                {clock(waiting ? step.wait_min : step.hands_min)}
              </Box>
              <Typography color="textSecondary" sx={{ fontSize: "size.tiny", lineHeight: 1.2 }}>
                {step.sign}
              </Typography>
            </Box>
          );
        })}
      </Box>
      {cautions.length > 0 && (
        <Typography sx={{ mt: 1, fontSize: "size.small", lineHeight: 1.3 }}>
          <strong>Take care.</strong> {cautions.join(" ")}
        </Typography>
      )}
    </>
  );
}
