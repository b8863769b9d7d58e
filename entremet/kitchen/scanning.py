"""Text from a photo or a scan, by the optical reader of the machine; offered only where it is."""

from __future__ import annotations

import binascii
import io
import shutil
import struct
from base64 import b64decode
from threading import BoundedSemaphore

from entremet.core.ground.errors import UnreadableRecipe
from entremet.kitchen.errors import Busy

FORMATS = ("JPEG", "PNG", "WEBP", "TIFF", "BMP")
MOST_PIXELS = 60_000_000
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
    from PIL import Image, ImageOps

    if not can_read_pictures():
        raise UnreadableRecipe("This machine has no optical reader (tesseract). Type the recipe, "
                               "or install it and start again.", field="picture")
    if not _seats.acquire(timeout=2):
        raise Busy("Another picture is being read just now. Try again in a moment.")
    try:
        picture = Image.open(io.BytesIO(b64decode(encoded, validate=True)), formats=FORMATS)
        if picture.width * picture.height > MOST_PIXELS:
            raise UnreadableRecipe("This picture is larger than any photo of a page. Make it "
                                   "smaller.", field="picture")
        upright = ImageOps.exif_transpose(picture).convert("L")
        upright.thumbnail((WIDEST, WIDEST))
        text = str(pytesseract.image_to_string(ImageOps.autocontrast(upright),
                                               timeout=PATIENCE_S))
    except pytesseract.TesseractError as error:
        raise UnreadableRecipe("The optical reader could make nothing of this picture.",
                               field="picture") from error
    except (binascii.Error, OSError, ValueError, SyntaxError, struct.error,
            Image.DecompressionBombError) as error:
        raise UnreadableRecipe("This is no picture that can be read. Take a JPEG or PNG.",
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
