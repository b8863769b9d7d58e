"""Single faults that a person makes, planted in the text of a Python module."""

from __future__ import annotations

import ast
from collections.abc import Iterator
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Fault:
    """One change of a file: what stands between two places becomes something else."""

    kind: str
    line: int
    start: int
    end: int
    instead: str
    told: str


COMPARE: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.LtE, ast.LtE: ast.Lt, ast.Gt: ast.GtE, ast.GtE: ast.Gt, ast.Eq: ast.NotEq,
    ast.NotEq: ast.Eq, ast.Is: ast.IsNot, ast.IsNot: ast.Is, ast.In: ast.NotIn, ast.NotIn: ast.In}
TERMS: dict[type[ast.operator], type[ast.operator]] = {
    ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult,
    ast.FloorDiv: ast.Div, ast.Mod: ast.Mult}
NAMES = {"all": "any", "any": "all", "min": "max", "max": "min", "floor": "ceil", "ceil": "floor"}
LARGE = 12
TOLERANCES = (1e-12, 1e-9, 1e-7, 1e-6)
"""Numbers that stand for "as good as equal": another as small does the same."""


def faults_in(text: str) -> Iterator[Fault]:
    """Yield every single fault that can be planted in a module."""
    tree = ast.parse(text)
    lines = [0]
    for line in text.encode().splitlines(keepends=True):
        lines.append(lines[-1] + len(line))

    def fault(kind: str, node: ast.AST, instead: str) -> Fault:
        start = lines[node.lineno - 1] + node.col_offset  # type: ignore[attr-defined]
        end = lines[node.end_lineno - 1] + node.end_col_offset  # type: ignore[attr-defined]
        before = text.encode()[start:end].decode()
        return Fault(kind, node.lineno, start, end, instead,  # type: ignore[attr-defined]
                     f"{_short(before)}  →  {_short(instead) or 'nothing'}")

    for node in _code(tree):
        for kind, instead in _changes(node):
            if not isinstance(node, ast.expr) or ast.unparse(node) != instead:
                yield fault(kind, node, instead)


def planted(text: str, fault: Fault) -> str:
    """Return the module with the fault in it."""
    raw = text.encode()
    return (raw[:fault.start] + fault.instead.encode() + raw[fault.end:]).decode()


def _short(text: str) -> str:
    return " ".join(text.split())[:90]


def _code(node: ast.AST) -> Iterator[ast.AST]:
    """Walk what runs: no annotations, docstrings, imports or types' own definitions."""
    if isinstance(node, ast.FunctionDef) and node.name in ("__str__", "__repr__"):
        # What a row is called while somebody looks into the program: no baker reads it.
        return
    yield node
    skipped: list[ast.AST] = []
    if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef):
        skipped += [*node.decorator_list, *([node.returns] if node.returns else [])]
    if isinstance(node, ast.ClassDef):
        skipped += node.decorator_list
    if isinstance(node, ast.AnnAssign):
        skipped.append(node.annotation)
    for child in ast.iter_child_nodes(node):
        if child in skipped or isinstance(child, ast.arg | ast.Import | ast.ImportFrom):
            continue
        if isinstance(child, ast.keyword) and child.arg == "strict":
            # Of rows that are as long as each other it changes nothing.
            continue
        if (isinstance(child, ast.Expr) and isinstance(child.value, ast.Constant)) or (
                isinstance(child, ast.If) and ast.unparse(child.test) == "TYPE_CHECKING"):
            continue
        if isinstance(child, ast.Assign) and ast.unparse(child.value).startswith(
                ("TypeVar(", "models.")):
            # How wide a column is said to be: SQLite does not ask.
            continue
        yield from _code(child)


