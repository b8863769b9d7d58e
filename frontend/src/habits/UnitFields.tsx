import { Box } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { Kitchen, KitchenTyped } from "../api/client";
import { choicesQuery } from "../api/queries/recipes";
import { PickField } from "../ui/PickField";

const UNITS = [
  ["metric", "cm, g"],
  ["us", "inches, g and oz"],
  ["both", "both beside each other"],
] as const;

const PAPERS = [
  ["A4", "A4"],
  ["Letter", "Letter"],
] as const;

const CLOCKS = [
  ["24", "14:30"],
  ["12", "2:30 pm"],
] as const;

interface UnitFieldsProps {
  kitchen: Kitchen;
  onChange: (part: Partial<KitchenTyped>) => void;
}

/** How the kitchen reads and measures: lengths and weights, cups, eggs, paper. */
export function UnitFields({ kitchen, onChange }: UnitFieldsProps) {
  const choices = useQuery(choicesQuery());
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
      <PickField
        label="Lengths and weights in"
        value={kitchen.units}
        options={UNITS}
        onChange={(units) => units && onChange({ units })}
        sx={{ minWidth: 210, flex: "1 1 210px" }}
      />
      <PickField
        label="Cups and spoons, where a recipe does not say"
        value={choices.data ? kitchen.measure_standard : null}
        options={(choices.data?.standards ?? []).map((one) => [one.key, one.name] as const)}
        onChange={(key) => key && onChange({ measure_standard: key })}
        sx={{ minWidth: 210, flex: "1 1 330px" }}
      />
      <PickField
        label="Eggs, where a recipe does not say"
        value={choices.data ? kitchen.egg_grade : null}
        options={(choices.data?.egg_grades ?? []).map((one) => [one.key, one.name] as const)}
        onChange={(key) => key && onChange({ egg_grade: key })}
        sx={{ minWidth: 210, flex: "1 1 260px" }}
      />
      <PickField
        label="Paper"
        value={kitchen.paper}
        options={PAPERS}
        onChange={(paper) => paper && onChange({ paper })}
        sx={{ minWidth: 110 }}
      />
      <PickField
        label="Hours as"
        value={kitchen.clock}
        options={CLOCKS}
        onChange={(clock) => clock && onChange({ clock })}
        sx={{ minWidth: 120 }}
      />
    </Box>
  );
}
