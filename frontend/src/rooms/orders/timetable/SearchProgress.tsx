import { Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";

import { answered, client } from "../../../api/client";
import { searchQuery } from "../../../api/queries/orders";

/** How a search for a better plan stands, and a way to end it with the best so far. */
export function SearchProgress({ search }: { search: string }) {
  const stands = useQuery(searchQuery(search));
  const stop = useMutation({
    mutationFn: async () => {
      answered(
        await client.DELETE("/api/plan/searches/{key}", { params: { path: { key: search } } }),
      );
    },
  });
  const saved = Math.round((1 - (stands.data?.share ?? 1)) * 100);
  return (
    <>
      <Typography role="status" sx={{ fontSize: "size.small" }}>
        {saved > 0 ? `${String(saved)} % better so far` : "Looking"}
      </Typography>
      <Button size="small" disabled={stop.isPending} onClick={() => stop.mutate()}>
        Stop, take the best so far
      </Button>
    </>
  );
}
