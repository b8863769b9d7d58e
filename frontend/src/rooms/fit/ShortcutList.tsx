import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";

const KEYS = [
  ["/", "choose another recipe"],
  ["1  2  3  4", "choose, weigh, bake, finish"],
  ["arrows", "step a count, or move along a choice"],
  ["Enter", "accept"],
  ["Esc", "leave"],
  ["?", "this list"],
] as const;

/** What the keys do. */
export function ShortcutList({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose}>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "auto 1fr", gap: 1, m: 0 }}>
          {KEYS.map(([key, words]) => (
            <Box key={key} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ fontWeight: 700, whiteSpace: "pre" }}>
                {key}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {words}
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
