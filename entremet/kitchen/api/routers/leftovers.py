"""The larder of leftovers."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Path, Router, Status

from entremet.core.keeping.leftovers import Stands
from entremet.kitchen.actions import leftovers
from entremet.kitchen.actions.labels import today
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas import leftovers as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import Leftover

router = Router(tags=["leftovers"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}


@router.get("/leftovers", response=list[io.LeftoverRowOut], operation_id="list_leftovers")
def list_leftovers(request: HttpRequest) -> list[io.LeftoverRowOut]:
    """What is left over, what has to go first at the head."""
    return [_answer(one) for one in leftovers.leftovers()]


@router.post("/leftovers", response={201: io.LeftoverRowOut, **REFUSED},
             operation_id="add_leftover")
@writes
def add_leftover(request: HttpRequest, body: io.LeftoverRowIn) -> Status[io.LeftoverRowOut]:
    """Put something left over into the larder."""
    return Status(201, _row(leftovers.add_leftover(
        body.name, g=body.g, since=body.since,
        stands="" if body.stands is None else body.stands.value)))


@router.put("/leftovers/{leftover_id}", operation_id="change_leftover",
            response={200: io.LeftoverRowOut, 409: ProblemOut, **REFUSED})
@writes
def change_leftover(request: HttpRequest, leftover_id: Path[Id],
                    body: io.ChangedLeftoverIn) -> io.LeftoverRowOut:
    """Change how much is left, since when, or where it stands."""
    return _row(leftovers.change_leftover(
        leftover_id, base=body.base, g=body.g, since=body.since, stands=body.stands.value))


@router.post("/leftovers/{leftover_id}/gone", operation_id="use_leftover",
             response={200: io.LeftoverRowOut, **REFUSED})
@writes
def use_leftover(request: HttpRequest, leftover_id: Path[Id],
                 body: io.GoneIn) -> io.LeftoverRowOut:
    """Say that a leftover is gone, or that it is there after all."""
    return _row(leftovers.use_up(leftover_id, gone=body.gone))


def _row(row: Leftover) -> io.LeftoverRowOut:
    return _answer(leftovers.kept(row, today()))


def _answer(one: leftovers.Kept) -> io.LeftoverRowOut:
    row = one.row
    return io.LeftoverRowOut(
        id=row.pk, name=row.name, kind=one.kind.name, g=row.g, since=row.since,
        stands=Stands(row.stands), places=[Stands(place) for place in leftovers.places(one.kind)],
        until=one.until, left_days=one.left, words=one.words, version=row.version,
        recipes=[io.TakenUpOut(id=pk, title=title) for pk, title in one.recipes])
