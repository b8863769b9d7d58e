import { Box, Button, Snackbar } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { dropDraft, keepDraft, newDrafts } from "../drafts";
import type { Draft } from "../drafts";

/** Cards that were begun and not saved: they wait here, on this device. */
export function UnsavedCards() {
  const [drafts, setDrafts] = useState(newDrafts);
  const [dropped, setDropped] = useState<{ name: string; draft: Draft } | null>(null);
  return (
    <>
      {drafts.length > 0 && (
        <Box
          component="ul"
          aria-label="Not saved yet"
          sx={(t) => ({
            listStyle: "none",
            m: 0,
            mb: 1,
            px: 2,
            py: 0.25,
            bgcolor: "background.paper",
            borderLeft: `4px solid ${t.vars.palette.bench.butter}`,
            borderRadius: 1,
          })}
        >
          {drafts.map((one) => (
            <Box
              component="li"
              key={one.name}
              sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}
            >
              <span>
                Not saved yet: <strong>{one.draft.card.title}</strong>,{" "}
                {one.draft.card.lines.length} lines
              </span>
              <Box sx={{ flex: 1 }} />
              <Button component={Link} to={`/recipes/new?draft=${one.name}`}>
                Go on
              </Button>
              <Button
                onClick={() => {
                  dropDraft(one.name);
                  setDropped(one);
                  setDrafts(newDrafts());
                }}
              >
                Drop it
              </Button>
            </Box>
          ))}
        </Box>
      )}
      <Snackbar
        open={dropped !== null}
        message={`“${dropped?.draft.card.title ?? ""}” is dropped.`}
        autoHideDuration={8000}
        onClose={(_, reason) => reason !== "clickaway" && setDropped(null)}
        action={
          <Button
            color="inherit"
            onClick={() => {
              if (dropped) keepDraft(dropped.name, dropped.draft);
              setDropped(null);
              setDrafts(newDrafts());
            }}
          >
            Undo
          </Button>
        }
      />
    </>
  );
}
