"""Requests as they are kept: brought up to date when read, and whole when a pan has gone."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from entremet.kitchen.actions import at_hand
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import RackPan

CURRENT = 1
"""The form that requests are kept in today; each older one has a way to the next."""

UPGRADES: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {}
"""By version, what turns a request of it into one of the next."""


def up_to_date(request: Any, version: int) -> dict[str, Any]:
    """Return a kept request in today's form.

    Parameters
    ----------
    request : any
        As stored.
    version : int
        The form it was kept in.

    Raises
    ------
    Damaged
        When it is no request, or a newer Entremet kept it.
    """
    if not isinstance(request, dict) or not isinstance(request.get("into", []), list):
        raise Damaged("What was kept of this fit cannot be read any more.", field="fit")
    if version > CURRENT:
        raise Damaged("A newer Entremet kept this fit. Start that one to open it.", field="fit")
    current: dict[str, Any] = request
    for step in range(version, CURRENT):
        current = UPGRADES[step](current)
    return current


def pans_named(request: Mapping[str, Any]) -> list[int]:
    """Return the ids of the rack's pans that a request names."""
    return [entry["pan"] for entry in request.get("into", ())
            if isinstance(entry, dict) and type(entry.get("pan")) is int]


def copies_of(pans: Iterable[RackPan]) -> dict[str, Any]:
    """Return label and measures of pans by their ids, to be kept."""
    return {str(pan.pk): {"label": pan.label, "measures": pan.measures_as_kept()} for pan in pans}


def with_its_pans(request: dict[str, Any], copies: Any) -> dict[str, Any]:
    """Return a request in which pans that left the rack stand with their kept measures."""
    named = pans_named(request)
    racked = at_hand.racked()
    gone = {pan_id: copy for pan_id in named if pan_id not in racked and isinstance(copies, dict)
            and isinstance(copy := copies.get(str(pan_id)), dict)}
    if not gone:
        return request

    def kept(entry: dict[str, Any]) -> dict[str, Any]:
        copy = gone.get(entry.get("pan", 0)) if type(entry.get("pan")) is int else None
        return entry if copy is None else {
            **entry, "pan": {**copy["measures"], "label": copy["label"]}}

    return {**request, "into": [kept(entry) for entry in request["into"]]}
