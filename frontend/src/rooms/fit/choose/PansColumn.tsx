import { Box, Button, Snackbar, Typography } from "@mui/material";
import { useCallback, useLayoutEffect, useRef, useState } from "react";

import type { Fit, FitEntry, FitPan, PanRule, SourcePan } from "../../../api/client";
import { OF_THE_BATCH, requestOf } from "../../../domain/fitChoices";
import type { AskedShare, FitChoices } from "../../../domain/fitChoices";
import { restAt, takingRest } from "../../../domain/rest";
import { bayWide, benchScale } from "../../../domain/benchScale";
import type { Needs } from "../../../domain/benchScale";
import { ghostFor, sectionSize } from "../../../domain/section";
import { planNeeds } from "../../../pans/PanPlan";
import { useUnits } from "../../../ui/useUnits";
import { CompareDialog } from "../compare/CompareDialog";
import { WhatFits } from "../sets/WhatFits";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { NextButton } from "../../../ui/NextButton";
import { AddPan } from "./AddPan";
import { PanBay } from "./PanBay";
import { RackTray } from "../shared/RackTray";
import { Decide } from "./Decide";
import { PortionChoice } from "./PortionChoice";

/** What head, line and oven take of a window's height, px; the drawings have the rest. */
const AROUND_PX = 330;
/** On a narrow window the room scrolls as one column, and a drawing is as tall as it is. */
const COLUMN_PX = 900;

const NONE: readonly FitPan[] = [];

/** A pan that was taken away, with what went with it. */
interface Gone {
  entry: FitEntry;
  place: number;
  label: string;
  shares: AskedShare[];
}

/** The pans: rule above, drawings at one scale, counts and verdicts below. */
export function PansColumn(props: { fit: Fit; inHand: FitChoicesInHand; opened?: string }) {
  const { fit, inHand, opened = "" } = props;
  const { choices, choose } = inHand;
  const [adding, setAdding] = useState(false);
  const [searching, setSearching] = useState(false);
  const [room, width, high] = useRoom();
  const units = useUnits();
  const needs = fit.pans.map((pan) => bayNeeds(pan, fit.source.pans));
  const drawn = benchScale(needs, width, high);
  const onCount = useCallback(
    (place: number, count: number) => choose(changed(place, { count })),
    [choose],
  );
  const onRule = useCallback(
    (place: number, own: PanRule | null) => choose(changed(place, { rule: own })),
    [choose],
  );
  const onRest = useCallback(
    (place: number) => choose((now) => ({ ...takingRest(now, place), ...OF_THE_BATCH })),
    [choose],
  );
  const add = (entry: FitEntry) => {
    choose((now) => ({ into: withMore(now.into, entry), ...OF_THE_BATCH }), "history");
  };
  const take = (change: Partial<FitChoices>) => {
    setSearching(false);
    choose(change, "history");
  };
  const { gone, setGone, onRemove, undo } = useTakenAway(inHand);
  return (
    <>
      <h2 id="pans-title" style={{ position: "absolute", clipPath: "inset(50%)" }}>
        Pans
      </h2>
      <Decide fit={fit} inHand={inHand}>
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
      </Decide>
      <Opened words={opened} onOthers={() => choose({ into: [] }, "history")} />
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
              columnGap: 2.5,
              rowGap: 1.5,
            }}
          >
            {fit.pans.map((pan, place) => {
              const entry = choices.into[place];
              return entry ? (
                <PanBay
                  key={`${String(place)}-${pan.label}`}
                  pan={pan}
                  source={fit.source.pans}
                  drawn={drawn}
                  width={bayWide(needs[place] ?? NO_DRAWING, drawn)}
                  units={units}
                  ruler={place === 0}
                  apart={entry.rule != null}
                  rest={restAt(choices, place)}
                  onRest={onRest}
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
        onTake={take}
      />
      <CompareDialog inHand={inHand} />
      <AddPan
        open={adding}
        onClose={() => setAdding(false)}
        onAdd={add}
        chosen={choices.into.length > 0 ? fit.pans : NONE}
      />
      <TakenAway gone={gone} onClose={() => setGone(null)} onUndo={undo} />
    </>
  );
}

interface TakenAwayProps {
  gone: Gone | null;
  onClose: () => void;
  onUndo: () => void;
}

/** What was taken away, and the way back. */
function TakenAway({ gone, onClose, onUndo }: TakenAwayProps) {
  return (
    <Snackbar
      open={gone !== null}
      message={`${gone?.label ?? ""} taken away.`}
      autoHideDuration={8000}
      onClose={onClose}
      action={
        <Button color="inherit" onClick={onUndo}>
          Undo
        </Button>
      }
    />
  );
}

/** With which pans a fit was opened, and the way to others. */
function Opened({ words, onOthers }: { words: string; onOthers: () => void }) {
  if (words === "") return null;
  return (
    <Box
      role="status"
      sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1 }}
    >
      <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
        {words}
      </Typography>
      <Button size="small" onClick={onOthers}>
        Choose others
      </Button>
    </Box>
  );
}

/** Takes pans away, and brings the last one back with the shares it had. */
function useTakenAway({ choose }: FitChoicesInHand) {
  const [gone, setGone] = useState<Gone | null>(null);
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
  return { gone, setGone, onRemove, undo };
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

const NO_DRAWING: Needs = { wide: 10, high: 8, planWide: 0, planHigh: 0 };

/** What a pan's drawings need, cm. */
function bayNeeds(pan: FitPan, source: readonly SourcePan[]): Needs {
  if (!pan.drawing) return NO_DRAWING;
  const risen = pan.patted ? null : pan.risen_cm;
  const levels = { layer: pan.layer_cm, stands: pan.stands_cm, risen };
  const section = sectionSize(pan.drawing, levels, ghostFor(pan, source)?.drawing ?? null);
  const plan = planNeeds(pan, pan.drawing);
  return { ...section, planWide: plan.wide, planHigh: plan.high };
}

/** Size of the room the drawings have, followed as the window changes. */
function useRoom() {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 560, high: 470 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () =>
      setSize({
        width: element.clientWidth,
        high: window.innerWidth < COLUMN_PX ? Infinity : window.innerHeight - AROUND_PX,
      });
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    window.addEventListener("resize", measure);
    return () => {
      watch.disconnect();
      window.removeEventListener("resize", measure);
    };
  }, []);
  return [ref, size.width, size.high] as const;
}
