import { Alert, Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { FitRequest, TurnedNumber } from "../../api/client";
import { pansQuery } from "../../api/queries/kitchen";
import { spoilQuery } from "../../api/queries/trainer";
import { Choice } from "../../ui/Choice";
import { PanPick, RecipePick } from "./CakePick";
import { LikelySlice } from "./LikelySlice";

const TURNED: readonly { value: TurnedNumber; label: string }[] = [
  { value: "hotter", label: "oven too hot" },
  { value: "deeper", label: "too much batter" },
  { value: "less_raising", label: "half the powder" },
  { value: "melted_butter", label: "butter melted" },
  { value: "left_in", label: "left in the pan" },
];

/** Spoil it without flour: a number is turned, and what comes of it is worked out or known. */
export function SpoilView() {
  const [recipe, setRecipe] = useState<number | null>(null);
  const [pan, setPan] = useState<number | null>(null);
  const [turned, setTurned] = useState<TurnedNumber>("hotter");
  const wells = useQuery(pansQuery()).data?.find((one) => one.id === pan)?.wells ?? 1;
  const fit: FitRequest | null =
    recipe === null || pan === null ? null : { recipe, into: [{ pan, count: wells }] };
  const told = useQuery(spoilQuery(fit, turned));
  const spoilt = told.data;
  return (
    <Box sx={{ maxWidth: 1100 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mb: 1.5 }}>
        <RecipePick value={recipe} onChange={setRecipe} />
        <PanPick value={pan} onChange={setPan} />
      </Box>
      <Choice label="What is turned" wrap value={turned} options={TURNED} onChange={setTurned} />
      {fit === null && (
        <Typography color="textSecondary" sx={{ mt: 2 }}>
          Choose a recipe and a pan: then see what comes of it, and nothing is wasted.
        </Typography>
      )}
      {told.isError && (
        <Alert severity="info" sx={{ mt: 2 }}>
          {told.error.message}
        </Alert>
      )}
      {fit && spoilt && !told.isError && (
        <Box sx={{ mt: 2 }} aria-live="polite">
          <Typography component="h2" sx={{ fontSize: "size.lead", fontWeight: 700 }}>
            {spoilt.name}
          </Typography>
          <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
            {spoilt.outcomes.map((one) => (
              <li key={one.text}>
                {one.text}{" "}
                <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
                  {one.practice ? "practice" : "worked out"}
                </Typography>
              </li>
            ))}
          </Box>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 3 }}>
            <LikelySlice request={fit} entry={0} title="As it should be" />
            {(turned === "hotter" || turned === "deeper") && (
              <LikelySlice request={spoilt.request} entry={0} title="Spoilt" />
            )}
          </Box>
        </Box>
      )}
    </Box>
  );
}
