import "@testing-library/jest-dom/vitest";

import { cleanup, configure } from "@testing-library/react";
import { afterEach, vi } from "vitest";

configure({ asyncUtilTimeout: 8_000 });

// Files share a worker and its modules, so that each starts in no time: nothing stays of a test.
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  localStorage.clear();
  sessionStorage.clear();
});

// The browser's own animations are not in jsdom.
Object.defineProperty(Element.prototype, "animate", {
  value: () => new EventTarget(),
  configurable: true,
});

// Nor is holding on to a pointer.
Object.defineProperty(Element.prototype, "setPointerCapture", {
  value: () => undefined,
  configurable: true,
});

/**
 * What is hidden, without a walk over every rule of every sheet for each element looked at, which
 * took a third of the time of all tests: inline styles, the hidden attribute, and what is inherited.
 * No style of ours is in the page here; how it looks is the browser's to say.
 */
window.getComputedStyle = (element: Element) => {
  const { style } = element as HTMLElement;
  const read = (name: string): string => {
    if (name === "display" && (element as HTMLElement).hidden) return "none";
    if (name === "visibility") {
      for (let at: Element | null = element; at; at = at.parentElement) {
        const own = (at as HTMLElement).style.visibility;
        if (own) return own;
      }
      return "visible";
    }
    return style.getPropertyValue(name);
  };
  return new Proxy(style, {
    get(own, name) {
      if (name === "getPropertyValue") return read;
      if (name === "display" || name === "visibility") return read(name);
      const value: unknown = Reflect.get(own, name, own);
      return typeof value === "function" ? (value.bind(own) as unknown) : value;
    },
  });
};
