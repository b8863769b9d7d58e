"""What the kitchen has at hand, read once for an answer that many rows go into."""

from __future__ import annotations

from datetime import datetime
from zoneinfo import ZoneInfo

from entremet.core.measures.habits import Units
from entremet.kitchen.current import current, once
from entremet.kitchen.models import Bowl, Kitchen, Oven, RackPan, Workday
from entremet.kitchen.prepared import prepared

_scale_step = prepared(lambda: Kitchen.objects.values_list("scale_step_g")[:1])
_zone = prepared(lambda: Workday.objects.values_list("zone")[:1])


def racked() -> dict[int, RackPan]:
    """Return the pans of the rack by id."""
    return once("rack", lambda: {pan.pk: pan for pan in RackPan.objects.all()})


def ovens() -> list[Oven]:
    """Return the ovens of the kitchen."""
    return once("ovens", lambda: list(Oven.objects.all()))


def bowls() -> list[Bowl]:
    """Return the mixer bowls, the usual one first."""
    return list(Bowl.objects.all())


def habits() -> Kitchen:
    """Return the kitchen's name and habits; the usual ones while nobody chose any."""
    return Kitchen.objects.first() or Kitchen()


def scale_step_g() -> float:
    """Return what the scale reads to, grams, at every tick."""
    return next((step for step, in _scale_step()), None) or 1.0


def zone_name() -> str:
    """Return the zone of the kitchen's clock, at every tick."""
    return next((zone for zone, in _zone()), "UTC")


def by_its_clock(moment: datetime) -> datetime:
    """Return a moment as the kitchen's clock shows it: a late bake is of its own day there."""
    return moment.astimezone(ZoneInfo(zone_name()))


def units_here() -> Units:
    """Return the units this kitchen reads."""
    def read() -> Units:
        kept = habits().units
        return Units(kept) if kept in {one.value for one in Units} else Units.METRIC

    return current(("units",), read)
