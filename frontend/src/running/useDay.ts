import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";

import { answered, client, KitchenProblem } from "../api/client";
import type { Day, DayEvent, Heard } from "../api/client";
import { dayQuery } from "../api/queries/running";
import { newerOf } from "../domain/newer";
import { keepForReload } from "../offline/keeping";
import { newKey } from "../ui/newKey";
import { arrived, PART, put, refusedOf, sent, waitingOf } from "./outbox";
import type { Waiting } from "./outbox";

const RETRY_MS = 2000;

type Made = Omit<DayEvent, "id" | "ago_s">;

/** A day as it stands on the server, ticks on their way to it, and devices beside it. */
export function useDay(id: number) {
  const queries = useQueryClient();
  const day = useQuery(dayQuery(id));
  const { data } = day;
  useEffect(() => {
    if (data) keepForReload(data);
  }, [data]);
  const [waiting, setWaiting] = useState(() => waitingOf(id));
  const [away, setAway] = useState(false);
  const [heard, setHeard] = useState<ReadonlyMap<number, Heard>>(new Map());
  const part = useRef<Waiting[]>([]);
  const [thrown, setThrown] = useState<Waiting[]>([]);
  const keep = useCallback(
    (next: Day) => {
      queries.setQueryData<Day>(dayQuery(id).queryKey, (shown) => newerOf(shown, next));
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
      const all = waitingOf(id).slice(0, PART);
      if (all.length === 0) return null;
      part.current = all;
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
      const said = error instanceof KitchenProblem ? error.problem : undefined;
      // Only what is refused by name goes; all else waits: until somebody signs in again, until the
      // kitchen has room, until it answers.
      const lost = said ? refusedOf(part.current, said) : [];
      if (lost.length > 0) {
        arrived(id, new Set(lost.map((one) => one.event.id)));
        setWaiting(waitingOf(id));
        setThrown((before) => [...before, ...lost]);
      }
      setAway(!said || said.status >= 500);
    },
  });
  const reopen = useMutation({
    mutationFn: async () =>
      answered(
        await client.POST("/api/days/{day_id}/reopen", { params: { path: { day_id: id } } }),
      ),
    onSuccess: (found) => {
      keep(found);
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
  const problem = send.error instanceof KitchenProblem ? send.error.problem : undefined;
  return {
    day,
    waiting,
    away,
    heard,
    tick,
    ask,
    keep,
    reopen,
    refused: send.error,
    /** Ticks the kitchen will never take. */
    thrown,
    signedOut: problem?.status === 401,
  };
}
