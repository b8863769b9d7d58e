import { Alert } from "@mui/material";

import type { RackPan } from "../../api/client";
import { inInches } from "../../domain/units";
import { TypedPan } from "../../pans/form/TypedPan";
import { useBase } from "../../ui/useBase";
import type { RackActions } from "./useRack";

/** The measures of a pan of the rack, or of a new one where there is none. */
export function PanForm(props: { pan: RackPan | null; actions: RackActions; onDone: () => void }) {
  const { pan, actions, onDone } = props;
  const base = useBase(pan, actions.save.error);
  return (
    <>
      {actions.save.isError && <Alert severity="error">{actions.save.error.message}</Alert>}
      <TypedPan
        whole
        button={pan ? "Keep the change" : "Put it on the rack"}
        {...(pan
          ? { initial: { label: pan.label, measures: pan.measures }, inches: pan.inches }
          : {})}
        onAdd={(_, __, typed) =>
          actions.save.mutate(
            {
              was: pan && { id: pan.id, base },
              pan: typed,
              owned: pan?.owned ?? 1,
              inches: inInches(typed),
            },
            { onSuccess: onDone },
          )
        }
      />
    </>
  );
}
