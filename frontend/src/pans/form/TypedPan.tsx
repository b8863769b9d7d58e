import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import { answered, client, KitchenProblem } from "../../api/client";
import type { CardPan, PanMeasures } from "../../api/client";
import { typedCount, typedDecimal, typedLength } from "../../domain/numbers";
import { asEntered, length, withUnit } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";
import { Choice } from "../../ui/Choice";
import { OutlineIcon } from "../OutlineIcon";
import { PickField } from "../../ui/PickField";
import { DrawPad } from "./DrawPad";
import type { Points } from "./DrawPad";
import { RackDrawing } from "../RackDrawing";

type OutlineName = PanMeasures["outline"];
type LengthField =
  "across" | "width" | "tube" | "wall_cm" | "rim_across" | "rim_width" | "rim_tube" | "corner";

const ACROSS = ["across", "Across"] as const;
const RIM = ["rim_across", "Across at the rim"] as const;

const OUTLINES: readonly { value: OutlineName; label: string; fields: readonly Field[] }[] = [
  {
    value: "round",
    label: "Round",
    fields: [
      ["across", "Diameter"],
      ["rim_across", "Rim, if wider"],
    ],
  },
  {
    value: "square",
    label: "Square",
    fields: [
      ["across", "Side"],
      ["corner", "Corner radius"],
      ["rim_across", "Side at the rim"],
    ],
  },
  {
    value: "rectangle",
    label: "Rectangle",
    fields: [
      ["across", "Length"],
      ["width", "Width"],
      ["corner", "Corner radius"],
      ["rim_across", "Rim length"],
      ["rim_width", "Rim width"],
    ],
  },
  {
    value: "loaf",
    label: "Loaf",
    fields: [
      ["across", "Base length"],
      ["width", "Base width"],
      ["rim_across", "Rim length"],
      ["rim_width", "Rim width"],
    ],
  },
  {
    value: "ring",
    label: "Ring",
    fields: [
      ["across", "Outer diameter"],
      ["tube", "Tube"],
      ["rim_across", "Rim, if wider"],
      ["rim_tube", "Tube at the rim"],
    ],
  },
  {
    value: "wells",
    label: "Wells",
    fields: [
      ["across", "Well base"],
      ["rim_across", "Well rim"],
    ],
  },
  {
    value: "oval",
    label: "Oval",
    fields: [
      ["across", "Length"],
      ["width", "Width"],
      ["rim_across", "Rim length"],
      ["rim_width", "Rim width"],
    ],
  },
  { value: "heart", label: "Heart", fields: [ACROSS, RIM] },
  { value: "polygon", label: "Polygon", fields: [["across", "Side to side"], RIM] },
  { value: "petal", label: "Petal", fields: [ACROSS, RIM] },
  { value: "half_moon", label: "Half moon", fields: [["across", "Straight side"], RIM] },
  { value: "half_ball", label: "Half ball", fields: [["across", "Diameter"]] },
  { value: "drawn", label: "Drawn", fields: [["across", "Width"], RIM] },
];

/** Outlines that dough can be patted out to. */
const PATTED: readonly OutlineName[] = [
  "round",
  "square",
  "rectangle",
  "oval",
  "heart",
  "polygon",
  "petal",
  "half_moon",
  "drawn",
];

const SIDED: readonly OutlineName[] = ["polygon", "petal"];
/** What stands in the field at first; the baker sees and can change it. */
const USUAL_WELLS = "12";
const usualSides = (outline: OutlineName) => (outline === "petal" ? "8" : "6");
const WHOLE = "Type a whole number.";

const COUNTS = ["wells", "sides", "flutes"] as const;

type Field = readonly [LengthField, string];
type Texts = Partial<
  Record<LengthField | "capacity_ml" | (typeof COUNTS)[number] | "label" | "cutter_cm", string>
>;

interface TypedPanProps {
  /** The pan as checked, how many, and its measures as typed. */
  onAdd: (pan: CheckedPan, count: number, typed: PanMeasures, cutter: string | null) => void;
  button?: string;
  /** A pan to begin with, and whether it was entered in inches. */
  initial?: CheckedPan;
  inches?: boolean;
  /** Whether its name, finish and base are asked for, as on the rack. */
  whole?: boolean;
}

const FINISHES: readonly (readonly [NonNullable<PanMeasures["finish"]>, string])[] = [
  ["bright", "Bright or light metal"],
  ["dark", "Dark metal"],
  ["glass", "Glass or ceramic"],
  ["silicone", "Silicone"],
];

