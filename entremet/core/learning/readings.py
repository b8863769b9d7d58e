"""What was measured of a bake, as readings of the numbers it teaches."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import degrees, ml
from entremet.core.learning.quantities import QUANTITIES


@dataclass(frozen=True, slots=True, kw_only=True)
class Planned:
    """What a measure is held against; None where the plan could not say.

    Parameters
    ----------
    set_c : float or None
        What the dial was set to, °C.
    preheat_min : float or None
        The book's minutes until an oven of its kind is hot.
    batter_g, layer_g : float or None
        Batter in each pan, and what lay under and on it.
    risen_cm : float or None
        Height at the book's rise; None too where a layer stands with it.
    density : float or None
        The book's, g/ml.
    """

    set_c: float | None = None
    preheat_min: float | None = None
    batter_g: float | None = None
    layer_g: float | None = None
    risen_cm: float | None = None
    density: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Measures:
    """What a baker measured: each None where she did not.

    Parameters
    ----------
    oven_read_c : float or None
        A thermometer in the oven.
    hot_after_min : float or None
        Minutes until it was hot.
    height_cm, weight_g : float or None
        Of one cake, cold.
    batter_g_dl : float or None
        100 ml of the batter.
    """

    oven_read_c: float | None = None
    hot_after_min: float | None = None
    height_cm: float | None = None
    weight_g: float | None = None
    batter_g_dl: float | None = None


FIELDS = {"dial": "oven_read_c", "preheat": "hot_after_min", "rise": "height_cm",
          "bake_loss": "weight_g", "density": "batter_g_dl"}
"""Which measure teaches which number."""

_DOUBTS = {
    "dial": "That is {gap} off its setting; a dial is off by at most {most}.",
    "preheat": "No oven of its kind takes so long, or is hot so soon.",
    "rise": "That is {value:.1f} times as high as this batter rises. Is it one cake?",
    "bake_loss": "One cake of {batter:.0f} g of batter cannot weigh that. Is it one cake, cold?",
    "density": "No batter weighs that: {ml} of this one are about {usual:.0f} g."}


def readings_of(planned: Planned, measures: Measures) -> dict[str, float]:
    """Return by quantity what a bake says of it, plausible or not.

    Parameters
    ----------
    planned, measures : Planned, Measures
        Of that bake.

    Notes
    -----
    dial = thermometer − setting; preheat = minutes / book; rise = height / height at the book's
    rise; bake loss = 1 − (weight − layers) / batter; density = g of 100 ml / (100 × book).

    >>> readings_of(Planned(batter_g=500, layer_g=0), Measures(weight_g=440))
    {'bake_loss': 0.12}
    """
    found = {}
    if measures.oven_read_c is not None and planned.set_c is not None:
        found["dial"] = measures.oven_read_c - planned.set_c
    if measures.hot_after_min is not None and planned.preheat_min:
        found["preheat"] = measures.hot_after_min / planned.preheat_min
    if measures.height_cm is not None and planned.risen_cm:
        found["rise"] = measures.height_cm / planned.risen_cm
    if measures.weight_g is not None and planned.batter_g:
        found["bake_loss"] = 1 - (measures.weight_g - (planned.layer_g or 0.0)) / planned.batter_g
    if measures.batter_g_dl is not None and planned.density:
        found["density"] = measures.batter_g_dl / (100 * planned.density)
    return found


def check(planned: Planned, measures: Measures) -> None:
    """Refuse a measure that cannot be, naming its field: it would else be left out in silence.

    Raises
    ------
    ImpossibleChoice
        When what a measure says lies outside its quantity's range.
    """
    for name, value in readings_of(planned, measures).items():
        row = QUANTITIES[name]
        if not row.low <= value <= row.high:
            raise ImpossibleChoice(_DOUBTS[name].format(
                gap=degrees(abs(value)), most=degrees(row.high), ml=ml(100), value=value,
                batter=planned.batter_g or 0.0,
                usual=100 * (planned.density or 0.0)), field=FIELDS[name])
