import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { Fit } from "../../../api/client";
import { ovensQuery } from "../../../api/queries/kitchen";
import type { Temperature } from "../../../domain/fitChoices";
import { typedDecimal } from "../../../domain/numbers";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { Stepper } from "../../../ui/Stepper";
import type { FitChoicesInHand } from "../shared/useFitChoices";

const SCHOOLS: readonly { value: Temperature; label: string; does: string }[] = [
  {
    value: "same_crust",
    label: "Same crust",
    does: "Cooler for deeper pans, never hotter, so that the crust is the recipe's.",
  },
  {
    value: "both_ways",
    label: "Both ways",
    does: "Cooler for deeper pans, hotter for small ones; never for foam or honey.",
  },
  {
    value: "as_recipe",
    label: "As the recipe",
    does: "The recipe's own setting, whatever the pan.",
  },
  {
    value: "lower",
    label: "15 lower",
    does: "A notch cooler for deep cakes and dark pans, else the recipe's own.",
  },
  { value: "own", label: "My own", does: "What you set yourself; the time follows." },
];

interface OvenWordsProps {
  fit: Fit;
  temperature: Temperature;
  separately: boolean;
  /** What else is counted in, in words. */
  treated: string;
  choose: FitChoicesInHand["choose"];
}

/** Which oven and by which school, as one quiet line that opens. */
export function OvenWords(props: OvenWordsProps) {
  const { fit, temperature, separately, treated, choose } = props;
  const apart = separately || fit.findings.some((one) => one.code === "own_setting_apart");
  const school = SCHOOLS.find((one) => one.value === temperature)?.label.toLowerCase() ?? "";
  const words = fit.oven.has_dial ? `${fit.oven.name}, ${school}` : fit.oven.name;
  return (
    <>
      <Opens label="Oven and temperature" words={words} quiet>
        {() => (
          <>
            <OvenPick fit={fit} choose={choose} />
            {fit.oven.has_dial ? (
              <>
                <Heading>Temperature</Heading>
                <PickList
                  label="Temperature"
                  value={temperature}
                  options={SCHOOLS}
                  onChange={(next) =>
                    choose({ temperature: next, dial: next === "own" ? fit.oven.set_to : null })
                  }
                />
                {temperature === "own" && <OwnDial fit={fit} choose={choose} />}
              </>
            ) : (
              <Typography color="textSecondary">
                One heat of its own; there is no temperature to choose.
              </Typography>
            )}
          </>
        )}
      </Opens>
      {apart && (
        <FormControlLabel
          control={
            <Checkbox
              checked={separately}
              onChange={(event) => choose({ separately: event.target.checked })}
            />
          }
          label="Bake separately, each at its own setting"
          slotProps={{ typography: { sx: { fontSize: "size.small", lineHeight: 1.2 } } }}
        />
      )}
      {treated !== "" && (
        <Typography sx={{ fontSize: "size.small" }}>
          <strong>Counted in:</strong> {treated}.
        </Typography>
      )}
    </>
  );
}

/** The baker's own setting, on the oven's own dial. */
function OwnDial({ fit, choose }: Pick<OvenWordsProps, "fit" | "choose">) {
  const { oven } = fit;
  if (oven.set_to === null) return null;
  return (
    <Box sx={{ px: 1.25, pt: 0.5 }}>
      <Stepper
        label="Set the oven to"
        value={oven.set_to}
        least={oven.dial_lowest}
        step={oven.dial_step}
        unit={DIAL_UNITS[oven.dial] ?? ""}
        width={64}
        read={typedDecimal}
        onChange={(dial) => choose({ dial: Math.min(dial, oven.dial_highest) })}
      />
    </Box>
  );
}

const DIAL_UNITS: Readonly<Record<string, string>> = {
  C: "°C",
  F: "°F",
  mark: "gas mark",
};

function OvenPick({ fit, choose }: Pick<OvenWordsProps, "fit" | "choose">) {
  const ovens = useQuery(ovensQuery());
  if (!ovens.data || ovens.data.length < 2) return null;
  return (
    <>
      <Heading>Oven</Heading>
      <PickList
        label="Which oven"
        value={String(fit.oven.id ?? "")}
        options={ovens.data.map((oven) => ({
          value: String(oven.id),
          label: oven.name,
          does: oven.kind_words,
        }))}
        onChange={(id) => choose({ oven: Number(id), dial: null })}
      />
    </>
  );
}

function Heading({ children }: { children: string }) {
  return (
    <Box component="h3" sx={{ m: 0, mt: 1, mb: 0.5, fontSize: "size.note", fontWeight: 700 }}>
      {children}
    </Box>
  );
}
