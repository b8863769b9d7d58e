"""From labels to what the API answers."""

from __future__ import annotations

from collections.abc import Mapping

from entremet.core.finished.finish import FinishedCake
from entremet.core.keeping.keeping import Keeping, KeepsSo, span_words
from entremet.core.labelling.allergens import ALLERGENS, REGIONS
from entremet.core.labelling.foods import Packet
from entremet.core.labelling.label import HOME, LOCAL, Listed, day_words
from entremet.core.labelling.sheets import SHEETS, Sheet
from entremet.kitchen.actions import labels
from entremet.kitchen.actions.labels import Labelled
from entremet.kitchen.api.schemas import labels as out
from entremet.kitchen.api.schemas.base import provenance
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import LabelHabits, PacketRow


def label_answer(one: Labelled, chosen: int) -> out.LabelOut:
    """Return a label with all behind it."""
    label, keeping, packets = one.label, one.label.keeping, labels.packets()
    return out.LabelOut(
        title=label.title, cakes=[_cake(each) for each in one.finish.cakes], cake=chosen,
        rows=[_listed(row, packets) for row in label.rows], contains=list(label.contains),
        may_contain=list(label.may_contain), elsewhere=list(label.elsewhere),
        net_g=label.net_g.value, net_words=label.net_words, net_origin=provenance(label.net_g),
        made_on=label.made_on, made_words=day_words(label.made_on),
        keeps_until=label.keeps_until, until_words=label.until_words,
        days=keeping.days.value, days_origin=provenance(keeping.days),
        keep_words=keeping.words, keeps=[_kept(part, keeping) for part in keeping.parts],
        take_out=keeping.take_out, lot=label.lot,
        own_lines=list(labels.own_lines(labels.label_habits())),
        nutrition=[out.NutrientOut(
            name=row.name, unit=row.unit,
            per_100g=None if row.per_100g is None else row.per_100g.value,
            each=None if row.each is None else row.each.value) for row in label.nutrition.rows],
        nutrition_missing=list(label.nutrition.missing), nutrition_note=label.nutrition.note,
        ready=label.ready, findings=list(one.findings),
        last=None if one.last is None else out.LastPrintOut(
            title=one.last.title, printed_at=one.last.printed_at,
            contains=list(labels.known_keys(one.last.contains))),
        card=out.HandedOverOut(keep=list(one.card.keep), cut=one.card.cut,
                         not_food=list(one.card.not_food), allergens=list(one.card.allergens)),
        region=label.region.name, source=label.region.source)


def habits_answer(row: LabelHabits) -> out.LabelHabitsOut:
    """Return how a kitchen labels, with what there is to choose from."""
    return out.LabelHabitsOut(
        region=row.region, address=row.address, sentence=row.sentence,
        may_contain=list(labels.known_keys(row.may_contain)), sheet=row.sheet,
        own_sheet={name: value for name, value in row.own_sheet.items()
                   if name in Sheet.__slots__} if isinstance(row.own_sheet, dict) else {},
        version=row.version, home_advice=HOME, local_advice=LOCAL,
        allergens=[out.AllergenOut(key=one.key, name=one.name, group=one.group)
                   for one in ALLERGENS.values()],
        regions=[out.LabelRegionOut(key=one.key, name=one.name, source=one.source,
                               kinds=list(one.kinds)) for one in REGIONS.values()],
        sheets=[out.LabelSheetOut(key=key, count=one.count, words=_sheet(one))
                for key, one in SHEETS.items()])


def packet_answer(row: PacketRow) -> out.PacketOut:
    """Return what a packet says; one that cannot be read says so."""
    try:
        packet, damaged = labels.packet_of(row), False
    except UNREADABLE:
        packet, damaged = Packet(), True
    return out.PacketOut(
        key=row.key, called=row.called, name=packet.name, opened=packet.opened,
        contains=list(packet.contains), may_contain=list(packet.may_contain),
        read_at=row.read_at, damaged=damaged)


def _sheet(one: Sheet) -> str:
    return f"{one.paper}, {one.count} a page, {one.width:g} × {one.height:g} mm"


def _cake(one: FinishedCake) -> out.LabelCakeOut:
    pieces = one.serving.cut.pieces if one.serving is not None else one.dressed.pieces
    return out.LabelCakeOut(label=one.dressed.cake.label, count=one.dressed.cake.count,
                            mass_g=one.mass_g, pieces=max(1, pieces))


def _listed(row: Listed, packets: Mapping[str, Packet]) -> out.ListedOut:
    about = row.settled
    return out.ListedOut(
        key=row.key, name=about.name, percent=row.percent, known=about.known,
        said=[out.SaidOut(text=one.text, strong=one.strong) for one in row.said],
        g=None if row.g is None else row.g.value, known_words=about.words,
        contains=list(about.contains), may_contain=list(about.may_contain),
        by_nature=list(about.by_nature), opened=about.opened, packet=row.key in packets)


def _kept(part: KeepsSo, keeping: Keeping) -> out.KeepsOut:
    def days(span: tuple[float, float] | None) -> str:
        return "not" if span is None else span_words(*span)

    return out.KeepsOut(
        name=part.name, cool=days(part.cool), chilled=days(part.chilled),
        frozen="not" if part.frozen is None else f"{part.frozen[0]:g} to {part.frozen[1]:g} months",
        decides=part is keeping.decides)
