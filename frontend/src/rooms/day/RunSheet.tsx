import { Alert, Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";

import type { Day, DayEvent } from "../../api/client";
import { lateWords } from "../../domain/countdown";
import { dayOf, dayWords, soonWords, timeOf } from "../../domain/moments";
import { inForce } from "../../running/here";
import { leading } from "../../running/lead";
import { timersHere } from "../../running/timers";
import type { Waiting } from "../../running/outbox";
import { wakeSound } from "../../running/tones";
import { useCalls } from "../../running/useCalls";
import type { useDay } from "../../running/useDay";
import { useAwake } from "../../running/useAwake";
import { FindingRow } from "../../ui/FindingRow";
import { AllSteps } from "./AllSteps";
import { DevicesDialog } from "./DevicesDialog";
import { EndOfDay } from "./EndOfDay";
import { Notes } from "./Notes";
import { NowCard } from "./NowCard";
import { Panel } from "./Panel";
import { Running } from "./Running";
import { useForward } from "./useForward";

/** Hours ahead are a day begun early, and nothing to be told of. */
const soon = (minutes: number) => minutes > -180;

/** Ticks that were not taken, as the steps they were of. */
function thrownWords(thrown: readonly Waiting[], day: Day): string {
  const words = thrown.map(
    ({ event }) =>
      `“${day.steps.find((one) => one.key === event.step)?.words ?? event.kind.replaceAll("_", " ")}”`,
  );
  return [...new Set(words)].join(", ");
}

const ticksWait = (count: number) => (count === 1 ? "1 tick waits" : `${String(count)} ticks wait`);

/** A day led through: what to do now, very large; the next two; all that runs beside it. */
export function RunSheet({ day, running }: { day: Day; running: ReturnType<typeof useDay> }) {
  const { waiting, tick, ask, heard } = running;
  // What the server's clock is ahead of this one, from when its answer came.
  const [ahead, setAhead] = useState(() => Date.parse(day.now) - Date.now());
  const last = useRef(day.now);
  useEffect(() => {
    if (last.current === day.now) return;
    last.current = day.now;
    setAhead(Date.parse(day.now) - Date.now());
  }, [day.now]);
  const [silent, setSilent] = useState(() => localStorage.getItem("entremet.silent") === "yes");
  const [panel, setPanel] = useState<"none" | "devices" | "end" | "steps">("none");
  // Space goes on with the day, not once more with the button that was touched last.
  const toNow = () => {
    document.getElementById("now")?.focus({ preventScroll: true });
  };
  const close = () => {
    setPanel("none");
    setTimeout(toNow);
  };
  const go = useNavigate();
  const over = day.ended_at !== null;
  const ticks = inForce(waiting);
  const here = timersHere(day, ticks, ahead);
  // What was looked at here calls again by its own time, not by that of the look before.
  const again = new Set(here.map((one) => one.kind === "look_again" && one.step));
  const told = day.timers.filter(
    (one) => !(again.has(one.step) && (one.kind === "first_look" || one.kind === "look_again")),
  );
  const timers = [...told, ...here];
  const now = useCalls({ timers, ahead, silent, onCall: ask });
  useAwake(!over);
  const { act, step, next } = leading(day, ticks, now - ahead, {
    ahead,
    away: running.away,
  });
  const forward = useForward({ act, step, heard, tick });
  const back = () => {
    const target = ticks.at(-1)?.event.id ?? day.last_tick;
    if (target && !waiting.some(({ event }) => event.kind === "undo" && event.step === target))
      tick({ kind: "undo", step: target, place: 0, amount: 0 });
  };
  useKeys({ onForward: forward.go, onBack: back, off: panel !== "none" || over });
  const { reopen } = running;
  const quiet = () => {
    localStorage.setItem("entremet.silent", silent ? "no" : "yes");
    setSilent(!silent);
    wakeSound();
  };
  const first = (made: Omit<DayEvent, "id" | "ago_s">) => {
    wakeSound();
    tick(made);
  };
  return (
    <Box sx={{ p: { xs: 1, sm: 2 }, width: "100%", maxWidth: 1500, mx: "auto", flex: 1 }}>
      <DayHead day={day} now={now} />
      <DayAlerts day={day} running={running} />
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 2fr) minmax(300px, 1fr)" },
        }}
      >
        <NowCard
          day={day}
          act={act}
          step={step}
          next={next}
          now={now}
          forward={forward}
          onTick={first}
          onBack={back}
          onEnd={() => setPanel("end")}
        />
        <Running day={day} timers={timers} now={now} onTick={first} />
        <Then next={next} now={day.now} zone={day.zone} />
        <Notes step={step} />
      </Box>
      <Box
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1.5 }}
        onClick={(event) => {
          if (event.detail > 0) toNow();
        }}
      >
        {!over && (
          <>
            <Button onClick={() => first({ kind: "late", step: "", place: 0, amount: 10 })}>
              Running late, 10 min
            </Button>
            <Button onClick={quiet} aria-pressed={silent}>
              {silent ? "Sound is off" : "Sound is on"}
            </Button>
            <AskToNotify />
            <Button onClick={() => setPanel("devices")}>Scale and probe</Button>
            <Button onClick={() => setPanel("end")}>End the day</Button>
          </>
        )}
        {over && (
          <Button disabled={reopen.isPending} onClick={() => reopen.mutate()}>
            Go on with this day
          </Button>
        )}
        <Button onClick={() => setPanel("steps")}>All steps</Button>
        <Button onClick={() => void go("/day")}>Other days</Button>
      </Box>
      {day.moved.length > 0 && soon(day.behind_min) && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
          {`Moved: ${day.moved.map((one) => `${one.words} ${lateWords(one.minutes)}`).join(" · ")}`}
        </Typography>
      )}
      {panel === "devices" && <DevicesDialog day={day} heard={heard} onClose={close} />}
      {panel === "end" && <EndOfDay day={day} onKeep={running.keep} onClose={close} />}
      {panel === "steps" && <AllSteps day={day} onTick={first} onClose={close} />}
    </Box>
  );
}

