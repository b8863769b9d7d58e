"""Ways to bake one batter, compared: at once, one deep cake, thin layers, one pan in turns."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.baking.bakes import lead_of
from entremet.core.baking.schools import dome_words
from entremet.core.fitting.rules import Entry, PanRule, Rule
from entremet.core.fitting.standing import VerdictCode
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import last_waits_min, loads_of
from entremet.core.loading.waiting import Waiting
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.plan.steps import pan_words

COOL_MIN = 15.0
"""Minutes a pan cools between two bakes before batter may go in; practice, range 10 to 25."""

LINE_MIN = 5.0
"""Minutes to turn out, wipe, grease and line it again; practice, range 3 to 10."""

UNSAFE = frozenset({VerdictCode.DOES_NOT_FIT, VerdictCode.OVER_RIM, VerdictCode.OVER_LIMIT,
                    VerdictCode.TOO_THIN})

LIKE_SHARE = 0.12
"""How far the widths of two pans may differ to count as layers of one cake; practice."""


class Way(Enum):
    """How one batter is baked."""

    AT_ONCE = "at_once"
    ONE_DEEP = "one_deep"
    THIN = "thin"
    TURNS = "turns"


@dataclass(frozen=True, slots=True, kw_only=True)
class WayRow:
    """One way, with what it costs.

    Parameters
    ----------
    way : Way
        Which.
    name, pans : str
        What is done, and the pans it needs.
    each_min : float
        Likely time of the slowest bake.
    oven_min : float
        Minutes the oven is in use, heating before the first bake not counted.
    last_out_min : float
        From the first pan going in until the last cake is likely out.
    waits_min : float
        How long the last batter waits.
    too_long : bool
        Whether this batter should not wait that long.
    pans_needed, shelves_needed, bakes : int
        Pans, shelves at once, and times the oven is filled.
    evenness, after : str
        What to expect of the cake, and what is left to do.
    slowest : PanPlan
        The pan that is done last of those that go in at once.
    overflows : str
        Verdict where the batter does not go in safely; empty else.
    """

    way: Way
    name: str
    pans: str
    each_min: float
    oven_min: float
    last_out_min: float
    waits_min: float
    too_long: bool
    pans_needed: int
    shelves_needed: int
    bakes: int
    evenness: str
    after: str
    slowest: PanPlan
    overflows: str = ""


Refit = Callable[[Sequence[Entry]], Plan]
"""Fits the same recipe to other pans with everything else as chosen."""


def ways_of(plan: Plan, rack: Sequence[Entry], *, refit: Refit,
            waiting: Waiting) -> tuple[WayRow, ...]:
    """Return ways to bake a fit's batter that its rack allows.

    Parameters
    ----------
    plan : Plan
        The fit; its first timed row of pans is what is compared.
    rack : sequence of Entry
        Pans the kitchen owns, with how many.
    refit : callable
        Fits other pans, each with its grams.
    waiting : Waiting
        How long the batter may stand.

    Returns
    -------
    tuple of WayRow
        As chosen first; empty where nothing has a time. Rings, loaves and wells are compared at
        once and in turns only.
    """
    timed = [one for one in plan.pans if one.bake is not None and one.bake.window is not None]
    if not timed:
        return ()
    rows = [_at_once(plan, Way.AT_ONCE, "As chosen, at once", waiting)]
    only = timed[0] if len(timed) == 1 else None
    pan = None if only is None or only.place is None else only.place.vessel.pan
    if only is None or only.standing is None or not isinstance(pan, Pan):
        return tuple(row for row in rows if row is not None)
    total_g = only.standing.batter_g * only.entry.count
    flat = pan.kind is PanKind.FLAT
    if flat and only.entry.count > 1:
        rows.append(_one_deep(pan, total_g, rack, refit, waiting))
    if flat and only.entry.count == 1:
        rows.append(_thin(pan, total_g, rack, refit, waiting))
    rows.append(_turns(only, total_g, refit, waiting))
    return tuple(row for row in rows if row is not None)


def _at_once(plan: Plan, way: Way, name: str, waiting: Waiting, *,
             after: str = "") -> WayRow | None:
    loads, _ = loads_of(oven_items(plan.pans), plan.oven)
    bakes = [one.bake for one in plan.pans if one.bake is not None and one.bake.window is not None]
    if not bakes or not loads:
        return None
    waits = last_waits_min(loads)
    last_out = waits + loads[-1].minutes
    return WayRow(
        way=way, name=name, pans=_pans(plan.pans), each_min=max(load.minutes for load in loads),
        oven_min=last_out, last_out_min=last_out, waits_min=waits,
        too_long=waits > waiting.minutes.value, bakes=len(loads),
        pans_needed=sum(len(load.items) for load in loads),
        shelves_needed=max(max(len(load.shelves), 1) for load in loads),
        evenness=_evenness(plan), after=after, slowest=plan.pans[lead_of(bakes).entry],
        overflows=_overflows(plan))


def _one_deep(pan: Pan, total_g: float, rack: Sequence[Entry], refit: Refit,
              waiting: Waiting) -> WayRow | None:
    """Return the whole batter in the likest single pan of the rack that takes it."""
    others = [one for one in rack if isinstance(one.pan, Pan) and one.pan.kind is PanKind.FLAT
              and type(one.pan.base) is type(pan.base)]
    others.sort(key=lambda one: abs(one.pan.base_area_cm2 - pan.base_area_cm2)
                if isinstance(one.pan, Pan) else 0.0)
    for one in others:
        plan = refit([_with_grams(one, 1, total_g)])
        if _is_safe(plan):
            return _at_once(plan, Way.ONE_DEEP, "One deep cake", waiting,
                            after="split it when cold")
    return None


def _thin(pan: Pan, total_g: float, rack: Sequence[Entry], refit: Refit,
          waiting: Waiting) -> WayRow | None:
    """Return the batter in two or three like pans of the rack at once."""
    for one in rack:
        if not isinstance(one.pan, Pan) or one.pan.kind is not PanKind.FLAT:
            continue
        like = (type(one.pan.base) is type(pan.base)
                and abs(one.pan.base.widest() / pan.base.widest() - 1) <= LIKE_SHARE)
        number = min(one.owned or 0, 3)
        if like and number >= 2:
            plan = refit([_with_grams(one, number, total_g / number)])
            if _is_safe(plan):
                return _at_once(plan, Way.THIN, f"{number} thinner layers at once", waiting,
                                after="stack them as they are")
    return None


def _turns(only: PanPlan, total_g: float, refit: Refit, waiting: Waiting) -> WayRow | None:
    """Return the batter baked bit by bit in one pan, or one tray."""
    pan = only.entry.pan
    if not isinstance(pan, Pan):
        return None
    per_turn = pan.wells if pan.kind is PanKind.WELLS else 1
    turns = -(-only.entry.count // per_turn)
    if turns < 2:
        if pan.kind is not PanKind.FLAT:
            return None
        turns = 2
    each = total_g / turns / per_turn
    plan = refit([_with_grams(only.entry, per_turn, each)])
    bakes = [one.bake for one in plan.pans if one.bake is not None]
    window = bakes[0].window if bakes else None
    if window is None:
        return None
    between = COOL_MIN + LINE_MIN
    last_out = turns * window.likely_min + (turns - 1) * between
    waits = last_out - window.likely_min
    return WayRow(
        way=Way.TURNS, name=f"One pan, {turns} turns", pans=only.entry.label,
        each_min=window.likely_min, oven_min=last_out, last_out_min=last_out, waits_min=waits,
        too_long=waits > waiting.minutes.value, pans_needed=1, shelves_needed=1, bakes=turns,
        evenness=_evenness(plan), slowest=plan.pans[0],
        after=f"cool {COOL_MIN:.0f} and line {LINE_MIN:.0f} min between two bakes (practice)",
        overflows=_overflows(plan))


def _with_grams(entry: Entry, count: int, grams: float) -> Entry:
    return replace(entry, count=count, rule=PanRule(kind=Rule.GRAMS, grams=grams))


def _is_safe(plan: Plan) -> bool:
    return not _overflows(plan) and any(one.bake is not None and one.bake.window is not None
                                        for one in plan.pans)


def _overflows(plan: Plan) -> str:
    for one in plan.pans:
        if one.verdict is not None and one.verdict.code in UNSAFE:
            return one.verdict.overflow
    return ""


def _evenness(plan: Plan) -> str:
    bakes = [one.bake for one in plan.pans if one.bake is not None and one.bake.window is not None]
    if not bakes or plan.source_bake is None:
        return ""
    return dome_words(lead_of(bakes), plan.source_bake,
                      strips=plan.treatment.strips)


def _pans(pans: Sequence[PanPlan]) -> str:
    return ", ".join(pan_words(one) for one in pans if one.bake is not None)
