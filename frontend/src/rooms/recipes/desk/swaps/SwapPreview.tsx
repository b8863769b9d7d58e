import { Alert, Box, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { Card, CardSwap } from "../../../../api/client";
import { swapQuery } from "../../../../api/queries/recipes";

const g = (value: number) =>
  value === 0 ? "–" : `${value < 10 ? value.toFixed(1) : value.toFixed(0)} g`;

/** Before and after of one swap, per 100 g of flour and in the batch, with its limits. */
export function SwapPreview({ card, swap }: { card: Card; swap: CardSwap }) {
  const seen = useQuery(swapQuery(card, swap));
  if (seen.isError) return <Alert severity="error">{seen.error.message}</Alert>;
  if (!seen.data) return <LinearProgress aria-label="Working out the swap" />;
  const per100 = seen.data.changes.every((one) => one.was_per_100 !== null);
  return (
    <Box>
      {seen.data.findings.map((finding) => (
        <Alert key={finding.code} severity="warning" sx={{ py: 0 }}>
          {finding.text}
        </Alert>
      ))}
      {seen.data.changes.length > 0 && (
        <Box
          component="table"
          sx={{
            width: "100%",
            borderCollapse: "collapse",
            "& th, & td": { py: 0.4, textAlign: "right", borderBottom: 1, borderColor: "divider" },
            "& th:first-of-type": { textAlign: "left" },
          }}
        >
          <thead>
            <tr>
              <th scope="col">{per100 ? "Per 100 g of flour" : "In the batch"}</th>
              <th scope="col">Before</th>
              <th scope="col">After</th>
              {per100 && <th scope="col">In the batch</th>}
            </tr>
          </thead>
          <tbody>
            {seen.data.changes.map((one) => (
              <tr key={one.name}>
                <Box component="th" scope="row" sx={{ fontWeight: 500 }}>
                  {one.name}
                </Box>
                <td>{g(one.was_per_100 ?? one.was_g)}</td>
                <Box component="td" sx={{ fontWeight: 700 }}>
                  {g(one.now_per_100 ?? one.now_g)}
                </Box>
                {per100 && (
                  <Box component="td" sx={{ color: "text.secondary" }}>
                    {g(one.was_g)} → {g(one.now_g)}
                  </Box>
                )}
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      <Typography sx={{ mt: 0.75, lineHeight: 1.3 }}>{seen.data.limits}</Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {seen.data.source}
      </Typography>
    </Box>
  );
}
