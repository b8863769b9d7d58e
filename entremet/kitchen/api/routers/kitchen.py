"""The kitchen and its ovens."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router

from entremet.core.baking.settings import OvenKind, Scale
from entremet.kitchen.api.schemas.kitchen import KitchenOut, OvenOut
from entremet.kitchen.models import Kitchen, Oven

router = Router(tags=["kitchen"])


@router.get("/kitchen", response=KitchenOut, operation_id="get_kitchen")
def get_kitchen(request: HttpRequest) -> KitchenOut:
    """The kitchen's name and habits."""
    kitchen = Kitchen.objects.first() or Kitchen()
    return KitchenOut(name=kitchen.name, scale_step_g=kitchen.scale_step_g)


@router.get("/ovens", response=list[OvenOut], operation_id="list_ovens")
def list_ovens(request: HttpRequest) -> list[OvenOut]:
    """The ovens, the default one first."""
    return [OvenOut(id=oven.pk, name=oven.name, kind=OvenKind(oven.kind), dial=Scale(oven.dial),
                    dial_step=oven.dial_step, shelf_width_cm=oven.shelf_width_cm,
                    shelf_depth_cm=oven.shelf_depth_cm, is_default=oven.is_default)
            for oven in Oven.objects.all()]
