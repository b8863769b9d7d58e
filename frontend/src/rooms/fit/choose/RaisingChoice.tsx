import { Box } from "@mui/material";

import type { Fit } from "../../../api/client";
import type { Raising } from "../../../domain/fitChoices";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import type { FitChoicesInHand } from "../shared/useFitChoices";

const SCHOOLS: readonly { value: Raising; label: string; does: string }[] = [
  {
    value: "proportion",
    label: "In proportion",
    does: "Baking powder grows with the flour, as most recipes do.",
  },
  {
    value: "less",
    label: "Less in large pans",
    does: "Some bakers hold back: a flatter top, less taste of raising, a little less rise.",
  },
];

/** Two schools of baking powder, where these pans make a difference. */
export function RaisingChoice(props: { fit: Fit; choose: FitChoicesInHand["choose"] }) {
  const { fit, choose } = props;
  if (!fit.raising_bites && fit.raising === "proportion") return null;
  const chosen = SCHOOLS.find((one) => one.value === fit.raising);
  return (
    <Box sx={{ color: "text.secondary", fontSize: "size.small" }}>
      Baking powder:{" "}
      <Opens label="Baking powder" words={chosen?.label.toLowerCase() ?? ""} quiet>
        {() => (
          <PickList<Raising>
            label="Baking powder"
            value={fit.raising}
            options={SCHOOLS}
            onChange={(raising) => choose({ raising })}
          />
        )}
      </Opens>
    </Box>
  );
}