type CheckedPan = Omit<CardPan, "count" | "assumed">;

/** A pan's measures as typed, checked and drawn by the kitchen. */
const checkQuery = (measures: PanMeasures | null) =>
  queryOptions({
    queryKey: ["pan-check", measures],
    queryFn: async ({ signal }) => {
      if (measures === null) return null;
      const body = { pan: measures, count: 1 };
      return answered(await client.POST("/api/readings/pan/measures", { body, signal }));
    },
    enabled: measures !== null,
    retry: false,
    staleTime: Infinity,
  });

/** Type what is known about a pan; the kitchen reads it as one types and draws it. */
export function TypedPan(props: TypedPanProps) {
  const { onAdd, button = "Put it in the fit", initial, whole = false } = props;
  const units = useUnits();
  const inch = initial ? (props.inches ?? false) : units === "us";
  const [outline, setOutline] = useState<OutlineName>(initial?.measures.outline ?? "round");
  const [texts, setTexts] = useState<Texts>(() => textsOf(initial, inch));
  const [points, setPoints] = useState<Points>(initial?.measures.points ?? []);
  const [finish, setFinish] = useState(initial?.measures.finish ?? "bright");
  const [loose, setLoose] = useState(initial?.measures.loose_base ?? false);
  const [noPan, setNoPan] = useState(false);
  const patted = noPan && !whole && PATTED.includes(outline);
  const shape = OUTLINES.find((one) => one.value === outline);
  const half = missing(outline, texts);
  const typed = measuresFrom(outline, half === null ? texts : half.drawn, points, initial, inch);
  const measures = typed && { ...typed, finish, loose_base: loose, ...(patted && { patted }) };
  const check = useQuery(checkQuery(useDeferredValue(measures)));
  const wrong = measures && check.error instanceof KitchenProblem ? check.error.problem : undefined;
  const finding = wrong?.errors[0];
  const pan = measures && !check.isError ? check.data : null;
  // What is still empty is no mistake yet.
  const problem = (field: string) =>
    finding &&
    finding.field.split(".").at(-1) === field &&
    (texts as Texts & Record<string, string>)[field]?.trim()
      ? finding.text
      : undefined;
  const set = (field: keyof Texts) => (event: React.ChangeEvent<HTMLInputElement>) =>
    setTexts({ ...texts, [field]: event.target.value });
  const sidesText = texts.sides ?? usualSides(outline);
  const wellsText = texts.wells ?? USUAL_WELLS;
  const badSides = SIDED.includes(outline) && typedCount(sidesText) === null;
  const badWells = outline === "wells" && typedCount(wellsText) === null;
  const badFlutes =
    outline === "ring" &&
    (texts.flutes ?? "").trim() !== "" &&
    typedCount(texts.flutes ?? "") === null;
  const badCutter =
    patted && (texts.cutter_cm ?? "").trim() !== "" && typedLength(texts.cutter_cm ?? "") === null;
  const ready =
    half === null &&
    !badCutter &&
    !badFlutes &&
    measures !== null &&
    pan &&
    !badSides &&
    !badWells &&
    pan.capacity_ml !== null;
  const accept = () => {
    const cutter = patted ? (texts.cutter_cm?.trim() ?? "") : "";
    if (ready) onAdd(pan.pan, measures.wells ?? 1, measures, cutter || null);
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        accept();
      }}
    >
      <Choice
        label="Outline"
        value={outline}
        options={OUTLINES.map((one) => ({
          value: one.value,
          label: (
            <Box component="span" sx={{ display: "inline-flex", gap: 0.75, alignItems: "center" }}>
              <OutlineIcon outline={one.value} size={20} />
              {one.label}
            </Box>
          ),
        }))}
        onChange={(next) => {
          setOutline(next);
          setTexts(texts.label === undefined ? {} : { label: texts.label });
        }}
        size="small"
        wrap
      />
      {!whole && PATTED.includes(outline) && (
        <FormControlLabel
          control={
            <Checkbox checked={noPan} onChange={(event) => setNoPan(event.target.checked)} />
          }
          label="No pan: dough patted out"
        />
      )}
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        Measure inside.{" "}
        {inch
          ? "A bare number is inches; write 20 cm for centimetres."
          : "A bare number is centimetres; write 8 in for inches."}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, mt: 1.5, flexWrap: "wrap" }}>
        <Box
          sx={{
            flex: "1 1 300px",
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(172px, 1fr))",
          }}
        >
          {fieldsOf(shape?.fields ?? [], patted).map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              value={texts[field] ?? ""}
              onChange={set(field)}
              error={problem(field) !== undefined}
              helperText={problem(field)}
            />
          ))}
          {outline !== "half_ball" && (
            <TextField
              label={patted ? "Thickness" : "Wall height"}
              value={texts.wall_cm ?? ""}
              onChange={set("wall_cm")}
              error={problem("wall_cm") !== undefined}
              helperText={problem("wall_cm")}
            />
          )}
          {SIDED.includes(outline) && (
            <TextField
              label={outline === "petal" ? "Petals" : "Sides"}
              value={sidesText}
              onChange={set("sides")}
              error={badSides || problem("sides") !== undefined}
              helperText={badSides ? WHOLE : problem("sides")}
            />
          )}
          {outline === "ring" && (
            <TextField
              label="Flutes"
              value={texts.flutes ?? ""}
              onChange={set("flutes")}
              error={badFlutes || problem("flutes") !== undefined}
              helperText={badFlutes ? WHOLE : (problem("flutes") ?? "left empty: smooth")}
            />
          )}
          {outline === "wells" && (
            <TextField
              label="Wells in the tray"
              value={wellsText}
              onChange={set("wells")}
              error={badWells || problem("wells") !== undefined}
              helperText={badWells ? WHOLE : problem("wells")}
            />
          )}
          {patted ? (
            <TextField
              label="Cutter, across"
              value={texts.cutter_cm ?? ""}
              onChange={set("cutter_cm")}
              error={badCutter}
              helperText={badCutter ? "Type centimetres, or 2 in." : "left empty: cut as you like"}
            />
          ) : (
            <TextField
              label="Or water it holds, g"
              value={texts.capacity_ml ?? ""}
              onChange={set("capacity_ml")}
              error={problem("capacity_ml") !== undefined || badNumber(texts.capacity_ml)}
              helperText={
                badNumber(texts.capacity_ml)
                  ? "Type grams, for instance 2400."
                  : problem("capacity_ml")
              }
            />
          )}
        </Box>
        {outline === "drawn" && (
          <DrawPad points={points} onChange={setPoints} problem={problem("points")} />
        )}
        <Box sx={{ width: 180, minHeight: 150 }} aria-live="polite">
          {pan?.drawing && (
            <RackDrawing
              pan={{ drawing: pan.drawing, wells: 1 }}
              scale={Math.min(5, 150 / pan.drawing.plan_width_cm)}
              section
            />
          )}
          <Typography sx={{ mt: 1, fontWeight: 600 }}>
            {half !== null
              ? `Drawn by a guess; type the ${half.wanted}.`
              : finding
                ? ""
                : pan?.capacity_ml
                  ? `Holds ${Math.round(pan.capacity_ml)} ml${pan.wall_cm === null ? "" : `, wall ${length(pan.wall_cm, inch ? "us" : units)}`}`
                  : "Type a measure to see the pan."}
          </Typography>
          {pan?.by_measures_ml != null && pan.capacity_ml !== null && (
            <Typography color="textSecondary" sx={{ lineHeight: 1.25 }}>
              The measures alone would hold {Math.round(pan.by_measures_ml)} ml; the water decides.
            </Typography>
          )}
          {pan?.wall_assumed && (
            <Typography color="textSecondary">Wall assumed; type it if you can.</Typography>
          )}
        </Box>
      </Box>
      {check.isError && measures && !finding && (
        <Typography role="alert">{check.error.message}</Typography>
      )}
      {whole && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2, alignItems: "center" }}>
          <TextField
            label="Name"
            placeholder={measures?.label}
            value={texts.label ?? ""}
            onChange={set("label")}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <PickField
            label="Finish"
            value={finish}
            options={FINISHES}
            onChange={(next) => next && setFinish(next)}
            sx={{ minWidth: 190 }}
          />
          <FormControlLabel
            control={
              <Checkbox checked={loose} onChange={(event) => setLoose(event.target.checked)} />
            }
            label="Loose base"
          />
        </Box>
      )}
      <Button type="submit" variant="contained" disabled={!ready} sx={{ mt: 2 }}>
        {button}
      </Button>
    </Box>
  );
}

