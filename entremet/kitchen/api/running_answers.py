"""A day as it stands, told: its steps, what runs, when each order is ready."""

from __future__ import annotations

import time
from datetime import datetime
from typing import Literal

from entremet.core.baking.window import Window
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.probing.faults import Probed, air_off, probed
from entremet.core.probing.posterior import Reading, Watched
from entremet.core.running.forecast import forecast
from entremet.core.running.lead import lead_of, overdue, unasked_in
from entremet.core.running.pouring import band, bowl_loss_g, over_words, pans_to_fill
from entremet.core.running.rescue import rescues_of
from entremet.core.running.sheet import ToWeigh
from entremet.core.running.state import DayState, Stand, StepState, state_of
from entremet.core.running.still_hot import still_hot
from entremet.core.running.timers import timers_of
from entremet.core.work.ids import WorkId, WorkKind
from entremet.kitchen.actions import at_hand, day_sheets, readings
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.api.inside_answers import inside_answer
from entremet.kitchen.api.schemas import running as out
from entremet.kitchen.api.schemas.inside_out import InsideOut
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Day, Device

MOST_CURVE = 120
"""Points of a curve that are drawn."""


def day_answer(day: Day, *, now: datetime) -> out.DayOut:
    """Return a day as it stands."""
    sheet = day_sheets.sheet_in(day)
    at = day.ended_at or now
    state = state_of(sheet, events_of(day), at)
    watched = _watched(day, state, at)
    step_g = at_hand.scale_step_g()
    windows = {key: seen.found.window for key, (_, seen, _) in watched.items()
               if seen.found.readings}
    lead, unasked = lead_of(state), unasked_in(state)
    ahead = forecast(sheet, state)
    findings = [] if day.ended_at else [
        *overdue(state), *(one for _, seen, _ in watched.values() for one in seen.findings)]
    return out.DayOut.told_by(
        day, id=day.pk, now=now,
        act=lead.act, lead=None if lead.now is None else lead.now.step.id.text,
        finish_first=None if lead.finish_first is None else lead.finish_first.step.id.text,
        next=[one.step.id.text for one in lead.next],
        steps=[_step(one, watched, step_g, hot=still_hot(state, one),
                     asked=one.step.id not in unasked) for one in state.steps],
        timers=[out.TimerOut.told_by(one, step=one.step.id.text, what=one.step.words)
                for one in ([] if day.ended_at else timers_of(state, windows))],
        expected=[out.ExpectedOut.told_by(one) for one in ahead.orders],
        behind_min=ahead.behind_min, late_until=state.late_until,
        moved=[out.MovedOut(words=words, minutes=minutes) for words, minutes in ahead.moved],
        last_tick=state.last_tick, zone=at_hand.zone_name(), findings=findings)


def day_inside(day: Day, key: str, *, now: datetime) -> InsideOut:
    """Return what bakes in a step of a day, cut open; by a probe where one is in it.

    Raises
    ------
    NotHere
        Where this day has no such step.
    ImpossibleChoice
        Where it cannot be looked into.
    """
    at = day.ended_at or now
    state = state_of(day_sheets.sheet_in(day), events_of(day), at)
    one = state.written(key)
    if one is None:
        raise NotHere("This day has no such step.", field="step")
    bake = _bake(one, _watched(day, state, at))
    if bake is None or one.step.bake is None or one.step.bake.inside is None:
        raise ImpossibleChoice("Only a cake in an oven, in a pan with measures, can be opened.",
                               field="step")
    return inside_answer(one.step.bake.inside, bake.likely_min, setting=bake.dial, shown=(
        round(bake.first_look_min), round(bake.likely_min), round(bake.latest_min)))


def latest_answer(device: Device) -> out.LatestOut:
    """Return what a device says now."""
    found = readings.latest_of(device.pk)
    kind = _kind(device)
    if found is None:
        return out.LatestOut(device=device.pk, kind=kind, name=device.name, ago_s=None, g=None,
                             stable=False, overload=False, battery_low=False, centre_c=None,
                             air_c=None)
    return out.LatestOut.told_by(
        found, device=device.pk, kind=kind, name=device.name,
        ago_s=max(0.0, time.time() - found.at_s))


def device_answer(device: Device) -> out.DeviceOut:
    """Return a device."""
    return out.DeviceOut.told_by(device, id=device.pk, kind=_kind(device))


def _kind(device: Device) -> Literal["scale", "probe"]:
    return "scale" if device.kind == Device.Kind.SCALE else "probe"


_Seen = dict[WorkId, tuple[Watched, Probed, list[Reading]]]


