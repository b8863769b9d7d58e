import { Typography } from "@mui/material";

import type { OwnFinish } from "../api/client";

/** Where a card's own finish comes from, in a few words. */
export function originOf(own: OwnFinish): string {
  if (own.settled) return "settled on the card";
  return own.said.length === 0 ? "assumed, by its amounts" : "read from its method";
}

/** Why a card is finished as it is, with the sentences that say so. */
export function OwnReason({ own }: { own: OwnFinish }) {
  return (
    <>
      <Typography>
        How thick everything lies follows from the recipe&apos;s own amounts. {reason(own)}
      </Typography>
      {own.said.map((sentence) => (
        <Typography key={sentence} sx={{ pt: 0.75, fontStyle: "italic" }}>
          “{sentence}”
        </Typography>
      ))}
    </>
  );
}

function reason(own: OwnFinish): string {
  if (own.settled) return "This finish was settled on the card.";
  return own.said.length === 0
    ? "The method says nothing of it that can be read, so cuts and coats are the usual ones."
    : "Its method says:";
}
