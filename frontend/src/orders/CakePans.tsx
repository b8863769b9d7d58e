import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { FitEntry, FitRequest, RackPan } from "../api/client";
import { pansQuery } from "../api/queries/kitchen";
import { typedCount } from "../domain/numbers";
import { Stepper } from "../ui/Stepper";

const MOST = 200;

interface CakePansProps {
  /** What the cake is called. */
  name: string;
  fit: FitRequest;
  onChange: (fit: FitRequest) => void;
}

/** The pans of one cake of an order, counted; wells one by one. */
export function CakePans({ name, fit, onChange }: CakePansProps) {
  const rack = useQuery(pansQuery()).data ?? [];
  const into = fit.into ?? [];
  const put = (next: FitEntry[]) => onChange({ ...fit, into: next });
  return (
    <Box role="group" aria-label={`Pans of ${name}`} sx={{ display: "grid", gap: 0.5 }}>
      {into.map((entry, place) => {
        const label = labelOf(entry, rack);
        return (
          <Box key={place} sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 }}>
            <Typography sx={{ flex: "1 1 90px", minWidth: 0 }}>{label}</Typography>
            <Stepper
              label={`How many of ${label}, ${name}`}
              value={entry.count ?? 1}
              least={1}
              step={1}
              read={typedCount}
              onChange={(count) =>
                put(into.map((one, i) => (i === place ? { ...one, count: clamp(count) } : one)))
              }
            />
            <Button
              size="small"
              disabled={into.length === 1}
              aria-label={`Without ${label}, ${name}`}
              onClick={() => put(into.filter((_, i) => i !== place))}
            >
              Remove
            </Button>
          </Box>
        );
      })}
      <TextField
        select
        size="small"
        label="Another pan"
        value=""
        onChange={(event) => {
          const pan = rack.find((one) => one.id === Number(event.target.value));
          if (pan) put([...into, { pan: pan.id, count: pan.wells }]);
        }}
      >
        {rack.map((pan) => (
          <MenuItem key={pan.id} value={pan.id}>
            {pan.label}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}

const clamp = (count: number) => Math.min(Math.max(count, 1), MOST);

function labelOf(entry: FitEntry, rack: readonly RackPan[]): string {
  const { pan } = entry;
  if (typeof pan !== "number") return pan.label ?? "A pan of its own";
  const own = rack.find((one) => one.id === pan);
  return own ? (own.wells > 1 ? `Wells of ${own.label}` : own.label) : "A pan that is gone";
}
