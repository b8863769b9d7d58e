import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Order, OrderCost, Workday } from "../../api/client";
import { costQuery } from "../../api/queries/orders";
import { clock, listed } from "../../domain/numbers";
import { Figure } from "../../ui/Figure";
import { WorkdayDialog } from "./WorkdayDialog";

/** What an order costs, part by part, and two ways to a price. */
export function CostDialog(props: { order: Order; workday: Workday; onClose: () => void }) {
  const { order, workday, onClose } = props;
  const cost = useQuery(costQuery(order.id));
  const [rates, setRates] = useState(false);
  const incomplete = cost.data?.cakes.some((cake) => cake.without_price.length > 0) ?? false;
  const money = (value: number) => `${value.toFixed(2)} ${workday.currency}`;
  return (
    <Dialog open onClose={onClose} aria-labelledby="cost-title" fullWidth maxWidth="sm">
      <DialogTitle id="cost-title">What {order.title} costs</DialogTitle>
      <DialogContent>
        {cost.isError && <Alert severity="error">{cost.error.message}</Alert>}
        {cost.isPending && <LinearProgress aria-label="Adding up" />}
        {cost.data?.cakes.map((cake, place) => (
          <CakeCost key={place} cake={cake} money={money} />
        ))}
        {cost.data?.asked && (
          <Alert severity={cost.data.asked.over < 0 ? "warning" : "info"}>
            {cost.data.asked.words}
          </Alert>
        )}
        {cost.data && cost.data.cakes.length > 0 && (
          <Typography sx={{ mt: 1, fontWeight: 700 }}>
            {`All together ${incomplete ? "at least " : ""}${money(cost.data.total)}; with the margin ${money(cost.data.by_margin)}`}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => setRates(true)}>Wage, energy, margin</Button>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
      {rates && <WorkdayDialog workday={workday} onClose={() => setRates(false)} />}
    </Dialog>
  );
}

function CakeCost(props: { cake: OrderCost["cakes"][number]; money: (value: number) => string }) {
  const { cake, money } = props;
  return (
    <Box component="section" aria-label={cake.label} sx={{ mb: 2 }}>
      <Typography component="h3" sx={{ fontWeight: 700 }}>
        {cake.count > 1 ? `${cake.label}, one of ${String(cake.count)}` : cake.label}
      </Typography>
      <Box
        aria-hidden
        sx={{ display: "flex", height: 22, my: 0.75, borderRadius: 1, overflow: "hidden" }}
      >
        {cake.parts
          .filter((part) => part.sum > 0)
          .map((part, place) => (
            <Box
              key={part.key}
              sx={(t) => ({
                flex: part.sum,
                bgcolor: part.assumed
                  ? "transparent"
                  : place % 2
                    ? t.vars.palette.bench.butter
                    : t.vars.palette.bench.batter,
                border: `1.5px ${part.assumed ? "dotted" : "solid"} ${t.vars.palette.bench.rim}`,
              })}
            />
          ))}
      </Box>
      <Box
        component="table"
        aria-label={`Parts of the cost of ${cake.label}`}
        sx={{ width: "100%" }}
      >
        <tbody>
          {cake.parts.map((part) => (
            <tr key={part.key}>
              <td>{part.name}</td>
              <Box component="td" sx={{ textAlign: "right" }}>
                <Figure from={part.origin}>{money(part.sum)}</Figure>
              </Box>
            </tr>
          ))}
          <tr>
            <td>
              <strong>Cost</strong>
            </td>
            <Box component="td" sx={{ textAlign: "right" }}>
              <strong>{money(cake.total)}</strong>
            </Box>
          </tr>
        </tbody>
      </Box>
      <Typography>
        {`By cost and margin ${cake.without_price.length > 0 ? "at least " : ""}${money(cake.by_margin)}${
          cake.by_portion === null
            ? ""
            : `; by ${String(cake.portions)} portions ${money(cake.by_portion)}`
        }. Hands ${clock(cake.hands_min)}.`}
        {cake.each !== null && ` ${money(cake.each)} each.`}
      </Typography>
      {cake.below_cost && (
        <Alert severity="warning">By portions it does not pay what it costs.</Alert>
      )}
      {cake.hands_left_out && (
        <Alert severity="warning">
          Hands cost nothing here: whatever is over is wage, and no profit.
        </Alert>
      )}
      {cake.without_price.length > 0 && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          {`Without a price, and not counted: ${listed(cake.without_price.map((one) => one.toLowerCase()))}.`}
        </Typography>
      )}
    </Box>
  );
}
