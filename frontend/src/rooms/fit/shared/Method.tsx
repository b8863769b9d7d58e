import { Box } from "@mui/material";

import type { FitStep, MethodNotes } from "../../../api/client";
import { StageChips } from "./StageChips";

interface MethodProps {
  steps: readonly FitStep[];
  /** What the steps ask for. */
  notes: MethodNotes;
  /** Whether the stages are drawn, each opening what to see; paper has the words alone. */
  drawn?: boolean;
}

/** The method, with the amounts in its words as they are for this fit, and what to mind. */
export function Method({ steps, notes, drawn = false }: MethodProps) {
  return (
    <Box component="ol" sx={{ m: 0, pl: 3.5, "& > li": { py: 0.4, lineHeight: 1.35 } }}>
      {steps.map((step) => {
        const told = notes.steps.find((one) => one.key === step.key);
        return (
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
            {told?.guards.map((text) => (
              <Box
                key={text}
                role="note"
                sx={(t) => ({
                  mt: 0.25,
                  pl: 1,
                  borderLeft: `3px solid ${t.vars.palette.bench.heat}`,
                  fontSize: "size.note",
                })}
              >
                {text}
              </Box>
            ))}
            {drawn && told && told.stages.length > 0 && (
              <StageChips
                stages={notes.stages.filter((one) => told.stages.includes(one.key))}
                step={step.key}
              />
            )}
          </li>
        );
      })}
    </Box>
  );
}
