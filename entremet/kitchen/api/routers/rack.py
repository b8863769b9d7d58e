"""The rack: its pans, and files of them."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Path, Query, Router, Status

from entremet.core.formats.svg_outline import corners_of_svg
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.pans.pan import PanFinish, PanKind
from entremet.kitchen.actions import at_hand, rack
from entremet.kitchen.api import damage
from entremet.kitchen.api.downloads import described, file_response
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas import pans as out
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import RackPan

router = Router(tags=["rack"])

REFUSED = {400: ProblemOut, 422: ProblemOut}


@router.get("/pans", response=list[out.RackPanOut], operation_id="list_pans")
def list_pans(request: HttpRequest) -> list[out.RackPanOut]:
    """The rack."""
    return damage.shown(list(at_hand.racked().values()), _rack_pan, _damaged_pan)


@router.post("/pans", response={201: out.RackPanOut, **REFUSED}, operation_id="add_pan")
@writes
def add_pan(request: HttpRequest, body: out.RackPanIn) -> Status[out.RackPanOut]:
    """Put a pan on the rack."""
    return Status(201, _rack_pan(rack.put_on_rack(_label(body), body.pan.measures(),
                                                  owned=body.owned,
                                                  inches=body.inches)))


@router.put("/pans/{pan_id}", operation_id="change_pan",
            response={200: out.RackPanOut, 404: ProblemOut, 409: ProblemOut, **REFUSED})
@writes
def change_pan(request: HttpRequest, pan_id: Path[Id], body: out.ChangedPanIn) -> out.RackPanOut:
    """Change a pan of the rack."""
    return _rack_pan(rack.change_pan(pan_id, _label(body), body.pan.measures(), owned=body.owned,
                                     inches=body.inches, base=body.base))


@router.delete("/pans/{pan_id}", response={204: None, 404: ProblemOut, 422: ProblemOut},
               operation_id="remove_pan")
@writes
def remove_pan(request: HttpRequest, pan_id: Path[Id]) -> Status[None]:
    """Take a pan off the rack."""
    rack.take_off_rack(pan_id)
    return Status(204, None)


@router.get("/pans/{pan_id}/template", response={404: ProblemOut, 422: ProblemOut},
            operation_id="pan_template", openapi_extra=described("image/svg+xml"))
def pan_template(request: HttpRequest, pan_id: Path[Id]) -> HttpResponse:
    """A paper template of a pan's base, as SVG at true scale."""
    return _file(rack.template_of(pan_id))


@router.get("/pans/{pan_id}/template.pdf",
            response={404: ProblemOut, 422: ProblemOut}, operation_id="pan_template_pdf",
            openapi_extra=described("application/pdf"))
def pan_template_pdf(request: HttpRequest, pan_id: Path[Id],
                     paper: Query[Literal["A4", "Letter"]] = "A4") -> HttpResponse:
    """The same template as PDF pages."""
    return file_response("template.pdf", "application/pdf", rack.template_pdf_of(pan_id, paper))


@router.get("/rack/file", response={422: ProblemOut}, operation_id="export_rack",
            openapi_extra=described("application/json", "text/csv"))
def export_rack(request: HttpRequest, format: Query[Literal["json", "csv"]]) -> HttpResponse:
    """The rack as a file."""
    pans = list(at_hand.racked().values())
    return _file(rack.rack_as_json(pans) if format == "json" else rack.rack_as_csv(pans))


@router.post("/rack/file", response={201: list[out.RackPanOut], **REFUSED},
             operation_id="import_rack")
@writes
def import_rack(request: HttpRequest, body: out.RackFileIn) -> Status[list[out.RackPanOut]]:
    """Add all pans of a file, or none."""
    return Status(201, [_rack_pan(pan) for pan in rack.read_rack(body.text)])


@router.post("/readings/outline", response={200: out.OutlineOut, **REFUSED},
             operation_id="read_outline")
def read_outline(request: HttpRequest, body: out.OutlineIn) -> out.OutlineOut:
    """The outline in an SVG file. Nothing is stored."""
    return out.OutlineOut(points=[[x, y] for x, y in corners_of_svg(body.text)])


def _label(body: out.RackPanIn) -> str:
    return " ".join(body.pan.label.split()) or "Pan"


def _file(file: rack.RackFile) -> HttpResponse:
    return file_response(file.file_name, file.media_type, file.text)


def _rack_pan(stored: RackPan) -> out.RackPanOut:
    pan = stored.to_core()
    return out.RackPanOut(
        id=stored.pk, label=stored.label, kind=pan.kind, outline=OutlineName(stored.outline),
        wells=pan.wells, owned=stored.owned, finish=pan.finish, loose_base=stored.loose_base,
        capacity_ml=pan.capacity_ml, drawing=out.drawing_out(pan), measures=stored.measures,
        inches=stored.inches,
        known_by="measures" if stored.capacity_ml is None else "capacity", version=stored.version)


def _damaged_pan(stored: RackPan) -> out.RackPanOut:
    return out.RackPanOut(
        id=stored.pk, label=damage.readable(stored.label), kind=PanKind.FLAT,
        outline=OutlineName.ROUND, wells=1, owned=stored.owned, finish=PanFinish.BRIGHT,
        loose_base=False, capacity_ml=0, drawing=None, known_by="measures",
        measures=PanMeasures(outline=OutlineName.ROUND), inches=stored.inches,
        version=stored.version, damaged=True)
