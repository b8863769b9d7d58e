"""Keep cards: new ones, new revisions, copies; put them away and bring them back."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass, replace
from datetime import datetime
from enum import Enum

from django.db import connection, transaction
from django.db.models import F, Max, Q, QuerySet

from entremet.core.batter.styles import style
from entremet.core.card.card import Card, CardPan
from entremet.core.card.finish import Finishing
from entremet.core.card.recipe import StatedTime
from entremet.core.card.resolve import recipe_of
from entremet.core.ground.errors import CoreError
from entremet.core.ground.wording import listed
from entremet.core.ingredients.names import plain
from entremet.core.ovens.settings import setting_words
from entremet.core.pans.counted import count_words
from entremet.core.work.of_card import CardFacts, card_facts
from entremet.kitchen import pantry
from entremet.kitchen.actions.cards import card_in, recipe_row, revision_of
from entremet.kitchen.actions.fitting import NO_OVEN
from entremet.kitchen.actions.leftovers import taking_leftovers
from entremet.kitchen.current import current
from entremet.kitchen.documents.cards import stored
from entremet.kitchen.errors import EditedMeanwhile
from entremet.kitchen.models import Recipe, Revision

MOST_DRAWN = 4
"""Pans of a card that a list draws."""


@transaction.atomic
def add_recipe(card: Card, *, at: datetime, made: str = Revision.Made.NEW,
               key: str | None = None, of: int | None = None) -> Recipe:
    """Keep a new card.

    Raises
    ------
    CoreError
        When the card cannot be right in its structure; then nothing is kept.
    """
    checked(card)
    last = Recipe.objects.order_by("-position").values_list("position", flat=True).first()
    recipe = Recipe(key=key, head=1, position=0 if last is None else last + 1)
    _show(recipe, card, at)
    recipe.save()
    recipe.revisions.create(number=1, card=stored(card), made=made, of=of, saved_at=at)
    return recipe


@transaction.atomic
def revise(recipe_id: int, card: Card, *, base: int, at: datetime,
           made: str = Revision.Made.EDITED, of: int | None = None) -> Recipe:
    """Keep a new revision of a card.

    Parameters
    ----------
    recipe_id : int
        The recipe.
    card : Card
        The whole card.
    base : int
        The revision it was edited from.
    at : datetime
        Now.
    made, of
        How it came about, and from which revision.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    EditedMeanwhile
        When another save came in between; nothing is kept, and nothing lost.
    """
    recipe = recipe_row(recipe_id)
    if recipe.head != base:
        raise EditedMeanwhile(
            f"This card was saved elsewhere while you worked on it: you began with revision "
            f"{base}, it is now at {recipe.head}. Yours is not lost.", field="base")
    checked(card)
    document = stored(card)
    if document == revision_of(recipe).card:
        return recipe
    recipe.head = base + 1
    _show(recipe, card, at)
    recipe.save()
    recipe.revisions.create(number=recipe.head, card=document, made=made, of=of, saved_at=at)
    return recipe


def settle_finish(recipe_id: int, finish: Finishing | None, *, base: int, at: datetime) -> Recipe:
    """Settle on a card how its cakes are finished, as a revision; None goes by its method again.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    EditedMeanwhile
        When another save came in between.
    """
    card = replace(card_in(revision_of(recipe_row(recipe_id))), finish=finish)
    return revise(recipe_id, card, base=base, at=at)


def restore(recipe_id: int, number: int, *, base: int, at: datetime) -> Recipe:
    """Make an older revision the newest again, as a revision of its own.

    Raises
    ------
    NotHere
        When there is no such recipe or revision.
    EditedMeanwhile
        When another save came in between.
    """
    card = card_in(revision_of(recipe_row(recipe_id), number))
    return revise(recipe_id, card, base=base, at=at, made=Revision.Made.RESTORED, of=number)


def duplicate(recipe_id: int, *, at: datetime) -> Recipe:
    """Copy the newest revision of a card onto a card of its own.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    """
    recipe = recipe_row(recipe_id)
    card = card_in(revision_of(recipe))
    copy = replace(card, title=f"{card.title[:110]} (copy)")
    return add_recipe(copy, at=at, made=Revision.Made.DUPLICATED, of=recipe.head)


@transaction.atomic
def put_away(recipe_id: int, *, away: bool, at: datetime) -> Recipe:
    """Put a recipe into the archive, or bring it back.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    """
    recipe = recipe_row(recipe_id)
    recipe.archived_at = at if away else None
    recipe.save(update_fields=["archived_at"])
    return recipe


def tags_in_use() -> list[str]:
    """Return the tags of all recipes in use, in order of the alphabet."""
    def read() -> list[str]:
        with connection.cursor() as cursor:
            # As bytes: a damaged row may hold what is no text.
            cursor.execute("SELECT DISTINCT CAST(tag.value AS BLOB) FROM kitchen_recipe, "
                           "json_each(tags) AS tag WHERE archived_at IS NULL "
                           "AND json_type(tags) = 'array'")
            found = [row[0] for row in cursor.fetchall()]
        return sorted(filter(None, map(_text, found)), key=str.casefold)

    return current("tags", read)


def _text(tag: bytes | None) -> str:
    """Return a tag as text; nothing where it is none."""
    try:
        return "" if tag is None else tag.decode("utf-8")
    except UnicodeDecodeError:
        return ""


def checked(card: Card) -> None:
    """Refuse a card that could never be fitted: unknown names, splits that do not sum.

    Raises
    ------
    CoreError
        Naming what is wrong.
    """
    recipe_of(card, table=pantry.table())


def pans_words(pans: tuple[CardPan, ...]) -> str:
    """Return the pans of a card in words."""
    words = [count_words(pan.count, pan.label, pan.measures.wells) for pan in pans]
    return listed(words) or "no pan named"


def _show(recipe: Recipe, card: Card, at: datetime) -> None:
    """Write what a list shows, and what a search looks in."""
    low, high = card.stated_low_min, card.stated_high_min
    recipe.title = card.title.strip()
    recipe.style = "" if card.style is None else style(card.style).name
    recipe.written_for = pans_words(card.pans)[:300]
    recipe.pans = stored(card)["pans"][:MOST_DRAWN]
    recipe.oven = "" if card.setting is None else setting_words(card.setting, card.oven_kind)
    recipe.time = "" if low is None or high is None else StatedTime(
        low_min=low, high_min=high).text
    recipe.note = " ".join((card.note or card.source_note).split())[:300]
    recipe.tags = list(card.tags)
    recipe.changed_at = at
    facts = _facts(card)
    recipe.feeds, recipe.hands_min, recipe.all_min = facts.feeds, facts.hands_min, facts.all_min
    words = " ".join([card.title, card.note, card.source_note, recipe.style, recipe.written_for,
                      *(line.text for line in card.lines)])
    recipe.words = f"{plain(words)} {''.join(f'#{plain(tag)}#' for tag in card.tags)}"


def _facts(card: Card) -> CardFacts:
    """Return what a list finds a card by; nothing where what is on it makes no cake."""
    try:
        return card_facts(recipe_of(card, table=pantry.table(), as_written=card), NO_OVEN)
    except CoreError:
        return CardFacts(feeds=None, hands_min=None, all_min=None)


class SortBy(Enum):
    """What a list of recipes goes by."""

    KITCHEN = "kitchen"
    BAKED = "baked"
    QUICK = "quick"


@dataclass(frozen=True, slots=True, kw_only=True)
class Wish:
    """What is looked for in the box.

    Parameters
    ----------
    search, tag : str
        Words, and a tag; empty for any.
    archived : bool
        Whether among what was put away.
    feeds : int or None
        At least so many.
    hands_min, all_min : int or None
        At most so many minutes of hands, and in all.
    uses_up : bool
        Only what would take something that is left over.
    sort : SortBy
        The kitchen's own order, what was baked last, or the quickest first.
    """

    search: str = ""
    tag: str = ""
    archived: bool = False
    feeds: int | None = None
    hands_min: int | None = None
    all_min: int | None = None
    uses_up: bool = False
    sort: SortBy = SortBy.KITCHEN


def recipes_found(wish: Wish) -> QuerySet[Recipe]:
    """Return recipes as they are wished for, each with when it was baked last."""
    rows = Recipe.objects.archived() if wish.archived else Recipe.objects.in_use()
    if wish.tag:
        rows = rows.tagged(wish.tag)
    if wish.search:
        rows = rows.found_by(wish.search)
    bounds = {"feeds__gte": wish.feeds, "hands_min__lte": wish.hands_min,
              "all_min__lte": wish.all_min}
    rows = rows.filter(**{name: value for name, value in bounds.items() if value is not None})
    if wish.uses_up:
        rows = rows.filter(pk__in=taking_leftovers())
    found: QuerySet[Recipe] = rows.annotate(last_baked=Max(
        "bakes__baked_at", filter=Q(bakes__removed_at__isnull=True)))
    first = {SortBy.BAKED: F("last_baked").desc(nulls_last=True),
             SortBy.QUICK: F("all_min").asc(nulls_last=True)}.get(wish.sort)
    return found if first is None else found.order_by(first, "position", "id")


def titles_using(name: str, *, but: Collection[int], most: int) -> list[str]:
    """Return titles of recipes that name an ingredient, beside some that are not meant."""
    found: QuerySet[Recipe] = Recipe.objects.in_use().found_by(name).exclude(pk__in=but)
    return list(found.values_list("title", flat=True)[:most])
