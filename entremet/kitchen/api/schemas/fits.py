"""Kept fits in and out."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field, field_validator

from entremet.core.plan.request import Request
from entremet.kitchen.api.schemas.base import Out, StrictIn
from entremet.kitchen.api.schemas.fit_out import FitOut

LONGEST_FIT_NAME = 80


class KeepFitIn(StrictIn):
    """A fit to keep under a name."""

    name: str = Field(max_length=LONGEST_FIT_NAME)
    request: Request
    replace: bool = Field(False, description="take the place of a kept fit of that name")

    @field_validator("name")
    @classmethod
    def _named(cls, value: str) -> str:
        bare = " ".join(value.split())
        if not bare or not bare.isprintable():
            raise ValueError("type a name")
        return bare


class FitRowOut(Out):
    """A kept fit in a list."""

    id: int
    name: str
    recipe: int
    recipe_title: str
    kept_at: datetime
    damaged: bool = False


class KeptFitOut(FitRowOut):
    """A kept fit with its choices, worked out anew."""

    request: Request
    result: FitOut


class KeptOut(FitRowOut):
    """A kept fit with its choices."""

    request: Request


class FitFileOut(Out):
    """A fit as a file to save."""

    file_name: str
    media_type: str
    text: str
