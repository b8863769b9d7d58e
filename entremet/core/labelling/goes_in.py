"""What goes into one cake of a fit, ingredient by ingredient: each once, as it went in."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.card.lines import MIXED, Component, Line
from entremet.core.dressing.components import HOUSE_KEY, served
from entremet.core.dressing.uses import Use
from entremet.core.finished.amounts import tops_in, tops_lines
from entremet.core.finished.finish import Finish, FinishedCake
from entremet.core.finished.parts import FinishPart, groups_of
from entremet.core.finishing.practice import bake_loss
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ingredients.names import plain, without_cut
from entremet.core.ingredients.table import TABLE, Ingredient
from entremet.core.labelling.foods import FOODS, FRESH
from entremet.core.plan.plan import Plan
from entremet.core.shopping.wants import key_of

LAYERS = (Component.BASE_LAYER, Component.TOP_LAYER, Component.PAN)
WATER = "water"
SQUEEZED = re.compile(r"\b(?:fresh(?:ly)?|squeezed|juice (?:of|from)|juiced)\b", re.IGNORECASE)
LABEL_NAMES = {"egg": "egg", "fine_salt": "salt"}
"""What is called otherwise on a label than on a card."""


@dataclass(frozen=True, slots=True, kw_only=True)
class GoesIn:
    """An ingredient of one cake.

    Parameters
    ----------
    key, name : str
        Its key in the table where it has one, else its name in small letters; its usual name.
    g : float
        As it went in; 0 where nothing weighs it. Of water, what the oven left of it.
    weighed : bool
        Whether all of it is weighed.
    """

    key: str
    name: str
    g: float
    weighed: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class Inside:
    """All that goes into one cake: in falling order, with water that the oven took counted off.

    Parameters
    ----------
    rows : tuple of GoesIn
        Each ingredient once; what nothing weighs comes last.
    baked_away_g : float
        Water that was poured in and has left.
    findings : tuple of Finding
        What stands on the card and this finish has no place for; water that is not listed.
    """

    rows: tuple[GoesIn, ...]
    baked_away_g: float
    findings: tuple[Finding, ...]


def inside(plan: Plan, done: Finish, cake: FinishedCake) -> Inside:
    """Return what goes into one of a row of finished cakes; into all tiers of a tiered one.

    Batter goes by what stands in its pans, less what is cut off; components by what the cake
    takes of them; what lies on top by its share of the tops. A component that the finish has no
    place for is counted in as the fit scales it: to name too much hurts nobody.

    Parameters
    ----------
    plan, done : Plan, Finish
        A fit and its finish.
    cake : FinishedCake
        One of its rows.
    """
    found: dict[str, GoesIn] = {}
    sold = [(tier, 1 if tier is cake else _cakes(tier)) for tier in done.whole_of(cake)]
    for tier, times in sold:
        for one in (*_batter(plan, done, tier), *_layers(plan, done, tier),
                    *_parts(plan, done, tier)):
            had = found.get(one.key)
            found[one.key] = GoesIn(
                key=one.key, name=one.name if had is None else had.name,
                g=(0.0 if had is None else had.g) + one.g * times,
                weighed=one.weighed and (had is None or had.weighed))
    away = 0.0
    if WATER in found:
        lost = bake_loss(plan.recipe.style) * sum(
            _batter_g(plan, done, tier) * _kept(tier) * times for tier, times in sold)
        had = found[WATER]
        away = min(had.g, lost)
        found[WATER] = GoesIn(key=WATER, name=had.name, g=had.g - away, weighed=had.weighed)
        if found[WATER].g <= 0 and had.weighed:
            del found[WATER]
    findings = tuple(warn(
        "label_unplaced", f"{part.title} stands on the card and this finish takes none of it: it "
        "is on the label as the fit scales it.", subject=part.title,
        hint="Choose where it goes under Finish, or take it off the card.")
        for part in done.parts if not part.house and not part.uses)
    if away > 0 and WATER not in found:
        findings = (*findings, note(
            "label_water", f"The {away:.0f} g of water leave in the oven: not on the label.",
            numbers={"away_g": away}))
    return Inside(
        rows=tuple(sorted(found.values(), key=lambda one: (-one.g, one.name.lower(), one.key))),
        baked_away_g=away, findings=findings)


def ingredient_of(line: Line) -> tuple[str, str]:
    """Return the key of a line's ingredient and its name on a label.

    What is made of several things is told apart by the card's own name: a plum jam is not a
    strawberry jam, and each has a packet of its own.

    >>> ingredient_of(Line(key=1, name="Plum jam, warm", amount=None, written=""))
    ('jam:plum jam', 'plum jam')
    >>> ingredient_of(Line(key=1, name="Plantain flour, fine", amount=None, written=""))
    ('plantain flour', 'plantain flour')
    >>> ingredient_of(Line(key=1, name="Lemon juice", amount=None, written="juice of 1 lemon"))
    ('lemon_juice:fresh', 'lemon juice')
    """
    key, name = food_by_name(line.name, line.ingredient)
    food = FOODS.get(key)
    if food is not None and food.only_fresh and SQUEEZED.search(f"{line.name} {line.written}"):
        return f"{key}:{FRESH}", name
    return key, name


def food_of(key: str) -> str:
    """Return the table's key of an ingredient, without what the card calls it.

    >>> food_of("jam:plum jam"), food_of("butter")
    ('jam', 'butter')
    """
    return key.partition(":")[0]


def food_by_name(name: str, known: Ingredient | None = None) -> tuple[str, str]:
    """Return key and label name of what a card or a house formula calls so."""
    own = key_of(name.split(",")[0].split("(")[0])
    known = known or TABLE.called(own)
    if known is None:
        return own, own
    food, called = FOODS.get(known.key), LABEL_NAMES.get(known.key, known.name)
    said = without_cut(plain(own).split())
    more = set(said) > set(plain(known.name).split())
    if more and (food is None or not food.one_thing):
        return f"{known.key}:{own}", own
    return known.key, called


def _cakes(cake: FinishedCake) -> int:
    return max(1, cake.dressed.cake.count)


def _kept(cake: FinishedCake) -> float:
    """Return the share of the baked layers that is not cut off."""
    baked = _baked_g(cake)
    return cake.dressed.cake_g / baked if baked > 0 else 1.0


def _of_pans(done: Finish, cake: FinishedCake) -> float:
    """Return one cake's share of all that is baked in its pans, by mass.

    Pans of one label may stand in several rows, and several cakes come out of one row.
    """
    labels = {layer.pan for layer in cake.dressed.cake.layers}
    baked = sum(_baked_g(one) * _cakes(one) for one in done.cakes
                if labels & {layer.pan for layer in one.dressed.cake.layers})
    return _baked_g(cake) / baked if baked > 0 else 1.0 / _cakes(cake)


def _baked_g(cake: FinishedCake) -> float:
    return cake.dressed.cake.mass_g + cake.dressed.cake.trim_g


def _pans_of(plan: Plan, cake: FinishedCake) -> list[tuple[int, float, int]]:
    """Return entry, batter in each, and how many, of the pans a row of cakes is made from."""
    labels = {layer.pan for layer in cake.dressed.cake.layers}
    filled = [(place, one.standing.batter_g, one.place.count)
              for place, one in enumerate(plan.pans)
              if one.standing is not None and one.place is not None]
    own = [row for row in filled if plan.pans[row[0]].entry.label in labels]
    return own or filled


def _batter_g(plan: Plan, done: Finish, cake: FinishedCake) -> float:
    """Return the batter of one cake as it stands in its pans, grams."""
    return sum(each * count for _, each, count in _pans_of(plan, cake)) * _of_pans(done, cake)


def _batter(plan: Plan, done: Finish, cake: FinishedCake) -> Iterator[GoesIn]:
    mixed = [line for line in plan.lines if line.included and line.line.component in MIXED]
    whole = sum(line.g.value for line in mixed if line.g is not None)
    share = _batter_g(plan, done, cake) * _kept(cake) / whole if whole > 0 else 0.0
    for line in mixed:
        yield _of_line(line, share)
    entries = {place for place, _, _ in _pans_of(plan, cake)}
    for one in plan.shares:
        here = sum(count * grams for entry, count, grams in one.pans if entry in entries)
        if here <= 0 or one.total_g <= 0:
            continue
        for stirred in one.stirred:
            key, name = ingredient_of(stirred.line)
            grams = (stirred.g or 0.0) * here / one.total_g * _of_pans(done, cake) * _kept(cake)
            yield GoesIn(key=key, name=name, g=grams, weighed=stirred.g is not None)


def _layers(plan: Plan, done: Finish, cake: FinishedCake) -> Iterator[GoesIn]:
    """Yield what lies under and on the batter, and what the pan is prepared with."""
    pans = _pans_of(plan, cake)
    wholes = {component: sum(line.g.value for line in plan.lines if line.included
                             and line.line.component is component and line.g is not None)
              for component in LAYERS}
    filled = [one for one in plan.pans if one.standing is not None and one.place is not None]
    pan_share = sum(count for _, _, count in pans) / max(
        1, sum(one.place.count for one in filled if one.place is not None))
    for line in plan.lines:
        component = line.line.component
        if not line.included or component not in LAYERS:
            continue
        if component is Component.PAN:
            share = pan_share
        else:
            under = component is Component.BASE_LAYER
            each = [(plan.pans[place].standing, count) for place, _, count in pans]
            grams = sum((one.layer_g if under else one.top_g) * count
                        for one, count in each if one is not None)
            share = grams / wholes[component] if wholes[component] > 0 else pan_share
        yield _of_line(line, share * _of_pans(done, cake))


def _parts(plan: Plan, done: Finish, cake: FinishedCake) -> Iterator[GoesIn]:
    groups = {group.key: group for group in groups_of(plan.lines)}
    uses = served([(key, group.component) for key, group in groups.items()], cake.dressed.uses)
    for part in done.parts:
        if part.house:
            share = _stays(part, uses.get(HOUSE_KEY + part.key.removeprefix("house-"), ()), cake)
            for made in part.made_from if share > 0 else ():
                key, name = food_by_name(made.name)
                yield GoesIn(key=key, name=name, g=made.g * share)
        elif part.key in groups:
            share = (_stays(part, uses.get(part.key, ()), cake) if part.uses
                     else _top_share(done, cake))
            for line in groups[part.key].lines if share > 0 else ():
                yield _of_line(line, share * (1.0 if part.factor is None else part.factor))
    yield from _tops(plan, done, cake)


def _tops(plan: Plan, done: Finish, cake: FinishedCake) -> Iterator[GoesIn]:
    """Yield what lies on top: by its share of the tops, as each heading was grown."""
    for part, own in zip(tops_in(done), tops_lines(plan), strict=True):
        for one, line in zip(part.made_from, own, strict=True):
            key, name = ingredient_of(line.line)
            yield GoesIn(key=key, name=name, g=one.g * _top_share(done, cake),
                         weighed=line.recipe_g is not None)


def _stays(part: FinishPart, uses: Sequence[Use], cake: FinishedCake) -> float:
    """Return what share of all that is made of a part stays on one cake of a row."""
    made = part.make_g * part.kept_share
    return sum(use.grams_of(part.kind) for use in uses) / made / _cakes(cake) if made > 0 else 0.0


def _top_share(done: Finish, cake: FinishedCake) -> float:
    """Return one cake's share of what is for all cakes, by their tops."""
    whole = sum(one.dressed.body.top_cm2 * one.dressed.cake.count for one in done.cakes)
    return cake.dressed.body.top_cm2 / whole if whole > 0 else 1.0


def _of_line(line: ScaledLine, share: float) -> GoesIn:
    key, name = ingredient_of(line.line)
    return GoesIn(key=key, name=name, weighed=line.g is not None,
                  g=0.0 if line.g is None else line.g.value * share)
