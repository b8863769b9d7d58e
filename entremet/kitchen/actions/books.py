"""The kitchen's book: chosen cards in two sets of pans, with their best bakes."""

from __future__ import annotations

import logging
import math
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.at_the_oven.every_day import CAUTIONS, CautionAt
from entremet.core.book.book_pdf import MOST_CARDS, SetBook, book_pdf
from entremet.core.book.entries import BookCard, FittedColumn, book_card
from entremet.core.book.galley import PAPERS
from entremet.core.choosing.own_pans import own_pans
from entremet.core.finished.finish import finish
from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.pans.outlines import Ring
from entremet.core.pans.pan import AnyPan, Pan
from entremet.core.plan.request import Request, WantedPan
from entremet.kitchen.actions import at_hand, fitting
from entremet.kitchen.actions.at_hand import racked
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import Bake, KeptFit, RackPan, Recipe

_log = logging.getLogger(__name__)

MOST_BEST = 3
OWN, AS_WRITTEN = "In its own pans", "As written"


class Beside(Enum):
    """What stands beside a card's own pans."""

    LAST = "last"
    """The pans it was kept in last; else the pan of the rack nearest to its own."""

    PAN = "pan"
    """One pan of the rack, for every card."""

    NOTHING = "nothing"


BESIDE = {Beside.LAST: "beside them the pans each was kept in last, else the nearest other pan of "
                       "the rack",
          Beside.PAN: "beside them one pan of the rack", Beside.NOTHING: "nothing beside them"}
