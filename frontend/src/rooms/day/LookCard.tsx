import { Box, Button, Typography } from "@mui/material";

import type { DayEvent, DayStep } from "../../api/client";
import { timeOf } from "../../domain/moments";

interface LookProps {
  step: DayStep;
  zone: string;
  onTick: (made: Omit<DayEvent, "id" | "ago_s">) => void;
}

/** A look into the oven: the signs, and three answers. A sign ends a bake. */
export function LookCard({ step, zone, onTick }: LookProps) {
  const { bake } = step;
  if (!bake) return null;
  const tick = (kind: DayEvent["kind"]) => onTick({ kind, step: step.key, place: 0, amount: 0 });
  const at = (minutes: number) =>
    timeOf(new Date(Date.parse(step.started ?? "") + minutes * 60_000), zone);
  const still = bake.rows.filter((one) => !one.out);
  const apart = still.length > 1;
  return (
    <>
      <Typography
        sx={{ fontSize: { xs: "1.9rem", sm: "2.9rem" }, fontWeight: 700, lineHeight: 1.1, mt: 1 }}
      >
        {bake.looks === 0 ? "First look" : "Look again"}
      </Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.lead" }}>
        {bake.rows.length === 0
          ? `${step.words} · likely ${at(bake.likely_min)} · no later than ${at(bake.latest_min)}`
          : step.words}
      </Typography>
      {still.length > 0 && (
        <Box component="ul" aria-label="Still in the oven" sx={{ listStyle: "none", pl: 0, my: 1 }}>
          {still.map((one) => (
            <Typography component="li" key={one.row} sx={{ fontSize: "size.lead" }}>
              <strong>{one.label}</strong>
              {` · look at ${at(one.first_look_min)} · likely ${at(one.likely_min)} · no later than ${at(one.latest_min)}`}
            </Typography>
          ))}
        </Box>
      )}
      <Box component="ul" sx={{ fontSize: { xs: "size.lead", sm: "size.title" }, pl: 3, my: 1 }}>
        {bake.signs.map((sign) => (
          <li key={sign}>{sign}</li>
        ))}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1 }}>
        {apart &&
          still.map((one, place) => (
            <Answer
              key={one.row}
              words={one.label}
              more="done, out it comes"
              main={place === 0}
              onClick={() => onTick({ kind: "out", step: step.key, place: one.row, amount: 0 })}
            />
          ))}
        <Answer
          words={apart ? "All of them" : "Done"}
          more="out it comes"
          main={!apart}
          onClick={() => tick("done")}
        />
        <Answer
          words="Not yet"
          more={`look again in ${String(Math.round(bake.give_min))} min`}
          onClick={() => tick("not_yet")}
        />
        {bake.turn_min !== null && !bake.turned && (
          <Answer words="Turned" more="pans or shelves, goes on" onClick={() => tick("turned")} />
        )}
        {!bake.covered && bake.too_dark && (
          <Answer
            words="Too dark"
            more="cover loosely with foil"
            onClick={() => tick("too_dark")}
          />
        )}
      </Box>
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        {bake.covered
          ? "It is covered: the top browns no more, the middle goes on; it takes a little longer."
          : bake.too_dark}
      </Typography>
      {bake.looks > 0 && <Typography color="textSecondary">{bake.not_done}</Typography>}
      <Typography sx={{ mt: 1, fontWeight: 600 }}>
        Take care: hot tin, dry gloves, face away from the steam.
      </Typography>
    </>
  );
}

function Answer(props: { words: string; more: string; main?: boolean; onClick: () => void }) {
  return (
    <Button
      variant={props.main ? "contained" : "outlined"}
      onClick={props.onClick}
      sx={(t) => ({
        flexDirection: "column",
        px: 3,
        py: 1.5,
        borderRadius: 2,
        fontSize: "size.large",
        ...(props.main
          ? {
              bgcolor: t.vars.palette.bench.butter,
              color: t.vars.palette.bench.onButter,
              "&:hover": { bgcolor: t.vars.palette.bench.butter },
            }
          : {}),
      })}
    >
      {props.words}
      <Box component="span" sx={{ fontSize: "size.note", fontWeight: 400 }}>
        {props.more}
      </Box>
    </Button>
  );
}
