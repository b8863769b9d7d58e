"""``python -m bench.cpu``: processor time of the calls a bench lives on, in one process."""

from __future__ import annotations

import json
import sys
import time
from collections.abc import Callable
from io import BytesIO
from itertools import count
from typing import Any

from bench.inside import demo_kitchen

CALLS = 60
PROMISED_MS = {"a fit, never asked before": 5.0, "the same fit again": 2.0, "at the oven": 6.0,
               "curves": 8.0, "a fit in the core alone": 2.0}


def spread() -> tuple[float, float]:
    """The machine's own: the same work sixty times, fastest and median over it."""
    took = []
    for _ in range(CALLS):
        start = time.process_time_ns()
        sum(i * i for i in range(40_000))
        took.append((time.process_time_ns() - start) / 1e6)
    took.sort()
    return took[0], took[len(took) // 2] / took[0]


def least_ms(work: Callable[[], object]) -> tuple[float, float]:
    """Processor time of the fastest call, and of the median one."""
    for _ in range(8):
        work()
    took = []
    for _ in range(CALLS):
        start = time.process_time_ns()
        work()
        took.append((time.process_time_ns() - start) / 1e6)
    took.sort()
    return took[0], took[len(took) // 2]


def main() -> None:
    with demo_kitchen():
        _report()


def _report() -> None:
    from django.test import Client

    from entremet.kitchen.actions import fitting
    from entremet.site.wsgi import application

    def call(path: str, body: dict[str, Any]) -> None:
        data = json.dumps(body).encode()
        told: list[str] = []
        for _ in application({
                "REQUEST_METHOD": "POST", "PATH_INFO": path, "SERVER_NAME": "127.0.0.1",
                "SERVER_PORT": "8000", "HTTP_HOST": "127.0.0.1:8000", "wsgi.url_scheme": "http",
                "CONTENT_TYPE": "application/json", "CONTENT_LENGTH": str(len(data)),
                "wsgi.input": BytesIO(data), "wsgi.errors": sys.stderr, "wsgi.version": (1, 0),
                "wsgi.multithread": True, "wsgi.multiprocess": False, "wsgi.run_once": False},
                lambda status, *_: told.append(status)):
            pass
        assert told == ["200 OK"], told

    client, number = Client(), count()
    recipe = client.get("/api/recipes").json()["rows"][0]["id"]
    body = {"recipe": recipe,
            "into": [{"pan": pan["id"], "count": 2} for pan in client.get("/api/pans").json()[-6:]]}

    def another() -> dict[str, Any]:
        seed = next(number)
        return {**body, "into": [{**one, "count": 1 + seed // 3**place % 3}
                                 for place, one in enumerate(body["into"])]}

    made: list[tuple[Any, Any]] = []
    real = fitting.make_plan

    def noted(*args: Any, **options: Any) -> Any:
        made.append((args, options))
        return real(*args, **options)

    fitting.make_plan = noted
    call("/api/fit", {**body, "joins": 7})
    fitting.make_plan = real
    args, options = made[0]
    unit, ratio = spread()
    print(f"the machine: {unit:.2f} ms for its measure, median over fastest {ratio:.2f}")
    for name, work in (
            ("a fit, never asked before", lambda: call("/api/fit", another())),
            ("the same fit again", lambda: call("/api/fit", body)),
            ("at the oven", lambda: call("/api/fit/oven", {"fit": another()})),
            ("curves", lambda: call("/api/fit/curve", {"fit": another(), "entry": 0})),
            ("a fit in the core alone", lambda: real(*args, **options))):
        fastest, median = least_ms(work)
        promised = PROMISED_MS[name]
        print(f"{name:<32}{fastest:7.2f} ms (median {median:.2f}; {fastest / unit:.1f} of the "
              f"machine's measure)   promised {promised:g} ms: "
              f"{'met' if fastest <= promised else 'MISSED'}")


if __name__ == "__main__":
    main()
