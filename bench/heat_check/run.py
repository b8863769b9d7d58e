"""``make heat-check``: solve every case, at the middle and at both ends of every estimate.

Writes ``docs/heat-check.json`` and prints the tables of docs/science.md. Nothing is calibrated.
"""

from __future__ import annotations

import json
import math
from collections.abc import Sequence
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path
from typing import Any

from bench.heat_check.cases import (
    DONE_C,
    OVEN_C,
    START_C,
    Case,
    cases,
    materials,
    materials_table,
)
from bench.heat_check.field import NotDone, minutes_to_done
from entremet.core.ground.reference import Basis

OUT = Path(__file__).resolve().parents[2] / "docs/heat-check.json"
TIE = 0.03
"""Times within 3 % count as ties."""

QUICK = {"heat_capacity": "low", "solid_conductivity": "high", "water": "low",
         "convection": "high", "pan_emissivity": "high", "top_emissivity": "high",
         "crust_conductivity": "high", "crust_passage": "low", "oven_vapour": "high",
         "pan_heat": "low", "rise": "low", "solid_density": "high"}
"""The end of each range that is expected to bake quicker; the other end bakes slower."""


def main() -> None:
    listed, reference = cases()
    table = materials_table()
    variants: dict[str, dict[str, float]] = {"middle": {}}
    for name, row in table.items():
        if row.basis not in (Basis.PHYSICS, Basis.DEFINITION):
            variants[f"{name} low"] = {name: row.low}
            variants[f"{name} high"] = {name: row.high}
    variants["all quick"] = {name: getattr(table[name], end) for name, end in QUICK.items()}
    variants["all slow"] = {name: getattr(table[name], "low" if end == "high" else "high")
                            for name, end in QUICK.items()}
    with ProcessPoolExecutor() as pool:
        jobs = {name: [pool.submit(_solve, case, changed) for case in listed]
                for name, changed in variants.items()}
        solved = {name: [job.result() for job in row] for name, row in jobs.items()}
    closed = [case.closed_min() for case in listed]
    own = next(place for place, case in enumerate(listed) if case.name == reference)
    result: dict[str, Any] = {
        "cases": [{"name": case.name, "depth_cm": round(case.depth_cm, 2),
                   "closed_min": round(closed[place], 1),
                   "solved_min": _told(solved["middle"][place]),
                   "quick_min": _told(solved["all quick"][place]),
                   "slow_min": _told(solved["all slow"][place])}
                  for place, case in enumerate(listed)],
        "reference": reference,
        "variants": {name: _compared(closed, row, own) for name, row in solved.items()},
        "rules": {end: _rules(listed, closed, solved[end], own)
                  for end in ("middle", "all quick")},
    }
    OUT.write_text(json.dumps(result, indent=1, ensure_ascii=False) + "\n", encoding="utf-8")
    _print(result)


def tau(ours: Sequence[float], theirs: Sequence[float]) -> float:
    """Return Kendall's rank correlation (b), times within 3 % counting as ties."""
    both = one = other = 0
    for i in range(len(ours)):
        for j in range(i):
            a, b = _order(ours[i], ours[j]), _order(theirs[i], theirs[j])
            both += a * b
            one += a * a
            other += b * b
    return both / math.sqrt(one * other) if one and other else 0.0


def _order(one: float, other: float) -> int:
    apart = math.log(one / other)
    return 0 if abs(apart) < TIE else (1 if apart > 0 else -1)


def _solve(case: Case, changed: dict[str, float]) -> float:
    """Return the minutes; endless where the centre is not done in six hours."""
    try:
        return minutes_to_done(case.body(), materials(**changed), oven_c=OVEN_C,
                               start_c=START_C, done_c=DONE_C)
    except NotDone:
        return math.inf


def _told(minutes: float) -> float | None:
    return round(minutes, 1) if math.isfinite(minutes) else None


def _compared(closed: Sequence[float], solved: Sequence[float],
              own: int) -> dict[str, float | None]:
    """Compare the pans that are done at all; how many are not is told beside."""
    ended = [place for place, one in enumerate(solved) if math.isfinite(one)]
    logs = [math.log(closed[place] / solved[place]) for place in ended]
    mean = sum(logs) / len(logs)
    return {"mean_log": round(mean, 3), "not_done": len(solved) - len(ended),
            "tau": round(tau([closed[place] for place in ended],
                             [solved[place] for place in ended]), 3),
            "spread": round(math.sqrt(sum((one - mean) ** 2 for one in logs) / len(logs)), 3),
            "reference_min": _told(solved[own])}


def _rules(listed: Sequence[Case], closed: Sequence[float], solved: Sequence[float],
           own: int) -> dict[str, dict[str, float]]:
    """Return how rules of thumb do, each started from the solver's time in the recipe's pan."""
    start, depth = solved[own], listed[own].depth_cm
    told = {
        "closed form": [start * one / closed[own] for one in closed],
        "same time": [start for _ in listed],
        "time with depth": [start * case.depth_cm / depth for case in listed],
        "time with root of depth": [start * math.sqrt(case.depth_cm / depth) for case in listed],
    }
    return {name: {"rms_log": round(math.sqrt(sum(
        math.log(a / b) ** 2 for a, b in zip(row, solved, strict=True)) / len(row)), 3),
        "tau": round(tau(row, solved), 3)} for name, row in told.items()}


def _print(result: dict[str, Any]) -> None:
    print("| pan | depth cm | closed form | solved | log difference | solved, quick to slow |")
    print("|---|---|---|---|---|---|")
    for row in result["cases"]:
        apart = math.log(row["closed_min"] / row["solved_min"])
        print(f"| {row['name']} | {row['depth_cm']} | {row['closed_min']} | {row['solved_min']} | "
              f"{apart:+.2f} | {row['quick_min']} to {row['slow_min']} |")
    print()
    for name, one in result["variants"].items():
        print(f"{name:28s} mean log {one['mean_log']:+.2f}  spread {one['spread']:.2f}  "
              f"tau {one['tau']:.2f}  reference {one['reference_min']}  not done {one['not_done']}")
    for end, rules in result["rules"].items():
        for name, one in rules.items():
            print(f"{end:10s} {name:26s} rms log {one['rms_log']:.2f}  tau {one['tau']:.2f}")


if __name__ == "__main__":
    main()
