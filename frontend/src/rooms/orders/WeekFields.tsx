import { Box, TextField, Typography } from "@mui/material";

import type { Workday } from "../../api/client";
import { Choice } from "../../ui/Choice";

type Week = Workday["week"];

const DAYS = [
  "Monday",
  "Tuesday",
  "Wednesday",
  "Thursday",
  "Friday",
  "Saturday",
  "Sunday",
] as const;

const KINDS = [
  { value: "usual", label: "usual" },
  { value: "own", label: "own" },
  { value: "closed", label: "free" },
] as const;

type Kind = (typeof KINDS)[number]["value"];

interface WeekFieldsProps {
  week: Week;
  /** What a day gets at first when it has hours of its own. */
  usual: { opens: string; closes: string };
  onChange: (week: Week) => void;
}

/** Days of the week with hours of their own, or free. */
export function WeekFields({ week, usual, onChange }: WeekFieldsProps) {
  const rest = (day: number) => week.filter((one) => one.day !== day);
  const put = (one: Week[number]) =>
    onChange([...rest(one.day), one].sort((left, right) => left.day - right.day));
  return (
    <Box component="section" aria-label="Days of the week" sx={{ gridColumn: "1 / -1" }}>
      <Typography component="h3" sx={{ fontWeight: 700, mb: 0.5 }}>
        Days of the week
      </Typography>
      {DAYS.map((name, day) => {
        const own = week.find((one) => one.day === day);
        const kind: Kind = !own ? "usual" : own.opens === null ? "closed" : "own";
        const choose = (next: Kind) => {
          if (next === "usual") onChange(rest(day));
          else put({ day, opens: null, closes: null, ...(next === "own" ? usual : {}) });
        };
        return (
          <Box
            key={name}
            sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, py: 0.25 }}
          >
            <Typography sx={{ minWidth: 92 }}>{name}</Typography>
            <Choice label={name} size="small" value={kind} options={KINDS} onChange={choose} />
            {own?.opens != null && own.closes != null && (
              <>
                <Clock
                  label={`${name} from`}
                  value={own.opens}
                  onChange={(opens) => put({ ...own, opens })}
                />
                <Clock
                  label={`${name} to`}
                  value={own.closes}
                  onChange={(closes) => put({ ...own, closes })}
                />
              </>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

function Clock(props: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <TextField
      type="time"
      size="small"
      value={props.value}
      onChange={(event) => props.onChange(event.target.value)}
      sx={{ width: 138 }}
      slotProps={{ htmlInput: { "aria-label": props.label } }}
    />
  );
}
