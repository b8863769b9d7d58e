"""“It took … minutes”: noted at the oven, kept with the fit."""

from __future__ import annotations

from datetime import datetime

from django.db import transaction

from entremet.core.errors import ImpossibleChoice
from entremet.core.plan import Plan
from entremet.kitchen.actions.keeping import kept_fit
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import BakeTaken


@transaction.atomic
def note_taken(plan: Plan, *, fit_id: int, entry: int, minutes: float, at: datetime) -> BakeTaken:
    """Note how long one row of a kept fit's pans took.

    Parameters
    ----------
    plan : Plan
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
    kept = kept_fit(fit_id)
    bake = plan.pans[entry].bake if entry < len(plan.pans) else None
    if bake is None or bake.window is None:
        raise ImpossibleChoice("No pan of this fit with a time stands at that place.",
                               field="entry")
    taken = BakeTaken(kept=kept, entry=entry, label=plan.pans[entry].entry.label, minutes=minutes,
                      dial=plan.oven.words(bake.oven.setting), taken_at=at,
                      likely_min=bake.window.likely_min)
    taken.save()
    return taken


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
