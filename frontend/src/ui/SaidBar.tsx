import { Button, Snackbar } from "@mui/material";

export interface Said {
  words: string;
  undo: (() => void) | null;
}

/** What was just done, with a way back where there is one. */
export function SaidBar({ said, onDone }: { said: Said | null; onDone: () => void }) {
  return (
    <Snackbar
      open={said !== null}
      message={said?.words}
      // On a phone above the bar of rooms.
      sx={{ bottom: { xs: 68, sm: 24 } }}
      autoHideDuration={8000}
      onClose={(_, reason) => reason !== "clickaway" && onDone()}
      action={
        said?.undo && (
          <Button
            color="inherit"
            onClick={() => {
              said.undo?.();
              onDone();
            }}
          >
            Undo
          </Button>
        )
      }
    />
  );
}
