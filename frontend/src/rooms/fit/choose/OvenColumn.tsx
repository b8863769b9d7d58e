import {
  Box,
  Button,
  Checkbox,
  Collapse,
  FormControlLabel,
  MenuItem,
  Select,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { memo, useCallback, useState } from "react";

import type { Fit, FitBake } from "../../../api/client";
import type { Temperature } from "../../../domain/fitChoices";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { ColumnTitle } from "../ColumnTitle";
import { ovensQuery } from "../../../api/queries/kitchen";
import { TimeBar } from "../TimeBar";
import type { FitChoicesInHand } from "../useFitChoices";

const SCHOOLS = [
  { value: "same_crust", label: "Same crust" },
  { value: "both_ways", label: "Both ways" },
  { value: "as_recipe", label: "As the recipe" },
  { value: "lower", label: "15 lower" },
] as const;

const SCHOOL_DOES: Record<Temperature, string> = {
  same_crust: "Cooler for deeper pans, never hotter, so that the crust is the recipe's.",
  both_ways: "Cooler for deeper pans, hotter for small ones; never for foam or honey.",
  as_recipe: "The recipe's own setting, whatever the pan.",
  lower: "15 °C cooler for deep cakes and dark pans, else the recipe's own.",
};

interface OvenColumnProps {
  fit: Fit;
  temperature: Temperature;
  separately: boolean;
  /** What else is counted in, in words. */
  treated: string;
  choose: FitChoicesInHand["choose"];
}

/** The oven: which one, what to set, and when to look at each pan. */
export const OvenColumn = memo(function OvenColumn(props: OvenColumnProps) {
  const { fit, temperature, separately, treated, choose } = props;
  const onSchool = useCallback((school: Temperature) => choose({ temperature: school }), [choose]);
  const timed = fit.bakes.filter((bake) => bake.dial !== null);
  const first = timed[0];
  const longest = Math.max(...timed.map((bake) => bake.latest_min ?? 0), 1);
  const apart = separately || fit.findings.some((one) => one.code === "own_setting_apart");
  return (
    <>
      <ColumnTitle id="oven-title">Oven</ColumnTitle>
      <OvenSelect fit={fit} choose={choose} />
      {first && !separately && <Dial bake={first} />}
      {fit.oven.has_dial ? (
        <Box sx={{ mt: 0.75 }}>
          <Choice
            label="Temperature"
            value={temperature}
            options={SCHOOLS}
            onChange={onSchool}
            size="small"
            wrap
          />
          <Typography color="textSecondary" sx={{ fontSize: "size.tiny", mt: 0.5 }}>
            {SCHOOL_DOES[temperature]}
          </Typography>
        </Box>
      ) : (
        <Typography color="textSecondary" sx={{ fontSize: "size.tiny", mt: 0.5 }}>
          One heat of its own; there is no temperature to choose.
        </Typography>
      )}
      {treated !== "" && (
        <Typography sx={{ fontSize: "size.small", mt: 0.5 }}>
          <strong>Counted in:</strong> {treated}.
        </Typography>
      )}
      {fit.bakes.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 1.5 }}>
          When to look comes with the pans.
        </Typography>
      )}
      {apart && (
        <FormControlLabel
          control={
            <Checkbox
              checked={separately}
              onChange={(event) => choose({ separately: event.target.checked })}
            />
          }
          label="Bake separately, each at its own setting"
        />
      )}
      <Box aria-live="polite">
        {fit.bakes.map((bake, place) => (
          <BakeTimes
            key={`${String(place)}-${bake.label}`}
            bake={bake}
            longest={longest}
            ownDial={separately}
          />
        ))}
      </Box>
      {timed.length > 0 && (
        <Typography sx={{ mt: 1.5, pt: 1.5, borderTop: 1, borderColor: "divider" }}>
          <strong>Done when</strong> {fit.done_when.join("; ")}. A sign ends the bake, not the
          clock.
        </Typography>
      )}
    </>
  );
});

function OvenSelect({ fit, choose }: Pick<OvenColumnProps, "fit" | "choose">) {
  const ovens = useQuery(ovensQuery());
  if (!ovens.data || ovens.data.length < 2) {
    return <Typography color="textSecondary">{fit.oven.name}</Typography>;
  }
  return (
    <Select
      value={fit.oven.id ?? ""}
      onChange={(event) => choose({ oven: event.target.value || null })}
      size="small"
      fullWidth
      inputProps={{ "aria-label": "Which oven" }}
      sx={{ minHeight: 44 }}
    >
      {ovens.data.map((oven) => (
        <MenuItem key={oven.id} value={oven.id}>
          {oven.name} · {oven.kind_words}
        </MenuItem>
      ))}
    </Select>
  );
}

function Dial({ bake }: { bake: FitBake }) {
  return (
    <Box sx={{ mt: 0.5 }}>
      <Typography
        variant="quantityLarge"
        sx={(t) => ({ fontSize: "size.huge", color: t.vars.palette.bench.heat })}
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
    <Box sx={{ mt: 1.25 }}>
      <Typography component="h3" sx={{ fontWeight: 700, fontSize: "size.note" }}>
        {bake.label}
        {ownDial && bake.dial ? ` at ${bake.dial}` : ""}
      </Typography>
      {bake.likely_min === null ? (
        <Typography color="textSecondary">No time can be given; see below.</Typography>
      ) : (
        <>
          <Typography variant="quantityLarge">
            look at{" "}
            <Figure from={bake.origins.first_look_min}>{String(bake.first_look_min)}</Figure> min
          </Typography>
          <TimeBar bake={bake} longest={longest} />
          {bake.phases.length > 1 && (
            <Typography sx={{ fontSize: "size.small", lineHeight: 1.25 }}>
              {bake.phases.map(phaseWords).join("; ")}
            </Typography>
          )}
          <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
            <Typography component="span" sx={{ fontSize: "size.note" }}>
              likely <Figure from={bake.origins.likely_min}>{String(bake.likely_min)}</Figure> · no
              later than <Figure from={bake.origins.latest_min}>{String(bake.latest_min)}</Figure>
              {"\u00a0min"}
            </Typography>
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
