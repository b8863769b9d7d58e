"""Readings of devices: taken in by their key, kept in memory, gone with the server.

Nothing of them is stored but what a baker accepts by a tick.
"""

from __future__ import annotations

import secrets
import time
from collections import deque
from collections.abc import Collection, Sequence
from dataclasses import dataclass, field
from threading import Lock, Thread

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.devices.probe import SimulatedProbe
from entremet.devices.scale import SimulatedScale
from entremet.kitchen.actions import news
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Device
from entremet.kitchen.prepared import prepared

MOST_KEPT = 5000
"""Readings kept of a device: hours of a probe, minutes of a scale."""

MOST_DEVICES = 8

_watching = prepared(lambda: Device.objects.filter(kind=Device.Kind.PROBE).exclude(
    watches="").values_list("pk", "watches"))
BEAT_S = 0.25
"""How often a simulated device reads."""

IDLE_S = 900.0
"""A simulated device that nobody has touched for so long stops by itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class DeviceReading:
    """A reading as it came: when, by the server's clock, in seconds; what was read."""

    at_s: float
    g: float | None = None
    stable: bool = False
    centre_c: float | None = None
    air_c: float | None = None
    overload: bool = False
    battery_low: bool = False


@dataclass(slots=True)
class _Heard:
    readings: deque[DeviceReading] = field(default_factory=lambda: deque(maxlen=MOST_KEPT))


_heard: dict[int, _Heard] = {}
_simulated: dict[int, SimulatedScale | SimulatedProbe] = {}
_touched: dict[int, float] = {}
_lock = Lock()


@transaction.atomic
def add_device(kind: Device.Kind, name: str, *, simulated: bool) -> Device:
    """Let a device in: it gets a key of its own.

    Raises
    ------
    ImpossibleChoice
        When there are as many as there can be.
    """
    if Device.objects.count() >= MOST_DEVICES:
        raise ImpossibleChoice(f"{MOST_DEVICES} devices are the most. Take one away first.",
                               field="name")
    device: Device = Device.objects.create(kind=kind, name=name, simulated=simulated,
                                           key=secrets.token_urlsafe(18))
    return device


def device_row(device_id: int) -> Device:
    """Return a device.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    device: Device | None = Device.objects.filter(pk=device_id).first()
    if device is None:
        raise NotHere("This device is not here.", field="device")
    return device


def take_in(key: str, readings: Sequence[DeviceReading], kinds: Collection[str]) -> Device:
    """Take readings in from a device by its key.

    Parameters
    ----------
    key : str
        Its pairing key.
    readings : sequence of DeviceReading
        Oldest first.
    kinds : collection of str
        What they say they are readings of.

    Raises
    ------
    NotHere
        When no device has that key.
    ImpossibleChoice
        When they are readings of another kind of device.
    """
    device: Device | None = Device.objects.filter(key=key).first()
    if device is None:
        raise NotHere("No device with this key is let in. Let it in under Bake day, “Scale and "
                      "probe”.", field="key")
    if set(kinds) - {device.kind}:
        raise ImpossibleChoice(f"This key is that of a {device.kind}.", field="readings")
    _hear(device.pk, readings)
    return device


def heard_of(device_id: int, *, since_s: float = 0.0) -> list[DeviceReading]:
    """Return what a device has read since a moment of the server's clock."""
    with _lock:
        own = _heard.get(device_id)
        return [one for one in own.readings if one.at_s >= since_s] if own else []


def latest_of(device_id: int) -> DeviceReading | None:
    """Return the newest reading of a device; None where it has said nothing."""
    with _lock:
        own = _heard.get(device_id)
        return own.readings[-1] if own and own.readings else None


def forget_device(device: Device) -> None:
    """Take a device away."""
    with _lock:
        for kept in (_heard, _simulated, _touched):
            kept.pop(device.pk, None)
    device.delete()


def simulator(device: Device) -> SimulatedScale | SimulatedProbe:
    """Return the stand-in behind a simulated device, running while somebody uses it.

    Raises
    ------
    ImpossibleChoice
        When the device is a real one.
    """
    if not device.simulated:
        raise ImpossibleChoice("This device is a real one; only it can say what it reads.",
                               field="device")
    with _lock:
        _touched[device.pk] = time.monotonic()
        if device.pk not in _simulated:
            _simulated[device.pk] = (SimulatedScale(seed=device.pk)
                                     if device.kind == Device.Kind.SCALE
                                     else SimulatedProbe(seed=device.pk))
            Thread(target=_play, args=(device.pk,), daemon=True).start()
        return _simulated[device.pk]


def beat(device_id: int, seconds: float = BEAT_S) -> None:
    """Let a simulated device read once, so many seconds on."""
    with _lock:
        device = _simulated.get(device_id)
        if device is None:
            return
        read = device.run(seconds) if isinstance(device, SimulatedScale) else device.run(
            seconds / 60)
    if read is not None:
        _hear(device_id, [DeviceReading(
            at_s=time.time(), g=read.get("g"), stable=read.get("stable", False),
            centre_c=read.get("centre_c"), air_c=read.get("air_c"),
            overload=read.get("overload", False), battery_low=read.get("battery_low", False))])


def _play(device_id: int) -> None:
    while True:
        time.sleep(BEAT_S)
        with _lock:
            touched = _touched.get(device_id)
            if touched is None or time.monotonic() - touched > IDLE_S:
                _simulated.pop(device_id, None)
                return
        beat(device_id)


def _hear(device_id: int, readings: Sequence[DeviceReading]) -> None:
    with _lock:
        _heard.setdefault(device_id, _Heard()).readings.extend(readings)
    news.tell("device")


def devices() -> list[Device]:
    """Return the devices that are let in."""
    return list(Device.objects.all())


def watching() -> list[tuple[int, str]]:
    """Return the probes that lie in a cake, with the step they watch, at every tick."""
    return [(probe, watches) for probe, watches in _watching()]
