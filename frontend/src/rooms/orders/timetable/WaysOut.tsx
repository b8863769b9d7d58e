import { Box, Button, Typography } from "@mui/material";
import { Fragment } from "react";
import { Link } from "react-router";

import type { DayPlan, Order } from "../../../api/client";
import { choicesOf, searchOf } from "../../../domain/fitChoices";
import { listed } from "../../../domain/numbers";

/** Which wishes cannot hold together, and what would help; taken with one tap. */
export function WaysOut(props: {
  days: DayPlan;
  orders: readonly Order[];
  onTake: (way: DayPlan["ways_out"][number]) => void;
}) {
  const { days, orders, onTake } = props;
  if (days.left_out.length === 0) return null;
  const stuck = days.clash.map((one) => one.title);
  return (
    <Box
      component="section"
      aria-label="It cannot be done"
      sx={(t) => ({
        border: `2px solid ${t.vars.palette.bench.caution}`,
        borderRadius: 2,
        p: 1.5,
        my: 1,
        bgcolor: "background.paper",
      })}
    >
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        {days.impossible
          ? `${listed(stuck)} cannot be done ${stuck.length > 1 ? "together" : "in these hours"}.`
          : `No plan was found for ${listed(stuck)}${stuck.length > 1 ? " together" : " in these hours"}.`}
      </Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {`Not drawn below: ${listed([...new Set(days.left_out.map((one) => one.order))])}. Stuck first at “${days.left_out[0]?.words ?? ""}”.`}
      </Typography>
      {days.ways_out.length === 0 ? (
        <Typography sx={{ mt: 1 }}>
          No single change helps: leave an order out, or give two of them another day.
        </Typography>
      ) : (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
          {days.ways_out.map((way) => (
            <Button key={way.words} variant="outlined" onClick={() => onTake(way)}>
              {way.words}
            </Button>
          ))}
        </Box>
      )}
      <OtherPans
        orders={orders.filter((order) => days.clash.some((one) => one.order === order.id))}
      />
    </Box>
  );
}

/** Ways to the pans of each cake that clashes; other pans may need fewer mixes or turns. */
function OtherPans({ orders }: { orders: readonly Order[] }) {
  const cakes = orders.flatMap((order) =>
    order.cakes.flatMap((cake, orderCake) =>
      cake.request
        ? [
            {
              name: `${cake.label} (${order.title})`,
              to: `/fit?${searchOf({ ...choicesOf(cake.request), order: order.id, orderCake }).toString()}`,
            },
          ]
        : [],
    ),
  );
  if (cakes.length === 0) return null;
  return (
    <Typography sx={{ mt: 1, fontSize: "size.small" }}>
      Other pans may need fewer mixes or turns:{" "}
      {cakes.map(({ name, to }, place) => (
        <Fragment key={`${String(place)}-${name}`}>
          {place > 0 && ", "}
          <Box component={Link} to={to} sx={{ color: "inherit" }}>
            {name}
          </Box>
        </Fragment>
      ))}
      .
    </Typography>
  );
}
