import { Alert, Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { Link } from "react-router";

import type { Order } from "../../api/client";
import { choicesOf, searchOf } from "../../domain/fitChoices";
import { dayOf, daysFrom, dayWords, dueWords, mondayOf, timeOf } from "../../domain/moments";

interface OrdersListProps {
  orders: readonly Order[];
  zone: string;
  currency: string;
  chosen: readonly number[];
  withDone: boolean;
  onDone: () => void;
  /** Shows earlier ones that are done; null where all are shown. */
  onMore: (() => void) | null;
  onChoose: (ids: number[]) => void;
  onChange: (order: Order) => void;
  onCopy: (order: Order) => void;
  onCost: (order: Order) => void;
  onTick: (order: Order) => void;
  onRemove: (order: Order) => void;
}

const WEEKS = 5;

/** The address of a cake's label: dated by the plan, with a lot of due day and order. */
function labelSearch(
  cake: Order["cakes"][number],
  place: number,
  order: Order,
  zone: string,
): string {
  const search = cake.request ? searchOf(choicesOf(cake.request)) : new URLSearchParams();
  const day = dayOf(order.due, zone);
  search.set("l.order", `${String(order.id)}.${String(place)}`);
  search.set("l.lot", `L${day.replaceAll("-", "").slice(2)}-${String(order.id)}`);
  return search.toString();
}

/** The coming weeks, and every order with its cakes. */
export function OrdersList(props: OrdersListProps) {
  const { orders, zone, chosen, withDone, onDone, onChoose } = props;
  const today = dayOf(new Date(), zone);
  return (
    <Box
      sx={{
        display: "grid",
        gap: 2,
        alignItems: "start",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 5fr) minmax(0, 4fr)" },
      }}
    >
      <Box>
        <Calendar orders={orders} zone={zone} today={today} />
        <FormControlLabel
          control={<Checkbox checked={withDone} onChange={onDone} />}
          label="Show what is done"
        />
        {props.onMore && (
          <Button size="small" onClick={props.onMore}>
            Show earlier ones
          </Button>
        )}
      </Box>
      <Box component="ul" aria-label="Orders" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {orders.length === 0 && (
          <Typography component="li" sx={{ py: 2 }}>
            No order yet. Add one here, or in Fit with “Order”; then the days before it plan
            themselves.
          </Typography>
        )}
        {orders.map((order) => (
          <OrderRow
            key={order.id}
            {...props}
            order={order}
            planned={chosen.includes(order.id)}
            onPlanned={() =>
              onChoose(
                chosen.includes(order.id)
                  ? chosen.filter((one) => one !== order.id)
                  : [...chosen, order.id],
              )
            }
          />
        ))}
      </Box>
    </Box>
  );
}

function Calendar(props: { orders: readonly Order[]; zone: string; today: string }) {
  const { orders, zone, today } = props;
  const days = daysFrom(mondayOf(today), WEEKS * 7);
  return (
    <Box
      role="table"
      aria-label="The coming weeks"
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        overflow: "hidden",
      })}
    >
      {Array.from({ length: WEEKS }, (_, week) => (
        <Box key={week} role="row" sx={{ display: "grid", gridTemplateColumns: "repeat(7, 1fr)" }}>
          {days.slice(week * 7, week * 7 + 7).map((day) => {
            const due = orders.filter((order) => dayOf(order.due, zone) === day);
            return (
              <Box
                key={day}
                role="cell"
                aria-label={`${dayWords(day, true)}${due.length ? `: ${due.map((one) => one.title).join(", ")}` : ""}`}
                sx={(t) => ({
                  minHeight: { xs: 56, sm: 84 },
                  p: 0.5,
                  borderTop: week > 0 ? 1 : 0,
                  borderLeft: 1,
                  borderColor: "divider",
                  ml: "-1px",
                  minWidth: 0,
                  ...(day === today && { bgcolor: t.vars.palette.bench.butterTint }),
                })}
              >
                <Typography
                  component="span"
                  color={day < today ? "textSecondary" : "textPrimary"}
                  sx={{
                    fontSize: "size.tiny",
                    fontWeight: day === today ? 700 : 400,
                    whiteSpace: "nowrap",
                    letterSpacing: { xs: "-0.04em", sm: 0 },
                  }}
                >
                  {dayWords(day)}
                </Typography>
                {due.map((order) => (
                  <Typography
                    key={order.id}
                    sx={(t) => ({
                      fontSize: "size.tiny",
                      lineHeight: 1.25,
                      mt: 0.25,
                      px: 0.5,
                      borderLeft: `4px solid ${
                        order.done ? t.vars.palette.bench.track : t.vars.palette.bench.butter
                      }`,
                      overflow: "hidden",
                      textOverflow: "ellipsis",
                      textDecoration: order.done ? "line-through" : "none",
                    })}
                  >
                    {timeOf(order.due, zone)}
                    <Box component="span" sx={{ display: { xs: "none", sm: "inline" } }}>
                      {` ${order.title}`}
                    </Box>
                  </Typography>
                ))}
              </Box>
            );
          })}
        </Box>
      ))}
    </Box>
  );
}

