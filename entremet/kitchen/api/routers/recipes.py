"""Recipes: the list, the cards and their revisions."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Any

from django.http import HttpRequest
from django.utils import timezone
from ninja import Path, Query, Router, Status
from pydantic import Field, TypeAdapter

from entremet.core.card.compare import Difference, differences
from entremet.core.ground.errors import CoreError
from entremet.core.ground.quantities import marked
from entremet.core.pans.measures import PanMeasures, pan_from
from entremet.kitchen.actions import recipes as keeping
from entremet.kitchen.actions.cards import card_in, recipe_row, revision_of
from entremet.kitchen.actions.exporting import Format, export
from entremet.kitchen.actions.leftovers import taking_leftovers
from entremet.kitchen.api import damage
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas import recipes as out
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.pans import drawing_out
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import Recipe, Revision

_MEASURES = TypeAdapter(PanMeasures)

router = Router(tags=["recipes"])

Number = Annotated[int, Field(ge=1, le=2**31 - 1)]
MISSING = {404: ProblemOut, 422: ProblemOut}
CHANGING = {400: ProblemOut, 404: ProblemOut, 409: ProblemOut, 422: ProblemOut}


@router.get("/recipes", response={200: out.RecipeListOut, 422: ProblemOut},
            operation_id="list_recipes")
def list_recipes(request: HttpRequest, wish: Query[out.WishIn]) -> out.RecipeListOut:
    """Recipes found by words, tag, what they feed, their minutes and what is left over."""
    offset, limit = wish.offset, wish.limit
    rows = keeping.recipes_found(keeping.Wish(
        search=wish.search, tag=wish.tag, archived=wish.archived, feeds=wish.feeds,
        hands_min=wish.hands_min, all_min=wish.all_min, uses_up=wish.uses_up, sort=wish.sort))
    page = list(rows.defer("words")[offset:offset + limit])
    taking = taking_leftovers()
    return out.RecipeListOut(
        rows=damage.shown(page, lambda row: _row(row, taking.get(row.pk, [])), _damaged_row),
        tags=keeping.tags_in_use(),
        total=len(page) + offset if page and len(page) < limit else rows.count())


@router.post("/recipes", operation_id="add_recipe",
             response={201: out.RecipeOut, 400: ProblemOut, 422: ProblemOut})
@writes
def add_recipe(request: HttpRequest, body: out.NewRecipeIn) -> Status[out.RecipeOut]:
    """Keep a new card."""
    made = Revision.Made.IMPORTED if body.imported else Revision.Made.NEW
    return Status(201, _whole(keeping.add_recipe(body.card, at=timezone.now(), made=made)))


@router.get("/recipes/{recipe_id}", response={200: out.RecipeOut, **MISSING},
            operation_id="get_recipe")
def get_recipe(request: HttpRequest, recipe_id: Path[Id],
               revision: Number | None = None) -> out.RecipeOut:
    """A card, in its newest revision or in another."""
    return _whole(recipe_row(recipe_id), revision)


@router.put("/recipes/{recipe_id}", response={200: out.RecipeOut, **CHANGING},
            operation_id="edit_recipe")
@writes
def edit_recipe(request: HttpRequest, recipe_id: Path[Id],
                body: out.EditRecipeIn) -> out.RecipeOut:
    """Keep a card as edited, as a new revision; refused when another save came in between."""
    return _whole(keeping.revise(recipe_id, body.card, base=body.base, at=timezone.now()))


@router.put("/recipes/{recipe_id}/finish", response={200: out.RecipeOut, **CHANGING},
            operation_id="settle_finish")
@writes
def settle_finish(request: HttpRequest, recipe_id: Path[Id],
                  body: out.SettleFinishIn) -> out.RecipeOut:
    """Settle how a card's own cakes are finished, as a new revision."""
    return _whole(keeping.settle_finish(recipe_id, body.finish, base=body.base,
                                        at=timezone.now()))


@router.post("/recipes/{recipe_id}/duplicate", operation_id="duplicate_recipe",
             response={201: out.RecipeOut, **MISSING})
@writes
def duplicate_recipe(request: HttpRequest, recipe_id: Path[Id]) -> Status[out.RecipeOut]:
    """Copy a card onto one of its own."""
    return Status(201, _whole(keeping.duplicate(recipe_id, at=timezone.now())))


@router.post("/recipes/{recipe_id}/archive", operation_id="archive_recipe",
             response={200: out.RecipeRowOut, 400: ProblemOut, **MISSING})
