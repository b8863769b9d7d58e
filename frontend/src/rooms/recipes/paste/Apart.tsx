import { Alert, Box, Button } from "@mui/material";

import type { Reading } from "../../../api/client";

type Stretch = Reading["apart"][number];

/** Several recipes in one text: each can be taken alone. */
export function Apart(props: { apart: readonly Stretch[]; onPick: (one: Stretch) => void }) {
  return (
    <Alert severity="info" sx={{ mb: 1.5 }}>
      This text holds {props.apart.length} recipes. Take one at a time:
      <Box sx={{ display: "flex", gap: 0.75, flexWrap: "wrap", mt: 0.75 }}>
        {props.apart.map((one) => (
          <Button key={one.start} size="small" variant="outlined" onClick={() => props.onPick(one)}>
            {one.title}
          </Button>
        ))}
      </Box>
    </Alert>
  );
}
