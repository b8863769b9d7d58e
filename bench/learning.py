"""What learning is worth: simulated kitchens, and what recomputing costs. Run: ``make learning``.

Each kitchen has two ovens, four recipes and five pans whose true factors are drawn from the priors.
After so many bakes twenty fresh ones are predicted: the median error over that without learning,
and how many lie in the 90 % window. Seeds are fixed, noise is normal.
"""

from __future__ import annotations

import math
import random
import statistics
import time
from pathlib import Path

import matplotlib

from entremet.core.learning.entries import Logged
from entremet.core.learning.model import INSIDE, learn
from entremet.core.learning.spreads import SPREADS

matplotlib.use("Agg")

import matplotlib.pyplot as plt  # the backend has to be chosen first

KITCHENS, FRESH = 2000, 20
AFTER = (0, 3, 6, 12, 24, 48)
PROMISED = {12: 0.62, 24: 0.53}
PLOT = Path(__file__).resolve().parent.parent / "docs" / "learning.png"


def kitchen(rng: random.Random, bakes: int) -> list[Logged]:
    """Return bakes of a kitchen whose true factors are drawn from the priors."""
    true = {(kind, at): rng.gauss(0, sd) for kind, sd, count in (
        ("oven", SPREADS.oven, 2), ("recipe", SPREADS.recipe, 4), ("pan", SPREADS.pan, 5))
        for at in range(count)}
    found = []
    for _ in range(bakes):
        oven, recipe, pan = rng.randrange(2), rng.randrange(4), rng.randrange(5)
        y = (true["oven", oven] + true["recipe", recipe] + true["pan", pan]
             + rng.gauss(0, SPREADS.noise))
        found.append(Logged(oven=str(oven), recipe=str(recipe), pan=str(pan), expected_min=30,
                            minutes=30 * math.exp(y)))
    return found


def measured(after: int) -> tuple[float, float, float]:
    """Return median error with learning over that without, share inside, median sd."""
    rng = random.Random(20261126)
    errors: list[float] = []
    plain: list[float] = []
    inside, widths = 0, []
    for _ in range(KITCHENS):
        bakes = kitchen(rng, after + FRESH)
        found = learn(bakes[:after])
        for one in bakes[after:]:
            said = found.predict(one)
            y = one.log_ratio(SPREADS)
            errors.append(abs(y - math.log(said.factor)))
            plain.append(abs(y))
            inside += abs(y - math.log(said.factor)) <= INSIDE * said.sd
            widths.append(said.sd)
    return (statistics.median(errors) / statistics.median(plain), inside / len(errors),
            statistics.median(widths))


def recomputed(count: int = 5000) -> float:
    """Return CPU seconds of learning anew from so many bakes of 3 ovens, 40 recipes and 15 pans."""
    rng = random.Random(5)
    bakes = []
    for _ in range(count):
        pan = rng.randrange(15)
        bakes.append(Logged(
            oven=str(rng.randrange(3)), recipe=str(rng.randrange(40)), pan=str(pan),
            expected_min=30, minutes=30 * math.exp(rng.gauss(0, 0.1)), apart=(pan - 7) / 15))
    spent = []
    for _ in range(5):
        start = time.process_time()
        learn(bakes)
        spent.append(time.process_time() - start)
    return min(spent)


def draw(rows: list[tuple[int, float, float, float]]) -> None:
    """Draw error over that without learning, and the window over a stranger's, by bakes logged."""
    after = [row[0] for row in rows]
    figure, axes = plt.subplots(figsize=(6.4, 3.6), dpi=110)
    axes.plot(after, [row[1] for row in rows], "o-", color="#1d3f8f",
              label="median error over that without learning")
    axes.plot(after, [row[3] / rows[0][3] for row in rows], "s--", color="#c2370f",
              label="window over that of a stranger's kitchen")
    axes.set(ylim=(0, 1.05), xlabel=f"bakes logged; {KITCHENS} simulated kitchens", xticks=after)
    axes.grid(axis="y", color="#d3dbe8")
    axes.legend(frameon=False)
    figure.tight_layout()
    figure.savefig(PLOT)


def main() -> None:
    """Measure and print."""
    print(f"{KITCHENS} simulated kitchens, {FRESH} fresh bakes predicted in each")
    print("bakes  error over none  promised  in the 90 % window  sd")
    rows = []
    for after in AFTER:
        error, inside, sd = measured(after)
        rows.append((after, error, inside, sd))
        promised = PROMISED.get(after)
        print(f"{after:5d}  {error:15.3f}  {'' if promised is None else promised:>8}  "
              f"{inside:18.1%}  {sd:.3f}")
    draw(rows)
    print(f"learning anew from 5,000 bakes: {1000 * recomputed():.0f} ms CPU (promised 200)")
    print(f"plot in docs/{PLOT.name}")


if __name__ == "__main__":
    main()
