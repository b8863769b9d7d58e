import { notifyManager } from "@tanstack/react-query";
import { afterAll, beforeEach, describe, expect, it, vi } from "vitest";

import { holdWhilePressed } from "../src/api/pressed";

const pointer = (kind: string, more: object = {}) =>
  window.dispatchEvent(
    Object.assign(new Event(kind), { clientX: 10, clientY: 10, pointerType: "mouse", ...more }),
  );

function answered() {
  const drawn = vi.fn();
  notifyManager.schedule(drawn);
  return drawn;
}

describe("nothing moves under a finger", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    holdWhilePressed();
  });
  afterAll(() => {
    notifyManager.setScheduler((draw) => setTimeout(draw, 0));
  });

  it("draws an answer at once while nothing is pressed", () => {
    const drawn = answered();
    vi.advanceTimersByTime(0);
    expect(drawn).toHaveBeenCalledOnce();
  });

  it("keeps one that arrives between press and release until it is let go", () => {
    const before = answered();
    pointer("pointerdown");
    const within = answered();
    vi.advanceTimersByTime(400);
    expect(before).not.toHaveBeenCalled();
    pointer("pointerup");
    expect(within).not.toHaveBeenCalled();
    vi.advanceTimersByTime(0);
    expect(before).toHaveBeenCalledOnce();
    expect(within).toHaveBeenCalledOnce();
  });

  it("waits for the click that follows a finger", () => {
    pointer("pointerdown", { pointerType: "touch" });
    const drawn = answered();
    pointer("pointerup", { pointerType: "touch" });
    vi.advanceTimersByTime(50);
    expect(drawn).not.toHaveBeenCalled();
    vi.advanceTimersByTime(10);
    expect(drawn).toHaveBeenCalledOnce();
  });

  it("goes on with what is dragged, and with what is held for long or taken away", () => {
    pointer("pointerdown");
    const dragged = answered();
    vi.advanceTimersByTime(0);
    pointer("pointermove", { clientX: 14 });
    expect(dragged).not.toHaveBeenCalled();
    pointer("pointermove", { clientX: 17 });
    expect(dragged).toHaveBeenCalledOnce();
    const after = answered();
    vi.advanceTimersByTime(0);
    expect(after).toHaveBeenCalledOnce();
    pointer("pointerup");

    pointer("pointerdown");
    const held = answered();
    vi.advanceTimersByTime(999);
    expect(held).not.toHaveBeenCalled();
    vi.advanceTimersByTime(1);
    expect(held).toHaveBeenCalledOnce();

    pointer("pointerdown");
    const gone = answered();
    vi.advanceTimersByTime(0);
    pointer("pointercancel");
    expect(gone).toHaveBeenCalledOnce();
  });
});
