import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";

import { answered, client, KitchenProblem } from "../api/client";
import type { Day, DayEvent, Heard } from "../api/client";
import { dayQuery } from "../api/queries/running";
import { newKey } from "../ui/newKey";
import { arrived, put, sent, waitingOf } from "./outbox";

const RETRY_MS = 2000;

type Made = Omit<DayEvent, "id" | "ago_s">;

/** A day as it stands on the server, ticks on their way to it, and devices beside it. */
export function useDay(id: number) {
  const queries = useQueryClient();
  const day = useQuery(dayQuery(id));
  const [waiting, setWaiting] = useState(() => waitingOf(id));
  const [away, setAway] = useState(false);
  const [heard, setHeard] = useState<ReadonlyMap<number, Heard>>(new Map());
  const keep = useCallback(
    (next: Day) => {
      queries.setQueryData(dayQuery(id).queryKey, next);
    },
    [queries, id],
  );
  useEffect(() => {
    if (typeof EventSource === "undefined") return;
    const stream = new EventSource(`/api/days/${String(id)}/stream`);
    stream.addEventListener("day", (event: MessageEvent<string>) => {
      keep(JSON.parse(event.data) as Day);
      setAway(false);
    });
    stream.onerror = () => setAway(stream.readyState !== EventSource.OPEN);
    stream.addEventListener("device", (event: MessageEvent<string>) => {
      const one = JSON.parse(event.data) as Heard;
      setHeard((before) => new Map(before).set(one.device, one));
    });
    return () => stream.close();
  }, [id, keep]);
  const send = useMutation({
    // Tried also where the browser thinks that it is offline: the kitchen is on this machine.
    networkMode: "always",
    mutationFn: async () => {
      const all = waitingOf(id);
      if (all.length === 0) return null;
      const found = answered(
        await client.POST("/api/days/{day_id}/events", {
          params: { path: { day_id: id } },
          body: { events: sent(all, Date.now()) },
        }),
      );
      arrived(id, new Set(all.map((one) => one.event.id)));
      return found;
    },
    onSuccess: (found) => {
      setWaiting(waitingOf(id));
      setAway(false);
      if (found) keep(found);
    },
    onError: (error) => {
      // What the kitchen refused is not sent again and again; what it could not take now, or what did
      // not reach it, is.
      if (error instanceof KitchenProblem && error.problem && error.problem.status < 500) {
        arrived(id, new Set(waitingOf(id).map((one) => one.event.id)));
        setWaiting(waitingOf(id));
      } else setAway(true);
    },
  });
  const reopen = useMutation({
    mutationFn: async () =>
      answered(
        await client.POST("/api/days/{day_id}/reopen", { params: { path: { day_id: id } } }),
      ),
    onSuccess: (found) => {
      keep(found);
      void queries.invalidateQueries({ queryKey: ["orders"] });
      void queries.invalidateQueries({ queryKey: ["days", "list"] });
    },
  });
  const { mutate, isPending } = send;
  useEffect(() => {
    if (waiting.length === 0 || isPending) return;
    const again = setTimeout(() => mutate(), send.isError ? RETRY_MS : 0);
    return () => clearTimeout(again);
  }, [waiting, isPending, mutate, send.isError]);
  const tick = useCallback(
    (...made: Made[]) => {
      for (const event of made) put(id, { event: { ...event, id: newKey() }, made: Date.now() });
      setWaiting(waitingOf(id));
    },
    [id],
  );
  const refetch = day.refetch;
  const ask = useCallback(() => void refetch(), [refetch]);
  return { day, waiting, away, heard, tick, ask, keep, reopen, refused: send.error };
}
