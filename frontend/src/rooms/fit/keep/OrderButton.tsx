import { Button } from "@mui/material";
import { Suspense, useState } from "react";
import { lazily } from "../../../ui/lazily";

import type { Fit } from "../../../api/client";
import { OrderIcon } from "../../../ui/icons";
import { SaidBar } from "../../../ui/SaidBar";
import type { FitChoicesInHand } from "../shared/useFitChoices";

// Nobody weighs for a calendar: what knows of time zones comes when an order is taken.
const OrderThisFit = lazily(() => import("./OrderThisFit").then((dialog) => dialog.OrderThisFit));

/** Order this fit as it stands: a due time, a name, done. */
export function OrderButton({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const [open, setOpen] = useState(false);
  const [ordered, setOrdered] = useState<string | null>(null);
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
      {open && (
        <Suspense>
          <OrderThisFit
            fit={fit}
            inHand={inHand}
            onOrdered={(title) => {
              setOpen(false);
              setOrdered(title);
            }}
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
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
