import { Box, Button, Collapse, Typography } from "@mui/material";
import { memo, useState } from "react";

import type { Fit, FitBake } from "../../../api/client";
import type { Temperature } from "../../../domain/fitChoices";
import { Figure } from "../../../ui/Figure";
import { Opens } from "../../../ui/Opens";
import { TimeBar } from "../shared/TimeBar";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { Knowing } from "./Knowing";
import { OvenWords } from "./OvenWords";

interface BakeStripProps {
  fit: Fit;
  temperature: Temperature;
  separately: boolean;
  treated: string;
  choose: FitChoicesInHand["choose"];
}

/** Under the drawings: what to set, when to look at each pan, and what stands against it. */
export const BakeStrip = memo(function BakeStrip(props: BakeStripProps) {
  const { fit, separately } = props;
  const timed = fit.bakes.filter((bake) => bake.dial !== null);
  const first = timed[0];
  const longest = Math.max(...timed.map((bake) => bake.latest_min ?? 0), 1);
  return (
    <>
      <h2 id="oven-title" style={{ position: "absolute", clipPath: "inset(50%)" }}>
        Oven
      </h2>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          rowGap: 1,
          // Beside a mouse the strip rests in a few lines; under a finger it keeps its height.
          "@media (pointer: fine)": { "& button": { minHeight: 28, py: 0 } },
        }}
      >
        <Box sx={{ flex: "0 1 225px", minWidth: 150 }}>
          <OvenWords {...props} />
          {first && !separately && <Dial bake={first} />}
        </Box>
        <Box
          aria-live="polite"
          sx={{ flex: "4 1 300px", minWidth: 0, display: "flex", flexWrap: "wrap", gap: 1.5 }}
        >
          {fit.bakes.length === 0 && (
            <Typography color="textSecondary" sx={{ alignSelf: "center" }}>
              When to look comes with the pans.
            </Typography>
          )}
          {fit.bakes.map((bake, place) => (
            <BakeTimes
              key={`${String(place)}-${bake.label}`}
              bake={bake}
              longest={longest}
              ownDial={separately}
            />
          ))}
        </Box>
        <Box
          sx={{
            flex: "1 1 170px",
            minWidth: 0,
            maxWidth: { md: 260 },
          }}
        >
          {timed.length > 0 && (
            <Opens label="Done when" words="done when" quiet>
              {() => (
                <Typography>
                  <strong>Done when</strong> {fit.done_when.join("; ")}. A sign ends the bake, not
                  the clock.
                </Typography>
              )}
            </Opens>
          )}
          <Knowing findings={fit.findings} filled={fit.factor !== null} />
        </Box>
      </Box>
    </>
  );
});

function Dial({ bake }: { bake: FitBake }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1, alignItems: "baseline" }}>
      <Typography
        variant="quantityLarge"
        sx={(t) => ({
          fontSize: "size.large",
          lineHeight: 1.1,
          color: t.vars.palette.bench.heat,
        })}
      >
        <Figure>{bake.phases[0]?.dial ?? bake.dial ?? ""}</Figure>
      </Typography>
      {bake.written && (
        <Typography color="textSecondary" sx={{ lineHeight: 1.2 }}>
          written {bake.written}
        </Typography>
      )}
    </Box>
  );
}

function phaseWords(phase: FitBake["phases"][number]): string {
  const from = phase.from_min === 0 ? "" : `from ${String(phase.from_min)} min `;
  return `${from}${phase.dial}${phase.covered ? ", covered" : ""}`;
}

function BakeTimes(props: { bake: FitBake; longest: number; ownDial: boolean }) {
  const { bake, longest, ownDial } = props;
  const [open, setOpen] = useState(false);
  return (
    <Box
      sx={{
        flex: "1 1 190px",
        minWidth: 0,
        maxWidth: { sm: 340 },
        borderLeft: { sm: 1 },
        borderColor: { sm: "divider" },
        pl: { sm: 2 },
      }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1, alignItems: "baseline" }}>
        <Typography
          component="h3"
          color="textSecondary"
          sx={{ fontSize: "size.small", lineHeight: 1.2 }}
        >
          {bake.label}
          {ownDial && bake.dial ? ` at ${bake.dial}` : ""}
        </Typography>
        {bake.likely_min !== null && (
          <Typography component="span" sx={{ fontSize: "size.small", lineHeight: 1.2 }}>
            likely <Figure from={bake.origins.likely_min}>{String(bake.likely_min)}</Figure> · no
            later than <Figure from={bake.origins.latest_min}>{String(bake.latest_min)}</Figure>
            {"\u00a0min"}
          </Typography>
        )}
      </Box>
      {bake.likely_min === null ? (
        <Typography color="textSecondary">No time can be given; see below.</Typography>
      ) : (
        <>
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1 }}>
            <Typography
              variant="quantityLarge"
              sx={{ fontSize: "size.title", lineHeight: 1.2, whiteSpace: "nowrap" }}
            >
              look at{" "}
              <Figure from={bake.origins.first_look_min}>{String(bake.first_look_min)}</Figure> min
            </Typography>
            <Box sx={{ flex: "1 1 60px", minWidth: 40 }}>
              <TimeBar bake={bake} longest={longest} />
            </Box>
            <Button
              size="small"
              onClick={() => setOpen(!open)}
              aria-expanded={open}
              aria-label={`Why this time for ${bake.label}`}
              sx={{ minWidth: 44, my: -0.5 }}
            >
              Why
            </Button>
          </Box>
          {bake.phases.length > 1 && (
            <Typography sx={{ fontSize: "size.small", lineHeight: 1.25 }}>
              {bake.phases.map(phaseWords).join("; ")}
            </Typography>
          )}
          <Collapse in={open} unmountOnExit>
            <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "size.note" }}>
              {bake.why.map((fact) => (
                <li key={fact}>{fact}</li>
              ))}
              {bake.early_min !== null && bake.first_look_min !== null && (
                <li>
                  Hardly before {bake.early_min} min
                  {bake.early_min < bake.first_look_min ? ": look through the glass from then" : ""}
                  .
                </li>
              )}
            </Box>
          </Collapse>
        </>
      )}
    </Box>
  );
}
