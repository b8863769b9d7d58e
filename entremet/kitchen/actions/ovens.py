"""Ovens of the kitchen: added, changed, taken away; and the kitchen's own habits."""

from __future__ import annotations

from dataclasses import dataclass

from django.db import transaction

from entremet.core.baking.altitude import check_altitude
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ingredients.usual import USUAL, Usual
from entremet.core.measures.habits import Units
from entremet.core.ovens.oven import Oven as CoreOven
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.errors import NotHere, RackFull
from entremet.kitchen.models import Kitchen, Oven

MOST_OVENS = 20
SCALE_STEPS_G = (0.1, 0.5, 1.0, 2.0, 5.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Habits:
    """The kitchen's name and how it reads and weighs.

    Parameters
    ----------
    name : str
        What it is called.
    scale_step_g : float
        What its scale reads to: 0.1, 0.5, 1, 2 or 5 g.
    altitude_m : float or None
        Height above the sea; None where nobody said.
    units : Units
        Centimetres, inches or both.
    usual : Usual
        Cups and eggs of a recipe that does not say.
    paper : str
        "A4" or "Letter".
    welcomed : bool
        Whether the first questions are behind it.
    """

    name: str
    scale_step_g: float
    altitude_m: float | None
    units: Units = Units.METRIC
    usual: Usual = USUAL
    paper: str = "A4"
    clock: str = "24"
    welcomed: bool = True


@transaction.atomic
def put_oven(oven: CoreOven, *, usual: bool, oven_id: int | None = None, base: int = 1) -> Oven:
    """Add an oven, or change the one of that id from the version that was seen.

    The first is the usual one.

    Raises
    ------
    NotHere
        When there is none of that id.
    RackFull
        When the kitchen has its most.
    EditedMeanwhile
        When it was changed in between.
    """
    others = Oven.objects.all() if oven_id is None else Oven.objects.exclude(pk=oven_id)
    if oven_id is None:
        if others.count() >= MOST_OVENS:
            raise RackFull(f"A kitchen keeps {MOST_OVENS} ovens.")
        row = Oven(position=others.count())
    else:
        row = oven_row(oven_id)
        next_version(row, base=base, name="This oven")
    row.name, row.kind, row.dial = oven.name, oven.kind.value, oven.scale.value
    row.dial_step, row.dial_lowest, row.dial_highest = oven.step, oven.lowest, oven.highest
    row.shelf_width_cm, row.shelf_depth_cm = oven.shelf_cm or (None, None)
    row.shelves, row.dial_off_c, row.preheat_min = (
        oven.shelves, oven.dial_off_c, oven.preheat_min)
    row.is_default = usual or not others.filter(is_default=True).exists()
    if row.is_default:
        others.filter(is_default=True).update(is_default=False)
    row.save()
    return row


@transaction.atomic
def remove_oven(oven_id: int) -> None:
    """Take an oven away; another becomes the usual one where it was that.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = oven_row(oven_id)
    row.delete()
    following = Oven.objects.first()
    if following is not None and not Oven.objects.filter(is_default=True).exists():
        following.is_default = True
        following.save(update_fields=["is_default"])


def oven_row(oven_id: int) -> Oven:
    """Return an oven.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = Oven.objects.filter(pk=oven_id).first()
    if row is None:
        raise NotHere("This oven is not in the kitchen.", field="oven")
    return row


@transaction.atomic
def put_kitchen(habits: Habits, *, base: int) -> Kitchen:
    """Change the kitchen's name and habits.

    Raises
    ------
    ImpossibleChoice
        For a scale no kitchen has, or a height where nobody bakes.
    EditedMeanwhile
        When it was changed in between.
    """
    if habits.scale_step_g not in SCALE_STEPS_G:
        raise ImpossibleChoice("A scale reads to 0.1, 0.5, 1, 2 or 5 g.", field="scale_step_g")
    if habits.altitude_m is not None:
        check_altitude(habits.altitude_m)
    kitchen, _ = Kitchen.objects.get_or_create(id=1)
    next_version(kitchen, base=base, name="The kitchen")
    changed = {
        "name": habits.name, "scale_step_g": habits.scale_step_g, "altitude_m": habits.altitude_m,
        "units": habits.units.value, "measure_standard": habits.usual.standard,
        "egg_grade": habits.usual.grade, "paper": habits.paper,
        "clock": habits.clock, "welcomed": habits.welcomed}
    for name, value in changed.items():
        setattr(kitchen, name, value)
    kitchen.save(update_fields=[*changed, "version"])
    return kitchen
