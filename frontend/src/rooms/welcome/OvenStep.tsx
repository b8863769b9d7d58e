import { Alert, Box, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { DialScale, OvenKind } from "../../api/client";
import { ovensQuery } from "../../api/queries/kitchen";
import { hasDial, KINDS, SCALES, USUAL_DIAL } from "../../domain/dials";
import { Choice } from "../../ui/Choice";
import { NextButton } from "../../ui/NextButton";
import type { StepProps } from "./step";
import { Tile } from "./Tile";

const HEATS: Record<OvenKind, string> = {
  conventional: "heat from above and below, the air at rest",
  fan: "a fan moves the air; hotter on the cake at one setting",
  gas: "a flame below, warmer at the top",
  counter: "small, its walls near the pan",
  steam: "moist heat of one temperature",
  hob: "a lidded pot over a low flame",
};

const OPTIONS = SCALES.map(([value, label]) => ({ value, label }));

/** The oven: its kind and what its dial counts in. */
export function OvenStep({ kitchen, onDone }: StepProps) {
  const ovens = useQuery(ovensQuery());
  const [dial, setDial] = useState<DialScale>(kitchen.units === "metric" ? "C" : "F");
  const take = useMutation({
    mutationFn: async (kind: OvenKind) => {
      const usual = USUAL_DIAL[hasDial(kind) ? dial : "C"];
      const body = {
        name: KINDS.find(([key]) => key === kind)?.[1] ?? "Oven",
        kind,
        dial: hasDial(kind) ? dial : ("C" as const),
        dial_step: usual.step,
        dial_lowest: usual.lowest,
        dial_highest: usual.highest,
        shelves: 1,
        dial_off_c: 0,
        is_default: true,
      };
      const first = ovens.data?.[0];
      return first
        ? answered(
            await client.PUT("/api/ovens/{oven_id}", {
              params: { path: { oven_id: first.id } },
              body: { ...body, base: first.version },
            }),
          )
        : answered(await client.POST("/api/ovens", { body }));
    },
    onSuccess: onDone,
  });
  const own = ovens.data?.[0];
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, mb: 2 }}>
        <Typography component="span">Its dial counts in</Typography>
        <Choice label="Its dial counts in" value={dial} options={OPTIONS} onChange={setDial} />
      </Box>
      <Box
        role="group"
        aria-label="Kinds of oven"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(240px, 1fr))",
          gap: 1.25,
        }}
      >
        {KINDS.map(([kind, name]) => (
          <Tile
            key={kind}
            title={name}
            words={HEATS[kind]}
            chosen={own?.kind === kind}
            disabled={ovens.isPending || take.isPending}
            onClick={() => take.mutate(kind)}
          />
        ))}
      </Box>
      {take.isError && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {take.error.message}
        </Alert>
      )}
      {own && (
        <Box sx={{ mt: 2 }}>
          <NextButton onClick={onDone}>Keep {own.name}</NextButton>
        </Box>
      )}
    </>
  );
}
