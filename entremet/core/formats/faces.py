"""The face of all that is printed, in two weights, and how wide words are in it."""

from __future__ import annotations

from collections.abc import Callable
from importlib.resources import files
from typing import TYPE_CHECKING, cast

if TYPE_CHECKING:
    from fpdf import FPDF
    from fpdf.fonts import TTFFont

FACE = "label"
MM_PER_PT = 25.4 / 72

Measure = Callable[[str, bool, float], float]
"""Width of words in mm, by text, strength and size in points."""


def add_faces(document: FPDF) -> None:
    """Give a document the two weights of the face."""
    folder = files("entremet.core.formats").joinpath("fonts")
    document.add_font(FACE, "", str(folder.joinpath("regular.ttf")))
    document.add_font(FACE, "B", str(folder.joinpath("bold.ttf")))


def measure_of(document: FPDF) -> Measure:
    """Return what says how wide words are, mm."""
    def wide(text: str, strong: bool, size_pt: float) -> float:
        document.set_font(FACE, "B" if strong else "", size_pt)
        return float(document.get_string_width(text))

    return wide


def lacking(document: FPDF, text: str) -> str:
    """Return the signs of a text that the face does not have, each once."""
    known = cast("TTFFont", document.fonts[FACE]).cmap
    return "".join(dict.fromkeys(sign for sign in text if ord(sign) not in known
                                 and sign not in " \n"))
