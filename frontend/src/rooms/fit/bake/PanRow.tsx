import { Box, Button, Collapse, Typography } from "@mui/material";
import { useState } from "react";

import type { Fit, FitBake, FitRequest, PanCard } from "../../../api/client";
import { countOf, grams } from "../../../domain/numbers";
import { Figure } from "../../../ui/Figure";
import { TimeBar } from "../shared/TimeBar";
import { PhaseList } from "./PhaseList";
import { TookIt } from "./took/TookIt";
import { WhyTime } from "./WhyTime";

interface PanRowProps {
  entry: number;
  fit: Fit;
  bake: FitBake;
  card: PanCard | undefined;
  longest: number;
  request: FitRequest;
}

/** One row of pans on the bake card. */
export function PanRow({ entry, fit, bake, card, longest, request }: PanRowProps) {
  const [why, setWhy] = useState(false);
  const pan = fit.pans[entry];
  const dials = new Set(fit.bakes.map((one) => one.dial));
  const facts = [
    pan?.batter_g_each ? `${grams(pan.batter_g_each)} g${pan.count > 1 ? " each" : ""}` : "",
    card?.shelf ?? "",
    dials.size > 1 && bake.dial ? bake.dial : "",
  ].filter(Boolean);
  return (
    <Box
      component="section"
      aria-label={bake.label}
      sx={{ mt: 2, pt: 1.5, borderTop: 1, borderColor: "divider" }}
    >
      <Typography component="h2" sx={{ fontSize: "size.title", fontWeight: 700 }}>
        {pan ? countOf(pan) : bake.label}
        <Typography component="span" color="textSecondary" sx={{ ml: 1, fontSize: "size.strong" }}>
          {facts.join(" · ")}
        </Typography>
      </Typography>
      {bake.likely_min === null ? (
        <Typography sx={{ fontSize: "size.strong" }}>No time can be given for this one.</Typography>
      ) : (
        <>
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3 }}>
            <Typography variant="quantityHuge">
              look at{" "}
              <Figure from={bake.origins.first_look_min}>{String(bake.first_look_min)}</Figure> min
            </Typography>
            <Typography sx={{ fontSize: "size.large" }}>
              likely{" "}
              <strong>
                <Figure from={bake.origins.likely_min}>{String(bake.likely_min)}</Figure>
                {"\u00a0min"}
              </strong>{" "}
              · no later than{" "}
              <strong>
                <Figure from={bake.origins.latest_min}>{String(bake.latest_min)}</Figure>
                {"\u00a0min"}
              </strong>
            </Typography>
            <Button onClick={() => setWhy(!why)} aria-expanded={why}>
              Why and what if
            </Button>
          </Box>
          <TimeBar bake={bake} longest={longest} />
          {bake.phases.length > 1 && <PhaseList phases={bake.phases} />}
          {card && <AfterLooking card={card} />}
          <Collapse in={why} unmountOnExit>
            <WhyTime bake={bake} entry={entry} request={request} />
          </Collapse>
          <TookIt fit={fit} entry={entry} likely={bake.likely_min} request={request} />
        </>
      )}
    </Box>
  );
}

/** What to do when it is not done, too dark, and when it is. */
function AfterLooking({ card }: { card: PanCard }) {
  return (
    <Box sx={{ fontSize: "size.strong", lineHeight: 1.35 }}>
      <Typography sx={{ font: "inherit" }}>
        {card.not_done} {card.too_dark}
      </Typography>
      <Typography sx={{ font: "inherit" }}>
        <strong>Done:</strong> stand{" "}
        <Figure from={card.origins.stand_min}>{`${String(card.stand_min)} min`}</Figure>, then{" "}
        {card.leaving}.
      </Typography>
    </Box>
  );
}
