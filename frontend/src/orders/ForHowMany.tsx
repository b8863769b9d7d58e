import { Alert, Box, Button, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";

import { MOST_KINDS } from "../api/bounds";
import { answered, client } from "../api/client";
import type { FitRequest } from "../api/client";
import { pansQuery } from "../api/queries/kitchen";
import { countOf, listed, typedCount } from "../domain/numbers";
import { Stepper } from "../ui/Stepper";

const MOST_EATERS = 1000;
const USUAL = 12;
const MOST_PANS = 5;
const SHOWN = 3;

interface ForHowManyProps {
  /** What the cake is called. */
  name: string;
  fit: FitRequest;
  onChange: (fit: FitRequest) => void;
}

/** The pans of a cake by how many it is for: sets of the rack's own at the recipe's depth. */
export function ForHowMany({ name, fit, onChange }: ForHowManyProps) {
  // How many a message names is asked for at once; what was taken already rests.
  const [open, setOpen] = useState(fit.rule !== "servings" && typeof fit.servings === "number");
  const [eaters, setEaters] = useState(fit.servings ?? USUAL);
  if (!open) {
    return (
      <Box>
        <Button size="small" onClick={() => setOpen(true)}>
          {fit.rule === "servings" && fit.servings ? `For ${String(fit.servings)}` : "For how many"}
        </Button>
      </Box>
    );
  }
  return (
    <Box role="group" aria-label={`${name} for how many`} sx={{ display: "grid", gap: 0.5 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
        <Typography component="span" aria-hidden>
          For
        </Typography>
        <Stepper
          label={`Eaters of ${name}`}
          value={eaters}
          least={1}
          step={1}
          read={typedCount}
          onChange={(count) => setEaters(Math.min(Math.max(count, 1), MOST_EATERS))}
        />
        <Typography component="span" aria-hidden>
          people
        </Typography>
      </Box>
      <SetsForThem
        fit={fit}
        eaters={eaters}
        onTake={(next) => {
          onChange(next);
          setOpen(false);
        }}
      />
    </Box>
  );
}

function SetsForThem(props: {
  fit: FitRequest;
  eaters: number;
  onTake: (fit: FitRequest) => void;
}) {
  const { fit, onTake } = props;
  const eaters = useDeferredValue(props.eaters);
  const rack = useQuery(pansQuery()).data;
  const asked: FitRequest = { ...fit, into: [], rule: "servings", servings: eaters };
  const free = Object.fromEntries(
    (rack ?? []).slice(0, MOST_KINDS).map((pan) => [String(pan.id), pan.owned]),
  );
  const sets = useQuery({
    queryKey: ["fit", "sets", "eaters", asked, free],
    enabled: rack !== undefined,
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      answered(
        await client.POST("/api/fit/sets", {
          body: { fit: asked, free, batch: "as_it_is", tolerance: 0.2, most_pans: MOST_PANS },
          signal,
        }),
      ),
  });
  if (sets.isError) return <Alert severity="warning">{sets.error.message}</Alert>;
  if (!sets.data) return null;
  if (sets.data.offers.length === 0) {
    return (
      <Typography color="textSecondary">
        No {String(MOST_PANS)} pans of your rack bake that many servings at this depth. Set the pans
        yourself, or count the cake twice.
      </Typography>
    );
  }
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75 }} aria-busy={sets.isFetching}>
      {sets.data.offers.slice(0, SHOWN).map((offer) => (
        <Button
          key={offer.into.map(({ pan, count }) => `${String(count)} ${String(pan)}`).join()}
          size="small"
          variant="outlined"
          onClick={() =>
            onTake({
              ...asked,
              into: offer.into.map(({ pan, count }) => ({ pan, count })),
            })
          }
        >
          {`${listed(offer.fit.pans.map(countOf))}: ${offer.words}`}
        </Button>
      ))}
    </Box>
  );
}
