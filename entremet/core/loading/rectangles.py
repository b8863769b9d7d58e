"""Rectangles laid on shelves: each where the shorter side of what is left over is least."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Box:
    """A rectangle on a shelf, or room for one: its left front corner, its width and depth."""

    x: int
    y: int
    wide: int
    deep: int

    def meets(self, other: Box) -> bool:
        """Say whether the two share more than an edge."""
        return (self.x < other.x + other.wide and other.x < self.x + self.wide
                and self.y < other.y + other.deep and other.y < self.y + self.deep)

    def holds(self, other: Box) -> bool:
        """Say whether another lies wholly in this one."""
        return (self.x <= other.x and other.x + other.wide <= self.x + self.wide
                and self.y <= other.y and other.y + other.deep <= self.y + self.deep)

    def without(self, taken: Box) -> list[Box]:
        """Return what is left of it round something: up to four, each as large as it can be."""
        right, back = self.x + self.wide, self.y + self.deep
        left = [Box(self.x, self.y, taken.x - self.x, self.deep),
                Box(taken.x + taken.wide, self.y, right - taken.x - taken.wide, self.deep),
                Box(self.x, self.y, self.wide, taken.y - self.y),
                Box(self.x, taken.y + taken.deep, self.wide, back - taken.y - taken.deep)]
        return [one for one in left if one.wide > 0 and one.deep > 0]


def packed(sizes: Sequence[tuple[int, int]], *, wide: int, deep: int,
           shelves: int) -> list[list[tuple[int, Box]]]:
    """Lay rectangles on as few shelves as this way of laying finds, the largest first.

    Parameters
    ----------
    sizes : sequence of (int, int)
        Two sides of each, above zero; it may be turned.
    wide, deep : int
        A shelf, in the same units.
    shelves : int
        How many there are at the most.

    Returns
    -------
    list of list of (int, Box)
        By shelf, the place of each in the list and where it lies; what found no room is missing.
        Of all free rectangles of all shelves in use the one is taken that leaves the shortest side
        over. Known as maximal rectangles, best short side; practice, within a pan of the best
        there is for the few pans of an oven.

    >>> [len(shelf) for shelf in packed([(20, 20)] * 5, wide=43, deep=43, shelves=2)]
    [4, 1]
    """
    rows: list[list[tuple[int, Box]]] = []
    free: list[list[Box]] = []
    for item in sorted(range(len(sizes)), key=lambda one: -sizes[one][0] * sizes[one][1]):
        spot = _best(sizes[item], free)
        if spot is None and len(rows) < shelves:
            spot = _best(sizes[item], [[Box(0, 0, wide, deep)]])
            if spot is not None:
                spot = (len(rows), spot[1])
                rows.append([])
                free.append([Box(0, 0, wide, deep)])
        if spot is None:
            continue
        shelf, box = spot
        rows[shelf].append((item, box))
        free[shelf] = _left(free[shelf], box)
    return rows


def _best(size: tuple[int, int], free: Sequence[Sequence[Box]]) -> tuple[int, Box] | None:
    """Return the shelf and place that leave the shortest side over, unturned where it is equal."""
    found: tuple[int, int, Box] | None = None
    for shelf, rooms in enumerate(free):
        for wide, deep in (size, size[::-1]):
            for room in rooms:
                over = min(room.wide - wide, room.deep - deep)
                if over >= 0 and (found is None or over < found[0]):
                    found = (over, shelf, Box(room.x, room.y, wide, deep))
    return None if found is None else found[1:]


def _left(rooms: Sequence[Box], taken: Box) -> list[Box]:
    """Return the free rectangles once something is taken, none of them within another."""
    left = [one for room in rooms
            for one in (room.without(taken) if room.meets(taken) else [room])]
    left = list(dict.fromkeys(left))
    return [one for one in left if not any(other != one and other.holds(one) for other in left)]
