"""``python -m bench.kills [times]``: kill the program while it writes; count what is lost."""

from __future__ import annotations

import http.client
import json
import os
import random
import signal
import sys
import tempfile
import threading
import time
import urllib.request

from bench.live import served_with


def main() -> None:
    times = int(sys.argv[1]) if len(sys.argv) > 1 else 100
    dice = random.Random(7)
    acknowledged: list[str] = []
    with tempfile.TemporaryDirectory() as data:
        for turn in range(times):
            with served_with(data) as (address, process):
                writer = threading.Thread(target=_write, args=(address, turn, acknowledged))
                writer.start()
                time.sleep(dice.uniform(0.02, 0.6))
                os.kill(process.pid, signal.SIGKILL)
                writer.join()
        with served_with(data) as (address, _):
            found: set[str] = set()
            offset = 0
            while rows := _get(f"{address}/api/recipes?limit=200&offset={offset}")["rows"]:
                found |= {row["title"] for row in rows}
                offset += 200
    lost = [title for title in acknowledged if title not in found]
    print(f"{times} kills, {len(acknowledged)} writes acknowledged, lost: {len(lost)}, promised "
          f"none: {'met' if not lost else 'MISSED'}")


def _write(address: str, turn: int, acknowledged: list[str]) -> None:
    for number in range(10_000):
        title = f"card {turn}.{number}"
        body = json.dumps({"card": {"title": title}}).encode()
        request = urllib.request.Request(f"{address}/api/recipes", body,
                                         {"Content-Type": "application/json"})
        try:
            with urllib.request.urlopen(request, timeout=5) as answer:
                answer.read()
        except (OSError, http.client.HTTPException):
            return
        acknowledged.append(title)


def _get(url: str) -> dict[str, list[dict[str, str]]]:
    with urllib.request.urlopen(url) as answer:
        return json.load(answer)


if __name__ == "__main__":
    main()