function OrderRow(
  props: OrdersListProps & { order: Order; planned: boolean; onPlanned: () => void },
) {
  const { order, zone, currency, planned, onPlanned } = props;
  const named = (words: string) => `${words}: ${order.title}`;
  return (
    <Box
      component="li"
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        px: 2,
        py: 1.25,
        mb: 1.25,
      })}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1, flexWrap: "wrap" }}>
        <Typography component="h2" sx={{ fontWeight: 700, flex: 1, minWidth: 120 }}>
          {order.title}
        </Typography>
        <Typography sx={{ fontWeight: 700 }}>{dueWords(order.due, zone)}</Typography>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {[
          order.occasion,
          order.carried_in && `in ${order.carried_in}`,
          order.drive_min > 0 && `${String(order.drive_min)} min on the way`,
          order.sold && "sold",
          order.price !== null && `${order.price.toFixed(2)} ${currency} agreed`,
          order.done && "done",
        ]
          .filter(Boolean)
          .join(" · ")}
      </Typography>
      {order.cakes.map((cake, place) => (
        <Typography key={place} sx={{ mt: 0.5 }}>
          {cake.count > 1 ? `${String(cake.count)} × ` : ""}
          {cake.request ? (
            <Box
              component={Link}
              to={`/fit?${searchOf({ ...choicesOf(cake.request), order: order.id, orderCake: place }).toString()}`}
              title="Its pans, oven and finish"
              sx={{ color: "inherit" }}
            >
              {cake.label}
            </Box>
          ) : (
            `${cake.label} (damaged: order it anew)`
          )}
          {cake.inscription ? `, “${cake.inscription}”` : ""}
          {cake.request && (
            <Button
              size="small"
              component={Link}
              to={`/label?${labelSearch(cake, place, order, zone)}`}
              aria-label={`Label: ${cake.label}, ${order.title}`}
              sx={{ ml: 1 }}
            >
              Label
            </Button>
          )}
          {cake.moved_on ? " · its card has a newer revision; this order keeps its own" : ""}
        </Typography>
      ))}
      {order.cakes.length === 0 && (
        <Typography color="textSecondary">No cake yet: change it to add one.</Typography>
      )}
      {order.note && <Typography sx={{ mt: 0.5, whiteSpace: "pre-line" }}>{order.note}</Typography>}
      {order.cautions.map((words) => (
        <Alert key={words} severity="warning" sx={{ mt: 1 }}>
          {words}
        </Alert>
      ))}
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", mt: 0.5 }}>
        <FormControlLabel
          control={<Checkbox checked={planned} onChange={onPlanned} />}
          label="Plan it"
        />
        <Button size="small" onClick={() => props.onChange(order)} aria-label={named("Change")}>
          Change
        </Button>
        <Button size="small" onClick={() => props.onCopy(order)} aria-label={named("Copy")}>
          Copy
        </Button>
        <Button size="small" onClick={() => props.onCost(order)} aria-label={named("Cost")}>
          Cost
        </Button>
        <Button size="small" onClick={() => props.onTick(order)} aria-label={named("Done")}>
          {order.done ? "Not done" : "Done"}
        </Button>
        <Button size="small" onClick={() => props.onRemove(order)} aria-label={named("Remove")}>
          Remove
        </Button>
      </Box>
    </Box>
  );
}
