import { useState } from "react";

import type { FitRequest } from "../../../api/client";

/**
 * Ticks of what is weighed, kept in this browser under the fit they belong to: other choices make
 * other amounts, so they start without ticks.
 */
export function useTicks(request: FitRequest) {
  // What is weighed into the pans later changes no amount on the card.
  const key = `entremet.ticks.${JSON.stringify({ ...request, weighed: undefined })}`;
  const [state, setState] = useState(() => ({ key, ticks: read(key) }));
  if (state.key !== key) setState({ key, ticks: read(key) });
  const write = (ticks: ReadonlySet<string>) => {
    setState({ key, ticks });
    localStorage.setItem(key, JSON.stringify([...ticks]));
  };
  return {
    ticks: state.ticks,
    toggle: (line: string) => write(toggled(state.ticks, line)),
    replace: write,
  };
}

function toggled(ticks: ReadonlySet<string>, line: string): ReadonlySet<string> {
  const next = new Set(ticks);
  if (!next.delete(line)) next.add(line);
  return next;
}

function read(key: string): ReadonlySet<string> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? "[]");
    return new Set(Array.isArray(kept) ? kept.filter((line) => typeof line === "string") : []);
  } catch {
    return new Set();
  }
}
