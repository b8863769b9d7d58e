import { useLayoutEffect, useRef, useState } from "react";

/** Width of an element, followed as the window changes; what is assumed until it is known. */
export function useWidth<T extends HTMLElement>(assumed: number) {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(assumed);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element || typeof ResizeObserver === "undefined") return undefined;
    const watch = new ResizeObserver(() => setWidth(element.clientWidth || assumed));
    watch.observe(element);
    return () => watch.disconnect();
  }, [assumed]);
  return [ref, width] as const;
}
