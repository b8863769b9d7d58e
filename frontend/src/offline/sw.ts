/// <reference lib="webworker" />
/**
 * Stands between the page and a kitchen that does not answer: the bake day that is open, and the
 * files its room needs, so that a reload at the oven loses nothing. Nothing else is ever kept, and
 * what the kitchen answers always goes first.
 *
 * It is one file by itself: a module that it shared with the page would be fetched like any other.
 */
const worker = self as unknown as ServiceWorkerGlobalScope;
/** Put in as it is built: what the room needs, and a name that changes with any of it. */
declare const __SHELL__: { version: string; files: string[] };

const SHELL = `entremet-shell-${__SHELL__.version}`;
/** Answers of one version are never read by the pages of another. */
const KEPT = `entremet-open-day-${__SHELL__.version}`;
const PAGE = "/day";
const HABITS = "/api/kitchen";
const DAY_PAGE = /^\/day\/\d+$/;
const DAY = /^\/api\/days\/\d+$/;
const OURS = /^entremet-(shell|open-day)(-|$)/;
const KEPT_AT = "Kept-At";
const MOST_DAYS = 2;

worker.addEventListener("install", (event) => event.waitUntil(keepShell()));
worker.addEventListener("activate", (event) => event.waitUntil(begin()));
worker.addEventListener("message", (event: ExtendableMessageEvent) => {
  const { day } = event.data as { day: { id: number } };
  event.waitUntil(keepDay(`/api/days/${String(day.id)}`, JSON.stringify(day)));
});
worker.addEventListener("fetch", (event) => {
  const { method, mode, url } = event.request;
  const { origin, pathname } = new URL(url);
  if (method !== "GET" || origin !== worker.location.origin) return;
  if (mode === "navigate" && DAY_PAGE.test(pathname)) {
    event.respondWith(first(event.request, () => fromShell(PAGE)));
  } else if (mode === "navigate") {
    event.respondWith(first(event.request, toOpenDay));
  } else if (__SHELL__.files.includes(pathname)) {
    event.respondWith(fromShell(pathname).then((kept) => kept ?? fetch(event.request)));
  } else if (pathname === HABITS || DAY.test(pathname)) {
    event.respondWith(first(event.request, () => fromKept(pathname), keepAnswer(pathname)));
  }
});

async function keepShell(): Promise<void> {
  const shell = await caches.open(SHELL);
  const page = await fetch(PAGE, { cache: "no-store" });
  // Signed out: the page of the door is no page of this room.
  if (!page.ok || page.redirected) throw new Error("The kitchen did not give its page.");
  await shell.put(PAGE, page);
  await shell.addAll(__SHELL__.files);
  // The pages of before are not in the kitchen any more: the next reload is this one's.
  await worker.skipWaiting();
}

/** Let go of what another version kept, and take the habits that the page has asked for already. */
async function begin(): Promise<void> {
  const paths = new Set([HABITS]);
  for (const name of await caches.keys()) {
    if (name === SHELL || name === KEPT || !OURS.test(name)) continue;
    if (!name.startsWith("entremet-shell-")) {
      const before = await caches.open(name);
      for (const one of await before.keys()) paths.add(new URL(one.url).pathname);
    }
    await caches.delete(name);
  }
  await worker.clients.claim();
  // What was open is asked for anew, by this version.
  for (const path of paths) {
    const answer = await fetch(path).catch(() => null);
    if (answer?.ok) await keepAnswer(path)(answer);
  }
}

/** To the day that is open, wherever somebody wanted to go; without one there is nothing to show. */
async function toOpenDay(): Promise<Response | undefined> {
  const kept = await caches.open(KEPT);
  for (const one of [...(await kept.keys())].reverse()) {
    const { pathname } = new URL(one.url);
    if (!DAY.test(pathname)) continue;
    const day = (await (await kept.match(one))?.json()) as { ended_at: string | null } | undefined;
    if (day?.ended_at === null) return Response.redirect(pathname.replace("/api/days", PAGE));
  }
  return undefined;
}

/** The kitchen's own answer; what was kept only where none comes at all. */
async function first(
  request: Request,
  otherwise: () => Promise<Response | undefined>,
  keep?: (answer: Response) => Promise<void>,
): Promise<Response> {
  try {
    const answer = await fetch(request);
    // Whoever was signed out here reads nothing of the kitchen any more.
    if (answer.status === 401) await caches.delete(KEPT);
    else if (answer.ok && keep) await keep(answer.clone());
    return answer;
  } catch (error) {
    const kept = await otherwise();
    if (kept) return kept;
    throw error;
  }
}

const fromShell = async (path: string): Promise<Response | undefined> =>
  (await caches.open(SHELL)).match(path);

const keepAnswer = (path: string) => async (answer: Response) => keepDay(path, await answer.text());

async function keepDay(path: string, text: string): Promise<void> {
  const kept = await caches.open(KEPT);
  const headers = { "Content-Type": "application/json", [KEPT_AT]: String(Date.now()) };
  await kept.delete(path);
  await kept.put(path, new Response(text, { headers }));
  const days = (await kept.keys()).filter((one) => DAY.test(new URL(one.url).pathname));
  for (const old of days.slice(0, Math.max(0, days.length - MOST_DAYS))) await kept.delete(old);
}

/** What was kept, with the kitchen's clock as far on as this device's has gone since. */
async function fromKept(path: string): Promise<Response | undefined> {
  const kept = await (await caches.open(KEPT)).match(path);
  if (!kept || !DAY.test(path)) return kept;
  const since = Date.now() - Number(kept.headers.get(KEPT_AT));
  const day = (await kept.json()) as { now: string };
  return Response.json({ ...day, now: new Date(Date.parse(day.now) + since).toISOString() });
}

export {};
