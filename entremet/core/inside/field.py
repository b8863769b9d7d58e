"""Heat inside a cake in two dimensions: finite volumes, implicit steps, tables for what is slow.

The field says how a cake bakes: which part first, what dries, where it is last done. When it is
done the heat balance says: the clock of the field is stretched so that its coldest point is done
at the fit's own likely minute.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from entremet.core.ground.errors import CoreError
from entremet.core.ground.reference import ReferenceValue, reference_values
from entremet.core.inside.body import CakeSlice
from entremet.core.pans.pan import PanFinish

VALUES: dict[str, ReferenceValue] = reference_values("entremet.core.inside", "inside.toml")

Floats = npt.NDArray[np.float64]

_GAS, _WATER_MOLAR, _STEFAN_BOLTZMANN = 8.314_462_6, 0.018_015, 5.670_374e-8
_PRESSURE, _AIR_CONDUCTIVITY, _AIR_HEAT, _LEWIS = 101_325.0, 0.030, 950.0, 0.90
_BOILS_C, _BOILING_BAND_C, _SATURATED = 100.0, 10.0, 0.96

RISES_C = (40.0, 85.0)
"""Between these a batter rises; an estimate."""

STEPS = 48
"""Steps of a bake to its likely minute, about; twice as many change the lead by under 3 %."""

AFTER = 1.25
"""The bake is followed for so long over its likely time."""

LONGEST_S = 8 * 3600.0
_STEP_C, _MOST_C = 0.25, 320.0
_THICK = frozenset({PanFinish.HEAVY, PanFinish.GLASS})


@dataclass(frozen=True, slots=True, kw_only=True)
class Spell:
    """A part of a bake in which nothing changes: its share of the time, its heat, its faces."""

    share: float
    oven_c: float
    top: float = 1.0
    wall: float = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Warming:
    """A bake followed from cell to cell.

    Parameters
    ----------
    minutes : array (frames,)
        Since it went in; the likely minute is in it.
    celsius : array (frames, high, wide)
        Rows from the base, columns from the axis.
    high_cm : array (frames, high, wide)
        How high each cell stands.
    edges_cm : array (wide + 1,)
        Where columns begin and end.
    likely_min, done_c : float
        When its coldest point is done, and at which heat.
    coldest : tuple of int
        Row and column of that point.
    """

    minutes: Floats
    celsius: Floats
    high_cm: Floats
    edges_cm: Floats
    likely_min: float
    done_c: float
    coldest: tuple[int, int]


def warmed(body: CakeSlice, spells: Sequence[Spell], *, start_c: float, done_c: float,
           likely_min: float, finer: int = 1) -> Warming:
    """Follow a bake.

    Parameters
    ----------
    body : CakeSlice
        The slice.
    spells : sequence of Spell
        In turn; their shares sum to 1.
    start_c, done_c : float
        As it goes in, and done in the middle, °C.
    likely_min : float
        When the heat balance has it done, above zero.
    finer : int
        Cells are cut so many times more each way, an odd number; for tests.

    Raises
    ------
    CoreError
        Where it would not be done in eight hours.
    """
    if not likely_min > 0:
        raise CoreError("A bake takes some time.", field="likely_min")
    run = _Run(body, finer)
    whole = _guess(body)
    for _ in range(1 if len(spells) == 1 else 3):
        records, done_s, coldest = run.follow(spells, whole, start_c=start_c, done_c=done_c)
        whole = done_s
    stretch = likely_min / done_s
    at = np.array([one.at_s for one in records]) * stretch
    return Warming(
        minutes=at, celsius=np.stack([one.t for one in records]),
        high_cm=np.stack([one.high for one in records]) * 100,
        edges_cm=run.faces * 100, likely_min=likely_min, done_c=done_c, coldest=coldest)


@dataclass(frozen=True, slots=True)
class _Record:
    at_s: float
    t: Floats
    high: Floats


def _guess(body: CakeSlice) -> float:
    """Return about how long the field takes by its own values, seconds: it sets its steps alone."""
    half = (body.outer_cm - body.inner_cm) / (2 if body.inner_cm else 1)
    tall = 0.8 + 0.07 * body.depth_cm * body.rise
    return 60 * min(10 * half, 170 * half / (half + 7) * tall)


class _Tables:
    """Properties by temperature, in steps of a quarter of a degree."""

    def __init__(self, body: CakeSlice) -> None:
        value = {name: row.value for name, row in VALUES.items()}
        t = np.arange(0.0, _MOST_C + _STEP_C, _STEP_C)
        kelvin = t + 273.15
        pressure = 610.94 * np.exp(17.625 * t / (t + 243.04))
        latent = 2.501e6 - 2361.0 * t
        spreads = 2.2e-5 * (kelvin / 273.15) ** 1.75
        share = np.minimum(pressure / _PRESSURE, _SATURATED)
        cut = np.minimum(t, _BOILS_C)
        slope = (610.94 * np.exp(17.625 * cut / (cut + 243.04))
                 * 17.625 * 243.04 / (cut + 243.04) ** 2)
        bubble = _AIR_CONDUCTIVITY + (latent * spreads * _WATER_MOLAR / (_GAS * kelvin) * slope
                                      / (1 - share))
        self.growth = 1 + (body.rise - 1) * np.clip(
            (t - RISES_C[0]) / (RISES_C[1] - RISES_C[0]), 0.0, 1.0)
        gas = np.clip(1 - body.density * 1000 / self.growth / value["solid_density"], 0.0, 0.9)
        solid = value["solid_conductivity"]
        self.conducts = solid * (2 * solid + bubble - 2 * gas * (solid - bubble)) / (
            2 * solid + bubble + gas * (solid - bubble))
        boiling = 1 / (1 + np.exp(np.clip(-(t - _BOILS_C - 0.5) * 4, -60, 60)))
        self.stores = value["heat_capacity"] + (
            value["water"] * latent / _BOILING_BAND_C * boiling * np.exp(
                -np.clip(t - _BOILS_C - _BOILING_BAND_C, 0.0, None) / 4))
        excess = np.maximum(610.94 * np.exp(17.625 * cut / (cut + 243.04))
                            - value["oven_vapour"], 0.0)
        self.dries = excess * _WATER_MOLAR / (_GAS * kelvin)
        self.latent, self.spreads = latent, spreads * value["crust_passage"]
        self.value, self.celsius = value, t
        self.inside = np.stack([self.conducts, self.growth, self.stores])

    def takes(self, oven_c: float, emits: float, share: float = 1.0) -> Floats:
        """Return what a surface takes up of the oven's heat by its temperature, W/m²/K."""
        hot, cold = oven_c + 273.15, self.celsius + 273.15
        return np.asarray(share * (self.value["convection"] + emits * _STEFAN_BOLTZMANN
                                   * (hot ** 2 + cold ** 2) * (hot + cold)))

    @staticmethod
    def place(t: Floats) -> npt.NDArray[np.intp]:
        """Return where temperatures stand in the tables."""
        return np.clip(t * (1 / _STEP_C) + 0.5, 0, _MOST_C / _STEP_C).astype(np.intp)


