"""The desk: read, look at and swap on a card that is worked on; the table behind it."""

from __future__ import annotations

from bisect import bisect_left
from dataclasses import replace
from typing import Annotated

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Path, Router, Status
from pydantic import Field

from entremet.core.batter.styles import STYLES
from entremet.core.card.card import Card, CardPan
from entremet.core.ground.errors import ImpossiblePan, UnreadableAmount
from entremet.core.ground.provenance import Origin
from entremet.core.ground.quantities import ml
from entremet.core.ground.reference import Basis
from entremet.core.ingredients.eggs import GRADES
from entremet.core.ingredients.search import search
from entremet.core.ingredients.table import Ingredient
from entremet.core.labelling.allergens import ALLERGENS
from entremet.core.labelling.foods import held_by
from entremet.core.measures.habits import Units
from entremet.core.measures.units import STANDARDS
from entremet.core.method.notes import kinds_of
from entremet.core.pans.measures import by_measures_ml, pan_from
from entremet.core.pans.pan import Pan
from entremet.core.reading.facts import SHOWN_ACCOUNTS, card_pan
from entremet.core.reading.pans import PAN_WORD, pans_in
from entremet.core.reading.recipes import RecipeRead, Told
from entremet.core.reading.terse_pans import terse_pan
from entremet.core.swaps.offers import preview
from entremet.kitchen import pantry, scanning
from entremet.kitchen.actions import importing
from entremet.kitchen.actions import ingredients as own
from entremet.kitchen.actions.at_hand import units_here
from entremet.kitchen.actions.desk import Desk, own_cakes
from entremet.kitchen.actions.desk import desk as look_at
from entremet.kitchen.api.finish_answers import finish_answer, no_pan
from entremet.kitchen.api.rendering import sent
from entremet.kitchen.api.schemas import desk as out
from entremet.kitchen.api.schemas.base import ProblemOut, provenance
from entremet.kitchen.api.schemas.finish_out import FinishOut
from entremet.kitchen.api.schemas.pans import drawing_out
from entremet.kitchen.api.writing import writes

router = Router(tags=["desk"])

REFUSED = {400: ProblemOut, 422: ProblemOut}
Key = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^[a-z0-9_]+$")]


@router.post("/desk", response={200: out.DeskOut, **REFUSED}, operation_id="look_at_card")
def look_at_card(request: HttpRequest, body: out.DeskIn) -> HttpResponse:
    """Everything the desk shows of a card. Nothing is stored."""
    return sent("desk", request, lambda: _desk(look_at(
        body.card, variant=body.variant, aims=frozenset(body.aims))))


@router.post("/desk/finish", response={200: FinishOut, **REFUSED},
             operation_id="finish_card")
def finish_card(request: HttpRequest, body: out.FinishedCardIn) -> HttpResponse:
    """The card in its own pans, finished as it says. Nothing is stored."""
    return sent("desk/finish", request, lambda: _finished(body.card))


def _finished(card: Card) -> FinishOut:
    plan, done = own_cakes(card)
    return finish_answer(plan.recipe, done, no_pan, version=0)


@router.get("/choices", response=out.ChoicesOut, operation_id="list_choices")
def list_choices(request: HttpRequest) -> out.ChoicesOut:
    """What a card can be settled with: styles, cups and spoons, eggs."""
    return out.ChoicesOut(
        styles=[out.NamedOut(key=key, name=row.name) for key, row in STYLES.items()],
        standards=[out.NamedOut(key=key, name=f"{row.name}, cup {ml(row.cup_ml)}, "
                                              f"tbsp {row.tbsp_ml:.0f}")
                   for key, row in STANDARDS.items()],
        egg_grades=[out.NamedOut(key=key, name=f"{row.region} {row.grade}, "
                                               f"{row.whole.value:g} g")
                    for key, row in GRADES.items()])


@router.post("/readings", response={200: out.ReadOut, **REFUSED}, operation_id="read_recipe")
def read_recipe(request: HttpRequest, body: out.TextIn) -> out.ReadOut:
    """Read pasted text, or a file when it has a name. Nothing is stored."""
    read = (importing.read_file(body.name, body.text) if body.name
            else importing.read_text(body.text, _told(body)))
    return _read(read, body.text)


