"""Files of the demo kitchen."""

from __future__ import annotations

import tomllib
from importlib.resources import files
from typing import Any


def demo_file(name: str) -> dict[str, Any]:
    """Return what a file of the demo holds."""
    return tomllib.loads(files("entremet.kitchen.demo").joinpath(name).read_text("utf-8"))
