"""A book as PDF: title, contents, a spread for each card, index."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from entremet.core.book.entries import BookCard
from entremet.core.book.galley import (
    BODY_PT,
    SMALL_PT,
    TITLE_PT,
    BookPaper,
    Galley,
    PlacedWords,
    SetPage,
    Shape,
    Stroke,
)
from entremet.core.book.indexed import IndexEntry, index_of
from entremet.core.book.spreads import set_card
from entremet.core.formats.faces import FACE, MM_PER_PT, Measure, add_faces, lacking, measure_of
from entremet.core.ground.texts import every_text
from entremet.core.measures.habits import Units, worded_all

if TYPE_CHECKING:
    from fpdf import FPDF

GREY, FILL, INK = 110, 222, 25
LACKING = "?"
SAID_OTHERWISE = {"⅓": "1/3", "⅔": "2/3", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
                  "⅙": "1/6", "⅕": "1/5", "≈": "about", "→": "to", "✓": "", "\u00a0": " "}
"""Signs that can be said with others, where the face does not have them."""

ROW_MM = 4.6
"""Height of a line of the contents."""

MOST_CARDS = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class SetBook:
    """A book that is set.

    Parameters
    ----------
    pdf : bytes
        The file.
    pages : int
        How many it has, always a multiple of four: so it can be folded.
    lacking : tuple of (str, str)
        Cards with signs that the face of the book does not have, and which.
    """

    pdf: bytes
    pages: int
    lacking: tuple[tuple[str, str], ...]


def book_pdf(cards: Sequence[BookCard], paper: BookPaper, *, title: str, told: str,
             units: Units = Units.METRIC,
             progress: Callable[[int], None] = lambda _done: None) -> SetBook:
    """Return cards as a book.

    Parameters
    ----------
    cards : sequence of BookCard
        In the order of the book.
    paper : BookPaper
        Its pages.
    title, told : str
        On its first page: its name, and what stands under it.
    units : Units
        What temperatures and lengths are told in.
    progress : callable
        Told how many cards are set.
    """
    from fpdf import FPDF  # loaded when something is printed

    document = FPDF(unit="mm", format=(paper.width, paper.height))
    document.set_auto_page_break(False)
    document.set_margins(0, 0)
    document.set_title(title)
    add_faces(document)
    measure = _remembered(measure_of(document))
    rows = int((paper.height - paper.top - paper.foot) // ROW_MM) - 3
    first = 2 * math.ceil((2 + math.ceil(len(cards) / rows)) / 2)
    galley = Galley(paper, measure, first=first)
    without: list[tuple[str, str]] = []
    starts: list[tuple[int, BookCard]] = []
    for done, raw in enumerate(cards, start=1):
        letters = _Letters(document)
        card: BookCard = every_text(worded_all(raw, units), letters.of)
        if letters.without:
            without.append((raw.title, "".join(letters.without)))
        starts.append((set_card(card, galley), card))
        progress(done)
    _index(index_of([(page, one.things) for page, one in starts]), galley)
    front = _front(paper, measure, title=_Letters(document).of(title),
                   told=_Letters(document).of(worded_all(told, units)), pages=first - 1,
                   contents=[(one.title, page) for page, one in starts], rows=rows)
    pages = [*front, *galley.pages]
    pages += [SetPage() for _ in range(-len(pages) % 4)]
    for number, page in enumerate(pages, start=1):
        _draw(document, page, number, paper)
    return SetBook(pdf=bytes(document.output()), pages=len(pages), lacking=tuple(without))


def _remembered(measure: Measure) -> Measure:
    """Return a measure that asks for each word and strength once: width grows with the size."""
    kept: dict[tuple[str, bool], float] = {}

    def of_word(word: str, strong: bool) -> float:
        found = kept.get((word, strong))
        if found is None:
            found = kept[word, strong] = measure(word, strong, 10.0) / 10.0
        return found

    def wide(text: str, strong: bool, size_pt: float) -> float:
        words = text.split(" ")
        return size_pt * (sum(of_word(one, strong) for one in words)
                          + (len(words) - 1) * of_word(" ", strong))

    return wide


class _Letters:
    """The letters of the face: a mark stands for a sign it does not have."""

    def __init__(self, document: FPDF) -> None:
        self.document = document
        self.without: dict[str, None] = {}

    def of(self, text: str) -> str:
        """Return a text with a mark for every sign that cannot be printed, and remember it."""
        for sign in lacking(self.document, text):
            if sign not in SAID_OTHERWISE:
                self.without[sign] = None
            text = text.replace(sign, SAID_OTHERWISE.get(sign, LACKING))
        return text


def _front(paper: BookPaper, measure: Measure, *, title: str,
           told: str, pages: int, contents: Sequence[tuple[str, int]],
           rows: int) -> list[SetPage]:
    galley = Galley(paper, measure, first=1)
    galley.y = paper.height / 3
    galley.pages[-1].title = title
    galley.paragraph(title, size_pt=TITLE_PT + 7, strong=True)
    galley.y += 2
    for text in told.split("\n"):
        galley.paragraph(text, grey=True)
    for place, (name, page) in enumerate(contents):
        if place % rows == 0:
            galley.turn()
            if place == 0:
                galley.pages[-1].title = "Contents"
            galley.paragraph("Contents", size_pt=TITLE_PT, strong=True)
            galley.y += 3
        _entry(name, page, galley)
    while len(galley.pages) < pages:
        galley.turn()
    return galley.pages


def _entry(name: str, page: int, galley: Galley) -> None:
    lines = galley.lines(name, galley.width - 12, BODY_PT)
    number, y = str(page), galley.y + BODY_PT * MM_PER_PT
    text = lines[0] if len(lines) == 1 else f"{lines[0]} …"
    right = galley.left + galley.width - galley.measure(number, False, BODY_PT)
    for x, words in ((galley.left, text), (right, number)):
        galley.put(PlacedWords(x=x, y=y, text=words, size_pt=BODY_PT, to_page=page))
    galley.put(Stroke(x1=galley.left, y1=y + 1.1, x2=galley.left + galley.width, y2=y + 1.1,
                      grey=True))
    galley.y += ROW_MM


def _index(entries: Sequence[IndexEntry], galley: Galley) -> None:
    galley.turn_to(even=True)
    galley.pages[-1].title = "By ingredient"
    galley.paragraph("By ingredient", size_pt=TITLE_PT, strong=True)
    galley.y += 2
    for one in entries:
        where = ", ".join(map(str, one.pages)) or "in most cards"
        galley.paragraph(f"{one.name}  {where}", size_pt=SMALL_PT + 0.5)


def _draw(document: FPDF, page: SetPage, number: int, paper: BookPaper) -> None:
    document.add_page()
    if page.title:
        document.start_section(page.title)
    document.set_line_width(0.2)
    for mark in sorted(page.marks, key=lambda one: not isinstance(one, Shape)):
        match mark:
            case PlacedWords():
                document.set_font(FACE, "B" if mark.strong else "", mark.size_pt)
                document.set_text_color(GREY if mark.grey else INK)
                document.text(mark.x, mark.y, mark.text)
                if mark.to_page is not None:
                    document.link(mark.x, mark.y - mark.size_pt * MM_PER_PT,
                                  document.get_string_width(mark.text),
                                  mark.size_pt * MM_PER_PT * 1.3,
                                  document.add_link(page=mark.to_page))
            case Stroke():
                document.set_draw_color(GREY + 70 if mark.grey else INK)
                document.line(mark.x1, mark.y1, mark.x2, mark.y2)
            case Shape():
                document.set_fill_color(FILL)
                document.set_draw_color(INK)
                document.polygon(list(mark.points), style="F" if mark.filled else "D")
    if page.marks and number > 1:
        document.set_font(FACE, "", SMALL_PT)
        document.set_text_color(GREY)
        text = str(number)
        x = (paper.outer if number % 2 == 0
             else paper.width - paper.outer - document.get_string_width(text))
        document.text(x, paper.height - 7.0, text)
