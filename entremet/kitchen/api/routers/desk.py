"""The desk: read, look at and swap on a card that is worked on; the table behind it."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest
from django.utils import timezone
from ninja import Path, Router, Status
from pydantic import Field

from entremet.core.ingredients.search import search
from entremet.core.ingredients.table import Ingredient
from entremet.core.reading.recipes import RecipeRead
from entremet.core.reference import Basis
from entremet.core.swaps.offers import preview
from entremet.kitchen import pantry
from entremet.kitchen.actions import importing
from entremet.kitchen.actions import ingredients as own
from entremet.kitchen.actions.desk import Desk
from entremet.kitchen.actions.desk import desk as look_at
from entremet.kitchen.api.answers import findings_out
from entremet.kitchen.api.schemas import desk as out
from entremet.kitchen.api.schemas.base import ProblemOut, provenance

router = Router(tags=["desk"])

REFUSED = {400: ProblemOut, 422: ProblemOut}
Key = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^[a-z0-9_]+$")]


@router.post("/desk", response={200: out.DeskOut, **REFUSED}, operation_id="look_at_card")
def look_at_card(request: HttpRequest, body: out.DeskIn) -> out.DeskOut:
    """Everything the desk shows of a card. Nothing is stored."""
    return _desk(look_at(body.card, variant=body.variant, aims=frozenset(body.aims)))


@router.post("/readings", response={200: out.ReadOut, **REFUSED}, operation_id="read_recipe")
def read_recipe(request: HttpRequest, body: out.TextIn) -> out.ReadOut:
    """Read pasted text, or a file when it has a name. Nothing is stored."""
    read = (importing.read_file(body.name, body.text) if body.name
            else importing.read_text(body.text))
    return _read(read)


@router.post("/readings/line", response={200: out.LineOut, **REFUSED}, operation_id="read_line")
def read_line(request: HttpRequest, body: out.LineIn) -> out.LineOut:
    """Read one line for a card."""
    return out.LineOut(line=importing.read_one_line(body.text, key=body.key,
                                                    component=body.component))


@router.post("/swaps", response={200: out.SwapOut, **REFUSED}, operation_id="look_at_swap")
def look_at_swap(request: HttpRequest, body: out.SwapIn) -> out.SwapOut:
    """What a swap would change, per 100 g of flour. Nothing is stored."""
    found = preview(body.card, body.swap, table=pantry.table())
    return out.SwapOut(
        name=found.kind.name, limits=found.kind.limits, source=found.kind.source,
        findings=findings_out(found.findings),
        changes=[out.ChangeOut(name=one.name, was_g=one.was_g, now_g=one.now_g,
                               was_per_100=one.was_per_100, now_per_100=one.now_per_100)
                 for one in found.changes])


@router.get("/ingredients", response={200: list[out.IngredientOut], 422: ProblemOut},
            operation_id="search_ingredients")
def search_ingredients(request: HttpRequest, search_for: Annotated[str, Field(max_length=80)] = "",
                       ) -> list[out.IngredientOut]:
    """Ingredients by name, alias or a near miss."""
    return [_ingredient(one) for one in search(search_for, pantry.table())]


@router.post("/ingredients", operation_id="add_ingredient",
             response={201: out.IngredientOut, 409: ProblemOut, **REFUSED})
def add_ingredient(request: HttpRequest, body: out.NewIngredientIn) -> Status[out.IngredientOut]:
    """Add an ingredient of the baker's own."""
    return Status(201, _ingredient(own.add_ingredient(body.name, body.role, at=timezone.now())))


@router.put("/ingredients/{key}/weight", operation_id="weigh_ingredient",
            response={200: out.IngredientOut, 404: ProblemOut, **REFUSED})
def weigh_ingredient(request: HttpRequest, key: Path[Key], body: out.WeightIn) -> out.IngredientOut:
    """Take the baker's own weight of a measure in place of the table's."""
    return _ingredient(own.weigh_ingredient(
        key, measure=body.measure, grams=body.grams, standard_key=body.standard,
        at=timezone.now()))


@router.delete("/ingredients/{key}/weight", operation_id="forget_weight",
               response={200: out.IngredientOut, 404: ProblemOut, 422: ProblemOut})
def forget_weight(request: HttpRequest, key: Path[Key]) -> out.IngredientOut:
    """Go back to the table's weight."""
    return _ingredient(own.forget_weight(key))


@router.post("/answers", operation_id="answer",
             response={204: None, 404: ProblemOut, **REFUSED})
def answer(request: HttpRequest, body: out.AnswerIn) -> Status[None]:
    """Remember what a name means, or which ounces."""
    if body.unit is not None:
        own.answer_ounces(body.phrase, body.unit, at=timezone.now())
    else:
        own.answer_name(body.phrase, body.ingredient or "", at=timezone.now())
    return Status(204, None)


def _read(read: RecipeRead) -> out.ReadOut:
    return out.ReadOut(card=read.card, found=list(read.found), unread=[
        line.text for line in read.card.lines if line.amount is None and not line.name])


def _ingredient(one: Ingredient) -> out.IngredientOut:
    density = one.g_per_100ml
    return out.IngredientOut(
        key=one.key, name=one.name, role=one.role, own=one.own,
        g_per_100ml=None if density is None else density.value,
        source="" if density is None else density.source,
        measured=density is not None and density.basis is Basis.MEASURED,
        allergens=list(one.allergens))


def _desk(desk: Desk) -> out.DeskOut:
    recipe = desk.recipe
    percents = {one.line: one.percent for one in desk.percentages}
    labels = {line.key: line.name for line in recipe.lines}
    return out.DeskOut(
        style=recipe.style.name, style_assumed=recipe.style_assumed, batter_g=desk.batter.value,
        lines=[out.DeskLineOut(
            key=line.key, label=labels.get(line.key, ""), shown=line.shown,
            g=None if line.grams is None else line.grams.value,
            origin=None if line.grams is None else provenance(line.grams),
            ingredient=None if line.ingredient is None else _ingredient(line.ingredient),
            percent=percents.get(line.key),
            marks=[out.MarkOut(kind=one.kind, start=one.start, end=one.end)
                   for one in line.marks]) for line in desk.lines],
        steps=[out.DeskStepOut(key=step.key, ties=[out.TieOut(
            start=tie.start, end=tie.end, words=step.text[tie.start:tie.end], line=tie.line,
            line_label=labels.get(tie.line or 0, ""), by_hand=tie.by_hand)
            for tie in step.ties]) for step in desk.steps],
        questions=[out.QuestionOut(line=one.line, ask=one.ask, text=one.text,
                                   near=[_ingredient(near) for near in one.near])
                   for one in desk.questions],
        holes=[out.HoleOut(code=one.code, text=one.text, assume=one.assume, field=one.field,
                           accepted=one.accepted) for one in desk.holes],
        ratios=[out.RatioOut(key=one.key, name=one.name, value=one.figure.value, low=one.low,
                             high=one.high, standing=one.standing, note=one.figure.note)
                for one in desk.ratios],
        findings=findings_out(desk.findings),
        offers=[out.OfferOut(line=one.line, kind=one.kind.key, name=one.kind.name,
                             usual=one.kind.usual, most=one.kind.most, limits=one.kind.limits,
                             source=one.kind.source) for one in desk.offers],
        variant_lines=[out.VariantLineOut(written=written, label=label, swapped_from=was)
                       for written, label, was in desk.variant_lines])
