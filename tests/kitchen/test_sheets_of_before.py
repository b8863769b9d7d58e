"""Run sheets and tasks put somewhere by older programs: the same work and oven, by their ids."""

from __future__ import annotations

import importlib
import json
from datetime import UTC, datetime
from pathlib import Path
from types import SimpleNamespace

import pytest
from django.apps import apps

from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.work import Lane
from entremet.kitchen.actions.day_sheets import sheet_in
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Day

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
    assert [(one.order, one.last.text) for one in sheet.dues] == [
        (one["order"], one["last"]) for one in BEFORE["dues"]]
    lanes = {"bake": Lane.OVEN, "chill": Lane.FRIDGE, "stand": Lane.STANDS, "cool": Lane.STANDS,
             "wait": Lane.STANDS}
    for step, one in zip(sheet.steps, BEFORE["steps"], strict=True):
        assert (step.kind.value, step.words, step.work.order, step.minutes) == (
            one["kind"], one["words"], one["order"], one["minutes"])
        assert step.planned == datetime.fromisoformat(one["planned"]) if one["planned"] else True
        assert step.work.lane is lanes.get(one["kind"], Lane.HANDS)
        assert [(wait.on.text, wait.least_min, wait.most_min) for wait in step.waits] == [
            (wait["key"], wait["least_min"], wait["most_min"]) for wait in one["waits"]]
        assert [amount.g for amount in step.amounts] == [each["g"] for each in one["amounts"]]
    numbers = {(step.kind, step.id.place) for step in sheet.steps if step.id.cake == CakeId(
        order=4, row=1, copy=2)}
    assert {(WorkKind.LINE, 0), (WorkKind.BAKE, 0), (WorkKind.TURN_OUT, 0)} <= numbers


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
