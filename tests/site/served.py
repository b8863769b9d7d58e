"""The program itself, in a process and a folder of its own."""

from __future__ import annotations

import os
import shutil
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from tests.once import made_once

ROOT = Path(__file__).resolve().parents[2]
SETTINGS = "tests.site.quick_settings"


def env(data: Path) -> dict[str, str]:
    return {**os.environ, "ENTREMET_DATA": str(data), "PYTHONPATH": str(ROOT),
            "DJANGO_SETTINGS_MODULE": SETTINGS}


def begin(folder: Path) -> None:
    """Leave a kitchen and its door as a first start does: begun once, then copied."""
    folder.mkdir()
    with _served(folder, "--share"):
        pass
    (folder / "kitchen.secret").unlink()


@contextmanager
def served(data: Path, *more: str, begun: bool = True,
           ) -> Iterator[tuple[str, subprocess.Popen[str]]]:
    """Serve a kitchen from a folder; one that is empty is not begun anew each time."""
    if begun and "--demo" not in more and not (data.exists() and any(data.iterdir())):
        data.mkdir(exist_ok=True)
        kitchens = "kitchen*.sqlite3" if "--share" in more else "kitchen.sqlite3"
        for one in made_once("begun", begin).glob(kitchens):
            shutil.copy2(one, data)
    with _served(data, *more) as found:
        yield found


@contextmanager
def _served(data: Path, *more: str) -> Iterator[tuple[str, subprocess.Popen[str]]]:
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
