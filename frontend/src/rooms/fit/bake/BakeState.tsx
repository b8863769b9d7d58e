import { Box, Typography } from "@mui/material";

import type { Fit, FitBake, FitPan } from "../../../api/client";
import { countOf, grams } from "../../../domain/numbers";
import { CautionNote } from "../CautionNote";
import { FindingRow } from "../FindingRow";
import { TimeBar } from "../TimeBar";

/** The bake card alone, to be read from across the kitchen. */
export function BakeState({ fit }: { fit: Fit }) {
  const timed = fit.bakes.filter((bake) => bake.dial !== null);
  const longest = Math.max(...timed.map((bake) => bake.latest_min ?? 0), 1);
  const dials = [...new Set(timed.map((bake) => bake.dial))];
  const stops = fit.findings.filter((finding) => finding.severity !== "note");
  if (fit.factor === null) {
    return (
      <Typography sx={{ p: 3 }}>Choose pans first; then there is something to bake.</Typography>
    );
  }
  return (
    <Box
      component="section"
      aria-label="Bake"
      sx={(t) => ({
        mx: { xs: 1, sm: 1.75 },
        mb: 1.5,
        p: { xs: 2, sm: 3 },
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        flex: 1,
      })}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3 }}>
        {dials.length === 1 && (
          <Typography variant="quantityHuge" sx={(t) => ({ color: t.vars.palette.bench.heat })}>
            {dials[0]}
          </Typography>
        )}
        <Typography color="textSecondary" sx={{ fontSize: "1.15rem" }}>
          {fit.oven.name}
          {timed[0]?.written ? `, written ${timed[0].written}` : ""}. Heat it before you mix.
        </Typography>
      </Box>
      {fit.bakes.map((bake, place) => (
        <BakeRow
          key={`${String(place)}-${bake.label}`}
          bake={bake}
          pan={fit.pans[place]}
          longest={longest}
          dial={dials.length > 1}
        />
      ))}
      {timed.length > 0 && (
        <Typography sx={{ fontSize: "1.25rem", mt: 2 }}>
          <strong>Done when</strong> {fit.done_when.join("; ")}. The door stays shut until the first
          look.
        </Typography>
      )}
      <Box sx={{ mt: 1.5 }}>
        {stops.map((finding) => (
          <FindingRow key={`${finding.code}-${String(finding.entry)}`} finding={finding} />
        ))}
      </Box>
      <CautionNote texts={fit.cautions.bake} />
    </Box>
  );
}

interface BakeRowProps {
  bake: FitBake;
  pan: FitPan | undefined;
  longest: number;
  dial: boolean;
}

function BakeRow({ bake, pan, longest, dial }: BakeRowProps) {
  return (
    <Box sx={{ mt: 2, pt: 1.5, borderTop: 1, borderColor: "divider" }}>
      <Typography component="h2" sx={{ fontSize: "1.3rem", fontWeight: 700 }}>
        {pan ? countOf(pan) : bake.label}
        <Typography component="span" color="textSecondary" sx={{ ml: 1, fontSize: "1.1rem" }}>
          {pan?.batter_g_each ? `${grams(pan.batter_g_each)} g${pan.count > 1 ? " each" : ""}` : ""}
          {dial && bake.dial ? ` · ${bake.dial}` : ""}
        </Typography>
      </Typography>
      {bake.likely_min === null ? (
        <Typography sx={{ fontSize: "1.15rem" }}>No time can be given for this one.</Typography>
      ) : (
        <>
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3 }}>
            <Typography variant="quantityHuge">look at {bake.first_look_min}</Typography>
            <Typography sx={{ fontSize: "1.7rem" }}>
              likely <strong>{bake.likely_min}</strong> · no later than{" "}
              <strong>{bake.latest_min}</strong> min
            </Typography>
          </Box>
          <TimeBar bake={bake} longest={longest} />
        </>
      )}
    </Box>
  );
}
