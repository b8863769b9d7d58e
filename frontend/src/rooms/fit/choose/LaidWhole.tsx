import { Box, Typography } from "@mui/material";

import type { Fit } from "../../../api/client";
import type { Length } from "../../../domain/fitChoices";
import { typedLength } from "../../../domain/numbers";
import { TypedField } from "../../../ui/TypedField";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** Fruit halves, rings or biscuits of a layer: how wide they are, and how many lie in the pans. */
export function LaidWhole({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const { laid } = inHand.choices;
  const lines = fit.lines.filter((line) => line.included && fit.may_lay.includes(line.id));
  if (lines.length === 0 || fit.factor === null) return null;
  const set = (line: number, width: Length | null) => {
    inHand.choose((now) => {
      const others = Object.entries(now.laid).filter(([key]) => key !== String(line));
      return {
        laid: Object.fromEntries(width === null ? others : [...others, [String(line), width]]),
      };
    });
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography sx={{ fontWeight: 700, fontSize: "size.note" }}>Laid in whole</Typography>
      {lines.map((line) => {
        const whole = fit.laid.find((one) => one.line === line.id);
        return (
          <Box
            key={line.id}
            sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mt: 0.75 }}
          >
            <TypedField<Length>
              label={`Width of one: ${line.name.toLowerCase()}`}
              value={laid[String(line.id)] ?? null}
              read={typedLength}
              write={String}
              hint="Type centimetres, or 2 in."
              onChange={(width) => set(line.id, width)}
              sx={{ flex: "1 1 180px" }}
            />
            {whole && <Typography aria-live="polite">{whole.text}</Typography>}
          </Box>
        );
      })}
    </Box>
  );
}
