import { Box, Typography } from "@mui/material";

import type { Card, Desk } from "../../../api/client";
import { Figure } from "../../../ui/Figure";
import { MarkedText } from "../MarkedText";
import { COMPONENTS } from "../words";

/** The lines as read, each under its part of the cake, with what it weighs and where that is from. */
export function ReadLines({ card, seen }: { card: Card; seen: Desk | null }) {
  return (
    <>
      {card.lines.map((line, place) => {
        const shown = seen?.lines.find((one) => one.key === line.key);
        const component = card.components.find((one) => one.key === line.component);
        const begins = card.lines[place - 1]?.component !== line.component;
        const named = component && (component.title || component.kind !== "batter" || place > 0);
        return (
          <Box key={line.key}>
            {begins && named && (
              <Typography sx={{ fontWeight: 700, mt: 1 }} color="textSecondary">
                {component.title || COMPONENTS[component.kind]}
              </Typography>
            )}
            <Box
              sx={{ display: "flex", gap: 1.5, py: 0.5, borderBottom: 1, borderColor: "divider" }}
            >
              <Box sx={{ flex: 1 }}>
                <MarkedText
                  text={line.text}
                  marks={shown?.marks ?? []}
                  known={!shown || shown.ingredient !== null}
                />
                {line.name === "" && line.amount === null && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    (not read; asked about on the desk)
                  </Box>
                )}
              </Box>
              {shown?.shown && (
                <Typography component="span" sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>
                  <Figure from={shown.origin ?? undefined}>{shown.shown}</Figure>
                </Typography>
              )}
            </Box>
          </Box>
        );
      })}
    </>
  );
}
