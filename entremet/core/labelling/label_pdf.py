"""Labels and cards as PDF: a page to check the printer by, then the sheets with cut marks."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from entremet.core.formats.faces import FACE, MM_PER_PT, add_faces, lacking, measure_of
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.labelling.allergens import LabelText
from entremet.core.labelling.label import Label, allergen_lines, fact_lines, said_of
from entremet.core.labelling.setting import (
    LEAST_X_MM,
    Paragraph,
    SetLine,
    fitted,
)
from entremet.core.labelling.sheets import PAPERS_MM, LabelSheet, places
from entremet.core.measures.habits import Units, worded_all

if TYPE_CHECKING:
    from fpdf import FPDF

INSIDE_MM = 2.2
"""Between the edge of a label and its words."""

MARK_MM, OFF_MM = 2.0, 0.6
"""A cut mark, and its distance from the labels."""

CHECK_MM = 50.0
MOST_LABELS = 500
CARD = LabelSheet(paper="A4", across=1, down=2, width=148.0, height=105.0, left=31.0, top=30.0,
             gap_y=25.0)
"""A card to hand over, two on a page; A6 across."""


def label_pdf(label: Label, sheet: LabelSheet, *, count: int, first: int = 1,
              more: Sequence[str] = ()) -> bytes:
    """Return a label on its sheets.

    The first page goes on plain paper: outlines to hold against a sheet of labels, and a line of
    5 cm to measure.

    Parameters
    ----------
    label : Label
        That is ready.
    sheet : LabelSheet
        To print on.
    count : int
        How many, 1 to 500.
    first : int
        The first free label of the first sheet, from 1.
    more : sequence of str
        Lines of the kitchen's own.

    Raises
    ------
    ImpossibleChoice
        When it is not ready, or its words do not fit in letters that can be read.
    """
    if not label.ready:
        raise ImpossibleChoice("This label waits for what is in its ingredients.",
                               field="packets")
    return words_pdf([[paragraphs_of(label, more)], in_two(label, more)], sheet,
                     title=label.title, count=count, first=first)


def paragraphs_of(label: Label, more: Sequence[str] = ()) -> list[Paragraph]:
    """Return what stands on a label, from the top down."""
    return [_title(label), *_list_of(label), _facts(label), *_more(more)]


def in_two(label: Label, more: Sequence[str] = ()) -> list[list[Paragraph]]:
    """Return a label as two small ones: the facts, and what is in it; both say the name."""
    return [[_title(label), _facts(label), *_more(more)], [_title(label), *_list_of(label)]]


def _title(label: Label) -> Paragraph:
    return Paragraph(said=(LabelText(text=label.title, strong=True),), title=True)


def _list_of(label: Label) -> list[Paragraph]:
    return [Paragraph(said=(LabelText(text="Ingredients: "), *said_of(label))),
            *(Paragraph(said=(LabelText(text=line, strong=line.startswith("Contains: ")),))
              for line in allergen_lines(label))]


def _facts(label: Label) -> Paragraph:
    return Paragraph(said=(LabelText(text=" ".join(fact_lines(label))),))


def _more(lines: Sequence[str]) -> list[Paragraph]:
    return [Paragraph(said=(LabelText(text=line),)) for line in lines if line.strip()]


def words_pdf(ways: Sequence[Sequence[Sequence[Paragraph]]], sheet: LabelSheet, *, title: str,
              count: int, first: int = 1) -> bytes:
    """Return the same words again and again on the labels of a sheet.

    Parameters
    ----------
    ways : sequence
        Ways to set them, each as one or several labels; the first that fits is taken.
    sheet : LabelSheet
        To print on.
    title : str
        Of the document.
    count, first : int
        How often, and the first free label.

    Raises
    ------
    ImpossibleChoice
        When they do not fit in letters that can be read.
    """
    from fpdf import FPDF  # loaded when something is printed

    # What nobody worded in the kitchen's units is told in metric.
    ways = worded_all(ways, Units.METRIC)
    if not 1 <= count <= MOST_LABELS:
        raise ImpossibleChoice(f"Print 1 to {MOST_LABELS} at a time.", field="count")
    if not 1 <= first <= sheet.count:
        raise ImpossibleChoice(f"A sheet has labels 1 to {sheet.count}.", field="first")
    document = FPDF(unit="mm", format=PAPERS_MM[sheet.paper])
    document.set_auto_page_break(False)
    document.set_margins(0, 0)
    document.set_title(title)
    add_faces(document)
    _has_letters(document, ways)
    measure = measure_of(document)
    tried = ([fitted(one, measure, width_mm=sheet.width - 2 * INSIDE_MM,
                     height_mm=sheet.height - 2 * INSIDE_MM) for one in way] for way in ways)
    lines = next(([line for line in way if line is not None] for way in tried
                  if None not in way), None)
    if lines is None:
        raise ImpossibleChoice(
            f"Its words do not fit on {sheet.width:g} × {sheet.height:g} mm with letters of "
            f"{LEAST_X_MM:g} mm, the least that can be read. Take a larger label.", field="sheet")
    _check_page(document, sheet)
    page = -1
    for number, (on, place) in enumerate(places(sheet, first=first, count=count * len(lines))):
        if on != page:
            document.add_page()
            page = on
            _marks(document, sheet)
        _put(document, lines[number % len(lines)], *sheet.corner(place))
    return bytes(document.output())


def _has_letters(document: FPDF, ways: Sequence[Sequence[Sequence[Paragraph]]]) -> None:
    """Refuse letters the face does not have: they would be boxes on the label."""
    without = lacking(document, "".join(piece.text for way in ways for one in way for part in one
                                        for piece in part.said))
    if without:
        raise ImpossibleChoice(f"The face of the labels has no “{without[:8]}”. Write it in Latin "
                               "letters, or take the label as text.", field="title")


def _put(document: FPDF, lines: Sequence[SetLine], x: float, y: float) -> None:
    at = y + INSIDE_MM
    for line in lines:
        across = x + INSIDE_MM
        for piece in line.said:
            document.set_font(FACE, "B" if piece.strong else "", line.size_pt)
            document.text(across, at + 0.8 * line.size_pt * MM_PER_PT, piece.text)
            across += document.get_string_width(piece.text)
        at += line.high_mm


def _marks(document: FPDF, sheet: LabelSheet) -> None:
    """Draw short lines outside all labels, where a knife goes along their edges."""
    last_x, last_y = sheet.corner(sheet.count - 1)
    ends_x = (sheet.left - OFF_MM, last_x + sheet.width + OFF_MM)
    ends_y = (sheet.top - OFF_MM, last_y + sheet.height + OFF_MM)
    document.set_line_width(0.1)
    for place in range(sheet.count):
        x, y = sheet.corner(place)
        for edge in (x, x + sheet.width):
            document.line(edge, ends_y[0], edge, ends_y[0] - MARK_MM)
            document.line(edge, ends_y[1], edge, ends_y[1] + MARK_MM)
        for edge in (y, y + sheet.height):
            document.line(ends_x[0], edge, ends_x[0] - MARK_MM, edge)
            document.line(ends_x[1], edge, ends_x[1] + MARK_MM, edge)


def _check_page(document: FPDF, sheet: LabelSheet) -> None:
    document.add_page()
    document.set_line_width(0.2)
    for place in range(sheet.count):
        document.rect(*sheet.corner(place), sheet.width, sheet.height)
    x, y = sheet.corner(0)
    x, y = x + INSIDE_MM, y + sheet.height / 2
    reach = min(CHECK_MM, sheet.width - 2 * INSIDE_MM)
    reach = CHECK_MM if reach >= CHECK_MM else 10.0 * (reach // 10)
    document.set_line_width(0.3)
    document.line(x, y, x + reach, y)
    for end in (x, x + reach):
        document.line(end, y - 1.5, end, y + 1.5)
    document.set_font(FACE, "", 8)
    document.text(x, y - 3, f"{reach / 10:g} cm when printed at 100 %")
    document.text(x, y + 4.5, "Print this page on plain paper,")
    document.text(x, y + 8, "hold it against your labels.")
