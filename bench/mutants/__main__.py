"""``python -m bench.mutants [many] [seed] [rooms]``: plant a fault, see whether a test goes red.

A sample over every room of the core, the kitchen, what is round them and the front end's pure code,
by how long each is. The tests that reach a fault are known from a run that is kept (testmon), the
quickest of them first; those of the front end by what they import. Survivors are printed.
"""

from __future__ import annotations

import json
import os
import random
import shutil
import subprocess
import sys
import tempfile
import time
from collections import Counter, defaultdict
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import SimpleQueue

from bench.mutants.faults import Fault, faults_in, planted

ROOT = Path(__file__).resolve().parents[2]
WANTED, WANTED_ROOM, LEAST_OF_A_ROOM, HANGS_S = 0.85, 0.75, 2, 420
SOUNDS = ("tones.ts", "ticker.worker.ts")
"""What only a browser does: nothing of it could be heard in a test."""
PURE = ("frontend/src/domain", "frontend/src/running")
LEFT_OUT = ("migrations", "demo/", "management/", "site/settings.py")
WHOLE = ["-x", "-q", "-p", "no:playwright"]
SELECTED = [*WHOLE, "--testmon", "--testmon-nocollect", "--ignore", "tests/browser", "--ignore",
            "tests/bench"]


QUICK = ["tests/known/test_known_constants.py", "tests/known/test_known_core.py"]
"""What reaches a constant as a module is loaded: it is loaded once, by whichever test is first."""


def room_of(path: str) -> str:
    parts = path.split("/")
    if path.startswith("frontend"):
        return f"front end {parts[2]}"
    inside = parts[1] in ("core", "kitchen") and not parts[2].endswith(".py")
    return "/".join(parts[1:3]) if inside else parts[1]


def every_fault() -> dict[str, list[tuple[str, Fault]]]:
    """All that can be planted, by room."""
    rooms: dict[str, list[tuple[str, Fault]]] = defaultdict(list)
    for path in sorted((ROOT / "entremet").rglob("*.py")):
        name = path.relative_to(ROOT).as_posix()
        if not any(one in name for one in LEFT_OUT) and "/" in name.removeprefix("entremet/"):
            found = [(name, one) for one in faults_in(path.read_text("utf-8"))]
            if found:
                rooms[room_of(name)] += found
    pure = [one.relative_to(ROOT).as_posix() for folder in PURE
            for one in sorted((ROOT / folder).glob("*.ts")) if not one.name.startswith("use")
            and one.name not in SOUNDS]
    told = subprocess.run(["node", "bench/mutants/interface.mjs", *pure], cwd=ROOT, check=True,
                          capture_output=True, text=True)
    for row in json.loads(told.stdout):
        name = row.pop("file")
        rooms[room_of(name)].append((name, Fault(**row)))
    return rooms


def sample(rooms: dict[str, list[tuple[str, Fault]]], many: int,
           dice: random.Random) -> list[tuple[str, Fault]]:
    """Take so many, each room by its share of lines and no room left out."""
    lines = {room: sum(len((ROOT / name).read_text("utf-8").splitlines())
                       for name in {name for name, _ in found}) for room, found in rooms.items()}
    whole = sum(lines.values())
    taken = []
    for room, found in rooms.items():
        count = max(LEAST_OF_A_ROOM, round(many * lines[room] / whole))
        taken += dice.sample(found, min(count, len(found)))
    dice.shuffle(taken)
    return taken


def goes_red(tree: Path, name: str, fault: Fault) -> bool:
    """Plant a fault in a copy of the tree, run what reaches it, take it out again."""
    path = tree / name
    before = path.read_text("utf-8")
    path.write_text(planted(before, fault), "utf-8")
    env = {**os.environ, "PYTHONPATH": str(tree)}
    try:
        if name.endswith(".ts"):
            runs = [["npx", "vitest", "run", "tests/domain.test.ts", "--bail", "1"],
                    ["npx", "vitest", "related", "--run", "--bail", "1", str(path)]]
            cwd = tree / "frontend"
        else:
            # What is worked out once and kept was reached by one test and is relied on by others.
            near = f"tests/{'/'.join(Path(name).parts[1:-1])}"
            while not (tree / near).is_dir():
                near = str(Path(near).parent)
            runs, cwd = [[sys.executable, "-m", "pytest", *WHOLE, *QUICK],
                         [sys.executable, "-m", "pytest", *SELECTED],
                         [sys.executable, "-m", "pytest", *WHOLE, near]], tree
        for run in runs:
            try:
                done = subprocess.run(run, cwd=cwd, env=env, capture_output=True, check=False,
                                      timeout=HANGS_S)
            except subprocess.TimeoutExpired:
                return True
            # A library that falls over what it is given (a signal, below 0) is seen by anybody.
            if done.returncode < 0 or done.returncode == 1 or (
                    done.returncode == 2 and b"Error" in done.stdout):
                return True
            if done.returncode not in (0, 5):
                raise RuntimeError(done.stdout.decode() + done.stderr.decode())
        return False
    finally:
        path.write_text(before, "utf-8")


def copied(work: Path, place: int) -> Path:
    tree = work / f"copy{place}"
    shutil.copytree(ROOT, tree, symlinks=True, ignore=shutil.ignore_patterns(
        ".git", ".venv", "node_modules", "var", ".mypy_cache", ".ruff_cache", "screenshots"))
    (tree / "frontend/node_modules").symlink_to(ROOT / "frontend/node_modules")
    return tree


def main() -> None:
    many = int(sys.argv[1]) if len(sys.argv) > 1 else 150
    seed = int(sys.argv[2]) if len(sys.argv) > 2 else random.SystemRandom().randrange(10**6)
    rooms = every_fault()
    if len(sys.argv) > 3:
        rooms = {room: rooms[room] for room in sys.argv[3].split(",")}
    todo = sample(rooms, many, random.Random(seed))
    begun, found, tried = time.monotonic(), Counter[str](), Counter[str]()
    with tempfile.TemporaryDirectory() as work, ThreadPoolExecutor(2) as both:
        trees: SimpleQueue[Path] = SimpleQueue()
        for place in range(2):
            trees.put(copied(Path(work), place))

        def tell(one: tuple[str, Fault]) -> None:
            name, fault = one
            tree = trees.get()
            try:
                red = goes_red(tree, name, fault)
            finally:
                trees.put(tree)
            tried[room_of(name)] += 1
            found[room_of(name)] += red
            if not red:
                print(f"alive: {name}:{fault.line}  {fault.kind}: {fault.told}", flush=True)
            if tried.total() % 10 == 0:
                print(f"  {found.total()} found of {tried.total()} tried, {len(todo)} in all, "
                      f"{(time.monotonic() - begun) / 60:.0f} min", flush=True)

        list(both.map(tell, todo))
    share = found.total() / tried.total()
    print(f"\nseed {seed}, {tried.total()} faults in {(time.monotonic() - begun) / 60:.0f} min")
    for room in sorted(tried):
        low = "" if found[room] >= WANTED_ROOM * tried[room] else "  below"
        print(f"  {room:28} {found[room]:3} of {tried[room]:3}{low}")
    print(f"found {found.total()} of {tried.total()}, {100 * share:.0f} %; "
          f"wanted {100 * WANTED:.0f} %: {'met' if share >= WANTED else 'MISSED'}")


if __name__ == "__main__":
    main()
