import { Box } from "@mui/material";
import type { ReactNode } from "react";

import type { FinishedCake } from "../api/client";
import type { Units } from "../domain/units";
import { Opens } from "../ui/Opens";
import type { FinishingInHand, FinishWord } from "./finishing";

/** What a word of the line is told of: the first cake, the choices, the units of the kitchen. */
export interface WordProps {
  cake: FinishedCake;
  finishing: FinishingInHand;
  units: Units;
}

interface OpensProps {
  name: FinishWord;
  about: string;
  words: string;
  finishing: FinishingInHand;
  children: ReactNode;
}

/** A word of the line; it opens what it can be. */
export function Word({ name, about, words, finishing, children }: OpensProps) {
  return (
    <Box component="span" sx={{ mr: 1.25 }}>
      <Opens
        label={about}
        words={words}
        opened={finishing.open === name}
        onClosed={() => finishing.setOpen(null)}
      >
        {() => <Box sx={{ display: "grid", gap: 1.25 }}>{children}</Box>}
      </Opens>
    </Box>
  );
}
