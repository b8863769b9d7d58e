"""Fit a recipe of this kitchen to pans; nothing is stored."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace

from entremet.core.baking.settings import Oven as CoreOven
from entremet.core.baking.settings import OvenKind, Scale
from entremet.core.errors import ImpossiblePan, UnreadableAmount
from entremet.core.findings import ranked, stop
from entremet.core.fitting.choices import Choices, Entry, PanRule
from entremet.core.pans.measures import PanMeasures, pan_from
from entremet.core.plan import Plan, make_plan
from entremet.kitchen.actions.cards import fit_recipe, recipe_row, revision_of
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Kitchen, Oven, RackPan

NO_OVEN = CoreOven(name="Conventional oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS,
                   step=5, lowest=50, highest=250)
"""Taken while the kitchen has no oven of its own."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """One chosen pan: an id on the rack, or a way to read measures."""

    pan_id: int | None
    label: str
    measures: Callable[[], PanMeasures] | None
    count: int
    rule: PanRule | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Version:
    """Which version of a card is fitted: its revision, its variant, its alternatives by line."""

    revision: int | None = None
    variant: int | None = None
    instead: Mapping[int, int] = field(default_factory=dict)


NEWEST = Version()


@dataclass(frozen=True, slots=True, kw_only=True)
class Alternatives:
    """A line that leaves a choice: the names to choose from, as written first."""

    line: int
    chosen: int | None
    names: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Fitted:
    """A plan with the ids behind it."""

    plan: Plan
    recipe_id: int
    revision: int
    head: int
    variants: tuple[tuple[int, str], ...]
    variant: int | None
    instead: tuple[Alternatives, ...]
    oven_id: int | None
    pan_ids: tuple[int | None, ...]


def fit(*, recipe_id: int, asked: Sequence[Asked], choices: Choices, oven_id: int | None,
        version: Version = NEWEST) -> Fitted:
    """Work out a fit.

    Raises
    ------
    NotHere
        When the recipe, its revision, a pan or the oven is not in this kitchen.
    """
    recipe = recipe_row(recipe_id)
    revision = revision_of(recipe, version.revision)
    card, swap_findings = fit_recipe(revision, variant=version.variant, instead=version.instead)
    rack = {pan.pk: pan for pan in RackPan.objects.all()}
    oven = _oven(oven_id)
    kitchen = Kitchen.objects.first() or Kitchen()
    plan = make_plan(
        card, [_entry(one, index, rack) for index, one in enumerate(asked)],
        choices=choices, oven=NO_OVEN if oven is None else oven.to_core(),
        scale_step_g=kitchen.scale_step_g,
        rack=[pan.to_core() for pan in rack.values()])
    plan = replace(plan, findings=ranked((*plan.findings, *swap_findings)))
    document = revision.card
    return Fitted(
        plan=plan, recipe_id=recipe.pk, oven_id=None if oven is None else oven.pk,
        pan_ids=tuple(one.pan_id for one in asked), revision=revision.number, head=recipe.head,
        variants=tuple((one["key"], one["name"]) for one in document["variants"]),
        variant=version.variant,
        instead=tuple(Alternatives(
            line=line["key"], chosen=version.instead.get(line["key"]),
            names=(line["name"], *(other["name"] for other in line["instead"])))
            for line in document["lines"] if line["instead"]))


def _oven(oven_id: int | None) -> Oven | None:
    if oven_id is None:
        return Oven.objects.first()
    oven = Oven.objects.filter(pk=oven_id).first()
    if oven is None:
        raise NotHere("This oven is not in the kitchen.", field="oven")
    return oven


def _entry(asked: Asked, index: int, rack: dict[int, RackPan]) -> Entry:
    if asked.measures is None:
        pan = rack.get(asked.pan_id or 0)
        if pan is None:
            raise NotHere("This pan is not on the rack.", field=f"into.{index}.pan")
        return Entry(label=pan.label, pan=pan.to_core(), count=asked.count, rule=asked.rule,
                     owned=pan.owned)
    label = asked.label or "Typed pan"
    try:
        typed = pan_from(asked.measures(), label=label)
    except (ImpossiblePan, UnreadableAmount) as error:
        return Entry(label=label, pan=None, count=asked.count, rule=asked.rule, problem=stop(
            error.code, f"{label}: {error.text}", subject=label, entry=index, field=error.field,
            hint="Mend the measure."))
    return Entry(label=label, pan=typed, count=asked.count, rule=asked.rule)
