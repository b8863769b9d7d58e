import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { answered, client } from "../../api/client";
import { ordersQuery, workdayQuery } from "../../api/queries/orders";
import { daysQuery } from "../../api/queries/running";
import { momentWords } from "../../domain/moments";
import { wakeSound } from "../../running/tones";
import { useStart } from "../../running/useStart";
import { chosenOf } from "../../orders/chosen";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

/** Days under way, what a day can be started from, and days that are over. */
export function DaysList() {
  const days = useQuery(daysQuery());
  const orders = useQuery(ordersQuery());
  const workday = useQuery(workdayQuery());
  const go = useNavigate();
  const start = useStart((day) => void go(`/day/${String(day.id)}`));
  const remove = useMutation({
    mutationFn: async (id: number) => {
      answered(await client.DELETE("/api/days/{day_id}", { params: { path: { day_id: id } } }));
    },
  });
  const zone = workday.data?.zone ?? "UTC";
  const open = days.data?.filter((one) => one.ended_at === null) ?? [];
  const over = days.data?.filter((one) => one.ended_at !== null) ?? [];
  const waiting = orders.data ?? [];
  const planned = chosenOf(waiting, null, zone);
  const begin = (ids: number[]) => start.begin({ orders: ids });
  return (
    <Room>
      <RoomHead title="Bake day" />
      {(days.isError || start.isError || remove.isError) && (
        <Alert severity="error" sx={{ mb: 2 }}>
          {(start.error ?? remove.error ?? days.error)?.message}
        </Alert>
      )}
      {open.length > 0 && <Section title="Under way">{open.map(row)}</Section>}
      <Section title="Start">
        {orders.isPending ? (
          <Waiting words="Fetching the orders" />
        ) : waiting.length === 0 ? (
          <Typography>
            No order is waiting. Open a{" "}
            <Box component={Link} to="/fit" sx={{ color: "inherit" }}>
              fit
            </Box>{" "}
            and choose “Bake it now”, or add an order.
          </Typography>
        ) : (
          <>
            {waiting.length > 1 && planned.length > 1 && (
              <Row
                words={`All that is planned: ${String(planned.length)} orders`}
                aside=""
                action="Start them together"
                onGo={() => begin(planned)}
                busy={start.isPending}
              />
            )}
            {waiting.map((one) => (
              <Row
                key={one.id}
                words={one.title}
                note={one.cakes.map(cakeWords).join(", ")}
                aside={momentWords(one.due, zone)}
                action="Start"
                label={`Start ${one.title}`}
                onGo={() => begin([one.id])}
                busy={start.isPending}
              />
            ))}
          </>
        )}
      </Section>
      {over.length > 0 && <Section title="Over">{over.slice(0, 10).map(row)}</Section>}
    </Room>
  );

  function row(one: { id: number; title: string; started_at: string; ended_at: string | null }) {
    return (
      <Row
        key={one.id}
        words={one.title}
        aside={momentWords(one.ended_at ?? one.started_at, zone)}
        action={one.ended_at ? "Look" : "Go on"}
        label={`${one.ended_at ? "Look at" : "Go on with"} ${one.title}`}
        onGo={() => {
          wakeSound();
          void go(`/day/${String(one.id)}`);
        }}
        busy={remove.isPending}
        onRemove={() => remove.mutate(one.id)}
      />
    );
  }
}

const cakeWords = (cake: { label: string; count: number }) =>
  cake.count > 1 ? `${String(cake.count)} × ${cake.label}` : cake.label;

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box component="section" sx={{ mb: 3 }}>
      <Typography component="h2" sx={{ fontWeight: 700, mb: 0.5 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function Row(props: {
  words: string;
  /** What is baked, under it. */
  note?: string;
  aside: string;
  action: string;
  label?: string;
  busy: boolean;
  onGo: () => void;
  onRemove?: () => void;
}) {
  const [sure, setSure] = useState(false);
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 1.5,
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 160 }}>
        <strong>{props.words}</strong>
        {props.note && (
          <Box component="span" sx={{ display: "block", color: "text.secondary" }}>
            {props.note}
          </Box>
        )}
      </Typography>
      <Typography color="textSecondary">{props.aside}</Typography>
      {props.onRemove && (
        <Button
          size="small"
          aria-label={`${sure ? "Really remove" : "Remove"} ${props.words}`}
          onClick={() => (sure ? props.onRemove?.() : setSure(true))}
          onBlur={() => setSure(false)}
        >
          {sure ? "Really remove?" : "Remove"}
        </Button>
      )}
      <Button
        variant="contained"
        disabled={props.busy}
        aria-label={props.label ?? props.action}
        onClick={props.onGo}
      >
        {props.action}
      </Button>
    </Box>
  );
}
