"""A card on its spread: amounts and drawing on the left, method and best bakes on the right."""

from __future__ import annotations

import math
from itertools import pairwise

from entremet.core.book.entries import BookCard, BookColumn, DrawnPan
from entremet.core.book.galley import (
    BODY_PT,
    HEAD_PT,
    SMALL_PT,
    TITLE_PT,
    Galley,
    Shape,
    Stroke,
)
from entremet.core.pans.drawing import PanDrawing
from entremet.core.pans.lengths import Point

NAME_SHARE = 0.38
"""Of the width of a page, for the names of what goes in."""

DRAWN_MM = 22.0
"""Height of the tallest pan as it is drawn; all of a spread stand to one scale."""

BETWEEN_MM = 3.0
BALL_POINTS = 24


def set_card(card: BookCard, galley: Galley) -> int:
    """Set a card from a left page on, and return the number of that page.

    Parameters
    ----------
    card : BookCard
        A card that is too long for a spread goes on over the next.
    galley : Galley
        Pages of the book so far.
    """
    galley.turn_to(even=True)
    number = galley.number
    galley.pages[-1].title = card.title
    galley.paragraph(card.title, size_pt=TITLE_PT, strong=True)
    for text in card.about:
        galley.paragraph(text, size_pt=SMALL_PT, grey=True)
    if card.problem:
        galley.gap(2)
        galley.paragraph(card.problem)
    galley.gap(2)
    if any(one.drawn for one in card.columns):
        _drawings(card, galley)
    _amounts(card, galley)
    if galley.number == number:
        galley.turn()
    _numbered("Method", card.steps, galley)
    if card.done_when:
        galley.gap(1.5)
        galley.paragraph(f"Done when {'; '.join(card.done_when)}. A sign ends the bake, not the "
                         "clock.")
    _numbered("After the oven", card.finish, galley)
    if card.best:
        galley.head("The best so far")
        for text in card.best:
            galley.paragraph(text, size_pt=SMALL_PT + 0.5, lead="·", hang=3.0)
            galley.gap(0.6)
    if card.cautions:
        galley.head("Mind")
        for text in card.cautions:
            galley.paragraph(text, size_pt=SMALL_PT + 0.5, lead="·", hang=3.0)
    return number


def _numbered(title: str, rows: tuple[str, ...], galley: Galley) -> None:
    if not rows:
        return
    galley.head(title)
    for place, text in enumerate(rows, start=1):
        galley.paragraph(text, lead=f"{place}", hang=5.0)
        galley.gap(0.8)


def _widths(card: BookCard, galley: Galley) -> list[float]:
    count = max(1, len(card.columns))
    name = galley.width * NAME_SHARE
    return [name, *([(galley.width - name) / count] * count)]


def _amounts(card: BookCard, galley: Galley) -> None:
    widths = _widths(card, galley)
    if card.columns:
        galley.row(["", *(one.head for one in card.columns)], widths, strong=True)
        galley.row(["Pans", *("\n".join(one.pans) for one in card.columns)], widths,
                   size_pt=SMALL_PT, ruled=True)
    for part in card.parts:
        galley.gap(1.0)
        galley.need(11.0)
        galley.paragraph(part.title, size_pt=HEAD_PT - 0.5, strong=True)
        for row in part.rows:
            galley.row([f"– {row.name}" if row.sub else row.name, *row.amounts], widths,
                       size_pt=SMALL_PT + 0.5 if row.sub else BODY_PT)
    if any(one.bakes for one in card.columns):
        galley.gap(1.5)
        galley.row(["Bake", *("\n".join(_sentence(text) for text in one.bakes)
                              for one in card.columns)], widths, size_pt=SMALL_PT + 0.5)


def _sentence(text: str) -> str:
    return text if text.endswith((".", "!", "?")) else f"{text}."


def _drawings(card: BookCard, galley: Galley) -> None:
    """Draw the pans of every column over it, cut open, with the batter in them."""
    widths = _widths(card, galley)
    scale = min([DRAWN_MM / max(one.drawing.wall_cm for column in card.columns
                                for one in column.drawn),
                 *((width - BETWEEN_MM) / _wide(column) for column, width in
                   zip(card.columns, widths[1:], strict=True) if column.drawn)])
    high = scale * max(one.drawing.wall_cm for column in card.columns for one in column.drawn)
    galley.need(high + 4)
    foot = galley.y + high
    x = galley.left + widths[0]
    for column, width in zip(card.columns, widths[1:], strict=True):
        at = x
        for pan in column.drawn:
            wide = pan.drawing.rim_width_cm * scale
            _pan(pan, at + wide / 2, foot, scale, galley)
            at += wide + BETWEEN_MM
        x += width
    galley.y = foot + 3.0


def _wide(column: BookColumn) -> float:
    """Return how wide the pans of a column stand side by side, cm, but for what is between."""
    return max(1.0, sum(one.drawing.rim_width_cm for one in column.drawn)
               + 0.6 * (len(column.drawn) - 1))


def _pan(pan: DrawnPan, middle: float, foot: float, scale: float, galley: Galley) -> None:
    shape = pan.drawing
    depth = None if pan.batter_cm is None else min(pan.batter_cm, shape.wall_cm)
    halves = _halves(shape)
    for inner, outer in halves:
        if depth:
            galley.put(Shape(filled=True, points=tuple(
                (middle + x * scale, foot - y * scale) for x, y in _filled(shape, inner, outer,
                                                                            depth))))
        path = _walls(shape, inner, outer)
        for (x1, y1), (x2, y2) in pairwise(path):
            galley.put(Stroke(x1=middle + x1 * scale, y1=foot - y1 * scale,
                              x2=middle + x2 * scale, y2=foot - y2 * scale))


def _halves(shape: PanDrawing) -> list[tuple[float, float]]:
    """Return what is cut open as pairs of signs: one trough, or two round a tube."""
    return [(-1.0, 1.0)] if shape.tube_rim_cm <= 0 else [(-1.0, 0.0), (0.0, 1.0)]


def _edges(shape: PanDrawing, inner: float, outer: float, y: float) -> Point:
    """Return left and right of the section at a height, cm from the middle."""
    up = y / shape.wall_cm
    wide = shape.base_width_cm + up * (shape.rim_width_cm - shape.base_width_cm)
    if shape.ball:
        radius = shape.rim_width_cm / 2
        wide = 2 * math.sqrt(max(0.0, radius ** 2 - max(0.0, radius - y) ** 2))
    tube = shape.tube_base_cm + up * (shape.tube_rim_cm - shape.tube_base_cm)
    return (inner * wide / 2 if inner else tube / 2, outer * wide / 2 if outer else -tube / 2)


def _heights(shape: PanDrawing, top: float) -> list[float]:
    steps = BALL_POINTS if shape.ball else 1
    return [top * place / steps for place in range(steps + 1)]


def _filled(shape: PanDrawing, inner: float, outer: float, depth: float) -> list[Point]:
    sides = [(y, *_edges(shape, inner, outer, y)) for y in _heights(shape, depth)]
    return [*((left, y) for y, left, _ in sides), *((right, y) for y, _, right in reversed(sides))]


def _walls(shape: PanDrawing, inner: float, outer: float) -> list[Point]:
    sides = [(y, *_edges(shape, inner, outer, y)) for y in _heights(shape, shape.wall_cm)]
    return [*((left, y) for y, left, _ in reversed(sides)), *((right, y) for y, _, right in sides)]
