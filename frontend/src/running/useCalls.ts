import { useEffect, useRef, useState } from "react";

import type { DayTimer } from "../api/client";
import { call } from "./tones";

/** How often a loud call is made again until it is answered, ms. */
const AGAIN_MS = 4000;

interface Calls {
  timers: readonly DayTimer[];
  /** What the server's clock is ahead of this browser's, ms. */
  ahead: number;
  silent: boolean;
  /** Told when a timer's time has come, so that the day is asked anew. */
  onCall: () => void;
}

/**
 * The server's time, told every quarter of a second, and the calls of timers: sound, title and
 * notification, within a second of their time, also while the page lies in the background.
 */
export function useCalls({ timers, ahead, silent, onCall }: Calls): number {
  const [now, setNow] = useState(() => Date.now() + ahead);
  const state = useRef({ timers, ahead, silent, onCall });
  const called = useRef(new Map<string, number>());
  useEffect(() => {
    state.current = { timers, ahead, silent, onCall };
  }, [timers, ahead, silent, onCall]);
  useEffect(() => {
    const began = Date.now() + state.current.ahead;
    const beat = () => {
      const at = Date.now() + state.current.ahead;
      setNow(at);
      let come = false;
      for (const timer of state.current.timers) {
        const due = Date.parse(timer.at);
        const last = called.current.get(timer.key);
        if (!timer.calls || due > at) continue;
        // What was over before this page was opened is shown and does not ring anew, but for a ring
        // in its pan.
        if (last === undefined && !timer.loud && due < began - 60_000) {
          called.current.set(timer.key, at);
          continue;
        }
        if (last !== undefined && !(timer.loud && at - last >= AGAIN_MS)) continue;
        called.current.set(timer.key, at);
        if (last === undefined) {
          come = true;
          notify(`${timer.words}: ${timer.what}`);
        }
        if (!state.current.silent) call(timer.key, timer.loud);
      }
      if (come) state.current.onCall();
    };
    const worker = new Worker(new URL("./ticker.worker.ts", import.meta.url), {
      type: "module",
    });
    worker.onmessage = beat;
    return () => worker.terminate();
  }, []);
  const over = timers.filter((timer) => timer.calls && Date.parse(timer.at) <= now);
  const first = over[0];
  useEffect(() => {
    const before = document.title;
    if (first) document.title = `${first.words}: ${first.what}`;
    return () => {
      document.title = before;
    };
  }, [first]);
  return now;
}

function notify(words: string): void {
  if (typeof Notification === "undefined" || Notification.permission !== "granted") return;
  if (document.visibilityState === "hidden") new Notification(words);
}
