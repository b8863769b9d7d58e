"""The logbook: bakes in and out, their photos, and what they taught."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Path, Router, Status
from pydantic import Field, ValidationError

from entremet.core.ground.findings import Finding
from entremet.kitchen.actions import comparing, fitting, learning, log_files, logbook, photos
from entremet.kitchen.actions.last_time import last_time
from entremet.kitchen.actions.logbook import MEASURES, ToldBake
from entremet.kitchen.actions.teaching import teaching
from entremet.kitchen.api.downloads import described, file_response
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.log_answers import (
    again_answer,
    bakes_answer,
    differed_answer,
    taught_answer,
)
from entremet.kitchen.api.schemas import logbook as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.log_file import BakeRow, LogFileIn
from entremet.kitchen.api.writing import one_write, writes
from entremet.kitchen.documents import requests
from entremet.kitchen.models import Bake

router = Router(tags=["logbook"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}
MOST_REFUSED_TOLD = 20
MOST_AGAIN = 12


@router.get("/bakes", response={200: io.BakesOut, **REFUSED}, operation_id="list_bakes")
def list_bakes(request: HttpRequest, search: Annotated[str, Field(max_length=200)] = "",
               recipe: Id | None = None, tag: Annotated[str, Field(max_length=40)] = "",
               offset: Annotated[int, Field(ge=0, le=1_000_000)] = 0,
               limit: Annotated[int, Field(ge=1, le=200)] = 60) -> io.BakesOut:
    """Bakes, the newest first, found by words of recipe, pan, oven, notes and tags."""
    rows = logbook.bakes_found(search, recipe=recipe, tag=tag)
    return io.BakesOut(bakes=bakes_answer(list(rows[offset:offset + limit]), learning.lessons()),
                       count=rows.count(), tags=logbook.tags_of_bakes())


@router.post("/bakes", response={201: io.BakeOut, **REFUSED}, operation_id="log_bake")
@writes
def log_bake(request: HttpRequest, body: io.LogBakeIn) -> Status[io.BakeOut]:
    """Enter a bake of a fit."""
    now = timezone.now()
    fitted = fitting.fit(body.request)
    row = logbook.log_bake(logbook.draft(fitted, body.entry, requests.kept(body.request)),
                           _told(body, now), now=now)
    return Status(201, _answer(row))


@router.get("/bakes/again", response={200: list[io.AgainOut]}, operation_id="list_again")
def list_again(request: HttpRequest) -> list[io.AgainOut]:
    """What was baked or kept last, each once, to enter another bake of it."""
    return again_answer(MOST_AGAIN)


@router.get("/bakes/last", response={200: list[Finding], **REFUSED}, operation_id="last_time")
def last_time_of(request: HttpRequest, recipe: Id) -> list[Finding]:
    """What went wrong with a recipe the last time, and what was to be changed."""
    return list(last_time(recipe))


@router.get("/bakes/compare", response={200: io.ComparedOut, **REFUSED},
            operation_id="compare_bakes")
def compare_bakes(request: HttpRequest, one: Id, other: Id) -> io.ComparedOut:
    """Two bakes of one recipe, and everything that differed."""
    found = comparing.compared(one, other)
    return io.ComparedOut(one=_answer(found.one), other=_answer(found.other), words=found.words,
                          differed=differed_answer(found.differed))


@router.get("/bakes/taught", response={200: io.TaughtOut}, operation_id="what_it_taught")
def what_it_taught(request: HttpRequest) -> io.TaughtOut:
    """What all bakes taught, with an honest score of it."""
    found = learning.lessons()
    return taught_answer(teaching(found), found, logbook.count_of_bakes())


@router.post("/bakes/forget", response={200: io.TaughtOut, **REFUSED},
             operation_id="forget_learnt")
@writes
def forget_learnt(request: HttpRequest, body: io.ForgetIn) -> io.TaughtOut:
    """Set something back to the book's value, or let its earlier entries count again."""
    if body.forget:
        learning.set_back(body.kind, body.key, now=timezone.now())
    else:
        learning.count_again(body.kind, body.key)
    found = learning.lessons()
    return taught_answer(teaching(found), found, logbook.count_of_bakes())


@router.get("/bakes/file.csv", operation_id="export_bakes_csv", response={200: None},
            openapi_extra=described("text/csv"))
def export_bakes_csv(request: HttpRequest) -> HttpResponse:
    """The logbook for a spreadsheet."""
    return file_response("logbook.csv", "text/csv; charset=utf-8", "\ufeff" + log_files.as_csv())


@router.get("/bakes/file.json", operation_id="export_bakes_json", response={200: None},
            openapi_extra=described("application/json"))
