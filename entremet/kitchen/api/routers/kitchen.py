"""The kitchen, its ovens and its bowls."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Path, Router, Status

from entremet.core.baking.settings import KIND_WORDS, OvenKind, Scale
from entremet.core.provenance import assumed, measured
from entremet.kitchen.actions import bowls, ovens
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import ProblemOut, origins
from entremet.kitchen.api.schemas.kitchen import (
    BowlIn,
    BowlLossIn,
    BowlOut,
    KitchenIn,
    KitchenOut,
)
from entremet.kitchen.api.schemas.ovens import OvenIn, OvenOut
from entremet.kitchen.models import Bowl, Kitchen, Oven

router = Router(tags=["kitchen"])

REFUSED = {400: ProblemOut, 422: ProblemOut}


@router.get("/kitchen", response=KitchenOut, operation_id="get_kitchen")
def get_kitchen(request: HttpRequest) -> KitchenOut:
    """The kitchen's name and habits."""
    return _kitchen(Kitchen.objects.first() or Kitchen())


@router.put("/kitchen", response={200: KitchenOut, **REFUSED}, operation_id="change_kitchen")
def change_kitchen(request: HttpRequest, body: KitchenIn) -> KitchenOut:
    """Change the kitchen's name and habits."""
    return _kitchen(ovens.put_kitchen(
        name=" ".join(body.name.split()) or "My kitchen", scale_step_g=body.scale_step_g,
        altitude_m=body.altitude_m))


@router.put("/kitchen/bowl-loss", operation_id="learn_bowl_loss",
            response={200: KitchenOut, **REFUSED})
def learn_bowl_loss(request: HttpRequest, body: BowlLossIn) -> KitchenOut:
    """Keep what bowl and whisk were weighed to leave; later fits go by it."""
    tares = sum(one.tare_g for one in body.weighed)
    return _kitchen(bowls.learn_loss(
        gross_g=sum(one.full_g for one in body.weighed) - tares,
        left_g=body.emptied_g - tares))


@router.delete("/kitchen/bowl-loss", response=KitchenOut, operation_id="forget_bowl_loss")
def forget_bowl_loss(request: HttpRequest) -> KitchenOut:
    """Go back to the assumed loss."""
    return _kitchen(bowls.forget_loss())


@router.get("/bowls", response=list[BowlOut], operation_id="list_bowls")
def list_bowls(request: HttpRequest) -> list[BowlOut]:
    """The mixing bowls, the usual one first."""
    return [_bowl(row) for row in Bowl.objects.all()]


@router.post("/bowls", response={201: BowlOut, **REFUSED}, operation_id="add_bowl")
def add_bowl(request: HttpRequest, body: BowlIn) -> Status[BowlOut]:
    """Add a mixing bowl."""
    return Status(201, _bowl(bowls.put_bowl(body.to_core(), usual=body.is_default)))


@router.put("/bowls/{bowl_id}", response={200: BowlOut, 404: ProblemOut, **REFUSED},
            operation_id="change_bowl")
def change_bowl(request: HttpRequest, bowl_id: Path[Id], body: BowlIn) -> BowlOut:
    """Change a mixing bowl."""
    return _bowl(bowls.put_bowl(body.to_core(), usual=body.is_default, bowl_id=bowl_id))


@router.delete("/bowls/{bowl_id}", response={204: None, 404: ProblemOut, 422: ProblemOut},
               operation_id="remove_bowl")
def remove_bowl(request: HttpRequest, bowl_id: Path[Id]) -> Status[None]:
    """Take a mixing bowl away."""
    bowls.remove_bowl(bowl_id)
    return Status(204, None)


@router.get("/ovens", response=list[OvenOut], operation_id="list_ovens")
def list_ovens(request: HttpRequest) -> list[OvenOut]:
    """The ovens, the default one first."""
    return [_oven(row) for row in Oven.objects.all()]


@router.post("/ovens", response={201: OvenOut, **REFUSED}, operation_id="add_oven")
def add_oven(request: HttpRequest, body: OvenIn) -> Status[OvenOut]:
    """Add an oven; the first is the usual one."""
    return Status(201, _oven(ovens.put_oven(body.to_core(), usual=body.is_default)))


@router.put("/ovens/{oven_id}", response={200: OvenOut, 404: ProblemOut, **REFUSED},
            operation_id="change_oven")
def change_oven(request: HttpRequest, oven_id: Path[Id], body: OvenIn) -> OvenOut:
    """Change an oven."""
    return _oven(ovens.put_oven(body.to_core(), usual=body.is_default, oven_id=oven_id))


@router.delete("/ovens/{oven_id}", response={204: None, 404: ProblemOut, 422: ProblemOut},
               operation_id="remove_oven")
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
        origins=origins(preheat_min=core.preheat, dial_off_c=off))


def _kitchen(row: Kitchen) -> KitchenOut:
    return KitchenOut(name=row.name, scale_step_g=row.scale_step_g,
                      bowl_loss_share=row.bowl_loss_share, altitude_m=row.altitude_m)


def _bowl(row: Bowl) -> BowlOut:
    return BowlOut(id=row.pk, name=row.name, capacity_ml=row.capacity_ml,
                   working_ml=row.working_ml, tare_g=row.tare_g, is_default=row.is_default,
                   origins=origins(working_ml=row.to_core().working))
