"""What a fit was asked for, as it is kept: up to date when read, whole when a pan has gone."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from pydantic import TypeAdapter, ValidationError

from entremet.core.ground.errors import CoreError
from entremet.core.plan.request import Request
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import RackPan

CURRENT = 1
"""The form that requests are kept in today; each older one has a way to the next."""

UPGRADES: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {}
"""By version, what turns a request of it into one of the next."""


_REQUEST = TypeAdapter(Request)


def kept(request: Request) -> dict[str, Any]:
    """Return a request as it is kept: what was chosen, without what is usual."""
    document: dict[str, Any] = _REQUEST.dump_python(request, mode="json", exclude_defaults=True)
    return document


def read(document: Any, version: int, *, copies: Any = None,
         racked: Callable[[], Mapping[int, object]] = dict) -> Request:
    """Return a kept request.

    Parameters
    ----------
    document : any
        As stored.
    version : int
        The form it was kept in.
    copies : any
        Pans it was kept with, by their ids.
    racked : callable
        Gives the pans that are on the rack by their ids, asked for only where one is named; one
        that is gone stands with its kept measures.

    Raises
    ------
    Damaged
        When it cannot be read any more.
    """
    current = _with_its_pans(up_to_date(document, version), copies, racked)
    try:
        return _REQUEST.validate_python(current)
    except ValidationError as error:
        wrong = ", ".join(".".join(str(part) for part in one["loc"]) for one in error.errors(
            include_url=False, include_input=False)[:3])
        raise Damaged(f"What is stored here cannot be read any more: {wrong}. An earlier copy of "
                      "the kitchen may have it whole.") from error
    except CoreError as error:
        raise Damaged(f"What is stored here cannot be read any more: {error.text}") from error


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


def _with_its_pans(request: dict[str, Any], copies: Any,
                   racked: Callable[[], Mapping[int, object]]) -> dict[str, Any]:
    """Return a request in which pans that left the rack stand with their kept measures."""
    named = pans_named(request)
    if not named or not isinstance(copies, dict):
        return request
    here = racked()
    gone = {pan_id: copy for pan_id in named if pan_id not in here
            and isinstance(copy := copies.get(str(pan_id)), dict)}
    if not gone:
        return request

    def kept(entry: dict[str, Any]) -> dict[str, Any]:
        copy = gone.get(entry.get("pan", 0)) if type(entry.get("pan")) is int else None
        return entry if copy is None else {
            **entry, "pan": {**copy["measures"], "label": copy["label"]}}

    return {**request, "into": [kept(entry) for entry in request["into"]]}
