"""Text from a photo or a scan, by the optical reader of the machine; offered only where it is."""

from __future__ import annotations

import shutil
from threading import BoundedSemaphore

from entremet.core.ground.errors import UnreadableRecipe
from entremet.kitchen.errors import Busy
from entremet.kitchen.pictures import upright

FORMATS = ("JPEG", "PNG", "WEBP", "TIFF", "BMP")
WIDEST = 2_400
"""Pixels of the longer side that are read; more make it slower, not better; practice."""
PATIENCE_S = 40

_seats = BoundedSemaphore(1)


def can_read_pictures() -> bool:
    """Say whether this machine has the optical reader."""
    return shutil.which("tesseract") is not None


def text_of_picture(encoded: str) -> str:
    """Return the text in a picture.

    Parameters
    ----------
    encoded : str
        The picture's bytes in base64.

    Raises
    ------
    UnreadableRecipe
        When it is no picture, too large, takes too long, or nothing can be read in it.
    Busy
        While another picture is being read.
    """
    import pytesseract
    from PIL import ImageOps

    if not can_read_pictures():
        raise UnreadableRecipe("This machine has no optical reader (tesseract). Type the recipe, "
                               "or install it and start again.", field="picture")
    if not _seats.acquire(timeout=2):
        raise Busy("Another picture is being read just now. Try again in a moment.")
    try:
        picture = upright(encoded, FORMATS, refused=UnreadableRecipe, too_large=(
            "This picture is larger than any photo of a page. Make it smaller."), unreadable=(
            "This is no picture that can be read. Take a JPEG or PNG.")).convert("L")
        picture.thumbnail((WIDEST, WIDEST))
        text = str(pytesseract.image_to_string(ImageOps.autocontrast(picture),
                                               timeout=PATIENCE_S))
    except pytesseract.TesseractError as error:
        raise UnreadableRecipe("The optical reader could make nothing of this picture.",
                               field="picture") from error
    except RuntimeError as error:
        raise UnreadableRecipe("This picture takes too long to read. Cut it to the recipe.",
                               field="picture") from error
    finally:
        _seats.release()
    if not text.strip():
        raise UnreadableRecipe("No text can be read in this picture. Take it straight on, in good "
                               "light.", field="picture")
    return text.strip()
