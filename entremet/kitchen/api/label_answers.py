"""From labels to what the API answers."""

from __future__ import annotations

from collections.abc import Mapping

from entremet.core.finished.finish import FinishedCake
from entremet.core.keeping.keeping import Keeping, KeepsSo, span_words
from entremet.core.labelling.allergens import ALLERGENS, REGIONS
from entremet.core.labelling.foods import Packet
from entremet.core.labelling.label import HOME, LOCAL, Listed, day_words
from entremet.core.labelling.sheets import SHEETS, LabelSheet
from entremet.kitchen.actions import labels
from entremet.kitchen.actions import packets as packets_read
from entremet.kitchen.actions.labels import Labelled
from entremet.kitchen.api.schemas import labels as out
from entremet.kitchen.api.schemas.base import provenance
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import LabelHabits, PacketRow


def label_answer(one: Labelled, chosen: int) -> out.LabelOut:
    """Return a label with all behind it."""
    label, keeping, packets = one.label, one.label.keeping, packets_read.packets()
    return out.LabelOut.told_by(
        label, cakes=[_cake(each) for each in one.finish.cakes], cake=chosen,
        rows=[_listed(row, packets) for row in label.rows],
        net_origin=provenance(label.net_g), made_words=day_words(label.made_on),
        days=keeping.days.value, days_origin=provenance(keeping.days),
        keep_words=keeping.words, keeps=[_kept(part, keeping) for part in keeping.parts],
        take_out=keeping.take_out,
        own_lines=list(labels.own_lines(packets_read.label_habits())),
        nutrition=[out.NutrientOut(
            name=row.name, unit=row.unit,
            per_100g=None if row.per_100g is None else row.per_100g.value,
            each=None if row.each is None else row.each.value) for row in label.nutrition.rows],
        nutrition_missing=list(label.nutrition.missing), nutrition_note=label.nutrition.note,
        findings=list(one.findings),
        last=None if one.last is None else out.LastPrintOut(
            title=one.last.title, printed_at=one.last.printed_at,
            contains=list(labels.known_keys(one.last.contains))),
        card=out.HandedOverOut.told_by(one.card),
        region=label.region.name, source=label.region.source)


def habits_answer(row: LabelHabits) -> out.LabelHabitsOut:
    """Return how a kitchen labels, with what there is to choose from."""
    return out.LabelHabitsOut.told_by(
        row, may_contain=list(labels.known_keys(row.may_contain)),
        own_sheet={name: value for name, value in row.own_sheet.items()
                   if name in LabelSheet.__slots__} if isinstance(row.own_sheet, dict) else {},
        home_advice=HOME, local_advice=LOCAL,
        allergens=[out.AllergenOut.told_by(one) for one in ALLERGENS.values()],
        regions=[out.LabelRegionOut.told_by(one) for one in REGIONS.values()],
        sheets=[out.LabelSheetOut.told_by(one, key=key, words=_sheet(one))
                for key, one in SHEETS.items()])


def packet_answer(row: PacketRow) -> out.PacketOut:
    """Return what a packet says; one that cannot be read says so."""
    try:
        packet, damaged = packets_read.packet_of(row), False
    except UNREADABLE:
        packet, damaged = Packet(), True
    return out.PacketOut.told_by(packet, row, damaged=damaged)


def _sheet(one: LabelSheet) -> str:
    return f"{one.paper}, {one.count} a page, {one.width:g} × {one.height:g} mm"


def _cake(one: FinishedCake) -> out.LabelCakeOut:
    pieces = one.serving.cut.pieces if one.serving is not None else one.dressed.pieces
    return out.LabelCakeOut.told_by(one, one.dressed.cake, pieces=max(1, pieces))


def _listed(row: Listed, packets: Mapping[str, Packet]) -> out.ListedOut:
    about = row.settled
    return out.ListedOut.told_by(row, about, known_words=about.words, packet=row.key in packets)


def _kept(part: KeepsSo, keeping: Keeping) -> out.KeepsOut:
    def days(span: tuple[float, float] | None) -> str:
        return "not" if span is None else span_words(*span)

    return out.KeepsOut(
        name=part.name, cool=days(part.cool), chilled=days(part.chilled),
        frozen="not" if part.frozen is None else f"{part.frozen[0]:g} to {part.frozen[1]:g} months",
        decides=part is keeping.decides)
