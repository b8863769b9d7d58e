"""Sheets of labels: usual sizes and the kitchen's own, and where on the paper each label lies."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice

PAPERS_MM = {"A4": (210.0, 297.0), "Letter": (215.9, 279.4)}
NARROWEST_MM, LOWEST_MM = 20.0, 10.0
MOST_ACROSS = 20


@dataclass(frozen=True, slots=True, kw_only=True)
class LabelSheet:
    """A sheet of labels, upright, mm.

    Parameters
    ----------
    paper : str
        A4 or Letter.
    across, down : int
        Labels in a row, and rows.
    width, height : float
        Of one label.
    left, top : float
        From the paper's edge to the first label.
    gap_x, gap_y : float
        Between labels.
    """

    paper: str
    across: int
    down: int
    width: float
    height: float
    left: float
    top: float
    gap_x: float = 0.0
    gap_y: float = 0.0

    def __post_init__(self) -> None:
        if self.paper not in PAPERS_MM:
            raise ImpossibleChoice("Labels are printed on A4 or Letter.", field="sheet.paper")
        for field in ("across", "down"):
            if not 1 <= getattr(self, field) <= MOST_ACROSS:
                raise ImpossibleChoice(f"A sheet has 1 to {MOST_ACROSS} labels in a row.",
                                       field=f"sheet.{field}")
        for field, least in (("width", NARROWEST_MM), ("height", LOWEST_MM), ("left", 0.0),
                             ("top", 0.0), ("gap_x", 0.0), ("gap_y", 0.0)):
            value = getattr(self, field)
            if not (math.isfinite(value) and least <= value <= max(PAPERS_MM[self.paper])):
                raise ImpossibleChoice(f"This is {least:g} mm or more, and no more than the "
                                       "paper.", field=f"sheet.{field}")
        wide, high = PAPERS_MM[self.paper]
        if self.left + self.across * self.width + (self.across - 1) * self.gap_x > wide + 0.05:
            raise ImpossibleChoice("The labels are wider than the paper.", field="sheet.width")
        if self.top + self.down * self.height + (self.down - 1) * self.gap_y > high + 0.05:
            raise ImpossibleChoice("The labels are higher than the paper.", field="sheet.height")

    @property
    def count(self) -> int:
        """Labels on one sheet."""
        return self.across * self.down

    def corner(self, place: int) -> tuple[float, float]:
        """Return the upper left corner of a label by its place, row by row."""
        row, column = divmod(place, self.across)
        return (self.left + column * (self.width + self.gap_x),
                self.top + row * (self.height + self.gap_y))


SHEETS: dict[str, LabelSheet] = {
    "a4-24": LabelSheet(paper="A4", across=3, down=8, width=63.5, height=33.9, left=7.2, top=12.9,
                   gap_x=2.5),
    "a4-12": LabelSheet(paper="A4", across=2, down=6, width=96.0, height=45.0, left=7.0, top=13.5,
                   gap_x=4.0),
    "a4-8": LabelSheet(paper="A4", across=2, down=4, width=99.0, height=67.7, left=4.75, top=13.1,
                  gap_x=2.5),
    "letter-24": LabelSheet(paper="Letter", across=3, down=8, width=66.0, height=31.7, left=6.0,
                       top=12.9, gap_x=2.95),
    "letter-12": LabelSheet(paper="Letter", across=2, down=6, width=99.0, height=42.0, left=7.0,
                       top=13.7, gap_x=3.9),
    "letter-8": LabelSheet(paper="Letter", across=2, down=4, width=101.6, height=63.0, left=4.8,
                      top=13.7, gap_x=3.1),
}
"""Usual numbers to a page; sizes practice: print the check page before the first."""


def places(sheet: LabelSheet, *, first: int, count: int) -> Iterator[tuple[int, int]]:
    """Yield page and place of each label, from a place on the first page onwards.

    >>> list(places(SHEETS["a4-8"], first=7, count=3))
    [(0, 6), (0, 7), (1, 0)]
    """
    for number in range(first - 1, first - 1 + count):
        yield divmod(number, sheet.count)