def export_bakes_json(request: HttpRequest) -> HttpResponse:
    """The logbook for another kitchen."""
    content = LogFileIn(format="entremet-logbook", version=1, bakes=log_files.as_rows())
    return file_response("logbook.json", "application/json", content.model_dump_json(indent=1))


@router.post("/bakes/file", response={200: io.ImportedOut, **REFUSED},
             operation_id="import_bakes")
@writes
def import_bakes(request: HttpRequest, body: LogFileIn) -> io.ImportedOut:
    """Add the bakes of a logbook's file; those that are here already are left as they are."""
    rows, refused = [], []
    for place, raw in enumerate(body.bakes, start=1):
        try:
            rows.append(BakeRow.model_validate(raw).model_dump())
        except ValidationError as error:
            first = error.errors()[0]
            field = ".".join(str(one) for one in first["loc"]) or "row"
            refused.append(f"Bake {place}: {field}: {first['msg']}")
    added, there = log_files.add_rows(rows, now=timezone.now())
    return io.ImportedOut(added=added, there=there, refused=refused[:MOST_REFUSED_TOLD])


@router.get("/bakes/{bake_id}", response={200: io.BakeOut, **REFUSED}, operation_id="get_bake")
def get_bake(request: HttpRequest, bake_id: Path[Id]) -> io.BakeOut:
    """A bake."""
    return _answer(logbook.bake_row(bake_id))


@router.put("/bakes/{bake_id}", response={200: io.BakeOut, 409: ProblemOut, **REFUSED},
            operation_id="change_bake")
@writes
def change_bake(request: HttpRequest, bake_id: Path[Id], body: io.ChangeBakeIn) -> io.BakeOut:
    """Change what was said of a bake."""
    now = timezone.now()
    there = logbook.bake_row(bake_id)
    return _answer(logbook.change_bake(bake_id, _told(body, there.baked_at), base=body.base,
                                       now=now))


@router.delete("/bakes/{bake_id}", response={204: None, **REFUSED}, operation_id="remove_bake")
@writes
def remove_bake(request: HttpRequest, bake_id: Path[Id]) -> Status[None]:
    """Take a bake away; nothing counts it any more."""
    logbook.remove_bake(bake_id, now=timezone.now())
    return Status(204, None)


@router.post("/bakes/{bake_id}/back", response={200: io.BakeOut, **REFUSED},
             operation_id="bring_back_bake")
@writes
def bring_back_bake(request: HttpRequest, bake_id: Path[Id]) -> io.BakeOut:
    """Bring back a bake that was taken away within the hour."""
    return _answer(logbook.bring_back_bake(bake_id, now=timezone.now()))


@router.get("/bakes/{bake_id}/photo", operation_id="get_bake_photo",
            response={200: None, **REFUSED}, openapi_extra=described("image/jpeg"))
def get_bake_photo(request: HttpRequest, bake_id: Path[Id]) -> HttpResponse:
    """The photo of a bake."""
    return HttpResponse(bytes(photos.photo_of(bake_id).jpeg), content_type="image/jpeg",
                        headers={"Cache-Control": "private, no-cache"})


@router.put("/bakes/{bake_id}/photo", response={200: io.PhotoOut, **REFUSED},
            operation_id="put_bake_photo")
def put_bake_photo(request: HttpRequest, bake_id: Path[Id], body: io.PhotoIn) -> io.PhotoOut:
    """Keep a photo with a bake; it is opened before anybody has to wait for it."""
    logbook.bake_row(bake_id)
    picture = photos.encoded_anew(body.picture)
    with one_write():
        photo = photos.put_photo(bake_id, picture)
    return io.PhotoOut(width=photo.width, height=photo.height)


@router.delete("/bakes/{bake_id}/photo", response={204: None, **REFUSED},
               operation_id="remove_bake_photo")
@writes
def remove_bake_photo(request: HttpRequest, bake_id: Path[Id]) -> Status[None]:
    """Take the photo of a bake away."""
    photos.remove_photo(bake_id)
    return Status(204, None)


def _answer(row: Bake) -> io.BakeOut:
    return bakes_answer([row], learning.lessons())[0]


def _told(body: io.BakeToldIn, otherwise: datetime) -> ToldBake:
    measures = {name: value for name in MEASURES if (value := getattr(body, name)) is not None}
    return ToldBake(
        minutes=body.minutes, baked_at=body.baked_at or otherwise, how=body.how, top=body.top,
        change=body.change, note=body.note, note_step=body.note_step, tags=tuple(body.tags),
        counted=body.counted, measures=measures)
