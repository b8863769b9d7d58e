"""The demo kitchen served for a measurement or a picture, in a process of its own."""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from shutil import which

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
            yield ready.split(": ", 1)[1].strip(), process
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
