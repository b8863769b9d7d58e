import { useQuery } from "@tanstack/react-query";

import { pansQuery } from "../../api/queries/kitchen";
import { recipesQuery } from "../../api/queries/recipes";
import { PickField } from "../../ui/PickField";

interface PickProps {
  value: number | null;
  onChange: (id: number | null) => void;
}

const idOf = (picked: string | null) => (picked === null ? null : Number(picked));

/** One of the kitchen's cards. */
export function RecipePick({ value, onChange }: PickProps) {
  const rows = useQuery(recipesQuery({ limit: 200 })).data?.rows ?? [];
  return (
    <PickField
      label="Recipe"
      value={value === null ? null : String(value)}
      options={rows.map((one) => [String(one.id), one.title] as const)}
      onChange={(picked) => onChange(idOf(picked))}
      sx={{ minWidth: 260 }}
    />
  );
}

/** A pan of the rack, or a tray whole. */
export function PanPick({ value, onChange }: PickProps) {
  const pans = useQuery(pansQuery()).data ?? [];
  return (
    <PickField
      label="Pan"
      value={value === null ? null : String(value)}
      options={pans
        .filter((one) => !one.damaged)
        .map((one) => [String(one.id), one.label] as const)}
      onChange={(picked) => onChange(idOf(picked))}
      sx={{ minWidth: 180 }}
    />
  );
}
