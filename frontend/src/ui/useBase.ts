import { useState } from "react";

import { KitchenProblem } from "../api/client";

/**
 * The version a form was begun from. Once its baker has been told that the thing was changed
 * elsewhere, saving again puts hers in its place. What another form was told before counts for
 * nothing.
 */
export function useBase(now: { version: number } | null, error: unknown): number {
  const [opened] = useState({ version: now?.version ?? 1, error });
  const told = error !== opened.error && error instanceof KitchenProblem && error.meanwhile;
  return told ? (now?.version ?? opened.version) : opened.version;
}
