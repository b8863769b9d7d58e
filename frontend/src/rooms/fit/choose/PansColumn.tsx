import { Box, Button, Snackbar, Typography } from "@mui/material";
import { useLayoutEffect, useRef, useState } from "react";

import type { Fit, FitEntry, FitPan, PanRule, Rule, SourcePan } from "../../../api/client";
import { bayWidth, commonScale, ghostFor, sectionSize } from "../../../domain/section";
import { PLAN_SHARE, planHigh } from "../drawing/PanPlan";
import { Choice } from "../../../ui/Choice";
import type { FitChoicesInHand } from "../useFitChoices";
import { AddPan } from "./AddPan";
import { PanBay } from "./PanBay";
import { RackTray } from "./RackTray";

const RULES: readonly { value: Rule; label: string; does: string }[] = [
  {
    value: "keep_batch",
    label: "Keep my batch",
    does: "The recipe as it is, at one depth over your pans.",
  },
  {
    value: "same_depth",
    label: "Same depth",
    does: "Every pan as deep as the recipe's own; the amounts follow.",
  },
  {
    value: "fill",
    label: "Fill",
    does: "Every pan filled to its share; what is over is left over.",
  },
  {
    value: "grams",
    label: "Grams each",
    does: "Every pan gets the grams you set; what is over is left over.",
  },
];

const GAP = 22;

/** The pans: rule above, drawings at one scale, counts and verdicts below. */
export function PansColumn({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const { choices, choose } = inHand;
  const [adding, setAdding] = useState(false);
  const [gone, setGone] = useState<{ entry: FitEntry; place: number; label: string } | null>(null);
  const [room, width] = useRoomWidth();
  const rule = RULES.find((one) => one.value === choices.rule);
  const widths = fit.pans.map((pan) => bayNeeds(pan, fit.source.pans).wide);
  const scale = commonScale(widths, width, GAP);
  const drawingHigh = Math.max(
    0,
    ...fit.pans.map((pan) => {
      const needs = bayNeeds(pan, fit.source.pans);
      return needs.high * scale + needs.planHigh * scale * PLAN_SHARE;
    }),
  );
  const change = (place: number, patch: Partial<FitEntry>) =>
    choose({
      into: choices.into.map((entry, i) => (i === place ? { ...entry, ...patch } : entry)),
    });
  const add = (entry: FitEntry) => {
    const held = choices.into.findIndex(
      (one) => typeof one.pan === "number" && one.pan === entry.pan,
    );
    const there = choices.into[held];
    if (there) change(held, { count: (there.count ?? 1) + (entry.count ?? 1) });
    else choose({ into: [...choices.into, entry] }, "history");
  };
  const remove = (place: number) => {
    const entry = choices.into[place];
    if (!entry) return;
    setGone({ entry, place, label: fit.pans[place]?.label ?? "Pan" });
    choose({ into: choices.into.filter((_, i) => i !== place) }, "history");
  };
  const undo = () => {
    if (gone) choose({ into: choices.into.toSpliced(gone.place, 0, gone.entry) }, "history");
    setGone(null);
  };
  return (
    <>
      <h2 id="pans-title" style={{ position: "absolute", clipPath: "inset(50%)" }}>
        Pans
      </h2>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, justifyContent: "space-between" }}>
        <Choice
          label="How the batter is shared"
          value={choices.rule}
          options={RULES}
          onChange={(next) => choose({ rule: next, eggs: "default" })}
          size="small"
        />
        <Button
          variant="contained"
          onClick={() => setAdding(true)}
          sx={(t) => ({
            bgcolor: t.vars.palette.bench.butter,
            color: t.vars.palette.bench.onButter,
          })}
        >
          + pan
        </Button>
      </Box>
      <Typography color="textSecondary" sx={{ mt: 0.5, minHeight: 22 }}>
        {rule?.does}
      </Typography>
      <Box ref={room}>
        {choices.into.length === 0 ? (
          <RackTray onAdd={add} onOther={() => setAdding(true)} />
        ) : (
          <Box
            component="ul"
            aria-label="Chosen pans"
            sx={{
              listStyle: "none",
              m: 0,
              p: 0,
              display: "flex",
              flexWrap: "wrap",
              columnGap: `${String(GAP)}px`,
              rowGap: 2,
            }}
          >
            {fit.pans.map((pan, place) => {
              const entry = choices.into[place];
              return entry ? (
                <PanBay
                  key={`${String(place)}-${pan.label}`}
                  pan={pan}
                  bake={fit.bakes[place]}
                  source={fit.source.pans}
                  scale={scale}
                  width={bayWidth(widths[place] ?? 10, scale)}
                  drawingHigh={drawingHigh}
                  ruler={place === 0}
                  onCount={(count) => change(place, { count })}
                  onRule={(own: PanRule | null) => change(place, { rule: own })}
                  onRemove={() => remove(place)}
                />
              ) : null;
            })}
          </Box>
        )}
      </Box>
      <AddPan
        open={adding}
        onClose={() => setAdding(false)}
        onAdd={(entry) => {
          setAdding(false);
          add(entry);
        }}
      />
      <Snackbar
        open={gone !== null}
        message={`${gone?.label ?? ""} taken away.`}
        autoHideDuration={8000}
        onClose={() => setGone(null)}
        action={
          <Button color="inherit" onClick={undo}>
            Undo
          </Button>
        }
      />
    </>
  );
}

/** What a pan's drawings need, cm. */
function bayNeeds(pan: FitPan, source: readonly SourcePan[]) {
  if (!pan.drawing) return { wide: 10, high: 8, planHigh: 0 };
  const levels = { layer: pan.layer_cm, stands: pan.stands_cm, risen: pan.risen_cm };
  const section = sectionSize(pan.drawing, levels, ghostFor(pan, source)?.drawing ?? null);
  return { ...section, planHigh: planHigh(pan, pan.drawing) };
}

/** Width of the room the drawings have, followed as the window changes. */
function useRoomWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(560);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setWidth(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [ref, width] as const;
}
