"""With which pans a fit of a recipe opens: an answer to change, not a question."""

from __future__ import annotations

from dataclasses import dataclass, replace

from entremet.core.choosing.offers import BatchFreedom, Wanted
from entremet.core.choosing.own_pans import like_pans, own_pans, takes_batch
from entremet.core.fitting.rules import Rule
from entremet.core.ground.errors import CoreError
from entremet.core.ground.wording import listed
from entremet.core.pans.counted import count_words
from entremet.core.pans.measures import PanMeasures, pan_from
from entremet.core.pans.pan import AnyPan
from entremet.core.plan.request import Request
from entremet.kitchen.actions.cards import card_in, recipe_row, revision_of
from entremet.kitchen.actions.fitting import fit, offers
from entremet.kitchen.models import RackPan


@dataclass(frozen=True, slots=True, kw_only=True)
class Opened:
    """A pan a fit opens with: on the rack, or by its measures."""

    pan_id: int | None
    measures: PanMeasures | None
    label: str
    count: int
    wells: int = 1
    held: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Opening:
    """What a fit opens with.

    Parameters
    ----------
    pans : tuple of Opened
        May be empty, where neither the recipe nor the rack names a pan that takes it.
    rule : Rule
        Under which they take the batch.
    egg_count : float or None
        With the rule of eggs.
    words : str
        Why these, for the baker.
    """

    pans: tuple[Opened, ...]
    rule: Rule = Rule.SAME_DEPTH
    egg_count: float | None = None
    words: str = ""


def opening(request: Request) -> Opening:
    """Return with which pans a fit opens: the recipe's own, the nearest owned, or as written.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    """
    bare = replace(request, into=())
    source = fit(bare).plan.recipe.pans
    rack = [(row, core) for row in RackPan.objects.all() if (core := _core(row)) is not None]
    own = own_pans(source, [(core, row.owned) for row, core in rack])
    if own is not None:
        pans = tuple(Opened(pan_id=rack[place][0].pk, measures=None, label=rack[place][0].label,
                            count=count, wells=rack[place][1].wells) for place, count in own)
        return Opening(pans=pans, words=f"Opened with the recipe's own pans: {_names(pans)}.")
    like = like_pans(source, [(core, row.owned) for row, core in rack])
    if like is not None:
        pans = tuple(Opened(pan_id=rack[place][0].pk, measures=None, label=rack[place][0].label,
                            count=count, wells=rack[place][1].wells) for place, count in like)
        takes = takes_batch(source, [rack[place][1] for place, _ in like])
        return Opening(pans=pans, rule=Rule.KEEP_BATCH if takes else Rule.SAME_DEPTH,
                       words="The recipe's own pans are not on your rack; nearest: "
                       f"{_names(pans)}.")
    if rack and source:
        free = {row.pk: row.owned for row, _ in rack}
        # The batch as it is, if it can stay; else the fewest eggs more or less.
        found = offers(bare, free=free, wanted=Wanted(few=1)) or offers(
            bare, free=free, wanted=Wanted(few=1, freedom=BatchFreedom.WHOLE_EGGS))
        if found:
            best = found[0]
            here = {row.pk: (row.label, core.wells) for row, core in rack}
            pans = tuple(Opened(
                pan_id=one.pan, measures=None, label=here[one.pan][0], count=one.count,
                wells=here[one.pan][1], held=one.rule is not None)
                for one in best.into if isinstance(one.pan, int))
            return Opening(
                pans=pans, rule=best.rule, egg_count=best.egg_count,
                words="Neither the recipe's own pans nor any like them are on your rack; "
                f"what takes the batch: {_names(pans)}.")
    card = card_in(revision_of(recipe_row(request.recipe), request.revision))
    typed = tuple(Opened(pan_id=None, measures=one.measures, label=one.label, count=one.count,
                         wells=one.measures.wells)
                  for one in card.pans if _stands(one.measures, one.label))
    if typed:
        return Opening(pans=typed, words="Opened with the recipe's own pans, as it names them; "
                       "nothing on your rack comes near.")
    return Opening(pans=())


def _stands(measures: PanMeasures, label: str) -> bool:
    try:
        pan_from(measures, label=label)
    except CoreError:
        return False
    return True


def _core(row: RackPan) -> AnyPan | None:
    try:
        return row.to_core()
    except (CoreError, ValueError, TypeError):
        return None


def _names(pans: tuple[Opened, ...]) -> str:
    return listed([count_words(one.count, one.label, one.wells) for one in pans])
