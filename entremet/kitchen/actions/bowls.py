"""Mixer bowls: added, changed, taken away; what they keep of a batter, learnt by weighing."""

from __future__ import annotations

from contextlib import suppress

from django.db import transaction

from entremet.core.batter.bowl_loss import USUAL_LOSS, BowlLoss, learnt_loss
from entremet.core.ground.findings import Finding, warn
from entremet.core.ground.provenance import Origin
from entremet.core.learnt.own import own_loss
from entremet.core.mixing.bowl import Bowl as CoreBowl
from entremet.core.plan.batch import Tools
from entremet.core.plan.request import BowlWanted
from entremet.kitchen.actions.learning import Lessons, lessons
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.current import once
from entremet.kitchen.errors import UNREADABLE, NotHere, RackFull
from entremet.kitchen.models import Bowl, Kitchen

MOST_BOWLS = 20


@transaction.atomic
def put_bowl(bowl: CoreBowl, *, usual: bool, bowl_id: int | None = None, base: int = 1) -> Bowl:
    """Add a bowl, or change the one of that id, from the version that was seen.

    Raises
    ------
    NotHere
        When there is none of that id.
    RackFull
        When the kitchen has its most.
    EditedMeanwhile
        When it was changed in between.
    """
    if bowl_id is None:
        if Bowl.objects.count() >= MOST_BOWLS:
            raise RackFull(f"A kitchen keeps {MOST_BOWLS} bowls.")
        row = Bowl(position=Bowl.objects.count())
    else:
        row = bowl_row(bowl_id)
        next_version(row, base=base, name="This bowl")
    row.name, row.capacity_ml = bowl.name, bowl.capacity_ml
    row.working_ml, row.tare_g = bowl.working_ml, bowl.tare_g
    if usual:
        Bowl.objects.filter(is_default=True).update(is_default=False)
    row.is_default = usual
    row.save()
    return row


@transaction.atomic
def remove_bowl(bowl_id: int) -> None:
    """Take a bowl away.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    bowl_row(bowl_id).delete()


def bowl_row(bowl_id: int) -> Bowl:
    """Return a bowl.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = once(("bowl", bowl_id), lambda: Bowl.objects.filter(pk=bowl_id).first())
    if row is None:
        raise NotHere("This bowl is not in the kitchen.", field="bowl")
    return row


@transaction.atomic
def learn_loss(*, gross_g: float, left_g: float) -> Kitchen:
    """Keep what bowl and whisk were weighed to leave, as a share of the batter.

    Raises
    ------
    ImpossibleChoice
        When more stayed than bakers leave, or a weight is none.
    """
    loss = learnt_loss(gross_g=gross_g, left_g=left_g)
    kitchen, _ = Kitchen.objects.get_or_create(id=1)
    kitchen.bowl_loss_share = loss.share
    kitchen.save(update_fields=["bowl_loss_share"])
    return kitchen


@transaction.atomic
def forget_loss() -> Kitchen:
    """Go back to the assumed loss."""
    kitchen, _ = Kitchen.objects.get_or_create(id=1)
    kitchen.bowl_loss_share = None
    kitchen.save(update_fields=["bowl_loss_share"])
    return kitchen


def loss_of(kitchen: Kitchen, found: Lessons | None = None) -> BowlLoss:
    """Return what the kitchen's bowls keep: as weighed, or as the logbook has it, else assumed."""
    share = kitchen.bowl_loss_share
    if share is None:
        return own_loss(USUAL_LOSS, (found or lessons()).of)
    return BowlLoss(fixed_g=0.0, share=share, origin=Origin.MEASURED)


def tools_for(wanted: BowlWanted,
              found: Lessons | None = None) -> tuple[Tools, Bowl | None, Kitchen]:
    """Return what the kitchen mixes and weighs with, the bowl it is, and its habits.

    Raises
    ------
    NotHere
        When the bowl asked for is not in the kitchen.
    """
    kitchen = once("kitchen row", Kitchen.objects.first) or Kitchen()
    row: Bowl | None = None
    if isinstance(wanted, int):
        row = bowl_row(wanted)
    elif wanted is None:
        row = once("usual bowl", lambda: Bowl.objects.filter(is_default=True).first())
    core = None
    with suppress(*UNREADABLE):
        core = None if row is None else row.to_core()
    step = kitchen.scale_step_g
    return Tools(scale_step_g=step if isinstance(step, float | int) and step > 0 else 1.0,
                 loss=loss_of(kitchen, found), bowl=core), (
                     row if core is not None else None), kitchen


def damaged_bowl(wanted: BowlWanted) -> list[Finding]:
    """Return what is to be said of the bowl a fit asks for, where it is none any more."""
    row = None if wanted == "none" else Bowl.objects.filter(
        **({"is_default": True} if wanted is None else {"pk": wanted})).first()
    with suppress(*UNREADABLE):
        if row is not None:
            row.to_core()
        return []
    return [warn("bowl_damaged", f"What is stored of the bowl {row and row.name} is none any more: "
                 "all is mixed at once.", hint="Change it in the Kitchen room.")]
