"""What the kitchen has at hand, read once for an answer that many rows go into."""

from __future__ import annotations

from entremet.kitchen.current import once
from entremet.kitchen.models import Oven, RackPan


def racked() -> dict[int, RackPan]:
    """Return the pans of the rack by id."""
    return once("rack", lambda: {pan.pk: pan for pan in RackPan.objects.all()})


def ovens() -> list[Oven]:
    """Return the ovens of the kitchen."""
    return once("ovens", lambda: list(Oven.objects.all()))