class _Run:
    """One slice, ready to be followed."""

    def __init__(self, body: CakeSlice, finer: int) -> None:
        self.body, self.tables, self.finer = body, _Tables(body), finer
        self.rows, self.columns = (one * finer for one in body.cells)
        self.faces = np.linspace(body.inner_cm, body.outer_cm, self.columns + 1) / 100
        self.around = 2 * np.pi * self.faces if body.round_axis else np.ones_like(self.faces)
        self.flat = (np.pi * np.diff(self.faces ** 2) if body.round_axis
                     else np.diff(self.faces))
        self.layer = body.depth_cm / 100 / self.rows
        self.mass = np.broadcast_to(self.flat * self.layer * body.density * 1000,
                                    (self.rows, self.columns)).copy()
        self.wide = float(self.faces[1] - self.faces[0])
        self.between, self.wall_m = self.around[1:-1] / 2, body.wall_cm / 100
        value = self.tables.value
        self.crust_resists = 1 / value["crust_conductivity"]
        self.water = value["water"] * body.density * 1000 / body.rise
        thick = body.finish in _THICK
        self.pan_heat = value["pan_heat_thick" if thick else "pan_heat"]
        bright = body.finish in (PanFinish.BRIGHT, PanFinish.HEAVY)
        self.emits = value["emissivity_bright" if bright else "emissivity_dark"]
        self.walls = [(-1, -1), *([(0, 0)] if body.inner_cm > 0 else [])]

    def follow(self, spells: Sequence[Spell], whole_s: float, *, start_c: float,
               done_c: float) -> tuple[list[_Record], float, tuple[int, int]]:
        """Return the bake with its clock, when its coldest point is done, and where that is."""
        ends = np.cumsum([one.share for one in spells]) * whole_s
        seen = [_Seen(one, self.tables, self.emits) for one in spells]
        t = np.full((self.rows, self.columns), start_c, dtype=float)
        crust = np.zeros(self.columns)
        high = np.full_like(t, self.layer)
        records, now, done_s = [_Record(0.0, t, high)], 0.0, math.inf
        step_s, coldest = whole_s / (STEPS * self.finer), (self.rows // 2, 0)
        while now < min(LONGEST_S, done_s * AFTER):
            spell = min(int(np.searchsorted(ends, now, side="right")), len(spells) - 1)
            before = t
            t, crust, high = self._step(t, crust, seen[spell], step_s)
            now += step_s
            if done_s == math.inf:
                place = self._coldest(t)
                if t[place] >= done_c:
                    was = before[place]
                    share = (done_c - was) / max(float(t[place] - was), 1e-9)
                    done_s, coldest = now - step_s * (1 - min(max(share, 0), 1)), place
            records.append(_Record(now, t, high))
        if done_s == math.inf:
            raise CoreError("Its middle would not be done in eight hours.", field="oven")
        return records, done_s, coldest

    def _coldest(self, t: Floats) -> tuple[int, int]:
        """Return the coldest cell half way up, where a probe and a skewer go.

        Above it what dries off keeps the crumb cool for long, and the top is done by its colour.
        """
        middle = self.rows // 2
        return middle, int(np.argmin(t[middle]))

    def _step(self, t: Floats, crust: Floats, seen: _Seen,
              step_s: float) -> tuple[Floats, Floats, Floats]:
        """Return the slice a step later: first up and down, then across, each implicit."""
        tables = self.tables
        place = tables.place(t)
        k, growth, stores = tables.inside[:, place]
        high = self.layer * growth
        capacity = self.mass * stores
        inward, sideways = (0.5 / k) * high, (0.5 * self.wide) / k
        capacity[0] += self.pan_heat * self.flat
        out = np.zeros((2, *t.shape))
        out[0, 0] = self.flat / (1 / seen.pan[place[0]] + inward[0])
        top = place[-1]
        out[0, -1] = self.flat / (1 / seen.top[top] + inward[-1] + crust * self.crust_resists)
        for column, face in self.walls:
            own, spot = high[:, column], place[:, column]
            bottom = own.cumsum() - own
            touches = np.minimum(np.maximum((self.wall_m - bottom) / own, 0.0), 1.0)
            surface = self.around[face] * own
            out[1, :, column] = surface * (
                touches / (1 / seen.wall[spot] + sideways[:, column])
                + (1 - touches) / (1 / seen.bare[spot] + sideways[:, column]))
            capacity[:, column] += self.pan_heat * surface * touches
        per_step = capacity * (1 / step_s)

        dried = tables.dries[top] / (seen.passes + crust / tables.spreads[top])
        heat = per_step * t + out[0] * seen.oven_c
        heat[-1] -= tables.latent[top] * dried * self.flat
        t = _solved(self.flat / (inward[1:] + inward[:-1]), per_step + out[0], heat)
        between = ((high[:, 1:] + high[:, :-1]) * self.between
                   / (sideways[:, 1:] + sideways[:, :-1]))
        t = _solved(between.T, (per_step + out[1]).T,
                    (per_step * t + out[1] * seen.oven_c).T).T
        return t, crust + dried * (step_s / self.water), high


def _solved(links: Floats, own: Floats, heat: Floats) -> Floats:
    """Solve for temperatures along the first axis: neighbours by their links, each with its own.

    The matrix is symmetric and its diagonal the largest, so that nothing need be exchanged.
    """
    diagonal = own.copy()
    diagonal[:-1] += links
    diagonal[1:] += links
    heat = heat.copy()
    rows = len(own)
    for row in range(1, rows):
        share = links[row - 1] / diagonal[row - 1]
        diagonal[row] -= share * links[row - 1]
        heat[row] += share * heat[row - 1]
    heat[-1] /= diagonal[-1]
    for row in range(rows - 2, -1, -1):
        heat[row] = (heat[row] + links[row] * heat[row + 1]) / diagonal[row]
    return heat


class _Seen:
    """What the faces of a slice see of the oven during a spell, by their temperature."""

    def __init__(self, spell: Spell, tables: _Tables, emits: float) -> None:
        value = tables.value
        self.oven_c = spell.oven_c
        self.pan = tables.takes(spell.oven_c, emits)
        self.wall = tables.takes(spell.oven_c, emits, spell.wall)
        self.bare = tables.takes(spell.oven_c, value["emissivity_top"])
        self.top = tables.takes(spell.oven_c, value["emissivity_top"], spell.top)
        self.passes = _AIR_HEAT * _LEWIS / (value["convection"] * spell.top)
