"""The demo kitchen served for a measurement or a picture, in a process of its own."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from shutil import which
from typing import Any

from playwright.sync_api import Browser, sync_playwright

FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
         "--disable-background-networking", "--disable-component-update", "--disable-sync"]


@contextmanager
def served_with(data: str | None = None, *more: str) -> Iterator[tuple[str, subprocess.Popen[str]]]:
    """Serve the demo kitchen, from a fresh folder or a given one; yields address and process."""
    with tempfile.TemporaryDirectory() as fresh:
        process = subprocess.Popen(
            [sys.executable, "-m", "entremet.site.serve", "--demo", "--port", "0", *more],
            stdout=subprocess.PIPE, text=True, env={**os.environ, "ENTREMET_DATA": data or fresh})
        try:
            ready = next(line for line in process.stdout or () if "ready" in line)
            address = ready.split(": ", 1)[1].strip()
            # The page opens before the API is loaded; what is measured here is the API.
            with suppress(urllib.error.HTTPError):
                get(f"{address}/api/kitchen")
            yield address, process
        finally:
            process.terminate()
            process.wait()


@contextmanager
def served() -> Iterator[str]:
    """Serve the demo kitchen from a fresh database and yield its address."""
    with served_with() as (address, _):
        yield address


@contextmanager
def chromium() -> Iterator[Browser]:
    """Start Debian's Chromium."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=which("chromium-headless-shell"),
                                             args=FLAGS)
        yield browser
        browser.close()


def get(address: str) -> Any:
    """Ask a server."""
    with urllib.request.urlopen(address) as answer:
        return json.load(answer)


def post(address: str, body: object) -> Any:
    """Send a server something, and return what it answers."""
    request = urllib.request.Request(address, json.dumps(body).encode(),
                                     {"Content-Type": "application/json"})
    with urllib.request.urlopen(request, timeout=60) as answer:
        return json.load(answer)


def cpu_s(pid: int) -> float:
    """Return the seconds of processor a process has used."""
    rest = Path(f"/proc/{pid}/stat").read_text("ascii").rsplit(")", 1)[1].split()
    return (int(rest[11]) + int(rest[12])) / os.sysconf("SC_CLK_TCK")


def first_day(address: str) -> tuple[dict[str, Any], dict[str, Any]]:
    """Start a day in the demo kitchen; returns the fit it bakes, and the day."""
    recipe = next(one["id"] for one in get(f"{address}/api/recipes")["rows"]
                  if one["title"].startswith("Plum"))
    pan = next(one["id"] for one in get(f"{address}/api/pans") if one["label"] == "Round 20")
    fit = {"recipe": recipe, "into": [{"pan": pan, "count": 2}]}
    return fit, post(f"{address}/api/days", {"fit": fit})
