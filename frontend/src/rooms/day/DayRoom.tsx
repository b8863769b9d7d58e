import { Alert } from "@mui/material";
import { useEffect } from "react";
import { useParams } from "react-router";

import { DaysList } from "./DaysList";
import { RunSheet } from "./RunSheet";
import { standBy } from "../../offline/keeping";
import { useDay } from "../../running/useDay";
import { Waiting } from "../../ui/Waiting";

/** Bake day: days to choose from, or the run sheet of one. */
export function DayRoom() {
  const { id } = useParams();
  const number = Number(id);
  useEffect(standBy, []);
  if (!id || !Number.isInteger(number) || number < 1) return <DaysList />;
  return <OneDay key={number} id={number} />;
}

function OneDay({ id }: { id: number }) {
  const running = useDay(id);
  if (running.day.data) return <RunSheet day={running.day.data} running={running} />;
  if (running.day.isError) {
    return (
      <>
        <Alert severity="error" sx={{ m: 3 }}>
          {running.day.error.message}
        </Alert>
        <DaysList />
      </>
    );
  }
  return <Waiting words="Opening the day" />;
}
