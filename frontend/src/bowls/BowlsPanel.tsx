import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  TextField,
  Typography,
} from "@mui/material";
import { useState } from "react";

import { KitchenProblem } from "../api/client";
import { litres, type Units } from "../domain/units";
import { useUnits } from "../ui/useUnits";
import type { Bowl } from "../api/client";
import { grams, percent, typedDecimal } from "../domain/numbers";
import { SaidBar } from "../ui/SaidBar";
import { useBase } from "../ui/useBase";
import type { Bowls } from "./useBowls";

/** The kitchen's mixing bowls: what each holds, what can be used of it, what it weighs. */
export function BowlsPanel({ bowls, lossShare }: { bowls: Bowls; lossShare: number | null }) {
  const units = useUnits();
  const [changing, setChanging] = useState<Bowl | null>(null);
  const now = bowls.list.data?.find((one) => one.id === changing?.id) ?? null;
  return (
    <>
      {bowls.list.data?.length === 0 && (
        <Typography color="textSecondary">
          No bowl yet. With one, a batch too large for it is split into mixes of whole eggs.
        </Typography>
      )}
      <Box component="ul" aria-label="Bowls" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {bowls.list.data?.map((bowl) => (
          <Box
            component="li"
            key={bowl.id}
            sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, py: 0.5 }}
          >
            <Box sx={{ flex: 1, minWidth: 180 }}>
              <Typography sx={{ fontWeight: 650 }}>
                {bowl.name}
                {bowl.is_default && " · the usual one"}
              </Typography>
              <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
                {bowlWords(bowl, units)}
              </Typography>
            </Box>
            <Button size="small" onClick={() => setChanging(bowl)}>
              Change
            </Button>
            <Button size="small" onClick={() => bowls.remove.mutate(bowl)}>
              Remove
            </Button>
          </Box>
        ))}
      </Box>
      <BowlForm
        key={now?.id ?? "new"}
        bowl={now}
        bowls={bowls}
        onDone={() => {
          bowls.save.reset();
          setChanging(null);
        }}
      />
      {lossShare !== null && (
        <Box sx={{ mt: 2, display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
          <Typography sx={{ flex: 1 }}>
            Bowl and whisk keep {percent(lossShare)} of a batter, as you weighed it.
          </Typography>
          <Button size="small" onClick={() => bowls.forget.mutate()}>
            Assume the usual again
          </Button>
        </Box>
      )}
      <SaidBar said={bowls.said} onDone={bowls.clear} />
    </>
  );
}

function bowlWords(bowl: Bowl, units: Units): string {
  const used = bowl.working_ml === null ? "" : `, ${litres(bowl.working_ml, units)} while mixing`;
  const tare = bowl.tare_g === null ? "" : `, ${grams(bowl.tare_g)} g empty`;
  return `holds ${litres(bowl.capacity_ml, units)}${used}${tare}`;
}

const FIELDS = [
  ["capacity_ml", "Holds to the brim, litres", 1000],
  ["working_ml", "Usable while mixing, litres", 1000],
  ["tare_g", "Empty weight, g", 1],
] as const;

type FieldName = (typeof FIELDS)[number][0];

function BowlForm(props: { bowl: Bowl | null; bowls: Bowls; onDone: () => void }) {
  const { bowl, bowls, onDone } = props;
  const base = useBase(bowl, bowls.save.error);
  const [name, setName] = useState(bowl?.name ?? "");
  const [usual, setUsual] = useState(bowl?.is_default ?? false);
  const [texts, setTexts] = useState<Partial<Record<FieldName, string>>>(() =>
    Object.fromEntries(
      FIELDS.flatMap(([field, , unit]) => {
        const value = bowl?.[field] ?? null;
        return value === null ? [] : [[field, String(value / unit)]];
      }),
    ),
  );
  const read = (field: FieldName, unit: number): number | null => {
    const value = typedDecimal(texts[field] ?? "");
    return value === null ? null : value * unit;
  };
  const wrong = (field: FieldName) =>
    (texts[field] ?? "").trim() !== "" && typedDecimal(texts[field] ?? "") === null;
  const capacity = read("capacity_ml", 1000);
  const ready = name.trim() !== "" && capacity !== null && !FIELDS.some(([field]) => wrong(field));
  const problem =
    bowls.save.error instanceof KitchenProblem ? bowls.save.error.problem?.errors[0] : undefined;
  return (
    <Box
      component="form"
      aria-label={bowl ? `Change ${bowl.name}` : "Add a bowl"}
      onSubmit={(event) => {
        event.preventDefault();
        if (!ready) return;
        bowls.save.mutate(
          {
            was: bowl && { id: bowl.id, base },
            bowl: {
              name,
              is_default: usual,
              capacity_ml: capacity,
              working_ml: read("working_ml", 1000),
              tare_g: read("tare_g", 1),
            },
          },
          {
            onSuccess: () => {
              onDone();
              setName("");
              setTexts({});
              setUsual(false);
            },
          },
        );
      }}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2, alignItems: "flex-start" }}
    >
      <Typography component="h3" sx={{ flexBasis: "100%", fontWeight: 700 }}>
        {bowl ? `Change ${bowl.name}` : "Add a bowl"}
      </Typography>
      <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} />
      {FIELDS.map(([field, label]) => (
        <TextField
          key={field}
          label={label}
          value={texts[field] ?? ""}
          onChange={(event) => setTexts({ ...texts, [field]: event.target.value })}
          error={wrong(field) || problem?.field === field}
          helperText={
            wrong(field)
              ? "Type a number."
              : problem?.field === field
                ? problem.text
                : field === "working_ml"
                  ? "left empty: 60 % of it, assumed"
                  : undefined
          }
        />
      ))}
      <FormControlLabel
        control={<Checkbox checked={usual} onChange={(event) => setUsual(event.target.checked)} />}
        label="The usual one"
      />
      <Box sx={{ display: "flex", gap: 1, flexBasis: "100%" }}>
        <Button type="submit" variant="contained" disabled={!ready}>
          {bowl ? "Keep the change" : "Add it"}
        </Button>
        {bowl && <Button onClick={onDone}>Leave it as it was</Button>}
      </Box>
      {bowls.save.isError && !problem && <Alert severity="error">{bowls.save.error.message}</Alert>}
    </Box>
  );
}
