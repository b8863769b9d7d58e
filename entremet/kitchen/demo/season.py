"""The demo's season: bakes as they would have been logged one after the other."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from django.db import transaction
from django.utils import timezone

from entremet.core.plan.request import Request, WantedPan
from entremet.kitchen.actions import fitting, logbook
from entremet.kitchen.actions.logbook import ToldBake
from entremet.kitchen.demo.files import demo_file
from entremet.kitchen.documents import requests
from entremet.kitchen.models import Bake, Oven, RackPan, Recipe


@transaction.atomic
def load_season() -> int:
    """Add the season to a kitchen that never logged a bake, and return how many bakes it has.

    Each is planned with what those before it taught, as it would have been.
    """
    if Bake.objects.exists():
        return 0
    rows = demo_file("season.toml")["bakes"]
    now = timezone.now()
    return sum(_log(row, now=now) for row in rows)


def _log(row: dict[str, Any], *, now: datetime) -> int:
    recipes, pans, ovens = (dict(model.objects.filter(key=row[name]).values_list("key", "pk"))
                            for name, model in (("recipe", Recipe), ("pan", RackPan),
                                                ("oven", Oven)))
    if not (recipes and pans and ovens):
        return 0
    request = Request(recipe=recipes[row["recipe"]], oven=ovens[row["oven"]],
                      into=(WantedPan(pan=pans[row["pan"]], count=row["count"]),))
    drawn = logbook.draft(fitting.fit(request), 0, requests.kept(request))
    if drawn is None:
        return 0
    at = (now - timedelta(days=row["days_ago"])).replace(hour=row["hour"], minute=10, second=0,
                                                        microsecond=0)
    measures = {}
    if "reads_off_c" in row:
        measures["oven_read_c"] = drawn["planned"]["set_c"] + row["reads_off_c"]
    if "rises" in row:
        measures["height_cm"] = round(drawn["planned"]["book_rise_cm"] * row["rises"], 1)
    logbook.log_bake(drawn, ToldBake(
        minutes=float(round(drawn["model_min"] * row["took"])), baked_at=at, how=row["how"],
        top=row.get("top", ""), change=row.get("change", ""), note=row.get("note", ""),
        tags=tuple(row.get("tags", ())), measures=measures), now=at)
    return 1
