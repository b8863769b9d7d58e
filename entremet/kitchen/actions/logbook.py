"""The logbook: bakes entered, changed, taken away, and what a run sheet says of them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction
from django.db.models import QuerySet

from entremet.core.batter.styles import style
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ingredients.names import plain
from entremet.core.learning.readings import check
from entremet.core.ovens.oven import PREHEAT_MIN
from entremet.core.ovens.settings import nominal_c
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.running.paces import paces_of
from entremet.core.running.pouring import bowl_loss_share
from entremet.core.running.sheet import RunSheet
from entremet.core.running.state import DayState, Stand, state_of
from entremet.core.work.ids import CakeId, WorkKind
from entremet.kitchen.actions import day_sheets
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.actions.measured import measures_of, planned_of
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.documents.requests import CURRENT
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Bake, Day, Oven, RackPan, Recipe

MOST_TAGS, LONGEST_TAG = 12, 40
KEPT_AFTER = timedelta(hours=1)
"""A bake that was taken away can be brought back so long; then it is really gone."""

MOST_MINUTES = 600.0
"""A bake of more is a screen that was forgotten."""

MEASURES = ("height_cm", "weight_g", "dome_cm", "oven_read_c", "hot_after_min", "batter_g_dl")


@dataclass(frozen=True, slots=True, kw_only=True)
class ToldBake:
    """What a baker says of a bake.

    Parameters
    ----------
    minutes : float
        When it was taken out, above 0, at most 600.
    baked_at : datetime
        When it came out.
    how, top : str
        Values of ``Bake.How`` and ``Bake.Top``; empty where nobody said.
    change, note, note_step : str
        What to do otherwise next time; a note, and the step it belongs to.
    tags : tuple of str
        To find it by.
    counted : str
        A value of ``Bake.Counted``.
    measures : mapping of str to float
        What was measured, by the names in ``MEASURES``.
    """

    minutes: float
    baked_at: datetime
    how: str = ""
    top: str = ""
    change: str = ""
    note: str = ""
    note_step: str = ""
    tags: tuple[str, ...] = ()
    counted: str = ""
    measures: Mapping[str, float] = field(default_factory=dict)


def draft(fitted: Fitted, entry: int, request: Mapping[str, Any]) -> dict[str, Any] | None:
    """Return what a bake of a fit is logged with, as it can be stored; None where it has no time.

    Parameters
    ----------
    fitted : Fitted
        The fit, worked out with what was learnt until now.
    entry : int
        Place of the pan.
    request : mapping
        The fit as it was asked for.
    """
    plan = fitted.plan
    one = plan.pans[entry] if 0 <= entry < len(plan.pans) else None
    if one is None or one.bake is None or one.bake.window is None or one.bake.facts is None:
        return None
    bake, facts, window = one.bake, one.bake.facts, one.bake.window
    baked = plan.source_bake
    return {
        "recipe_id": fitted.recipe_id, "recipe_title": plan.recipe.title[:120],
        "revision": fitted.revision, "oven_id": fitted.oven_id, "oven_name": plan.oven.name[:80],
        "pan_id": fitted.pan_ids[entry], "pan_label": one.entry.label[:80],
        "count": one.entry.count, "entry": entry, "dial": plan.oven.words(bake.oven.setting)[:60],
        "first_look_min": window.first_look_min, "early_min": window.early_min,
        "likely_min": window.likely_min, "latest_min": window.latest_min,
        "model_min": facts.expected_min, "learnt_from": bake.expects.bakes,
        "oven_key": facts.oven[:80], "recipe_key": facts.recipe[:300], "pan_key": facts.pan[:80],
        "kind": facts.kind, "kind_changes": facts.kind_changes, "timed": facts.timed,
        "half_range": facts.half_range, "apart": facts.apart,
        "stated_min": None if baked is None or baked.stated is None else baked.stated.middle_min,
        "depth_ratio": _depth_ratio(plan, one), "planned": _planned(plan, one),
        "request": dict(request), "request_version": CURRENT}


def _depth_ratio(plan: Plan, one: PanPlan) -> float | None:
    own = [pan.depth_cm for pan in plan.source.filled if pan.depth_cm]
    here = None if one.standing is None else one.standing.batter_cm
    return here / max(own) if own and here else None


def _planned(plan: Plan, one: PanPlan) -> dict[str, Any]:
    """Return what was planned beside the time, to be compared and measured against."""
    standing, bake = one.standing, one.bake
    if standing is None or bake is None:
        return {}
    treatment, book = plan.treatment, style(plan.recipe.style.key)
    layer_g = standing.layer_g + standing.top_g
    return {
        "oven_c": bake.oven.oven_c, "batter_g": standing.batter_g, "fill": standing.fill,
        "set_c": None if bake.oven.setting is None else nominal_c(bake.oven.setting),
        "batter_cm": standing.batter_cm, "risen_cm": standing.risen_cm, "layer_g": layer_g,
        "book_density": book.density.value, "book_preheat_min": PREHEAT_MIN[plan.oven.kind],
        "book_rise_cm": None if standing.risen_cm is None or layer_g
        else standing.risen_cm * book.rise.value / plan.recipe.style.rise.value,
        "eggs": "" if plan.egg_option is None else plan.egg_option.text,
        "strips": "round the pan" if treatment.strips else "", "cover": treatment.cover.value,
        "start": "" if treatment.start is None else treatment.start.value,
        "finish": None if one.entry.pan is None else one.entry.pan.finish.value,
        "bakes_at": plan.school.value}


@transaction.atomic
def log_bake(drawn: Mapping[str, Any] | None, told: ToldBake, *, now: datetime,
             day: Day | None = None,
             step: str = "", looks: int = 0, covered_min: float | None = None) -> Bake:
    """Enter a bake.

    Parameters
    ----------
    drawn : mapping or None
        From :func:`draft`.
    told : ToldBake
        What happened.
    now : datetime
        The server's clock.
    day, step, looks, covered_min
        Where a run sheet recorded it.

    Raises
    ------
    ImpossibleChoice
        When the fit has no such pan with a time, it lies in the future, or a measure cannot be.
    """
    if drawn is None:
        raise ImpossibleChoice("No pan of this fit with a time stands at that place.",
                               field="entry")
    row = Bake(**drawn, day=day, step=step, looks=looks, covered_min=covered_min, logged_at=now)
    return _keep(row, told, now)


@transaction.atomic
def change_bake(bake_id: int, told: ToldBake, *, base: int, now: datetime) -> Bake:
    """Change what was said of a bake.

    Raises
    ------
    NotHere
        When there is none of that id.
    EditedMeanwhile
        When it was changed in between.
    """
    row = bake_row(bake_id)
    next_version(row, base=base, name="This bake")
    return _keep(row, told, now)


def _keep(row: Bake, told: ToldBake, now: datetime) -> Bake:
    if told.baked_at > now + timedelta(minutes=5):
        raise ImpossibleChoice("A bake that is logged is over: its time lies in the future.",
                               field="baked_at")
    if len(told.tags) > MOST_TAGS or any(len(one) > LONGEST_TAG for one in told.tags):
        raise ImpossibleChoice(f"A bake has at most {MOST_TAGS} tags of {LONGEST_TAG} signs.",
                               field="tags")
    check(planned_of(row.planned), measures_of(told.measures))
    row.minutes, row.baked_at = told.minutes, told.baked_at
    row.how, row.top, row.counted = told.how, told.top, told.counted
    row.change, row.note, row.note_step = told.change, told.note, told.note_step
    row.tags = list(told.tags)
    for name in MEASURES:
        setattr(row, name, told.measures.get(name))
    row.words = words_of([row.recipe_title, row.pan_label, row.oven_name, row.change, row.note,
                          row.note_step], told.tags)
    row.changed_at = now
    row.save()
    return row


def words_of(texts: Sequence[str], tags: Sequence[str]) -> str:
    """Return what a bake is found by: its texts in plain form, and its tags between marks."""
    return " ".join([plain(" ".join(texts)), *(f"#{plain(one)}#" for one in tags)])


@transaction.atomic
def remove_bake(bake_id: int, *, now: datetime) -> None:
    """Take a bake away: nothing counts it from now on; for an hour it can be brought back.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = bake_row(bake_id)
    Bake.objects.filter(removed_at__lt=now - KEPT_AFTER).delete()
    row.removed_at = row.changed_at = now
    row.version += 1
    row.save()


