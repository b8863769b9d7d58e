import { Box, Button, FormControlLabel, Switch, Typography } from "@mui/material";

import type { Day, DayEvent, DayStep } from "../../api/client";
import { grams } from "../../domain/numbers";
import { timeOf } from "../../domain/moments";
import { LookCard } from "./LookCard";
import { ProbePlot } from "./ProbePlot";
import type { Forward } from "./useForward";

interface NowProps {
  day: Day;
  act: Day["act"];
  step: DayStep | null;
  next: readonly DayStep[];
  now: number;
  forward: Forward;
  onTick: (made: Omit<DayEvent, "id" | "ago_s">) => void;
  onBack: () => void;
  onEnd: () => void;
}

/** The big half: what to do now. A tap anywhere on it goes on. */
export function NowCard(props: NowProps) {
  const { day, act, step, forward, onTick, onBack, onEnd } = props;
  const first = day.steps.find((one) => one.key === day.finish_first);
  const can = step !== null && act !== "look" && day.ended_at === null;
  return (
    <Box
      component="section"
      aria-label="Now"
      id="now"
      tabIndex={-1}
      // The keyboard has Space and the button; this is for a knuckle.
      onClick={(event) => {
        if (can && !(event.target as HTMLElement).closest("button, a, label, input")) forward.go();
      }}
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: { xs: 1.5, sm: 3 },
        minHeight: { md: 430 },
        display: "flex",
        flexDirection: "column",
        cursor: can ? "pointer" : "default",
        outline: "none",
      })}
    >
      <Typography component="h2" aria-live="polite" sx={{ fontSize: "size.lead" }}>
        <Box component="span" sx={{ color: "primary.main", fontWeight: 700, mr: 1.5 }}>
          {day.ended_at ? "Over" : "Now"}
        </Box>
        {step?.order}
      </Typography>
      {first && step && first.key !== step.key && (
        <Typography sx={{ fontSize: "size.large", fontWeight: 700, mt: 1 }}>
          {`Finish first: ${first.words}, then this.`}
        </Typography>
      )}
      {act === "look" && step?.bake && day.ended_at === null ? (
        <LookCard step={step} onTick={onTick} zone={day.zone} />
      ) : step ? (
        <Doing step={step} act={act} forward={forward} />
      ) : (
        <Waits day={day} act={act} next={props.next} onEnd={onEnd} />
      )}
      {step?.bake && step.bake.readings > 0 && <ProbePlot bake={step.bake} />}
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1.5,
          alignItems: "center",
          mt: "auto",
          pt: 2,
        }}
      >
        {can && (
          <Button
            variant="contained"
            onClick={forward.go}
            sx={(t) => ({
              bgcolor: t.vars.palette.bench.butter,
              color: t.vars.palette.bench.onButter,
              fontSize: "size.large",
              px: 4,
              py: 2,
              borderRadius: 2,
              "&:hover": { bgcolor: t.vars.palette.bench.butter },
            })}
          >
            {act === "put_in" ? "It is in the oven" : forward.settling ? "Settling" : "Done"}
          </Button>
        )}
        {can && forward.line && step.amounts.length + step.pans.length > 1 && (
          <Button
            variant="outlined"
            size="large"
            onClick={() => onTick({ kind: "done", step: step.key, place: 0, amount: 0 })}
          >
            {step.pans.length > 0 ? "All filled" : "All weighed"}
          </Button>
        )}
        {can && step.kind === "heat" && (
          <Button
            variant="outlined"
            size="large"
            onClick={() => onTick({ kind: "hot", step: step.key, place: 0, amount: 0 })}
          >
            It is hot already
          </Button>
        )}
        {can && (
          <Button
            variant="outlined"
            size="large"
            onClick={() => onTick({ kind: "held", step: step.key, place: 0, amount: 0 })}
          >
            Hold
          </Button>
        )}
        {step && "speechSynthesis" in window && (
          <Button variant="outlined" size="large" onClick={() => readAloud(step, forward)}>
            Read aloud
          </Button>
        )}
        {day.last_tick && day.ended_at === null && (
          <Button size="large" onClick={onBack}>
            Take back
          </Button>
        )}
      </Box>
    </Box>
  );
}

