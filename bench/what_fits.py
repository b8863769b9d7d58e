"""How long the rack is searched: 40 kinds of pan, sets of five, batches of several sizes."""

from __future__ import annotations

import random
import time

KINDS = 40
SEARCHES = 8


def slowest_search_s() -> float:
    """Return the slowest of some searches over racks of forty kinds."""
    from entremet.core.choosing.search import FreePan, Size, sets_that_fit

    dice = random.Random(20261125)
    slowest = 0.0
    for number in range(SEARCHES):
        rack = [FreePan(need_ml=dice.uniform(200, 2600), most=dice.uniform(1, 1.6),
                        owned=dice.randint(1, 5)) for _ in range(KINDS)]
        sizes = ([Size(factor=eggs / 4, net_ml=900 * eggs) for eggs in range(2, 9)]
                 if number % 2 else [Size(factor=1, net_ml=dice.choice((1200, 3000, 12000)))])
        start = time.perf_counter()
        sets_that_fit(rack, sizes, tolerance=0.1, most_pans=5)
        slowest = max(slowest, time.perf_counter() - start)
    return slowest
