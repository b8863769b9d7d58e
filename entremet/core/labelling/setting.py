"""Setting words on a label: as large as they fit, never smaller than can be read."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.formats.faces import MM_PER_PT, Measure
from entremet.core.labelling.allergens import LabelText

X_HEIGHT = 0.496
"""Of the face, in its size."""

LEAST_X_MM = 1.2
"""Height of an x: Regulation (EU) No 1169/2011, article 13 (2)."""

LEAST_PT = LEAST_X_MM / X_HEIGHT / MM_PER_PT
MOST_PT = 14.0
LEADING = 1.16
TITLE = 1.35
"""Size of the title over the rest."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Paragraph:
    """Words that run together; a title is set larger."""

    said: tuple[LabelText, ...]
    title: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class SetLine:
    """A line as it is set: its pieces, its size in points, the height it takes in mm."""

    said: tuple[LabelText, ...]
    size_pt: float
    high_mm: float


def fitted(paragraphs: Sequence[Paragraph], measure: Measure, *, width_mm: float,
           height_mm: float) -> list[SetLine] | None:
    """Set paragraphs as large as they fit.

    Parameters
    ----------
    paragraphs : sequence of Paragraph
        From the top down.
    measure : callable
        Width of words in mm, by text, strength and size.
    width_mm, height_mm : float
        Room there is.

    Returns
    -------
    list of SetLine or None
        None where they do not fit with letters that can be read.
    """
    size = MOST_PT
    while size >= LEAST_PT - 1e-9:
        lines = [line for one in paragraphs for line in _lines(one, measure, width_mm, size)]
        if sum(line.high_mm for line in lines) <= height_mm and all(
                _wide(line, measure) <= width_mm + 1e-6 for line in lines):
            return lines
        size = size - 0.25 if size - 0.25 > LEAST_PT else (
            LEAST_PT if size > LEAST_PT + 1e-9 else 0.0)
    return None


def _lines(one: Paragraph, measure: Measure, width_mm: float, size: float) -> list[SetLine]:
    size_pt = size * TITLE if one.title else size
    words = _words(one)
    lines: list[list[LabelText]] = [[]]
    used = 0.0
    for word in words:
        wide = sum(measure(piece.text, piece.strong, size_pt) for piece in word)
        trimmed = sum(measure(piece.text.rstrip() if last else piece.text, piece.strong, size_pt)
                      for piece, last in zip(word, _last(word), strict=True))
        if used + trimmed > width_mm and lines[-1]:
            lines.append([])
            used = 0.0
        lines[-1] += word
        used += wide
    return [SetLine(said=tuple(line), size_pt=size_pt, high_mm=size_pt * LEADING * MM_PER_PT)
            for line in lines if line]


def _last(word: Sequence[LabelText]) -> list[bool]:
    return [place == len(word) - 1 for place in range(len(word))]


def _words(one: Paragraph) -> list[list[LabelText]]:
    """Return what must not be broken, each with the space after it; a word may change strength."""
    words: list[list[LabelText]] = [[]]
    for piece in one.said:
        strong = piece.strong or one.title
        parts = piece.text.split(" ")
        for place, part in enumerate(parts):
            more = place < len(parts) - 1
            text = part + (" " if more else "")
            if text:
                words[-1].append(LabelText(text=text, strong=strong))
            if more:
                words.append([])
    return [word for word in words if word]


def _wide(line: SetLine, measure: Measure) -> float:
    return sum(measure(piece.text.rstrip() if last else piece.text, piece.strong, line.size_pt)
               for piece, last in zip(line.said, _last(line.said), strict=True))
