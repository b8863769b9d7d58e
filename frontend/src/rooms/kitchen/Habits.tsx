import { Alert, Box } from "@mui/material";

import type { Kitchen, KitchenTyped } from "../../api/client";
import { typedDecimal } from "../../domain/numbers";
import { UnitFields } from "../../habits/UnitFields";
import { useHabits } from "../../habits/useHabits";
import { PickField } from "../../ui/PickField";
import { TypedField } from "../../ui/TypedField";

const STEPS = [
  ["0.1", "0.1 g"],
  ["0.5", "0.5 g"],
  ["1", "1 g"],
  ["2", "2 g"],
  ["5", "5 g"],
] as const;

/** The kitchen's name, its scale, how high it lies, what it measures with. */
export function Habits({ kitchen }: { kitchen: Kitchen }) {
  const save = useHabits(kitchen);
  const { name, scale_step_g, altitude_m } = kitchen;
  const change = (part: Partial<KitchenTyped>) => save.mutate(part);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "flex-start", pt: 1 }}>
      <TypedField
        label="Name of the kitchen"
        value={name}
        read={(text) => text.trim() || null}
        write={(value) => value}
        hint="Type a name."
        required
        onChange={(next) => next !== null && change({ name: next })}
        sx={{ minWidth: 260 }}
      />
      <PickField
        label="My scale reads to"
        value={STEPS.find(([step]) => Number(step) === scale_step_g)?.[0] ?? null}
        options={STEPS}
        onChange={(step) => change({ scale_step_g: Number(step ?? 1) })}
        sx={{ minWidth: 150 }}
      />
      <TypedField
        label="Metres above the sea"
        value={altitude_m}
        read={typedDecimal}
        write={String}
        hint="Type a number."
        onChange={(next) => change({ altitude_m: next })}
        sx={{ width: 190 }}
      />
      <UnitFields kitchen={kitchen} onChange={change} />
      {save.isError && <Alert severity="error">{save.error.message}</Alert>}
    </Box>
  );
}
