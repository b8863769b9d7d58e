"""The work of a cake's batter, from what is taken out of the fridge to the cake on its rack."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import accumulate

from entremet.core.loading.loads import Load
from entremet.core.loading.waiting import waiting_of
from entremet.core.pans.pan import AnyPan
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.preparing.leaving import leaving_of
from entremet.core.work.cake import OrderedCake
from entremet.core.work.durations import (
    FURTHER_MIX,
    LINES_OF_THE_TABLE,
    across_cm,
    hands_min,
    mixing_row,
)
from entremet.core.work.getting_ready import ReadyWork, ready_for_batter
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.own_waits import WaitsOfCake, waits_of, whole_min
from entremet.core.work.work import Heat, Hold, Lane, Wait, Work

SOFT_MIN, SOFT_MOST_MIN = 60, 180
"""Butter and eggs out of the fridge before a creamed batter: at least, and at most; practice."""

TURN_OUT_LATE_MIN, LOAD_LATE_MIN = 15, 60
"""How long a pan may stand past its time, and a full oven be put off for hands; practice."""

HOT_MOST_MIN = 45
"""How long a hot oven stands empty at most; practice."""

SAME_SHARE = 0.02
"""Less batter than this share short for a load is none."""

REFILL_EARLY_MIN = 5
"""So long before a load comes out the next is filled; practice, 2 to 10 min."""

OUT_LATE_MIN = 2
"""How long a bake that is done may wait for hands; practice."""

WEIGHED_MOST_MIN = 180
"""How long before it is mixed a batter is weighed, what is wet of it in the fridge until then:
the same day and never overnight; practice, 1 to 4 h."""

SOAKED = "soaked"
"""What is put to soak before a batter is mixed, as a part of it."""

SOAK_MIN, SOAKED_MOST_MIN = 5, 24 * 60
"""Hands that put something to soak, and how much longer than it has to it may; practice."""

LINED_MOST_MIN = 120
"""How long a pan stands lined before it is filled; practice, 1 to 4 h."""

Timed = Sequence[tuple[int, PanPlan]]


@dataclass(frozen=True, slots=True, kw_only=True)
class _Share:
    """Pans of one row that go into the oven with one load.

    Parameters
    ----------
    row, load : int
        Which row of pans, which load.
    turn : int
        Which load of that row; 0 for its first.
    pans : int
        How many; trays of wells count as trays.
    one : PanPlan
        The row.
    """

    row: int
    load: int
    turn: int
    pans: int
    one: PanPlan


def baking(cake: OrderedCake, loads: Sequence[Load]) -> list[Work]:
    """Return the work of a cake's batter, each piece after those it waits for.

    Parameters
    ----------
    cake : OrderedCake
        Whose; a fit that fills nothing, or none of whose bakes is timed, has no work.
    loads : sequence of Load
        How its pans go into the oven.

    Returns
    -------
    list of Work
        Take out, weigh, line, heat, then load by load mix, fill, bake, out, stand and turn out.
    """
    timed = _timed(cake)
    if not timed:
        return []
    shares = _shares(timed, loads)
    mixed_for = _mixed_for(cake, shares, len(loads))
    size = max(_across(one) for _, one in timed)
    waits, ready = waits_of(cake.plan), ready_for_batter(cake.plan)
    found = [*_before(cake, timed, shares, size=size, own=waits),
             *(_get_ready(cake, one) for one in ready), _heat(cake, loads)]
    mixed = 0
    for number, load in enumerate(loads):
        own = [one for one in shares if one.load == number]
        fills = [_fill(cake, one, mixed_for, rests=whole_min(waits.batter)) for one in own]
        mixes = [_mix(cake, place, size=size, own=waits, ready=() if place else ready,
                      until=fills[0].id if fills else None)
                 for place in range(mixed, mixed_for[number] + 1)]
        mixed += len(mixes)
        if number and mixes:
            mixes[0] = _as_late(cake, mixes, fills, number)
        found += [*mixes, *fills, *_bake(cake, number, load, own, mixes, fills,
                                         rests=whole_min(waits.batter))]
        found += [work for one in own for work in _turned_out(
            cake, one, last=one.turn == _last_turn(shares, one.row))]
    return found


def mixes_wanted(cake: OrderedCake, loads: Sequence[Load]) -> float | None:
    """Return how long batter waits for a later load that it is mixed too early for, minutes.

    Returns
    -------
    float or None
        None where every load has a mix that is made for it, or its batter may wait so long.
    """
    timed = _timed(cake)
    if not timed:
        return None
    mixed_for = _mixed_for(cake, _shares(timed, loads), len(loads))
    may = waiting_of(cake.plan.recipe, start=cake.plan.treatment.start).minutes.value
    waits = [sum(load.minutes for load in loads[mixed_for.index(mixed_for[number]):number])
             for number in range(len(loads))]
    longest = max(waits, default=0.0)
    return longest if longest > may else None


def _timed(cake: OrderedCake) -> Timed:
    """Return the rows of pans whose bake has a time, each with its place; none without amounts."""
    return [] if cake.plan.amounts is None else [
        (place, one) for place, one in enumerate(cake.plan.pans)
        if one.bake is not None and one.bake.window is not None]


def _shares(timed: Timed, loads: Sequence[Load]) -> list[_Share]:
    found = []
    for row, one in timed:
        turn = 0
        for number, load in enumerate(loads):
            pans = sum(item.entry == row for item in load.items)
            if pans:
                found.append(_Share(row=row, load=number, turn=turn, pans=pans, one=one))
                turn += 1
    return found


def _last_turn(shares: Sequence[_Share], row: int) -> int:
    return max((one.turn for one in shares if one.row == row), default=0)


def _mixed_for(cake: OrderedCake, shares: Sequence[_Share], loads: int) -> list[int]:
    """Return for each load the mix after which there is batter for it and those before."""
    pans: Counter[int] = Counter()
    for one in shares:
        pans[one.row] += one.pans
    wanted = [sum(_batter_g(one.one) * one.pans / pans[one.row] for one in shares
                  if one.load == load) for load in range(loads)]
    whole, mixes = sum(wanted), cake.plan.mixes
    if whole <= 0:
        return [len(mixes) - 1] * loads
    found, need = [], 0.0
    for each in wanted:
        need += each / whole
        have = accumulate(mix.share for mix in mixes)
        found.append(next((place for place, share in enumerate(have)
                           if share >= need - SAME_SHARE), len(mixes) - 1))
    # What is mixed at all is mixed for the last load at the latest.
    return [*found[:-1], len(mixes) - 1]


def _batter_g(one: PanPlan) -> float:
    return 0.0 if one.standing is None else one.standing.batter_g * one.entry.count


def _before(cake: OrderedCake, timed: Timed, shares: Sequence[_Share], *,
            size: float, own: WaitsOfCake) -> Iterator[Work]:
    plan = cake.plan
    if plan.recipe.style.traits.chills:
        yield cake.stands(cake.work_id(WorkKind.TAKE_OUT), "Butter and eggs out of the fridge",
                          SOFT_MIN, waits=(), why="soft for creaming; practice, 30 to 120 min")
    lines = sum(1 for line in plan.lines if line.included)
    took = hands_min("weigh", across_cm=size, times=lines / LINES_OF_THE_TABLE)
    yield cake.hands(cake.work_id(WorkKind.WEIGH), _of(cake, f"Weigh out {plan.recipe.title}"),
                     took.value, why=took.note)
    if own.soaked is not None:
        yield cake.hands(cake.work_id(WorkKind.MAKE, part=SOAKED), _of(cake, "Put to soak"),
                         SOAK_MIN, why=f"as the recipe says: “{own.soaked.words}”")
    for row, one in timed:
        took = hands_min("line_pan", across_cm=_across(one), times=_pans(one))
        out = cake.work_id(WorkKind.TURN_OUT, row, turn=_last_turn(shares, row))
        hold = Hold(pan=one.entry.label, count=_pans(one), until=out)
        yield cake.hands(
            cake.work_id(WorkKind.LINE, row), _of(cake, f"Prepare {one.entry.label}"), took.value,
            why=took.note, holds=() if _pan(one) is None else (hold,))


def _heat(cake: OrderedCake, loads: Sequence[Load]) -> Work:
    return cake.hands(
        cake.work_id(WorkKind.HEAT), f"{cake.plan.oven.name} on, "
        f"{loads[0].dial if loads else ''} · {cake.label}", 1,
        why=f"hot after {cake.preheat_min} min; leave it on if it is")


def _get_ready(cake: OrderedCake, one: ReadyWork) -> Work:
    return cake.hands(cake.work_id(WorkKind.MAKE, part=one.part), _of(cake, one.words),
                      one.hands_min, why="; ".join(filter(None, (one.sign, "practice"))))


def _mix(cake: OrderedCake, place: int, *, size: float, own: WaitsOfCake,
         ready: Sequence[ReadyWork], until: WorkId | None) -> Work:
    plan = cake.plan
    took = hands_min(mixing_row(plan.recipe.style), across_cm=size,
                     times=FURTHER_MIX if place else 1.0)
    # Eggs and milk that are weighed do not stand overnight; dry things may, and are one with them.
    waits = [Wait(on=cake.work_id(WorkKind.WEIGH), why="nothing wet is weighed the evening before",
                  most_min=None if place else WEIGHED_MOST_MIN)]
    if place:
        waits.append(Wait(on=cake.work_id(WorkKind.MIX, place - 1)))
    if plan.recipe.style.traits.chills:
        # What a later mix takes may come out of the fridge later.
        waits.append(Wait(on=cake.work_id(WorkKind.TAKE_OUT), why="not for hours on the worktop",
                          most_min=None if place else SOFT_MOST_MIN))
    if own.soaked is not None and not place:
        least = whole_min(own.soaked)
        waits.append(Wait(on=cake.work_id(WorkKind.MAKE, part=SOAKED), least_min=least,
                          most_min=least + SOAKED_MOST_MIN, why="soaked as the recipe says"))
    waits += [Wait(on=cake.work_id(WorkKind.MAKE, part=one.part), least_min=one.wait_min,
                   most_min=one.wait_min + one.keeps_min, why="got ready before it is mixed")
              for one in ready]
    # What rests in the fridge has a board there until it is filled.
    chilled = own.batter is not None and own.batter.cold and until is not None
    said = "" if own.batter is None else f"; then as the recipe says: “{own.batter.words}”"
    return cake.hands(cake.work_id(WorkKind.MIX, place), _of(
        cake, "Mix" if len(plan.mixes) == 1 else f"Mix {place + 1}"), took.value,
        why=f"{took.note}{said}", waits=waits, bowl=True,
        holds=(Hold(until=until),) if chilled else ())


def _as_late(cake: OrderedCake, mixes: Sequence[Work], fills: Sequence[Work],
             number: int) -> Work:
    """Return the first mix of a later load, begun so that the load before it comes out then."""
    ahead = sum(one.minutes for one in (*mixes, *fills)) + REFILL_EARLY_MIN
    return replace(mixes[0], waits=(*mixes[0].waits, Wait(
        on=cake.work_id(WorkKind.BAKE, number - 1), least_min=-ahead, why="for the next load")))


def _fill(cake: OrderedCake, one: _Share, mixed_for: Sequence[int], *, rests: int) -> Work:
    took = hands_min("fill_pan", across_cm=_across(one.one), times=one.pans)
    mix = cake.work_id(WorkKind.MIX, mixed_for[one.load])
    first = mixed_for.index(mixed_for[one.load]) == one.load
    waits = [Wait(on=cake.work_id(WorkKind.LINE, one.row), why="lined just before",
                  most_min=LINED_MOST_MIN if one.turn == 0 else None),
             Wait(on=mix, least_min=rests, most_min=rests + LOAD_LATE_MIN if first else None,
                  why="the batter has rested" if rests else "the batter is mixed")]
    if one.load:
        # A later load is filled as the one before it comes out, and its batter is stirred no more.
        waits.append(Wait(on=cake.work_id(WorkKind.BAKE, one.load - 1), why="for the next load",
                          least_min=-math.ceil(took.value * cake.pace) - REFILL_EARLY_MIN))
    return cake.hands(
        cake.work_id(WorkKind.FILL, one.row, turn=one.turn),
        _of(cake, f"Fill {one.one.entry.label}"), took.value, why=took.note, waits=waits)


def _bake(cake: OrderedCake, number: int, load: Load, own: Sequence[_Share],
          mixes: Sequence[Work], fills: Sequence[Work], *, rests: int) -> Iterator[Work]:
    plan = cake.plan
    waiting = waiting_of(plan.recipe, start=plan.treatment.start)
    latest = load.crowded * max(
        bake.window.latest_min for one in own
        if (bake := one.one.bake) is not None and bake.window is not None)
    name = cake.work_id(WorkKind.BAKE, number)
    waits = [Wait(on=cake.work_id(WorkKind.BAKE, number - 1))] if number else []
    may = max(1, math.floor(waiting.minutes.value))
    waits += [Wait(on=one.id, why=waiting.words, most_min=may) for one in fills]
    # Batter waits no longer than what is mixed and filled after it takes, and than it may.
    ahead = [*mixes, *fills]
    waits += [Wait(on=mix.id, why=waiting.words, most_min=rests + may + REFILL_EARLY_MIN + sum(
        one.minutes for one in ahead[place + 1:])) for place, mix in enumerate(mixes)]
    heat = cake.work_id(WorkKind.HEAT)
    if not number:
        waits.append(Wait(on=heat, least_min=cake.preheat_min,
                          most_min=cake.preheat_min + HOT_MOST_MIN,
                          why="hot when the batter is ready, and not for an hour before"))
    labels = ", ".join(dict.fromkeys(one.one.entry.label for one in own))
    yield Work(
        id=name, order=cake.order, words=_of(cake, f"Bake {labels}"), lane=Lane.OVEN,
        minutes=max(1, math.ceil(latest)), waits=tuple(waits),
        why=f"{load.dial}; likely {load.minutes:.0f} min, planned as no later than {latest:.0f}",
        heat=Heat(c=_heat_c(cake, load), kind=plan.oven.kind.value,
                  shelves=max(1, sum(1 for shelf in load.shelves if shelf)),
                  preheat_min=cake.preheat_min, on=None if number else heat))
    yield cake.hands(cake.work_id(WorkKind.OUT, number), f"Out of the oven · {cake.label}", 1,
                     waits=(Wait(on=name, most_min=OUT_LATE_MIN,
                                 why="a bake waits for nobody"),))


def _turned_out(cake: OrderedCake, one: _Share, *, last: bool) -> Iterator[Work]:
    pan = _pan(one.one)
    if pan is None:
        return
    leaving = leaving_of(cake.plan.recipe, pan, cake.plan.oven)
    stand = cake.work_id(WorkKind.STAND, one.row, turn=one.turn)
    label = one.one.entry.label
    yield cake.stands(
        stand, _of(cake, f"{label} stands in its pan"),
        max(1.0, leaving.stand_min.value), why=leaving.stand_min.note,
        waits=(Wait(on=cake.work_id(WorkKind.OUT, one.load), most_min=OUT_LATE_MIN),))
    took = hands_min("turn_out", across_cm=_across(one.one), times=one.pans)
    yield cake.hands(
        cake.work_id(WorkKind.TURN_OUT, one.row, turn=one.turn),
        _of(cake, f"{label}: {leaving.words}"), took.value, why=took.note,
        # Until the last of them is turned out all pans of a row are held from when they were lined.
        pans={label: _pans(one.one)} if last else {},
        waits=(Wait(on=stand, most_min=TURN_OUT_LATE_MIN, why="it sticks when it waits"),))


def _of(cake: OrderedCake, words: str) -> str:
    """Return words that say whose it is."""
    return words if cake.label in words else f"{words} · {cake.label}"


def _pan(one: PanPlan) -> AnyPan | None:
    return one.entry.pan if one.place is None else one.place.vessel.pan


def _across(one: PanPlan) -> float:
    pan = _pan(one)
    return 0.0 if pan is None else across_cm(pan)


def _pans(one: PanPlan) -> int:
    """Return how many pans a row is; wells are counted as trays."""
    pan = one.entry.pan
    return one.entry.count if pan is None else -(-one.entry.count // pan.wells)


def _heat_c(cake: OrderedCake, load: Load) -> float:
    return next((bake.oven.oven_c for item in load.items
                 if (bake := cake.plan.pans[item.entry].bake) is not None), 0.0)
