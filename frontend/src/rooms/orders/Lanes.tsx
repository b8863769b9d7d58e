import { Box, Typography } from "@mui/material";
import { useState } from "react";
import type { KeyboardEvent, PointerEvent } from "react";

import type { DayPlan, DayTask } from "../../api/client";
import { clockOf, HOUR_PX, lanesOf, moved, ordersOf } from "../../domain/lanes";
import type { Clock, LaneRows, OrderOfPlan } from "../../domain/lanes";
import { dayOf, dayWords, spanWords, timeOf } from "../../domain/moments";

const ROW_PX = 44;
const STAY_PX = 22;
const NAME_PX = 132;
const HEAD_PX = 40;
const SNAP_MIN = 5;
const NEAR_PX = 5;

interface LanesProps {
  days: DayPlan;
  chosen: string | null;
  onChoose: (key: string) => void;
  onMove: (task: DayTask, start: string) => void;
}

/** Hands, ovens, fridge and what stands by itself, over the clock; nights are narrow. */
export function Lanes({ days, chosen, onChoose, onMove }: LanesProps) {
  const clock = clockOf(days);
  const lanes = lanesOf(days);
  const orders = ordersOf(days);
  return (
    <Box
      className="no-print"
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        overflow: "auto",
        my: 1,
      })}
      tabIndex={0}
      role="region"
      aria-label="Timetable over the clock"
    >
      <Box sx={{ width: NAME_PX + clock.width, position: "relative" }}>
        <Hours clock={clock} zone={days.zone} />
        {lanes.map((lane) => (
          <Lane
            key={lane.key}
            lane={lane}
            clock={clock}
            days={days}
            orders={orders}
            chosen={chosen}
            onChoose={onChoose}
            onMove={onMove}
          />
        ))}
      </Box>
      <Legend orders={orders} />
    </Box>
  );
}

function Hours({ clock, zone }: { clock: Clock; zone: string }) {
  return (
    <Box sx={{ height: HEAD_PX, position: "relative", ml: `${String(NAME_PX)}px` }} aria-hidden>
      {clock.days.map((day) => (
        <Box key={day.start}>
          <Typography
            sx={{
              position: "absolute",
              left: day.x + 4,
              top: 0,
              fontWeight: 700,
              fontSize: "size.small",
            }}
          >
            {dayWords(dayOf(new Date(day.start), zone), true)}
          </Typography>
          {Array.from({ length: Math.floor(day.width / HOUR_PX) + 1 }, (_, hour) => (
            <Typography
              key={hour}
              component="span"
              color="textSecondary"
              sx={{
                position: "absolute",
                left: day.x + hour * HOUR_PX + 4,
                top: 20,
                fontSize: "size.tiny",
              }}
            >
              {timeOf(new Date(day.start + hour * 3_600_000), zone)}
            </Typography>
          ))}
        </Box>
      ))}
    </Box>
  );
}

interface LaneProps extends LanesProps {
  lane: LaneRows;
  clock: Clock;
  orders: readonly OrderOfPlan[];
}

function Lane({ lane, clock, days, orders, chosen, onChoose, onMove }: LaneProps) {
  return (
    <Box
      role="group"
      aria-label={lane.name}
      sx={{ display: "flex", borderTop: 1, borderColor: "divider" }}
    >
      <Typography
        sx={{
          width: NAME_PX,
          flexShrink: 0,
          px: 1,
          py: 1.25,
          fontWeight: 700,
          position: "sticky",
          left: 0,
          zIndex: 2,
          bgcolor: "background.paper",
        }}
      >
        {lane.name}
      </Typography>
      <Box
        sx={{
          position: "relative",
          width: clock.width,
          height: lane.rows.length * ROW_PX + lane.stays.length * STAY_PX,
        }}
      >
        {clock.days.map((day) => (
          <Box
            key={day.start}
            aria-hidden
            sx={(t) => ({
              position: "absolute",
              left: day.x,
              width: day.width,
              top: 0,
              bottom: 0,
              backgroundImage: `linear-gradient(90deg, ${t.vars.palette.divider} 1px, transparent 1px)`,
              backgroundSize: `${String(HOUR_PX)}px 100%`,
            })}
          />
        ))}
        {lane.rows.map((row, place) =>
          row.map((task) => (
            <TaskBar
              key={task.key}
              task={task}
              top={place * ROW_PX}
              clock={clock}
              zone={days.zone}
              mark={orders.findIndex((one) => one.id === task.order_id)}
              chosen={chosen === task.key}
              onChoose={onChoose}
              onMove={onMove}
            />
          )),
        )}
        {lane.stays.map((one, place) => (
          <StayRow
            key={`${String(one.order_id)} ${one.cake}`}
            cold={one}
            top={lane.rows.length * ROW_PX + place * STAY_PX}
            clock={clock}
            zone={days.zone}
            mark={orders.findIndex((order) => order.id === one.order_id)}
          />
        ))}
      </Box>
    </Box>
  );
}

