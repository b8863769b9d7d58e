"""Round pans laid as a hand would lay them: nested, each touching the air of its neighbours."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

MOST_STEPS = 3_000
"""Places that are tried for one shelf before the best so far is taken."""

_NEAR = 1e-7


@dataclass(frozen=True, slots=True)
class Disc:
    """A round pan on a shelf: its place in the list, its middle, its radius with the rim."""

    item: int
    x_cm: float
    y_cm: float
    radius_cm: float


def nested(radii: Sequence[tuple[int, float]], *, width_cm: float, depth_cm: float,
           air_cm: float) -> list[Disc]:
    """Return as many round pans as an exact small search lays on one shelf.

    Each next pan is tried where it touches two of walls and pans, largest first; the search steps
    back while there are steps left. For the few pans of an oven it finds the layout there is.

    Parameters
    ----------
    radii : sequence of (int, float)
        Place in the list and radius of each, cm.
    width_cm, depth_cm : float
        The shelf.
    air_cm : float
        Between pans, and between a pan and the wall.

    >>> len(nested([(i, 8.0) for i in range(3)], width_cm=45, depth_cm=36, air_cm=2))
    3
    """
    order = sorted(radii, key=lambda one: (-one[1], one[0]))
    best: list[Disc] = []
    steps = 0

    def go(placed: list[Disc], left: list[tuple[int, float]]) -> bool:
        nonlocal best, steps
        if len(placed) > len(best):
            best = list(placed)
        if not left or len(placed) + len(left) <= len(best):
            return not left
        (item, radius), rest = left[0], left[1:]
        for x, y in _places(placed, radius, width_cm, depth_cm, air_cm):
            steps += 1
            if steps > MOST_STEPS:
                return True
            if go([*placed, Disc(item, x, y, radius)], rest):
                return True
        return go(placed, rest)

    go([], order)
    return best


def _places(placed: Sequence[Disc], radius: float, width: float, depth: float,
            air: float) -> Iterator[tuple[float, float]]:
    """Yield the places where a disc touches two of walls and pans and nothing overlaps."""
    low, high_x, high_y = air + radius, width - air - radius, depth - air - radius
    if low > high_x + _NEAR or low > high_y + _NEAR:
        return
    corners = [(low, low), (high_x, low), (low, high_y), (high_x, high_y)]
    rings = [(one.x_cm, one.y_cm, one.radius_cm + radius + air) for one in placed]
    found = [*corners, *_on_walls(rings, (low, high_x), (low, high_y)), *_between(rings)]
    seen: set[tuple[int, int]] = set()
    for x, y in found:
        inside = low - _NEAR <= x <= high_x + _NEAR and low - _NEAR <= y <= high_y + _NEAR
        key = (round(x * 100), round(y * 100))
        if inside and key not in seen and all(
                math.hypot(x - cx, y - cy) >= reach - 1e-6 for cx, cy, reach in rings):
            seen.add(key)
            yield x, y


Ring = tuple[float, float, float]


def _on_walls(rings: Sequence[Ring], xs: tuple[float, float],
              ys: tuple[float, float]) -> Iterator[tuple[float, float]]:
    for cx, cy, reach in rings:
        for x in xs:
            rest = reach**2 - (x - cx)**2
            if rest >= 0:
                yield x, cy + math.sqrt(rest)
                yield x, cy - math.sqrt(rest)
        for y in ys:
            rest = reach**2 - (y - cy)**2
            if rest >= 0:
                yield cx + math.sqrt(rest), y
                yield cx - math.sqrt(rest), y


def _between(rings: Sequence[Ring]) -> Iterator[tuple[float, float]]:
    for place, (ax, ay, a) in enumerate(rings):
        for bx, by, b in rings[:place]:
            apart = math.hypot(bx - ax, by - ay)
            if apart < _NEAR or apart > a + b or apart < abs(a - b):
                continue
            along = (a**2 - b**2 + apart**2) / (2 * apart)
            across = math.sqrt(max(a**2 - along**2, 0.0))
            mx, my = ax + along * (bx - ax) / apart, ay + along * (by - ay) / apart
            yield mx - across * (by - ay) / apart, my + across * (bx - ax) / apart
            yield mx + across * (by - ay) / apart, my - across * (bx - ax) / apart