/** Dough has no rim. */
function fieldsOf(fields: readonly Field[], patted: boolean): readonly Field[] {
  return patted ? fields.filter(([field]) => !field.startsWith("rim_")) : fields;
}

/** What was typed, as the kitchen takes it; lengths go as text and are read there. */
function measuresFrom(
  outline: OutlineName,
  texts: Texts,
  points: Points,
  initial: CheckedPan | undefined,
  inch: boolean,
): PanMeasures | null {
  const filled = Object.entries(texts).filter(
    ([field, text]) => text.trim() !== "" && ![...COUNTS, "cutter_cm"].includes(field),
  );
  const {
    capacity_ml: capacity,
    label: name,
    ...lengths
  } = Object.fromEntries(filled) as Omit<Texts, (typeof COUNTS)[number] | "cutter_cm">;
  if (Object.keys(lengths).length === 0 && capacity === undefined) return null;
  if (badNumber(texts.capacity_ml)) return null;
  const size = [lengths.across, lengths.width].filter(Boolean).join(" × ");
  const shape = OUTLINES.find((one) => one.value === outline)?.label ?? "Pan";
  return {
    ...notShown(outline, initial),
    outline,
    label:
      name?.trim() ??
      `${shape} ${size ? (inch && !/[a-z"]/i.test(size) ? `${size} in` : size) : `${capacity ?? ""} ml`}`.trim(),
    ...Object.fromEntries(
      Object.entries(lengths).map(([field, text]) => [field, withUnit(text, inch)]),
    ),
    ...(capacity === undefined ? {} : { capacity_ml: Number(capacity.replace(",", ".")) }),
    ...(outline === "wells" ? { wells: typedCount(texts.wells ?? USUAL_WELLS) ?? 0 } : {}),
    ...(SIDED.includes(outline)
      ? { sides: typedCount(texts.sides ?? usualSides(outline)) ?? 0 }
      : {}),
    ...(outline === "ring" && texts.flutes?.trim()
      ? { flutes: typedCount(texts.flutes) ?? 0 }
      : {}),
    ...(outline === "drawn" ? { points } : {}),
  };
}

