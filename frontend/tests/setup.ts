import "@testing-library/jest-dom/vitest";

import { configure } from "@testing-library/react";

configure({ asyncUtilTimeout: 8_000 });

// The browser's own animations are not in jsdom.
Object.defineProperty(Element.prototype, "animate", { value: () => new EventTarget() });

// Nor is holding on to a pointer.
Object.defineProperty(Element.prototype, "setPointerCapture", { value: () => undefined });