def _changes(node: ast.AST) -> Iterator[tuple[str, str]]:
    match node:
        case ast.Compare(ops=[op]) if type(op) in COMPARE:
            yield "comparison", ast.unparse(ast.Compare(
                node.left, [COMPARE[type(op)]()], node.comparators))
        case ast.BinOp(op=op) if type(op) in TERMS and not _words(node):
            other = ast.BinOp(node.left, TERMS[type(op)](), node.right)
            yield "operator", f"({ast.unparse(other)})"
            if not _tolerance(node.right):
                yield "dropped term", f"({ast.unparse(node.left)})"
        case ast.BoolOp():
            turned = ast.Or() if isinstance(node.op, ast.And) else ast.And()
            yield "and or", f"({ast.unparse(ast.BoolOp(turned, node.values))})"
            for place in range(len(node.values)):
                left = node.values[:place] + node.values[place + 1:]
                kept = left[0] if len(left) == 1 else ast.BoolOp(node.op, left)
                yield "dropped term", f"({ast.unparse(kept)})"
        case ast.UnaryOp(op=ast.Not()):
            yield "branch", f"({ast.unparse(node.operand)})"
        case ast.Name(id=name) if name in NAMES and isinstance(node.ctx, ast.Load):
            yield "name", NAMES[name]
        case ast.Attribute(attr=name) if name in NAMES:
            yield "name", f"{ast.unparse(node.value)}.{NAMES[name]}"
        case ast.Constant(value=int() | float()) if (
                not isinstance(node.value, bool) and node.value not in TOLERANCES):
            yield "constant", repr(_other(node.value))
        case ast.Constant(value=bool()):
            yield "constant", repr(not node.value)
        case ast.IfExp():
            yield "branch", f"({ast.unparse(node.body)})"
            yield "branch", f"({ast.unparse(node.orelse)})"
        case ast.If(body=[ast.Return() | ast.Raise() | ast.Continue()], orelse=[]):
            yield "removed guard", "pass"
        case ast.If():
            yield "branch", ast.unparse(ast.If(ast.UnaryOp(ast.Not(), node.test), node.body,
                                               node.orelse)).replace(
                "\n", "\n" + " " * node.col_offset)
        case ast.Call(args=[first, second, *more]) if not _either_way(node) and not any(
                isinstance(one, ast.Starred) for one in (first, second)):
            yield "swapped arguments", ast.unparse(ast.Call(
                node.func, [second, first, *more], node.keywords))
        case ast.Return(value=value) if value is not None and not isinstance(value, ast.Constant):
            if ast.unparse(value) != _default_of(value):
                yield "returned default", f"return {_default_of(value)}"
        case _:
            pass


def _other(value: float) -> float:
    """Return another number: the next for a small whole one, half as much again for a large one.

    A limit of 500 that is 501, a practice of 0.25 that is 0.27 are no faults that a baker meets.
    """
    if isinstance(value, int):
        return value + 1 if abs(value) < LARGE else value + value // 2
    return value * 1.5 + 0.01


def _either_way(node: ast.Call) -> bool:
    """Say whether two arguments may stand either way: the least of two is the least."""
    return (isinstance(node.func, ast.Name) and node.func.id in ("min", "max")) or (
        isinstance(node.func, ast.Attribute) and node.func.attr in ("hypot", "isclose", "dist"))


def _tolerance(node: ast.AST) -> bool:
    return isinstance(node, ast.Constant) and node.value in TOLERANCES


def _default_of(value: ast.AST) -> str:
    match value:
        case ast.JoinedStr():
            return '""'
        case ast.Compare() | ast.BoolOp() | ast.UnaryOp(op=ast.Not()):
            return "False"
        case ast.BinOp():
            return '""' if _words(value) else "0"
        case ast.List() | ast.ListComp():
            return "[]"
        case ast.Tuple():
            return f"({', '.join(['None'] * len(value.elts))},)" if value.elts else "()"
        case ast.Dict() | ast.DictComp():
            return "{}"
        case _:
            return "None"


def _words(node: ast.BinOp) -> bool:
    return any(isinstance(side, ast.JoinedStr | ast.List | ast.Tuple | ast.ListComp) or (
        isinstance(side, ast.Constant) and isinstance(side.value, str))
        for side in (node.left, node.right))
