import { Box, Typography } from "@mui/material";

import type { DayPlan, DayTask } from "../../../api/client";
import { clockOf, HOUR_PX, lanesOf, ordersOf } from "../../../domain/lanes";
import type { Clock, LaneRows, OrderOfPlan } from "../../../domain/lanes";
import { spanWords } from "../../../domain/moments";
import { OverTheClock } from "./OverTheClock";
import { TaskBar } from "./TaskBar";

const ROW_PX = 44;
const STAY_PX = 22;
const NAME_PX = 132;

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
    <OverTheClock
      label="Timetable over the clock"
      clock={clock}
      zone={days.zone}
      indent={NAME_PX}
      legend={<Legend orders={orders} />}
    >
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
    </OverTheClock>
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
              top={place * ROW_PX + 4}
              height={ROW_PX - 8}
              words={task.words}
              clock={clock}
              zone={days.zone}
              letter={letterOf(orders.findIndex((one) => one.id === task.order_id))}
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
