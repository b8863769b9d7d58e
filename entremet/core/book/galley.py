"""Setting words, lines and shapes on small pages, one under the other; nothing is drawn here."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field

from entremet.core.formats.faces import MM_PER_PT, Measure
from entremet.core.pans.lengths import Point

LEADING = 1.28
CELL_MM = 3.0
"""Kept free between the cells of a row."""

BODY_PT, SMALL_PT, TITLE_PT, HEAD_PT = 8.5, 7.0, 15.0, 9.5


@dataclass(frozen=True, slots=True, kw_only=True)
class BookPaper:
    """A small upright page, mm; two of them lie on one sheet."""

    name: str
    width: float
    height: float
    inner: float = 16.0
    outer: float = 11.0
    top: float = 13.0
    foot: float = 15.0


PAPERS = {"a5": BookPaper(name="A5", width=148.0, height=210.0),
          "half-letter": BookPaper(name="half-letter", width=139.7, height=215.9)}


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacedWords:
    """A run of words on its base line, mm from the upper left; to a page or a mark, where given."""

    x: float
    y: float
    text: str
    size_pt: float
    strong: bool = False
    grey: bool = False
    to_page: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Stroke:
    """A line."""

    x1: float
    y1: float
    x2: float
    y2: float
    grey: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Shape:
    """A closed shape, filled or only drawn."""

    points: tuple[Point, ...]
    filled: bool = False


Mark = PlacedWords | Stroke | Shape


@dataclass(slots=True)
class SetPage:
    """A page as it is set; its title goes into the outline of the file."""

    marks: list[Mark] = field(default_factory=list)
    title: str = ""


class Galley:
    """Pages that fill from the top down; the first one is even, the left of a spread."""

    def __init__(self, paper: BookPaper, measure: Measure, *, first: int = 2) -> None:
        self.paper, self.measure, self.first = paper, measure, first
        self.pages: list[SetPage] = []
        self.y = 0.0
        self.turn()

    @property
    def number(self) -> int:
        """Number of the page that is being filled."""
        return self.first + len(self.pages) - 1

    @property
    def left(self) -> float:
        """Where words begin: the inner margin lies on the right of an even page."""
        return self.paper.outer if self.number % 2 == 0 else self.paper.inner

    @property
    def width(self) -> float:
        """Room for words, mm."""
        return self.paper.width - self.paper.inner - self.paper.outer

    @property
    def room(self) -> float:
        """Room that is left on the page, mm."""
        return self.paper.height - self.paper.foot - self.y

    @property
    def empty(self) -> bool:
        """Whether nothing stands on the page yet."""
        return not self.pages[-1].marks

    def turn(self) -> None:
        """Go on with a new page."""
        self.pages.append(SetPage())
        self.y = self.paper.top

    def turn_to(self, *, even: bool) -> None:
        """Go on with a new page that is even, or odd; one that is empty already is taken."""
        if not self.empty:
            self.turn()
        if (self.number % 2 == 0) is not even:
            self.turn()

    def need(self, mm: float) -> None:
        """Turn the page where less than that is left, unless it is empty already."""
        if self.room < mm and not self.empty:
            self.turn()

    def gap(self, mm: float) -> None:
        """Leave room under something; none at the head of a page."""
        if not self.empty:
            self.y += mm

    def put(self, mark: Mark) -> None:
        """Set something where it says."""
        self.pages[-1].marks.append(mark)

    def lines(self, text: str, width: float, size_pt: float, *, strong: bool = False) -> list[str]:
        """Return words broken into lines of a width, and where they break by themselves."""
        return [line for part in text.split("\n")
                for line in broken(part, width, lambda one: self.measure(one, strong, size_pt))]

    def paragraph(self, text: str, *, size_pt: float = BODY_PT, strong: bool = False,
                  grey: bool = False, lead: str = "", hang: float = 0.0) -> None:
        """Set words as a paragraph.

        Parameters
        ----------
        text : str
            In words; nothing is set for none.
        size_pt : float
            Size of its letters.
        strong, grey : bool
            How it is set.
        lead : str
            A number or a mark before it.
        hang : float
            How far in the words stand, mm, with the lead before them.
        """
        high = size_pt * MM_PER_PT * LEADING
        for place, line in enumerate(self.lines(text, self.width - hang, size_pt, strong=strong)):
            # Never one line of several alone at the foot of a page.
            self.need(2 * high if place == 0 else high)
            if place == 0 and lead:
                self.put(PlacedWords(x=self.left, y=self.y + size_pt * MM_PER_PT, text=lead,
                               size_pt=size_pt, grey=True))
            self.put(PlacedWords(x=self.left + hang, y=self.y + size_pt * MM_PER_PT, text=line,
                           size_pt=size_pt, strong=strong, grey=grey))
            self.y += high

    def head(self, text: str) -> None:
        """Set a heading, never alone at the foot of a page."""
        self.gap(2.2)
        self.need(12.0)
        self.paragraph(text, size_pt=HEAD_PT, strong=True)
        self.y += 0.6

    def row(self, cells: Sequence[str], widths: Sequence[float], *, size_pt: float = BODY_PT,
            strong: bool = False, ruled: bool = False) -> None:
        """Set a row of cells beside each other, as high as the longest of them.

        Parameters
        ----------
        cells, widths : sequence
            PlacedWords and room of each, mm.
        size_pt : float
            Size of its letters.
        strong : bool
            Whether it is the head of a table.
        ruled : bool
            Whether a line goes under it.
        """
        high = size_pt * MM_PER_PT * LEADING
        broken_cells = [self.lines(text, width - CELL_MM, size_pt, strong=strong)
                        for text, width in zip(cells, widths, strict=True)]
        rows = max((len(one) for one in broken_cells), default=0)
        self.need(rows * high + 0.6)
        x = self.left
        for lines, width in zip(broken_cells, widths, strict=True):
            for place, line in enumerate(lines):
                self.put(PlacedWords(x=x, y=self.y + place * high + size_pt * MM_PER_PT, text=line,
                               size_pt=size_pt, strong=strong))
            x += width
        self.y += rows * high + 0.6
        if ruled:
            self.put(Stroke(x1=self.left, y1=self.y, x2=self.left + sum(widths), y2=self.y,
                            grey=True))
            self.y += 0.5


def broken(text: str, width: float, measure: Callable[[str], float]) -> list[str]:
    """Break words into lines of a width; a word that is wider by itself is broken anywhere.

    >>> broken("a cake of oats", 6, len)
    ['a cake', 'of', 'oats']
    >>> broken("elderflower", 6, len)
    ['elderf', 'lower']
    """
    lines: list[str] = []
    line = ""
    for word in _pieces(text, width, measure):
        longer = f"{line} {word}" if line else word
        if line and measure(longer) > width:
            lines.append(line)
            line = word
        else:
            line = longer
    return [*lines, line] if line else lines


def _pieces(text: str, width: float, measure: Callable[[str], float]) -> Iterator[str]:
    for word in text.split():
        piece = word
        while len(piece) > 1 and measure(piece) > width:
            fits = max((length for length in range(1, len(piece))
                        if measure(piece[:length]) <= width), default=1)
            yield piece[:fits]
            piece = piece[fits:]
        yield piece