/** The day, when each order is ready, the clock. */
function DayHead({ day, now }: { day: Day; now: number }) {
  const said = day.expected
    .map((one) =>
      one.due
        ? `${one.order} ${soonWords(one.due, day.now, day.zone)}${soon(one.late_min) ? `, ${lateWords(one.late_min)}` : ""}`
        : `ready about ${timeOf(one.ready, day.zone)}`,
    )
    .join(" · ");
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "baseline", mb: 1 }}>
      <Typography component="h1" variant="roomTitle">
        {dayWords(dayOf(day.started_at, day.zone), true)}
      </Typography>
      <Typography color="textSecondary" sx={{ flex: 1, minWidth: 200 }}>
        {day.ended_at !== null ? `${day.title}, over` : said || day.title}
      </Typography>
      <Typography sx={{ fontVariantNumeric: "tabular-nums" }}>
        {timeOf(new Date(now), day.zone)}
        {day.behind_min !== 0 && soon(day.behind_min) && ` · ${lateWords(day.behind_min)}`}
      </Typography>
    </Box>
  );
}

/** What keeps ticks from the kitchen, and what it finds. */
function DayAlerts({ day, running }: { day: Day; running: ReturnType<typeof useDay> }) {
  const { away, waiting, reopen } = running;
  return (
    <>
      {away && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {`The kitchen does not answer. Timers go on here${waiting.length > 0 ? `, ${ticksWait(waiting.length)}` : ""}; what you tick arrives when it is back.`}
        </Alert>
      )}
      {running.signedOut && (
        <Alert
          severity="warning"
          sx={{ mb: 1 }}
          action={<Button onClick={() => window.location.reload()}>Sign in again</Button>}
        >
          {`Signed out from another screen. ${ticksWait(waiting.length)} here and arrive when you have signed in; timers go on.`}
        </Alert>
      )}
      {running.thrown.length > 0 && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {`The kitchen did not take: ${thrownWords(running.thrown, day)}. Tick it again if it still counts.`}
        </Alert>
      )}
      {(running.refused ?? reopen.error) && !away && !running.signedOut && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {(running.refused ?? reopen.error)?.message}
        </Alert>
      )}
      {day.findings.map((finding) => (
        <FindingRow key={`${finding.code}-${finding.text}`} finding={finding} />
      ))}
    </>
  );
}

function Then(props: { next: readonly Day["steps"][number][]; now: string; zone: string }) {
  const { next, now, zone } = props;
  return (
    <Panel name="Then" title="Then">
      {next.length === 0 && <Typography color="textSecondary">Nothing more for hands.</Typography>}
      {next.map((one, place) => (
        <Typography key={one.key} sx={{ fontSize: place === 0 ? "size.title" : "size.lead" }}>
          <Box component="span" sx={{ fontWeight: place === 0 ? 700 : 400 }}>
            {one.words}
          </Box>
          <Box component="span" sx={{ color: "text.secondary" }}>
            {one.planned ? ` · planned ${soonWords(one.planned, now, zone)}` : ""}
            {one.ready_at ? ` · from ${timeOf(one.ready_at, zone)}` : ""}
          </Box>
        </Typography>
      ))}
    </Panel>
  );
}

function AskToNotify() {
  const [asked, setAsked] = useState(
    () => typeof Notification === "undefined" || Notification.permission !== "default",
  );
  if (asked) return null;
  return (
    <Button
      onClick={() => {
        void Notification.requestPermission().then(() => setAsked(true));
      }}
    >
      Call me in other windows too
    </Button>
  );
}

/** Space and Enter go on, Backspace takes back; never while something is typed or a button has focus. */
function useKeys(keys: { onForward: () => void; onBack: () => void; off: boolean }) {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  }, [keys]);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      const { onForward, onBack, off } = latest.current;
      const target = event.target as HTMLElement | null;
      if (off || event.repeat || target?.closest("input, textarea, select, [role=dialog]")) return;
      if (event.key === "Backspace") {
        event.preventDefault();
        onBack();
      } else if ((event.key === " " || event.key === "Enter") && !target?.closest("button, a")) {
        event.preventDefault();
        onForward();
      }
    };
    window.addEventListener("keydown", down);
    return () => window.removeEventListener("keydown", down);
  }, []);
}
