import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

import type { DayPlan, DayTask } from "../../../api/client";
import { busySpans, cakeRows, clockIn, fitsInside, shortWords } from "../../../domain/byCake";
import type { CakeRow } from "../../../domain/byCake";
import type { Clock } from "../../../domain/lanes";
import { spanWords, timeOf } from "../../../domain/moments";
import { clock as minutesWords } from "../../../domain/numbers";
import { heat } from "../../../domain/units";
import { useUnits } from "../../../ui/useUnits";
import { useWidth } from "../../../ui/useWidth";
import { OverTheClock } from "./OverTheClock";
import { Present } from "./Present";
import { TaskBar } from "./TaskBar";

const NAME_PX = 176;
const HAND_PX = 32;
const ALONE_PX = 22;
const LABEL_PX = 17;
const GAP_PX = 8;
const STRIP_PX = 30;

interface ByCakeProps {
  days: DayPlan;
  chosen: string | null;
  onChoose: (key: string) => void;
  onMove: (task: DayTask, start: string) => void;
}

/** A row for each cake, its way from weighing to the box; hands, ovens and fridge as strips. */
export function ByCake({ days, chosen, onChoose, onMove }: ByCakeProps) {
  const [ref, width] = useWidth<HTMLDivElement>(1100);
  const clock = clockIn(days, width - NAME_PX - 4);
  return (
    <OverTheClock
      ref={ref}
      label="Timetable by cake"
      clock={clock}
      zone={days.zone}
      indent={NAME_PX}
      legend={<Legend />}
      behind="background.default"
    >
      <HandsStrip days={days} clock={clock} chosen={chosen} onChoose={onChoose} onMove={onMove} />
      {cakeRows(days, clock).map((row) => (
        <Ribbon
          key={row.key}
          row={row}
          days={days}
          clock={clock}
          chosen={chosen}
          onChoose={onChoose}
          onMove={onMove}
        />
      ))}
      {days.ovens.map((oven) => (
        <OvenStrip key={`${String(oven.id)} ${oven.name}`} oven={oven} days={days} clock={clock} />
      ))}
      {days.filled.length > 0 && <FridgeStrip days={days} clock={clock} />}
      <Present clock={clock} indent={NAME_PX} />
    </OverTheClock>
  );
}

interface RowProps {
  label: string;
  title: string;
  note?: string;
  height: number;
  clock: Clock;
  children: ReactNode;
}

/** A row under its name, with its days white and the nights between them folded. */
function Row({ label, title, note, height, clock, children }: RowProps) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: "flex", borderTop: 1, borderColor: "divider" }}
    >
      <Box
        sx={{
          width: NAME_PX,
          flexShrink: 0,
          px: 1,
          py: 0.75,
          position: "sticky",
          left: 0,
          zIndex: 2,
          bgcolor: "background.default",
        }}
      >
        <Typography sx={{ fontWeight: 700, lineHeight: 1.2, overflowWrap: "anywhere" }}>
          {title}
        </Typography>
        {note && (
          <Typography color="textSecondary" sx={{ fontSize: "size.tiny", lineHeight: 1.25 }}>
            {note}
          </Typography>
        )}
      </Box>
      <Box sx={{ position: "relative", width: clock.width, minHeight: height }}>
        {clock.days.map((day) => (
          <Box
            key={day.start}
            aria-hidden
            sx={{
              position: "absolute",
              left: day.x,
              width: day.width,
              top: 0,
              bottom: 0,
              bgcolor: "background.paper",
            }}
          />
        ))}
        {children}
      </Box>
    </Box>
  );
}

interface StripProps {
  days: DayPlan;
  clock: Clock;
}

/** When hands are busy, and the meals between; free where it is white. */
function HandsStrip(props: StripProps & Omit<ByCakeProps, "days">) {
  const { days, clock, chosen, onChoose, onMove } = props;
  const meals = days.tasks.filter((task) => task.order_id === null);
  const busy = busySpans(days.tasks.filter((task) => task.order_id !== null));
  return (
    <Row
      label="Hands"
      title="Hands"
      note="free where it is white"
      height={STRIP_PX + GAP_PX}
      clock={clock}
    >
      {busy.map((span) => (
        <Box
          key={span.start}
          role="img"
          aria-label={`Hands busy, ${spanWords(span.start, span.end, days.zone)}`}
          sx={(t) => ({
            position: "absolute",
            top: GAP_PX,
            height: STRIP_PX - GAP_PX,
            left: clock.at(span.start),
            width: Math.max(3, clock.at(span.end) - clock.at(span.start)),
            bgcolor: t.vars.palette.bench.butter,
          })}
        />
      ))}
      {meals.map((task) => (
        <TaskBar
          key={task.key}
          task={task}
          top={GAP_PX}
          height={STRIP_PX - GAP_PX}
          words={
            fitsInside(task.words, clock.at(task.end) - clock.at(task.start)) ? task.words : ""
          }
          letter=""
          clock={clock}
          zone={days.zone}
          chosen={chosen === task.key}
          onChoose={onChoose}
          onMove={onMove}
        />
      ))}
    </Row>
  );
}

