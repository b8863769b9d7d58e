"""What readings of a probe say beside the time: a door, a cold spot, a probe out of the cake."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.provenance import Figure, measured
from entremet.core.ground.quantities import degrees
from entremet.core.probing.posterior import (
    NOISE_C,
    STEADY,
    Narrowed,
    Reading,
    Watched,
    narrowed,
    noise_c,
)

DOOR_DROP_C = 15.0
"""The air falls by so much within a minute when a door is opened; practice, 10 to 40."""

JUMP_C = 8.0
"""No middle of a cake warms by so much within a minute."""

SILENT_MIN = 1.0
"""No reading for so long is a lost link; a probe reads every few seconds."""

FAR_SD = 3.0
"""A bake so far from its window is first a probe in the wrong place."""

NOISY = 4.0
"""Times the noise of a good probe from which it is said."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Probed:
    """What a probe says of a bake: its window, and what is wrong with its readings."""

    found: Narrowed
    findings: tuple[Finding, ...]


def probed(bake: Watched, readings: Sequence[Reading], *, now_min: float) -> Probed:
    """Return what can be believed of a probe, and each fault told from the others.

    Parameters
    ----------
    bake : Watched
        The bake.
    readings : sequence of Reading
        By time. Those after a probe came out of the cake are not believed, and where the probe sits
        in a wrong place none is: the window is the planned one.
    now_min : float
        Minutes since the pan went in.
    """
    out = _out_at(readings)
    believed = [one for one in readings if out is None or one.minutes < out]
    found = narrowed(bake, believed)
    findings = _faults(bake, readings, found, out, now_min=now_min)
    if any(one.code == "probe_place" for one in findings):
        found = narrowed(bake, [])
    return Probed(found=found, findings=tuple(findings))


def _out_at(readings: Sequence[Reading]) -> float | None:
    """Return the minute at which the middle seemed to jump; None where it did not."""
    centres = [(one.minutes, one.centre_c) for one in readings if one.centre_c is not None]
    return next((minutes for (before, low), (minutes, high) in pairwise(centres)
                 if minutes - before <= 1.0 and high - low > JUMP_C), None)


def _faults(bake: Watched, readings: Sequence[Reading], found: Narrowed, out: float | None, *,
            now_min: float) -> list[Finding]:
    if not readings:
        return []
    said = []
    last = readings[-1].minutes
    if now_min - last > SILENT_MIN:
        said.append(warn("probe_silent", f"The probe has said nothing for {now_min - last:.0f} min:"
                         " the window is that of its last reading.",
                         hint="Look at its link and its battery; the signs hold without it."))
    if out is not None:
        said.append(warn("probe_out", f"At {out:.0f} min the middle seemed to jump: the probe came "
                         "out of the cake, and what it said since is not counted.",
                         hint="Put it back into the middle, or go by the signs."))
    elif found.readings and abs(_off_sd(bake, found)) > FAR_SD:
        slow = _off_sd(bake, found) > 0
        said.append(warn("probe_place", "The middle warms far "
                         f"{'slower' if slow else 'faster'} than this bake can: the probe sits in "
                         f"a {'cold spot' if slow else 'hot spot, or touches the pan'}. The window "
                         "is the planned one.", hint="Move it to the middle; go by the signs."))
    noise = noise_c([(one.minutes, one.centre_c) for one in readings
                     if one.centre_c is not None])
    if noise > NOISY * NOISE_C:
        said.append(note("probe_noisy", f"The probe's readings jump by {degrees(noise, 1)} about "
                         "their curve.", hint="Press its plug home; the window is as wide as that "
                         "makes it."))
    door = _door(readings)
    if door is not None:
        said.append(note("door_open", f"The door was opened at {door:.0f} min."))
    return said


def air_off(bake: Watched, readings: Sequence[Reading]) -> Figure | None:
    """Return how far the oven is off its dial, °C, by its air; None before it can be said.

    Readings while a door stood open are not counted: the median looks past them.
    """
    air = [one.air_c for one in readings if one.air_c is not None]
    if len(air) < STEADY:
        return None
    return measured(statistics.median(air) - bake.oven_c, f"{len(air)} readings of the air")


def _off_sd(bake: Watched, found: Narrowed) -> float:
    return math.log(found.window.likely_min / bake.window.likely_min) / bake.spread


def _door(readings: Sequence[Reading]) -> float | None:
    air = [(one.minutes, one.air_c) for one in readings if one.air_c is not None]
    for place, (minutes, heat) in enumerate(air):
        before = [earlier for when, earlier in air[:place] if minutes - when <= 1.0]
        if before and max(before) - heat > DOOR_DROP_C:
            return minutes
    return None
