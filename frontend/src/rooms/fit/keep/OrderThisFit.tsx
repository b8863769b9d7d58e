import { Dialog } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { Fit } from "../../../api/client";
import { workdayQuery } from "../../../api/queries/orders";
import { requestOf } from "../../../domain/fitChoices";
import { blankOrder } from "../../../orders/blank";
import { OrderForm } from "../../../orders/OrderForm";
import { useOrders } from "../../../orders/useOrders";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { suggestionFor } from "./naming";

/** The form of an order that starts with this fit. */
export function OrderThisFit(props: {
  fit: Fit;
  inHand: FitChoicesInHand;
  onOrdered: (title: string) => void;
  onClose: () => void;
}) {
  const { fit, inHand, onOrdered, onClose } = props;
  const day = useQuery(workdayQuery());
  const { add } = useOrders();
  const request = requestOf(inHand.choices);
  if (!day.data || !request) return null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="order-title">
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
        onSave={(order) => add.mutate(order, { onSuccess: () => onOrdered(order.title) })}
        onClose={onClose}
      />
    </Dialog>
  );
}
