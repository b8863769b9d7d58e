import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { LookedInto } from "../../../api/client";
import type { Said } from "../../../ui/SaidBar";

const copiesQuery = () =>
  queryOptions({
    queryKey: ["copies"],
    queryFn: async ({ signal }) => answered(await client.GET("/api/copies", { signal })),
  });

/** Copies of the kitchen: made, looked into, brought in, brought back and undone. */
export function useSafe() {
  const queries = useQueryClient();
  const [said, setSaid] = useState<Said | null>(null);
  const [looked, setLooked] = useState<LookedInto | null>(null);
  const make = useMutation({
    mutationFn: async () => answered(await client.POST("/api/copies")),
  });
  const look = useMutation({
    mutationFn: async (name: string) =>
      answered(await client.GET("/api/copies/{name}/look", { params: { path: { name } } })),
    onSuccess: setLooked,
  });
  const bringIn = useMutation({
    mutationFn: async (file: File) => {
      const form = new FormData();
      form.append("file", file);
      return answered(
        await client.POST("/api/copies/file", {
          body: { file: "" },
          bodySerializer: () => form,
        }),
      );
    },
    onSuccess: setLooked,
  });
  const restore = useMutation({
    mutationFn: async (name: string) =>
      answered(await client.POST("/api/copies/{name}/restore", { params: { path: { name } } })),
    onSuccess: async ({ before }) => {
      setLooked(null);
      // All that is on any screen is of the kitchen before.
      await queries.resetQueries();
      setSaid({
        words: "The copy is the kitchen now. What was here before is kept as a copy.",
        undo: before === null ? null : () => restore.mutate(before),
      });
    },
  });
  return {
    copies: useQuery(copiesQuery()),
    make,
    look,
    bringIn,
    restore,
    looked,
    leave: () => {
      setLooked(null);
      restore.reset();
    },
    said,
    clear: () => setSaid(null),
  };
}