@transaction.atomic
def bring_back_bake(bake_id: int, *, now: datetime) -> Bake:
    """Bring back a bake that was taken away.

    Raises
    ------
    NotHere
        When it is gone.
    """
    row: Bake | None = Bake.objects.filter(pk=bake_id).first()
    if row is None:
        raise NotHere("This bake is gone.", field="bake")
    row.removed_at, row.changed_at = None, now
    row.version += 1
    row.save()
    return row


def bake_row(bake_id: int) -> Bake:
    """Return a bake.

    Raises
    ------
    NotHere
        When there is none of that id, or it was taken away.
    """
    row: Bake | None = Bake.objects.in_use().filter(pk=bake_id).first()
    if row is None:
        raise NotHere("This bake is not in the logbook.", field="bake")
    return row


def drafts_of(sheet: RunSheet, fits: Mapping[CakeId, tuple[Fitted, Mapping[str, Any]]],
              ) -> dict[str, dict[str, Any]]:
    """Return by step what the bakes of a sheet are logged with: of each load its slowest pan.

    Parameters
    ----------
    sheet : RunSheet
        A day that begins.
    fits : mapping of CakeId to (Fitted, mapping)
        By cake its fit, and as it was asked for.
    """
    found = {}
    for step in sheet.steps:
        if step.kind is not WorkKind.BAKE or step.bake is None or step.bake.lead is None:
            continue
        fitted = None if step.id.cake is None else fits.get(step.id.cake)
        drawn = None if fitted is None else draft(fitted[0], step.bake.lead, fitted[1])
        if drawn is not None:
            found[step.id.text] = drawn
    return found


