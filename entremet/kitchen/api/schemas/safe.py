"""Copies of the kitchen."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field

from entremet.kitchen.api.schemas.base import Out


class CopyOut(Out):
    """A copy that lies in the folder."""

    name: str
    made_at: datetime
    why: str
    bytes: int


class CopiesOut(Out):
    """The copies, the newest first, and how many are kept."""

    copies: list[CopyOut]
    most: int
    days: int


class RowsOut(Out):
    """How many of something are in a copy."""

    words: str
    count: int


class LookedOut(Out):
    """A copy looked into: what is in it, or why it cannot be brought back."""

    copy_file: CopyOut
    rows: list[RowsOut]
    now: list[RowsOut] = Field(description="the same of the kitchen as it is")
    older: bool
    problem: str


class BroughtBackOut(Out):
    """What was brought back, and the copy that undoes it."""

    name: str
    before: str | None
