"""“It took … minutes”: noted at the oven, kept with the fit."""

from __future__ import annotations

from dataclasses import asdict
from datetime import datetime
from enum import Enum
from typing import Any

from django.db import transaction

from entremet.core.baking.bakes import Bake
from entremet.core.baking.window import Window
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ovens.oven import Oven
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.actions.keeping import kept_fit
from entremet.kitchen.actions.kept_requests import up_to_date, with_its_pans
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import BakeTaken, KeptFit


@transaction.atomic
def note_taken(fitted: Fitted, *, fit_id: int, entry: int, minutes: float,
               at: datetime) -> BakeTaken:
    """Note how long one row of a kept fit's pans took, with a copy of all it was expected by.

    Parameters
    ----------
    fitted : Fitted
        The kept fit, worked out anew: what was expected is noted beside.
    fit_id : int
        The kept fit.
    entry : int
        Place of the pan.
    minutes : float
        Above 0, at most 600.
    at : datetime
        When.

    Raises
    ------
    NotHere
        When there is no such fit.
    ImpossibleChoice
        When the fit has no such pan, or the pan no time.
    """
    kept, plan = kept_fit(fit_id), fitted.plan
    bake = plan.pans[entry].bake if entry < len(plan.pans) else None
    if bake is None or bake.window is None:
        raise ImpossibleChoice("No pan of this fit with a time stands at that place.",
                               field="entry")
    chosen = plan.pans[entry].entry
    taken = BakeTaken(
        kept=kept, recipe_id=fitted.recipe_id, recipe_title=plan.recipe.title[:120],
        revision=fitted.revision, request=kept.request, request_version=kept.request_version,
        expected=_expected(bake, bake.window), oven=_oven(plan.oven), entry=entry,
        pan={"label": chosen.label, "count": chosen.count, **_pan_of(kept, entry)},
        label=chosen.label[:80], minutes=minutes, dial=plan.oven.words(bake.oven.setting)[:40],
        taken_at=at, likely_min=bake.window.likely_min)
    taken.save()
    return taken


def _expected(bake: Bake, window: Window) -> dict[str, Any]:
    """Return what was expected of a bake, in minutes, °C and the heat balance's own load."""
    return {"first_look_min": window.first_look_min, "early_min": window.early_min,
            "likely_min": window.likely_min, "latest_min": window.latest_min,
            "oven_c": bake.oven.oven_c, "load": bake.heat.load, "as_stated": bake.as_stated}


def _oven(oven: Oven) -> dict[str, Any]:
    return {name: value.value if isinstance(value, Enum) else value
            for name, value in asdict(oven).items()}


def _pan_of(kept: KeptFit, entry: int) -> dict[str, Any]:
    """Return the measures of a pan as the fit was kept with it."""
    rows = with_its_pans(up_to_date(kept.request, kept.request_version), kept.pans)["into"]
    pan = rows[entry].get("pan")
    if type(pan) is int:
        return {"pan": pan, **(kept.pans or {}).get(str(pan), {})}
    return {"measures": pan}


@transaction.atomic
def forget_taken(fit_id: int, taken_id: int) -> None:
    """Let a noted time go.

    Raises
    ------
    NotHere
        When it is not noted with that fit.
    """
    taken = BakeTaken.objects.filter(pk=taken_id, kept_id=fit_id).first()
    if taken is None:
        raise NotHere("This time is not noted with the fit.", field="taken")
    taken.delete()


def taken_of(fit_id: int) -> list[BakeTaken]:
    """Return the times noted with a fit, the newest first."""
    return list(BakeTaken.objects.filter(kept_id=fit_id))
