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

    _rules(500)
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


def _rules(count: int) -> None:
    """Check every rule over random days, and ask the solver of those that have no quick plan."""
    from entremet.core.timetable.checker import broken
    from entremet.core.timetable.plan_days import first_plan, quick_plan
    from entremet.core.timetable.solver import any_plan
    from tests.core.timetable.days import some_day, tasks

    wrong, told = 0, {"found": 0, "proven": 0, "open": 0}
    quick_s, asked_s = [], []
    for seed in range(count):
        cakes, kitchen = some_day(seed)
        made = tasks(*cakes)
        start = time.process_time()
        table = quick_plan(made, kitchen)
        quick_s.append(time.process_time() - start)
        if not table.left_out and broken(table.placed, kitchen):
            wrong += bool(broken(first_plan(made, kitchen).placed, kitchen))
        if table.left_out:
            start = time.process_time()
            placed, impossible = any_plan(made, kitchen)
            asked_s.append(time.process_time() - start)
            wrong += bool(placed and broken(placed, kitchen))
            told["found" if placed else "proven" if impossible else "open"] += 1
    report("random days with a broken rule", wrong, "", 0.5)
    report("a quick plan of theirs, CPU", max(quick_s), "s", 0.5)
    print(f"    {sum(told.values())} of {count} have no quick plan: a plan was found for "
          f"{told['found']}, {told['proven']} are proven impossible, {told['open']} stay open; "
          f"asking takes {max(asked_s, default=0):.1f} s at most")


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
