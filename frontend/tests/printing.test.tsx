import { act, cleanup, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { PrintSheet } from "../src/rooms/fit/PrintSheet";
import { usePrinting } from "../src/rooms/fit/print/usePrinting";
import { showAt } from "./fakeKitchen";
import { fit, line, pan } from "./fixtures";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A window that can be told to show itself as it prints. */
function fakeMedia() {
  const listeners = new Set<() => void>();
  const media = {
    matches: false,
    addEventListener: (_: string, listener: () => void) => listeners.add(listener),
    removeEventListener: (_: string, listener: () => void) => listeners.delete(listener),
  };
  vi.stubGlobal("matchMedia", () => media);
  return {
    listeners,
    turn: (matches: boolean) => {
      media.matches = matches;
      for (const listener of listeners) listener();
    },
  };
}

function Sheet() {
  return usePrinting() ? <p>the sheet</p> : <p>the bench</p>;
}

describe("printing", () => {
  let media: ReturnType<typeof fakeMedia>;
  beforeEach(() => {
    media = fakeMedia();
  });

  it("makes the sheet before the browser lays it out, and takes it away after", () => {
    render(<Sheet />);
    expect(screen.getByText("the bench")).toBeInTheDocument();
    act(() => {
      window.dispatchEvent(new Event("beforeprint"));
    });
    expect(screen.getByText("the sheet")).toBeInTheDocument();
    act(() => {
      window.dispatchEvent(new Event("afterprint"));
    });
    expect(screen.getByText("the bench")).toBeInTheDocument();
  });

  it("follows a window that is shown as it prints", () => {
    render(<Sheet />);
    act(() => media.turn(true));
    expect(screen.getByText("the sheet")).toBeInTheDocument();
    act(() => media.turn(false));
    expect(screen.getByText("the bench")).toBeInTheDocument();
  });

  it("listens no longer than it stands", () => {
    render(<Sheet />).unmount();
    expect(media.listeners.size).toBe(0);
  });
});

describe("the sheet", () => {
  it("has every pan drawn from above and from the side", () => {
    const pans = [pan({}), pan({ label: "Tray", wells: 12, count: 6 }), pan({ drawing: null })];
    const { container } = showAt(<PrintSheet fit={fit({ pans })} />);
    expect(container.querySelectorAll("svg")).toHaveLength(4);
  });

  it("has what was weighed, what is opened, and the shares", () => {
    const { container } = showAt(
      <PrintSheet
        fit={fit({
          weighed_g: 1764,
          opened: [
            { line: 1, name: "Pear halves", count: 2, text: "open 2 tins", across_cm: null },
          ],
          shares: [
            {
              name: "Cocoa",
              part: 0.5,
              batter_g: 500,
              total_g: 520,
              stirred: [],
              pans: [],
              steps: ["Weigh 500 g.", "Stir in 20 g cocoa."],
            },
          ],
        })}
      />,
    );
    for (const words of [
      "(weighed: 1\u202f764 g)",
      "Pear halves: open 2 tins.",
      "Stir in 20 g cocoa.",
    ]) {
      expect(container.textContent).toContain(words);
    }
  });

  it("has the lining list, and no empty heading of components", () => {
    const lining = [
      {
        kind: "fat" as const,
        text: "Brush it with oil.",
        count: 0,
        length_cm: null,
        width_cm: null,
      },
    ];
    const { container } = showAt(
      <PrintSheet fit={fit({ pans: [pan({ lining })], lines: [line({})] })} />,
    );
    expect(container.textContent).toContain("Round 20: Brush it with oil.");
  });
});
