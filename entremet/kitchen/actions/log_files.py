"""The logbook as files: CSV for a spreadsheet, JSON for another kitchen."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence
from datetime import datetime
from typing import Any

from django.db import transaction

from entremet.kitchen.actions.logbook import MEASURES, words_of
from entremet.kitchen.models import Bake, Oven, RackPan, Recipe

COLUMNS = ("baked_at", "recipe_title", "revision", "pan_label", "count", "oven_name", "dial",
           "minutes", "how", "top", "change", "note", "note_step", "tags", "counted", "looks",
           "covered_min", *MEASURES, "bowl_loss", "first_look_min", "early_min", "likely_min",
           "latest_min", "model_min", "learnt_from")
"""What a spreadsheet shows, in this order; the units are in docs/formats.md."""

BEHIND = ("oven_key", "recipe_key", "pan_key", "kind", "kind_changes", "timed", "half_range",
          "apart", "stated_min", "depth_ratio", "planned")
"""What it is learnt by besides; only in the JSON."""

RISKY = ("=", "+", "-", "@", "\t", "\r")
"""A text that begins so is a formula to a spreadsheet; it is written behind an apostrophe."""


def as_csv() -> str:
    """Return the logbook as CSV, the newest bake first."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for row in Bake.objects.in_use().order_by("-baked_at", "-id"):
        writer.writerow([_cell(getattr(row, name)) for name in COLUMNS])
    return out.getvalue()


def _cell(value: Any) -> str:
    if value is None:
        return ""
    if isinstance(value, datetime):
        return value.isoformat(timespec="seconds")
    if isinstance(value, list):
        value = ", ".join(str(one) for one in value)
    if isinstance(value, float):
        return f"{value:.6g}"
    text = str(value)
    return f"'{text}" if isinstance(value, str) and text.startswith(RISKY) else text


def as_rows() -> list[dict[str, Any]]:
    """Return the logbook as plain values for JSON, the newest bake first."""
    return [{name: getattr(row, name) for name in (*COLUMNS, *BEHIND)}
            for row in Bake.objects.in_use().order_by("-baked_at", "-id")]


@transaction.atomic
def add_rows(rows: Sequence[dict[str, Any]], *, now: datetime) -> tuple[int, int]:
    """Add bakes from another logbook; return how many are new, and how many were there.

    Each is linked to the recipe, pan and oven of its name; what this kitchen does not have it
    cannot learn of.

    Parameters
    ----------
    rows : sequence of dict
        As :func:`as_rows` gives them, checked.
    now : datetime
        The server's clock.
    """
    recipes = {title: pk for pk, title in Recipe.objects.values_list("pk", "title")}
    ovens = {name: pk for pk, name in Oven.objects.values_list("pk", "name")}
    pans = {label: pk for pk, label in RackPan.objects.values_list("pk", "label")}
    there = set(Bake.objects.values_list("baked_at", "recipe_title", "pan_label", "minutes"))
    added = 0
    for row in rows:
        same = (row["baked_at"], row["recipe_title"], row["pan_label"], row["minutes"])
        if same in there:
            continue
        there.add(same)
        recipe, oven = recipes.get(row["recipe_title"]), ovens.get(row["oven_name"])
        pan = pans.get(row["pan_label"])
        Bake.objects.create(**{
            **row, "recipe_id": recipe, "oven_id": oven, "pan_id": pan,
            "oven_key": _here(row["oven_key"], oven),
            "recipe_key": _here(row["recipe_key"], recipe),
            "pan_key": row["pan_key"] if row["pan_key"].startswith("pan:typed")
            else _here(row["pan_key"], pan),
            "words": words_of([row[name] for name in (
                "recipe_title", "pan_label", "oven_name", "change", "note", "note_step")],
                row["tags"]),
            "logged_at": now, "changed_at": now})
        added += 1
    return added, len(rows) - added


def _here(key: str, pk: int | None) -> str:
    """Return a key of another kitchen with this one's id; empty where it has no such thing."""
    kind, _, rest = key.partition(":")
    if pk is None or not rest:
        return ""
    cut = min((at for sign in ":|" if (at := rest.find(sign)) >= 0), default=len(rest))
    return f"{kind}:{pk}{rest[cut:]}"
