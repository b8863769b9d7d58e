import { Box, Typography } from "@mui/material";

import { CareIcon } from "../../../ui/icons";

/** The usual cautions of a step. */
export function CautionNote({ texts }: { texts: readonly string[] }) {
  return (
    <Box sx={{ display: "flex", gap: 1, mt: 1.5, color: "text.secondary" }}>
      <CareIcon titleAccess="Take care" fontSize="small" sx={{ mt: 0.25 }} />
      <Box>
        {texts.map((text) => (
          <Typography key={text} sx={{ fontSize: "size.note" }}>
            {text}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}
