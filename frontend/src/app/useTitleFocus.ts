import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

/** A room that is still being opened gets so long to show its title. */
const OPENS_MS = 3000;

/**
 * Puts the focus on a room's title whenever another room or page is gone to: what is read next
 * begins there. Within a room (its states and views) it stays where it is.
 */
export function useTitleFocus(): void {
  const { pathname } = useLocation();
  const page = pageOf(pathname);
  const before = useRef(page);
  const last = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (before.current === page) return;
    before.current = page;
    const begun = performance.now();
    let frame = 0;
    const look = () => {
      const title = document.querySelector<HTMLElement>("main h1");
      // Whoever typed meanwhile is not interrupted; a dialog that is open or closing keeps it.
      if (document.activeElement?.matches("input, textarea")) return;
      // The room before may stand until this one has come.
      if (title && title !== last.current && !document.querySelector("[role=dialog]")) {
        title.tabIndex = -1;
        title.focus({ preventScroll: true });
      }
      if (document.activeElement === title && title !== null && title !== last.current) {
        last.current = title;
        return;
      }
      if (performance.now() - begun < OPENS_MS) frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [page]);
}

/** What is a page by itself: a room, or one thing in it. */
function pageOf(pathname: string): string {
  const [, room = "", thing = ""] = pathname.split("/");
  return room === "fit" || room === "logbook" ? room : `${room}/${thing}`;
}
