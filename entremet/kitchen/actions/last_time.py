"""What went wrong with a recipe last time, and what the baker wanted to change."""

from __future__ import annotations

from collections.abc import Collection

from django.db.models import OuterRef, QuerySet, Subquery

from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.wording import percent
from entremet.core.plan.plan import Plan
from entremet.kitchen.actions.at_hand import by_its_clock
from entremet.kitchen.current import known, once
from entremet.kitchen.models import Bake, Recipe

WRONG = {Bake.Top.SUNK.value: "it sank", Bake.Top.CRACKED.value: "its top cracked",
         Bake.Top.RAN_OVER.value: "it ran over the rim", Bake.Top.DOMED.value: "it domed"}
HELPS = {
    Bake.Top.SUNK.value: "Do not open the door early, and look for the signs of done.",
    Bake.Top.CRACKED.value: "A cooler oven, or a cover sooner.",
    Bake.Top.RAN_OVER.value: "Fill less, or take a larger pan.",
    Bake.Top.DOMED.value: "Insulating strips, or a cooler oven."}


TOLD = ("pk", "baked_at", "pan_label", "top", "how", "change", "note", "note_step", "counted",
        "minutes", "recipe_id")


def read_together(recipe_ids: Collection[int]) -> None:
    """Read what is said of some recipes in two queries, for an answer that many go into."""
    newest = Recipe.objects.filter(pk__in=recipe_ids).values_list("pk", Subquery(
        Bake.objects.in_use().filter(recipe_id=OuterRef("pk")).values("pk")[:1]))
    ids = dict(newest)
    bakes = Bake.objects.only(*TOLD).in_bulk([pk for pk in ids.values() if pk is not None])
    ran: dict[int, list[Bake]] = {pk: [] for pk in recipe_ids}
    for row in _that_ran_over().filter(recipe_id__in=recipe_ids):
        ran.setdefault(row.recipe_id or 0, []).append(row)
    known({**{("last bake", pk): bakes.get(ids.get(pk, 0)) for pk in recipe_ids},
           **{("ran over", pk): rows for pk, rows in ran.items()}})


def _that_ran_over() -> QuerySet[Bake]:
    return Bake.objects.in_use().filter(top=Bake.Top.RAN_OVER).exclude(
        counted=Bake.Counted.LEFT_OUT).only("planned", "recipe_id")


def last_time(recipe_id: int) -> tuple[Finding, ...]:
    """Return what the newest bake of a recipe leaves to say; nothing where all was well."""
    row = once(("last bake", recipe_id), lambda: Bake.objects.in_use().filter(
        recipe_id=recipe_id).only(*TOLD).first())
    if row is None:
        return ()
    found = []
    wrong = [words for words in (
        WRONG.get(row.top, ""), "it was raw in the middle" if row.how == Bake.How.RAW else "",
        "it was a little over" if row.how == Bake.How.LITTLE_OVER else "") if words]
    if not (wrong or row.change or row.note):
        return ()
    at = by_its_clock(row.baked_at)
    when = f"Last time ({at.day} {at:%b}, {row.pan_label})"
    if wrong:
        found.append(warn("last_time", f"{when} {' and '.join(wrong)}.", subject=row.pan_label,
                          hint=HELPS.get(row.top, "The times count with it already.")))
    if row.change:
        found.append(note("last_time_change", f"{when} you wanted to change: {row.change}"))
    if row.note:
        step = f" at “{row.note_step}”" if row.note_step else ""
        found.append(note("last_time_note", f"{when} you noted{step}: {row.note}"))
    return tuple(found)


def ran_over_at(recipe_id: int) -> float | None:
    """Return the least fill at which a recipe ran over the rim here; None where it never did."""
    fills = [fill for row in once(("ran over", recipe_id), lambda: list(
        _that_ran_over().filter(recipe_id=recipe_id)))
        if isinstance(row.planned, dict) and isinstance(fill := row.planned.get("fill"), float)]
    return min(fills, default=None)


AS_FULL = 0.01
"""Fills nearer than this are the same."""


def over_again(plan: Plan, least: float | None) -> list[Finding]:
    """Return which pans of a plan are as full as one that ran over."""
    if least is None:
        return []
    return [warn("ran_over_before", f"{one.entry.label} is filled to {percent(one.standing.fill)}; "
                 f"this recipe ran over at {percent(least)} here.", subject=one.entry.label,
                 entry=place, hint="Fill it less, or take a larger pan.")
            for place, one in enumerate(plan.pans)
            if one.standing is not None and one.standing.fill is not None
            and one.standing.fill > least - AS_FULL]
