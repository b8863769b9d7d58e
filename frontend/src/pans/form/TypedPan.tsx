import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import { answered, client, KitchenProblem } from "../../api/client";
import type { PanMeasures } from "../../api/client";
import { typedCount, typedLength } from "../../domain/numbers";
import { length, volume } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";
import { Choice } from "../../ui/Choice";
import { OutlineIcon } from "../OutlineIcon";
import { PickField } from "../../ui/PickField";
import { DrawPad } from "./DrawPad";
import type { Points } from "./DrawPad";
import { RackDrawing } from "../RackDrawing";
import { fieldsOf, OUTLINES, PATTED, SIDED, USUAL_WELLS, usualSides } from "./outlines";
import type { OutlineName } from "./outlines";
import { badNumber, measuresFrom, missing, textsOf } from "./typedMeasures";
import type { CheckedPan, Texts } from "./typedMeasures";

const WHOLE = "Type a whole number.";

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
  ["bright", "Thin bright metal"],
  ["heavy", "Heavy bright metal"],
  ["dark", "Dark metal"],
  ["glass", "Glass or ceramic"],
  ["silicone", "Silicone"],
  ["paper", "Paper mould"],
];

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
  const { onAdd, button = "Put it in the fit", whole = false } = props;
  const form = usePanForm(props);
  const {
    outline,
    texts,
    points,
    setPoints,
    noPan,
    setNoPan,
    patted,
    inch,
    measures,
    check,
    finding,
    problem,
    ready,
  } = form;
  const accept = () => {
    const cutter = patted ? (texts.cutter_cm?.trim() ?? "") : "";
    if (ready?.measures)
      onAdd(ready.pan, ready.measures.wells ?? 1, ready.measures, cutter || null);
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        accept();
      }}
    >
      <WhichOutline outline={outline} onChange={form.choose} />
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
          <MeasureFields form={form} />
        </Box>
        {outline === "drawn" && (
          <DrawPad points={points} onChange={setPoints} problem={problem("points")} />
        )}
        <WhatItHolds form={form} />
      </Box>
      {check.isError && measures && !finding && (
        <Typography role="alert">{check.error.message}</Typography>
      )}
      {whole && <OnTheRack form={form} />}
      <Button type="submit" variant="contained" disabled={!ready?.measures} sx={{ mt: 2 }}>
        {button}
      </Button>
    </Box>
  );
}

type PanForm = ReturnType<typeof usePanForm>;

/** What is typed so far, as the kitchen sees it. */
function usePanForm({ initial, inches = false, whole = false }: TypedPanProps) {
  const units = useUnits();
  const inch = initial ? inches : units === "us";
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
  const bad = badCounts(outline, texts, patted);
  // The pan as checked, once nothing typed is in its way.
  const ready =
    half === null && !Object.values(bad).some(Boolean) && pan && pan.capacity_ml !== null
      ? { pan: pan.pan, measures }
      : null;
  const choose = (next: OutlineName) => {
    setOutline(next);
    setTexts(texts.label === undefined ? {} : { label: texts.label });
  };
  return {
    units,
    inch,
    outline,
    texts,
    points,
    setPoints,
    finish,
    setFinish,
    loose,
    setLoose,
    noPan,
    setNoPan,
    patted,
    shape,
    half,
    measures,
    check,
    finding,
    pan,
    problem,
    set,
    bad,
    ready,
    choose,
  };
}

/** Which counts and sizes cannot be read. */
function badCounts(outline: OutlineName, texts: Texts, patted: boolean) {
  const typed = (text: string | undefined) => (text ?? "").trim();
  return {
    sides: SIDED.includes(outline) && typedCount(sidesOf(texts, outline)) === null,
    wells: outline === "wells" && typedCount(texts.wells ?? USUAL_WELLS) === null,
    flutes:
      outline === "ring" && typed(texts.flutes) !== "" && typedCount(typed(texts.flutes)) === null,
    cutter: patted && typed(texts.cutter_cm) !== "" && typedLength(typed(texts.cutter_cm)) === null,
  };
}

/** Sides as typed, or the usual. */
function sidesOf(texts: Texts, outline: OutlineName): string {
  return texts.sides ?? usualSides(outline);
}

/** The outline, by its drawing. */
function WhichOutline(props: { outline: OutlineName; onChange: (next: OutlineName) => void }) {
  const { outline, onChange } = props;
  return (
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
      onChange={onChange}
      size="small"
      wrap
    />
  );
}

/** What an outline is measured by. */
function MeasureFields({ form }: { form: PanForm }) {
  const { outline, texts, patted, shape, problem, set, bad } = form;
  return (
    <>
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
          value={sidesOf(texts, outline)}
          onChange={set("sides")}
          error={bad.sides || problem("sides") !== undefined}
          helperText={bad.sides ? WHOLE : problem("sides")}
        />
      )}
      {outline === "ring" && (
        <TextField
          label="Flutes"
          value={texts.flutes ?? ""}
          onChange={set("flutes")}
          error={bad.flutes || problem("flutes") !== undefined}
          helperText={bad.flutes ? WHOLE : (problem("flutes") ?? "left empty: smooth")}
        />
      )}
      {outline === "wells" && (
        <TextField
          label="Wells in the tray"
          value={texts.wells ?? USUAL_WELLS}
          onChange={set("wells")}
          error={bad.wells || problem("wells") !== undefined}
          helperText={bad.wells ? WHOLE : problem("wells")}
        />
      )}
      {patted ? (
        <TextField
          label="Cutter, across"
          value={texts.cutter_cm ?? ""}
          onChange={set("cutter_cm")}
          error={bad.cutter}
          helperText={bad.cutter ? "Type centimetres, or 2 in." : "left empty: cut as you like"}
        />
      ) : (
        <TextField
          label="Or water it holds, g"
          value={texts.capacity_ml ?? ""}
          onChange={set("capacity_ml")}
          error={problem("capacity_ml") !== undefined || badNumber(texts.capacity_ml)}
          helperText={
            badNumber(texts.capacity_ml) ? "Type grams, for instance 2400." : problem("capacity_ml")
          }
        />
      )}
    </>
  );
}

/** The pan as it is drawn, and what it holds. */
function WhatItHolds({ form }: { form: PanForm }) {
  const { units, inch, half, finding, pan } = form;
  return (
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
              ? `Holds ${volume(pan.capacity_ml, units)}${pan.wall_cm === null ? "" : `, wall ${length(pan.wall_cm, inch ? "us" : units)}`}`
              : "Type a measure to see the pan."}
      </Typography>
      {pan?.by_measures_ml != null && pan.capacity_ml !== null && (
        <Typography color="textSecondary" sx={{ lineHeight: 1.25 }}>
          The measures alone would hold {volume(pan.by_measures_ml, units)}; the water decides.
        </Typography>
      )}
      {pan?.wall_assumed && (
        <Typography color="textSecondary">Wall assumed; type it if you can.</Typography>
      )}
    </Box>
  );
}

/** Its name, finish and base, as on the rack. */
function OnTheRack({ form }: { form: PanForm }) {
  const { texts, finish, setFinish, loose, setLoose, measures, set } = form;
  return (
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
        control={<Checkbox checked={loose} onChange={(event) => setLoose(event.target.checked)} />}
        label="Loose base"
      />
    </Box>
  );
}
