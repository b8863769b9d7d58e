import { useEffect } from "react";

/** Keep the screen awake while it is looked at, where the browser can. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState !== "visible") return;
      void navigator.wakeLock.request("screen").then(
        (held) => {
          lock = held;
        },
        // Refused where the battery is low; the work goes on.
        () => undefined,
      );
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, [on]);
}
