"""``python -m bench.mutants [many] [seed] [rooms]``: plant a fault, see whether a test goes red.

A sample over the rules of the job and the kitchen's actions. Tests of the fault's own room are run
first, all of the core's and the kitchen's after them; a fault that outlives both is printed.
"""

from __future__ import annotations

import ast
import copy
import os
import random
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
ROOMS = {"fitting": "fitting plan", "baking": "baking plan", "pans": "pans fitting",
         "mixing": "mixing plan", "loading": "loading at_the_oven", "reading": "reading",
         "plan": "plan fitting mixing", "finishing": "finishing plan", "actions": ""}
SWAPS: dict[type[ast.AST], type[ast.AST]] = {
    ast.Lt: ast.LtE, ast.LtE: ast.Lt, ast.Gt: ast.GtE, ast.GtE: ast.Gt, ast.Eq: ast.NotEq,
    ast.NotEq: ast.Eq, ast.Is: ast.IsNot, ast.IsNot: ast.Is, ast.In: ast.NotIn, ast.NotIn: ast.In,
    ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult, ast.And: ast.Or,
    ast.Or: ast.And}
NAMES = {"all": "any", "any": "all", "min": "max", "max": "min", "floor": "ceil", "ceil": "floor"}


def faults(tree: ast.Module) -> Iterator[tuple[ast.Module, int, str]]:
    """Every single fault that can be planted: the whole tree with it, its line, what it is."""
    for place, node in enumerate(ast.walk(tree)):
        for change in _changes(node):
            other = copy.deepcopy(tree)
            twin = next(one for at, one in enumerate(ast.walk(other)) if at == place)
            yield other, getattr(node, "lineno", 0), _apply(twin, change)


def _changes(node: ast.AST) -> Iterator[str]:
    if isinstance(node, ast.Compare) and len(node.ops) == 1 and type(node.ops[0]) in SWAPS:
        yield "compare"
    if isinstance(node, ast.BinOp) and type(node.op) in SWAPS and not _words(node):
        yield "arithmetic"
    if isinstance(node, ast.BoolOp):
        yield "and or"
        yield "first alone"
    if isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.Not):
        yield "not"
    if (isinstance(node, ast.Name) and node.id in NAMES) or (
            isinstance(node, ast.Attribute) and node.attr in NAMES):
        yield "name"
    if isinstance(node, ast.Constant) and type(node.value) in (int, float) and node.value not in (
            1e-9, 1e-6, 1e-12):
        yield "number"
    if isinstance(node, ast.IfExp):
        yield "other branch"


def _words(node: ast.BinOp) -> bool:
    return any(isinstance(side, (ast.JoinedStr, ast.List, ast.Tuple)) or (
        isinstance(side, ast.Constant) and isinstance(side.value, str))
        for side in (node.left, node.right))


def _apply(node: ast.AST, change: str) -> str:
    before = ast.unparse(node)
    match node:
        case ast.Compare():
            node.ops = [SWAPS[type(node.ops[0])]()]  # type: ignore[list-item]  # of one family
        case ast.BinOp():
            node.op = SWAPS[type(node.op)]()  # type: ignore[assignment]  # of one family
        case ast.BoolOp() if change == "and or":
            node.op = SWAPS[type(node.op)]()  # type: ignore[assignment]  # of one family
        case ast.BoolOp():
            node.values = node.values[:-1]
        case ast.UnaryOp():
            node.operand = ast.UnaryOp(op=ast.Not(), operand=node.operand)
        case ast.Name():
            node.id = NAMES[node.id]
        case ast.Attribute():
            node.attr = NAMES[node.attr]
        case ast.Constant():
            node.value = node.value + 1 if isinstance(node.value, int) else node.value * 1.07 + 0.01
        case ast.IfExp():
            node.body, node.orelse = node.orelse, node.body
    return f"{before}  →  {ast.unparse(node)}"


def main() -> None:
    many = int(sys.argv[1]) if len(sys.argv) > 1 else 100
    dice = random.Random(int(sys.argv[2]) if len(sys.argv) > 2 else 3)
    rooms = sys.argv[3].split(",") if len(sys.argv) > 3 else list(ROOMS)
    planted: list[tuple[Path, ast.Module, int, str]] = []
    for room in rooms:
        home = ROOT / ("entremet/kitchen/actions" if room == "actions" else f"entremet/core/{room}")
        found = [(path, *fault) for path in sorted(home.glob("*.py"))
                 for fault in faults(ast.parse(path.read_text("utf-8")))]
        planted += dice.sample(found, min(len(found), many // len(rooms)))
    killed, alive = 0, []
    with tempfile.TemporaryDirectory() as work:
        copy_of = Path(work) / "copy"
        shutil.copytree(ROOT, copy_of, symlinks=True, ignore=shutil.ignore_patterns(
            ".git", ".venv", "node_modules", "var", ".mypy_cache", ".ruff_cache", "__pycache__"))
        for path, tree, line, what in planted:
            inside = path.relative_to(ROOT)
            (copy_of / inside).write_text(ast.unparse(tree), "utf-8")
            if _goes_red(copy_of, path):
                killed += 1
            else:
                alive.append(f"{inside}:{line}  {what}")
                print("alive:", alive[-1], flush=True)
            shutil.copy(path, copy_of / inside)
    print(f"{killed} of {len(planted)} faults killed, {100 * killed / max(1, len(planted)):.0f} %; "
          f"promised 90 %: {'met' if killed >= 0.9 * len(planted) else 'MISSED'}")


def _goes_red(tree: Path, path: Path) -> bool:
    room = path.parent.name
    near = [f"tests/core/{one}" for one in ROOMS[room].split()]
    far = ["tests/core", "tests/kitchen"]
    for tests in filter(None, (near, far)):
        done = subprocess.run(
            [sys.executable, "-m", "pytest", "-x", "-q", "-p", "no:cacheprovider", *tests,
             "--deselect", "tests/kitchen/api/test_rest.py", "--ignore", "tests/core/reading/"
             "test_hostile_text.py"], cwd=tree, capture_output=True, check=False, timeout=900,
            env={**os.environ, "ENTREMET_EXAMPLES": "quick", "PYTHONPATH": str(tree)})
        if done.returncode not in (0, 5):
            return True
    return False


if __name__ == "__main__":
    main()
