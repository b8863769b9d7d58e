import { Alert, Button, Snackbar } from "@mui/material";
import { useNavigate } from "react-router";

import type { Fit } from "../../../api/client";
import { requestOf } from "../../../domain/fitChoices";
import { useStart } from "../../../running/useStart";
import { StartIcon } from "../../../ui/icons";
import type { FitChoicesInHand } from "../shared/useFitChoices";

/** Start this fit at once: its run sheet opens. */
export function BakeNowButton({ fit, inHand }: { fit: Fit; inHand: FitChoicesInHand }) {
  const go = useNavigate();
  const start = useStart((day) => void go(`/day/${String(day.id)}`));
  const request = requestOf(inHand.choices);
  return (
    <>
      <Button
        startIcon={<StartIcon />}
        disabled={fit.factor === null || !request || start.isPending}
        onClick={() => request && start.begin({ fit: request, orders: [] })}
      >
        Bake it now
      </Button>
      <Snackbar open={start.isError} onClose={() => start.reset()}>
        <Alert severity="error" onClose={() => start.reset()}>
          {start.error?.message}
        </Alert>
      </Snackbar>
    </>
  );
}
