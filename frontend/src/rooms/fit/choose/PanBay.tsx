import { Box, IconButton, Typography } from "@mui/material";
import { memo } from "react";

import type { FitPan, PanRule, SourcePan } from "../../../api/client";
import type { Drawn } from "../../../domain/benchScale";
import { grams, percent, typedCount, typedDecimal } from "../../../domain/numbers";
import { besideGrams, lengthField } from "../../../domain/units";
import type { Units } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { CareIcon, CloseIcon, StopIcon } from "../../../ui/icons";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { Stepper } from "../../../ui/Stepper";
import { DrawnPan } from "../../../pans/DrawnPan";
import { Reading } from "../../../pans/Reading";

interface PanBayProps {
  pan: FitPan;
  source: readonly SourcePan[];
  drawn: Drawn;
  width: number;
  units: Units;
  ruler: boolean;
  /** Whether it has a rule of its own. */
  apart: boolean;
  /** Whether it takes what others leave, or could: there are others. */
  rest: "takes" | "could" | "alone";
  onRest: (place: number) => void;
  /** Its place among the chosen pans, which goes with every change of it. */
  place: number;
  onCount: (place: number, count: number) => void;
  onRule: (place: number, rule: PanRule | null) => void;
  onRemove: (place: number, label: string) => void;
}

/** One chosen pan: its name, grams and verdict over its drawing from above and from the side. */
export const PanBay = memo(function PanBay(props: PanBayProps) {
  const { pan, source, drawn, width, units, ruler, place } = props;
  const oz = besideGrams(pan.batter_g_each, units);
  return (
    <Box component="li" sx={{ flex: `1 1 ${String(width)}px`, maxWidth: "100%", minWidth: 0 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}>
        <Box sx={{ flex: "1 1 200px", minWidth: 0 }} aria-live="polite">
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1 }}>
            <Typography component="h3" sx={{ fontWeight: 700, fontSize: "size.strong" }}>
              {pan.label}
            </Typography>
            {pan.batter_g_each !== null && (
              <Typography variant="quantity">
                <Figure from={pan.origins.batter_g_each}>{`${grams(pan.batter_g_each)} g`}</Figure>
                {pan.count > 1 && (
                  <Typography component="span" color="textSecondary" sx={{ ml: 0.5 }}>
                    each
                  </Typography>
                )}
              </Typography>
            )}
            {oz && (
              <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
                {oz}
              </Typography>
            )}
            <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
              {ownedWords(pan)}
            </Typography>
          </Box>
          <Verdict pan={pan} />
        </Box>
        <OwnRule
          pan={pan}
          apart={props.apart}
          rest={props.rest}
          units={units}
          onRule={(rule) => props.onRule(place, rule)}
          onRest={() => props.onRest(place)}
        />
        <Box sx={{ display: "flex", alignItems: "center" }}>
          <Stepper
            label={pan.wells > 1 ? `Wells of ${pan.label}` : `Count of ${pan.label}`}
            value={pan.count}
            onChange={(count) => props.onCount(place, count)}
            read={typedCount}
            width={40}
          />
          <IconButton
            aria-label={`Take ${pan.label} away`}
            onClick={() => props.onRemove(place, pan.label)}
          >
            <CloseIcon fontSize="small" />
          </IconButton>
        </Box>
      </Box>
      <Box sx={{ mt: 0.5 }}>
        <Reading pan={pan}>
          <DrawnPan
            pan={pan}
            source={source}
            scale={drawn.scale}
            stacked={drawn.stacked}
            ruler={ruler}
            numbers={units}
          />
        </Reading>
      </Box>
      <Aside pan={pan} />
    </Box>
  );
});

/** What else there is to a pan, in a small line. */
function Aside({ pan }: { pan: FitPan }) {
  const told = [
    (pan.layer_g_each ?? 0) > 0 ? `over ${grams(pan.layer_g_each ?? 0)} g of base layer` : "",
    pan.laid_cm === null ? "" : `${String(pan.laid.length)} laid side by side`,
    pan.pieces_each !== null && pan.wells === 1 ? `cut in ${String(pan.pieces_each)}` : "",
    pan.cut_out
      ? `${String(pan.cut_out.first)} rounds, ${String(pan.cut_out.again)} more from the trimmings`
      : "",
  ].filter(Boolean);
  if (told.length === 0) return null;
  return (
    <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
      {told.join(" · ")}
    </Typography>
  );
}

