import { Alert, Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";

import type { OrderTyped } from "../api/client";
import { worthQuery } from "../api/queries/orders";
import { clock, listed } from "../domain/numbers";

/** What an order comes to while it is typed: who it feeds, its price, its hands, its day. */
export function Worth({ typed, order }: { typed: OrderTyped; order?: number | undefined }) {
  const { due, cakes, drive_min, price } = typed;
  const asked = useDeferredValue({ title: "", due, cakes, drive_min, price });
  const worth = useQuery(worthQuery(asked, order ?? null));
  if (worth.isError) return <Alert severity="warning">{worth.error.message}</Alert>;
  const { data } = worth;
  if (!data) return null;
  const money = (value: number) => `${value.toFixed(2)} ${data.cost.currency}`;
  const feeds = data.cost.cakes.map((one) => (one.portions ?? 0) * one.count);
  const least = data.cost.cakes.some((one) => one.without_price.length > 0) ? "at least " : "";
  const full = data.day_hands_min > data.hours_min;
  return (
    <Box
      component="section"
      aria-label="What it comes to"
      aria-busy={worth.isFetching}
      sx={(t) => ({
        p: 1.25,
        borderRadius: 1.5,
        borderLeft: `4px solid ${full ? t.vars.palette.bench.caution : t.vars.palette.bench.butter}`,
        bgcolor: t.vars.palette.bench.butterTint,
      })}
    >
      <Typography>
        {feeds.every((one) => one > 0) && (
          <>
            Feeds <strong>{feeds.reduce((sum, one) => sum + one, 0)}</strong>
            {" · "}
          </>
        )}
        with the margin {least}
        <strong>{money(data.cost.by_margin)}</strong>
        {" · "}
        <strong>{clock(data.hands_min)}</strong> of hands
      </Typography>
      {data.cost.cakes.map(
        (one, place) =>
          one.each !== null && (
            <Typography key={place} sx={{ fontSize: "size.small" }}>
              {one.label}: {least}
              {money(one.each)} each
            </Typography>
          ),
      )}
      {data.cost.asked && (
        <Typography
          role="status"
          sx={{ fontSize: "size.small", fontWeight: data.cost.asked.over < 0 ? 700 : 400 }}
        >
          {data.cost.asked.words}
        </Typography>
      )}
      <Typography
        color={full ? "textPrimary" : "textSecondary"}
        sx={{ fontSize: "size.small", fontWeight: full ? 700 : 400 }}
      >
        {data.beside.length > 0 && `With ${listed(data.beside)}: `}
        {clock(data.day_hands_min)} of hands, {clock(data.hours_min)} are there on that day and the
        working day before{full ? ": more than can be done." : "."}
      </Typography>
    </Box>
  );
}
