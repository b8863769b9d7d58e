import { Alert, Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import { welcomeQuery } from "../../api/queries/welcome";
import { UnitFields } from "../../habits/UnitFields";
import { useHabits } from "../../habits/useHabits";
import { NextButton } from "../../ui/NextButton";
import type { StepProps } from "./step";
import { Tile } from "./Tile";
import { Waiting } from "../../ui/Waiting";

const READS = { metric: "20 cm, 250 g", us: "8 in, cups and grams", both: "20 cm (8 in)" } as const;
const HEATS = { C: "180 °C", F: "350 °F", mark: "gas mark 4", flame: "low flame" } as const;

/** Where one bakes sets how lengths, heat, cups and eggs are read; each can be changed. */
export function WhereStep({ kitchen, onDone }: StepProps) {
  const welcome = useQuery(welcomeQuery(false));
  const habits = useHabits(kitchen);
  if (welcome.isPending) return <Waiting words="Fetching the regions" />;
  if (welcome.isError) return <Alert severity="error">{welcome.error.message}</Alert>;
  return (
    <>
      <Box
        role="group"
        aria-label="Regions"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(200px, 1fr))",
          gap: 1.25,
          mb: 2,
        }}
      >
        {welcome.data.regions.map((region) => (
          <Tile
            key={region.key}
            title={region.name}
            words={`${READS[region.units]} · ${HEATS[region.dial]} · ${region.paper}`}
            onClick={() => {
              const { units, measure_standard, egg_grade, paper, clock } = region;
              habits.mutate(
                { units, measure_standard, egg_grade, paper, clock },
                { onSuccess: onDone },
              );
            }}
          />
        ))}
      </Box>
      {habits.isError && <Alert severity="error">{habits.error.message}</Alert>}
      <Typography sx={{ fontWeight: 700, mb: 1 }}>Or one by one</Typography>
      <UnitFields kitchen={kitchen} onChange={(part) => habits.mutate(part)} />
      <Box sx={{ mt: 2 }}>
        <NextButton onClick={onDone}>Go on</NextButton>
      </Box>
    </>
  );
}
