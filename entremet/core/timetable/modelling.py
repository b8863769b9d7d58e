"""The solver's modelling module, loaded by those who ask for a better plan alone."""

from __future__ import annotations

import sys
from importlib import import_module
from importlib.util import find_spec
from types import ModuleType
from typing import Any

TABLES = "pandas"


def modelling() -> Any:
    """Return ``ortools.sat.python.cp_model``; it takes a second to load.

    It imports a library of tables for variables laid out in tables, which nobody here makes. That
    is 84 MB, so it is not installed, and its two names stand there empty while the module loads.
    """
    if TABLES in sys.modules or find_spec(TABLES) is not None:
        return import_module("ortools.sat.python.cp_model")
    empty = ModuleType(TABLES)
    empty.Index = empty.Series = type("Table", (), {})  # type: ignore[attr-defined]  # a stand-in
    sys.modules[TABLES] = empty
    try:
        return import_module("ortools.sat.python.cp_model")
    finally:
        del sys.modules[TABLES]
