import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import type { Oven } from "../../../api/client";
import { footprint, heatBy } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { SaidBar } from "../../../ui/SaidBar";
import { useUnits } from "../../../ui/useUnits";
import { OvenForm } from "./OvenForm";
import { useOvens } from "./useOvens";

/** The ovens of the kitchen: kind, dial, how far it is off, shelves, how soon it is hot. */
export function OvensPanel() {
  const ovens = useOvens();
  const [changing, setChanging] = useState<Oven | "new" | null>(null);
  const done = () => {
    ovens.save.reset();
    setChanging(null);
  };
  return (
    <>
      {ovens.list.isError && <Alert severity="error">{ovens.list.error.message}</Alert>}
      {ovens.list.data?.length === 0 && (
        <Typography color="textSecondary">
          No oven yet: a conventional one with a dial in °C is taken. Add yours, and every fit shows
          its own settings.
        </Typography>
      )}
      <Box component="ul" aria-label="Ovens" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {ovens.list.data?.map((oven) => (
          <Box
            component="li"
            key={oven.id}
            sx={{
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              gap: 1,
              py: 1,
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <Box sx={{ flex: 1, minWidth: 220 }}>
              <Typography sx={{ fontWeight: 700, fontSize: "size.strong" }}>
                {oven.name}
                {oven.is_default && " · the usual one"}
              </Typography>
              <OvenWords oven={oven} />
            </Box>
            <Button
              size="small"
              onClick={() => setChanging(oven)}
              aria-label={`Change ${oven.name}`}
            >
              Change
            </Button>
            <Button
              size="small"
              onClick={() => ovens.remove.mutate(oven)}
              aria-label={`Remove ${oven.name}`}
            >
              Remove
            </Button>
            {changing !== "new" && changing?.id === oven.id && (
              <OvenForm oven={oven} ovens={ovens} onDone={done} />
            )}
          </Box>
        ))}
      </Box>
      {changing === "new" ? (
        <OvenForm oven={null} ovens={ovens} onDone={done} />
      ) : (
        <Button variant="contained" onClick={() => setChanging("new")} sx={{ mt: 1.5 }}>
          Add an oven
        </Button>
      )}
      <SaidBar said={ovens.said} onDone={ovens.clear} />
    </>
  );
}

function OvenWords({ oven }: { oven: Oven }) {
  const units = useUnits();
  const unit = oven.dial === "mark" ? "" : ` °${oven.dial}`;
  const dial = oven.dial === "mark" ? "gas mark " : "";
  return (
    <Typography color="textSecondary" sx={{ fontSize: "size.note" }}>
      {oven.kind_words}
      {oven.has_dial &&
        `, ${dial}${String(oven.dial_lowest)} to ${String(oven.dial_highest)}${unit} in steps of ${String(oven.dial_step)}`}
      {oven.has_dial && (
        <>
          , dial{" "}
          <Figure from={oven.origins.dial_off_c}>
            {oven.dial_off_c === 0
              ? "true"
              : `${heatBy(Math.abs(oven.dial_off_c), units)} ${oven.dial_off_c > 0 ? "low" : "high"}`}
          </Figure>
        </>
      )}
      {oven.shelf_width_cm !== null && oven.shelf_depth_cm !== null
        ? `, ${oven.shelves === 1 ? "1 shelf" : `${String(oven.shelves)} shelves`} of ${footprint(oven.shelf_width_cm, oven.shelf_depth_cm, units)}`
        : ", shelves not measured"}
      , hot in <Figure from={oven.origins.preheat_min}>{`${String(oven.preheat_min)} min`}</Figure>
    </Typography>
  );
}
