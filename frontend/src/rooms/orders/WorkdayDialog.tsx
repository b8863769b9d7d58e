import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControl,
  FormControlLabel,
  FormLabel,
  Radio,
  RadioGroup,
  TextField,
} from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { DueStays, Workday } from "../../api/client";
import { ordersQuery } from "../../api/queries/orders";
import { typedDecimal } from "../../domain/numbers";
import { lengthField } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";
import { WeekFields } from "./WeekFields";

const NUMBERS = [
  ["hands", "Pairs of hands"],
  ["pace", "Pace, 1 is practised, 1.7 a beginner"],
  ["boards", "Places of the fridge, a board each"],
  ["shelf_cm", "Clear height over a place"],
  ["high_places", "Places with more than that over them"],
  ["wage", "Wage of an hour"],
  ["kwh", "Price of a kilowatt-hour"],
  ["kw", "Power of the oven, kW"],
  ["packaging", "Board, box and label of a cake"],
  ["fixed", "Fixed costs, share of a cake"],
  ["margin", "Margin, as a share"],
  ["portion", "Asked for a portion"],
  ["rounding", "Prices in steps of"],
] as const;

type NumberName = (typeof NUMBERS)[number][0];

const OPTIONAL: readonly NumberName[] = ["shelf_cm", "kw", "portion"];

const UNSAID: Partial<Record<NumberName, string>> = {
  kw: "2.2 kW assumed",
  shelf_cm: "Not measured: any cake is taken to fit",
};

/** Hours, hands and rates that days are planned and priced with. */
export function WorkdayDialog({ workday, onClose }: { workday: Workday; onClose: () => void }) {
  const height = lengthField(useUnits(), 0.5);
  const [opens, setOpens] = useState(workday.opens);
  const [closes, setCloses] = useState(workday.closes);
  const [week, setWeek] = useState(workday.week);
  const [zone, setZone] = useState(workday.zone);
  const [due, setDue] = useState<DueStays | null>(null);
  const [currency, setCurrency] = useState(workday.currency);
  const [numbers, setNumbers] = useState(() => asTyped(workday, height.write));
  const value = (name: NumberName) =>
    OPTIONAL.includes(name) && numbers[name].trim() === ""
      ? null
      : (name === "shelf_cm" ? height.read : typedDecimal)(numbers[name]);
  const wrong = (name: NumberName) =>
    value(name) === null && !(OPTIONAL.includes(name) && numbers[name].trim() === "");
  const open = useQuery(ordersQuery()).data?.length ?? 0;
  const asks = zone !== workday.zone && open > 0;
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const save = useMutation({
    mutationFn: async () =>
      answered(
        await client.PUT("/api/workday", {
          body: {
            opens,
            closes,
            week,
            zone,
            currency,
            base: workday.version,
            due: due ?? "moment",
            hands: Math.round(value("hands") ?? 1),
            boards: Math.round(value("boards") ?? 0),
            shelf_cm: value("shelf_cm"),
            high_places: Math.round(value("high_places") ?? 0),
            pace: value("pace") ?? 1,
            wage: value("wage") ?? 0,
            kwh: value("kwh") ?? 0,
            kw: value("kw"),
            packaging: value("packaging") ?? 0,
            fixed: value("fixed") ?? 0,
            margin: value("margin") ?? 0,
            portion: value("portion"),
            rounding: value("rounding") ?? 0,
          },
        }),
      ),
    onSuccess: onClose,
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="workday-title" fullWidth maxWidth="sm">
      <DialogTitle id="workday-title">Hours, hands and rates</DialogTitle>
      <DialogContent>
        {save.isError && <Alert severity="error">{save.error.message}</Alert>}
        <Box
          sx={{
            display: "grid",
            gap: 1.5,
            mt: 1,
            gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" },
          }}
        >
          <TextField
            label="From"
            type="time"
            value={opens}
            onChange={(event) => setOpens(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            label="To"
            type="time"
            value={closes}
            onChange={(event) => setCloses(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <WeekFields week={week} usual={{ opens, closes }} onChange={setWeek} />
          <TextField
            label="Clock of the kitchen"
            value={zone}
            onChange={(event) => setZone(event.target.value)}
            helperText={
              zone === here ? undefined : (
                <Button size="small" onClick={() => setZone(here)}>
                  {`Take this device's: ${here}`}
                </Button>
              )
            }
            slotProps={{ formHelperText: { component: "div" } }}
          />
          <TextField
            label="Currency"
            value={currency}
            onChange={(event) => setCurrency(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 8 } }}
          />
          {asks && <WhatStays open={open} due={due} onChange={setDue} />}
          <NumberFields numbers={numbers} wrong={wrong} unit={height.unit} onChange={setNumbers} />
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button
          variant="contained"
          disabled={
            save.isPending || (asks && due === null) || NUMBERS.some(([name]) => wrong(name))
          }
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function asTyped(workday: Workday, length: (cm: number) => string) {
  return Object.fromEntries(
    NUMBERS.map(([name]) => {
      const now = workday[name];
      return [name, now === null ? "" : name === "shelf_cm" ? length(now) : String(now)];
    }),
  ) as Record<NumberName, string>;
}

/** What becomes of open orders when the kitchen's clock is another. */
function WhatStays(props: {
  open: number;
  due: DueStays | null;
  onChange: (due: DueStays) => void;
}) {
  return (
    <FormControl sx={{ gridColumn: "1 / -1" }}>
      <FormLabel id="what-stays">
        {props.open === 1
          ? "The open order is due"
          : `The ${String(props.open)} open orders are due`}
      </FormLabel>
      <RadioGroup
        aria-labelledby="what-stays"
        value={props.due ?? ""}
        onChange={(event) => props.onChange(event.target.value as DueStays)}
      >
        <FormControlLabel
          value="hour"
          control={<Radio />}
          label="At the hour they say, by the new clock"
        />
        <FormControlLabel
          value="moment"
          control={<Radio />}
          label="At the moment they are: the new clock shows another hour"
        />
      </RadioGroup>
    </FormControl>
  );
}

interface NumberFieldsProps {
  numbers: Record<NumberName, string>;
  wrong: (name: NumberName) => boolean;
  unit: string;
  onChange: (numbers: Record<NumberName, string>) => void;
}

function NumberFields({ numbers, wrong, unit, onChange }: NumberFieldsProps) {
  return NUMBERS.map(([name, label]) => (
    <TextField
      key={name}
      label={name === "shelf_cm" ? `${label}, ${unit}` : label}
      value={numbers[name]}
      onChange={(event) => onChange({ ...numbers, [name]: event.target.value })}
      error={wrong(name)}
      helperText={
        wrong(name) ? "This is no number." : numbers[name].trim() === "" ? UNSAID[name] : undefined
      }
    />
  ));
}
