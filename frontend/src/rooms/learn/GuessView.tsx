import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { FitRequest, Guess } from "../../api/client";
import { guessQuery } from "../../api/queries/trainer";
import { guessed, keepGuesses, keptGuesses, NO_GUESSES, tendencies } from "../../domain/guesses";
import type { Guesses } from "../../domain/guesses";
import { PickField } from "../../ui/PickField";
import { StageDrawing } from "../../ui/StageDrawing";
import { Waiting } from "../../ui/Waiting";
import { LikelySlice } from "./LikelySlice";

const ABOUT: readonly (readonly [Guess["asks"], string])[] = [
  ["first_look", "when to look first"],
  ["done_first", "which is done first"],
  ["batter", "how much goes in"],
  ["setting", "the oven setting"],
  ["strips", "strips"],
  ["stage", "stages"],
  ["rescue", "what helps"],
];

const MOST = 2 ** 31 - 1;
const anySeed = () => Math.floor(Math.random() * MOST);

/** A question of the kitchen's own cards; the answer with its reason and its picture. */
export function GuessView() {
  const [{ seed, about }, ask] = useAsked();
  const [chosen, setChosen] = useState<number | null>(null);
  const [kept, setKept] = useState(keptGuesses);
  const question = useQuery(guessQuery(seed, about));
  const one = question.data;
  const next = (of = about) => {
    setChosen(null);
    ask(of);
  };
  const choose = (place: number) => {
    const choice = one?.choices[place];
    if (!one || !choice || chosen !== null) return;
    setChosen(place);
    const now = guessed(kept, place === one.right, choice.tells);
    setKept(now);
    keepGuesses(now);
  };
  useNumberKeys(choose, chosen !== null);
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mb: 1.5 }}>
        <PickField
          label="About"
          value={about}
          none="anything"
          options={ABOUT}
          onChange={next}
          sx={{ minWidth: 200 }}
        />
        <Tally
          kept={kept}
          onForget={() => {
            setKept(NO_GUESSES);
            keepGuesses(NO_GUESSES);
          }}
        />
      </Box>
      {question.isError && (
        <Alert severity="info" action={<Button onClick={() => next()}>Another</Button>}>
          {question.error.message}
        </Alert>
      )}
      {question.isPending && <Waiting words="Thinking of a question" />}
      {one && (
        <>
          <Typography component="h2" aria-live="polite" sx={{ fontSize: "size.lead", mb: 1.5 }}>
            {one.text}
          </Typography>
          <Choices one={one} chosen={chosen} onChoose={choose} />
          {chosen !== null && (
            <Answer one={one} right={chosen === one.right} onNext={() => next()} />
          )}
        </>
      )}
    </Box>
  );
}

/** Which question is open: in the address, so that it can be sent on and outlasts a reload. */
function useAsked() {
  const [search, setSearch] = useSearchParams();
  const [first] = useState(anySeed);
  const written = Number(search.get("seed"));
  const seed = search.has("seed") && Number.isInteger(written) && written >= 0 ? written : first;
  useEffect(() => {
    if (search.has("seed")) return;
    const asked = search.get("about");
    setSearch({ seed: String(first), ...(asked && { about: asked }) }, { replace: true });
  }, [search, setSearch, first]);
  const about = ABOUT.find(([key]) => key === search.get("about"))?.[0] ?? null;
  const ask = (of: Guess["asks"] | null) => {
    setSearch({ seed: String(anySeed()), ...(of && { about: of }) }, { replace: true });
  };
  return [{ seed: Math.min(seed, MOST), about }, ask] as const;
}

/** A choice by its number, where nothing is typed into. */
function useNumberKeys(choose: (place: number) => void, off: boolean) {
  useEffect(() => {
    if (off) return undefined;
    const pressed = (event: KeyboardEvent) => {
      if ((event.target as HTMLElement).closest("input, textarea, [role=combobox], [role=option]"))
        return;
      if (/^[1-4]$/.test(event.key)) choose(Number(event.key) - 1);
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  });
}

function Tally({ kept, onForget }: { kept: Guesses; onForget: () => void }) {
  if (kept.asked === 0) {
    return (
      <Typography color="textSecondary">
        Of your own cards, pans and ovens. Only counts are kept, in this browser.
      </Typography>
    );
  }
  const tends = tendencies(kept);
  return (
    <Typography color="textSecondary">
      {`${String(kept.right)} of ${String(kept.asked)} right`}
      {kept.row > 1 && `, ${String(kept.row)} in a row`}.{" "}
      {tends.length > 0 && `${tends.join(" ")} `}
      <Button size="small" onClick={onForget}>
        Forget them
      </Button>
    </Typography>
  );
}

interface ChoicesProps {
  one: Guess;
  chosen: number | null;
  onChoose: (place: number) => void;
}

function Choices({ one, chosen, onChoose }: ChoicesProps) {
  return (
    <Box
      role="group"
      aria-label="Answers"
      sx={{
        display: "grid",
        gap: 1,
        gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" },
      }}
    >
      {one.choices.map((choice, place) => {
        const right = chosen !== null && place === one.right;
        const yours = chosen === place;
        return (
          <Button
            key={choice.text}
            variant="outlined"
            aria-pressed={yours}
            disabled={chosen !== null && !right && !yours}
            onClick={() => onChoose(place)}
            sx={(t) => ({
              justifyContent: "flex-start",
              textAlign: "left",
              textTransform: "none",
              fontSize: "size.strong",
              gap: 1.5,
              p: 1.5,
              ...(right && {
                bgcolor: t.vars.palette.bench.butterTint,
                borderColor: t.vars.palette.bench.rim,
                borderWidth: 2,
              }),
            })}
          >
            <Box component="span" sx={{ fontWeight: 700 }}>
              {place + 1}
            </Box>
            {choice.stage && <StageDrawing stage={choice.stage} />}
            <span>
              {choice.text}
              {right && <strong> · right</strong>}
              {yours && !right && <strong> · your guess</strong>}
            </span>
          </Button>
        );
      })}
    </Box>
  );
}

interface AnswerProps {
  one: Guess;
  right: boolean;
  onNext: () => void;
}

function Answer({ one, right, onNext }: AnswerProps) {
  return (
    <Box sx={{ mt: 2 }} role="status">
      <Typography sx={{ fontWeight: 700 }}>{right ? "Right." : "Not this time."}</Typography>
      <Typography sx={{ maxWidth: 720 }}>{one.reason}</Typography>
      {one.request && <Pictures request={one.request} />}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mt: 1.5 }}>
        <Button variant="contained" onClick={onNext} autoFocus>
          Next
        </Button>
        {one.request && <OpenIt request={one.request} />}
      </Box>
    </Box>
  );
}

/** The cakes of a question cut open when the first of them is likely done. */
function Pictures({ request }: { request: FitRequest }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 1 }}>
      {(request.into ?? []).map((pan, entry) => (
        <LikelySlice key={JSON.stringify(pan.pan)} request={request} entry={entry} />
      ))}
    </Box>
  );
}

function OpenIt({ request }: { request: FitRequest }) {
  const query = new URLSearchParams({
    recipe: String(request.recipe),
    into: JSON.stringify((request.into ?? []).map(({ pan, count }) => ({ pan, count }))),
    at: "inside",
    ...(request.oven && { oven: String(request.oven) }),
  });
  return (
    <Button component={Link} to={`/fit/bake?${query.toString()}`}>
      Open it in Bake
    </Button>
  );
}
