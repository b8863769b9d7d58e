import { Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { FitRequest } from "../../../api/client";
import { domeQuery } from "../../../api/queries/fit";

interface ExpectedDomeProps {
  request: FitRequest;
  onTake: (cm: number) => void;
}

/** Where nobody measured a dome: what the field inside expects, taken with a tap and never by itself. */
export function ExpectedDome({ request, onTake }: ExpectedDomeProps) {
  const { data } = useQuery(domeQuery(request));
  if (!data) return null;
  const { dome_cm: dome } = data;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1, my: 0.5 }}>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {data.text}
      </Typography>
      {dome !== null && (
        <Button size="small" onClick={() => onTake(dome)}>
          Level with it
        </Button>
      )}
    </Box>
  );
}
