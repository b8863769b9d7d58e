import { Typography } from "@mui/material";

import type { FinishAnswer } from "../api/client";
import type { Units } from "../domain/units";
import { CakeDrawing } from "./CakeDrawing";
import { TiersDrawing } from "./TiersDrawing";
import type { FinishingInHand } from "./finishing";

interface DrawingsProps {
  done: FinishAnswer;
  units: Units;
  onPart: FinishingInHand["setOpen"];
}

/** The cakes as they stand: tiers together, all else apart. */
export function Drawings({ done, units, onPart }: DrawingsProps) {
  const tiered = done.supports.length > 0;
  const apart = tiered ? done.cakes.filter((cake) => cake.kind !== "stack") : done.cakes;
  return (
    <>
      {tiered && (
        <TiersDrawing
          cakes={done.cakes}
          supports={done.supports}
          stacked={done.stacked}
          parts={done.components}
          units={units}
          onPart={onPart}
        />
      )}
      {apart.map((cake, place) => (
        <CakeDrawing
          key={`${String(place)}-${cake.label}`}
          cake={cake}
          parts={done.components}
          units={units}
          alone={done.cakes.length === 1}
          onPart={onPart}
        />
      ))}
      {done.cakes.length === 0 && (
        <Typography color="textSecondary">
          Nothing here can be drawn: no pan of this fit is measured.
        </Typography>
      )}
    </>
  );
}
