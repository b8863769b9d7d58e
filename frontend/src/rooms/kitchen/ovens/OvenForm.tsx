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

import { KitchenProblem } from "../../../api/client";
import type { DialScale, Oven, OvenKind, OvenTyped } from "../../../api/client";
import { typedDecimal, typedLength } from "../../../domain/numbers";
import { asEntered, withUnit } from "../../../domain/units";
import { PickField } from "../../../ui/PickField";
import { useBase } from "../../../ui/useBase";
import { useUnits } from "../../../ui/useUnits";
import { hasDial, KINDS, SCALES, USUAL_DIAL } from "../../../domain/dials";
import { typedOf } from "./useOvens";
import type { Ovens } from "./useOvens";

type Texts = Record<FieldName, string>;
type FieldName =
  | "dial_step"
  | "dial_lowest"
  | "dial_highest"
  | "shelf_width_cm"
  | "shelf_depth_cm"
  | "shelves"
  | "dial_off_c"
  | "preheat_min";

const FIELDS: readonly (readonly [FieldName, string, string])[] = [
  ["dial_step", "Step of the dial", ""],
  ["dial_lowest", "Lowest", ""],
  ["dial_highest", "Highest", ""],
  ["dial_off_c", "Hotter than it says by, °C", "from a thermometer; −10 if it is cooler"],
  ["shelf_width_cm", "Shelf width", ""],
  ["shelf_depth_cm", "Shelf depth", ""],
  ["shelves", "Shelves at once", ""],
  ["preheat_min", "Minutes to heat", "left empty: assumed by its kind"],
];

const OF_THE_DIAL = new Set<FieldName>(["dial_step", "dial_lowest", "dial_highest", "dial_off_c"]);
const LENGTHS = new Set<FieldName>(["shelf_width_cm", "shelf_depth_cm"]);
const OPEN = new Set<FieldName>(["shelf_width_cm", "shelf_depth_cm", "preheat_min"]);

interface OvenFormProps {
  oven: Oven | null;
  ovens: Ovens;
  onDone: () => void;
}

/** An oven to add or to change. */
export function OvenForm({ oven, ovens, onDone }: OvenFormProps) {
  const inch = useUnits() === "us";
  const base = useBase(oven, ovens.save.error);
  const [name, setName] = useState(oven?.name ?? "");
  const [kind, setKind] = useState<OvenKind>(oven?.kind ?? "conventional");
  const [dial, setDial] = useState<DialScale>(oven?.dial ?? "C");
  const [usual, setUsual] = useState(oven?.is_default ?? false);
  const [texts, setTexts] = useState<Texts>(() => textsOf(oven, inch));
  const wrong = (field: FieldName) => {
    const text = texts[field].trim();
    return text === "" ? !OPEN.has(field) : read(field, text, inch) === null;
  };
  const shown = FIELDS.filter(([field]) => hasDial(kind) || !OF_THE_DIAL.has(field));
  const ready = name.trim() !== "" && !shown.some(([field]) => wrong(field));
  const problem =
    ovens.save.error instanceof KitchenProblem ? ovens.save.error.problem?.errors[0] : undefined;
  const turn = (scale: DialScale) => {
    const { step, lowest, highest } = USUAL_DIAL[scale];
    setDial(scale);
    setTexts({
      ...texts,
      dial_step: String(step),
      dial_lowest: String(lowest),
      dial_highest: String(highest),
    });
  };
  return (
    <Box
      component="form"
      aria-label={oven ? `Change ${oven.name}` : "Add an oven"}
      onSubmit={(event) => {
        event.preventDefault();
        if (!ready) return;
        ovens.save.mutate(
          {
            was: oven && { id: oven.id, base },
            oven: typed({ name, kind, dial, usual, texts, inch }),
          },
          { onSuccess: onDone },
        );
      }}
      sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1.5, alignItems: "flex-start" }}
    >
      <Typography component="h3" sx={{ flexBasis: "100%", fontWeight: 700 }}>
        {oven ? `Change ${oven.name}` : "Add an oven"}
      </Typography>
      <TextField
        label="Name"
        size="small"
        value={name}
        onChange={(event) => setName(event.target.value)}
        autoFocus
      />
      <PickField
        label="Kind"
        value={kind}
        options={KINDS}
        onChange={(next) => setKind(next ?? "conventional")}
        sx={{ minWidth: 200 }}
      />
      {hasDial(kind) ? (
        <PickField
          label="Dial"
          value={dial}
          options={SCALES}
          onChange={(next) => turn(next ?? "C")}
          sx={{ minWidth: 120 }}
        />
      ) : (
        <Typography color="textSecondary" sx={{ flexBasis: "100%" }}>
          It keeps its own heat, so there is no dial to set.
        </Typography>
      )}
      {shown.map(([field, label, hint]) => (
        <TextField
          key={field}
          label={LENGTHS.has(field) ? `${label}, ${inch ? "in" : "cm"}` : label}
          size="small"
          value={texts[field]}
          onChange={(event) => setTexts({ ...texts, [field]: event.target.value })}
          error={wrong(field) || problem?.field === field}
          helperText={
            wrong(field) ? "Type a number." : problem?.field === field ? problem.text : hint
          }
          sx={{ width: hint ? 230 : 150 }}
        />
      ))}
      <FormControlLabel
        control={<Checkbox checked={usual} onChange={(event) => setUsual(event.target.checked)} />}
        label="The usual one"
      />
      <Box sx={{ display: "flex", gap: 1, flexBasis: "100%" }}>
        <Button type="submit" variant="contained" disabled={!ready}>
          {oven ? "Keep the change" : "Add it"}
        </Button>
        <Button onClick={onDone}>{oven ? "Leave it as it was" : "Not now"}</Button>
      </Box>
      {ovens.save.isError && !FIELDS.some(([field]) => field === problem?.field) && (
        <Alert severity="error">{problem?.text ?? ovens.save.error.message}</Alert>
      )}
    </Box>
  );
}

