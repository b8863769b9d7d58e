"""The guide for people."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from entremet.kitchen.actions.guide import guide
from entremet.kitchen.api.schemas.base import Out

router = Router(tags=["guide"])


class GuideStepOut(Out):
    """A step; names of what is pressed stand between double stars."""

    say: str
    picture: str = Field(description="its name; empty where it has none")
    about: str


class GuidePageOut(Out):
    """A page of the guide."""

    name: str
    title: str
    lead: str
    steps: list[GuideStepOut]


@router.get("/guide", response=list[GuidePageOut], operation_id="get_guide")
def pages(request: HttpRequest) -> list[GuidePageOut]:
    """The pages of the guide in their order."""
    return [GuidePageOut.told_by(page) for page in guide()]
