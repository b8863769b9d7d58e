import { Box, Typography } from "@mui/material";

import type { Fit } from "../../api/client";
import { grams } from "../../domain/numbers";
import { StateChoice } from "./FitHead";
import type { FitStateName } from "./FitHead";
import { CareIcon, StopIcon } from "../../ui/icons";

/** On a phone: grams, setting, first look and the worst warning stay at the top while one scrolls. */
export function PhoneSummary({ fit, state }: { fit: Fit; state: FitStateName }) {
  const looks = fit.bakes.flatMap((bake) =>
    bake.first_look_min === null ? [] : [bake.first_look_min],
  );
  const dial = fit.bakes.find((bake) => bake.dial !== null);
  const worst = fit.findings.find((one) => one.severity !== "note");
  return (
    <Box
      component="section"
      aria-label="In short"
      className="no-print"
      sx={(t) => ({
        position: "sticky",
        top: 0,
        zIndex: 3,
        px: 1.5,
        py: 0.75,
        mb: 1,
        "& [role=radiogroup]": { mt: 0.5 },
        bgcolor: "background.paper",
        borderBottom: `2px solid ${t.vars.palette.bench.rim}`,
      })}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1.5 }}>
        {fit.batter_g !== null && (
          <Typography variant="quantity">{`${grams(fit.batter_g)} g`}</Typography>
        )}
        {dial && (
          <Typography variant="quantity" sx={(t) => ({ color: t.vars.palette.bench.heat })}>
            {dial.phases[0]?.dial ?? dial.dial}
          </Typography>
        )}
        {looks.length > 0 && (
          <Typography component="span" sx={{ fontWeight: 700 }}>
            look at {Math.min(...looks)} min
          </Typography>
        )}
      </Box>
      {worst && (
        <Typography
          sx={(t) => ({
            fontSize: "size.small",
            lineHeight: 1.25,
            fontWeight: 650,
            overflow: "hidden",
            textOverflow: "ellipsis",
            whiteSpace: "nowrap",
            color:
              worst.severity === "stop" ? t.vars.palette.bench.heat : t.vars.palette.bench.caution,
          })}
        >
          {worst.severity === "stop" ? (
            <StopIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
          ) : (
            <CareIcon fontSize="inherit" sx={{ mr: 0.5, mb: -0.25 }} />
          )}
          {worst.text}
        </Typography>
      )}
      <StateChoice state={state} />
    </Box>
  );
}
