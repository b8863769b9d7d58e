"""What a card says in the book: amounts for two sets of pans side by side, method, best bakes."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.finished.finish import Finish
from entremet.core.finished.parts import FinishPart
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.leaving.sheet import LeavingSheet, filled_words, leaving_sheet, part_title
from entremet.core.measures.amounts import Shown
from entremet.core.measures.masses import show_mass
from entremet.core.pans.drawing import PanDrawing, drawing_of
from entremet.core.pans.pan import Pan
from entremet.core.plan.plan import Plan

NONE = "–"
"""Stands where a column has nothing of a row."""

MOST_DRAWN = 3
"""Pans that are drawn over a column; of more the first."""

_Named = tuple[int, str]
"""A line by its key and its name."""


@dataclass(frozen=True, slots=True, kw_only=True)
class DrawnPan:
    """A pan with the batter in it; depth in cm, None where it is not known."""

    drawing: PanDrawing
    batter_cm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class BookColumn:
    """One set of pans: what its column is called, its pans in words and drawn, and its bake."""

    head: str
    pans: tuple[str, ...]
    drawn: tuple[DrawnPan, ...]
    bakes: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BookRow:
    """A thing that goes in, with an amount for each column."""

    name: str
    amounts: tuple[str, ...]
    sub: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class BookPart:
    """A part of the cake: batter, filling, what is made for the finish."""

    title: str
    rows: tuple[BookRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BookCard:
    """A card as the book has it.

    Parameters
    ----------
    title : str
        Its name.
    about : tuple of str
        What comes of it, and its tags.
    columns : tuple of BookColumn
        One or two.
    parts : tuple of BookPart
        What goes in, part by part.
    steps, done_when, finish, best, cautions : tuple of str
        The method, signs of done, order of work after the oven, the best bakes, what to mind.
    things : tuple of str
        Names for the index, each once.
    problem : str
        Why nothing more is said of it; empty where all is there.
    """

    title: str
    about: tuple[str, ...] = ()
    columns: tuple[BookColumn, ...] = ()
    parts: tuple[BookPart, ...] = ()
    steps: tuple[str, ...] = ()
    done_when: tuple[str, ...] = ()
    finish: tuple[str, ...] = ()
    best: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    things: tuple[str, ...] = ()
    problem: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class FittedColumn:
    """A fit that fills a column."""

    head: str
    plan: Plan
    done: Finish


def book_card(fits: Sequence[FittedColumn], *, tags: Sequence[str] = (), best: Sequence[str] = (),
              scale_step_g: float) -> BookCard:
    """Return a card of the book.

    Parameters
    ----------
    fits : sequence of FittedColumn
        The same card in one or two sets of pans; the first gives method and title.
    tags, best : sequence of str
        Its tags, and its best bakes in words.
    scale_step_g : float
        What the kitchen's scale reads to.
    """
    sheets = [leaving_sheet(one.plan, one.done, scale_step_g=scale_step_g, cautions=())
              for one in fits]
    first = sheets[0]
    return BookCard(
        title=first.title,
        about=tuple(part for part in (
            first.makes and f"Makes {first.makes}.", ", ".join(tags)) if part),
        columns=tuple(_column(one, sheet, scale_step_g)
                      for one, sheet in zip(fits, sheets, strict=True)),
        parts=tuple(_parts(fits, scale_step_g)), steps=first.steps, done_when=first.done_when,
        finish=first.finish, best=tuple(best),
        cautions=tuple(dict.fromkeys(text for one in sheets for text in one.cautions)),
        things=tuple(dict.fromkeys(name for one in fits for name in _things(one))))


def _column(fit: FittedColumn, sheet: LeavingSheet, step_g: float) -> BookColumn:
    drawn = [DrawnPan(drawing=drawing_of(one.entry.pan),
                      batter_cm=None if one.standing is None else one.standing.batter_cm)
             for one in fit.plan.pans if isinstance(one.entry.pan, Pan)]
    return BookColumn(
        head=fit.head, drawn=tuple(drawn[:MOST_DRAWN]), bakes=sheet.bakes,
        pans=tuple(part for part in (
            *(filled_words(one, step_g) for one in fit.plan.pans), sheet.facts) if part))


def _parts(fits: Sequence[FittedColumn], step_g: float) -> Iterator[BookPart]:
    made = [{part.title: part for part in one.done.parts if part.make_g > 0} for one in fits]
    # A line that a fit swapped for another thing is a row of its own, whatever its key.
    lines = [{(line.line.key, line.line.name): line for line in one.plan.lines} for one in fits]
    titles: dict[str, dict[_Named, None]] = {}
    for one in lines:
        for named, line in one.items():
            titles.setdefault(part_title(line), {})[named] = None
    for title, names in titles.items():
        if not any(title in one for one in made):
            yield BookPart(title=title, rows=tuple(
                row for named in names for row in _rows([one.get(named) for one in lines])))
    for title in dict.fromkeys(title for one in made for title in one):
        yield BookPart(title=title, rows=tuple(_made_rows(
            [one.get(title) for one in made], step_g)))


def _rows(lines: Sequence[ScaledLine | None]) -> Iterator[BookRow]:
    """Yield the rows of a line in every column; None where a column does not have it."""
    first = next((one for one in lines if one is not None and one.included), None)
    if first is None:
        return
    there = [one if one is not None and one.included else None for one in lines]
    yield BookRow(name=first.line.name, amounts=tuple(
        NONE if one is None else _amount(one.shown) for one in there))
    for place, part in enumerate(first.parts):
        yield BookRow(name=part.name, sub=True, amounts=tuple(
            one.parts[place].shown if one is not None and place < len(one.parts) else NONE
            for one in there))


def _amount(shown: Shown) -> str:
    """Return an amount with its grams first, unless they are too few for the scale."""
    if shown.grams is None or shown.measure is None or shown.measure_leads:
        return shown.text
    return f"{shown.grams} ({shown.measure})"


def _made_rows(parts: Sequence[FinishPart | None], step_g: float) -> Iterator[BookRow]:
    yield BookRow(name="In all", amounts=tuple(
        NONE if one is None else show_mass(one.make_g, scale_step_g=step_g) for one in parts))
    told = [{} if one is None else {
        made.name: made.count or show_mass(made.g, scale_step_g=step_g)
        for made in one.made_from} for one in parts]
    for name in dict.fromkeys(name for one in told for name in one):
        yield BookRow(name=name, sub=True, amounts=tuple(one.get(name, NONE) for one in told))


def _things(fit: FittedColumn) -> Iterator[str]:
    """Yield what goes in by its usual name: of what is left out the page says nothing."""
    for one in fit.plan.lines:
        if one.included:
            known = one.line.ingredient
            yield one.line.name if known is None else known.name
    for part in fit.done.parts:
        if part.house and part.make_g > 0:
            yield from (made.name for made in part.made_from)
