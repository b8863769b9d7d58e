"""The order of work after the oven: what hands do, what waits, what shows that it is ready."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.dressing.cakes import CakeKind, Layer
from entremet.core.dressing.kinds import READINESS
from entremet.core.dressing.uses import Dressed
from entremet.core.finished.parts import FinishPart
from entremet.core.finishing.cooling import FRIDGE_C, ROOM_C, cooling_min
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.ground.quantities import celsius
from entremet.core.ground.reference import read_table
from entremet.core.pans.outlines import Ring

MINUTES = read_table("entremet.core.finished", "steps.toml")

HANDS_GROW = 0.8
"""Hands grow with so much of a power of how many there are; practice, 0.7 to 0.9."""

DOZEN = 12

AFTER = {"settle": "filling", "chill_crumb": "crumb", "chill_coat": "drip", "set_drip": "drip"}
"""Steps that wait for, or after, a use and are none themselves."""

ORDER = ("soak", "filling", "settle", "crumb", "chill_crumb", "coat", "press", "glaze",
         "chill_coat", "drip", "set_drip", "border", "cover", "dip", "swirl", "top")


ALCOHOL = "Alcohol in it is always stated: it never surely bakes off."
_DRINKS = re.compile(
    r"\b(?:rum|brandy|cognac|whisk(?:e)?y|bourbon|kirsch\w*|port|sherry|marsala|vodka|gin|calvados|"
    r"schnapps|liqueur|wine|champagne|prosecco|cava|beer|ale|stout|cider|amaretto|limoncello|"
    r"advocaat|grappa|vermouth|madeira|sake|mead)\b(?!\s+(?:vinegar|extract|essence|flavour\w*))",
    re.IGNORECASE)


def has_alcohol(name: str) -> bool:
    """Say whether an ingredient is a drink with alcohol in it, by its name.

    >>> has_alcohol("Dark rum"), has_alcohol("Cider vinegar"), has_alcohol("Ginger beer")
    (True, False, False)
    """
    return bool(_DRINKS.search(re.sub(r"(?i)\b(?:ginger|root) (?:beer|ale)\b", "", name)))


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishStep:
    """A step after the oven.

    Parameters
    ----------
    key, name : str
        What is done.
    hands_min, wait_min : float
        Hands busy, and waiting; practice but for the cooling.
    sign, caution : str
        What shows that it is ready, and what to take care of.
    """

    key: str
    name: str
    hands_min: float
    wait_min: float
    sign: str
    caution: str = ""


def cooling_of(layer: Layer, *, air_c: float = ROOM_C) -> float | None:
    """Return the minutes until the middle of a baked layer is at 26 °C, whatever cools it.

    Parameters
    ----------
    layer : Layer
        As it comes from the oven.
    air_c : float
        Round it, °C.

    Returns
    -------
    float or None
        None where the air is no cooler than that.
    """
    outline = layer.outline
    wide = (outline.outer - outline.tube) / 2 if isinstance(outline, Ring) else (
        4 * outline.area() / edge_cm(outline))
    surface = 2 * area_cm2(outline) + edge_cm(outline) * layer.height_cm
    return cooling_min(mass_g=layer.mass_g, surface_cm2=surface,
                       half_cm=min(layer.height_cm, wide) / 2, air_c=air_c)


def steps_of(rows: Sequence[Dressed], parts: Sequence[FinishPart],
             names: Sequence[str] = ()) -> list[FinishStep]:
    """Return the order of work over all cakes.

    Parameters
    ----------
    rows : sequence of Dressed
        Cakes as dressed.
    parts : sequence of FinishPart
        What goes on them.
    names : sequence of str
        All that goes into those parts, as the card names it.
    """
    used = {_step_of(use.key) for row in rows for use in row.uses}
    used |= {use.key for part in parts for use in part.uses if use.key == "top"}
    # A hot soak goes on before the cake cools; a cold one is drunk in afterwards.
    hot = any(row.soak_hot for row in rows)
    found = [_step("soak", _cakes_with("soak", rows), row="soak_hot")] if hot else []
    found.append(_cool([row.cake.baked for row in rows]))
    layers = sum(row.cake.count * len(row.cake.layers) for row in rows
                 if row.cake.trim_ml > 0 or (row.cake.kind is CakeKind.STACK and row.cake.joins))
    if layers:
        found.append(_step("level", layers))
    found += [_step(key, _cakes_with(AFTER.get(key, key), rows)) for key in ORDER
              if AFTER.get(key, key) in used and not (hot and key == "soak")
              and (key != "settle" or {"crumb", "coat"} & used)]
    told = dict.fromkeys(READINESS[part.kind].caution for part in parts if part.uses)
    if any(map(has_alcohol, names)):
        told[ALCOHOL] = None
    return [*found, FinishStep(
        key="out", name="All out?", hands_min=2, wait_min=0,
        sign="pins, skewers, toothpicks and paper counted in are counted out",
        caution=" ".join(one for one in told if one))]


def _cool(layers: Sequence[Layer]) -> FinishStep:
    room = max(cooling_of(one) or 0.0 for one in layers)
    fridge = max(cooling_of(one, air_c=FRIDGE_C) or 0.0 for one in layers)
    return FinishStep(
        key="cool", name="Cool", hands_min=2, wait_min=round(room),
        sign=f"{celsius(26)} in the middle; {fridge:.0f} min in the fridge, wrapped")


def _cakes_with(use: str, rows: Sequence[Dressed]) -> float:
    """Return how many cakes have a use; a dozen small ones counts as one."""
    return _cakes([row for row in rows if use == "top" or any(
        _step_of(one.key) == use for one in row.uses)])


def _cakes(rows: Sequence[Dressed]) -> float:
    """Return how many cakes there are; a dozen small ones counts as one."""
    return sum(row.cake.count / (DOZEN if row.cake.kind is CakeKind.SMALL else 1) for row in rows)


def _step_of(use: str) -> str:
    """Return the step a use belongs to: all that lies in a join is filled at once."""
    return "filling" if use.startswith("filling") else use


def _step(key: str, count: float, *, row: str = "") -> FinishStep:
    found = MINUTES[row or key]
    return FinishStep(key=key, name=found["name"], sign=found["sign"], wait_min=found["wait"],
                      hands_min=found["hands"] * count**HANDS_GROW,
                      caution=found.get("caution", ""))
