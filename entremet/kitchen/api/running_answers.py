"""A day as it stands, told: its steps, what runs, when each order is ready."""

from __future__ import annotations

import time
from datetime import datetime
from typing import Literal

from entremet.core.baking.window import Window
from entremet.core.ground.findings import Finding
from entremet.core.probing.faults import air_off, faults_of
from entremet.core.probing.posterior import Narrowed, Reading, Watched, narrowed
from entremet.core.running.forecast import forecast
from entremet.core.running.lead import lead_of
from entremet.core.running.pouring import bowl_loss_g, over_words, pans_to_fill
from entremet.core.running.rescue import rescues_of
from entremet.core.running.sheet import StepKind
from entremet.core.running.state import DayState, Stand, StepState, state_of
from entremet.core.running.timers import timers_of
from entremet.kitchen.actions import readings, running
from entremet.kitchen.actions.days import workday
from entremet.kitchen.api.schemas import running as out
from entremet.kitchen.models import Day, Device

MOST_CURVE = 120
"""Points of a curve that are drawn."""


def day_answer(day: Day, *, now: datetime) -> out.DayOut:
    """Return a day as it stands."""
    sheet = running.sheet_in(day)
    at = day.ended_at or now
    state = state_of(sheet, running.events_of(day), at)
    watched = _watched(day, state, at)
    windows = {key: found.window for key, (_, found, _) in watched.items() if found.readings}
    lead = lead_of(state)
    ahead = forecast(sheet, state)
    findings: list[Finding] = []
    for key, (bake, found, curve) in watched.items():
        started = state.of(key)
        if started is not None and started.started is not None:
            findings += faults_of(bake, curve, found, now_min=(
                at - started.started).total_seconds() / 60)
    return out.DayOut(
        id=day.pk, title=day.title, now=now, started_at=day.started_at, ended_at=day.ended_at,
        act=lead.act, lead=None if lead.now is None else lead.now.step.key,
        finish_first=None if lead.finish_first is None else lead.finish_first.step.key,
        next=[one.step.key for one in lead.next],
        steps=[_step(one, watched) for one in state.steps],
        timers=[out.TimerOut(key=one.key, kind=one.kind, step=one.step.key, what=one.step.words,
                             words=one.words, since=one.since, at=one.at, calls=one.calls,
                             loud=one.loud)
                for one in ([] if day.ended_at else timers_of(state, windows))],
        expected=[out.ExpectedOut(order=one.order, ready=one.ready, due=one.due,
                                  late_min=one.late_min) for one in ahead.orders],
        behind_min=ahead.behind_min, late_until=state.late_until,
        moved=[out.MovedOut(words=words, minutes=minutes) for words, minutes in ahead.moved],
        last_tick=state.last_tick, zone=workday().zone, findings=findings)


def latest_answer(device: Device) -> out.LatestOut:
    """Return what a device says now."""
    found = readings.latest_of(device.pk)
    kind = _kind(device)
    if found is None:
        return out.LatestOut(device=device.pk, kind=kind, name=device.name, ago_s=None, g=None,
                             stable=False, overload=False, battery_low=False, centre_c=None,
                             air_c=None)
    return out.LatestOut(
        device=device.pk, kind=kind, name=device.name, ago_s=max(0.0, time.time() - found.at_s),
        g=found.g, stable=found.stable, overload=found.overload, battery_low=found.battery_low,
        centre_c=found.centre_c, air_c=found.air_c)


def device_answer(device: Device) -> out.DeviceOut:
    """Return a device."""
    return out.DeviceOut(id=device.pk, kind=_kind(device), name=device.name, key=device.key,
                         simulated=device.simulated, watches=device.watches)


def _kind(device: Device) -> Literal["scale", "probe"]:
    return "scale" if device.kind == Device.Kind.SCALE else "probe"


_Probed = dict[str, tuple[Watched, Narrowed, list[Reading]]]


