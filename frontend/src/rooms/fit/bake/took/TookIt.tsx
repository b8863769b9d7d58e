import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import type { Fit, FitRequest } from "../../../../api/client";
import { typedCount } from "../../../../domain/numbers";
import { SaidBar } from "../../../../ui/SaidBar";
import { Stepper } from "../../../../ui/Stepper";
import { useTook } from "./useTook";

interface TookItProps {
  fit: Fit;
  entry: number;
  likely: number;
  request: FitRequest;
}

/** “It took … minutes”: one tap, kept with the fit. */
export function TookIt({ fit, entry, likely, request }: TookItProps) {
  const [minutes, setMinutes] = useState<number | null>(null);
  const took = useTook(fit, request);
  const value = minutes ?? likely;
  const noted = took.noted.filter((one) => one.entry === entry);
  return (
    <Box
      className="no-print"
      sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mt: 1 }}
    >
      <Stepper
        label={`Minutes ${fit.bakes[entry]?.label ?? ""} took`}
        value={value}
        onChange={setMinutes}
        read={typedCount}
        least={1}
        unit="min"
      />
      <Button
        variant="contained"
        disabled={value < 1 || value > 600 || took.note.isPending}
        onClick={() => took.note.mutate({ entry, minutes: value })}
      >
        It took {value} minutes
      </Button>
      {noted.map((one) => (
        <Typography key={one.id} component="span">
          Noted: {one.minutes} min
          {one.minutes === Math.round(one.likely_min)
            ? ", as expected"
            : ` (likely was ${String(Math.round(one.likely_min))})`}
        </Typography>
      ))}
      {took.note.isError && (
        <Typography role="alert">{took.note.error.message} It is not noted.</Typography>
      )}
      <SaidBar said={took.said} onDone={took.clear} />
    </Box>
  );
}
