import { useEffect, useState } from "react";
import { flushSync } from "react-dom";

const PRINT = "print";

/** Whether the page is being printed, or shown as it will print; the sheet is only made then. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(() => window.matchMedia(PRINT).matches);
  useEffect(() => {
    const media = window.matchMedia(PRINT);
    // The browser lays the page out right after it says so, so the sheet has to stand by then.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(window.matchMedia(PRINT).matches);
    const change = () => (media.matches ? begin() : end());
    window.addEventListener("beforeprint", begin);
    window.addEventListener("afterprint", end);
    media.addEventListener("change", change);
    return () => {
      window.removeEventListener("beforeprint", begin);
      window.removeEventListener("afterprint", end);
      media.removeEventListener("change", change);
    };
  }, []);
  return printing;
}
