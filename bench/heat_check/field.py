"""Heating of a batter in two dimensions: finite volumes, integrated by scipy's stiff solver.

Cells keep their mass and grow upwards as they rise, each by its own temperature. Round pans and
rings are solved round their axis, sheets and loaves across their width.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.integrate import solve_ivp
from scipy.sparse import lil_matrix

from bench.heat_check.physics import (
    AIR_HEAT,
    BOILS_C,
    GAS,
    LEWIS_POWER,
    STEFAN_BOLTZMANN,
    WATER_MOLAR,
    Field,
    bubble_conductivity,
    gassy_conductivity,
    latent_heat,
    vapour_diffusivity,
    vapour_pressure,
)

RISES_C = (40.0, 85.0)
"""Between these a batter rises; an estimate."""

BOILING_BAND_C = 10.0
"""Water of a cell boils off over so many degrees above boiling."""

LONGEST_S = 6 * 3600.0


class NotDone(RuntimeError):
    """The centre does not get there in six hours."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Materials:
    """Values of ``materials.toml``, in its units."""

    heat_capacity: float
    solid_conductivity: float
    solid_density: float
    water: float
    convection: float
    pan_emissivity: float
    top_emissivity: float
    crust_conductivity: float
    crust_passage: float
    oven_vapour: float
    pan_heat: float
    rise: float
    moist: bool = True
    """Whether vapour moves and the top dries; off for the test against a known solution."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """A batter in its pan, metres and kilograms.

    Parameters
    ----------
    inner_m, outer_m : float
        From the axis (or the middle plane) to the walls; inner 0 has no wall.
    height_m : float
        Of the raw batter.
    density : float
        Of the raw batter, kg/m³.
    axisymmetric : bool
        Round an axis; else across a plane.
    wall_m : float
        Height of the wall: above it there is air.
    """

    inner_m: float
    outer_m: float
    height_m: float
    density: float
    axisymmetric: bool
    wall_m: float
    wall_share: float = 1.0
    """What of the heat goes through the walls: less with strips round them."""


def minutes_to_done(body: Body, materials: Materials, *, oven_c: float, start_c: float,
                    done_c: float, cells: int = 18) -> float:
    """Return the minutes until the centre is done: half way up, on the axis or between the walls.

    Not the coldest cell: the top stays below done for long, cooled by what dries off.

    Raises
    ------
    NotDone
        When it is not done in six hours, or the solver gives up.
    """
    grid = _Grid.of(body, cells)

    middle = cells // 2 if body.inner_m > 0 else 0

    def done(_: float, state: Field) -> float:
        column = state[:grid.size].reshape(cells, cells)[:, middle]
        return float((column[(cells - 1) // 2] + column[cells // 2]) / 2 - done_c)

    done.terminal = True  # type: ignore[attr-defined]  # how scipy marks such an event
    state = np.concatenate([np.full(grid.size, start_c), np.zeros(cells)])
    solved = solve_ivp(
        lambda _, now: rates(now, grid, body, materials, oven_c), (0.0, LONGEST_S), state,
        method="BDF", events=done, jac_sparsity=grid.neighbours(), rtol=1e-4, atol=1e-3,
        max_step=60.0)
    if not solved.success or not solved.t_events[0].size:
        raise NotDone(f"not done: {solved.message}")
    return float(solved.t_events[0][0] / 60)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Grid:
    """Cells: rows from base to top, columns from the axis to the wall."""

    cells: int
    faces_m: Field
    flat_m2: Field
    mass: Field
    around_m: Field
    rise_from_m: float

    @property
    def size(self) -> int:
        return self.cells * self.cells

    @classmethod
    def of(cls, body: Body, cells: int) -> _Grid:
        faces = np.linspace(body.inner_m, body.outer_m, cells + 1)
        around = 2 * np.pi * faces if body.axisymmetric else np.ones_like(faces)
        flat = (np.pi * (faces[1:] ** 2 - faces[:-1] ** 2) if body.axisymmetric
                else np.diff(faces))
        layer = body.height_m / cells
        mass = np.broadcast_to(flat * layer * body.density, (cells, cells)).copy()
        return cls(cells=cells, faces_m=faces, flat_m2=flat, mass=mass, around_m=around,
                   rise_from_m=layer)

    def neighbours(self) -> lil_matrix:
        """Return which states a rate depends on, for the solver's Jacobian."""
        n = self.cells
        pattern = lil_matrix((self.size + n, self.size + n), dtype=np.int8)
        for row in range(n):
            for column in range(n):
                here = row * n + column
                for r, c in ((row, column), (row - 1, column), (row + 1, column),
                             (row, column - 1), (row, column + 1)):
                    if 0 <= r < n and 0 <= c < n:
                        pattern[here, r * n + c] = 1
                # Whether a wall cell still touches the wall hangs on the height of its column.
                if column in (0, n - 1):
                    for r in range(row):
                        pattern[here, r * n + column] = 1
                if row == n - 1:
                    pattern[here, self.size + column] = 1
                    pattern[self.size + column, here] = 1
                    pattern[self.size + column, self.size + column] = 1
        return pattern


