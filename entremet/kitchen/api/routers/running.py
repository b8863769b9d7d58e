"""Days under way and the devices beside them."""

from __future__ import annotations

import time
from contextlib import suppress
from typing import Any

from django.http import HttpRequest, HttpResponse
from django.http.response import HttpResponseBase
from ninja import Path, Query, Router, Status
from pydantic import BaseModel

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.running.state import state_of
from entremet.core.work.ids import CakeId
from entremet.devices.probe import SimulatedProbe
from entremet.devices.scale import SimulatedScale
from entremet.kitchen.actions import day_sheets, fitting, logbook, news, orders, readings, running
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.actions.ordered import boxed, fits_of, settle_larder
from entremet.kitchen.actions.readings import DeviceReading
from entremet.kitchen.actions.running import LeftOver, NewTick
from entremet.kitchen.actions.sharing import still_in
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.running_answers import (
    day_answer,
    day_inside,
    device_answer,
    latest_answer,
)
from entremet.kitchen.api.schemas import running as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.inside_out import InsideOut
from entremet.kitchen.api.streams import streamed
from entremet.kitchen.api.told import ToldEvent, told
from entremet.kitchen.api.writing import one_write, writes
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Day, Device

router = Router(tags=["bake day"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}
MOST_LISTED = 60
JSON = "application/json; charset=utf-8"


@router.get("/days", response={200: list[io.DayRowOut]}, operation_id="list_days")
def list_days(request: HttpRequest) -> list[io.DayRowOut]:
    """Days, those under way first, then the newest."""
    return [io.DayRowOut(id=one.pk, title=one.title, started_at=one.started_at,
                         ended_at=one.ended_at) for one in running.days_listed(MOST_LISTED)]


@router.post("/days", response={201: io.DayOut, 409: ProblemOut, **REFUSED},
             operation_id="start_day")
@writes
def start_day(request: HttpRequest, body: io.StartIn) -> HttpResponse:
    """Start a day from orders and their timetable, or a fit at once."""
    now = running.right_now()
    if body.fit is not None:
        fitted, done = fitting.finished(body.fit)
        day = running.start_from_fit(fitted.plan, done, fitted.plan.recipe.title, now=now)
        logbook.prepare(day, {running.FIT_CAKE: (fitted, requests.kept(body.fit))})
    elif body.orders:
        fits = fits_of(orders.orders_named(body.orders))
        day = running.start_from_orders(fits, now=now)
        logbook.prepare(day, {
            CakeId(order=one.order.pk, row=one.cake.position, copy=copy): (
                one.fitted, one.cake.request)
            for one in fits for copy in range(one.cake.count)})
    else:
        raise ImpossibleChoice("Choose orders, or a fit to bake now.", field="orders")
    return _written(day_answer(day, now=now), status=201)


@router.get("/days/{day_id}", response={200: io.DayOut, **REFUSED}, operation_id="get_day")
def get_day(request: HttpRequest, day_id: Path[Id]) -> HttpResponse:
    """A day as it stands now."""
    return _written(day_answer(running.day_row(day_id), now=running.right_now()))


@router.get("/days/{day_id}/inside", response={200: InsideOut, **REFUSED},
            operation_id="day_inside")
def inside(request: HttpRequest, day_id: Path[Id], step: Query[io.StepKey]) -> HttpResponse:
    """What bakes in a step, cut open; a probe that is in it sets its clock."""
    return _written(day_inside(running.day_row(day_id), step, now=running.right_now()))


@router.post("/days/{day_id}/events", response={200: io.DayOut, **REFUSED},
             operation_id="add_events")
def add_events(request: HttpRequest, day_id: Path[Id], body: io.EventsIn) -> HttpResponse:
    """Keep ticks, each once however often it is sent; answers with the day as it stands then.

    A tick sent again changes nothing, so the answer is worked out when it is kept already, once
    for this screen and all that look on.
    """
    now = running.right_now()
    with one_write() as touched:
        day = running.day_row(day_id)
        running.add_ticks(day, [
            NewTick(key=one.id, kind=one.kind, step=one.step, ago_s=one.ago_s, place=one.place,
                    amount=one.amount) for one in body.events], now=now)
    news.tell()
    for seen in _told(day_id, day):
        return touched.said_in(HttpResponse(seen.text, content_type=JSON))
    raise NotHere("This day is not here any more.", field="day")


def _told(day_id: int, just_read: Day | None = None) -> list[ToldEvent]:
    """Return what all who look on at a day are told: as it stands, whoever ticked last.

    A day that was just read for a tick need not be read again: what else may change of it is news.
    """
    def the_day() -> list[tuple[str, BaseModel]]:
        with suppress(NotHere):
            return [("day", day_answer(just_read or running.day_row(day_id),
                                       now=running.right_now()))]
        return []

    return told(day_id, "day", the_day)


def _written(told: BaseModel, *, status: int = 200) -> HttpResponse:
    """Send a day as its stream does: one writer, so that a moment is the same text everywhere."""
    return HttpResponse(told.model_dump_json(), content_type=JSON, status=status)


@router.get("/days/{day_id}/stream", response=REFUSED, operation_id="day_stream",
            openapi_extra={"responses": {200: {"description": "events “day” and “device”",
                                               "content": {"text/event-stream": {}}}}})
def day_stream(request: HttpRequest, day_id: Path[Id]) -> HttpResponseBase:
    """A day and its devices as they change: server-sent events that hold up nothing else."""
    day_sheets.sheet_in(running.day_row(day_id))

    return streamed(lambda: [*_told(day_id), *told("devices", "device", _devices)],
                    lambda: still_in(request))


def _devices() -> list[tuple[str, BaseModel]]:
    return [(f"device-{one.pk}", latest_answer(one)) for one in readings.devices()]


@router.post("/days/{day_id}/finish", response={200: io.DayOut, 409: ProblemOut, **REFUSED},
             operation_id="finish_day")
@writes
def finish_day(request: HttpRequest, day_id: Path[Id], body: io.FinishDayIn) -> HttpResponse:
    """End a day: how it was, what is left; orders that are boxed are done."""
    day, now = running.day_row(day_id), running.right_now()
    running.finish_day(day, how={"bakes": [one.model_dump() for one in body.bakes]},
                       leftovers=[LeftOver(name=one.name, g=one.g) for one in body.leftovers],
                       now=now)
    logbook.record(day, [one.model_dump() for one in body.bakes], now=now)
    for order in boxed(day, now=running.right_now()) if body.orders_done else []:
        running.done_with(day, order)
        settle_larder(order)
    return _written(day_answer(day, now=running.right_now()))


@router.post("/days/{day_id}/reopen", response={200: io.DayOut, **REFUSED},
             operation_id="reopen_day")
@writes
def reopen_day(request: HttpRequest, day_id: Path[Id]) -> HttpResponse:
    """Go on with a day that was ended by mistake: what its end did is taken back."""
    day = running.day_row(day_id)
    for order in running.reopen_day(day):
        settle_larder(order)
    return _written(day_answer(day, now=running.right_now()))


@router.delete("/days/{day_id}", response={204: None, **REFUSED}, operation_id="remove_day")
@writes
def remove_day(request: HttpRequest, day_id: Path[Id]) -> Status[None]:
    """Take a day away that was started by mistake."""
    running.remove_day(running.day_row(day_id))
    return Status(204, None)


@router.get("/devices", response={200: list[io.DeviceOut]}, operation_id="list_devices")
def list_devices(request: HttpRequest) -> list[io.DeviceOut]:
    """Devices that are let in."""
    return [device_answer(one) for one in readings.devices()]


@router.post("/devices", response={201: io.DeviceOut, **REFUSED}, operation_id="add_device")
@writes
def add_device(request: HttpRequest, body: io.DeviceIn) -> Status[io.DeviceOut]:
    """Let a scale or a probe in; it sends its readings with the key it is given."""
    return Status(201, device_answer(readings.add_device(
        Device.Kind(body.kind), body.name, simulated=body.simulated)))


@router.delete("/devices/{device_id}", response={204: None, **REFUSED},
               operation_id="remove_device")
@writes
def remove_device(request: HttpRequest, device_id: Path[Id]) -> Status[None]:
    """Let a device in no more."""
    readings.forget_device(readings.device_row(device_id))
    return Status(204, None)


@router.put("/devices/{device_id}/watch", response={200: io.DeviceOut, **REFUSED},
            operation_id="watch_bake")
@writes
def watch_bake(request: HttpRequest, device_id: Path[Id], body: io.WatchIn) -> io.DeviceOut:
    """Say which bake a probe is in."""
    device = readings.device_row(device_id)
    if device.kind != Device.Kind.PROBE:
        raise ImpossibleChoice("Only a probe watches a bake.", field="device")
    device.watches = "" if body.day is None or not body.step else f"{body.day}:{body.step}"[:200]
    device.save()
    if device.simulated and device.watches and body.day is not None:
        _put_into(device, running.day_row(body.day), body.step)
    return device_answer(device)


@router.post("/devices/{key}/readings", response={204: None, **REFUSED},
             operation_id="add_readings")
def add_readings(request: HttpRequest, key: Path[io.DeviceKey],
                 body: io.ReadingsIn) -> Status[None]:
    """Take readings in from a device by its pairing key. Nothing of them is stored."""
    now, last = time.time(), max((one.t for one in body.readings), default=0.0)
    readings.take_in(key, [DeviceReading(
        at_s=now - (last - one.t), g=one.g, stable=one.stable, centre_c=one.centre_c,
        air_c=one.air_c, overload=one.overload, battery_low=one.battery_low)
        for one in body.readings], {one.device for one in body.readings})
    return Status(204, None)


@router.post("/devices/{device_id}/play", response={200: io.LatestOut, **REFUSED},
             operation_id="play_device")
def play_device(request: HttpRequest, device_id: Path[Id], body: io.PlayIn) -> io.LatestOut:
    """Do something to a simulated device: pour onto it, lift off, open the door."""
    device = readings.device_row(device_id)
    played = readings.simulator(device)
    if isinstance(played, SimulatedScale):
        acts: dict[str, Any] = {"pour": lambda: played.pour(body.g), "lift": played.lift,
                                "tare": played.tare}
    else:
        acts = {"door": played.open_door}
        if body.do == "probe_out":
            played.in_cake = not played.in_cake
    if body.do == "link":
        played.linked = not played.linked
    elif body.do == "battery" and isinstance(played, SimulatedScale):
        played.battery_low = not played.battery_low
    else:
        acts.get(body.do, lambda: None)()
    return latest_answer(device)


def _put_into(device: Device, day: Day, step: str) -> None:
    """Let a simulated probe bake that bake, a little slower than the plan says."""
    played = readings.simulator(device)
    one = state_of(day_sheets.sheet_in(day), events_of(day), running.right_now()).written(step)
    if (not isinstance(played, SimulatedProbe) or one is None or one.step.bake is None
            or one.started is None):
        return
    times = one.step.bake
    played.start_c, played.done_c = times.start_c or 20.0, times.done_c or 96.0
    played.oven_c, played.done_min = times.oven_c or 170.0, 1.06 * times.likely_min
    played.minutes = (running.right_now() - one.started).total_seconds() / 60
