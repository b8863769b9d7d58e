import { Box } from "@mui/material";
import type { ReactNode } from "react";

import type { FinishAnswer, FinishedCake } from "../api/client";
import type { Units } from "../domain/units";
import { CutWord, FillingWord, LevelWord, SoakWord } from "./InsideWords";
import { BorderWord, CarveWord, CoatWord, DripWord, PressWord, WellsWord } from "./OutsideWords";
import type { FinishingInHand } from "./finishing";

interface FinishLineProps {
  done: FinishAnswer;
  finishing: FinishingInHand;
  units: Units;
  /** Stands at the end of the line. */
  after?: ReactNode;
}

/** One line that says what happens to the cake; each word opens what it can be. */
export function FinishLine({ done, finishing, units, after }: FinishLineProps) {
  const { cakes, components: parts } = done;
  const cake = cakes[0];
  if (!cake) return null;
  const told = { cake, finishing, units };
  const some = (kind: FinishedCake["kind"]) => cakes.some((one) => one.kind === kind);
  const stacked = cakes.some((one) => one.layers.length > 1);
  const small = cakes.every((one) => one.kind === "small");
  const whole = cakes.some((one) => one.kind !== "small" && one.kind !== "pieces");
  return (
    <Box sx={{ fontSize: "size.body", lineHeight: 1.2, mb: 0.5, "& button": { my: -0.4 } }}>
      {!small && <LevelWord {...told} />}
      {!small && <CutWord {...told} />}
      <SoakWord {...told} drenched={done.drenched} />
      {stacked && <FillingWord {...told} parts={parts} />}
      {!small && <CoatWord {...told} />}
      {whole && <DripWord {...told} />}
      {whole && <BorderWord {...told} />}
      {whole && <PressWord {...told} />}
      {some("small") && <WellsWord {...told} parts={parts} />}
      {some("stack") && <CarveWord {...told} />}
      {after}
    </Box>
  );
}
