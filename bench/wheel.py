"""``make wheel-check``: the wheel in an empty environment, as somebody without the checkout has it.

Installed, started, driven by a browser, killed, started again over the same kitchen, and over one
of an older program; prints what it weighs and how long it takes.
"""

from __future__ import annotations

import gzip
import os
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from bench.live import chromium, get, post

ROOT = Path(__file__).resolve().parents[1]


def main() -> None:
    (wheel,) = (ROOT / "dist").glob("*.whl")
    with tempfile.TemporaryDirectory() as folder:
        home = Path(folder)
        print(f"wheel {wheel.stat().st_size / 1e6:.1f} MB")
        began = time.perf_counter()
        subprocess.run([sys.executable, "-m", "venv", home / "venv"], check=True)
        subprocess.run([home / "venv/bin/pip", "install", "--quiet", wheel], check=True)
        print(f"installed in {time.perf_counter() - began:.0f} s, "
              f"{_bytes(home / 'venv') / 1e6:.0f} MB")
        env = {name: one for name, one in os.environ.items()
               if not name.startswith(("ENTREMET", "PYTHON", "DJANGO", "XDG"))}
        env |= {"HOME": str(home), "PATH": "/usr/bin:/bin"}
        entremet = home / "venv/bin/entremet"
        for words in ("first", "second", "third"):
            with _started(entremet, env, home) as (address, took, process):
                print(f"{words} start of one's own kitchen: {took:.1f} s")
                if words == "first":
                    _driven(address)
                    post(f"{address}/api/bowls", {"name": "Copper", "capacity_ml": 3000})
                else:
                    assert [one["name"] for one in get(f"{address}/api/bowls")] == ["Copper"]
                    print(f"memory {_resident(process.pid):.0f} MB")
                if words == "second":
                    process.send_signal(signal.SIGKILL)
        older = sorted((ROOT / "tests/kitchen/older").glob("*.sqlite3.gz"))[-2]
        data = home / "older"
        data.mkdir()
        (data / "kitchen.sqlite3").write_bytes(gzip.decompress(older.read_bytes()))
        with _started(entremet, env, home, "--data", str(data)) as (address, took, _):
            cards = len(get(f"{address}/api/recipes")["rows"])
            print(f"over a kitchen of {older.name.split('.')[0]}: {took:.1f} s, {cards} cards stay")
            assert cards


@contextmanager
def _started(entremet: Path, env: dict[str, str], folder: Path, *more: str,
             ) -> Iterator[tuple[str, float, subprocess.Popen[str]]]:
    began = time.perf_counter()
    process = subprocess.Popen([str(entremet), "--no-browser", "--port", "0", *more], env=env,
                               cwd=folder, stdout=subprocess.PIPE, text=True)
    try:
        ready = next(line for line in process.stdout or () if "ready" in line)
        yield ready.split(": ", 1)[1].strip(), time.perf_counter() - began, process
    finally:
        process.terminate()
        process.wait(20)


def _driven(address: str) -> None:
    """Open the first morning in a browser: its page, its fonts and its scripts come with it."""
    with chromium() as browser:
        page = browser.new_page()
        wrong: list[str] = []
        page.on("requestfailed", lambda one: wrong.append(one.url))
        page.goto(address)
        page.locator("main h1").first.wait_for()
        assert not wrong, wrong
        print(f"opened: {page.locator('main h1').first.inner_text()}")


def _bytes(folder: Path) -> int:
    return sum(one.stat().st_size for one in folder.rglob("*") if one.is_file())


def _resident(pid: int) -> float:
    for line in Path(f"/proc/{pid}/status").read_text("ascii").splitlines():
        if line.startswith("VmRSS"):
            return int(line.split()[1]) / 1024
    return 0.0


if __name__ == "__main__":
    main()
