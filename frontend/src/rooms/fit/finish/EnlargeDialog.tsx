import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Enlarging, FitRequest } from "../../../api/client";
import { enlargeQuery } from "../../../api/queries/fit";
import { grams, typedDecimal } from "../../../domain/numbers";
import { length } from "../../../domain/units";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { FindingRow } from "../../../ui/FindingRow";
import { Stepper } from "../../../ui/Stepper";
import { useUnits } from "../../../ui/useUnits";
import { Covers } from "../../../finish/CarveSizes";
import { Sized, Toggle } from "../../../finish/controls";
import type { FinishingInHand } from "../../../finish/finishing";

type By = "factor" | "length" | "batter";

const BY = [
  { value: "factor", label: "Times as large" },
  { value: "length", label: "To a length" },
  { value: "batter", label: "As far as the batter goes" },
] as const;

/** A thing made as a cake: its own measures, how large, then pans, batter, board and coat. */
export function EnlargeDialog(props: {
  request: FitRequest;
  batter: number | null;
  finishing: Required<FinishingInHand>;
  onClose: () => void;
}) {
  const { request, batter, finishing, onClose } = props;
  const units = useUnits();
  const [thing, setThing] = useState({ length_cm: 5, width_cm: 3.5, height_cm: 1.5 });
  const [round, setRound] = useState(false);
  const [by, setBy] = useState<By>("factor");
  const [factor, setFactor] = useState(6);
  const [wanted, setWanted] = useState(30);
  const [weighed, setWeighed] = useState(Math.round(batter ?? 1000));
  const asked: Enlarging = {
    fit: request,
    ...thing,
    width_cm: round ? null : thing.width_cm,
    ...(by === "factor" ? { factor } : {}),
    ...(by === "length" ? { wanted_cm: wanted } : {}),
    ...(by === "batter" ? { batter_g: weighed } : {}),
  };
  const answer = useQuery(enlargeQuery(asked));
  const made = answer.isError ? undefined : answer.data;
  const size = (label: string, name: keyof typeof thing) => (
    <Sized
      label={label}
      value={thing[name]}
      step={0.5}
      units={units}
      onChange={(cm) => setThing({ ...thing, [name]: cm })}
    />
  );
  return (
    <Dialog open onClose={onClose} aria-labelledby="enlarge-title" fullWidth maxWidth="sm">
      <DialogTitle id="enlarge-title">A thing, made as a cake</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.25 }}>
        <Typography color="textSecondary">
          Measure the thing itself; it starts as a matchbox.
        </Typography>
        <Toggle label="It is round" on={round} onChange={setRound} />
        {size(round ? "Thing, across" : "Thing, long", "length_cm")}
        {!round && size("Thing, wide", "width_cm")}
        {size("Thing, high", "height_cm")}
        <Choice label="How large" value={by} options={BY} onChange={setBy} />
        {by === "factor" && (
          <Stepper
            label="Times as large"
            value={factor}
            least={0.1}
            step={0.5}
            read={typedDecimal}
            onChange={setFactor}
          />
        )}
        {by === "length" && (
          <Sized label="Cake, long" value={wanted} step={1} units={units} onChange={setWanted} />
        )}
        {by === "batter" && (
          <Stepper
            label="Batter in all"
            value={weighed}
            least={1}
            step={50}
            unit="g"
            read={typedDecimal}
            onChange={setWeighed}
          />
        )}
        <Box aria-live="polite" sx={{ display: "grid", gap: 1 }}>
          {answer.isError && <Alert severity="error">{answer.error.message}</Alert>}
          {made && (
            <>
              <Typography variant="quantity">
                {[
                  ...(made.is_round
                    ? [`${length(made.width_cm, units)} across`]
                    : [`${length(made.length_cm, units)} × ${length(made.width_cm, units)}`]),
                  `${length(made.height_cm, units)} high`,
                ].join(", ")}
              </Typography>
              <Typography>
                <Figure from={made.origins.kept_g}>{`${grams(made.kept_g)} g`}</Figure> of batter in
                the cake itself
                {made.batter_g > 0 && (
                  <>
                    {", "}
                    <Figure from={made.origins.batter_g}>{`${grams(made.batter_g)} g`}</Figure> with
                    what is cut off
                  </>
                )}
                {"; "}
                <Figure from={made.origins.coat_g}>{`${grams(made.coat_g)} g`}</Figure> of
                buttercream for one coat; board {length(made.board_cm, units)}.
              </Typography>
              {made.findings.map((one) => (
                <FindingRow key={one.code} finding={one} />
              ))}
              <Covers
                layers={made.layers}
                title="Layers from your rack, from the foot upwards"
                onTake={() => {
                  finishing.take(made.layers);
                  onClose();
                }}
              />
            </>
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
