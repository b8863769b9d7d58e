import { notifyManager } from "@tanstack/react-query";

/** Who presses longer holds on to something; a finger's own click comes this much after it. */
const LONGEST_MS = 1_000;
const CLICK_OF_A_FINGER_MS = 60;
/** Who moves further than this drags, and sees at once what it does. */
const STILL_PX = 6;

/**
 * Nothing moves under a finger: an answer that arrives while something is pressed is drawn once it
 * is let go. One that puts a line above a button between press and release takes the press away.
 */
export function holdWhilePressed(on: Window = window): void {
  const waiting: (() => void)[] = [];
  let at: { x: number; y: number } | null = null;
  let longest: ReturnType<typeof setTimeout> | undefined;

  const letGo = () => {
    clearTimeout(longest);
    at = null;
    for (const draw of waiting.splice(0)) draw();
  };
  const pressed = ({ clientX, clientY }: PointerEvent) => {
    at = { x: clientX, y: clientY };
    clearTimeout(longest);
    longest = setTimeout(letGo, LONGEST_MS);
  };
  const moved = ({ clientX, clientY }: PointerEvent) => {
    if (at && Math.hypot(clientX - at.x, clientY - at.y) > STILL_PX) letGo();
  };
  const released = ({ pointerType }: PointerEvent) => {
    if (!at) return;
    clearTimeout(longest);
    longest = setTimeout(letGo, pointerType === "mouse" ? 0 : CLICK_OF_A_FINGER_MS);
  };
  on.addEventListener("pointerdown", pressed, true);
  on.addEventListener("pointermove", moved, true);
  on.addEventListener("pointerup", released, true);
  on.addEventListener("pointercancel", letGo, true);

  notifyManager.setScheduler((draw) => {
    setTimeout(() => {
      if (at) waiting.push(draw);
      else draw();
    }, 0);
  });
}