def _watched(day: Day, state: DayState, at: datetime) -> _Probed:
    """Return the bakes that a probe is in, with what its readings say."""
    found: _Probed = {}
    for device in Device.objects.filter(kind=Device.Kind.PROBE).exclude(watches=""):
        key = device.watches.removeprefix(f"{day.pk}:")
        one = state.of(key) if key != device.watches else None
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
                 for each in readings.heard_of(device.pk, since_s=start) if each.at_s <= end]
        bake = Watched(
            window=Window(first_look_min=times.first_look_min, early_min=times.early_min,
                          likely_min=times.likely_min, latest_min=times.latest_min),
            spread=times.spread, start_c=times.start_c, done_c=times.done_c,
            oven_c=times.oven_c)
        found[key] = (bake, narrowed(bake, curve), curve)
    return found


def _step(one: StepState, watched: _Probed) -> out.StepOut:
    step = one.step
    rest = len(step.amounts) - len(one.weighed) - 1
    pans = pans_to_fill(step.pours, one.poured)
    empty = sum(pan.poured_g is None for pan in pans)
    live = one.stand is not Stand.DONE
    return out.StepOut(
        key=step.key, order=step.order, cake=step.cake, kind=step.kind, words=step.words,
        minutes=step.minutes, stand=one.stand, planned=step.planned,
        ready_at=one.ready_at if one.stand is Stand.WAITING else None, started=one.started,
        ended=one.ended, held=one.held, tick=one.tick, sign=step.sign, caution=step.caution,
        amounts=[out.AmountOut(
            name=amount.name, g=amount.g, words=amount.words, bowl=amount.bowl,
            weighed_g=one.weighed.get(place), over=""
            if amount.g is None or place not in one.weighed
            else over_words(one.weighed[place], amount.g, rest=max(0, rest)))
            for place, amount in enumerate(step.amounts)],
        pans=[out.PanToFillOut(
            pan=pan.pan, wanted_g=pan.wanted_g, poured_g=pan.poured_g, left_g=pan.left_g,
            over="" if pan.poured_g is None else over_words(
                pan.poured_g, pan.wanted_g, rest=empty, poured=True)) for pan in pans],
        bowl_loss_g=None if step.batter_g is None else bowl_loss_g(
            step.pours, one.poured, step.batter_g),
        bake=_bake(one, watched) if step.kind is StepKind.BAKE else None,
        notes=list(step.notes) if live else [],
        rescues=[out.RescueOut(what=row.what, now=row.now, next=row.next)
                 for row in (rescues_of(step.kind) if live else ())])


def _bake(one: StepState, watched: _Probed) -> out.BakeUnderWayOut | None:
    times = one.step.bake
    if times is None:
        return None
    early, likely, latest = times.early_min, times.likely_min, times.latest_min
    curve: list[out.CurvePointOut] = []
    count, off = 0, None
    if one.step.key in watched:
        bake, found, every = watched[one.step.key]
        count = found.readings
        early, likely, latest = (found.window.early_min, found.window.likely_min,
                                 found.window.latest_min)
        drawn = every[::max(1, len(every) // MOST_CURVE)]
        curve = [out.CurvePointOut(minutes=each.minutes, c=each.centre_c)
                 for each in drawn if each.centre_c is not None]
        off = air_off(bake, every)
    return out.BakeUnderWayOut(
        dial=times.dial, first_look_min=times.first_look_min, early_min=early, likely_min=likely,
        latest_min=latest, planned_early_min=times.early_min, planned_latest_min=times.latest_min,
        readings=count, give_min=times.give_min, signs=list(times.signs), not_done=times.not_done,
        too_dark=times.too_dark, looks=one.looks, covered=one.covered is not None,
        turned=one.turned is not None, turn_min=times.turn_min, cover_min=times.cover_min,
        curve=curve, air_off_c=None if off is None else off.value)
