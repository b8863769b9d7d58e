"""A task is put into an oven by its id, and a run sheet names its work by ids with parts.

Ovens were kept by name and steps by one written key; both are read once, here.
"""

import re
from typing import Any

from django.db import migrations, models

NUMBERED = ("line", "mix", "fill", "bake", "stand", "turn_out")
NAMED = ("finish", "wait", "chill", "level")
ALONE = ("stand", "cool", "wait")


def ovens_by_id(apps: Any, schema_editor: Any) -> None:
    fixes, ovens = apps.get_model("kitchen", "TaskFix"), apps.get_model("kitchen", "Oven")
    ids: dict[str, int] = {}
    for pk, name in ovens.objects.order_by("-pk").values_list("pk", "name"):
        ids[name] = pk
    for row in fixes.objects.exclude(oven_name=""):
        row.oven_id = ids.get(row.oven_name)
        row.save(update_fields=["oven"])


def sheets_by_id(apps: Any, schema_editor: Any) -> None:
    for day in apps.get_model("kitchen", "Day").objects.filter(sheet_version=1):
        try:
            day.sheet = sheet_of(day.sheet)
        except (AttributeError, KeyError, TypeError, ValueError):
            continue  # one that could not be read stays as it is, and is told of when it is opened
        day.sheet_version = 2
        day.save(update_fields=["sheet", "sheet_version"])


def sheet_of(old: Any) -> dict[str, Any]:
    """Return a sheet of version 1 as version 2 has it."""
    ids = {step["key"]: work_id(step) for step in old["steps"]}
    return {**old, "steps": [step_of(step, ids) for step in old["steps"]], "dues": [
        {**due, "last": ids[due["last"]]} for due in old["dues"] if due["last"] in ids]}


def step_of(step: Any, ids: dict[str, Any]) -> dict[str, Any]:
    kept = {name: value for name, value in step.items()
            if name not in ("key", "cake", "order", "kind", "words", "minutes", "waits")}
    lane = {"bake": "oven", "chill": "fridge"}.get(
        step["kind"], "stands" if step["kind"] in ALONE else "hands")
    return {**kept, "work": {
        "id": ids[step["key"]], "order": step["order"], "words": step["words"], "lane": lane,
        "minutes": max(1, round(step["minutes"])), "waits": [
            {"on": ids[wait["key"]], "least_min": wait["least_min"],
             "most_min": wait["most_min"], "why": wait["why"]}
            for wait in step["waits"] if wait["key"] in ids]}}


def work_id(step: Any) -> dict[str, Any]:
    name = step["key"].removeprefix(f"{step['cake']}/") if step["cake"] else step["key"]
    kind, place, part = step["kind"], 0, ""
    if kind in NUMBERED:
        place = int(re.sub(r"^[a-z_]+", "", name))
    elif kind == "make":
        part = name.removeprefix("make_")
    elif kind == "meal":
        part = name.removeprefix("meal/")
    elif kind in NAMED:
        part = name
    return {"cake": cake_of(step["cake"]), "kind": kind, "place": place, "part": part}


def cake_of(text: str) -> dict[str, int] | None:
    if not text:
        return None
    order, row, copy = text.split(".")
    return {"order": 0 if order == "fit" else int(order), "row": int(row), "copy": int(copy)}


class Migration(migrations.Migration):

    dependencies = [("kitchen", "0016_flames_and_finishes")]

    operations = [
        migrations.RenameField("taskfix", "oven", "oven_name"),
        migrations.AddField("taskfix", "oven", models.ForeignKey(
            to="kitchen.oven", null=True, blank=True, on_delete=models.SET_NULL)),
        migrations.RunPython(ovens_by_id, migrations.RunPython.noop),
        migrations.RemoveField("taskfix", "oven_name"),
        migrations.RunPython(sheets_by_id, migrations.RunPython.noop),
    ]
