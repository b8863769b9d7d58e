import { Box, Button, Typography } from "@mui/material";

import type { FitEntry, SetOffer } from "../../../api/client";
import { countOf, grams, listed, times } from "../../../domain/numbers";
import { CareIcon, StopIcon } from "../../../ui/icons";
import { NextButton } from "../../../ui/NextButton";
import { SmallPans } from "../../../pans/SmallPans";

const SCALE = 5.2;

interface OfferedSetProps {
  offer: SetOffer;
  best: boolean;
  onTake: (more: readonly FitEntry[]) => void;
  /** Set it beside the best one; none for the best itself. */
  onBeside: (() => void) | null;
}

/** A set of pans that takes the recipe: drawn, judged, with what its leftover would fill. */
export function OfferedSet({ offer, best, onTake, onBeside }: OfferedSetProps) {
  const { fit } = offer;
  const name = fit.pans.map(countOf).join(" and ");
  return (
    <Box
      component="li"
      aria-label={name}
      sx={(t) => ({
        display: "flex",
        flexWrap: "wrap",
        gap: 2,
        py: 1.5,
        borderTop: `1px solid ${t.vars.palette.divider}`,
      })}
    >
      <Box sx={{ flex: "0 1 420px" }}>
        <SmallPans fit={fit} scale={SCALE} />
      </Box>
      <Box sx={{ flex: "1 1 300px", minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>
          {best && (
            <Box
              component="span"
              sx={(t) => ({
                bgcolor: t.vars.palette.bench.butter,
                color: t.vars.palette.bench.onButter,
                px: 0.75,
                borderRadius: 0.5,
                mr: 1,
              })}
            >
              best
            </Box>
          )}
          {offer.words}
        </Typography>
        <Typography color="textSecondary">
          {times(offer.factor)} of the recipe
          {fit.eggs ? `, ${fit.eggs.text}` : ""}
          {fit.batter_g === null ? "" : `, ${grams(fit.batter_g)} g batter`}
        </Typography>
        {offer.also.length > 0 && (
          <Typography color="textSecondary" sx={{ fontSize: "size.note" }}>
            As well in {listed(offer.also)}: only the walls differ.
          </Typography>
        )}
        {fit.pans.map((pan, place) => (
          <Typography
            key={`${String(place)}-${pan.label}`}
            sx={{ fontSize: "size.note", lineHeight: 1.25 }}
          >
            {pan.verdict_severity === "stop" && (
              <StopIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
            )}
            {pan.verdict_severity === "warn" && (
              <CareIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
            )}
            {fit.pans.length > 1 ? `${pan.label}: ` : ""}
            {pan.verdict}
          </Typography>
        ))}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.75 }}>
          {best ? (
            <NextButton onClick={() => onTake([])}>Take this set</NextButton>
          ) : (
            <Button variant="outlined" size="small" onClick={() => onTake([])}>
              Take this set
            </Button>
          )}
          {offer.left_into.map((left) => (
            <Button
              key={left.pan}
              size="small"
              variant="outlined"
              onClick={() => onTake([{ pan: left.pan, count: left.count }])}
            >
              and the rest into {left.count > 1 ? `${String(left.count)} of ` : ""}
              {left.label}
            </Button>
          ))}
          {onBeside && (
            <Button size="small" onClick={onBeside}>
              Beside the best
            </Button>
          )}
        </Box>
      </Box>
    </Box>
  );
}
