import { Box, Button, Typography } from "@mui/material";

import type { DayPlan } from "../../../api/client";
import { dayOf, dayWords, timeOf } from "../../../domain/moments";

const LANES = { hands: "hands", oven: "oven", fridge: "fridge", stands: "by itself" } as const;

/** The same days as a list, a table for each day; for a screen reader and for print. */
export function PlanList({ days, onChoose }: { days: DayPlan; onChoose: (key: string) => void }) {
  const dates = [...new Set(days.tasks.map((one) => dayOf(one.start, days.zone)))];
  return (
    <>
      {dates.map((date) => (
        <Box key={date} sx={{ breakAfter: "page", mb: 2 }}>
          <Typography component="h2" sx={{ fontWeight: 700 }}>
            {dayWords(date, true)}
          </Typography>
          <Box
            component="table"
            aria-label={dayWords(date, true)}
            sx={{ width: "100%", borderCollapse: "collapse", "& td": { py: 0.5, pr: 1.5 } }}
          >
            <tbody>
              {days.tasks
                .filter((one) => dayOf(one.start, days.zone) === date)
                .map((one) => (
                  <Box
                    component="tr"
                    key={one.key}
                    sx={{ borderBottom: 1, borderColor: "divider" }}
                  >
                    <td>
                      {timeOf(one.start, days.zone)}–{timeOf(one.end, days.zone)}
                    </td>
                    <td>{one.oven ?? LANES[one.lane]}</td>
                    <td>
                      <Button
                        size="small"
                        onClick={() => onChoose(one.key)}
                        sx={{ textAlign: "left", justifyContent: "flex-start" }}
                      >
                        {one.words}
                      </Button>
                      {one.done ? " · done" : one.fixed ? " · put here" : ""}
                    </td>
                    <td>{one.order}</td>
                  </Box>
                ))}
            </tbody>
          </Box>
        </Box>
      ))}
    </>
  );
}
