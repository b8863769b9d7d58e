"""The kitchen, its ovens and its bowls."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Path, Router, Status

from entremet.core.ground.provenance import assumed, measured
from entremet.core.measures.habits import Units
from entremet.core.ovens.settings import KIND_WORDS, OvenKind, Scale
from entremet.kitchen.actions import at_hand, bowls, ovens
from entremet.kitchen.api import damage
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import ProblemOut, origins
from entremet.kitchen.api.schemas.kitchen import (
    BowlIn,
    BowlLossIn,
    BowlOut,
    ChangedBowlIn,
    KitchenIn,
    KitchenOut,
)
from entremet.kitchen.api.schemas.ovens import ChangedOvenIn, OvenIn, OvenOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import Bowl, Kitchen, Oven

router = Router(tags=["kitchen"])

REFUSED = {400: ProblemOut, 422: ProblemOut}
CHANGING = {404: ProblemOut, 409: ProblemOut, **REFUSED}


@router.get("/kitchen", response=KitchenOut, operation_id="get_kitchen")
def get_kitchen(request: HttpRequest) -> KitchenOut:
    """The kitchen's name and habits."""
    return _kitchen(at_hand.habits())


@router.put("/kitchen", response={200: KitchenOut, 409: ProblemOut, **REFUSED},
            operation_id="change_kitchen")
@writes
def change_kitchen(request: HttpRequest, body: KitchenIn) -> KitchenOut:
    """Change the kitchen's name and habits."""
    return _kitchen(ovens.put_kitchen(body.to_core(), base=body.base))


@router.put("/kitchen/bowl-loss", operation_id="learn_bowl_loss",
            response={200: KitchenOut, **REFUSED})
@writes
def learn_bowl_loss(request: HttpRequest, body: BowlLossIn) -> KitchenOut:
    """Keep what bowl and whisk were weighed to leave; later fits go by it."""
    tares = sum(one.tare_g for one in body.weighed)
    return _kitchen(bowls.learn_loss(
        gross_g=sum(one.full_g for one in body.weighed) - tares,
        left_g=body.emptied_g - tares))


@router.delete("/kitchen/bowl-loss", response=KitchenOut, operation_id="forget_bowl_loss")
@writes
def forget_bowl_loss(request: HttpRequest) -> KitchenOut:
    """Go back to the assumed loss."""
    return _kitchen(bowls.forget_loss())


@router.get("/bowls", response=list[BowlOut], operation_id="list_bowls")
def list_bowls(request: HttpRequest) -> list[BowlOut]:
    """The mixing bowls, the usual one first."""
    return damage.shown(at_hand.bowls(), _bowl, _damaged_bowl)


@router.post("/bowls", response={201: BowlOut, **REFUSED}, operation_id="add_bowl")
@writes
def add_bowl(request: HttpRequest, body: BowlIn) -> Status[BowlOut]:
    """Add a mixing bowl."""
    return Status(201, _bowl(bowls.put_bowl(body.to_core(), usual=body.is_default)))


@router.put("/bowls/{bowl_id}", response={200: BowlOut, **CHANGING},
            operation_id="change_bowl")
@writes
def change_bowl(request: HttpRequest, bowl_id: Path[Id], body: ChangedBowlIn) -> BowlOut:
    """Change a mixing bowl."""
    return _bowl(bowls.put_bowl(body.to_core(), usual=body.is_default, bowl_id=bowl_id,
                                base=body.base))


@router.delete("/bowls/{bowl_id}", response={204: None, 404: ProblemOut, 422: ProblemOut},
               operation_id="remove_bowl")
@writes
def remove_bowl(request: HttpRequest, bowl_id: Path[Id]) -> Status[None]:
    """Take a mixing bowl away."""
    bowls.remove_bowl(bowl_id)
    return Status(204, None)


@router.get("/ovens", response=list[OvenOut], operation_id="list_ovens")
def list_ovens(request: HttpRequest) -> list[OvenOut]:
    """The ovens, the default one first."""
    return damage.shown(at_hand.ovens(), _oven, _damaged_oven)


@router.post("/ovens", response={201: OvenOut, **REFUSED}, operation_id="add_oven")
@writes
def add_oven(request: HttpRequest, body: OvenIn) -> Status[OvenOut]:
    """Add an oven; the first is the usual one."""
    return Status(201, _oven(ovens.put_oven(body.to_core(), usual=body.is_default)))


@router.put("/ovens/{oven_id}", response={200: OvenOut, **CHANGING},
            operation_id="change_oven")
@writes
def change_oven(request: HttpRequest, oven_id: Path[Id], body: ChangedOvenIn) -> OvenOut:
    """Change an oven."""
    return _oven(ovens.put_oven(body.to_core(), usual=body.is_default, oven_id=oven_id,
                                base=body.base))


@router.delete("/ovens/{oven_id}", response={204: None, 404: ProblemOut, 422: ProblemOut},
               operation_id="remove_oven")
@writes
def remove_oven(request: HttpRequest, oven_id: Path[Id]) -> Status[None]:
    """Take an oven away."""
    ovens.remove_oven(oven_id)
    return Status(204, None)


def _oven(row: Oven) -> OvenOut:
    core = row.to_core()
    kind = OvenKind(row.kind)
    off = measured(row.dial_off_c, "by a thermometer in the oven") if row.dial_off_c else assumed(
        0.0, "nobody has checked the dial with a thermometer")
    return OvenOut(
        id=row.pk, name=row.name, kind=kind, kind_words=KIND_WORDS[kind], has_dial=core.has_dial,
        dial=Scale(row.dial), dial_step=row.dial_step, dial_lowest=row.dial_lowest,
        dial_highest=row.dial_highest, shelf_width_cm=row.shelf_width_cm,
        shelf_depth_cm=row.shelf_depth_cm, shelves=row.shelves, dial_off_c=row.dial_off_c,
        preheat_min=core.preheat.value, is_default=row.is_default,
        version=row.version,
        origins=origins(preheat_min=core.preheat, dial_off_c=off))


def _damaged_oven(row: Oven) -> OvenOut:
    return OvenOut(
        id=row.pk, name=damage.readable(row.name), kind=OvenKind.CONVENTIONAL, kind_words="",
        has_dial=True, dial=Scale.CELSIUS, dial_step=5, dial_lowest=50, dial_highest=250,
        shelf_width_cm=None, shelf_depth_cm=None, shelves=1, dial_off_c=0, preheat_min=0,
        is_default=row.is_default, version=row.version, damaged=True, origins={})


def _damaged_bowl(row: Bowl) -> BowlOut:
    return BowlOut(id=row.pk, name=damage.readable(row.name), capacity_ml=0, working_ml=None,
                   tare_g=None, is_default=row.is_default, version=row.version, damaged=True,
                   origins={})


def _kitchen(row: Kitchen) -> KitchenOut:
    return KitchenOut(name=row.name, scale_step_g=row.scale_step_g,
                      bowl_loss_share=row.bowl_loss_share, altitude_m=row.altitude_m,
                      units=Units(row.units), measure_standard=row.measure_standard,
                      egg_grade=row.egg_grade, paper="Letter" if row.paper == "Letter" else "A4",
                      clock="12" if row.clock == "12" else "24",
                      welcomed=row.welcomed, version=row.version)


def _bowl(row: Bowl) -> BowlOut:
    return BowlOut(id=row.pk, name=row.name, capacity_ml=row.capacity_ml,
                   working_ml=row.working_ml, tare_g=row.tare_g, is_default=row.is_default,
                   version=row.version,
                   origins=origins(working_ml=row.to_core().working))
