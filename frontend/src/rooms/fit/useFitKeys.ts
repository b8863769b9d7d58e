import { useEffect } from "react";

import type { FitStateName } from "./FitHead";

interface FitKeys {
  goTo: (state: FitStateName) => void;
  search: () => void;
  help: () => void;
}

const STATE_KEYS: Record<string, FitStateName> = {
  "1": "choose",
  "2": "weigh",
  "3": "bake",
  "4": "finish",
};

/** Keys of the bench; none of them acts while something is typed. */
export function useFitKeys({ goTo, search, help }: FitKeys) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing = target.matches("input, textarea, select, [contenteditable]");
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (document.querySelector('[role="dialog"]')) return;
      const state = STATE_KEYS[event.key];
      if (state) goTo(state);
      else if (event.key === "/") search();
      else if (event.key === "?") help();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}
