"""Two ways to bake one recipe, side by side: depth, height, area, batter, layers, time."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from entremet.core.ground.quantities import cm, cm2
from entremet.core.ground.wording import compared
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan


@dataclass(frozen=True, slots=True, kw_only=True)
class ComparedRow:
    """One thing compared.

    Parameters
    ----------
    name : str
        What it is.
    one, other : str
        Of the first and the second way, with units; a dash where it is not known.
    words : str
        How the second stands to the first; empty where there is nothing to say.
    """

    name: str
    one: str
    other: str
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class _Measure:
    """A number of a plan, how it is written, and how two of them are put in words."""

    name: str
    value: Callable[[Plan], float | None]
    write: Callable[[float], str]
    more: str
    less: str
    times: str


def comparison(one: Plan, other: Plan) -> tuple[ComparedRow, ...]:
    """Compare two plans; what neither has is left out."""
    rows = []
    for measure in MEASURES:
        mine, theirs = measure.value(one), measure.value(other)
        if mine is None and theirs is None:
            continue
        rows.append(ComparedRow(
            name=measure.name, one=_written(measure, mine), other=_written(measure, theirs),
            words=_words(measure, mine, theirs)))
    return tuple(rows)


def _written(measure: _Measure, value: float | None) -> str:
    return "–" if value is None else measure.write(value)


def _words(measure: _Measure, mine: float | None, theirs: float | None) -> str:
    if not mine or not theirs:
        return ""
    words = compared(theirs / mine, more=measure.more, less=measure.less, times=measure.times)
    return f"{words} the first"


def _filled(plan: Plan) -> list[PanPlan]:
    return [one for one in plan.pans if one.standing is not None and one.place is not None]


def _deepest(plan: Plan) -> float | None:
    return max((one.standing.batter_cm for one in _filled(plan)
                if one.standing and one.standing.batter_cm is not None), default=None)


def _highest(plan: Plan) -> float | None:
    return max((one.standing.risen_cm for one in _filled(plan)
                if one.standing and one.standing.risen_cm is not None), default=None)


def _stacked(plan: Plan) -> float | None:
    """Height of all layer cakes of one row stacked, the highest row."""
    rows = [one.standing.risen_cm * one.entry.count for one in _filled(plan)
            if one.place and one.place.vessel.pan.kind is PanKind.FLAT
            and one.standing and one.standing.risen_cm is not None]
    return max(rows, default=None)


def _top_area(plan: Plan) -> float | None:
    pans = [(one.place.vessel.pan, one.entry.count) for one in _filled(plan) if one.place]
    if not pans or not all(isinstance(pan, Pan) for pan, _ in pans):
        return None
    return sum(pan.rim.area() * count for pan, count in pans if isinstance(pan, Pan))


def _batter(plan: Plan) -> float | None:
    return None if plan.amounts is None else plan.amounts.batter_g.value


def _leftover(plan: Plan) -> float | None:
    return None if plan.amounts is None else plan.amounts.leftover_g.value


def _layers(plan: Plan) -> float | None:
    flats = [one.entry.count for one in _filled(plan)
             if one.place and one.place.vessel.pan.kind is PanKind.FLAT]
    return float(sum(flats)) if flats else None


def _pieces(plan: Plan) -> float | None:
    if plan.portion is None:
        return None
    return float(sum((one.pieces or 0) * one.entry.count for one in _filled(plan)))


def _minutes(which: str) -> Callable[[Plan], float | None]:
    def value(plan: Plan) -> float | None:
        windows = [one.bake.window for one in plan.pans if one.bake and one.bake.window]
        return max((getattr(window, which) for window in windows), default=None)
    return value


def _cm(value: float) -> str:
    return cm(value)


def _minutes_text(value: float) -> str:
    return f"{value:.0f} min"


MEASURES = (
    _Measure(name="Batter", value=_batter, write=lambda g: f"{g:.0f} g",
             more="more", less="less", times="as much"),
    _Measure(name="Depth of the batter, deepest pan", value=_deepest, write=_cm,
             more="deeper", less="shallower", times="as deep"),
    _Measure(name="Height when baked, highest pan", value=_highest, write=_cm,
             more="higher", less="lower", times="as high"),
    _Measure(name="Height stacked, without filling", value=_stacked, write=_cm,
             more="higher", less="lower", times="as high"),
    _Measure(name="Area from above, all pans", value=_top_area,
             write=cm2, more="wider", less="narrower",
             times="as wide"),
    _Measure(name="Layers", value=_layers, write=lambda count: f"{count:.0f}",
             more="more", less="fewer", times="as many"),
    _Measure(name="Portions", value=_pieces, write=lambda count: f"{count:.0f}",
             more="more", less="fewer", times="as many"),
    _Measure(name="First look, slowest pan", value=_minutes("first_look_min"),
             write=_minutes_text, more="later", less="earlier", times="as late"),
    _Measure(name="Likely time, slowest pan", value=_minutes("likely_min"), write=_minutes_text,
             more="longer", less="shorter", times="as long"),
    _Measure(name="No later than", value=_minutes("latest_min"), write=_minutes_text,
             more="later", less="earlier", times="as late"),
    _Measure(name="Left over", value=_leftover, write=lambda g: f"{g:.0f} g",
             more="more", less="less", times="as much"),
)
"""What is compared, in the order a baker asks."""
