import { Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import type { Fit, FitRequest } from "../../../../api/client";
import { bakesQuery } from "../../../../api/queries/logbook";
import { cameOut, HOW, minutes as whole } from "../../../../bakes/words";
import { useLogged } from "../../../../bakes/useLogged";
import { typedCount } from "../../../../domain/numbers";
import { SaidBar } from "../../../../ui/SaidBar";
import { Stepper } from "../../../../ui/Stepper";

interface TookItProps {
  fit: Fit;
  entry: number;
  likely: number;
  request: FitRequest;
}

/** “It took … minutes”, and how it was: two taps, into the logbook. */
export function TookIt({ fit, entry, likely, request }: TookItProps) {
  const [minutes, setMinutes] = useState<number | null>(null);
  const logbook = useLogged();
  const last = useQuery(bakesQuery({ recipe: request.recipe, limit: 20 }));
  const value = minutes ?? likely;
  const pan = fit.bakes[entry]?.label ?? "";
  const before = last.data?.bakes.find((one) => one.pan_label === pan);
  return (
    <Box className="no-print" sx={{ mt: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 }}>
        <Typography component="span">It took</Typography>
        <Stepper
          label={`Minutes ${pan} took`}
          value={value}
          onChange={setMinutes}
          read={typedCount}
          least={1}
          unit="min"
        />
        {HOW.map((one) => (
          <Button
            key={one.value}
            variant={one.value === "right" ? "contained" : "outlined"}
            disabled={value < 1 || value > 600 || logbook.log.isPending}
            onClick={() => logbook.log.mutate({ request, entry, minutes: value, how: one.value })}
          >
            {one.value === "right" ? "And it was right" : one.label}
          </Button>
        ))}
      </Box>
      {before && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
          {`Last time in ${pan}: ${whole(before.minutes)} min, ${cameOut(before)}. `}
          <Box component={Link} to="/logbook" sx={{ color: "inherit" }}>
            Logbook
          </Box>
        </Typography>
      )}
      {logbook.log.isError && (
        <Typography role="alert">{logbook.log.error.message} It is not logged.</Typography>
      )}
      <SaidBar said={logbook.said} onDone={logbook.clear} />
    </Box>
  );
}