"""What stands on the first page of a book."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BookAsked:
    """A book as it is asked for.

    Parameters
    ----------
    title : str
        On its first page.
    recipes : tuple of int
        Cards, in the order of the book; empty takes all, by their names.
    paper : str
        A name of PAPERS.
    beside : Beside
        What stands beside a card's own pans.
    pan : int or None
        The pan, where one is wanted for all.
    """

    title: str
    recipes: tuple[int, ...] = ()
    paper: str = "a5"
    beside: Beside = Beside.LAST
    pan: int | None = None


def cards_of(asked: BookAsked) -> list[Recipe]:
    """Return the cards of a book.

    Raises
    ------
    ImpossibleChoice
        When it has no title, there are no cards or too many, or one or the pan is not there.
    """
    if not asked.title.strip():
        raise ImpossibleChoice("Give the book a title.", field="title")
    found = {one.pk: one for one in Recipe.objects.in_use().order_by("title", "id")}
    if asked.beside is Beside.PAN and asked.pan not in racked():
        raise ImpossibleChoice("Say which pan of the rack stands beside the cards' own.",
                               field="pan")
    for pk in asked.recipes:
        if pk not in found:
            raise ImpossibleChoice("One of these cards is not in the kitchen any more. Choose "
                                   "again.", field="recipes")
    chosen = [found[pk] for pk in dict.fromkeys(asked.recipes)] or list(found.values())
    if not chosen:
        raise ImpossibleChoice("There is no card to print yet.", field="recipes")
    if len(chosen) > MOST_CARDS:
        raise ImpossibleChoice(f"A book holds {MOST_CARDS} cards: choose some of these "
                               f"{len(chosen)}.", field="recipes")
    return chosen


def make_book(asked: BookAsked, progress: Callable[[int], None],
              going_on: Callable[[], bool] = lambda: True) -> SetBook | None:
    """Make a book; None where nobody wants it any more.

    Parameters
    ----------
    asked : BookAsked
        As asked for.
    progress : callable
        Told how much is done: every card is worked out, then set.
    going_on : callable
        Asked before every card.

    Raises
    ------
    ImpossibleChoice
        As :func:`cards_of`.
    """
    cards = []
    rows = cards_of(asked)
    for done, row in enumerate(rows, start=1):
        if not going_on():
            return None
        cards.append(_card(row, asked))
        progress(done)
    told = (f"{len(cards)} {'card' if len(cards) == 1 else 'cards'}\n"
            f"Amounts and times are worked out for this kitchen's oven in each card's own pans; "
            f"{BESIDE[asked.beside]}. A sign ends a bake, not the clock.\n"
            + "\n".join(text for at in CautionAt for text in CAUTIONS[at]))
    return book_pdf(cards, PAPERS[asked.paper], title=asked.title, told=told,
                    units=at_hand.units_here(), progress=lambda set_: progress(len(rows) + set_))


def _card(row: Recipe, asked: BookAsked) -> BookCard:
    request = Request(recipe=row.pk)
    try:
        fits = [_own(request), *_beside(request, asked)]
        return book_card(fits, tags=row.tags, best=tuple(_best(row)),
                         scale_step_g=at_hand.scale_step_g())
    except CoreError as error:
        return BookCard(title=row.title, problem=f"Nothing is worked out of it: {error.text}")
    except UNREADABLE:
        return BookCard(title=row.title, problem="What is stored of this card cannot be read.")
    except Exception:
        # A fault of ours in one card takes no other from the book; it keeps its place and says so.
        _log.exception("a card of the book came to nothing: %s", row.pk)
        return BookCard(title=row.title, problem="This card could not be worked out here. Fit it "
                                                 "and print that instead.")


def _own(request: Request) -> FittedColumn:
    """Return a card in its own pans; where it names none, as it is written."""
    with suppress(ImpossibleChoice):
        plan = fitting.in_own_pans(request)
        return FittedColumn(head=OWN, plan=plan, done=finish(plan))
    fitted, done = fitting.finished(request)
    return FittedColumn(head=AS_WRITTEN, plan=fitted.plan, done=done)


def _beside(request: Request, asked: BookAsked) -> Iterator[FittedColumn]:
    """Yield what stands beside it; a fit that cannot be worked out is left out."""
    with suppress(CoreError, *UNREADABLE):
        match asked.beside:
            case Beside.LAST:
                found = _kept(request) or _nearest(request)
            case Beside.PAN:
                pan = racked()[asked.pan or 0]
                found = "In a pan of yours", replace(
                    request, into=(WantedPan(pan=pan.pk, count=pan.wells),))
            case _:
                found = None
        if found is not None:
            fitted, done = fitting.finished(found[1])
            if fitted.plan.amounts is not None:
                variant = fitted.plan.recipe.variant
                yield FittedColumn(head=f"{found[0]}, {variant}" if variant else found[0],
                                   plan=fitted.plan, done=done)


def _kept(request: Request) -> tuple[str, Request] | None:
    row = KeptFit.objects.filter(recipe_id=request.recipe).order_by("-kept_at", "-id").first()
    if row is None:
        return None
    kept = requests.read(row.request, row.request_version, copies=row.pans, racked=racked)
    # The card as it is now, in the pans of the fit: what it said then is in its revisions.
    return row.name, replace(kept, revision=None)


def _nearest(request: Request) -> tuple[str, Request] | None:
    """Return the recipe at its own depth in the pan of the rack nearest to its own: kind, size."""
    source = fitting.fit(request).plan.recipe.pans
    if not source:
        return None
    first, count = source[0].pan, source[0].count
    rack = [(pan, core) for pan in racked().values()
            if pan.owned > 0 and (core := _whole(pan)) is not None]
    own = own_pans(source, [(core, pan.owned) for pan, core in rack]) or []
    its_own = {rack[place][0].pk for place, _ in own}
    near = [(not _alike(core, first), abs(math.log(core.capacity_ml / first.capacity_ml)), pan.pk,
             pan, core) for pan, core in rack if pan.pk not in its_own]
    if not near:
        return None
    *_, pan, core = min(near, key=lambda one: one[:3])
    pans = count if core.wells > 1 else min(pan.owned, count)
    return "In another pan of yours", replace(request, into=(
        WantedPan(pan=pan.pk, count=pans),))


def _alike(pan: AnyPan, other: AnyPan) -> bool:
    """Return whether pans are of one kind: a ring beside a ring, a flat pan beside a flat one."""
    return pan.kind is other.kind and _is_ring(pan) == _is_ring(other)


def _is_ring(pan: AnyPan) -> bool:
    return isinstance(pan, Pan) and isinstance(pan.base, Ring)


def _whole(pan: RackPan) -> AnyPan | None:
    with suppress(CoreError, ValueError, TypeError):
        return pan.to_core()
    return None


def _best(row: Recipe) -> Iterator[str]:
    """Yield the newest bakes that came out right in words, those with a note first."""
    bakes = Bake.objects.in_use().filter(
        recipe=row, how=Bake.How.RIGHT).exclude(
        top__in=[Bake.Top.CRACKED, Bake.Top.SUNK, Bake.Top.RAN_OVER]).exclude(
        counted=Bake.Counted.LEFT_OUT).order_by("-baked_at", "-id")[:200]
    for one in sorted(bakes, key=lambda bake: not (bake.note or bake.change))[:MOST_BEST]:
        where = ", ".join(part for part in (one.oven_name, one.dial) if part)
        at = at_hand.by_its_clock(one.baked_at)
        said = [f"{at.day} {at:%b %Y}", one.pan_label + (
            f" × {one.count}" if one.count > 1 else ""), where, f"{one.minutes:.0f} min"]
        tells = [text for text in (one.note, one.change and f"Next time: {one.change}") if text]
        yield ". ".join([", ".join(part for part in said if part), *tells])