/** A cake that has to be cold: when it stands in the fridge, also between its pieces of work. */
function StayRow(props: {
  cold: DayPlan["fridge"][number];
  top: number;
  clock: Clock;
  zone: string;
  mark: number;
}) {
  const { cold, top, clock, zone, mark } = props;
  return cold.stays.map((stay) => {
    const left = clock.at(stay.start);
    const width = Math.max(4, clock.at(stay.end) - left);
    const words = `${cold.cake} in the fridge, ${spanWords(stay.start, stay.end, zone)}`;
    return (
      <Box
        key={stay.start}
        role="img"
        aria-label={`${letterOf(mark)}: ${words}`}
        title={words}
        sx={(t) => ({
          position: "absolute",
          top: top + 2,
          left,
          width,
          height: STAY_PX - 4,
          borderRadius: 1,
          bgcolor: t.vars.palette.bench.track,
          borderBottom: `2px solid ${t.vars.palette.bench.rim}`,
          fontSize: "size.tiny",
          lineHeight: `${String(STAY_PX - 6)}px`,
          pl: 0.5,
          overflow: "hidden",
          whiteSpace: "nowrap",
        })}
      >
        <strong>{width > 20 ? letterOf(mark) : ""}</strong> {width > 60 ? cold.cake : ""}
      </Box>
    );
  });
}

interface TaskBarProps {
  task: DayTask;
  top: number;
  clock: Clock;
  zone: string;
  /** Which order it belongs to, as a letter and not a colour alone. */
  mark: number;
  chosen: boolean;
  onChoose: (key: string) => void;
  onMove: (task: DayTask, start: string) => void;
}

function TaskBar({ task, top, clock, zone, mark, chosen, onChoose, onMove }: TaskBarProps) {
  const [held, setHeld] = useState<{ x: number; by: number } | null>(null);
  const left = clock.at(task.start);
  const width = Math.max(12, clock.at(task.end) - left);
  const letter = letterOf(mark);
  // A meal is nobody's order: it goes where the day leaves room.
  const still = task.done || task.order_id === null;
  const heat = task.lane === "oven";
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
        top: top + 4,
        left: left + (held?.by ?? 0),
        width,
        height: ROW_PX - 8,
        minWidth: 12,
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
              ? t.vars.palette.background.default
              : t.vars.palette.bench.butterTint,
        color: t.vars.palette.text.primary,
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
      <strong>{width > 20 ? letter : ""}</strong> {width > 36 ? task.words : ""}
    </Box>
  );
}

function letterOf(place: number): string {
  return place < 0 ? "" : String.fromCharCode(65 + (place % 26));
}

function Legend({ orders }: { orders: readonly OrderOfPlan[] }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, p: 1, position: "sticky", left: 0 }}>
      {orders.map((order, place) => (
        <Typography key={order.id} sx={{ fontSize: "size.small" }}>
          <strong>{letterOf(place)}</strong> {order.title}
        </Typography>
      ))}
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        dashed: goes on by itself · drag, or arrow keys for 5 min, with Shift for an hour
      </Typography>
    </Box>
  );
}