def rates(state: Field, grid: _Grid, body: Body, materials: Materials, oven_c: float) -> Field:
    """Return the change of every cell's temperature and of the crust's thickness, per second."""
    n = grid.cells
    t = state[:grid.size].reshape(n, n)
    crust = np.maximum(state[grid.size:], 0.0)
    risen = np.clip((t - RISES_C[0]) / (RISES_C[1] - RISES_C[0]), 0.0, 1.0)
    growth = 1 + (materials.rise - 1) * risen
    high = grid.rise_from_m * growth
    if materials.moist:
        gas = np.clip(1 - body.density / growth / materials.solid_density, 0.0, 0.9)
        k = gassy_conductivity(materials.solid_conductivity, bubble_conductivity(t), gas)
    else:
        k = np.full_like(t, materials.solid_conductivity)
    heat = np.zeros_like(t)

    up = (t[1:] - t[:-1]) / (high[1:] / (2 * k[1:]) + high[:-1] / (2 * k[:-1])) * grid.flat_m2
    heat[:-1] += up
    heat[1:] -= up
    wide = np.diff(grid.faces_m)
    area = grid.around_m[1:-1] * (high[:, 1:] + high[:, :-1]) / 2
    across = (t[:, 1:] - t[:, :-1]) / (wide[1:] / (2 * k[:, 1:]) + wide[:-1] / (2 * k[:, :-1])
                                       ) * area
    heat[:, :-1] += across
    heat[:, 1:] -= across

    capacity = grid.mass * materials.heat_capacity
    base = _Surface(t[0], oven_c, materials.convection, materials.pan_emissivity)
    heat[0] += base.flux(high[0] / (2 * k[0])) * grid.flat_m2
    capacity[0] += materials.pan_heat * grid.flat_m2
    bottom = np.cumsum(high, axis=0) - high
    touches = np.clip((body.wall_m - bottom) / high, 0.0, 1.0)
    for column, face in ((n - 1, n), (0, 0)):
        if face == 0 and body.inner_m == 0:
            continue
        side = _Surface(t[:, column], oven_c, materials.convection, materials.pan_emissivity,
                        body.wall_share)
        bare = _Surface(t[:, column], oven_c, materials.convection, materials.top_emissivity)
        inward = wide[min(column, n - 1)] / (2 * k[:, column])
        surface = grid.around_m[face] * high[:, column]
        heat[:, column] += surface * (touches[:, column] * side.flux(inward)
                                      + (1 - touches[:, column]) * bare.flux(inward))
        capacity[:, column] += materials.pan_heat * surface * touches[:, column]

    drying = np.zeros(n)
    top = _Surface(t[-1], oven_c, materials.convection, materials.top_emissivity)
    if materials.moist:
        taken, dried = _evaporation(t[-1], crust, materials)
        heat[-1] += (top.flux(high[-1] / (2 * k[-1]) + crust / materials.crust_conductivity) - taken
                     ) * grid.flat_m2
        water_kg_m3 = materials.water * body.density / materials.rise
        drying = dried / water_kg_m3
        boiling = 1 / (1 + np.exp(-(t - BOILS_C - 0.5) * 4))
        capacity = capacity + (grid.mass * materials.water * latent_heat(t) / BOILING_BAND_C
                               * boiling)
    else:
        heat[-1] += top.flux(high[-1] / (2 * k[-1])) * grid.flat_m2
    return np.concatenate([(heat / capacity).ravel(), drying])


class _Surface:
    """Heat from the oven through a surface and what lies behind it, W/m²."""

    def __init__(self, t: Field, oven_c: float, convection: float, emissivity: float,
                 share: float = 1.0) -> None:
        hot, cold = oven_c + 273.15, t + 273.15
        radiant = emissivity * STEFAN_BOLTZMANN * (hot**2 + cold**2) * (hot + cold)
        self.transfer, self.drop = share * (convection + radiant), oven_c - t

    def flux(self, behind: Field) -> Field:
        """Return the flux with a resistance behind the surface, m²K/W."""
        return np.asarray(self.drop / (1 / self.transfer + behind))


def _evaporation(t: Field, crust: Field, materials: Materials) -> tuple[Field, Field]:
    """Return heat taken (W/m²) and water dried (kg/m²/s) at the front below the crust."""
    passes = materials.convection / (AIR_HEAT * LEWIS_POWER)
    resistance = 1 / passes + crust / (vapour_diffusivity(t) * materials.crust_passage)
    excess = np.maximum(vapour_pressure(np.minimum(t, BOILS_C)) - materials.oven_vapour, 0.0)
    dried = excess * WATER_MOLAR / (GAS * (t + 273.15)) / resistance
    return np.asarray(latent_heat(t) * dried), np.asarray(dried)
