"""A pan's base as PDF pages at true scale, over as many sheets as it needs."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from entremet.core.formats.svg_outline import CHECK_CM
from entremet.core.pans.lengths import Point
from entremet.core.pans.pan import Pan

if TYPE_CHECKING:
    from fpdf import FPDF

MARGIN_CM = 1.2
OVERLAP_CM = 1.0
FOOT_CM = 1.6
"""Room at the foot of a page for its check mark and its words."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Paper:
    """A sheet of paper, upright, cm."""

    name: str
    width_cm: float
    height_cm: float

    @property
    def window(self) -> tuple[float, float]:
        """What of a drawing one page shows."""
        return (self.width_cm - 2 * MARGIN_CM, self.height_cm - 2 * MARGIN_CM - FOOT_CM)


PAPERS = {"A4": Paper(name="A4", width_cm=21.0, height_cm=29.7),
          "Letter": Paper(name="Letter", width_cm=21.59, height_cm=27.94)}


def template_pdf(pan: Pan, paper: Paper = PAPERS["A4"]) -> bytes:
    """Return the base of a pan as a PDF at true scale.

    Parameters
    ----------
    pan : Pan
        With its measures.
    paper : Paper
        To print on. A pan larger than a page goes over several, each with 1 cm of overlap, the
        places of its neighbours, and a mark of 5 cm to check the printer by.
    """
    from fpdf import FPDF  # loaded when a template is asked for

    polygons = pan.base.points()
    left, bottom, right, top = _bounds(polygons[0])
    columns, rows = pages_for(right - left, top - bottom, paper)
    document = FPDF(unit="cm", format=(paper.width_cm, paper.height_cm))
    document.set_auto_page_break(False)
    document.set_title(f"Template of {pan.label}")
    wide, high = paper.window
    for row in range(rows):
        for column in range(columns):
            document.add_page()
            x0 = left + column * (wide - OVERLAP_CM) - _spare(right - left, columns, wide)
            y0 = top - row * (high - OVERLAP_CM) + _spare(top - bottom, rows, high)
            _outline(document, polygons, x0, y0, paper)
            _foot(document, pan.label, paper, column + row * columns + 1, columns * rows,
                  f"column {column + 1} of {columns}, row {row + 1} of {rows}")
    return bytes(document.output())


def pages_for(width_cm: float, height_cm: float, paper: Paper) -> tuple[int, int]:
    """Return columns and rows of pages a drawing of that size takes.

    >>> pages_for(18, 18, PAPERS["A4"]), pages_for(33, 23, PAPERS["A4"])
    ((1, 1), (2, 1))
    """
    def count(length: float, window: float) -> int:
        return 1 if length <= window else 1 + math.ceil(
            (length - window) / (window - OVERLAP_CM) - 1e-9)

    wide, high = paper.window
    return count(width_cm, wide), count(height_cm, high)


def _spare(length: float, pages: int, window: float) -> float:
    """Return half of the room that is over, so that a drawing stands in the middle."""
    return (pages * window - (pages - 1) * OVERLAP_CM - length) / 2


def _outline(document: FPDF, polygons: Sequence[Sequence[Point]], x0: float, y0: float,
             paper: Paper) -> None:
    wide, high = paper.window
    document.set_line_width(0.03)
    document.set_dash_pattern(dash=0.2, gap=0.2)
    document.rect(MARGIN_CM, MARGIN_CM, wide, high)
    document.set_dash_pattern()
    document.set_line_width(0.05)
    with document.rect_clip(MARGIN_CM, MARGIN_CM, wide, high):
        for polygon in polygons:
            document.polygon([(MARGIN_CM + x - x0, MARGIN_CM + y0 - y) for x, y in polygon])


def _foot(document: FPDF, label: str, paper: Paper, number: int, pages: int, where: str) -> None:
    y = paper.height_cm - MARGIN_CM - FOOT_CM / 2
    x = MARGIN_CM
    document.set_line_width(0.04)
    document.line(x, y, x + CHECK_CM, y)
    for end in (x, x + CHECK_CM):
        document.line(end, y - 0.25, end, y + 0.25)
    document.set_font("helvetica", size=9)
    plain = label.encode("latin-1", "replace").decode("latin-1")
    words = f"{plain}: the line is 5 cm when printed at 100 %."
    if pages > 1:
        words += f" Page {number} of {pages}: {where}; 1 cm overlaps."
    document.text(x, y + 0.65, words)


def _bounds(points: Sequence[Point]) -> tuple[float, float, float, float]:
    xs, ys = [x for x, _ in points], [y for _, y in points]
    return min(xs), min(ys), max(xs), max(ys)
