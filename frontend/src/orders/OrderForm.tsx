import {
  Alert,
  Box,
  Button,
  Checkbox,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  MenuItem,
  TextField,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { OrderCakeTyped, OrderTyped } from "../api/client";
import { keptFitsQuery } from "../api/queries/fit";
import { fieldOf, momentOf } from "../domain/moments";
import { typedCount } from "../domain/numbers";
import { Stepper } from "../ui/Stepper";
import { AddRecipe } from "./AddRecipe";
import { CakePans } from "./CakePans";
import { ForHowMany } from "./ForHowMany";
import { FromMessage } from "./FromMessage";
import type { ToldInMessage } from "./FromMessage";
import { PriceAsked } from "./PriceAsked";
import { Worth } from "./Worth";

/** So many signs of a note are kept. */
const MOST_NOTE = 1000;

interface OrderFormProps {
  title: string;
  start: OrderTyped;
  zone: string;
  /** The order that is changed; none for a new one. */
  id?: number;
  error: string | null;
  busy: boolean;
  onSave: (order: OrderTyped) => void;
  onClose: () => void;
}

/** What is wanted by when: title, due time, cakes, and what else a baker has to know of it. */
export function OrderForm(props: OrderFormProps) {
  const { title, start, zone, id, error, busy, onSave, onClose } = props;
  const [typed, setTyped] = useState(start);
  const [due, setDue] = useState(fieldOf(start.due, zone));
  const [asked, setAsked] = useState(false);
  const moment = momentOf(due, zone);
  const set = (part: Partial<OrderTyped>) => setTyped({ ...typed, ...part });
  const cakes = typed.cakes ?? [];
  const setCake = (place: number, part: Partial<OrderCakeTyped>) =>
    set({ cakes: cakes.map((one, i) => (i === place ? { ...one, ...part } : one)) });
  const save = () => {
    setAsked(true);
    if (typed.title.trim() && moment && !Number.isNaN(typed.price))
      onSave({ ...typed, title: typed.title.trim(), due: moment });
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <DialogTitle id="order-title">{title}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1.75 }}>
        {error && <Alert severity="error">{error}</Alert>}
        {id === undefined && start.cakes?.length === 0 && (
          <FromMessage
            onRead={(told) => {
              setTyped(withMessage(typed, told));
              if (told.due) setDue(fieldOf(told.due, zone));
            }}
          />
        )}
        <TextField
          label="Order"
          autoFocus
          value={typed.title}
          onChange={(event) => set({ title: event.target.value })}
          error={asked && !typed.title.trim()}
          helperText={asked && !typed.title.trim() ? "Give it a short name." : undefined}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ mt: 1 }}
        />
        <TextField
          label="Due"
          type="datetime-local"
          value={due}
          onChange={(event) => setDue(event.target.value)}
          error={asked && moment === null}
          helperText={asked && moment === null ? "Say the day and the time." : `Clock: ${zone}`}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Box component="section" aria-label="Cakes" sx={{ display: "grid", gap: 1 }}>
          <Typography component="h3" sx={{ fontWeight: 700 }}>
            Cakes
          </Typography>
          {cakes.map((cake, place) => (
            <CakeRow
              key={place}
              cake={cake}
              place={place}
              onChange={(part) => setCake(place, part)}
              onRemove={() => set({ cakes: cakes.filter((_, i) => i !== place) })}
            />
          ))}
          <AddRecipe onAdd={(cake) => set({ cakes: [...cakes, cake] })} />
          <AddKept onAdd={(cake) => set({ cakes: [...cakes, cake] })} />
        </Box>
        {moment && cakes.length > 0 && <Worth typed={{ ...typed, due: moment }} order={id} />}
        <PriceAsked price={typed.price ?? null} onChange={(price) => set({ price })} />
        <TextField
          label="Occasion"
          value={typed.occasion ?? ""}
          onChange={(event) => set({ occasion: event.target.value })}
        />
        <TextField
          label="Note"
          multiline
          minRows={2}
          value={typed.note ?? ""}
          onChange={(event) => set({ note: event.target.value })}
        />
        <TextField
          label="Carried in"
          value={typed.carried_in ?? ""}
          onChange={(event) => set({ carried_in: event.target.value })}
        />
        <OnTheWay minutes={typed.drive_min ?? 0} onChange={(drive_min) => set({ drive_min })} />
        <FormControlLabel
          control={
            <Checkbox
              checked={typed.sold ?? false}
              onChange={(event) => set({ sold: event.target.checked })}
            />
          }
          label="It is sold"
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button type="submit" variant="contained" disabled={busy}>
          Save the order
        </Button>
      </DialogActions>
    </Box>
  );
}

