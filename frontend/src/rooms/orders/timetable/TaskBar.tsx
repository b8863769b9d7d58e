import { Box } from "@mui/material";
import { useState } from "react";
import type { KeyboardEvent, PointerEvent } from "react";

import type { DayTask } from "../../../api/client";
import { moved } from "../../../domain/lanes";
import type { Clock } from "../../../domain/lanes";
import { timeOf } from "../../../domain/moments";

const SNAP_MIN = 5;
const NEAR_PX = 5;
const LEAST_PX = 9;

interface TaskBarProps {
  task: DayTask;
  top: number;
  height: number;
  /** What is written in it, where there is room. */
  words: string;
  clock: Clock;
  zone: string;
  /** Which order it belongs to, as a letter and not a colour alone; empty where its row says so. */
  letter: string;
  chosen: boolean;
  onChoose: (key: string) => void;
  onMove: (task: DayTask, start: string) => void;
}

/** A task over the clock: dragged, moved by arrow keys, opened by a tap. */
export function TaskBar(props: TaskBarProps) {
  const { task, top, height, words, clock, zone, letter, chosen, onChoose, onMove } = props;
  const [held, setHeld] = useState<{ x: number; by: number } | null>(null);
  const left = clock.at(task.start);
  const width = Math.max(LEAST_PX, clock.at(task.end) - left);
  // A meal is nobody's order: it goes where the day leaves room.
  const still = task.done || task.order_id === null;
  const heat = task.lane === "oven";
  const hands = task.lane === "hands" && !task.done;
  const passive = task.lane === "fridge" || task.lane === "stands";
  const drop = () => {
    if (held && Math.abs(held.by) >= NEAR_PX) {
      const at = clock.moment(left + held.by);
      const snap = SNAP_MIN * 60_000;
      onMove(task, new Date(Math.round(at / snap) * snap).toISOString());
    }
    setHeld(null);
  };
  const keys = (event: KeyboardEvent) => {
    const minutes = { ArrowLeft: -SNAP_MIN, ArrowRight: SNAP_MIN }[event.key];
    if (minutes === undefined || still) return;
    event.preventDefault();
    onMove(task, moved(task.start, event.shiftKey ? minutes * 12 : minutes));
  };
  return (
    <Box
      component="button"
      type="button"
      aria-label={`${letter ? `${letter}: ` : ""}${task.words}, ${timeOf(task.start, zone)} to ${timeOf(task.end, zone)}${task.done ? ", done" : task.fixed ? ", put here" : ""}`}
      aria-pressed={chosen}
      title={`${task.words}, ${timeOf(task.start, zone)}–${timeOf(task.end, zone)}`}
      onClick={() => onChoose(task.key)}
      onKeyDown={keys}
      onPointerDown={(event: PointerEvent) => {
        if (still) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld({ x: event.clientX, by: 0 });
      }}
      onPointerMove={(event: PointerEvent) =>
        held && setHeld({ ...held, by: event.clientX - held.x })
      }
      onPointerUp={drop}
      onPointerCancel={() => setHeld(null)}
      sx={(t) => ({
        position: "absolute",
        top,
        left: left + (held?.by ?? 0),
        width,
        height,
        minWidth: LEAST_PX,
        p: 0,
        px: width > 30 ? 0.5 : 0,
        border: `${chosen ? "3px" : "1.5px"} ${passive ? "dashed" : "solid"} ${
          heat ? t.vars.palette.bench.heat : t.vars.palette.bench.rim
        }`,
        borderRadius: 1,
        bgcolor: task.done
          ? t.vars.palette.bench.track
          : passive
            ? "transparent"
            : heat
              ? t.vars.palette.bench.markOven
              : t.vars.palette.bench.butter,
        color: hands ? t.vars.palette.bench.onButter : t.vars.palette.text.primary,
        font: "inherit",
        fontSize: "size.tiny",
        fontWeight: task.fixed ? 700 : 400,
        lineHeight: 1.15,
        textAlign: "left",
        overflow: "hidden",
        whiteSpace: "nowrap",
        cursor: held ? "grabbing" : "pointer",
        zIndex: held ? 3 : 1,
        textDecoration: task.done ? "line-through" : "none",
        touchAction: "pan-x",
        "&:focus-visible": { outline: `3px solid ${t.vars.palette.text.primary}` },
      })}
    >
      <strong>{width > 20 ? letter : ""}</strong> {letter && width <= 36 ? "" : words}
    </Box>
  );
}
