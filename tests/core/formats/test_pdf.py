"""Paper templates as PDF pages at true scale."""

from __future__ import annotations

import math
import re
import zlib

import pytest

from entremet.core.formats.pdf_template import PAPERS, pages_for, template_pdf
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from tests.core.conftest import round_pan
from tests.core.plan.test_plan import RING, SHEET

POINTS_PER_CM = 72 / 2.54


def pages(document: bytes) -> list[str]:
    streams = re.findall(rb"stream\r?\n(.*?)\r?\nendstream", document, re.DOTALL)
    found = []
    for stream in streams:
        try:
            text = zlib.decompress(stream).decode("latin-1")
        except zlib.error:
            continue
        if " l" in text:
            found.append(text)
    return found


def lengths_cm(page: str) -> list[float]:
    """Lengths of the straight lines drawn on a page."""
    found = []
    last = (0.0, 0.0)
    for x, y, command in re.findall(r"([\d.-]+) ([\d.-]+) ([ml])\b", page):
        here = (float(x), float(y))
        if command == "l":
            found.append(math.dist(last, here) / POINTS_PER_CM)
        last = here
    return found


def test_a_small_pan_is_one_page_with_a_mark_of_five_centimetres():
    document = template_pdf(round_pan(18))
    assert document.startswith(b"%PDF")
    (page,) = pages(document)
    assert any(length == pytest.approx(5, abs=0.01) for length in lengths_cm(page))
    assert "5 cm when printed at 100 %" in page


def test_the_outline_is_as_wide_as_the_pan():
    pan = pan_from(PanMeasures(outline=OutlineName.SQUARE, across=15, wall_cm=5), label="square")
    (page,) = pages(template_pdf(pan))
    assert sum(1 for length in lengths_cm(page) if abs(length - 15) < 0.02) >= 1


@pytest.mark.parametrize(("paper", "count"), [("A4", 2), ("Letter", 2)])
def test_a_sheet_goes_over_two_pages_that_name_their_place(paper, count):
    found = pages(template_pdf(SHEET, PAPERS[paper]))
    assert len(found) == count
    assert "Page 1 of 2: column 1 of 2" in found[0]


def test_a_very_large_pan_is_covered_whole():
    columns, rows = pages_for(90, 60, PAPERS["A4"])
    wide, high = PAPERS["A4"].window
    assert columns * wide - (columns - 1) >= 90 > (columns - 1) * wide - (columns - 2)
    assert rows * high - (rows - 1) >= 60


def test_a_ring_shows_its_tube_and_any_name_can_be_printed():
    assert template_pdf(RING) != template_pdf(round_pan(22))
    assert template_pdf(round_pan(15, label="Gâteau № 7 🎂")).startswith(b"%PDF")