function Doing({ step, act, forward }: { step: DayStep; act: Day["act"]; forward: Forward }) {
  const { line, g, scale, silent } = forward;
  const title = act === "put_in" ? `Into the oven: ${step.words}` : step.words;
  return (
    <>
      <Typography
        sx={{ fontSize: { xs: "1.9rem", sm: "2.9rem" }, fontWeight: 700, lineHeight: 1.1, mt: 1 }}
      >
        {capital(line ? line.name : title)}
      </Typography>
      {line && (
        <>
          <Typography color="textSecondary" sx={{ fontSize: "size.lead" }}>
            {`${step.words} · ${line.of}`}
          </Typography>
          <Weighing line={line} g={g} />
          {scale && (
            <Typography color="textSecondary" sx={{ mt: 1 }}>
              {silent
                ? `${scale.name} is silent: weigh by hand and go on.`
                : scale.overload
                  ? `${scale.name} bears no more.`
                  : `${scale.name} ${scale.g === null ? "" : `${grams(scale.g)} g on it, `}${forward.zeroing ? "zero as soon as it is steady" : g === null ? "not steady yet" : "this line from zero"}${scale.battery_low ? " · its battery is weak" : ""}`}
              <Button
                size="small"
                sx={{ ml: 1 }}
                disabled={silent || scale.g === null || scale.overload || forward.zeroing}
                onClick={() => {
                  forward.fromHere();
                  // Space goes on with the line, and does not zero it again.
                  document.getElementById("now")?.focus();
                }}
              >
                Zero with what is on it
              </Button>
              <FormControlLabel
                sx={{ ml: 1 }}
                control={
                  <Switch
                    size="small"
                    checked={forward.auto}
                    onChange={(event) => forward.setAuto(event.target.checked)}
                  />
                }
                label="go on when it is steady"
              />
            </Typography>
          )}
        </>
      )}
      {step.bake && act === "put_in" && (
        <Typography variant="quantityLarge" sx={{ mt: 2 }}>
          {step.bake.dial}
        </Typography>
      )}
      {!line && step.amounts.length > 0 && (
        <Box component="ul" sx={{ mt: 2, pl: 3, fontSize: "size.title" }}>
          {step.amounts.map((one, place) => (
            <li key={`${String(place)}-${one.name}`}>
              <strong>{one.words}</strong> {one.name}
              {one.over && ` · ${one.over}`}
            </li>
          ))}
        </Box>
      )}
      {[...step.amounts, ...step.pans]
        .filter((one) => one.over)
        .map((one) => (
          <Typography key={one.over} sx={{ mt: 1, fontSize: "size.title", fontWeight: 600 }}>
            {`${"name" in one ? one.name : one.pan}: ${one.over}`}
          </Typography>
        ))}
      {step.bowl_loss_g !== null && (
        <Typography color="textSecondary">{`${grams(step.bowl_loss_g)} g stayed in the bowl.`}</Typography>
      )}
      {step.sign && <Typography sx={{ mt: 2, fontSize: "size.title" }}>{step.sign}</Typography>}
      {step.caution && (
        <Typography sx={{ mt: 1, fontWeight: 600 }}>{`Take care: ${step.caution}`}</Typography>
      )}
    </>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function Weighing({ line, g }: { line: NonNullable<Forward["line"]>; g: number | null }) {
  if (line.wanted === null) {
    return (
      <Typography variant="quantityHuge" sx={{ mt: 2 }}>
        {line.words}
      </Typography>
    );
  }
  const left = line.wanted - (g ?? 0);
  const share = Math.min(100, Math.max(0, ((g ?? 0) / line.wanted) * 80));
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "baseline", flexWrap: "wrap", gap: 2, mt: 1.5 }}>
        <Typography variant="quantityHuge" sx={{ fontSize: { xs: "4.5rem", sm: "7.5rem" } }}>
          {left >= 0 ? grams(left) : `+${grams(-left)}`}
        </Typography>
        <Typography sx={{ fontSize: { xs: "2rem", sm: "3.3rem" }, fontWeight: 700 }}>
          {g === null || g <= 0.5 ? "g" : left >= 0 ? "g more" : "g too much"}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: "size.large" }}>
          {g === null || g <= 0.5
            ? line.words.includes(" g") || line.words === ""
              ? ""
              : line.words
            : `${grams(g)} of ${grams(line.wanted)} g are in`}
        </Typography>
      </Box>
      {g !== null && (
        <Box
          role="meter"
          aria-label="On the scale"
          aria-valuenow={Math.round(g)}
          aria-valuemin={0}
          aria-valuemax={Math.round(line.wanted)}
          sx={(t) => ({
            position: "relative",
            height: 34,
            borderRadius: 1,
            mt: 2,
            overflow: "hidden",
            bgcolor: t.vars.palette.bench.track,
          })}
        >
          <Box
            sx={(t) => ({
              height: "100%",
              width: `${String(share)}%`,
              bgcolor: t.vars.palette.bench.butter,
            })}
          />
          <Box
            sx={(t) => ({
              position: "absolute",
              left: "80%",
              top: 0,
              bottom: 0,
              width: 4,
              bgcolor: t.vars.palette.bench.rim,
            })}
          />
        </Box>
      )}
    </>
  );
}

function Waits(props: { day: Day; act: Day["act"]; next: readonly DayStep[]; onEnd: () => void }) {
  const { day, act, onEnd } = props;
  const soon = day.timers.find((one) => one.calls);
  if (act === "end" || day.ended_at) {
    return (
      <>
        <Typography sx={{ fontSize: { xs: "1.9rem", sm: "2.9rem" }, fontWeight: 700, mt: 1 }}>
          {day.ended_at ? "This day is over." : "All done."}
        </Typography>
        {!day.ended_at && (
          <Box>
            <Button variant="contained" size="large" sx={{ mt: 2 }} onClick={onEnd}>
              How it was
            </Button>
          </Box>
        )}
      </>
    );
  }
  return (
    <>
      <Typography sx={{ fontSize: { xs: "1.9rem", sm: "2.9rem" }, fontWeight: 700, mt: 1 }}>
        Nothing for hands yet
      </Typography>
      {soon && (
        <Typography color="textSecondary" sx={{ fontSize: "size.large", mt: 1 }}>
          {`${soon.words} at ${timeOf(soon.at, day.zone)}: ${soon.what}`}
        </Typography>
      )}
    </>
  );
}

function readAloud(step: DayStep, forward: Forward): void {
  const { line } = forward;
  const words = line
    ? `${line.name}, ${line.wanted === null ? line.words : `${grams(line.wanted)} grams`}`
    : [step.words, ...step.amounts.map((one) => `${one.words} ${one.name}`), step.sign].join(". ");
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}
