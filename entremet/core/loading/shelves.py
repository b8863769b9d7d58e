"""Pans laid out on the shelves of an oven."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.loading.footprints import CLEARANCE_CM, Footprint
from entremet.core.loading.nesting import nested
from entremet.core.loading.rectangles import packed

PER_CM = 100
"""The packer counts in whole numbers."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OnShelf:
    """A pan on a shelf.

    Parameters
    ----------
    item : int
        Its place in the list that was laid out.
    x_cm, y_cm : float
        Its middle, from the left front corner of the shelf.
    turned : bool
        Whether its long side runs from front to back.
    """

    item: int
    x_cm: float
    y_cm: float
    turned: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Layout:
    """Shelves with what stands on each, and what found no room."""

    shelves: tuple[tuple[OnShelf, ...], ...]
    left: tuple[int, ...]


def lay_out(items: Sequence[Footprint], *, shelf_cm: tuple[float, float],
            shelves: int) -> Layout:
    """Lay pans on shelves, in few shelves, with air round each.

    Parameters
    ----------
    items : sequence of Footprint
        What wants to go in.
    shelf_cm : (float, float)
        Width and depth of a shelf.
    shelves : int
        How many there are.

    Returns
    -------
    Layout
        Pans never overlap and keep 2 cm from each other and from the walls (practice); a pan too
        large for that air, but not for the shelf, stands on one alone. Round pans nest; among
        others the rectangles round them are laid.
    """
    width, depth = shelf_cm
    tight = [place for place, one in enumerate(items) if _fits(one, width, depth, 0.0)
             and not _fits(one, width, depth, CLEARANCE_CM)]
    roomy = [place for place, one in enumerate(items) if _fits(one, width, depth, CLEARANCE_CM)]
    found: list[tuple[OnShelf, ...]] = []
    for place in tight[:shelves]:
        turned = not (items[place].long_cm <= width and items[place].short_cm <= depth)
        found.append((OnShelf(item=place, x_cm=width / 2, y_cm=depth / 2, turned=turned),))
    free = shelves - len(found)
    rows = _rectangles(items, roomy, shelf_cm, free) if free > 0 and roomy else []
    if free > 0 and roomy and all(items[place].is_round for place in roomy):
        nest = _nested(items, roomy, shelf_cm, free)
        if _better(nest, rows):
            rows = nest
    found += [_centred(row, items, shelf_cm) for row in rows]
    inside = {one.item for row in found for one in row}
    return Layout(shelves=tuple(found),
                  left=tuple(place for place in range(len(items)) if place not in inside))


def _better(one: Sequence[Sequence[OnShelf]], other: Sequence[Sequence[OnShelf]]) -> bool:
    """Say whether a layout takes more pans, or as many on fewer shelves."""
    return (-sum(map(len, one)), len(one)) < (-sum(map(len, other)), len(other))


def _nested(items: Sequence[Footprint], places: Sequence[int], shelf_cm: tuple[float, float],
            shelves: int) -> list[list[OnShelf]]:
    """Lay round pans shelf by shelf, as many on each as go."""
    rows: list[list[OnShelf]] = []
    left = list(places)
    while left and len(rows) < shelves:
        row = nested([(place, items[place].long_cm / 2) for place in left], width_cm=shelf_cm[0],
                     depth_cm=shelf_cm[1], air_cm=CLEARANCE_CM)
        if not row:
            break
        rows.append([OnShelf(item=one.item, x_cm=one.x_cm, y_cm=one.y_cm, turned=False)
                     for one in row])
        inside = {one.item for one in row}
        left = [place for place in left if place not in inside]
    return rows


def _rectangles(items: Sequence[Footprint], roomy: Sequence[int], shelf_cm: tuple[float, float],
                free: int) -> list[list[OnShelf]]:
    width, depth = shelf_cm
    sides = [(_whole(items[place].long_cm + CLEARANCE_CM),
              _whole(items[place].short_cm + CLEARANCE_CM)) for place in roomy]
    rows = packed(sides, wide=_whole(width - CLEARANCE_CM), deep=_whole(depth - CLEARANCE_CM),
                  shelves=free)
    return [[OnShelf(item=roomy[place], x_cm=(box.x + box.wide / 2) / PER_CM,
                    y_cm=(box.y + box.deep / 2) / PER_CM, turned=box.wide != sides[place][0])
             for place, box in row] for row in rows]


def _centred(row: Sequence[OnShelf], items: Sequence[Footprint],
             shelf_cm: tuple[float, float]) -> tuple[OnShelf, ...]:
    """Return a shelf's pans, in order, moved together to its middle."""
    halves = [(items[one.item].short_cm / 2, items[one.item].long_cm / 2) if one.turned
              else (items[one.item].long_cm / 2, items[one.item].short_cm / 2) for one in row]
    shift_x = (shelf_cm[0] - min(one.x_cm - half[0] for one, half in zip(row, halves, strict=True))
               - max(one.x_cm + half[0] for one, half in zip(row, halves, strict=True))) / 2
    shift_y = (shelf_cm[1] - min(one.y_cm - half[1] for one, half in zip(row, halves, strict=True))
               - max(one.y_cm + half[1] for one, half in zip(row, halves, strict=True))) / 2
    return tuple(sorted((replace(one, x_cm=one.x_cm + shift_x, y_cm=one.y_cm + shift_y)
                         for one in row), key=lambda one: one.item))


def _fits(one: Footprint, width: float, depth: float, air: float) -> bool:
    sides = (width - 2 * air, depth - 2 * air)
    return (one.long_cm <= max(sides) + 1e-9 and one.short_cm <= min(sides) + 1e-9)


def _whole(length_cm: float) -> int:
    return round(length_cm * PER_CM)
