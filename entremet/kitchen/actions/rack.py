"""The rack: pans added, changed, taken away; read from a file and written to one."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence
from dataclasses import asdict, dataclass, fields
from typing import Any, Literal

from django.db import transaction
from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, ValidationError

from entremet.core.formats.pdf_template import PAPERS, template_pdf
from entremet.core.formats.svg_outline import template_svg
from entremet.core.ground.errors import ImpossiblePan, UnreadableRecipe
from entremet.core.pans.measures import PanMeasures, pan_from
from entremet.core.pans.pan import Pan
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.errors import NotHere, RackFull
from entremet.kitchen.models import RackPan

MOST_PANS = 200


class RackRow(BaseModel):
    """A pan in a rack's file."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    label: str = Field(min_length=1, max_length=80)
    owned: int = Field(1, ge=1, le=99)
    inches: bool = False
    measures: PanMeasures


class RackDocument(BaseModel):
    """A rack as our own JSON."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    format: Literal["entremet-rack"] = "entremet-rack"
    version: Literal[1] = 1
    pans: list[RackRow] = Field(max_length=MOST_PANS)


@dataclass(frozen=True, slots=True, kw_only=True)
class RackFile:
    """A file to save."""

    file_name: str
    media_type: str
    text: str


CSV_COLUMNS = ("label", "owned", *(one.name for one in fields(PanMeasures)
                                   if one.name != "patted"))
_MEASURES = TypeAdapter(PanMeasures)


@transaction.atomic
def put_on_rack(label: str, measures: PanMeasures, *, owned: int,
                inches: bool = False) -> RackPan:
    """Add a pan to the rack.

    Raises
    ------
    ImpossiblePan
        When no pan has such measures.
    RackFull
        When the rack holds its most.
    """
    _check(label, measures)
    if RackPan.objects.count() >= MOST_PANS:
        raise RackFull(f"A rack holds {MOST_PANS} pans.")
    last = RackPan.objects.order_by("-position").values_list("position", flat=True).first()
    pan = RackPan(label=label, owned=owned, inches=inches, position=0 if last is None else last + 1)
    pan.measures = measures
    pan.save()
    return pan


@transaction.atomic
def change_pan(pan_id: int, label: str, measures: PanMeasures, *, owned: int,
               base: int, inches: bool = False) -> RackPan:
    """Change a pan of the rack, from the version that was seen.

    Raises
    ------
    NotHere
        When it is not on the rack.
    ImpossiblePan
        When no pan has such measures; the old ones stay.
    EditedMeanwhile
        When it was changed in between.
    """
    pan = rack_pan(pan_id)
    next_version(pan, base=base, name="This pan")
    _check(label, measures)
    pan.label, pan.owned, pan.inches = label, owned, inches
    pan.measures = measures
    pan.save()
    return pan


@transaction.atomic
def take_off_rack(pan_id: int) -> None:
    """Take a pan off the rack.

    Raises
    ------
    NotHere
        When it is not on the rack.
    """
    rack_pan(pan_id).delete()


def rack_pan(pan_id: int) -> RackPan:
    """Return a pan of the rack.

    Raises
    ------
    NotHere
        When it is not on the rack.
    """
    pan = RackPan.objects.filter(pk=pan_id).first()
    if pan is None:
        raise NotHere("This pan is not on the rack.", field="pan")
    return pan


def rack_as_json(pans: Sequence[RackPan]) -> RackFile:
    """Write the rack as our own JSON, loss-free."""
    document = RackDocument(pans=[RackRow(label=pan.label, owned=pan.owned, measures=pan.measures,
                                          inches=pan.inches) for pan in pans])
    return RackFile(file_name="rack.json", media_type="application/json",
                    text=document.model_dump_json(indent=2) + "\n")


def rack_as_csv(pans: Sequence[RackPan]) -> RackFile:
    """Write the rack as CSV, one pan a row; corners of drawn outlines as "x y; x y"."""
    out = io.StringIO()
    rows = csv.writer(out, lineterminator="\n")
    rows.writerow(CSV_COLUMNS)
    for pan in pans:
        cells = asdict(pan.measures) | {
            "outline": pan.measures.outline.value, "finish": pan.measures.finish.value,
            "points": "; ".join(f"{x:g} {y:g}" for x, y in pan.measures.points),
            "loose_base": "yes" if pan.measures.loose_base else "no"}
        label = f"'{pan.label}" if pan.label.startswith(("=", "+", "-", "@")) else pan.label
        rows.writerow([label, pan.owned, *("" if cells[name] is None else cells[name]
                                           for name in CSV_COLUMNS[2:])])
    return RackFile(file_name="rack.csv", media_type="text/csv", text=out.getvalue())


@transaction.atomic
def read_rack(text: str) -> list[RackPan]:
    """Add all pans of a rack's file, JSON or CSV; of a file with one wrong pan, none.

    Raises
    ------
    UnreadableRecipe
        When the file is no rack, naming the row or field.
    ImpossiblePan
        When a pan cannot be.
    """
    rows = _json_rows(text) if text.lstrip("\ufeff \r\n\t").startswith("{") else _csv_rows(text)
    if not rows:
        raise UnreadableRecipe("There are no pans in this file.", field="text")
    return [put_on_rack(row.label, row.measures, owned=row.owned, inches=row.inches)
            for row in rows]


def template_of(pan_id: int) -> RackFile:
    """Return a paper template of a pan's base at true scale.

    Raises
    ------
    NotHere
        When it is not on the rack, or has no measures to draw by.
    """
    return RackFile(file_name="template.svg", media_type="image/svg+xml",
                    text=template_svg(_drawn(pan_id)))


def template_pdf_of(pan_id: int, paper: str) -> bytes:
    """Return the same template as PDF pages.

    Parameters
    ----------
    pan_id : int
        A pan of the rack.
    paper : str
        "A4" or "Letter".

    Raises
    ------
    NotHere
        When it is not on the rack, or has no measures to draw by.
    """
    return template_pdf(_drawn(pan_id), PAPERS[paper])


def _check(label: str, measures: PanMeasures) -> None:
    """Refuse what no pan on a rack can be."""
    pan_from(measures, label=label)
    if measures.patted:
        raise ImpossiblePan("Dough that is patted out is no pan to keep on the rack.",
                            field="patted")


def _drawn(pan_id: int) -> Pan:
    stored = rack_pan(pan_id)
    pan = stored.to_core()
    if not isinstance(pan, Pan):
        raise NotHere(f"Of {stored.label} only the capacity is known: there is nothing to draw.",
                      field="pan")
    return pan


def _json_rows(text: str) -> list[RackRow]:
    try:
        return RackDocument.model_validate_json(text.lstrip("\ufeff")).pans
    except ValidationError as error:
        raise UnreadableRecipe(f"This is not a rack that can be read. {_first(error)}",
                               field="text") from error


def _csv_rows(text: str) -> list[RackRow]:
    table = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=None))
    try:
        columns, rows = set(table.fieldnames or ()), list(table)
    except csv.Error as error:
        raise UnreadableRecipe(f"This is not a table that can be read: {error}.",
                               field="text") from error
    if not {"label", "outline"} <= columns:
        raise UnreadableRecipe("The first row has to name the columns, label and outline among "
                               "them.", field="text")
    found = []
    for number, row in enumerate(rows, start=2):
        cells: dict[str, Any] = {name: value.strip() for name, value in row.items()
                                 if name in CSV_COLUMNS and value and value.strip()}
        label, owned = cells.pop("label", ""), cells.pop("owned", 1)
        if "points" in cells:
            cells["points"] = [pair.split() for pair in cells["points"].split(";")]
        try:
            found.append(RackRow(label=label.removeprefix("'"), owned=owned,
                                 measures=_MEASURES.validate_python(cells)))
        except ValidationError as error:
            raise UnreadableRecipe(f"Row {number} cannot be read. {_first(error)}",
                                   field="text") from error
        if len(found) > MOST_PANS:
            raise RackFull(f"A rack holds {MOST_PANS} pans.")
    return found


def _first(error: ValidationError) -> str:
    one = error.errors()[0]
    return f"{'.'.join(str(part) for part in one['loc']) or 'the file'}: {one['msg']}."
