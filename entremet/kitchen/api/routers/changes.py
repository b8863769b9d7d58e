"""What other screens wrote: topics, asked for every few seconds."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest
from ninja import Query, Router
from pydantic import Field

from entremet.kitchen.actions import changes
from entremet.kitchen.api.schemas.base import Out, ProblemOut

router = Router(tags=["changes"])


class ChangesOut(Out):
    """What was touched, and up to which number that is known."""

    start: str = Field(description="names this run of the program")
    number: int
    topics: list[changes.Topic]


@router.get("/changes", response={200: ChangesOut, 422: ProblemOut}, operation_id="list_changes")
def list_changes(request: HttpRequest,
                 start: Annotated[str, Query(max_length=16)] = "",
                 since: Annotated[int, Query(ge=0, le=2**53)] = 0) -> ChangesOut:
    """Topics that were written to after a number; a screen that knows none is told the newest."""
    number, topics = changes.since(start, since)
    return ChangesOut(start=changes.start_of_run, number=number, topics=topics)
