"""A bake to be drawn: frames of states and millimetres, a byte each, small enough to be sent."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from entremet.core.inside.field import Floats, Warming
from entremet.core.inside.told import InsideTold, rim_c

FRAMES = 41

NEAR_C = 0.05
"""What lies between two frames is in proportion: nearer to a state than this is in it."""

CRUST_C = 108.0
"""Crumb as hot as this has dried to a crust; an estimate."""

SET_C = 92.0
"""Crumb as hot as this is set through, an estimate; done is as hot as its style wants. The top,
which what dries off keeps cool, is done by its colour.
"""


@dataclass(frozen=True, slots=True, kw_only=True)
class CrumbBand:
    """A state of the crumb: its name, and the heat from which on it is in it, °C."""

    name: str
    from_c: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Frames:
    """A bake, frame by frame.

    Parameters
    ----------
    minutes : tuple of float
        Of each frame; the likely minute is one of them.
    likely : int
        Which.
    rows, columns : int
        Cells from base to top and from the axis to the wall.
    edges_cm : tuple of float
        Where columns begin and end.
    states, tops_mm : bytes
        A byte a cell, frame by frame, row by row: which of the bands it is in, and how high its top
        stands in millimetres, with the dome.
    middle_c, rim_c : tuple of float
        Both over the frames.
    bands : tuple of CrumbBand
        From the coolest.
    """

    minutes: tuple[float, ...]
    likely: int
    rows: int
    columns: int
    edges_cm: tuple[float, ...]
    states: bytes
    tops_mm: bytes
    middle_c: tuple[float, ...]
    rim_c: tuple[float, ...]
    bands: tuple[CrumbBand, ...]


def bands_of(done_c: float) -> tuple[CrumbBand, ...]:
    """Return the states of a crumb that is done at a heat, the coolest first.

    >>> [one.name for one in bands_of(97)]
    ['runny', 'warm', 'setting', 'crumb forming', 'set', 'done', 'crust']
    """
    before = (("runny", -300.0), ("warm", 40.0), ("setting", 65.0), ("crumb forming", 82.0),
              ("set", SET_C))
    return (*(CrumbBand(name=name, from_c=from_c) for name, from_c in before if from_c < done_c),
            CrumbBand(name="done", from_c=done_c),
            CrumbBand(name="crust", from_c=max(CRUST_C, done_c + 5)))


def frames_of(bake: Warming, inside: InsideTold) -> Frames:
    """Return a bake as frames of one distance, the likely minute among them."""
    minutes: Floats = np.arange(FRAMES, dtype=np.float64) * (bake.likely_min / (FRAMES - 9))
    celsius = _at(bake, bake.celsius, minutes)
    tops = np.cumsum(_at(bake, bake.high_cm, minutes), axis=1)
    # What the dome adds: the middle goes on rising once the rim has set.
    half = (bake.edges_cm[-1] - bake.edges_cm[0]) / (1 if bake.edges_cm[0] == 0 else 2)
    centres = (bake.edges_cm[1:] + bake.edges_cm[:-1]) / 2
    middle = bake.edges_cm[0] if bake.edges_cm[0] == 0 else bake.edges_cm[0] + half
    bow = 1 - ((centres - middle) / half) ** 2
    grown = np.clip((minutes - inside.rim_done_min) / max(
        bake.likely_min - inside.rim_done_min, 1e-6), 0.0, 1.0)
    whole = tops[:, -1:, :]
    tops = tops * (1 + inside.dome.value * grown[:, None, None] * bow / whole)
    row, column = bake.coldest
    bands = bands_of(bake.done_c)
    return Frames(
        minutes=tuple(round(float(one), 2) for one in minutes), likely=FRAMES - 9,
        rows=celsius.shape[1], columns=celsius.shape[2],
        edges_cm=tuple(round(float(one), 3) for one in bake.edges_cm),
        states=_bytes(_states(celsius, bands)), tops_mm=_bytes(tops * 10),
        middle_c=tuple(round(float(one), 1) for one in celsius[:, row, column]),
        rim_c=tuple(round(float(one), 1) for one in np.interp(minutes, bake.minutes, rim_c(bake))),
        bands=bands)


def _states(celsius: Floats, bands: Sequence[CrumbBand]) -> Floats:
    """Return the band of each cell: the last that begins at or under its heat."""
    begins = np.array([one.from_c for one in bands]) - NEAR_C
    return np.asarray(np.searchsorted(begins, celsius, side="right") - 1, dtype=np.float64)


def _at(bake: Warming, values: Floats, minutes: Floats) -> Floats:
    """Return values of the recorded frames at other minutes, in between in proportion."""
    place = np.clip(np.searchsorted(bake.minutes, minutes) - 1, 0, len(bake.minutes) - 2)
    before, after = bake.minutes[place], bake.minutes[place + 1]
    share = np.clip((minutes - before) / (after - before), 0.0, 1.0)[:, None, None]
    return np.asarray(values[place] * (1 - share) + values[place + 1] * share)


def _bytes(values: Floats) -> bytes:
    return np.clip(np.rint(values), 0, 255).astype(np.uint8).tobytes()