@router.get("/readings/readers", response=out.ReadersOut, operation_id="list_readers")
def list_readers(request: HttpRequest) -> out.ReadersOut:
    """What else than text can be read on this machine."""
    return out.ReadersOut(picture=scanning.can_read_pictures())


@router.post("/readings/picture", response={200: out.PictureTextOut, **REFUSED},
             operation_id="read_picture")
def read_picture(request: HttpRequest, body: out.PictureIn) -> out.PictureTextOut:
    """Read the text of a photo or a scan. Nothing is stored."""
    return out.PictureTextOut(text=scanning.text_of_picture(body.picture))


@router.post("/readings/line", response={200: out.LineOut, **REFUSED}, operation_id="read_line")
def read_line(request: HttpRequest, body: out.LineIn) -> out.LineOut:
    """Read one line for a card."""
    return out.LineOut(line=importing.read_one_line(body.text, key=body.key,
                                                    component=body.component, was=body.was))


@router.post("/readings/split", response={200: out.PartsOut, **REFUSED}, operation_id="read_split")
def read_split(request: HttpRequest, body: out.PartsIn) -> out.PartsOut:
    """Read what a line is split into."""
    return out.PartsOut(parts=list(importing.read_parts(body.card, body.line, body.phrases)))


@router.post("/readings/pan", response={200: out.CardPanOut, **REFUSED}, operation_id="read_pan")
def read_pan(request: HttpRequest, body: out.PanTextIn) -> out.CardPanOut:
    """Read a pan from words."""
    if body.bench:
        return _card_pan(terse_pan(body.text, inches=units_here() is Units.US))
    found = pans_in(body.text if PAN_WORD.search(body.text) else f"{body.text} tin")
    if not found:
        raise UnreadableAmount("No pan can be read there. Write for instance two 18 cm round "
                               "tins, or 33 x 23 cm tin.", field="text")
    pan = card_pan(found[0])
    try:
        return _card_pan(pan)
    except ImpossiblePan:
        # A measure is still missing; the card takes the pan and the desk lists the hole.
        return out.CardPanOut(pan=pan, capacity_ml=None, wall_cm=None, wall_assumed=False,
                              by_measures_ml=None, drawing=None)


@router.post("/readings/pan/measures", response={200: out.CardPanOut, **REFUSED},
             operation_id="check_card_pan")
def check_card_pan(request: HttpRequest, body: out.CardPanIn) -> out.CardPanOut:
    """Check the measures of a card's pan as typed."""
    return _card_pan(CardPan(label=body.pan.label.strip() or "pan", measures=body.pan.measures(),
                             count=body.count))


