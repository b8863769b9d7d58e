import type { Day } from "../api/client";

let latest: Day | null = null;

/** Stand by from the start where the page is an app of its own on a phone or a tablet. */
export function standByAsApp(): void {
  if (window.matchMedia("(display-mode: standalone)").matches) standBy();
}

/** Ask for the worker that keeps the open day; without one a reload needs the kitchen. */
export function standBy(): void {
  const { serviceWorker } = navigator as Partial<Navigator>;
  if (!serviceWorker || !import.meta.env.PROD) return;
  // Refused where a page is not safe (no certificate), by private windows, by a full disk.
  serviceWorker
    .register("/sw.js")
    .then(() => serviceWorker.ready)
    .then(handOver, () => undefined);
}

/** Keep a day as this screen knows it now, for a reload while the kitchen is away. */
export function keepForReload(day: Day): void {
  const { serviceWorker } = navigator as Partial<Navigator>;
  latest = day;
  serviceWorker?.getRegistration().then(handOver, () => undefined);
}

function handOver(at: ServiceWorkerRegistration | undefined): void {
  if (latest) at?.active?.postMessage({ day: latest });
}
