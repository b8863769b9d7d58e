import { Alert, Box, Button } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { ordersQuery, workdayQuery } from "../../../api/queries/orders";
import { asksFor, choicesOf, requestOf } from "../../../domain/fitChoices";
import { dueWords } from "../../../domain/moments";
import { typedOf, useOrders } from "../../../orders/useOrders";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** Says whose cake this fit is, and puts what was changed of it into the order. */
export function ForOrder({ inHand }: { inHand: FitChoicesInHand }) {
  const { choices, choose } = inHand;
  const orders = useQuery(ordersQuery()).data;
  const zone = useQuery(workdayQuery()).data?.zone;
  const { change } = useOrders();
  const request = requestOf(choices);
  if (!orders || zone === undefined || request === null) return null;
  const order = orders.find((one) => one.id === choices.order);
  const place = choices.orderCake ?? 0;
  const was = order?.cakes[place]?.request;
  const damaged = order?.cakes.some((one) => one.request === null) ?? false;
  if (!order || !was || damaged)
    return (
      <Alert severity="info">
        The order of this cake is done, gone or damaged: change it in Orders.
      </Alert>
    );
  const same = asksFor(choices, was);
  const put = () => {
    const typed = typedOf(order);
    const cakes = (typed.cakes ?? []).map((one, i) =>
      i === place ? { ...one, fit: request } : one,
    );
    // As the order has it from then on, so that nothing of it reads as changed.
    change.mutate(
      { order, typed: { ...typed, cakes } },
      {
        onSuccess: ({ cakes: kept }) => {
          const now = kept[place]?.request;
          if (now) choose({ ...choicesOf(now), ...its(choices) });
        },
      },
    );
  };
  return (
    <Box component="section" aria-label="The order of this cake" sx={{ mx: 2, mb: 1 }}>
      <Alert
        severity={change.isError ? "error" : same ? "info" : "warning"}
        sx={{
          flexWrap: "wrap",
          "& .MuiAlert-message": { flex: "1 1 220px" },
          "& .MuiAlert-action": { pl: 0, whiteSpace: "nowrap" },
        }}
        action={
          same ? (
            <Button component={Link} to="/orders">
              Back to orders
            </Button>
          ) : (
            <>
              <Button onClick={() => choose({ ...choicesOf(was), ...its(choices) }, "history")}>
                As it was
              </Button>
              <Button variant="contained" disabled={change.isPending} onClick={put}>
                Put into the order
              </Button>
            </>
          )
        }
      >
        {change.isError
          ? change.error.message
          : `${order.title}, ${dueWords(order.due, zone)}: ${
              same ? "this is its cake." : "changed here, not yet in the order."
            }`}
      </Alert>
    </Box>
  );
}

/** What says whose cake it is. */
const its = ({ order, orderCake }: FitChoicesInHand["choices"]) => ({ order, orderCake });
