"""``make heat-check`` ends here: draw ``docs/heat-check.png`` from ``docs/heat-check.json``."""

from __future__ import annotations

import json

import matplotlib

from bench.heat_check.run import OUT

matplotlib.use("Agg")

import matplotlib.pyplot as plt  # the backend has to be chosen first

NAMED = {"small well", "cupcake well", "round 18, thin", "round 18", "round 18, deep", "round 40",
         "round 28, deep", "ring 22", "ring 25, deep", "loaf 21 × 11", "sheet 33 × 23, thin"}


def main() -> None:
    rows = json.loads(OUT.read_text(encoding="utf-8"))["cases"]
    figure, axes = plt.subplots(figsize=(7.2, 6.2), dpi=110)
    low, high = 9, 380
    axes.plot([low, high], [low, high], color="#777", linewidth=1, label="equal")
    for row in rows:
        slow = row["slow_min"] or high
        axes.plot([row["closed_min"]] * 2, [row["quick_min"], slow], color="#b9c4dc", linewidth=3)
        if row["slow_min"] is None:
            axes.plot(row["closed_min"], high * 0.96, marker="^", color="#b9c4dc")
        if row["name"] in NAMED:
            axes.annotate(row["name"], (row["closed_min"], row["solved_min"]), fontsize=7,
                          xytext=(5, -2), textcoords="offset points")
    axes.plot([row["closed_min"] for row in rows], [row["solved_min"] for row in rows], "o",
              color="#1d3f8f", label="middle of every range")
    axes.plot([row["closed_min"] for row in rows], [row["quick_min"] for row in rows], "s",
              color="#c2370f", markersize=4, label="quick end of every range")
    axes.set(xscale="log", yscale="log", xlim=(14, 80), ylim=(low, high),
             xlabel="closed form, uncalibrated, minutes",
             ylabel="solved in two dimensions, minutes (bar: quick to slow end)",
             title="Time to a centre of 97 °C at 170 °C")
    for axis, ticks in ((axes.xaxis, (15, 20, 30, 40, 60, 80)),
                        (axes.yaxis, (10, 20, 30, 50, 100, 200, 300))):
        axis.set_ticks(ticks, labels=[str(tick) for tick in ticks])
        axis.set_minor_formatter("")
    axes.legend(loc="upper left", frameon=False)
    figure.tight_layout()
    figure.savefig(OUT.with_suffix(".png"))


if __name__ == "__main__":
    main()
