import { Autocomplete, Box, Button, TextField } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import type { Ingredient, Role } from "../../../../api/client";
import { PickField } from "../../../../ui/PickField";
import { ingredientsQuery } from "../../../../api/queries/recipes";
import { ROLES } from "../../words";

interface IngredientPickerProps {
  value: Ingredient | null;
  /** What the line calls it. */
  typed: string;
  onPick: (ingredient: Ingredient | null) => void;
}

/** Which ingredient of the table a line means; one the table lacks can be added. */
export function IngredientPicker({ value, typed, onPick }: IngredientPickerProps) {
  const [words, setWords] = useState("");
  const [adding, setAdding] = useState(false);
  const found = useQuery(ingredientsQuery(words));
  return (
    <Box sx={{ flex: "1 1 260px" }}>
      <Autocomplete
        size="small"
        options={found.data ?? []}
        filterOptions={(options) => options}
        value={value}
        getOptionLabel={(one) => one.name}
        getOptionKey={(one) => one.key}
        isOptionEqualToValue={(a, b) => a.key === b.key}
        onInputChange={(_, next, reason) => setWords(reason === "input" ? next : "")}
        onChange={(_, next) => onPick(next)}
        noOptionsText={words.trim() ? "Nothing of that name" : "Type a name"}
        renderInput={(params) => <TextField {...params} label="Ingredient" />}
      />
      {!value && !adding && (typed || words) && (
        <Button onClick={() => setAdding(true)}>Add one of my own</Button>
      )}
      {adding && (
        <NewIngredient
          name={words || typed}
          onDone={(one) => {
            setAdding(false);
            if (one) onPick(one);
          }}
        />
      )}
    </Box>
  );
}

function NewIngredient(props: { name: string; onDone: (one: Ingredient | null) => void }) {
  const [name, setName] = useState(props.name);
  const [role, setRole] = useState<Role>("flavour");
  const add = useMutation({
    mutationFn: async () =>
      answered(await client.POST("/api/ingredients", { body: { name, role } })),
    onSuccess: (one) => {
      props.onDone(one);
    },
  });
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
      <TextField
        size="small"
        label="Its name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={add.isError}
        helperText={add.error?.message}
      />
      <PickField
        label="What it does"
        value={role}
        options={Object.entries(ROLES) as [Role, string][]}
        onChange={(next) => next && setRole(next)}
        sx={{ minWidth: 160 }}
      />
      <Button
        variant="outlined"
        disabled={!name.trim() || add.isPending}
        onClick={() => add.mutate()}
      >
        Add it
      </Button>
      <Button onClick={() => props.onDone(null)}>Leave</Button>
    </Box>
  );
}
