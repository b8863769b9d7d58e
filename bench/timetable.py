"""``make timetable-check``: how soon days are planned, and what looking longer is worth."""

from __future__ import annotations

import os
import time
from datetime import timedelta
from pathlib import Path

from bench.__main__ import report

PLOT = Path(__file__).resolve().parents[1] / "docs/timetable-cost.png"
EFFORTS = (0.05, 0.2, 0.5, 1.0, 1.5)


def main() -> None:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    from entremet.core.timetable.checker import broken
    from entremet.core.timetable.plan_days import quick_plan
    from entremet.core.timetable.solver import better_plan
    from tests.core.timetable.days import SATURDAY, cake, means, tasks

    def days(count: int, span: int) -> list:
        return tasks(*(cake(f"Order {i}", width=(15, 18, 20, 23)[i % 4], due=SATURDAY + timedelta(
            minutes=(60 * (i // span % 10) if span > 1 else 30 * (i % 8))
            - 1440 * (i % span))) for i in range(count)))

    curves: dict[str, list[tuple[float, float]]] = {}
    for count, span, hands in ((3, 1, 1), (6, 1, 1), (40, 4, 2)):
        kitchen = means(days=max(2, span + 1), ovens=2, hands=hands, boards=60, bowls=hands + 1)
        made = days(count, span)
        start = time.process_time()
        quick = quick_plan(made, kitchen)
        took = time.process_time() - start
        report(f"quick plan, {count} cakes ({len(made)} tasks), CPU", took, "s", 1)
        print(f"    left out {len(quick.left_out)}, broken {len(broken(quick.placed, kitchen))}")
        curve = [(took, quick.cost)]
        for effort in EFFORTS if count < 40 else (0.3, 0.6, 1.0):
            start = time.process_time()
            better = better_plan(quick, made, kitchen, effort=effort)
            took = time.process_time() - start
            curve.append((took, better.cost))
            print(f"    effort {effort:g}: {took:5.1f} s CPU, cost {better.cost / quick.cost:.3f} "
                  f"of the quick plan, gap {better.gap}, proven {better.proven}")
        curves[f"{count} cakes"] = curve
    _plot(curves)


def _plot(curves: dict[str, list[tuple[float, float]]]) -> None:
    import matplotlib

    matplotlib.use("svg")
    from matplotlib.figure import Figure

    figure = Figure(figsize=(7, 4))
    axes = figure.add_subplot()
    for name, curve in curves.items():
        axes.plot([took for took, _ in curve], [cost / curve[0][1] for _, cost in curve],
                  marker="o", label=name)
    axes.set_xlabel("seconds of CPU")
    axes.set_ylabel("cost over the quick plan's")
    axes.legend()
    axes.grid(alpha=0.3)
    figure.savefig(PLOT, dpi=110, format="png")
    print(PLOT.name)


if __name__ == "__main__":
    main()
