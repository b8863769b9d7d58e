import { Alert, Box, Button, ButtonBase, LinearProgress, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { PanMeasures, ShelfPan } from "../../api/client";
import { pansQuery } from "../../api/queries/kitchen";
import { welcomeQuery } from "../../api/queries/welcome";
import { markLength } from "../../domain/units";
import { RackDrawing } from "../../pans/RackDrawing";
import { Choice } from "../../ui/Choice";
import { HIDDEN } from "../../ui/hidden";
import { NextButton } from "../../ui/NextButton";
import type { StepProps } from "./step";

const SHELVES = [
  { value: "cm", label: "sold in cm" },
  { value: "in", label: "sold in inches" },
] as const;

/** The shelf of usual pans, drawn to one scale: tap what you own, tap again for two. */
export function PansStep({ kitchen, onDone }: StepProps) {
  const [unit, setUnit] = useState<"cm" | "in">(kitchen.units === "metric" ? "cm" : "in");
  const welcome = useQuery(welcomeQuery(unit === "in"));
  const rack = useQuery(pansQuery());
  const [owned, setOwned] = useState<Readonly<Record<string, number>>>({});
  const count = Object.values(owned).reduce((sum, one) => sum + one, 0);
  const put = useMutation({
    mutationFn: async () => {
      const there = new Set(rack.data?.map((pan) => pan.label));
      for (const pan of welcome.data?.shelf ?? []) {
        const many = owned[pan.label] ?? 0;
        if (many === 0 || there.has(pan.label)) continue;
        const measures = Object.fromEntries(
          Object.entries(pan.measures).filter(([, value]) => value !== null),
        ) as PanMeasures;
        answered(
          await client.POST("/api/pans", {
            body: { pan: { ...measures, label: pan.label }, owned: many, inches: pan.inches },
          }),
        );
      }
    },
    onSuccess: onDone,
  });
  const tap = (label: string, by: number) =>
    setOwned((now) => ({ ...now, [label]: Math.max(0, (now[label] ?? 0) + by) }));
  if (welcome.isError) return <Alert severity="error">{welcome.error.message}</Alert>;
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", mb: 1 }}>
        <Typography sx={{ flex: "1 1 240px" }}>
          Tap what you own; tap again for two. All are drawn to one scale.
        </Typography>
        <Choice label="Pans as sold" value={unit} options={SHELVES} onChange={setUnit} />
      </Box>
      {welcome.isPending && <LinearProgress aria-label="Fetching the shelf" />}
      <Box
        component="ul"
        aria-label="The usual pans"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
          gap: 0.75,
        }}
      >
        {welcome.data?.shelf.map((pan) => (
          <OnShelf
            key={pan.label}
            pan={pan}
            many={owned[pan.label] ?? 0}
            onTap={(by) => tap(pan.label, by)}
          />
        ))}
      </Box>
      {put.isError && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {put.error.message}
        </Alert>
      )}
      <Box sx={{ mt: 2 }}>
        <NextButton
          disabled={put.isPending || rack.isPending}
          onClick={() => (count === 0 ? onDone() : put.mutate())}
        >
          {count === 0
            ? "Go on without pans"
            : `Put ${String(count)} ${count === 1 ? "pan" : "pans"} on the rack`}
        </NextButton>
      </Box>
    </>
  );
}

interface OnShelfProps {
  pan: ShelfPan;
  many: number;
  onTap: (by: number) => void;
}

/** A usual pan, drawn, and how many of it she owns. */
function OnShelf({ pan, many, onTap }: OnShelfProps) {
  return (
    <Box component="li" sx={{ position: "relative", display: "flex" }}>
      <ButtonBase
        onClick={() => onTap(1)}
        sx={(t) => ({
          flex: 1,
          flexDirection: "column",
          justifyContent: "flex-end",
          gap: 0.5,
          p: 1,
          minHeight: 150,
          borderRadius: 2,
          border: `2px solid ${many > 0 ? t.vars.palette.bench.butter : "transparent"}`,
          bgcolor: many > 0 ? t.vars.palette.bench.butterTint : "background.paper",
        })}
      >
        <RackDrawing pan={pan} scale={2.9} section />
        <Typography component="span" sx={{ fontWeight: 700, lineHeight: 1.2 }}>
          {pan.label}
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ fontSize: "size.tiny" }}>
          {pan.drawing
            ? `wall ${markLength(pan.drawing.wall_cm, pan.inches ? "us" : "metric")}`
            : ""}
          <span style={HIDDEN}>{many === 0 ? ", not yours" : `, you own ${String(many)}`}</span>
        </Typography>
      </ButtonBase>
      {many > 0 && (
        <>
          <Box
            component="span"
            aria-hidden
            sx={(t) => ({
              position: "absolute",
              top: 8,
              left: 10,
              ...t.typography.quantity,
            })}
          >
            {many}
          </Box>
          <Button
            size="small"
            onClick={() => onTap(-1)}
            aria-label={`One less of ${pan.label}`}
            sx={{ position: "absolute", top: 0, right: 0, minWidth: 44 }}
          >
            −
          </Button>
        </>
      )}
    </Box>
  );
}
