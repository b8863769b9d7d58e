import { Box, IconButton, NativeSelect, Typography } from "@mui/material";
import { memo } from "react";

import type { FitPan, PanRule, SourcePan } from "../../../api/client";
import { grams, percent, typedCount, typedDecimal } from "../../../domain/numbers";
import { Figure } from "../../../ui/Figure";
import { CareIcon, CloseIcon, StopIcon } from "../../../ui/icons";
import { Stepper } from "../../../ui/Stepper";
import { DrawnPan } from "../../../pans/DrawnPan";
import { Reading } from "../../../pans/Reading";

interface PanBayProps {
  pan: FitPan;
  source: readonly SourcePan[];
  scale: number;
  width: number;
  /** Height of the drawings of the tallest bay, so that all pans stand on one line. */
  drawingHigh: number;
  ruler: boolean;
  /** Whether it has a rule of its own. */
  apart: boolean;
  /** Its place among the chosen pans, which goes with every change of it. */
  place: number;
  onCount: (place: number, count: number) => void;
  onRule: (place: number, rule: PanRule | null) => void;
  onRemove: (place: number, label: string) => void;
}

/** One chosen pan: drawn from above and from the side, its count, its grams, its verdict. */
export const PanBay = memo(function PanBay(props: PanBayProps) {
  const { pan, source, scale, width, drawingHigh, ruler, place } = props;
  return (
    <Box component="li" sx={{ width, maxWidth: "100%", minWidth: 0 }}>
      <Box
        sx={{
          minHeight: drawingHigh + 40,
          display: "flex",
          flexDirection: "column",
          justifyContent: "flex-end",
        }}
      >
        <Reading pan={pan}>
          <DrawnPan pan={pan} source={source} scale={scale} ruler={ruler} />
        </Reading>
      </Box>
      <Box sx={{ display: "flex", alignItems: "flex-start", mt: 0.5 }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography component="h3" sx={{ fontWeight: 700, lineHeight: 1.2 }}>
            {pan.label}
          </Typography>
          <Typography color="textSecondary" sx={{ fontSize: "size.tiny", lineHeight: 1.2 }}>
            {ownedWords(pan)}
          </Typography>
        </Box>
        <IconButton
          aria-label={`Take ${pan.label} away`}
          onClick={() => props.onRemove(place, pan.label)}
          sx={{ mt: -1, mr: -1 }}
        >
          <CloseIcon fontSize="small" />
        </IconButton>
      </Box>
      <Stepper
        label={pan.wells > 1 ? `Wells of ${pan.label}` : `Count of ${pan.label}`}
        value={pan.count}
        onChange={(count) => props.onCount(place, count)}
        read={typedCount}
      />
      <Box sx={{ mt: 0.5 }} aria-live="polite">
        <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", columnGap: 1.5 }}>
          {pan.batter_g_each !== null && (
            <Typography variant="quantityLarge">
              <Figure from={pan.origins.batter_g_each}>{`${grams(pan.batter_g_each)} g`}</Figure>
              {pan.count > 1 && (
                <Typography component="span" color="textSecondary" sx={{ ml: 0.75 }}>
                  each
                </Typography>
              )}
            </Typography>
          )}
          <OwnRule pan={pan} apart={props.apart} onRule={(rule) => props.onRule(place, rule)} />
        </Box>
        {(pan.layer_g_each ?? 0) > 0 && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            over {grams(pan.layer_g_each ?? 0)} g of base layer
          </Typography>
        )}
        {pan.laid_cm !== null && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            {pan.laid.length} laid side by side
          </Typography>
        )}
        {pan.pieces_each !== null && pan.wells === 1 && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            cut in {pan.pieces_each}
          </Typography>
        )}
        {pan.cut_out && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            {pan.cut_out.first} rounds, {pan.cut_out.again} more from the trimmings
          </Typography>
        )}
        <Verdict pan={pan} />
      </Box>
    </Box>
  );
});

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
              : t.vars.palette.text.primary,
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
  { value: "same_depth", label: "same depth" },
  { value: "depth", label: "batter depth" },
  { value: "height", label: "baked height" },
  { value: "fill", label: "fill" },
  { value: "grams", label: "grams" },
] as const;

/** A rule for this pan alone, with its number where the rule has one. */
function OwnRule(props: {
  pan: FitPan;
  /** Whether the pan is set apart from the rule of the fit. */
  apart: boolean;
  onRule: (rule: PanRule | null) => void;
}) {
  const { pan, apart, onRule } = props;
  const value = apart ? (pan.rule ?? "as_all") : "as_all";
  const onSelect = (next: string) => {
    if (next === "same_depth") onRule({ kind: "same_depth" });
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
      <NativeSelect
        value={value}
        onChange={(event) => onSelect(event.target.value)}
        disableUnderline
        inputProps={{ "aria-label": `Rule of ${pan.label}` }}
        sx={{ minHeight: 44, fontSize: "size.small", color: "text.secondary" }}
      >
        {OWN_RULES.map((rule) => (
          <option key={rule.value} value={rule.value}>
            {rule.label}
          </option>
        ))}
      </NativeSelect>
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
          label={`Depth of the batter in ${pan.label}, cm`}
          value={round(pan.rule_depth_cm ?? pan.batter_cm, 0.1)}
          onChange={(depth) => onRule({ kind: "depth", depth_cm: round(depth, 0.1) })}
          read={typedDecimal}
          unit="cm"
          step={0.2}
          least={0.5}
        />
      )}
      {apart && pan.rule === "height" && pan.risen_cm !== null && (
        <Stepper
          label={`Height of ${pan.label} when baked, cm`}
          value={round(pan.rule_height_cm ?? pan.risen_cm, 0.1)}
          onChange={(height) => onRule({ kind: "height", height_cm: round(height, 0.1) })}
          read={typedDecimal}
          unit="cm"
          step={0.5}
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
