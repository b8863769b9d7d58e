"""Run sheets and tasks put somewhere by older programs: the same work and oven, by their ids."""

from __future__ import annotations

import importlib
import json
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from types import SimpleNamespace

import pytest
from django.apps import apps

from entremet.core.running.from_cakes import sheet_of
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.ids import CakeId
from entremet.kitchen.actions.running import sheet_in
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Day
from tests.core.timetable.days import cake, means, tasks

update = importlib.import_module("entremet.kitchen.migrations.0017_work_ids")
BEFORE = json.loads((Path(__file__).parent / "older/sheet-1.json").read_text("utf-8"))


def kept(sheet, version=1):
    return Day.objects.create(title="Day", orders=[3, 4], sheet=sheet, sheet_version=version,
                              started_at=datetime(2026, 11, 27, 8, tzinfo=UTC))


@pytest.mark.django_db
def test_a_day_that_was_begun_before_goes_on_with_the_same_steps():
    day = kept(BEFORE)
    update.sheets_by_id(apps, None)
    day.refresh_from_db()
    sheet = sheet_in(day)
    assert [one.id.text for one in sheet.steps] == [one["key"] for one in BEFORE["steps"]]
    cakes = [replace(cake("Harvest supper", drip=True, inscription="Maud"), id=CakeId(order=3)),
             replace(cake("Choir tea", count=1, width=15), id=CakeId(order=4, row=1, copy=2))]
    anew = sheet_of(sheet.title, cakes, placed=quick_plan(tasks(*cakes), means(3)).placed)
    assert [one.last for one in sheet.dues] == [one.last for one in anew.dues]
    for before, now in zip(sheet.steps, anew.steps, strict=True):
        assert (before.id.cake, before.kind, before.id.place, before.words, before.minutes,
                before.waits, before.work.lane, before.planned, before.amounts, before.bake) == (
            now.id.cake, now.kind, now.id.place, now.words, now.minutes, now.waits,
            now.work.lane, now.planned, now.amounts, now.bake)


@pytest.mark.django_db
def test_a_sheet_that_cannot_be_read_stays_as_it_was_and_is_told_of():
    day = kept({"title": "Half", "steps": [{"key": "3.0.0/mix"}]})
    update.sheets_by_id(apps, None)
    day.refresh_from_db()
    assert day.sheet_version == 1
    with pytest.raises(Damaged):
        sheet_in(day)


def test_a_bake_put_into_an_oven_by_its_name_is_in_that_oven_and_of_two_in_the_first():
    saved = []

    def row(name):
        one = SimpleNamespace(oven_name=name, oven_id=None)
        one.save = lambda **_: saved.append((name, one.oven_id))
        return one

    ovens = [(7, "Upper"), (2, "Main"), (1, "Upper")]
    models = {"Oven": SimpleNamespace(objects=SimpleNamespace(
        order_by=lambda _: SimpleNamespace(values_list=lambda *_: ovens))),
        "TaskFix": SimpleNamespace(objects=SimpleNamespace(
            exclude=lambda **_: [row("Upper"), row("Main"), row("Sold")]))}
    update.ovens_by_id(SimpleNamespace(get_model=lambda _, name: models[name]), None)
    assert saved == [("Upper", 1), ("Main", 2), ("Sold", None)]
