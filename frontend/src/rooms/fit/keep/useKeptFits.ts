import { useMutation, useQuery } from "@tanstack/react-query";

import { answered, client } from "../../../api/client";
import type { FitRequest, KeptRow } from "../../../api/client";
import { keptFitsQuery } from "../../../api/queries/fit";

interface Keep {
  name: string;
  request: FitRequest;
  replace: boolean;
}

/** Kept fits: the list or those that hold some words, keeping, removing, and opening one. */
export function useKeptFits(search = "") {
  const list = useQuery(keptFitsQuery(search));
  const keep = useMutation({
    mutationFn: async (body: Keep) => answered(await client.POST("/api/fits", { body })),
  });
  const remove = useMutation({
    mutationFn: async (row: KeptRow) => {
      const path = { params: { path: { fit_id: row.id } } };
      const kept = answered(await client.GET("/api/fits/{fit_id}", path));
      answered(await client.DELETE("/api/fits/{fit_id}", path));
      return { name: kept.name, request: kept.request, replace: false } satisfies Keep;
    },
  });
  const open = async (row: KeptRow): Promise<FitRequest> => {
    const path = { params: { path: { fit_id: row.id } } };
    return answered(await client.GET("/api/fits/{fit_id}", path)).request;
  };
  return { list, keep, remove, open };
}
