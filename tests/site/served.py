"""The program itself, in a process and a folder of its own."""

from __future__ import annotations

import os
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
SETTINGS = "tests.site.quick_settings"


def env(data: Path) -> dict[str, str]:
    return {**os.environ, "ENTREMET_DATA": str(data), "PYTHONPATH": str(ROOT),
            "DJANGO_SETTINGS_MODULE": SETTINGS}


@contextmanager
def served(data: Path, *more: str) -> Iterator[tuple[str, subprocess.Popen[str]]]:
    process = subprocess.Popen([sys.executable, "-m", "entremet.site.serve", "--port", "0",
                                *more],
                               stdout=subprocess.PIPE, text=True, env=env(data))
    try:
        assert process.stdout is not None
        ready = next(line for line in process.stdout if "ready" in line)
        yield ready.split(": ", 1)[1].strip(), process
    finally:
        process.terminate()
        process.wait(20)
