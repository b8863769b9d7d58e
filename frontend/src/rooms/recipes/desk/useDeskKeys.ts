import { useEffect } from "react";

import type { DeskInHand } from "./useDesk";

/** Ctrl+S keeps the card, Ctrl+Z and Ctrl+Shift+Z step back and forth outside a field. */
export function useDeskKeys(desk: DeskInHand) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const typing = (event.target as HTMLElement).matches("input, textarea");
      if (key === "s") {
        (document.activeElement as HTMLElement | null)?.blur();
        if (desk.dirty && !desk.save.isPending) setTimeout(() => desk.save.mutate(undefined));
      } else if (key === "z" && !typing) {
        if (event.shiftKey) desk.redo();
        else desk.undo();
      } else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}
