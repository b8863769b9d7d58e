"""Holes of a card: what a calculation needs and the card does not say, with what is assumed."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import Enum

from entremet.core.card.card import Card
from entremet.core.card.measure_standard import standard_named_by_pairs
from entremet.core.card.recipe import Recipe
from entremet.core.ground.errors import ImpossiblePan, UnreadableAmount
from entremet.core.ground.provenance import Origin
from entremet.core.ground.quantities import cm, degrees, ml
from entremet.core.ground.wording import listed
from entremet.core.ingredients.eggs import GRADES
from entremet.core.measures.units import HOUSEHOLD_UNITS
from entremet.core.ovens.settings import OWN_HEAT
from entremet.core.pans.measures import pan_from
from entremet.core.pans.pan import CapacityPan, Pan


class Aim(Enum):
    """What a baker wants of a card."""

    AMOUNTS = "amounts"
    OTHER_PANS = "other_pans"
    BAKE_TIME = "bake_time"


ALL_AIMS = frozenset(Aim)


@dataclass(frozen=True, slots=True, kw_only=True)
class Hole:
    """Something the card does not say.

    Parameters
    ----------
    code : str
        Its name; the card keeps it when its assumption is accepted.
    text : str
        What is missing, and for what.
    assume : str
        What is assumed instead; empty where nothing can be.
    field : str
        Where on the card it is filled.
    accepted : bool
        Whether the baker has accepted the assumption.
    """

    code: str
    text: str
    assume: str
    field: str
    accepted: bool = False


def holes(card: Card, recipe: Recipe, *, aims: frozenset[Aim] = ALL_AIMS) -> list[Hole]:
    """Return the holes that the chosen aims meet, and only those.

    Parameters
    ----------
    card : Card
        As kept.
    recipe : Recipe
        The same, resolved.
    aims : frozenset of Aim
        What the card is wanted for.
    """
    found: list[Hole] = []
    if aims:
        found += _measures(card, recipe)
    if Aim.OTHER_PANS in aims or Aim.BAKE_TIME in aims:
        found += _batter(card, recipe)
        found += _pans(card, recipe)
    if Aim.BAKE_TIME in aims:
        found += _oven(card, recipe)
    return [Hole(code=hole.code, text=hole.text, assume=hole.assume, field=hole.field,
                 accepted=hole.code in card.assumed and bool(hole.assume)) for hole in found]


def _measures(card: Card, recipe: Recipe) -> Iterator[Hole]:
    units = {amount.unit for line in card.lines for amount in (
        line.amount, None if line.joined is None else line.joined.amount) if amount is not None}
    if card.measure_standard is None and units & HOUSEHOLD_UNITS:
        named = standard_named_by_pairs(card)
        if named is None:
            sizes = recipe.usual.sizes
            yield Hole(code="measure_standard", field="measure_standard",
                       text="Which cups and spoons the recipe means.",
                       assume=f"{sizes.name} cups of {ml(sizes.cup_ml)}, spoons of "
                              f"{ml(sizes.tbsp_ml)} and {ml(sizes.tsp_ml)}")
    counted = [line for line in recipe.lines if line.is_eggs]
    if counted and card.egg_grade is None and card.egg_g is None:
        grades = sorted({line.grade_key or recipe.usual.grade for line in counted})
        words = listed([f"{GRADES[key].words}" for key in grades])
        yield Hole(code="egg_grade", field="egg_grade", text="Where the eggs are from, and their "
                   "size." if any(line.grade_key is None for line in counted)
                   else "Where the eggs are from.", assume=words)
    unweighed = [line.name for line in recipe.lines
                 if line.component.value in ("batter", "inclusion")
                 and line.amount is not None and recipe.weights[line.key] is None]
    if unweighed:
        yield Hole(code="unweighed_lines", field="lines",
                   text=f"What this weighs: {listed(unweighed)}.",
                   assume="nothing; it scales with the card and is not counted in the batter")


def _batter(card: Card, recipe: Recipe) -> Iterator[Hole]:
    if card.style is None:
        yield Hole(code="style", field="style", text="The style of the batter: how much it rises "
                   "and how full a pan may be.",
                   assume=f"{recipe.style.name}, by its eggs and fat")


def _pans(card: Card, recipe: Recipe) -> Iterator[Hole]:
    if not card.pans:
        yield Hole(code="pans", field="pans", text="The pan the recipe is written for.",
                   assume=f"no pan: others get the usual fill, "
                          f"{recipe.style.usual_fill.value:.0%}, and the time "
                          "is the style's own")
    for one in card.pans:
        try:
            pan = pan_from(one.measures, label=one.label)
        except (ImpossiblePan, UnreadableAmount) as error:
            yield Hole(code=f"pan_measures:{one.label}", field="pans", assume="",
                       text=f"{one.label}: {error.text}")
            continue
        if isinstance(pan, CapacityPan):
            yield Hole(code=f"pan_measures:{one.label}", field="pans",
                       text=f"One inside measure of {one.label}.",
                       assume="its capacity alone: it can be filled, not timed")
        elif (isinstance(pan, Pan) and pan.wall_cm.origin is Origin.ASSUMED
              and pan.base != pan.rim):
            # Of a straight pan the wall changes no amount and no time, so it is not asked for.
            yield Hole(code=f"wall:{one.label}", field="pans",
                       text=f"The wall height of {one.label}, since its walls slope.",
                       assume=f"{cm(pan.wall_cm.value)}, higher if the batter needs it")


def _oven(card: Card, recipe: Recipe) -> Iterator[Hole]:
    has_setting = card.setting is not None or any(one.setting for one in card.phases)
    if not has_setting and card.oven_kind not in OWN_HEAT:
        yield Hole(code="setting", field="setting", text="The oven setting.", assume="")
    elif has_setting and card.oven_kind is None:
        yield Hole(code="oven_kind", field="oven_kind", text="Whether the setting means a fan "
                   "oven.", assume="a conventional oven; a fan dial stands about "
                   f"{degrees(20)} lower")
    timed = len(card.phases) > 1 and all(one.minutes for one in card.phases)
    if card.stated_low_min is None and not timed:
        yield Hole(code="stated_time", field="stated_low_min", text="How long it bakes.",
                   assume=f"the usual pace of {recipe.style.name}, with a wide window")