@writes
def archive_recipe(request: HttpRequest, recipe_id: Path[Id],
                   body: out.ArchiveIn) -> out.RecipeRowOut:
    """Put a recipe away, or bring it back."""
    recipe = keeping.put_away(recipe_id, away=body.archived, at=timezone.now())
    return damage.one(recipe, _row, _damaged_row)


@router.get("/recipes/{recipe_id}/revisions", response={200: list[out.RevisionOut], **MISSING},
            operation_id="list_revisions")
def list_revisions(request: HttpRequest, recipe_id: Path[Id]) -> list[out.RevisionOut]:
    """All revisions of a card, newest first."""
    return [out.RevisionOut(number=one.number, made=one.made, of=one.of, saved_at=one.saved_at,
                            title=_title(one.card))
            for one in recipe_row(recipe_id).revisions.all()]


@router.get("/recipes/{recipe_id}/compare", response={200: list[Difference], **MISSING},
            operation_id="compare_revisions")
def compare_revisions(request: HttpRequest, recipe_id: Path[Id], was: Query[Number],
                      now: Query[Number]) -> list[Difference]:
    """What differs between two revisions."""
    recipe = recipe_row(recipe_id)
    cards = [card_in(revision_of(recipe, number)) for number in (was, now)]
    return list(differences(cards[0], cards[1]))


@router.post("/recipes/{recipe_id}/restore", response={200: out.RecipeOut, **CHANGING},
             operation_id="restore_revision")
@writes
def restore_revision(request: HttpRequest, recipe_id: Path[Id],
                     body: out.RestoreIn) -> out.RecipeOut:
    """Make an older revision the newest again."""
    return _whole(keeping.restore(recipe_id, body.revision, base=body.base, at=timezone.now()))


@router.get("/recipes/{recipe_id}/export", response={200: out.ExportOut, **MISSING},
            operation_id="export_recipe")
def export_recipe(request: HttpRequest, recipe_id: Path[Id], format: Query[Format],
                  revision: Number | None = None,
                  variant: Number | None = None) -> out.ExportOut:
    """A card as a file, with what the format cannot hold."""
    file = export(recipe_id, format, revision=revision, variant=variant)
    return out.ExportOut(format=format, file_name=file.file_name, media_type=file.media_type,
                         text=file.text, losses=list(file.losses))


def _whole(recipe: Recipe, number: int | None = None) -> out.RecipeOut:
    revision = revision_of(recipe, number)
    return out.RecipeOut(row=damage.one(recipe, _row, _damaged_row), revision=revision.number,
                         card=card_in(revision))


def _title(card: Any) -> str:
    """Return the title in a stored card, as far as it can be read."""
    return damage.readable(card.get("title")) if isinstance(card, dict) else "?"


def _damaged_row(recipe: Recipe) -> out.RecipeRowOut:
    return out.RecipeRowOut(
        id=recipe.pk, title=damage.readable(recipe.title), style="", written_for="", pans=[],
        oven="", time="", note="", tags=[], revision=recipe.head, changed_at=recipe.changed_at,
        archived=recipe.archived_at is not None, damaged=True)


def _row(recipe: Recipe, uses_up: Sequence[str] = ()) -> out.RecipeRowOut:
    return out.RecipeRowOut(
        id=recipe.pk, title=recipe.title, style=recipe.style, written_for=recipe.written_for,
        pans=_pans(recipe), oven=marked(recipe.oven), time=recipe.time, note=recipe.note,
        tags=recipe.tags,
        feeds=recipe.feeds, hands_min=recipe.hands_min, all_min=recipe.all_min,
        last_baked=getattr(recipe, "last_baked", None), uses_up=list(uses_up),
        revision=recipe.head, changed_at=recipe.changed_at,
        archived=recipe.archived_at is not None)


def _pans(recipe: Recipe) -> list[out.RowPanOut]:
    """Return the pans of a row, drawn; one that cannot be drawn is left to the words."""
    drawn = []
    for one in recipe.pans or []:
        try:
            measures = _MEASURES.validate_python(one["measures"])
            pan = pan_from(measures, label=str(one["label"]))
        except (CoreError, ValueError, KeyError, TypeError):
            continue
        drawn.append(out.RowPanOut(label=str(one["label"]), count=int(one["count"]),
                                   wells=pan.wells, drawing=drawing_out(pan)))
    return drawn
