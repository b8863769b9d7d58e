"""The demo's season: bakes as they would have been logged one after the other."""

from __future__ import annotations

from base64 import b64encode
from datetime import datetime, timedelta
from importlib.resources import files
from typing import Any

from django.db import transaction
from django.utils import timezone

from entremet.core.plan.request import Request, WantedPan
from entremet.kitchen.actions import fitting, logbook
from entremet.kitchen.actions.leftovers import add_leftover
from entremet.kitchen.actions.logbook import ToldBake
from entremet.kitchen.actions.photos import Encoded, encoded_anew, put_photo
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
    data = demo_file("season.toml")
    now = timezone.now()
    for row in data["leftovers"]:
        add_leftover(row["name"], g=row["g"], stands=row["stands"],
                     since=now.date() - timedelta(days=row["days_ago"]))
    return sum(_log(row, now=now) for row in data["bakes"])


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
    bake = logbook.log_bake(drawn, ToldBake(
        minutes=float(round(drawn["model_min"] * row["took"])), baked_at=at, how=row["how"],
        top=row.get("top", ""), change=row.get("change", ""), note=row.get("note", ""),
        tags=tuple(row.get("tags", ())), measures=measures), now=at)
    if "photo" in row:
        put_photo(bake.pk, drawn_photo(row["photo"]))
    return 1


def drawn_photo(name: str) -> Encoded:
    """Return a picture of the demo's own, drawn for it, as a photo of a bake is kept."""
    picture = files("entremet.kitchen.demo").joinpath(name).read_bytes()
    return encoded_anew(b64encode(picture).decode())
