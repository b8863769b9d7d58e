"""``python -m bench.streams``: what screens that look on at a day cost everybody else."""

from __future__ import annotations

import statistics
import threading
import time
import urllib.request
from typing import Any

from bench.live import first_day, post, served

SCREENS, FITS = 24, 20
"""More screens than the server keeps streams for; fits asked one after the other."""


def main() -> None:
    with served() as address:
        fit, day = first_day(address)
        alone = _fits(address, fit)
        heard: list[float] = []
        for _ in range(SCREENS):
            threading.Thread(target=_look_on, args=(f"{address}/api/days/{day['id']}/stream",
                                                    heard), daemon=True).start()
        time.sleep(3)
        beside = _fits(address, fit, first=1 + FITS)
        heard.clear()
        start = time.monotonic()
        post(f"{address}/api/days/{day['id']}/events", {"events": [
            {"id": "bench-tick-1", "kind": "done", "step": day["lead"]}]})
        time.sleep(2.5)
        told = sorted(at - start for at in heard)
        print(f"a fit, median / 95th percentile: {alone[0]:.0f} / {alone[1]:.0f} ms alone, "
              f"{beside[0]:.0f} / {beside[1]:.0f} ms beside {SCREENS} screens")
        slowest = max(told, default=9.0)
        print(f"a tick is on {len(told)} screens within {slowest:.2f} s, promised 2 s: "
              f"{'met' if slowest < 2 else 'MISSED'}")


def _fits(address: str, fit: dict[str, Any], first: int = 1) -> tuple[float, float]:
    took = []
    for number in range(first, first + FITS):
        start = time.perf_counter()
        # Another number each time, or the answer would be remembered.
        post(f"{address}/api/fit", {**fit, "into": [{**fit["into"][0], "count": number}],
                                     "servings": None})
        took.append(1000 * (time.perf_counter() - start))
    return statistics.median(took), statistics.quantiles(took, n=20)[-1]


def _look_on(address: str, heard: list[float]) -> None:
    with urllib.request.urlopen(address, timeout=60) as stream:
        for line in stream:
            if line.startswith(b"event: day"):
                heard.append(time.monotonic())


if __name__ == "__main__":
    main()