def _watched(day: Day, state: DayState, at: datetime) -> _Seen:
    """Return the bakes that a probe is in, with what its readings say."""
    found: _Seen = {}
    for probe, watches in readings.watching():
        key = watches.removeprefix(f"{day.pk}:")
        one = state.written(key) if key != watches else None
        if one is None or one.started is None or one.step.bake is None:
            continue
        times = one.step.bake
        if times.start_c is None or times.done_c is None or times.oven_c is None or not (
                times.start_c < times.done_c < times.oven_c):
            continue
        start = one.started.timestamp()
        end = (one.ended or at).timestamp()
        curve = [Reading(minutes=(each.at_s - start) / 60, centre_c=each.centre_c,
                         air_c=each.air_c)
                 for each in readings.heard_of(probe, since_s=start) if each.at_s <= end]
        bake = Watched(
            window=Window(first_look_min=times.first_look_min, early_min=times.early_min,
                          likely_min=times.likely_min, latest_min=times.latest_min),
            spread=times.spread, start_c=times.start_c, done_c=times.done_c,
            oven_c=times.oven_c, lag_min=times.lag_min)
        found[one.step.id] = (bake, probed(bake, curve, now_min=(end - start) / 60), curve)
    return found


def _step(one: StepState, watched: _Seen, step_g: float, *, hot: str,
          asked: bool) -> out.StepOut:
    step = one.step
    rest = len(step.amounts) - len(one.weighed) - 1
    pans = pans_to_fill(step.pours, one.poured)
    empty = sum(not pan.filled for pan in pans)
    live = one.stand is not Stand.DONE
    return out.StepOut.told_by(
        one, step, sign=hot or step.sign, asked=asked, key=step.id.text, order=step.work.order,
        cake="" if step.id.cake is None else step.id.cake.text,
        waits=[out.WaitOut(key=wait.on.text, least_min=wait.least_min) for wait in step.waits],
        ready_at=one.ready_at if one.stand is Stand.WAITING else None,
        amounts=[_amount(amount, one.weighed.get(place), rest=max(0, rest), step_g=step_g)
                 for place, amount in enumerate(step.amounts)],
        pans=[out.PanToFillOut.told_by(
            pan, marks=_marks(pan.wanted_g, step_g),
            over="" if pan.poured_g is None else over_words(
                pan.poured_g, pan.wanted_g, rest=empty, poured=True)) for pan in pans],
        bowl_loss_g=None if step.batter_g is None else bowl_loss_g(
            step.pours, one.poured, step.batter_g),
        bake=_bake(one, watched) if step.kind is WorkKind.BAKE else None,
        notes=list(step.notes) if live else [],
        rescues=[out.RescueOut.told_by(row) for row in (rescues_of(step.kind) if live else ())])


def _amount(amount: ToWeigh, weighed: float | None, *, rest: int,
            step_g: float) -> out.AmountOut:
    known = amount.g is not None and amount.g > 0
    return out.AmountOut.told_by(
        amount, weighed=weighed is not None, weighed_g=weighed or None,
        marks=_marks(amount.g, step_g) if known and amount.g is not None else None,
        over=over_words(weighed, amount.g, rest=rest)
        if weighed and known and amount.g is not None else "")


def _marks(wanted_g: float, step_g: float) -> out.MarksOut:
    return out.MarksOut.told_by(band(wanted_g, step_g=step_g))


def _bake(one: StepState, watched: _Seen) -> out.BakeUnderWayOut | None:
    times = one.step.bake
    if times is None:
        return None
    early, likely, latest = times.early_min, times.likely_min, times.latest_min
    curve: list[out.CurvePointOut] = []
    count, off = 0, None
    if one.step.id in watched:
        bake, seen, every = watched[one.step.id]
        found = seen.found
        count = found.readings
        early, likely, latest = (found.window.early_min, found.window.likely_min,
                                 found.window.latest_min)
        drawn = every[::max(1, len(every) // MOST_CURVE)]
        curve = [out.CurvePointOut(minutes=each.minutes, c=each.centre_c)
                 for each in drawn if each.centre_c is not None]
        off = air_off(bake, every)
    return out.BakeUnderWayOut.told_by(
        times, early_min=early, likely_min=likely, latest_min=latest,
        planned_early_min=times.early_min, planned_latest_min=times.latest_min,
        rows=[out.RowInOvenOut.told_by(row, out=row.row in one.out) for row in times.rows],
        opens=times.inside is not None, readings=count, looks=one.looks,
        covered=one.covered is not None, turned=one.turned is not None, curve=curve,
        air_off_c=None if off is None else off.value)
