"""The first morning: what a new kitchen may start from."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest
from ninja import Query, Router, Status
from pydantic import Field

from entremet.core.measures.habits import Units
from entremet.core.ovens.settings import Scale
from entremet.core.pans.measures import PanMeasures, pan_from
from entremet.kitchen.actions.starting import take_starter
from entremet.kitchen.api.schemas.base import Out, ProblemOut
from entremet.kitchen.api.schemas.pans import DrawingOut, drawing_out
from entremet.kitchen.api.writing import writes
from entremet.kitchen.welcome.start import regions, shelf, starters

router = Router(tags=["welcome"])


class RegionOut(Out):
    """Habits a kitchen of a region usually has."""

    key: str
    name: str
    units: Units
    dial: Scale
    measure_standard: str
    egg_grade: str
    paper: Literal["A4", "Letter"]
    clock: Literal["24", "12"]


class ShelfPanOut(Out):
    """A pan as shops sell it, drawn."""

    label: str
    measures: PanMeasures
    inches: bool
    wells: int
    drawing: DrawingOut | None


class StarterOut(Out):
    """A recipe to try."""

    key: str
    title: str
    words: str = Field(description="what it is written for")


class WelcomeOut(Out):
    """What a new kitchen may start from."""

    regions: list[RegionOut]
    shelf: list[ShelfPanOut]
    starters: list[StarterOut]


class TakenOut(Out):
    """A recipe taken."""

    recipe: int


@router.get("/welcome", response={200: WelcomeOut, 422: ProblemOut}, operation_id="welcome")
def welcome(request: HttpRequest, inches: Query[bool] = False) -> WelcomeOut:
    """Regions with their habits, the usual pans, recipes to try."""
    return WelcomeOut(
        regions=[RegionOut(
            key=one.key, name=one.name, units=one.units, dial=one.dial,
            measure_standard=one.measure_standard, egg_grade=one.egg_grade, paper=one.paper,
            clock=one.clock)
            for one in regions()],
        shelf=[ShelfPanOut(
            label=one.label, measures=one.measures, inches=one.inches, wells=one.measures.wells,
            drawing=drawing_out(pan_from(one.measures, label=one.label)))
            for one in shelf(inches)],
        starters=[StarterOut(key=key, title=card.title, words=card.servings)
                  for key, card in starters().items()])


@router.post("/welcome/starters/{key}", response={201: TakenOut, 404: ProblemOut},
             operation_id="take_starter")
@writes
def starter(request: HttpRequest, key: str) -> Status[TakenOut]:
    """Put a recipe to try into the kitchen; one that is there already is only named."""
    return Status(201, TakenOut(recipe=take_starter(key).pk))
