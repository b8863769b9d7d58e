import { Alert, Box, Button, Typography } from "@mui/material";
import { useQueries, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Fit, FitRequest } from "../../../../api/client";
import { insideQuery } from "../../../../api/queries/fit";
import { pansQuery } from "../../../../api/queries/kitchen";
import { askedBeside, besidesOf, besideTapped } from "../../../../domain/insideBeside";
import type { Beside } from "../../../../domain/insideBeside";
import { Choice } from "../../../../ui/Choice";
import { PickField } from "../../../../ui/PickField";
import { Waiting } from "../../../../ui/Waiting";
import { OneClock } from "./OneClock";

interface InsidePanelProps {
  fit: Fit;
  request: FitRequest;
}

/** The cake cut open at any minute of its bake, and beside it the same bake in other ways. */
export function InsidePanel({ fit, request }: InsidePanelProps) {
  const timed = fit.bakes
    .map((bake, entry) => ({ bake, entry }))
    .filter(({ bake }) => bake.likely_min !== null);
  const [entry, setEntry] = useState(timed[0]?.entry ?? 0);
  const [chosen, setChosen] = useState<readonly Beside[]>([]);
  const rack = useQuery(pansQuery()).data ?? [];
  const ways = besidesOf(fit, request, entry);
  // What this bake has become is no other way any more.
  const beside = chosen.filter(
    (one) => one.startsWith("pan ") || ways.some(({ value }) => value === one),
  );
  const own = useQuery(insideQuery({ fit: request, entry, way: "chosen" }));
  const others = useQueries({
    queries: beside.map((one) => ({
      ...insideQuery(askedBeside(request, entry, one)),
      // Of another way nothing is shown under its name until it is there.
      placeholderData: undefined,
    })),
  });
  const cases = [
    ...(own.data ? [{ title: "this bake", inside: own.data }] : []),
    ...beside.flatMap((one, place) => {
      const inside = others[place]?.data;
      const title = ways.find(({ value }) => value === one)?.label ?? "another pan";
      return inside ? [{ title, inside }] : [];
    }),
  ];
  const wrong = [own, ...others].find((one) => one.isError);
  const tap = (one: Beside) => setChosen(besideTapped(beside, one));
  const pan = beside.find((one) => one.startsWith("pan ")) ?? null;
  if (timed.length === 0) {
    return (
      <Typography sx={{ mt: 2 }}>No pan of this fit has a time: none can be opened.</Typography>
    );
  }
  return (
    <Box sx={{ mt: 2 }}>
      {timed.length > 1 && (
        <Box sx={{ mb: 1 }}>
          <Choice
            label="Which pan"
            size="small"
            wrap
            value={String(entry)}
            options={timed.map((one) => ({ value: String(one.entry), label: one.bake.label }))}
            onChange={(next) => setEntry(Number(next))}
          />
        </Box>
      )}
      <Box
        role="group"
        aria-label="Beside it"
        sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", mb: 1 }}
      >
        <Typography component="span">Beside it, up to two:</Typography>
        {ways.map(({ value, label }) => (
          <Button
            key={value}
            size="small"
            aria-pressed={beside.includes(value)}
            variant={beside.includes(value) ? "contained" : "outlined"}
            onClick={() => tap(value)}
          >
            {label}
          </Button>
        ))}
        <PickField<Beside>
          label="Another pan"
          value={pan}
          none="none"
          options={rack
            .filter((one) => one.known_by === "measures" && !one.damaged)
            .map((one) => [`pan ${one.id}`, one.label])}
          onChange={(next) => {
            const rest = beside.filter((one) => one !== pan);
            setChosen(next === null ? rest : besideTapped(rest, next));
          }}
          sx={{ minWidth: 150 }}
        />
      </Box>
      {wrong?.error && <Alert severity="error">{wrong.error.message}</Alert>}
      {(own.isPending || others.some((one) => one.isLoading)) && (
        <Waiting words="Cutting it open" />
      )}
      {cases.length > 0 && <OneClock cases={cases} />}
    </Box>
  );
}
