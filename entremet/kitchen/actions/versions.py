"""A save names the version it began from; another save in between is not written over."""

from __future__ import annotations

from typing import Protocol

from entremet.kitchen.errors import EditedMeanwhile


class Versioned(Protocol):
    """A row that counts its saves."""

    version: int


def next_version(row: Versioned, *, base: int, name: str) -> None:
    """Count a save that began from a version.

    Parameters
    ----------
    row : Versioned
        As it is stored now.
    base : int
        The version the baker saw.
    name : str
        What it is, for the message: "This pan".

    Raises
    ------
    EditedMeanwhile
        When another save came in between; nothing is changed.
    """
    if row.version != base:
        raise EditedMeanwhile(f"{name} was changed elsewhere while you worked on it. Look at it as "
                              "it is now; saving again puts yours in its place.", field="base")
    row.version = base + 1
