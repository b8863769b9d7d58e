"""The logbook, answered."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from entremet.kitchen.actions import fitting, keeping, logbook
from entremet.kitchen.actions.comparing import Differed
from entremet.kitchen.actions.learning import Lessons
from entremet.kitchen.actions.photos import taken_at
from entremet.kitchen.actions.teaching import Teaching
from entremet.kitchen.api import damage
from entremet.kitchen.api.schemas import logbook as out
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import Bake


def bakes_answer(rows: Sequence[Bake], found: Lessons) -> list[out.BakeOut]:
    """Return bakes; one that cannot be shown is shown as damaged."""
    photos = taken_at(rows)
    asks = asks_of(found)
    return damage.shown(rows, lambda row: bake_answer(row, photos, asks), _damaged)


def asks_of(found: Lessons) -> dict[int, str]:
    """Return by bake what is odd about it, for those nobody answered."""
    said = {}
    for at in found.learnt.odd:
        entry = found.learnt.entries[at]
        if entry.sure:
            continue
        if found.learnt.weights[at] == 0:
            said[found.ids[at]] = ("This is under half or over twice what was to be expected, so "
                                   "it is not counted. Was it so?")
        else:
            said[found.ids[at]] = ("This is far from what the other bakes say. Was the door open, "
                                   "or was it on another shelf?")
    return said


def bake_answer(row: Bake, photos: Mapping[int, int], asks: Mapping[int, str]) -> out.BakeOut:
    """Return a bake."""
    look, early, likely, latest = (
        int(row.first_look_min + 1e-9), int(row.early_min + 1e-9), int(row.likely_min + 0.5),
        -int(-row.latest_min + 1e-9))
    return out.BakeOut.told_by(
        row, damaged=False, id=row.pk, recipe=row.recipe_id, oven=row.oven_id, pan=row.pan_id,
        first_look_min=look, early_min=early, likely_min=likely, latest_min=latest,
        photo=photos.get(row.pk), from_day=bool(row.step),
        ask="" if row.counted else asks.get(row.pk, ""))


def _damaged(row: Bake) -> out.BakeOut:
    return out.BakeOut(
        id=row.pk, version=row.version, recipe=None, recipe_title=damage.readable(row.recipe_title),
        revision=1, oven=None, oven_name="", pan=None, pan_label=damage.readable(row.pan_label),
        count=1, dial="", baked_at=row.baked_at, minutes=row.minutes, how="", top="", change="",
        note="", note_step="", tags=[], counted="", looks=0, covered_min=None, height_cm=None,
        weight_g=None, dome_cm=None, oven_read_c=None, hot_after_min=None, batter_g_dl=None,
        first_look_min=0, early_min=0, likely_min=0, latest_min=0, learnt_from=0, photo=None,
        from_day=False, ask="", damaged=True)


LATELY, KEPT_LATELY = 60, 4
"""Bakes and kept fits that are looked through for what can be baked again."""


def again_answer(most: int) -> list[out.AgainOut]:
    """Return what was baked or kept last and can still be fitted, each once."""
    found: dict[tuple[object, ...], out.AgainOut] = {}
    for row in logbook.bakes_lately(LATELY):
        same = (row.recipe_id, row.pan_label, row.count, row.oven_id)
        if same not in found and len(found) < most:
            _add_again(found, same, row.request, row.request_version, row.entry)
    for kept in keeping.kept_found("")[:KEPT_LATELY]:
        _add_again(found, ("kept", kept.pk), kept.request, kept.request_version, 0)
    return list(found.values())[:most]


def _add_again(found: dict[tuple[object, ...], out.AgainOut], key: tuple[object, ...],
               request: object, version: int, entry: int) -> None:
    """Add a fit as it comes out now; one that cannot be worked out any more is left out."""
    try:
        asked = replace(requests.read(request, version), revision=None)
        fitted = fitting.fit(asked)
    except UNREADABLE:
        return
    plan = fitted.plan
    bake = plan.pans[entry].bake if entry < len(plan.pans) else None
    if bake is None or bake.window is None:
        return
    row = plan.pans[entry].entry
    answer = out.AgainOut(
        recipe=fitted.recipe_id, recipe_title=plan.recipe.title, pan_label=row.label,
        count=row.count, oven_name=plan.oven.name, likely_min=bake.window.shown[2], request=asked,
        entry=entry)
    if not any((one.recipe, one.pan_label, one.count, one.oven_name) == (
            answer.recipe, answer.pan_label, answer.count, answer.oven_name)
            for one in found.values()):
        found[key] = answer


def taught_answer(told: Teaching, found: Lessons, all_bakes: int) -> out.TaughtOut:
    """Return what was taught."""
    asked = logbook.bakes_named(told.asked)
    return out.TaughtOut(
        bakes=all_bakes, counted=sum(weight > 0 for weight in found.learnt.weights),
        scores=[out.ScoreOut.told_by(one, name=name) for name, one in told.scores],
        lessons=[out.LessonOut.told_by(one) for one in told.lessons],
        quantities=[out.QuantityOut.told_by(one, one.said) for one in told.measured],
        asked=bakes_answer(asked, found),
        set_back=[out.SetBackOut.told_by(row, name=name) for row, name in told.set_back])


def differed_answer(rows: Sequence[Differed]) -> list[out.DifferedOut]:
    """Return what differed."""
    return [out.DifferedOut.told_by(row) for row in rows]
