import { Alert, Box, Button, LinearProgress, Typography, useMediaQuery } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";

import { answered, client } from "../../../api/client";
import type {
  DayPlan,
  DayTask,
  FixTyped,
  Order,
  Oven,
  PlanAsked,
  Workday,
} from "../../../api/client";
import { ovensQuery } from "../../../api/queries/kitchen";
import { planQuery } from "../../../api/queries/orders";
import { moved } from "../../../domain/lanes";
import { clock } from "../../../domain/numbers";
import { savedFile } from "../../../ui/saving";
import { newKey } from "../../../ui/newKey";
import { Choice } from "../../../ui/Choice";
import { FindingRow } from "../../../ui/FindingRow";
import { typedOf, useOrders } from "../../../orders/useOrders";
import { useStart } from "../../../running/useStart";
import { ByCake } from "./ByCake";
import { Lanes } from "./Lanes";
import { PlanList } from "./PlanList";
import { HowLongTheyKeep, MakeAhead, WhatIsCold } from "./PlanSections";
import { SearchProgress } from "./SearchProgress";
import { TaskPanel } from "./TaskPanel";
import { WaysOut } from "./WaysOut";
import { WorkdayDialog } from "../WorkdayDialog";
import { Waiting } from "../../../ui/Waiting";
import { Behind } from "../../../ui/Behind";

const SHAPES = [
  { value: "cakes", label: "By cake" },
  { value: "lanes", label: "By hand" },
  { value: "list", label: "List" },
] as const;

type Shape = (typeof SHAPES)[number]["value"];

/** How long a better plan is looked for, in the kitchen's own measure of effort. */
const EFFORT = 1;

interface TimetableViewProps {
  orders: readonly Order[];
  chosen: number[];
  workday: Workday;
}

/** The days of the chosen orders over the clock: what is done when, where and why. */
export function TimetableView({ orders, chosen, workday }: TimetableViewProps) {
  /** The search for a better plan by its key; none while the quick plan is shown. */
  const [search, setSearch] = useState<string | null>(null);
  const [wishes, setWishes] = useWishes(() => setSearch(null));
  const phone = useMediaQuery((t) => t.breakpoints.down("sm"), { noSsr: true });
  const [shape, setShape] = useState<Shape>(phone ? "list" : "cakes");
  const [key, setKey] = useState<string | null>(null);
  const [settings, setSettings] = useState(false);
  const asked: PlanAsked = {
    ...wishes,
    orders: chosen,
    ...(search ? { effort: EFFORT, search } : {}),
  };
  const plan = useQuery(planQuery(asked));
  const ovens = useQuery(ovensQuery());
  const { change } = useOrders();
  const go = useNavigate();
  const start = useStart((day) => void go(`/day/${String(day.id)}`));
  const { fix, anew, file } = usePlanWrites(asked);
  if (chosen.length === 0) {
    return (
      <Typography sx={{ py: 2 }}>
        Nothing is chosen: tick “Plan it” beside the orders that are to be planned together.
      </Typography>
    );
  }
  if (plan.isError) return <Alert severity="error">{plan.error.message}</Alert>;
  if (!plan.data) return <Waiting words="Planning the days" />;
  const days = plan.data;
  const task = days.tasks.find((one) => one.key === key) ?? null;
  const move = (one: DayTask, start: string) =>
    fix.mutate({ key: one.key, start, oven: one.oven_id });
  const takeOut = (way: DayPlan["ways_out"][number]) => {
    const order = orders.find((one) => one.id === way.order);
    if (way.help === "later" && order) {
      const due = moved(order.due, way.minutes);
      change.mutate({ order, typed: { ...typedOf(order), due } });
    } else if (way.task !== null) fix.mutate({ key: way.task, start: null });
    else setWishes(withHelp(wishes, way, workday));
  };
  const used = wishes.ovens ?? null;
  // Those that something is timed for, in use or not.
  const kitchen = (ovens.data ?? []).filter(
    (one) => days.ovens.some((own) => own.id === one.id) || used,
  );
  return (
    <Box aria-busy={plan.isFetching}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mb: 1 }}>
        <Typography sx={{ flex: 1, minWidth: 220 }}>
          <strong>{clock(days.hands_min)}</strong> of hands in {clock(days.hours_min)}
          {howGood(days, search !== null && !plan.isFetching)}
        </Typography>
        <Choice
          label="How it is shown"
          size="small"
          value={shape}
          options={SHAPES}
          onChange={setShape}
        />
        <Button
          disabled={days.left_out.length > 0 || start.isPending}
          onClick={() => start.begin({ orders: chosen })}
        >
          Start the day
        </Button>
        <Behind>
          <Button onClick={() => setSearch(newKey())}>Look for a better plan</Button>
          <Button onClick={() => setSettings(true)}>Hours and hands</Button>
          <Button onClick={() => file.mutate("ics")}>Calendar file</Button>
          <Button onClick={() => file.mutate("csv")}>CSV</Button>
          <Button onClick={() => window.print()}>Print</Button>
        </Behind>
      </Box>
      {plan.isFetching && (
        <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <LinearProgress aria-label="Planning" sx={{ flex: 1 }} />
          {search && <SearchProgress search={search} />}
        </Box>
      )}
      <OvensInUse kitchen={kitchen} wishes={wishes} onWishes={setWishes} />
      <Box aria-live="polite">
        {days.findings
          .filter((one) => one.code !== "hands")
          .map((finding) => (
            <FindingRow key={`${finding.code}-${finding.text}`} finding={finding} />
          ))}
        <WaysOut days={days} orders={orders} onTake={takeOut} />
      </Box>
      {start.isError && <Alert severity="error">{start.error.message}</Alert>}
      {fix.isError && <Alert severity="error">{fix.error.message}</Alert>}
      {shape === "cakes" && <ByCake days={days} chosen={key} onChoose={setKey} onMove={move} />}
      {shape === "lanes" && <Lanes days={days} chosen={key} onChoose={setKey} onMove={move} />}
      {shape === "list" && <PlanList days={days} onChoose={setKey} />}
      <Box className="print-only">
        <PlanList days={days} onChoose={() => undefined} />
      </Box>
      {task && (
        <TaskPanel
          task={task}
          zone={days.zone}
          onMove={(start) => move(task, start)}
          onDone={() =>
            fix.mutate({ key: task.key, start: task.start, oven: task.oven_id, done: true })
          }
          onFree={() => fix.mutate({ key: task.key, start: null })}
          onClose={() => setKey(null)}
        />
      )}
      <WhatIsCold days={days} />
      <HowLongTheyKeep days={days} />
      <MakeAhead days={days} onTake={(fixes) => fixes.forEach((one) => fix.mutate(one))} />
      {days.tasks.some((one) => one.fixed) && (
        <Button onClick={() => anew.mutate()}>Plan everything anew</Button>
      )}
      {settings && <WorkdayDialog workday={workday} onClose={() => setSettings(false)} />}
    </Box>
  );
}

