import { Button, Dialog } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Fit } from "../../../api/client";
import { workdayQuery } from "../../../api/queries/orders";
import { requestOf } from "../../../domain/fitChoices";
import { blankOrder } from "../../../orders/blank";
import { OrderForm } from "../../../orders/OrderForm";
import { useOrders } from "../../../orders/useOrders";
import { OrderIcon } from "../../../ui/icons";
import { SaidBar } from "../../../ui/SaidBar";
import type { FitChoicesInHand } from "../useFitChoices";
import { suggestionFor } from "./naming";

/** Order this fit as it stands: a due time, a name, done. */
export function OrderButton({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const [open, setOpen] = useState(false);
  const [ordered, setOrdered] = useState<string | null>(null);
  const day = useQuery({ ...workdayQuery(), enabled: open });
  const { add } = useOrders();
  const request = requestOf(inHand.choices);
  const close = () => {
    add.reset();
    setOpen(false);
  };
  return (
    <>
      <Button
        startIcon={<OrderIcon />}
        aria-haspopup="dialog"
        disabled={fit.factor === null}
        onClick={() => setOpen(true)}
      >
        Order
      </Button>
      <Dialog
        open={open && day.data !== undefined}
        onClose={close}
        fullWidth
        maxWidth="sm"
        aria-labelledby="order-title"
      >
        {day.data && request && (
          <OrderForm
            title="Order this fit"
            start={{
              ...blankOrder(day.data.zone),
              title: suggestionFor(fit).slice(0, 80),
              cakes: [{ fit: request, label: fit.recipe.title, count: 1 }],
            }}
            zone={day.data.zone}
            error={add.error?.message ?? null}
            busy={add.isPending}
            onSave={(order) =>
              add.mutate(order, {
                onSuccess: () => {
                  close();
                  setOrdered(order.title);
                },
              })
            }
            onClose={close}
          />
        )}
      </Dialog>
      <SaidBar
        said={
          ordered === null
            ? null
            : { words: `“${ordered}” is ordered. It stands in Orders.`, undo: null }
        }
        onDone={() => setOrdered(null)}
      />
    </>
  );
}
