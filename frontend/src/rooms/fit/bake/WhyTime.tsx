import { Box, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Suspense } from "react";
import { lazily } from "../../../ui/lazily";
import { Link } from "react-router";

import type { Curves, FitBake, FitRequest } from "../../../api/client";
import { percent } from "../../../domain/numbers";
import { curvesQuery } from "../../../api/queries/fit";

// The chart library is as large as all of the bench: it comes when somebody asks why.
const CentrePlot = lazily(() => import("./plot/CentrePlot").then((module) => module.CentrePlot));

interface WhyTimeProps {
  bake: FitBake;
  entry: number;
  request: FitRequest;
}

/** The facts behind a time, what its window adds up from, and its centre drawn over time. */
export function WhyTime({ bake, entry, request }: WhyTimeProps) {
  const curves = useQuery(curvesQuery(request, entry));
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 5fr) minmax(0, 7fr)" },
        gap: 2,
        my: 1,
      }}
    >
      <Box>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {bake.why.map((fact) => (
            <li key={fact}>{fact}</li>
          ))}
          {bake.early_min !== null && <li>Hardly before {bake.early_min} min.</li>}
          <li>Crust: {bake.crust}.</li>
        </Box>
        <Typography sx={{ mt: 1, fontWeight: 650 }}>What makes the window so wide</Typography>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {bake.spread.map((one) => (
            <li key={one.cause}>
              {one.cause}: ± {percent(one.share)}
            </li>
          ))}
        </Box>
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          Each alone leaves so much open, two bakes of three; together it is less than their sum,
          since they seldom all pull one way. With nothing logged they are practice; your bakes in
          the{" "}
          <Box component={Link} to="/logbook/taught" sx={{ color: "inherit" }}>
            logbook
          </Box>{" "}
          narrow them.
        </Typography>
      </Box>
      {curves.isError && <Typography>{curves.error.message}</Typography>}
      {curves.data && curves.data.curves.length > 0 ? (
        <Suspense fallback={<LinearProgress aria-label="Drawing the bake" />}>
          <CentrePlot key={plotKey(curves.data)} curves={curves.data} />
        </Suspense>
      ) : (
        curves.isPending && <LinearProgress aria-label="Drawing the bake" />
      )}
    </Box>
  );
}

/** Another bake starts its plot anew, at its own likely minute. */
function plotKey(curves: Curves): string {
  const chosen = curves.curves[curves.chosen];
  return `${curves.label}/${chosen?.dial ?? ""}/${String(chosen?.likely_min)}`;
}