function OnTheWay(props: { minutes: number; onChange: (minutes: number) => void }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
      <Typography component="span" aria-hidden>
        On the way
      </Typography>
      <Stepper
        label="On the way, minutes"
        value={props.minutes}
        least={0}
        step={5}
        unit="min"
        read={typedCount}
        onChange={(minutes) => props.onChange(Math.min(minutes, 600))}
      />
    </Box>
  );
}

/** An order with what a message says; what was typed already stays. */
function withMessage(typed: OrderTyped, told: ToldInMessage): OrderTyped {
  const cakes = typed.cakes ?? [];
  return {
    ...typed,
    title: typed.title || told.title,
    note: [typed.note, told.note].filter(Boolean).join("\n").slice(0, MOST_NOTE),
    cakes: told.cake ? [...cakes, told.cake] : cakes,
  };
}

function CakeRow(props: {
  cake: OrderCakeTyped;
  place: number;
  onChange: (part: Partial<OrderCakeTyped>) => void;
  onRemove: () => void;
}) {
  const { cake, place, onChange, onRemove } = props;
  const name = cake.label ?? `Cake ${String(place + 1)}`;
  return (
    <Box sx={{ display: "grid", gap: 1, pb: 1, borderBottom: 1, borderColor: "divider" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 }}>
        <Typography sx={{ flex: "1 1 150px", minWidth: 0 }}>{name}</Typography>
        <Stepper
          label={`Count of ${name}`}
          value={cake.count ?? 1}
          least={1}
          step={1}
          read={typedCount}
          onChange={(count) => onChange({ count: Math.min(Math.max(count, 1), 50) })}
        />
        <Button size="small" onClick={onRemove} aria-label={`Take ${name} off the order`}>
          Remove
        </Button>
      </Box>
      {cake.fit && (
        <>
          <CakePans name={name} fit={cake.fit} onChange={(fit) => onChange({ fit })} />
          <ForHowMany name={name} fit={cake.fit} onChange={(fit) => onChange({ fit })} />
        </>
      )}
      <TextField
        label={`Inscription on ${name}`}
        value={cake.inscription ?? ""}
        onChange={(event) =>
          onChange({ inscription: event.target.value, spelling_confirmed: false })
        }
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      {cake.inscription && (
        <FormControlLabel
          control={
            <Checkbox
              checked={cake.spelling_confirmed ?? false}
              onChange={(event) => onChange({ spelling_confirmed: event.target.checked })}
            />
          }
          label={`“${cake.inscription}” is spelt as they wrote it`}
        />
      )}
    </Box>
  );
}

/** Puts a kept fit into the order. */
function AddKept({ onAdd }: { onAdd: (cake: OrderCakeTyped) => void }) {
  const kept = useQuery(keptFitsQuery());
  if (kept.data?.length === 0) return null;
  return (
    <TextField
      select
      label="Add a kept fit"
      value=""
      onChange={(event) => {
        const row = kept.data?.find((one) => one.id === Number(event.target.value));
        if (row) onAdd({ kept: row.id, label: row.name, count: 1 });
      }}
    >
      {(kept.data ?? [])
        .filter((one) => !one.damaged)
        .map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
    </TextField>
  );
}
