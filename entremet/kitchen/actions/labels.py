"""Labels of this kitchen's cakes: what its packets say, its habits, what was printed before."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from django.db import transaction
from django.utils import timezone

from entremet.core.finished.finish import Finish, FinishedCake
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, note, ranked
from entremet.core.labelling.allergens import (
    ALLERGENS,
    allergens_of,
    region_of,
)
from entremet.core.labelling.foods import Packet
from entremet.core.labelling.handing import HandedOver, handed_over, paragraphs_of_card
from entremet.core.labelling.label import Label, WantedLabel, changed_since, make_label, text_of
from entremet.core.labelling.label_pdf import CARD, label_pdf, words_pdf
from entremet.core.labelling.sheets import SHEETS, LabelSheet
from entremet.core.measures.habits import worded_all
from entremet.core.plan.request import Request
from entremet.core.timetable.hours import moment_of, zone
from entremet.kitchen.actions import fitting
from entremet.kitchen.actions.at_hand import units_here
from entremet.kitchen.actions.days import PlannedDays
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.actions.packets import label_habits, packets
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.actions.workdays import workday
from entremet.kitchen.models import LabelHabits, LabelPrint, PacketRow

OWN_SHEET = "own"
MOST_PACKETS = 2000


@dataclass(frozen=True, slots=True, kw_only=True)
class Labelled:
    """A label with its card, the fit behind it, and what was printed before.

    Parameters
    ----------
    label, card : Label, HandedOver
        As they would be printed.
    fitted, finish, cake : Fitted, Finish, FinishedCake
        What they are of.
    last : LabelPrint or None
        The last label of this recipe that was printed.
    findings : tuple of Finding
        Of the label, and what changed since that print; gravest first.
    """

    label: Label
    card: HandedOver
    fitted: Fitted
    finish: Finish
    cake: FinishedCake
    last: LabelPrint | None
    findings: tuple[Finding, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LabelPlan:
    """Days of a cake by its plan: when it is finished, its last day, the part that decides it."""

    made_on: date
    until: date
    over: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """What is to be labelled: which cake of a fit, and what the baker says of it; None is usual."""

    cake: int = 0
    title: str = ""
    made_on: date | None = None
    pieces: int = 1
    weighed_g: float | None = None
    days: float | None = None
    lot: str = ""
    planned: LabelPlan | None = None


def labelled(asked: Request, choice: Choice) -> Labelled:
    """Return the label of a cake of a fit.

    Raises
    ------
    ImpossibleChoice
        When the fit makes no such cake, or a choice cannot be.
    """
    fitted, done = fitting.finished(asked)
    if not done.cakes:
        raise ImpossibleChoice("This fit makes no cake yet: choose pans first.", field="fit.into")
    if choice.cake >= len(done.cakes):
        raise ImpossibleChoice("This fit makes no such cake.", field="cake")
    habits, cake = label_habits(), done.cakes[choice.cake]
    region = region_of(habits.region)
    planned = choice.planned if choice.made_on is None else None
    wanted = WantedLabel(
        title=choice.title or fitted.plan.recipe.title,
        made_on=choice.made_on or (today() if planned is None else planned.made_on),
        planned_until=None if planned is None else planned.until,
        pieces=choice.pieces, weighed_g=choice.weighed_g, days=choice.days, lot=choice.lot,
        may_contain=known_keys(habits.may_contain))
    label = make_label(fitted.plan, done, cake, wanted, packets=packets(), region=region)
    last = LabelPrint.objects.filter(recipe_id=fitted.recipe_id).first()
    changed = None if last is None else changed_since(
        known_keys(last.contains), label.contains, region) or changed_since(
        known_keys(last.may_contain), label.may_contain, region, may=True)
    return Labelled(
        label=label, card=handed_over(label, done, cake), fitted=fitted, finish=done, cake=cake,
        last=last, findings=ranked((*([] if changed is None else [changed]),
                                    *_dated(planned), *label.findings)))


def _dated(planned: LabelPlan | None) -> list[Finding]:
    return [] if planned is None else [note(
        "label_planned", f"Dated by the plan: finished {planned.made_on:%-d %b}; its "
        f"{planned.over} is the first that is over, counted from when it is made.")]


def planned_dates(days: PlannedDays, order: int, row: int) -> LabelPlan | None:
    """Return the days of a cake of a plan, by its order and row; None where it is not planned."""
    where = zone(days.workday.zone)
    found = [one for one in days.keeps if (one.id.order, one.id.row) == (order, row)]
    if not found:
        return None
    first = min(found, key=lambda one: one.until_min)
    return LabelPlan(
        made_on=moment_of(max(one.done_min for one in found)).astimezone(where).date(),
        until=moment_of(first.until_min).astimezone(where).date(), over=first.over)


def today() -> date:
    """Return today on the kitchen's clock."""
    return timezone.now().astimezone(zone(workday().zone)).date()