@router.post("/swaps", response={200: out.SwapOut, **REFUSED}, operation_id="look_at_swap")
def look_at_swap(request: HttpRequest, body: out.SwapIn) -> out.SwapOut:
    """What a swap would change, per 100 g of flour. Nothing is stored."""
    found = preview(body.card, body.swap, table=pantry.table())
    return out.SwapOut(
        name=found.kind.name, limits=found.kind.limits, source=found.kind.source,
        findings=list(found.findings),
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
@writes
def add_ingredient(request: HttpRequest, body: out.NewIngredientIn) -> Status[out.IngredientOut]:
    """Add an ingredient of the baker's own."""
    return Status(201, _ingredient(own.add_ingredient(body.name, body.role, at=timezone.now())))


@router.put("/ingredients/{key}/weight", operation_id="weigh_ingredient",
            response={200: out.IngredientOut, 404: ProblemOut, **REFUSED})
@writes
def weigh_ingredient(request: HttpRequest, key: Path[Key], body: out.WeightIn) -> out.IngredientOut:
    """Take the baker's own weight of a measure in place of the table's."""
    return _ingredient(own.weigh_ingredient(
        key, measure=body.measure, grams=body.grams, standard_key=body.standard,
        at=timezone.now()))


@router.delete("/ingredients/{key}/weight", operation_id="forget_weight",
               response={200: out.IngredientOut, 404: ProblemOut, 422: ProblemOut})
@writes
def forget_weight(request: HttpRequest, key: Path[Key]) -> out.IngredientOut:
    """Go back to the table's weight."""
    return _ingredient(own.forget_weight(key))


@router.post("/answers", operation_id="answer",
             response={204: None, 404: ProblemOut, **REFUSED})
@writes
def answer(request: HttpRequest, body: out.AnswerIn) -> Status[None]:
    """Remember what a name means, or which ounces."""
    if body.unit is not None:
        own.answer_ounces(body.phrase, body.unit, at=timezone.now())
    else:
        own.answer_name(body.phrase, body.ingredient or "", at=timezone.now())
    return Status(204, None)


def _card_pan(pan: CardPan) -> out.CardPanOut:
    built = pan_from(pan.measures, label=pan.label)
    wall = built.wall_cm if isinstance(built, Pan) else None
    return out.CardPanOut(
        pan=pan, capacity_ml=built.capacity_ml, drawing=drawing_out(built),
        wall_cm=None if wall is None else wall.value,
        wall_assumed=wall is not None and wall.origin is Origin.ASSUMED,
        by_measures_ml=None if pan.measures.capacity_ml is None else by_measures_ml(pan.measures))


def _read(read: RecipeRead, text: str) -> out.ReadOut:
    place = _Places(text)
    return out.ReadOut(
        card=read.card, found=list(read.found), offers=list(read.offers),
        unread=[line.text for line in read.card.lines if line.amount is None and not line.name],
        marks=[replace(one, start=place.out(one.start), end=place.out(one.end))
               for one in read.marks],
        apart=[replace(one, start=place.out(one.start), end=place.out(one.end))
               for one in read.apart],
        ledger=[replace(one, start=place.out(one.start), end=place.out(one.end))
                for one in read.ledger if one.account in SHOWN_ACCOUNTS])


def _told(body: out.TextIn) -> list[Told]:
    place = _Places(body.text)
    return [Told(start=place.back(one.start), end=place.back(one.end), kind=one.kind)
            for one in body.told]


class _Places:
    """Places in a text as browsers count them, in UTF-16, and as Python counts them."""

    def __init__(self, text: str) -> None:
        self._wide = [at for at, sign in enumerate(text) if sign > "\uffff"]

    def out(self, place: int) -> int:
        """Return a place as browsers count it."""
        return place + bisect_left(self._wide, place)

    def back(self, place: int) -> int:
        """Return a browser's place as Python counts it."""
        count = 0
        while count < len(self._wide) and self._wide[count] + count + 1 < place:
            count += 1
        return place - count


def _ingredient(one: Ingredient) -> out.IngredientOut:
    density = one.g_per_100ml
    return out.IngredientOut(
        key=one.key, name=one.name, role=one.role, own=one.own,
        g_per_100ml=None if density is None else density.value,
        source="" if density is None else density.source,
        measured=density is not None and density.basis is Basis.MEASURED,
        allergens=[ALLERGENS[key].name for key in held_by(one.key)])


def _place(text: str, place: int) -> int:
    """Return a place in a text as browsers count it, in UTF-16."""
    return len(text[:place].encode("utf-16-le")) // 2


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
            marks=[out.MarkOut(kind=one.kind, start=_place(line.text, one.start),
                               end=_place(line.text, one.end)) for one in line.marks])
            for line in desk.lines],
        steps=[out.DeskStepOut(key=step.key, ties=[out.TieOut(
            start=_place(step.text, tie.start), end=_place(step.text, tie.end),
            words=step.text[tie.start:tie.end], line=tie.line,
            line_label=labels.get(tie.line or 0, ""), by_hand=tie.by_hand)
            for tie in step.ties], kinds=list(kinds_of(step))) for step in desk.steps],
        questions=[out.QuestionOut(line=one.line, ask=one.ask, text=one.text,
                                   near=[_ingredient(near) for near in one.near],
                                   parts=list(one.parts))
                   for one in desk.questions],
        holes=list(desk.holes),
        ratios=[out.RatioOut(key=one.key, name=one.name, value=one.figure.value, low=one.low,
                             high=one.high, beside=one.beside, standing=one.standing,
                             note=one.figure.note)
                for one in desk.ratios],
        findings=list(desk.findings),
        offers=[out.OfferOut(line=one.line, kind=one.kind.key, name=one.kind.name,
                             usual=one.kind.usual, most=one.kind.most, limits=one.kind.limits,
                             source=one.kind.source) for one in desk.offers],
        variant_lines=[out.VariantLineOut(written=written, label=label, swapped_from=was)
                       for written, label, was in desk.variant_lines])