/** One cake: hands above, what goes on by itself below, its time in the fridge behind that. */
function Ribbon(props: ByCakeProps & { row: CakeRow; clock: Clock }) {
  const { row, days, clock, chosen, onChoose, onMove } = props;
  const units = useUnits();
  const labelRows = Math.max(-1, ...row.labels.map((one) => one.row)) + 1;
  const alone = GAP_PX + row.hands.length * HAND_PX;
  const labels = alone + row.alone.length * ALONE_PX;
  const height = labels + labelRows * LABEL_PX + GAP_PX;
  const due = timeOf(row.due, days.zone);
  const note =
    row.leaves === null ? `collected ${due}` : `out ${timeOf(row.leaves, days.zone)}, due ${due}`;
  const bar = (task: DayTask, top: number, tall: number) => {
    const width = clock.at(task.end) - clock.at(task.start);
    const short = task.heat_c === null ? shortWords(task) : `Bake ${heat(task.heat_c, units)}`;
    return (
      <TaskBar
        key={task.key}
        task={task}
        top={top}
        height={tall}
        words={fitsInside(short, width) ? short : ""}
        letter=""
        clock={clock}
        zone={days.zone}
        chosen={chosen === task.key}
        onChoose={onChoose}
        onMove={onMove}
      />
    );
  };
  return (
    <Row
      label={`${row.title}: ${row.cake}`}
      title={row.title}
      note={`${row.cake} · ${note}`}
      height={height}
      clock={clock}
    >
      {row.stays.map((stay) => (
        <Box
          key={stay.start}
          role="img"
          aria-label={`${row.cake} in the fridge, ${spanWords(stay.start, stay.end, days.zone)}`}
          title={`In the fridge, ${spanWords(stay.start, stay.end, days.zone)}`}
          sx={(t) => ({
            position: "absolute",
            top: alone,
            height: Math.max(1, row.alone.length) * ALONE_PX - 2,
            left: clock.at(stay.start),
            width: Math.max(3, clock.at(stay.end) - clock.at(stay.start)),
            bgcolor: t.vars.palette.bench.markPan,
            borderRadius: 1,
          })}
        />
      ))}
      {row.hands.map((tasks, place) =>
        tasks.map((task) => bar(task, GAP_PX + place * HAND_PX, HAND_PX - 3)),
      )}
      {row.alone.map((tasks, place) =>
        tasks.map((task) => bar(task, alone + place * ALONE_PX, ALONE_PX - 2)),
      )}
      {row.labels.map((label) => (
        <Typography
          key={label.key}
          aria-hidden
          color="textSecondary"
          sx={{
            position: "absolute",
            left: label.x,
            top: labels + label.row * LABEL_PX,
            fontSize: "size.tiny",
            lineHeight: `${String(LABEL_PX)}px`,
            whiteSpace: "nowrap",
          }}
        >
          {label.words}
        </Typography>
      ))}
    </Row>
  );
}

/** When an oven bakes, and at which heat. */
function OvenStrip({ oven, days, clock }: StripProps & { oven: DayPlan["ovens"][number] }) {
  const units = useUnits();
  const bakes = days.tasks.filter((one) => one.heat_c !== null && one.oven_id === oven.id);
  return (
    <Row label={oven.name} title={oven.name} height={STRIP_PX + GAP_PX} clock={clock}>
      {bakes.map((task) => {
        const words = heat(task.heat_c ?? 0, units);
        const width = Math.max(4, clock.at(task.end) - clock.at(task.start));
        return (
          <Box
            key={task.key}
            role="img"
            aria-label={`${words}, ${spanWords(task.start, task.end, days.zone)}`}
            sx={(t) => ({
              position: "absolute",
              top: GAP_PX,
              height: STRIP_PX - GAP_PX,
              left: clock.at(task.start),
              width,
              border: `1.5px solid ${t.vars.palette.bench.heat}`,
              bgcolor: t.vars.palette.bench.markOven,
              borderRadius: 1,
              fontSize: "size.tiny",
              fontWeight: 700,
              textAlign: "center",
              overflow: "hidden",
              whiteSpace: "nowrap",
            })}
          >
            {fitsInside(words, width) ? words : ""}
          </Box>
        );
      })}
    </Row>
  );
}

/** How full the fridge is; as high as all its places where all are taken. */
function FridgeStrip({ days, clock }: StripProps) {
  const most = Math.max(...days.filled.map((one) => one.boards));
  const all = Math.max(days.boards, most, 1);
  return (
    <Row
      label="Fridge"
      title="Fridge"
      note={`${String(most)} of ${String(days.boards)} places at most`}
      height={STRIP_PX + GAP_PX}
      clock={clock}
    >
      {days.filled.map((one) => (
        <Box
          key={one.start}
          role="img"
          aria-label={`${String(one.boards)} places, ${spanWords(one.start, one.end, days.zone)}`}
          sx={(t) => ({
            position: "absolute",
            bottom: 2,
            height: Math.max(4, (STRIP_PX * one.boards) / all),
            left: clock.at(one.start),
            width: Math.max(2, clock.at(one.end) - clock.at(one.start)),
            bgcolor: t.vars.palette.bench.markPan,
            borderTop: `2px solid ${t.vars.palette.bench.rim}`,
          })}
        />
      ))}
    </Row>
  );
}

const KINDS = [
  ["hands", "butter", "rim", "solid"],
  ["oven", "markOven", "heat", "solid"],
  ["by itself", null, "rim", "dashed"],
  ["in the fridge", "markPan", "markPan", "solid"],
] as const;

function Legend() {
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 2,
        p: 1,
        position: "sticky",
        left: 0,
      }}
    >
      {KINDS.map(([words, fill, line, dash]) => (
        <Box key={words} sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          <Box
            aria-hidden
            sx={(t) => ({
              width: 22,
              height: 15,
              borderRadius: 1,
              border: `1.5px ${dash} ${t.vars.palette.bench[line]}`,
              bgcolor: fill === null ? "background.paper" : t.vars.palette.bench[fill],
            })}
          />
          <Typography sx={{ fontSize: "size.small" }}>{words}</Typography>
        </Box>
      ))}
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        tap for what holds a task · drag, or arrow keys for {minutesWords(5)}, with Shift for an
        hour
      </Typography>
    </Box>
  );
}
