import { Box, Button, TextField, Typography } from "@mui/material";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import { answered, client, KitchenProblem } from "../../../api/client";
import type { CardPan, PanMeasures } from "../../../api/client";
import { typedCount } from "../../../domain/numbers";
import { Choice } from "../../../ui/Choice";
import { Outline as PlanOutline, PlanFrame, planSize } from "../drawing/PanPlan";

type OutlineName = PanMeasures["outline"];
type LengthField = "across" | "width" | "tube" | "wall_cm" | "rim_across" | "rim_width";

const OUTLINES: readonly { value: OutlineName; label: string; fields: readonly Field[] }[] = [
  { value: "round", label: "Round", fields: [["across", "Diameter"]] },
  { value: "square", label: "Square", fields: [["across", "Side"]] },
  {
    value: "rectangle",
    label: "Rectangle",
    fields: [
      ["across", "Length"],
      ["width", "Width"],
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
];

type Field = readonly [LengthField, string];
type Texts = Partial<Record<LengthField | "capacity_ml" | "wells", string>>;

interface TypedPanProps {
  /** The pan as checked, how many, and its measures as typed. */
  onAdd: (pan: CheckedPan, count: number, typed: PanMeasures) => void;
  button?: string;
}

type CheckedPan = Omit<CardPan, "count">;

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
export function TypedPan({ onAdd, button = "Put it in the fit" }: TypedPanProps) {
  const [outline, setOutline] = useState<OutlineName>("round");
  const [texts, setTexts] = useState<Texts>({});
  const shape = OUTLINES.find((one) => one.value === outline);
  const measures = measuresFrom(outline, texts);
  const check = useQuery(checkQuery(useDeferredValue(measures)));
  const wrong = measures && check.error instanceof KitchenProblem ? check.error.problem : undefined;
  const finding = wrong?.errors[0];
  const pan = measures && !check.isError ? check.data : null;
  const problem = (field: string) =>
    finding && finding.field.split(".").at(-1) === field ? finding.text : undefined;
  const set = (field: keyof Texts) => (event: React.ChangeEvent<HTMLInputElement>) =>
    setTexts({ ...texts, [field]: event.target.value });
  const badCount = (texts.wells ?? "") !== "" && typedCount(texts.wells ?? "") === null;
  const ready = measures !== null && pan && !badCount && pan.capacity_ml !== null;
  const accept = () => {
    if (ready) onAdd(pan.pan as CardPan, measures.wells ?? 1, measures);
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
        options={OUTLINES}
        onChange={(next) => {
          setOutline(next);
          setTexts({});
        }}
        wrap
      />
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        Measure inside. A bare number is centimetres; write 8 in for inches.
      </Typography>
      <Box sx={{ display: "flex", gap: 2, mt: 1.5, flexWrap: "wrap" }}>
        <Box
          sx={{
            flex: "1 1 300px",
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(140px, 1fr))",
          }}
        >
          {shape?.fields.map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              value={texts[field] ?? ""}
              onChange={set(field)}
              error={problem(field) !== undefined}
              helperText={problem(field)}
            />
          ))}
          <TextField
            label="Wall height"
            value={texts.wall_cm ?? ""}
            onChange={set("wall_cm")}
            error={problem("wall_cm") !== undefined}
            helperText={problem("wall_cm")}
          />
          {outline === "wells" && (
            <TextField
              label="Wells in the tray"
              value={texts.wells ?? ""}
              onChange={set("wells")}
              error={badCount || problem("wells") !== undefined}
              helperText={badCount ? "Type a whole number." : problem("wells")}
            />
          )}
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
        </Box>
        <Box sx={{ width: 180, minHeight: 150 }} aria-live="polite">
          {pan?.drawing && (
            <PlanFrame
              {...planSize(pan.drawing)}
              scale={Math.min(5, 150 / planSize(pan.drawing).wide)}
            >
              <PlanOutline drawing={pan.drawing} />
            </PlanFrame>
          )}
          <Typography sx={{ mt: 1, fontWeight: 600 }}>
            {finding
              ? ""
              : pan?.capacity_ml
                ? `Holds ${Math.round(pan.capacity_ml)} ml${pan.wall_cm === null ? "" : `, wall ${pan.wall_cm.toFixed(1)} cm`}`
                : "Type a measure to see the pan."}
          </Typography>
          {pan?.wall_assumed && (
            <Typography color="textSecondary">Wall assumed; type it if you can.</Typography>
          )}
        </Box>
      </Box>
      {check.isError && measures && !finding && (
        <Typography role="alert">{check.error.message}</Typography>
      )}
      <Button type="submit" variant="contained" disabled={!ready} sx={{ mt: 2 }}>
        {button}
      </Button>
    </Box>
  );
}

/** What was typed, as the kitchen takes it; lengths go as text and are read there. */
function measuresFrom(outline: OutlineName, texts: Texts): PanMeasures | null {
  const typed = Object.entries(texts).filter(([, text]) => text.trim() !== "");
  if (typed.length === 0 || badNumber(texts.capacity_ml)) return null;
  const { capacity_ml: capacity, wells, ...lengths } = Object.fromEntries(typed) as Texts;
  const name = [lengths.across, lengths.width].filter(Boolean).join(" × ");
  const label = OUTLINES.find((one) => one.value === outline)?.label ?? "Pan";
  return {
    outline,
    label: `${label} ${name || `${capacity ?? ""} ml`}`.trim(),
    ...lengths,
    ...(capacity === undefined ? {} : { capacity_ml: Number(capacity.replace(",", ".")) }),
    ...(outline === "wells" ? { wells: typedCount(wells ?? "") ?? 12 } : {}),
  };
}

function badNumber(text: string | undefined): boolean {
  return text !== undefined && text.trim() !== "" && !/^\s*\d+([.,]\d+)?\s*$/.test(text);
}
