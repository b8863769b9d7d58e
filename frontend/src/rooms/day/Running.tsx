import { Box, Button, Typography } from "@mui/material";

import type { Day, DayEvent, DayTimer } from "../../api/client";
import { countdown } from "../../domain/countdown";
import { timeOf } from "../../domain/moments";
import { InsideNow } from "./InsideNow";
import { Panel } from "./Panel";

interface RunningProps {
  day: Day;
  timers: readonly DayTimer[];
  now: number;
  onTick: (made: Omit<DayEvent, "id" | "ago_s">) => void;
}

/** What is answered here and not on the big half. */
const ANSWERS: Partial<Record<DayTimer["kind"], { kind: DayEvent["kind"]; words: string }>> = {
  turn: { kind: "turned", words: "Turned" },
  cover: { kind: "covered", words: "Covered" },
  preheat: { kind: "hot", words: "It is hot already" },
};

const SOON_MS = 5 * 60_000;

/** Everything that runs by itself, the soonest first. */
export function Running({ day, timers, now, onTick }: RunningProps) {
  const { zone } = day;
  const opens = (step: string) => day.steps.find((one) => one.key === step)?.bake?.opens === true;
  const leads = timers.filter((one) => one.calls);
  const shown = (step: string, kind: DayTimer["kind"]) =>
    timers.find((one) => one.step === step && one.kind === kind);
  return (
    <Panel name="Running" title="Running">
      {leads.length === 0 && <Typography color="textSecondary">Nothing runs by itself.</Typography>}
      {leads
        .filter((one) => one.kind !== "latest")
        .map((timer) => {
          const left = Date.parse(timer.at) - now;
          const answer = ANSWERS[timer.kind];
          const likely = shown(timer.step, "likely");
          const latest = shown(timer.step, "latest");
          const looks = timer.kind === "first_look" || timer.kind === "look_again";
          return (
            <Box
              key={timer.key}
              role="group"
              aria-label={`${timer.words}: ${timer.what}`}
              sx={{ py: 1.25, borderBottom: 1, borderColor: "divider" }}
            >
              <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5 }}>
                <Typography sx={{ flex: 1, fontSize: "size.lead", fontWeight: 700, minWidth: 0 }}>
                  {timer.what}
                </Typography>
                <Typography
                  variant="quantityHuge"
                  role="timer"
                  sx={(t) => ({
                    fontSize: left < 0 ? "1.7rem" : "2.7rem",
                    color:
                      left < SOON_MS && (looks || timer.loud)
                        ? t.vars.palette.bench.heat
                        : t.vars.palette.text.primary,
                  })}
                >
                  {countdown(left)}
                </Typography>
              </Box>
              <Typography color="textSecondary">
                {`${timer.words.toLowerCase()} at ${timeOf(timer.at, zone)}`}
                {looks && likely && ` · likely ${timeOf(likely.at, zone)}`}
                {looks && latest && ` · no later than ${timeOf(latest.at, zone)}`}
              </Typography>
              {looks && latest && Date.parse(latest.at) < now && (
                <Typography sx={{ fontWeight: 700 }}>Past its latest time: look now.</Typography>
              )}
              {looks && opens(timer.step) && (
                <InsideNow
                  day={day.id}
                  step={timer.step}
                  minute={(now - Date.parse(timer.since)) / 60_000}
                  likely={likely?.at.slice(0, 16) ?? ""}
                />
              )}
              {answer && (
                <Button
                  variant="outlined"
                  onClick={() =>
                    onTick({ kind: answer.kind, step: timer.step, place: 0, amount: 0 })
                  }
                >
                  {answer.words}
                </Button>
              )}
            </Box>
          );
        })}
    </Panel>
  );
}
