"""The field inside a cake against the independent solver: ``python -m bench.heat_check.inside``.

Both on the clock of their own middle: the field is told when it is done and only says how.
"""

from __future__ import annotations

import time
from concurrent.futures import ProcessPoolExecutor

import numpy as np
from scipy.integrate import solve_ivp

from bench.heat_check.cases import DONE_C, OVEN_C, START_C, Case, cases, materials
from bench.heat_check.field import LONGEST_S, _Grid, rates
from entremet.core.inside.body import CakeSlice
from entremet.core.inside.field import Spell, warmed
from entremet.core.inside.told import RIM_CM, first_min, rim_c

CELLS = 19
SHARES = np.linspace(0.05, 1.0, 20)


def solved(case: Case) -> tuple[float, np.ndarray]:
    """Return the solver's lead as a share of the bake, and its rim over that bake's twentieths."""
    body, made = case.body(), materials()
    grid = _Grid.of(body, CELLS)
    middle = CELLS // 2 if body.inner_m > 0 else 0

    def done(_: float, state: np.ndarray) -> float:
        return float(state[:grid.size].reshape(CELLS, CELLS)[CELLS // 2, middle] - DONE_C)

    done.terminal = True  # type: ignore[attr-defined]  # how scipy marks such an event
    state = np.concatenate([np.full(grid.size, START_C), np.zeros(CELLS)])
    found = solve_ivp(lambda _, now: rates(now, grid, body, made, OVEN_C), (0.0, LONGEST_S), state,
                      method="BDF", events=done, jac_sparsity=grid.neighbours(), rtol=1e-4,
                      atol=1e-3, max_step=60.0)
    whole = float(found.t_events[0][0])
    centres = (grid.faces_m[1:] + grid.faces_m[:-1]) / 2 * 100
    wide = (body.outer_m - body.inner_m) * 100
    at = [body.outer_m * 100 - min(RIM_CM, wide / 6)]
    if body.inner_m > 0:
        at.append(body.inner_m * 100 + min(RIM_CM, wide / 6))
    rim = np.max([[np.interp(x, centres, row.reshape(CELLS, CELLS)[CELLS // 2])
                   for row in found.y[:grid.size].T] for x in at], axis=0)
    first = float(np.interp(DONE_C, np.maximum.accumulate(rim), found.t))
    return 1 - first / whole, np.interp(SHARES * whole, found.t, rim)


def ours(case: Case) -> tuple[float, np.ndarray, float]:
    """Return the same of the field inside, and its CPU time."""
    body = case.body()
    start = time.process_time()
    bake = warmed(CakeSlice(inner_cm=body.inner_m * 100, outer_cm=body.outer_m * 100,
                       depth_cm=body.height_m * 100, wall_cm=body.wall_m * 100,
                       density=body.density / 1000, rise=materials().rise,
                       round_axis=body.axisymmetric),
                  [Spell(share=1.0, oven_c=OVEN_C)], start_c=START_C, done_c=DONE_C,
                  likely_min=100.0)
    took = time.process_time() - start
    rim = rim_c(bake)
    return 1 - first_min(bake, rim) / 100, np.interp(SHARES * 100, bake.minutes, rim), took


def main() -> None:
    listed, _ = cases()
    with ProcessPoolExecutor() as pool:
        theirs = list(pool.map(solved, listed))
    print("| pan | lead, solver | lead, field | of it | rim apart at most °C | CPU ms |")
    print("|---|---|---|---|---|---|")
    for case, (lead, rim) in zip(listed, theirs, strict=True):
        own, own_rim, took = ours(case)
        print(f"| {case.name} | {lead:.2f} | {own:.2f} | {own / max(lead, 1e-9) - 1:+.0%} | "
              f"{np.abs(own_rim - rim).max():.1f} | {took * 1000:.0f} |")


if __name__ == "__main__":
    main()
