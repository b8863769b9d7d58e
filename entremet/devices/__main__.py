"""``python -m entremet.devices``: play a scale or a probe to a running Entremet."""

from __future__ import annotations

import argparse
import json
import time
import urllib.error
import urllib.request

from entremet.devices.probe import SimulatedProbe
from entremet.devices.scale import SimulatedScale

BEAT_S = 1.0


def main() -> None:
    """Play a device until its time is up."""
    parser = argparse.ArgumentParser(description="Play a device by the protocol of the formats.")
    parser.add_argument("kind", choices=["scale", "probe"])
    parser.add_argument("key", help="shown under Bake day, “Scale and probe”")
    parser.add_argument("--address", default="http://127.0.0.1:8000")
    parser.add_argument("--minutes", type=float, default=60.0, help="how long to play")
    parser.add_argument("--done", type=float, default=36.0, help="minutes to done")
    parser.add_argument("--pour", type=float, default=0.0, help="grams poured onto the scale")
    args = parser.parse_args()
    device = SimulatedScale() if args.kind == "scale" else SimulatedProbe(done_min=args.done)
    if isinstance(device, SimulatedScale):
        device.pour(args.pour)
    for _ in range(round(args.minutes * 60 / BEAT_S)):
        reading = device.run(BEAT_S if isinstance(device, SimulatedScale) else BEAT_S / 60)
        _send(f"{args.address}/api/devices/{args.key}/readings", {"readings": [reading]})
        time.sleep(BEAT_S)


def _send(address: str, body: object) -> None:
    request = urllib.request.Request(address, json.dumps(body).encode(),
                                     {"Content-Type": "application/json"})
    try:
        urllib.request.urlopen(request, timeout=5).read()
    except urllib.error.HTTPError as refused:
        raise SystemExit(json.loads(refused.read())["detail"]) from None
    except OSError:
        print("Entremet does not answer; the next reading is tried anew.")


if __name__ == "__main__":
    main()
