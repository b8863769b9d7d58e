import { FLAMES } from "../../../domain/dials";
import { Box } from "@mui/material";

import type { Card, CardPan, PanOffer } from "../../../api/client";

/** A pan and how many, in words. */
export function panWords(pan: CardPan): string {
  return pan.count > 1 && pan.measures.wells === 1
    ? `${String(pan.count)} × ${pan.label}`
    : pan.label;
}

/** Minutes from to, in words. */
export function minutesWords(low: number, high: number | null): string {
  return high === null || high === low
    ? `${String(low)} min`
    : `${String(low)}–${String(high)} min`;
}

/** The card with a pan that the text offers besides, and the time that belongs to it. */
export function withOffer(card: Card, offer: PanOffer | null): Card {
  if (offer === null) return card;
  const first = card.pans[0];
  const { stated_low_min: low, stated_high_min: high } = card;
  return {
    ...card,
    pans: [offer.pan],
    // What the card was written for stays, as the other pan with its own time.
    offers:
      card.pans.length === 1 && first && low !== null && high !== null && offer.low_min !== null
        ? [{ pan: first, low_min: low, high_min: high }]
        : [],
    ...(offer.low_min === null
      ? {}
      : { stated_low_min: offer.low_min, stated_high_min: offer.high_min, phases: [] }),
  };
}

/** Pans, setting, minutes and servings as read, in one row. */
export function ReadFacts({ card }: { card: Card }) {
  const { setting, stated_low_min: low, stated_high_min: high } = card;
  const scale = setting?.scale === "mark" ? "" : ` °${setting?.scale ?? ""}`;
  const facts = [
    ["pan", card.pans.map(panWords).join(", ")],
    [
      "oven",
      setting
        ? setting.scale === "flame"
          ? (FLAMES.find(([level]) => level === setting.value)?.[1] ?? "")
          : `${setting.scale === "mark" ? "gas mark " : ""}${String(setting.value)}${scale}${
              card.oven_kind === "fan" ? " fan" : ""
            }`
        : "",
    ],
    ["time", low === null ? "" : minutesWords(low, high)],
    ["serves", card.servings.replace(/^serves:?\s+/i, "")],
  ] as const;
  return (
    <Box
      component="dl"
      sx={{
        display: "grid",
        gridTemplateColumns: "auto 1fr",
        columnGap: 1.5,
        rowGap: 0.25,
        my: 0.75,
        "& dd": { m: 0, fontWeight: 650 },
        "& dt": { color: "text.secondary" },
      }}
    >
      {facts.map(([name, words]) => (
        <Box key={name} sx={{ display: "contents" }}>
          <dt>{name}</dt>
          <dd>{words === "" ? "not read" : words}</dd>
        </Box>
      ))}
    </Box>
  );
}
