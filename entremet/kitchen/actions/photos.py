"""Photos of bakes: turned upright, made smaller and encoded anew, so that nothing else stays."""

from __future__ import annotations

import io
from collections.abc import Sequence
from typing import NamedTuple

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.kitchen.actions.logbook import bake_row
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Bake, BakePhoto
from entremet.kitchen.pictures import upright

FORMATS = ("JPEG", "PNG", "WEBP")
WIDEST = 1_600
"""Pixels of the longer side that are kept."""
QUALITY = 82


class Encoded(NamedTuple):
    """A picture as a JPEG of its pixels alone."""

    jpeg: bytes
    width: int
    height: int


def encoded_anew(picture: str) -> Encoded:
    """Return a picture as a JPEG of its pixels alone.

    Parameters
    ----------
    picture : str
        Its bytes in base64.

    Raises
    ------
    ImpossibleChoice
        When it is no picture, or larger than any camera's.
    """
    from PIL import Image

    shown = upright(picture, FORMATS, refused=ImpossibleChoice, too_large=(
        "This picture is larger than a camera makes them. Make it smaller."), unreadable=(
        "This is no picture that can be read. Take a JPEG, PNG or WebP.")).convert("RGB")
    shown.thumbnail((WIDEST, WIDEST))
    bare = Image.new("RGB", shown.size)
    bare.paste(shown)
    kept = io.BytesIO()
    bare.save(kept, "JPEG", quality=QUALITY, optimize=True)
    return Encoded(kept.getvalue(), bare.width, bare.height)


@transaction.atomic
def put_photo(bake_id: int, picture: Encoded) -> BakePhoto:
    """Keep a photo with a bake, in place of the one before.

    Raises
    ------
    NotHere
        When there is no such bake.
    """
    photo, _ = BakePhoto.objects.update_or_create(
        bake=bake_row(bake_id), defaults=picture._asdict())
    return photo


@transaction.atomic
def remove_photo(bake_id: int) -> None:
    """Take the photo of a bake away.

    Raises
    ------
    NotHere
        When there is none.
    """
    photo_of(bake_id).delete()


def photo_of(bake_id: int) -> BakePhoto:
    """Return the photo of a bake.

    Raises
    ------
    NotHere
        When there is none.
    """
    photo: BakePhoto | None = BakePhoto.objects.filter(bake=bake_row(bake_id)).first()
    if photo is None:
        raise NotHere("There is no photo of this bake.", field="bake")
    return photo


def taken_at(bakes: Sequence[Bake]) -> dict[int, int]:
    """Return by bake when its photo was kept, in milliseconds; those without one are left out."""
    return {pk: int(at.timestamp() * 1000) for pk, at in BakePhoto.objects.filter(
        bake__in=bakes).values_list("bake_id", "kept_at")}