function Verdict({ pan }: { pan: FitPan }) {
  if (!pan.verdict) {
    return <Typography color="textSecondary">Not filled; see below.</Typography>;
  }
  return (
    <Typography
      data-verdict={pan.verdict_code}
      sx={(t) => ({
        lineHeight: 1.25,
        fontSize: "size.note",
        fontWeight: 600,
        color:
          pan.verdict_severity === "stop"
            ? t.vars.palette.bench.heat
            : pan.verdict_severity === "warn"
              ? t.vars.palette.bench.caution
              : t.vars.palette.bench.leaf,
      })}
    >
      {pan.verdict_severity === "stop" && (
        <StopIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
      )}
      {pan.verdict_severity === "warn" && (
        <CareIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
      )}
      {pan.verdict}
    </Typography>
  );
}

function ownedWords(pan: FitPan): string {
  if (pan.wells > 1)
    return `${pan.count} of ${pan.wells * Math.max(1, Math.ceil(pan.count / pan.wells))} wells`;
  if (pan.owned === null) return "typed in";
  return `you own ${pan.owned}`;
}

const OWN_RULES = [
  { value: "as_all", label: "as all" },
  { value: "rest", label: "the rest", does: "What the others leave of the batch." },
  { value: "same_depth", label: "same depth" },
  { value: "depth", label: "batter depth" },
  { value: "height", label: "baked height" },
  { value: "fill", label: "fill" },
  { value: "grams", label: "grams" },
] as const;

type OwnRuleName = (typeof OWN_RULES)[number]["value"];

/** A rule for this pan alone, with its number where the rule has one. */
function OwnRule(props: {
  pan: FitPan;
  /** Whether the pan is set apart from the rule of the fit. */
  apart: boolean;
  rest: PanBayProps["rest"];
  units: Units;
  onRule: (rule: PanRule | null) => void;
  onRest: () => void;
}) {
  const { pan, apart, rest, units, onRule, onRest } = props;
  const depth = lengthField(units, 0.2);
  const height = lengthField(units, 0.5);
  const value: OwnRuleName =
    rest === "takes"
      ? "rest"
      : (OWN_RULES.find((one) => apart && one.value === pan.rule)?.value ?? "as_all");
  const onSelect = (next: string) => {
    if (next === "rest") onRest();
    else if (next === "same_depth") onRule({ kind: "same_depth" });
    else if (next === "fill") onRule({ kind: "fill", fill: round(pan.fill ?? 0.5, 0.01) });
    else if (next === "depth")
      onRule({ kind: "depth", depth_cm: round(pan.batter_cm ?? 2.5, 0.1) });
    else if (next === "height")
      onRule({ kind: "height", height_cm: round(pan.risen_cm ?? 4, 0.1) });
    else if (next === "grams") onRule({ kind: "grams", grams: round(pan.batter_g_each ?? 100, 5) });
    else onRule(null);
  };
  return (
    <>
      <Opens
        label={`Rule of ${pan.label}`}
        words={OWN_RULES.find((one) => one.value === value)?.label ?? ""}
        quiet
      >
        {(close) => (
          <PickList
            label={`Rule of ${pan.label}`}
            value={value}
            options={OWN_RULES.filter((one) => rest !== "alone" || one.value !== "rest")}
            onChange={(next) => {
              onSelect(next);
              close();
            }}
          />
        )}
      </Opens>
      {pan.rule === "fill" && pan.fill !== null && (
        <Stepper
          label={`Fill of ${pan.label} in per cent`}
          value={Math.round((pan.rule_fill ?? pan.fill) * 100)}
          onChange={(share) => onRule({ kind: "fill", fill: share / 100 })}
          read={typedDecimal}
          unit="%"
          step={5}
          least={5}
        />
      )}
      {apart && pan.rule === "depth" && pan.batter_cm !== null && (
        <Stepper
          label={`Depth of the batter in ${pan.label}, ${depth.unit}`}
          value={pan.rule_depth_cm ?? pan.batter_cm}
          onChange={(cm) => onRule({ kind: "depth", depth_cm: round(cm, 0.01) })}
          {...depth}
          least={0.5}
        />
      )}
      {apart && pan.rule === "height" && pan.risen_cm !== null && (
        <Stepper
          label={`Height of ${pan.label} when baked, ${height.unit}`}
          value={pan.rule_height_cm ?? pan.risen_cm}
          onChange={(cm) => onRule({ kind: "height", height_cm: round(cm, 0.01) })}
          {...height}
          least={0.5}
        />
      )}
      {pan.rule === "grams" && pan.batter_g_each !== null && (
        <Stepper
          label={`Grams in ${pan.label}`}
          value={pan.rule_grams ?? Math.round(pan.batter_g_each)}
          onChange={(each) => onRule({ kind: "grams", grams: each })}
          read={typedDecimal}
          unit="g"
          step={10}
          least={5}
          width={64}
        />
      )}
      <span style={{ position: "absolute", clipPath: "inset(50%)" }}>
        {pan.fill === null ? "" : `${percent(pan.fill)} full`}
      </span>
    </>
  );
}

function round(value: number, step: number): number {
  return Number((Math.round(value / step) * step).toFixed(4));
}
