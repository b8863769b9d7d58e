"""Keep safe: copies of the whole kitchen, made, looked into, brought in and brought back."""

from __future__ import annotations

import sqlite3
from collections.abc import Mapping
from contextlib import closing
from typing import Annotated

from django.http import FileResponse, HttpRequest, HttpResponse
from ninja import File, Path, Router, Status
from ninja.files import UploadedFile
from pydantic import Field

from entremet.kitchen.actions import safe
from entremet.kitchen.actions.changes import Topic
from entremet.kitchen.api.downloads import described
from entremet.kitchen.api.schemas import safe as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.writing import kept_as_file, one_turn
from entremet.kitchen.safe.copies import KEPT, KEPT_ELSE, Copy, counts_of

router = Router(tags=["safe"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}
Name = Annotated[str, Field(max_length=200, pattern=r"^[\w.-]+$")]

TOLD = {"kitchen_recipe": "recipes", "kitchen_rackpan": "pans", "kitchen_order": "orders",
        "kitchen_bake": "bakes", "kitchen_bakephoto": "photos", "kitchen_keptfit": "kept fits",
        "kitchen_day": "bake days", "kitchen_oven": "ovens"}


@router.get("/copies", response={200: io.CopiesOut}, operation_id="list_copies")
def list_copies(request: HttpRequest) -> io.CopiesOut:
    """The copies of this kitchen, the newest first."""
    return io.CopiesOut(copies=[_copy(one) for one in safe.listed()], most=KEPT_ELSE,
                        days=KEPT["daily"])


@router.post("/copies", response={201: io.CopyOut, **REFUSED}, operation_id="make_copy")
def make_copy(request: HttpRequest, response: HttpResponse) -> Status[io.CopyOut]:
    """Copy the whole kitchen now."""
    made = safe.make_copy()
    kept_as_file(response, Topic.COPIES)
    return Status(201, _copy(made))


@router.post("/copies/file", response={201: io.LookedOut, **REFUSED}, operation_id="bring_copy_in")
def bring_copy_in(request: HttpRequest, response: HttpResponse,
                  file: File[UploadedFile]) -> Status[io.LookedOut]:
    """Put a copy from elsewhere among the copies; it is looked into first."""
    brought = safe.brought_in(file)
    kept_as_file(response, Topic.COPIES)
    return Status(201, _looked(brought))


@router.get("/copies/{name}", operation_id="get_copy", response=REFUSED,
            openapi_extra=described("application/zip"))
def get_copy(request: HttpRequest, name: Path[Name]) -> FileResponse:
    """A copy as a file."""
    return FileResponse(open(safe.path_of(name), "rb"), as_attachment=True, filename=name,
                        content_type="application/zip")


@router.get("/copies/{name}/look", response={200: io.LookedOut, **REFUSED},
            operation_id="look_into_copy")
def look_into_copy(request: HttpRequest, name: Path[Name]) -> io.LookedOut:
    """What is in a copy. Nothing is changed."""
    return _looked(safe.look(name))


@router.post("/copies/{name}/restore", response={200: io.BroughtBackOut, **REFUSED},
             operation_id="restore_copy")
def restore_copy(request: HttpRequest, response: HttpResponse,
                 name: Path[Name]) -> io.BroughtBackOut:
    """Bring a copy back; what is there now is copied first."""
    with one_turn():
        brought = safe.restore(name)
    kept_as_file(response, *Topic)
    return io.BroughtBackOut(name=name,
                             before=None if brought.before is None else brought.before.name)


def _copy(one: Copy) -> io.CopyOut:
    return io.CopyOut(name=one.path.name, made_at=one.made_at.astimezone(), why=one.why,
                      bytes=one.bytes)


def _looked(one: safe.Safe) -> io.LookedOut:
    with closing(sqlite3.connect(f"{safe.kitchen_file().resolve().as_uri()}?mode=ro",
                                 uri=True)) as database:
        now = counts_of(database)
    return io.LookedOut(
        copy_file=_copy(one.copy), problem=one.problem, now=_rows(now),
        rows=[] if one.looked is None else _rows(one.looked.rows),
        older=one.looked is not None and one.looked.older)


def _rows(counts: Mapping[str, int]) -> list[io.RowsOut]:
    return [io.RowsOut(words=words, count=counts.get(table, 0)) for table, words in TOLD.items()]
