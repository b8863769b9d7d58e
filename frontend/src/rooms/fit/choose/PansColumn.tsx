import { Box, Button, Snackbar } from "@mui/material";
import { useCallback, useLayoutEffect, useRef, useState } from "react";

import type { Fit, FitEntry, FitPan, PanRule, SourcePan } from "../../../api/client";
import { OF_THE_BATCH, requestOf } from "../../../domain/fitChoices";
import type { AskedShare, FitChoices } from "../../../domain/fitChoices";
import { bayWidth, commonScale, ghostFor, sectionSize } from "../../../domain/section";
import { PLAN_SHARE, planHigh } from "../../../pans/PanPlan";
import { CompareDialog } from "../compare/CompareDialog";
import { WhatFits } from "../sets/WhatFits";
import type { FitChoicesInHand } from "../useFitChoices";
import { NextButton } from "../../../ui/NextButton";
import { AddPan } from "./AddPan";
import { PanBay } from "./PanBay";
import { RackTray } from "./RackTray";
import { PortionChoice, RuleChoice } from "./RuleChoice";

const GAP = 22;

/** A pan that was taken away, with what went with it. */
interface Gone {
  entry: FitEntry;
  place: number;
  label: string;
  shares: AskedShare[];
}

/** The pans: rule above, drawings at one scale, counts and verdicts below. */
export function PansColumn({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const { choices, choose } = inHand;
  const [adding, setAdding] = useState(false);
  const [searching, setSearching] = useState(false);
  const [gone, setGone] = useState<Gone | null>(null);
  const [room, width] = useRoomWidth();
  const widths = fit.pans.map((pan) => bayNeeds(pan, fit.source.pans).wide);
  const scale = commonScale(widths, width, GAP);
  const drawingHigh = Math.max(
    0,
    ...fit.pans.map((pan) => {
      const needs = bayNeeds(pan, fit.source.pans);
      return needs.high * scale + needs.planHigh * scale * PLAN_SHARE;
    }),
  );
  const onCount = useCallback(
    (place: number, count: number) => choose(changed(place, { count })),
    [choose],
  );
  const onRule = useCallback(
    (place: number, own: PanRule | null) => choose(changed(place, { rule: own })),
    [choose],
  );
  const add = (entry: FitEntry) =>
    choose((now) => ({ into: withMore(now.into, entry), ...OF_THE_BATCH }), "history");
  const onRemove = useCallback(
    (place: number, label: string) =>
      choose((now) => {
        const entry = now.into[place];
        if (entry) setGone({ entry, place, label, shares: now.shares });
        return { into: now.into.filter((_, i) => i !== place), shares: [], ...OF_THE_BATCH };
      }, "history"),
    [choose],
  );
  const undo = () => {
    if (gone) {
      choose(
        (now) => ({
          into: now.into.toSpliced(gone.place, 0, gone.entry),
          shares: gone.shares,
          ...OF_THE_BATCH,
        }),
        "history",
      );
    }
    setGone(null);
  };
  return (
    <>
      <h2 id="pans-title" style={{ position: "absolute", clipPath: "inset(50%)" }}>
        Pans
      </h2>
      <RuleChoice fit={fit} inHand={inHand}>
        <Button size="small" onClick={() => setSearching(true)} aria-haspopup="dialog">
          What fits?
        </Button>
        {choices.into.length > 0 && (
          <Button
            size="small"
            onClick={() => choose({ beside: [] }, "history")}
            aria-haspopup="dialog"
            aria-label="Compare with another set"
          >
            Compare
          </Button>
        )}
        <NextButton onClick={() => setAdding(true)}>+ pan</NextButton>
      </RuleChoice>
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
                  source={fit.source.pans}
                  scale={scale}
                  width={bayWidth(widths[place] ?? 10, scale)}
                  drawingHigh={drawingHigh}
                  ruler={place === 0}
                  apart={entry.rule != null}
                  place={place}
                  onCount={onCount}
                  onRule={onRule}
                  onRemove={onRemove}
                />
              ) : null;
            })}
          </Box>
        )}
      </Box>
      {choices.into.length > 0 && fit.factor !== null && (
        <PortionChoice fit={fit} inHand={inHand} />
      )}
      <WhatFits
        open={searching}
        request={requestOf(choices)}
        onClose={() => setSearching(false)}
        onTake={(change) => {
          setSearching(false);
          choose(change, "history");
        }}
      />
      <CompareDialog inHand={inHand} />
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

/** A change of one chosen pan. */
function changed(place: number, patch: Partial<FitEntry>) {
  return (now: FitChoices) => ({
    into: now.into.map((entry, i) => (i === place ? { ...entry, ...patch } : entry)),
    ...OF_THE_BATCH,
  });
}

/** A pan of the rack that is there already only gets more of it. */
function withMore(into: readonly FitEntry[], entry: FitEntry): FitEntry[] {
  const held = into.findIndex((one) => typeof one.pan === "number" && one.pan === entry.pan);
  return held < 0
    ? [...into, entry]
    : into.map((one, i) =>
        i === held ? { ...one, count: (one.count ?? 1) + (entry.count ?? 1) } : one,
      );
}

/** What a pan's drawings need, cm. */
function bayNeeds(pan: FitPan, source: readonly SourcePan[]) {
  if (!pan.drawing) return { wide: 10, high: 8, planHigh: 0 };
  const risen = pan.patted ? null : pan.risen_cm;
  const levels = { layer: pan.layer_cm, stands: pan.stands_cm, risen };
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
