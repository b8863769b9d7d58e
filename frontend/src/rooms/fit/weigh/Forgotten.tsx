import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import type { MethodNotes } from "../../../api/client";

/** Forgot something? Tap it: until when it can still go in, and how. */
export function Forgotten({ late }: { late: MethodNotes["late"] }) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const one = chosen === null ? undefined : late[chosen];
  if (late.length === 0) return null;
  return (
    <Box className="no-print" sx={{ mt: 1 }}>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Forgot something?
      </Button>
      {open && (
        <Box component="section" aria-label="Forgot something?">
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75 }}>
            {late.map((line, place) => (
              <Button
                key={`${String(place)} ${line.name}`}
                size="small"
                variant={place === chosen ? "contained" : "outlined"}
                aria-pressed={place === chosen}
                onClick={() => setChosen(place === chosen ? null : place)}
              >
                {line.name}
              </Button>
            ))}
          </Box>
          <Typography aria-live="polite" sx={{ mt: 0.75, minHeight: "1.4em" }}>
            {one?.text ?? "Which of them is still on the bench?"}
          </Typography>
        </Box>
      )}
    </Box>
  );
}
