import { Box, Button, TextField, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import type { Ingredient } from "../../../../api/client";
import { typedDecimal } from "../../../../domain/numbers";
import { PickField } from "../../../../ui/PickField";
import { choicesQuery } from "../../../../api/queries/recipes";

/** "My cup of plain flour weighs 134 g": the baker's own weight in place of the table's. */
export function OwnWeight({ ingredient }: { ingredient: Ingredient }) {
  const choices = useQuery(choicesQuery());
  const [open, setOpen] = useState(false);
  const [measure, setMeasure] = useState("1 cup");
  const [grams, setGrams] = useState("");
  const [standard, setStandard] = useState("metric");
  const weighed = typedDecimal(grams);
  const close = () => setOpen(false);
  const path = { params: { path: { key: ingredient.key } } };
  const weigh = useMutation({
    mutationFn: async () =>
      answered(
        await client.PUT("/api/ingredients/{key}/weight", {
          ...path,
          body: { measure, grams: weighed ?? 0, standard },
        }),
      ),
    onSuccess: close,
  });
  const forget = useMutation({
    mutationFn: async () => answered(await client.DELETE("/api/ingredients/{key}/weight", path)),
    onSuccess: close,
  });
  return (
    <Box sx={{ fontSize: "size.note" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1 }}>
        <Typography component="span" color="textSecondary" sx={{ fontSize: "inherit" }}>
          {ingredient.g_per_100ml === null
            ? "No measure of it is weighed yet."
            : `${ingredient.measured ? "Measured" : "Table"}: ${ingredient.source}`}
        </Typography>
        <Button onClick={() => setOpen(!open)} aria-expanded={open}>
          My own weight
        </Button>
        {ingredient.measured && (
          <Button disabled={forget.isPending} onClick={() => forget.mutate()}>
            Back to the table
          </Button>
        )}
      </Box>
      {open && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}>
          <TextField
            size="small"
            label="My"
            value={measure}
            onChange={(event) => setMeasure(event.target.value)}
            sx={{ width: 110 }}
          />
          <TextField
            size="small"
            label="weighs, g"
            value={grams}
            onChange={(event) => setGrams(event.target.value)}
            error={(grams !== "" && weighed === null) || weigh.isError}
            helperText={
              grams !== "" && weighed === null
                ? "Type grams, for instance 134."
                : weigh.error?.message
            }
            sx={{ width: weigh.isError ? 260 : 110 }}
          />
          <PickField
            label="Cups and spoons"
            value={standard}
            options={(choices.data?.standards ?? []).map((one) => [one.key, one.name] as const)}
            onChange={(next) => next && setStandard(next)}
            sx={{ width: 210 }}
          />
          <Button
            variant="outlined"
            disabled={weighed === null || weigh.isPending}
            onClick={() => weigh.mutate()}
          >
            Take it
          </Button>
        </Box>
      )}
    </Box>
  );
}
