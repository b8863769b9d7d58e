import { useEffect, useState } from "react";

import { RULE } from "../../../api/bounds";
import type { Rule } from "../../../api/client";

const KEY = "entremet-rules-lately";
const SHOWN = 2;
const AT_FIRST: readonly Rule[] = ["same_depth", "keep_batch", "servings"];

/** The rules used last in this browser, without the one in use; the newest first. */
export function useLately(now: Rule): Rule[] {
  const [used, setUsed] = useState(read);
  if (used[0] !== now) setUsed([now, ...used.filter((rule) => rule !== now)]);
  useEffect(() => {
    try {
      localStorage.setItem(KEY, used.slice(0, SHOWN + 1).join(","));
    } catch {
      // A browser that keeps nothing forgets them; nothing else is lost.
    }
  }, [used]);
  return used.filter((rule) => rule !== now).slice(0, SHOWN);
}

function read(): Rule[] {
  let kept: string | null = null;
  try {
    kept = localStorage.getItem(KEY);
  } catch {
    // The same as none.
  }
  const known = (kept ?? "").split(",").flatMap((name) => RULE.filter((rule) => rule === name));
  return [...new Set([...known, ...AT_FIRST])];
}