@transaction.atomic
def prepare(day: Day, fits: Mapping[CakeId, tuple[Fitted, Mapping[str, Any]]]) -> None:
    """Keep with a day that begins what its bakes will be logged with, by cake its fit."""
    day.drafts = drafts_of(day_sheets.sheet_in(day), fits)
    day.save(update_fields=["drafts"])


@transaction.atomic
def record(day: Day, said: Sequence[Mapping[str, str]], *, now: datetime) -> None:
    """Enter the bakes of a day that is over, each once however often the day is ended.

    Parameters
    ----------
    day : Day
        With its ticks.
    said : sequence of mapping
        By bake: step, how, top and change; one that nobody said anything of is kept all the same.
    now : datetime
        The server's clock.
    """
    sheet = day_sheets.sheet_in(day)
    state = state_of(sheet, events_of(day), now)
    words = {one["step"]: one for one in said}
    day.how["hands"] = paces_of(state, pace=sheet.pace)
    day.save(update_fields=["how"])
    for one in state.steps:
        drawn = day.drafts.get(one.step.id.text)
        if (drawn is None or one.step.kind is not WorkKind.BAKE or one.stand is not Stand.DONE
                or one.started is None or one.ended is None or one.ended <= one.started):
            continue
        # Of unlike pans the slowest is logged, by when it came out itself.
        lead = None if one.step.bake is None else one.step.bake.lead
        ended = one.ended if lead is None else one.out.get(lead, one.ended)
        minutes = (ended - one.started).total_seconds() / 60
        if minutes > MOST_MINUTES:
            continue
        of = words.get(one.step.id.text, {})
        there = Bake.objects.filter(day=day, step=one.step.id.text).first()
        told = ToldBake(minutes=minutes, baked_at=min(ended, now), how=of.get("how", ""),
                    top=of.get("top", ""), change=of.get("change", ""))
        if there is not None:
            # Ended anew: what was added to it since stays.
            there.minutes, there.how = told.minutes, told.how or there.how
            there.top, there.change = told.top or there.top, told.change or there.change
            there.changed_at, there.version = now, there.version + 1
            there.save()
            continue
        covered = None if one.covered is None else (
            one.covered - one.started).total_seconds() / 60
        log_bake({**_still_here(drawn), "bowl_loss": _bowl_loss(state, one.step.id.cake)}, told,
                 now=now, day=day, step=one.step.id.text, looks=one.looks, covered_min=covered)


def _bowl_loss(state: DayState, cake: CakeId | None) -> float | None:
    """Return what a cake's bowl kept, as a share of its batter; None where not all was weighed."""
    for one in state.steps:
        if (one.step.id.cake == cake and one.step.kind is WorkKind.FILL
                and one.step.batter_g):
            return bowl_loss_share(one.step.pours, one.poured, one.step.batter_g)
    return None


def _still_here(drawn: Mapping[str, Any]) -> dict[str, Any]:
    """Return a draft whose recipe, oven and pan are still in the kitchen, or none."""
    gone = {name: None for name, there in (
        ("recipe_id", Recipe.objects.filter(pk=drawn["recipe_id"])),
        ("oven_id", Oven.objects.filter(pk=drawn["oven_id"])),
        ("pan_id", RackPan.objects.filter(pk=drawn["pan_id"]))) if not there.exists()}
    return {**drawn, **gone}


def bakes_found(search: str, *, recipe: int | None, tag: str) -> QuerySet[Bake]:
    """Return bakes, the newest first, found by words, of a recipe, with a tag."""
    rows = Bake.objects.in_use().found_by(search)
    if recipe is not None:
        rows = rows.filter(recipe_id=recipe)
    return rows.tagged(tag) if tag else rows


def bakes_named(ids: Sequence[int]) -> list[Bake]:
    """Return bakes by their ids; those that are not here any more are left out."""
    return list(Bake.objects.filter(pk__in=ids))


def bakes_lately(most: int) -> list[Bake]:
    """Return the newest bakes whose recipe is still here."""
    return list(Bake.objects.in_use().exclude(recipe=None)[:most])


def count_of_bakes() -> int:
    """Return how many bakes there are."""
    return Bake.objects.in_use().count()


def tags_of_bakes() -> list[str]:
    """Return the tags of all bakes, by the alphabet."""
    return sorted({one for row in Bake.objects.in_use().exclude(tags=[]).values_list(
        "tags", flat=True) if isinstance(row, list) for one in row if isinstance(one, str)})
