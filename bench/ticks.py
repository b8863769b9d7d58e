"""``python -m bench.ticks``: what a tick costs, alone and with screens that look on."""

from __future__ import annotations

import threading
import time
import urllib.error
import urllib.request
from concurrent.futures import ThreadPoolExecutor

from bench.live import cpu_s, first_day, post, served_with

SCREENS, TICKS, LATER = 8, 100, 1000
ALONE_MS, BESIDE_MS = 5.0, 8.0
TICKERS, EACH = 8, 25


def main() -> None:
    with served_with() as (address, process):
        _, day = first_day(address)
        ticks = f"{address}/api/days/{day['id']}/events"
        names = iter(range(10**6))

        def tick(_: object = None) -> int:
            body = {"events": [{"id": f"bench-tick-{next(names):06}", "kind": "held",
                                "step": day["lead"]}]}
            try:
                post(ticks, body)
            except urllib.error.HTTPError as refused:
                return refused.code
            return 200

        def cost(many: int) -> float:
            before = cpu_s(process.pid)
            for _ in range(many):
                tick()
            time.sleep(0.3)
            return 1000 * (cpu_s(process.pid) - before) / many

        tick()
        alone = cost(TICKS)
        for _ in range(SCREENS):
            threading.Thread(target=_look_on, daemon=True,
                             args=(f"{address}/api/days/{day['id']}/stream",)).start()
        time.sleep(2)
        idle = cpu_s(process.pid)
        time.sleep(3)
        idle = 1000 * (cpu_s(process.pid) - idle) / 3
        beside = cost(TICKS)
        with ThreadPoolExecutor(TICKERS) as many:
            told = list(many.map(tick, range(TICKERS * EACH)))
        refused = sum(one != 200 for one in told)
        for _ in range((LATER - 2 * TICKS - TICKERS * EACH) // 50):
            post(ticks, {"events": [{"id": f"bench-many-{next(names):06}", "kind": "held",
                                      "step": day["lead"]} for _ in range(50)]})
        late = cost(TICKS)
        print(f"a tick: {alone:.1f} ms CPU alone, promised {ALONE_MS:g}; {beside:.1f} ms with "
              f"{SCREENS} screens, promised {BESIDE_MS:g}; {late:.1f} ms after {LATER} ticks")
        print(f"{SCREENS} screens that look on and do nothing: {idle:.1f} ms CPU a second")
        print(f"{TICKERS} screens with {EACH} ticks each at once: {refused} refused")


def _look_on(address: str) -> None:
    with urllib.request.urlopen(address, timeout=60) as stream:
        for _ in stream:
            pass


if __name__ == "__main__":
    main()
