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
  return (
    <>
      <Typography
        sx={{ fontSize: { xs: "1.9rem", sm: "2.9rem" }, fontWeight: 700, lineHeight: 1.1, mt: 1 }}
      >
        {bake.looks === 0 ? "First look" : "Look again"}
      </Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.lead" }}>
        {`${step.words} · likely ${at(bake.likely_min)} · no later than ${at(bake.latest_min)}`}
      </Typography>
      <Box component="ul" sx={{ fontSize: { xs: "size.lead", sm: "size.title" }, pl: 3, my: 1 }}>
        {bake.signs.map((sign) => (
          <li key={sign}>{sign}</li>
        ))}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1 }}>
        <Answer words="Done" more="out it comes" main onClick={() => tick("done")} />
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