function textsOf(oven: Oven | null, inch: boolean): Texts {
  const usual = USUAL_DIAL.C;
  const given = oven === null ? null : typedOf(oven);
  const text = (value: number | string | null | undefined, fallback = "") =>
    value === null || value === undefined ? fallback : String(value);
  const size = (value: number | string | null | undefined) =>
    typeof value === "number" ? asEntered(value, inch) : text(value);
  return {
    dial_step: text(given?.dial_step, String(usual.step)),
    dial_lowest: text(given?.dial_lowest, String(usual.lowest)),
    dial_highest: text(given?.dial_highest, String(usual.highest)),
    shelf_width_cm: size(given?.shelf_width_cm),
    shelf_depth_cm: size(given?.shelf_depth_cm),
    shelves: text(given?.shelves, "1"),
    dial_off_c: text(given?.dial_off_c, "0"),
    preheat_min: text(given?.preheat_min),
  };
}

/** A number as typed; a dial may be off downwards, and a shelf be measured in inches. */
function read(field: FieldName, text: string, inch: boolean): number | string | null {
  if (LENGTHS.has(field)) return typedLength(withUnit(text, inch));
  const below = field === "dial_off_c" && /^[-−]/.test(text);
  const number = typedDecimal(below ? text.slice(1) : text);
  return number === null ? null : below ? -number : number;
}

function typed(draft: {
  name: string;
  kind: OvenKind;
  dial: DialScale;
  usual: boolean;
  texts: Texts;
  inch: boolean;
}): OvenTyped {
  const { name, kind, dial, usual, texts, inch } = draft;
  const value = (field: FieldName) => {
    const text = texts[field].trim();
    return text === "" ? null : read(field, text, inch);
  };
  const number = (field: FieldName) => Number(value(field) ?? 0);
  return {
    name,
    kind,
    dial,
    is_default: usual,
    shelf_width_cm: value("shelf_width_cm"),
    shelf_depth_cm: value("shelf_depth_cm"),
    shelves: number("shelves"),
    preheat_min: texts.preheat_min.trim() === "" ? null : number("preheat_min"),
    ...(hasDial(kind)
      ? {
          dial_step: number("dial_step"),
          dial_lowest: number("dial_lowest"),
          dial_highest: number("dial_highest"),
          dial_off_c: number("dial_off_c"),
        }
      : {}),
  };
}
