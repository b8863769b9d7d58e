import { Alert, Dialog } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";

import type { Order, OrderTyped } from "../../api/client";
import { DONE_PAGE, ordersQuery, workdayQuery } from "../../api/queries/orders";
import { blankOrder } from "../../orders/blank";
import { OrderForm } from "../../orders/OrderForm";
import { typedOf, useOrders } from "../../orders/useOrders";
import { Choice } from "../../ui/Choice";
import { NextButton } from "../../ui/NextButton";
import { SaidBar } from "../../ui/SaidBar";
import { CostDialog } from "./CostDialog";
import { OrdersList } from "./OrdersList";
import { ShoppingView } from "./ShoppingView";
import { TimetableView } from "./timetable/TimetableView";
import { chosenOf } from "../../orders/chosen";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

const VIEWS = [
  { value: "orders", label: "Orders" },
  { value: "timetable", label: "Timetable" },
  { value: "shopping", label: "Shopping" },
] as const;

type View = (typeof VIEWS)[number]["value"];

type Editing =
  | { kind: "none" }
  | { kind: "new"; start: OrderTyped }
  | { kind: "change"; order: Order }
  | { kind: "cost"; order: Order };

/** Orders by when they are due, the days they are planned for, and what they are bought for. */
export function OrdersRoom() {
  const [params, setParams] = useSearchParams();
  const view = VIEWS.find((one) => one.value === params.get("view"))?.value ?? "orders";
  const withDone = params.get("done") === "yes";
  const [most, setMost] = useState(DONE_PAGE);
  const orders = useQuery(ordersQuery(withDone, most));
  const day = useQuery(workdayQuery());
  const actions = useOrders();
  const [editing, setEditing] = useState<Editing>({ kind: "none" });
  const [taken, setTaken] = useState<Order | null>(null);
  const set = (changes: Record<string, string | null>) =>
    setParams((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries(changes)) {
        if (value === null) next.delete(name);
        else next.set(name, value);
      }
      return next;
    });
  if (orders.isError || day.isError) {
    return (
      <Room>
        <RoomHead title="Orders" />
        <Alert severity="error">{(orders.error ?? day.error)?.message}</Alert>
      </Room>
    );
  }
  if (!orders.data || !day.data) return <Waiting words="Opening the orders" />;
  const zone = day.data.zone;
  const rows = orders.data;
  const chosen = chosenOf(rows, params.get("chosen"), zone);
  const close = () => {
    actions.add.reset();
    actions.change.reset();
    setEditing({ kind: "none" });
  };
  const save = (typed: OrderTyped) => {
    if (editing.kind === "change") {
      actions.change.mutate({ order: editing.order, typed }, { onSuccess: close });
    } else actions.add.mutate(typed, { onSuccess: close });
  };
  const error = (editing.kind === "change" ? actions.change.error : actions.add.error)?.message;
  return (
    <Room>
      <RoomHead
        title="Orders"
        views={
          <Choice
            label="What to look at"
            value={view}
            options={VIEWS}
            onChange={(next: View) => set({ view: next === "orders" ? null : next })}
          />
        }
        main={
          <NextButton onClick={() => setEditing({ kind: "new", start: blankOrder(zone) })}>
            Add an order
          </NextButton>
        }
      />
      {view === "orders" && (
        <OrdersList
          orders={rows}
          zone={zone}
          currency={day.data.currency}
          chosen={chosen}
          withDone={withDone}
          onMore={
            withDone && orders.data.filter((one) => one.done).length >= most
              ? () => setMost(most + DONE_PAGE)
              : null
          }
          onDone={() => set({ done: withDone ? null : "yes" })}
          onChoose={(ids) => set({ chosen: ids.join(",") })}
          onChange={(order) => setEditing({ kind: "change", order })}
          onCost={(order) => setEditing({ kind: "cost", order })}
          onCopy={(order) => setEditing({ kind: "new", start: copyOf(order) })}
          onTick={(order) =>
            actions.change.mutate({ order, typed: { ...typedOf(order), done: !order.done } })
          }
          onRemove={(order) => actions.remove.mutate(order, { onSuccess: () => setTaken(order) })}
        />
      )}
      {view === "timetable" && <TimetableView orders={rows} chosen={chosen} workday={day.data} />}
      {view === "shopping" && <ShoppingView chosen={chosen} />}
      <Dialog
        open={editing.kind === "new" || editing.kind === "change"}
        onClose={close}
        fullWidth
        maxWidth="sm"
        aria-labelledby="order-title"
      >
        {(editing.kind === "new" || editing.kind === "change") && (
          <OrderForm
            title={editing.kind === "new" ? "Add an order" : "Change the order"}
            start={editing.kind === "new" ? editing.start : typedOf(editing.order)}
            zone={zone}
            {...(editing.kind === "change" ? { id: editing.order.id } : {})}
            error={error ?? null}
            busy={actions.add.isPending || actions.change.isPending}
            onSave={save}
            onClose={close}
          />
        )}
      </Dialog>
      {editing.kind === "cost" && (
        <CostDialog order={editing.order} workday={day.data} onClose={close} />
      )}
      <SaidBar
        said={
          taken && {
            words: `“${taken.title}” is taken away.`,
            undo: () => actions.add.mutate(typedOf(taken)),
          }
        }
        onDone={() => setTaken(null)}
      />
    </Room>
  );
}

function copyOf(order: Order): OrderTyped {
  return { ...typedOf(order), title: `${order.title}, again`.slice(0, 80), done: false };
}
