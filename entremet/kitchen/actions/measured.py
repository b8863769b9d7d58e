"""What is stored of a bake's plan and measures, as the core reads it."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import fields
from typing import Any

from entremet.core.learning.readings import Measures, Planned


def planned_of(stored: Any) -> Planned:
    """Return what a bake's measures are held against, from what was kept with it."""
    def number(name: str) -> float | None:
        value = stored.get(name) if isinstance(stored, dict) else None
        return float(value) if isinstance(value, int | float) and math.isfinite(value) else None

    return Planned(set_c=number("set_c"), preheat_min=number("book_preheat_min"),
                   batter_g=number("batter_g"), layer_g=number("layer_g"),
                   risen_cm=number("book_rise_cm"), density=number("book_density"))


def measures_of(measured: Mapping[str, float | None]) -> Measures:
    """Return what was measured and teaches a number; the rest is for the baker alone."""
    return Measures(**{one.name: measured.get(one.name) for one in fields(Measures)})
