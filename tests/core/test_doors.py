"""Doors: which modules of a room others may import; the rest is the room's own business."""

from __future__ import annotations

import ast
import tomllib
from collections import defaultdict
from pathlib import Path

ROOT = Path(__file__).parents[2]
DOORS = tomllib.loads((Path(__file__).parent / "doors.toml").read_text("utf-8"))


def imported_from_outside():
    """By room of the core the modules that another room, the kitchen or the site imports."""
    found = defaultdict(set)
    for file in (ROOT / "entremet").rglob("*.py"):
        parts = file.relative_to(ROOT).with_suffix("").parts
        inside = parts[2] if parts[1] == "core" and len(parts) > 3 else None
        for node in ast.walk(ast.parse(file.read_text("utf-8"))):
            if not isinstance(node, ast.ImportFrom) or not node.module:
                continue
            names = node.module.split(".")
            if names[:2] != ["entremet", "core"] or len(names) < 3 or names[2] == inside:
                continue
            found[names[2]] |= {names[3]} if len(names) > 3 else {one.name for one in node.names}
    return found


def test_other_rooms_come_in_by_the_doors_alone():
    now = {room: sorted(modules) for room, modules in sorted(imported_from_outside().items())}
    past = {room: sorted(set(modules) - set(DOORS.get(room, {}).get("doors", [])))
            for room, modules in now.items()}
    assert {room: modules for room, modules in past.items() if modules} == {}


def test_no_door_stands_open_for_nobody():
    now = imported_from_outside()
    unused = {room: sorted(set(row["doors"]) - now[room]) for room, row in DOORS.items()}
    assert {room: modules for room, modules in unused.items() if modules} == {}


def test_every_room_says_which_its_doors_are():
    rooms = {one.name for one in (ROOT / "entremet/core").iterdir()
             if one.is_dir() and (one / "__init__.py").exists()}
    assert set(DOORS) == rooms
