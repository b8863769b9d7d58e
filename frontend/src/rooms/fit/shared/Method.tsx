import { Box } from "@mui/material";

import type { FitStep } from "../../../api/client";

/** The method, with the amounts in its words as they are for this fit. */
export function Method({ steps }: { steps: readonly FitStep[] }) {
  return (
    <Box component="ol" sx={{ m: 0, pl: 3.5, "& li": { py: 0.4, lineHeight: 1.35 } }}>
      {steps.map((step) => (
        <li key={step.key}>
          {step.words.map((words, place) =>
            words.was ? (
              <span key={place}>
                <strong title={`${words.was} on the card`}>{words.text}</strong>
                {words.swapped_to && ` (${words.swapped_to})`}
              </span>
            ) : (
              <span key={place}>{words.text}</span>
            ),
          )}
        </li>
      ))}
    </Box>
  );
}
