"""The kitchen, its pans and its ovens."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router

from entremet.core.baking.settings import OvenKind, Scale
from entremet.core.pans.measures import OutlineName
from entremet.kitchen.api.schemas.kitchen import KitchenOut, OvenOut
from entremet.kitchen.api.schemas.pans import RackPanOut, drawing_out
from entremet.kitchen.models import Kitchen, Oven, RackPan

router = Router(tags=["kitchen"])


@router.get("/kitchen", response=KitchenOut, operation_id="get_kitchen")
def get_kitchen(request: HttpRequest) -> KitchenOut:
    """The kitchen's name and habits."""
    kitchen = Kitchen.objects.first() or Kitchen()
    return KitchenOut(name=kitchen.name, scale_step_g=kitchen.scale_step_g)


@router.get("/pans", response=list[RackPanOut], operation_id="list_pans")
def list_pans(request: HttpRequest) -> list[RackPanOut]:
    """The rack."""
    return [_rack_pan(pan) for pan in RackPan.objects.all()]


@router.get("/ovens", response=list[OvenOut], operation_id="list_ovens")
def list_ovens(request: HttpRequest) -> list[OvenOut]:
    """The ovens, the default one first."""
    return [OvenOut(id=oven.pk, name=oven.name, kind=OvenKind(oven.kind), dial=Scale(oven.dial),
                    dial_step=oven.dial_step, shelf_width_cm=oven.shelf_width_cm,
                    shelf_depth_cm=oven.shelf_depth_cm, is_default=oven.is_default)
            for oven in Oven.objects.all()]


def _rack_pan(stored: RackPan) -> RackPanOut:
    pan = stored.to_core()
    return RackPanOut(
        id=stored.pk, label=stored.label, kind=pan.kind, outline=OutlineName(stored.outline),
        wells=pan.wells, owned=stored.owned, finish=pan.finish,
        capacity_ml=pan.capacity_ml, drawing=drawing_out(pan),
        known_by="measures" if stored.capacity_ml is None else "capacity")