type Wishes = Omit<PlanAsked, "orders">;

/** The wishes in an address; the usual where there are none that can be read. */
function wishesIn(text: string | null): Wishes {
  try {
    const read: unknown = JSON.parse(text ?? "");
    if (typeof read === "object" && read !== null) return read;
  } catch {
    // An address that was cut short asks for the usual.
  }
  return { days_before: 1 };
}

/** Wishes with a way out taken. */
function withHelp(wishes: Wishes, way: DayPlan["ways_out"][number], workday: Workday): Wishes {
  switch (way.help) {
    case "day_before":
      return { ...wishes, days_before: Math.min(6, (wishes.days_before ?? 1) + 1) };
    case "earlier":
      return { ...wishes, opens: earlier(wishes.opens ?? workday.opens, way.minutes) };
    case "oven":
      return {
        ...wishes,
        ovens: wishes.ovens && way.oven !== null ? [...wishes.ovens, way.oven] : null,
      };
    case "hands":
      return { ...wishes, hands: (wishes.hands ?? workday.hands) + 1 };
    case "later":
    case "release":
      return wishes;
  }
}

/** A time of the clock so many minutes earlier: 07:00 less 60 is 06:00; never before midnight. */
function earlier(time: string, minutes: number): string {
  const [hours = 0, mins = 0] = time.split(":").map(Number);
  const left = Math.max(0, hours * 60 + mins - minutes);
  return `${String(Math.floor(left / 60)).padStart(2, "0")}:${String(left % 60).padStart(2, "0")}`;
}

interface OvensInUseProps {
  kitchen: readonly Oven[];
  wishes: Wishes;
  onWishes: (wishes: Wishes) => void;
}

/** Which ovens a plan works with; the last one stays. */
function OvensInUse({ kitchen, wishes, onWishes }: OvensInUseProps) {
  const used = wishes.ovens ?? null;
  if (kitchen.length < 2) return null;
  return (
    <Box
      role="group"
      aria-label="Ovens in use"
      className="no-print"
      sx={{ display: "flex", gap: 1, mb: 1 }}
    >
      {kitchen.map((oven) => {
        const all = kitchen.map((one) => one.id);
        const now = used ?? all;
        const on = now.includes(oven.id);
        const next = on ? now.filter((one) => one !== oven.id) : [...now, oven.id];
        return (
          <Button
            key={oven.id}
            size="small"
            variant={on ? "contained" : "outlined"}
            aria-pressed={on}
            disabled={on && next.length === 0}
            onClick={() => onWishes({ ...wishes, ovens: next.length === all.length ? null : next })}
          >
            {oven.name}
          </Button>
        );
      })}
    </Box>
  );
}

/** How good a plan is known to be. */
function howGood(days: DayPlan, searched: boolean): string {
  if (days.gap === null) {
    return searched ? " · a better plan, how far from the best is not known" : " · the quick plan";
  }
  if (days.proven) return " · proven best";
  return ` · not proven, within ${String(Math.round(days.gap * 100))} % of the best`;
}

/** What is done to a plan: a task put somewhere, all planned anew, a file of it. */
function usePlanWrites(asked: PlanAsked) {
  const fix = useMutation({
    mutationFn: async (body: FixTyped) => {
      answered(await client.PUT("/api/plan/tasks", { body }));
    },
  });
  const anew = useMutation({
    mutationFn: async () => {
      answered(await client.POST("/api/plan/anew", { body: { orders: asked.orders } }));
    },
  });
  const file = useMutation({
    mutationFn: async (kind: "ics" | "csv") => {
      const text = answered(
        await client.POST("/api/plan/file/{kind}", {
          params: { path: { kind } },
          body: asked,
          parseAs: "text",
        }),
      );
      savedFile({
        file_name: `timetable.${kind}`,
        media_type: kind === "ics" ? "text/calendar" : "text/csv",
        text,
      });
    },
  });
  return { fix, anew, file };
}

/** The wishes in the address, and how they are changed; then a search for a better plan is over. */
function useWishes(onChanged: () => void): [Wishes, (next: Wishes) => void] {
  const [params, setParams] = useSearchParams();
  const change = (next: Wishes) => {
    onChanged();
    setParams((before) => {
      const after = new URLSearchParams(before);
      after.set("wishes", JSON.stringify(next));
      return after;
    });
  };
  return [wishesIn(params.get("wishes")), change];
}