/** Measures an outline cannot do without beside the first, and what share of it draws a guess. */
const SECOND: Partial<Record<OutlineName, readonly [LengthField, number, string]>> = {
  rectangle: ["width", 0.7, "width"],
  loaf: ["width", 0.5, "width"],
  oval: ["width", 0.7, "width"],
  ring: ["tube", 0.3, "tube"],
};

/** A pan of which only the first measure is typed, drawn by a guess until the second comes. */
function missing(outline: OutlineName, texts: Texts): { drawn: Texts; wanted: string } | null {
  const second = SECOND[outline];
  const first = /^([\d.,/ ⅛¼⅓⅜½⅝⅔¾⅞]+)(.*)$/.exec(texts.across?.trim() ?? "");
  if (!second || !first || (texts.capacity_ml ?? "").trim() !== "") return null;
  const [field, share, wanted] = second;
  const number = typedDecimal(first[1] ?? "");
  if (number === null || (texts[field] ?? "").trim() !== "") return null;
  return {
    drawn: { ...texts, [field]: `${(number * share).toFixed(2)}${first[2] ?? ""}` },
    wanted,
  };
}

/** What a pan that is changed has beside the fields of this form; a change of outline drops it. */
function notShown(outline: OutlineName, pan: CheckedPan | undefined): Partial<PanMeasures> {
  if (pan?.measures.outline !== outline) return {};
  const fields = OUTLINES.find((one) => one.value === outline)?.fields ?? [];
  const shown = new Set<string>([...fields.map(([field]) => field), "wall_cm", "capacity_ml"]);
  if (outline === "ring") shown.add("flutes");
  return Object.fromEntries(
    Object.entries(pan.measures).filter(([field, value]) => value !== null && !shown.has(field)),
  );
}

/** The texts of a pan that is changed. */
function textsOf(pan: CheckedPan | undefined, inch: boolean): Texts {
  if (!pan) return {};
  const { measures } = pan;
  const names = [
    "across",
    "width",
    "tube",
    "wall_cm",
    "rim_across",
    "rim_width",
    "rim_tube",
  ] as const;
  const lengths = names.flatMap((name) =>
    measures[name] === null ? [] : [[name, asEntered(measures[name], inch)] as const],
  );
  return {
    ...(Object.fromEntries(lengths) as Texts),
    ...(measures.corner > 0 ? { corner: asEntered(measures.corner, inch) } : {}),
    ...(measures.capacity_ml === null ? {} : { capacity_ml: String(measures.capacity_ml) }),
    wells: String(measures.wells),
    sides: String(measures.sides),
    ...(measures.flutes > 0 ? { flutes: String(measures.flutes) } : {}),
    label: pan.label,
  };
}

function badNumber(text: string | undefined): boolean {
  return text !== undefined && text.trim() !== "" && !/^\s*\d+([.,]\d+)?\s*$/.test(text);
}
