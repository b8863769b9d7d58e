"""What if it stays longer, or the oven stands otherwise: centre and crust minute by minute."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from entremet.core.baking.bakes import Bake, crust_over_recipe
from entremet.core.baking.heat_balance import Course, centre_c, minutes
from entremet.core.baking.schools import crust_words
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.temperature import REACH_C
from entremet.core.baking.window import Window, window
from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import Setting

BOILS_C = 100.0
"""The wet centre of a cake does not pass the boiling point of water; a curve is cut there."""

BEYOND = 1.25
"""A curve is drawn so far past the latest time."""

MOST_POINTS = 240

WARMER_C = 2.0
"""Settings nearer to done than this would bake for hours; they are not offered."""

CENTRE_WORDS = ((55.0, "still batter in the middle"), (80.0, "setting, wet on a skewer"),
                (3.0, "nearly done"))
"""Centre below the first, below the second, within so much of done; practice, as eggs and starch
set between about 60 and 85 °C."""

ALMOST_C = 1.0
"""So near to done counts as done: minutes are whole here."""

DRYING = 1.12
"""Share of the likely time from which a cake is said to be drying; practice, 1.08 to 1.2."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Moment:
    """One minute of a bake.

    Parameters
    ----------
    at_min : int
        Since the pan went in.
    centre_c : float
        Centre, never above boiling.
    centre, crust : str
        The same in words, and the crust against the recipe's own.
    """

    at_min: int
    centre_c: float
    centre: str
    crust: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Curve:
    """A bake at one setting.

    Parameters
    ----------
    setting : Setting or None
        Of the longest phase.
    dial : str
        The same in words.
    window : Window
        Its times there.
    moments : tuple of Moment
        Minute by minute, to a quarter past the latest time.
    phase_ends_min : tuple of int
        When one phase gives way to the next.
    """

    setting: Setting | None
    dial: str
    window: Window
    moments: tuple[Moment, ...]
    phase_ends_min: tuple[int, ...]


def curves_of(bake: Bake, source: SourceBake, oven: Oven) -> tuple[tuple[Curve, ...], int]:
    """Return a bake at every setting of the dial within reach, and which is the chosen one.

    Parameters
    ----------
    bake : Bake
        As chosen.
    source : SourceBake
        The recipe's own, for its crust.
    oven : Oven
        Whose dial it is.
    """
    if bake.window is None:
        return (), 0
    setting = bake.oven.setting
    if setting is None:
        return (_curve(bake, bake.course, 0.0, None, source, oven),), 0
    settings = _settings(setting, bake, source, oven)
    curves = []
    for one in settings:
        shift = oven.heat_c(one) - bake.oven.oven_c
        course = replace(bake.course, stretches=tuple(
            replace(stretch, oven_c=stretch.oven_c + shift) for stretch in bake.course.stretches))
        if minutes(course) is not None:
            curves.append(_curve(bake, course, shift, one, source, oven))
    return tuple(curves), next(place for place, one in enumerate(curves)
                               if one.setting == setting)


def _settings(setting: Setting, bake: Bake, source: SourceBake, oven: Oven) -> list[Setting]:
    """Return the settings within 20 °C of the recipe or of the chosen one, coolest first."""
    found = []
    for step in range(-60, 61):
        value = setting.value + step * oven.step
        if not oven.lowest - 1e-9 <= value <= oven.highest + 1e-9:
            continue
        try:
            one = Setting(value=value, scale=setting.scale)
        except UnreadableAmount:
            continue
        heat = oven.heat_c(one)
        near = min(abs(heat - source.oven_c), abs(heat - bake.oven.oven_c)) <= REACH_C + 1e-6
        ends = heat + _coolest_last(bake) > bake.course.done_c + WARMER_C
        if step == 0 or (near and ends):
            found.append(one)
    return found


def _coolest_last(bake: Bake) -> float:
    """Return how far the last phase is from the longest."""
    return bake.oven.parts[-1].heat_c - bake.oven.oven_c


def _curve(bake: Bake, course: Course, shift: float, setting: Setting | None, source: SourceBake,
           oven: Oven) -> Curve:
    likely = minutes(course)
    if likely is None:
        raise AssertionError("only bakes that end are drawn")
    same = abs(shift) < 1e-9 and bake.window is not None
    found = bake.window if same and bake.window is not None else window(
        likely, bake.spread, range_low=source.pace.range_low, proven=bake.expects.right_here)
    last = min(MOST_POINTS, math.ceil(found.latest_min * BEYOND))
    before, ends = 0.0, []
    for stretch in course.stretches[:-1]:
        before += stretch.share
        ends.append(math.floor(before * likely + 0.5))
    return Curve(
        setting=setting, dial=oven.words(setting), window=found, phase_ends_min=tuple(ends),
        moments=tuple(_moment(at, course, likely, source, oven, bake.expects.factor)
                      for at in range(last + 1)))


def _moment(at_min: int, course: Course, likely: float, source: SourceBake, oven: Oven,
            factor: float) -> Moment:
    # What makes a bake slower than the model is taken to slow its crust alike.
    centre = min(BOILS_C, centre_c(course, at_min, total_min=likely))
    ratio = crust_over_recipe(course, at_min / factor, source) if at_min and oven.has_dial else None
    return Moment(at_min=at_min, centre_c=centre,
                  centre=_centre_words(at_min, centre, likely, course),
                  crust="" if at_min <= course.lag_min else crust_words(ratio))


def _centre_words(at_min: int, centre: float, likely: float, course: Course) -> str:
    (batter_c, batter), (setting_c, setting), (near_c, near) = CENTRE_WORDS
    if centre < batter_c:
        return batter
    if centre < setting_c:
        return setting
    if centre < course.done_c - near_c:
        return "set, damp in the middle"
    if centre < course.done_c - ALMOST_C:
        return near
    return "done and drying" if at_min > DRYING * likely else "done"