@transaction.atomic
def put_packet(key: str, called: str, packet: Packet) -> PacketRow:
    """Keep what a packet says of an ingredient.

    Raises
    ------
    ImpossibleChoice
        When there are too many.
    """
    if not PacketRow.objects.filter(key=key).exists() and (
            PacketRow.objects.count() >= MOST_PACKETS):
        raise ImpossibleChoice(f"{MOST_PACKETS} packets are kept at most.", field="key")
    row, _ = PacketRow.objects.update_or_create(key=key, defaults={
        "called": called, "name": packet.name.strip(), "opened": packet.opened.strip(),
        "contains": list(packet.contains), "may_contain": list(packet.may_contain),
        "read_at": timezone.now()})
    return row


@transaction.atomic
def forget_packet(key: str) -> None:
    """Forget what a packet says; labels with it wait until it is read again."""
    PacketRow.objects.filter(key=key).delete()


@transaction.atomic
def put_label_habits(choice: LabelHabits, *, base: int) -> LabelHabits:
    """Keep how this kitchen labels.

    Raises
    ------
    UnknownReference, ImpossibleChoice
        For a region, an allergen or a sheet that is none.
    EditedMeanwhile
        When it was changed since it was read.
    """
    region_of(choice.region)
    allergens_of(choice.may_contain, field="may_contain")
    sheet_of(choice)
    row = label_habits()
    next_version(row, base=base, name="How you label")
    for field in ("region", "address", "sentence", "may_contain", "sheet", "own_sheet"):
        setattr(row, field, getattr(choice, field))
    row.save()
    return row


def sheet_of(habits: LabelHabits) -> LabelSheet:
    """Return the sheet a kitchen prints on.

    Raises
    ------
    ImpossibleChoice
        When it is none.
    """
    if habits.sheet == OWN_SHEET:
        try:
            return LabelSheet(**habits.own_sheet)
        except TypeError:
            raise ImpossibleChoice("Enter the measures of your own sheet.",
                                   field="own_sheet") from None
    if habits.sheet not in SHEETS:
        raise ImpossibleChoice(f"There is no sheet “{habits.sheet}”.", field="sheet")
    return SHEETS[habits.sheet]


def known_keys(stored: Any) -> tuple[str, ...]:
    """Return stored keys of allergens; what is none of them is left out."""
    kept = stored if isinstance(stored, list) else []
    return allergens_of(key for key in kept if isinstance(key, str) and key in ALLERGENS)


@transaction.atomic
def printed(one: Labelled, *, count: int, first: int) -> bytes:
    """Return a label as PDF, and remember which allergens stood on it.

    Raises
    ------
    ImpossibleChoice
        When it is not ready or does not fit.
    """
    habits = label_habits()
    pdf = label_pdf(_worded(one.label), sheet_of(habits), count=count, first=first,
                    more=own_lines(habits))
    remember(one, count=count)
    return pdf


@transaction.atomic
def as_text(one: Labelled) -> str:
    """Return a label as plain text, and remember which allergens stood on it.

    Raises
    ------
    ImpossibleChoice
        When it is not ready.
    """
    if not one.label.ready:
        raise ImpossibleChoice("This label waits for what is in its ingredients.",
                               field="packets")
    remember(one, count=1)
    return text_of(_worded(one.label), own_lines(label_habits()))


def card_pdf(one: Labelled) -> bytes:
    """Return the card to hand over, twice on a page.

    Raises
    ------
    ImpossibleChoice
        When what is in it is not settled: a card names allergens too.
    """
    if not one.label.ready:
        raise ImpossibleChoice("This card waits for what is in its ingredients.",
                               field="packets")
    return words_pdf([[paragraphs_of_card(_worded(one.card), _worded(one.label))]], CARD,
                     title=one.label.title, count=2)


def _worded(value: Any) -> Any:
    return worded_all(value, units_here())


def own_lines(habits: LabelHabits) -> Sequence[str]:
    """Return what a kitchen puts under each label: its name and address, its sentence."""
    return [line for line in (habits.address, habits.sentence) if line.strip()]


def remember(one: Labelled, *, count: int) -> None:
    """Keep which allergens stood on a label."""
    LabelPrint.objects.create(
        recipe_id=one.fitted.recipe_id, title=one.label.title[:120], count=count,
        contains=list(one.label.contains), may_contain=list(one.label.may_contain),
        printed_at=timezone.now(),
        text=text_of(one.label, own_lines(label_habits())))


def packet_rows() -> list[PacketRow]:
    """Return what packets say, by ingredient."""
    return list(PacketRow.objects.all())
