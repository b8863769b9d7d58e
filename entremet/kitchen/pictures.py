"""Pictures as they come in: opened, bounded, turned upright."""

from __future__ import annotations

import binascii
import io
import struct
from base64 import b64decode
from typing import TYPE_CHECKING

from entremet.core.ground.errors import CoreError

if TYPE_CHECKING:
    from PIL import Image

MOST_PIXELS = 60_000_000


def upright(encoded: str, formats: tuple[str, ...], *, refused: type[CoreError],
            too_large: str, unreadable: str) -> Image.Image:
    """Return a picture from its bytes in base64, turned as it was taken.

    Parameters
    ----------
    encoded : str
        The picture's bytes in base64.
    formats : tuple of str
        Kinds that are read, by Pillow's names.
    refused : type of CoreError
        Raised with one of the two texts, on the field ``picture``.
    too_large, unreadable : str
        What is said of one larger than any camera's, and of what is no picture.
    """
    from PIL import Image, ImageOps

    try:
        opened = Image.open(io.BytesIO(b64decode(encoded, validate=True)), formats=formats)
        if opened.width * opened.height > MOST_PIXELS:
            raise refused(too_large, field="picture")
        return ImageOps.exif_transpose(opened)
    except (binascii.Error, OSError, ValueError, SyntaxError, struct.error,
            Image.DecompressionBombError) as error:
        raise refused(unreadable, field="picture") from error
