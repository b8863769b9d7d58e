"""How long a finished cake keeps: what is on and in it, and the shortest part decides."""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from entremet.core.card.lines import MIXED, Component, Line
from entremet.core.finished.finish import Finish, FinishedCake
from entremet.core.finished.parts import FinishPart, groups_of
from entremet.core.finishing.cooling import warming_min
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.provenance import Figure, assumed, worked_out
from entremet.core.ground.quantities import celsius
from entremet.core.ground.reference import read_table
from entremet.core.ground.wording import listed
from entremet.core.ingredients.names import plain
from entremet.core.ingredients.table import TABLE, Ingredient, Role
from entremet.core.plan.plan import Plan

LAYERS = (Component.BASE_LAYER, Component.TOP_LAYER)
WET = 0.6
"""Share of water from which fruit is fresh; dried fruit holds 0.15 to 0.4, jam about 0.3."""

DRY = frozenset({Role.NUT, Role.SUGAR, Role.COCOA, Role.CHOCOLATE, Role.FLOUR, Role.STARCH,
                 Role.FLAVOUR, Role.FAT, Role.SALT, Role.LEAVENER})
COOKED = frozenset({"curd", "custard", "caramel", "jam", "syrup", "ganache", "drip", "glaze"})
PRESERVED = frozenset({"angelica", "banana_chips", "candied_peel", "cherry_compote",
                       "cranberry_sauce", "dried_apple", "dried_blueberries", "dried_pears",
                       "freeze_dried_raspberries", "glace_cherries", "lemon_curd", "mincemeat",
                       "mixed_fruit", "plum_butter", "stem_ginger"})
"""Fruit whose water nobody measured and that sugar or drying keeps; all other is fresh."""

NOT_FRESH = frozenset({"candied", "dried", "crystallised", "crystallized", "glace", "freeze", "jam",
                       "crisp", "chip", "powder", "jelly", "curd", "compote"})
SOFT_CHEESE = frozenset({"cream_cheese", "mascarpone", "ricotta", "quark", "cottage_cheese",
                         "goat_cheese"})
MILKY = frozenset({Role.DAIRY, Role.ACID_DAIRY})
CHEESE_SHARE, MILKY_SHARE, LITTLE_FLOUR, SOAKED_SHARE = 0.15, 0.35, 0.12, 0.1
"""From this share of cheese a batter keeps as cheese; from this of milk, with so little flour,
as custard; from this of milk a syrup keeps as milk. Practice, 0.1 to 0.2, 0.3 to 0.4 and 0.1 to
0.15."""

STRANGE_SHARE = 0.05
"""From this share of a batter on something nobody knows decides how it keeps; practice."""

CHEESE = re.compile(r"\b(?:cheese|ricotta|quark|mascarpone|fromage|skyr|paneer|labneh)\b",
                    re.IGNORECASE)

NOT_BAKED = frozenset({"buttercream", "cream", "cream_cheese", "mousse", "glaze", "fondant",
                       "ganache", "whipped_ganache", "marzipan", "syrup", "drip", "other"})
"""Kinds that nothing heats through: an egg in one of them is raw. A curd, a custard, a caramel and
a meringue buttercream are cooked on the way."""

DAIRY_SHARE = 0.25
"""From this share of milk, cream, yogurt or fresh cheese on a part keeps as dairy, whatever it is
taken for; under it the sugar of a glaze keeps it. Practice, 0.2 to 0.35."""

KEPT_AS_MILK = frozenset({
    "cream", "cream_cheese", "custard", "mousse", "curd", "caramel", "ganache", "whipped_ganache",
    "drip", "syrup", "meringue_buttercream", "other"})
"""Kinds whose own row counts their milk in, or that are cooked with it."""

HEATED = re.compile(r"\b(?:pasteuri[sz]ed|powder|dried)\b", re.IGNORECASE)
SOON = frozenset({"cream", "custard", "mousse", "curd", "fresh_fruit", "dairy", "cream_cheese",
                  "whipped_ganache", "raw_egg", "cheese_batter", "custard_batter", "milk_soak",
                  "unknown"})
"""Eaten soon once out of the fridge."""

MELTS = frozenset({"buttercream", "meringue_buttercream", "ganache", "drip"})
SOON_MIN = (20, 30)

TWO_HOURS = (f"Never warm for more than two hours in all, one above {celsius(32)}; practice: your "
             "local food rules come first.")


@dataclass(frozen=True, slots=True, kw_only=True)
class KeepsSo:
    """How long something keeps: low and high; None where it must not be kept so.

    Parameters
    ----------
    key, name : str
        Its row in the table, and what it is called.
    cool, chilled : (float, float) or None
        Days under 20 °C and covered, and at 5 °C at most.
    frozen : (float, float) or None
        Months.
    cold : bool
        Whether it has to stand chilled.
    wrap, thaw : str
        How it is wrapped, and thawed.
    """

    key: str
    name: str
    cool: tuple[float, float] | None
    chilled: tuple[float, float] | None
    frozen: tuple[float, float] | None
    cold: bool
    wrap: str
    thaw: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Keeping:
    """How a finished cake is kept.

    Parameters
    ----------
    parts : tuple of KeepsSo
        What is on and in it.
    cold : bool
        Whether it has to stand chilled.
    days : Figure
        The shortest, at the low end; the high end is in ``at_most``.
    at_most : float
        Days at the high end.
    decides : KeepsSo
        The part that decides.
    frozen : (float, float) or None
        Months it may be frozen; None where a part cannot be.
    not_frozen : str
        The part that cannot be, in words.
    words, wrap, thaw : str
        Where and how it is kept, for the baker and for the label.
    take_out : str
        When it is taken out before it is eaten; empty where it stands cool.
    cautions : tuple of str
        What to mind.
    """

    parts: tuple[KeepsSo, ...]
    cold: bool
    days: Figure
    at_most: float
    decides: KeepsSo
    frozen: tuple[float, float] | None
    not_frozen: str
    words: str
    wrap: str
    thaw: str
    take_out: str
    cautions: tuple[str, ...]

    @property
    def soon(self) -> bool:
        """Whether it spoils soon, so that the law wants “use by” and not “best before”."""
        return self.cold


def _pair(row: object) -> tuple[float, float] | None:
    return (float(row[0]), float(row[1])) if isinstance(row, list) else None


KEEPS: dict[str, KeepsSo] = {
    key: KeepsSo(key=key, name=row["name"], cool=_pair(row.get("cool")),
                 chilled=_pair(row.get("chilled")), frozen=_pair(row.get("frozen")),
                 cold=row.get("cold", False), wrap=row["wrap"], thaw=row.get("thaw", ""))
    for key, row in read_table("entremet.core.keeping", "keeping.toml").items()}


def keeping_of(plan: Plan, done: Finish, cake: FinishedCake) -> Keeping:
    """Return how one of a row of finished cakes is kept.

    Parameters
    ----------
    plan, done : Plan, Finish
        A fit and its finish.
    cake : FinishedCake
        One of its rows.
    """
    parts = dict.fromkeys(one for _, one in parts_made(plan, done))
    return kept(tuple(parts), warm_min=_warm_min(cake))


def strictest(found: Sequence[Keeping]) -> Keeping:
    """Return how things that are kept together are kept: chilled if one has to be, the shortest."""
    return min(found, key=lambda one: (not one.cold, one.days.value))


def days_of(part: KeepsSo, *, cold: bool) -> float | None:
    """Return the days a part keeps, at the low end; None where it is not kept so."""
    span = span_of(part, cold=cold)
    return None if span is None else span[0]


def span_of(part: KeepsSo, *, cold: bool) -> tuple[float, float] | None:
    """Return the days a part keeps, low and high; None where it is not kept so."""
    return part.chilled if cold else part.cool


def kept(parts: Sequence[KeepsSo], *, warm_min: float | None = None) -> Keeping:
    """Return how a cake of some parts is kept; the shortest decides.

    Parameters
    ----------
    parts : sequence of KeepsSo
        At least one.
    warm_min : float or None
        Minutes out of the fridge until it is soft, where that is known.

    >>> kept([KEEPS["bare"], KEEPS["cream"]]).decides.name
    'whipped cream'
    """
    cold = any(one.cold for one in parts)
    held = [(days, one) for one in parts
            if (days := one.chilled if cold else one.cool) is not None]
    (low, high), decides = min(held, key=lambda one: one[0])
    high = min(high, *(days[1] for days, _ in held)) if len(held) > 1 else high
    frozen = [one.frozen for one in parts if one.frozen is not None]
    solid = next((one for one in parts if one.frozen is None), None)
    slow = min(parts, key=lambda one: one.frozen or (math.inf, math.inf))
    where = (f"chilled, at most {celsius(5)}" if cold
             else f"cool and covered, under {celsius(20)}")
    cautions = [TWO_HOURS] if cold else []
    if cold and any(one.chilled is None for one in parts):
        covered = next(one for one in parts if one.chilled is None)
        cautions.append(f"{covered.name[:1].upper() + covered.name[1:]} sweats in the fridge, and "
                        f"the {decides.name} cannot do without it: take another cover, or box it "
                        "tight and let it warm in its box.")
    keys = {one.key for one in parts}
    said = f"{decides.name} keeps {span_words(low, high)} {where}; practice"
    return Keeping(
        parts=tuple(parts), cold=cold, at_most=high, decides=decides,
        days=worked_out(low, f"{decides.name}, the shortest part",
                        assumed(low, said)),
        frozen=None if solid is not None else (
            min(one[0] for one in frozen), min(one[1] for one in frozen)),
        not_frozen="" if solid is None else solid.name, words=f"Keep {where}.",
        wrap=decides.wrap, thaw="" if solid is not None else slow.thaw,
        take_out=_take_out(keys, cold, warm_min), cautions=tuple(cautions))


def until(made_on: date, days: float) -> date:
    """Return the last day something keeps; less than a day ends with the day it was made.

    >>> until(date(2026, 11, 28), 2), until(date(2026, 11, 28), 0.33)
    (datetime.date(2026, 11, 30), datetime.date(2026, 11, 28))
    """
    return made_on + timedelta(days=math.floor(days + 1e-9))


def days_words(days: float) -> str:
    """Return days in words.

    >>> days_words(0.33), days_words(1), days_words(2)
    ('8 h', '1 day', '2 days')
    """
    if days < 1:
        return f"{days * 24:.0f} h"
    return f"{days:g} day" if days == 1 else f"{days:g} days"


def span_words(low: float, high: float) -> str:
    """Return a span of days in words.

    >>> span_words(2, 4), span_words(0.33, 1), span_words(2, 2)
    ('2 to 4 days', '8 h to 1 day', '2 days')
    """
    if low == high:
        return days_words(low)
    return f"{low:g} to {days_words(high)}" if low >= 1 else (
        f"{days_words(low)} to {days_words(high)}")


def parts_made(plan: Plan, done: Finish) -> Iterator[tuple[str, KeepsSo]]:
    """Yield what keeps a cake short, each with the component it is; none for what is baked."""
    yield "", KEEPS["foam" if plan.recipe.style.key == "foam" else "bare"]
    for one in _of_batter([line for line in plan.lines if line.included
                           and line.line.component in MIXED]):
        yield "", one
    for component in LAYERS:
        for one in _of_layer([line for line in plan.lines if line.included
                              and line.line.component is component]):
            yield "", one
    groups = {group.key: list(group.lines) for group in groups_of(plan.lines)}
    for part in done.parts:
        if not part.house and part.key not in groups:
            lines = [line for line in plan.lines if line.included
                     and line.line.name in {made.name for made in part.made_from}]
        else:
            lines = groups.get(part.key, [])
        for one in _of_part(part, lines):
            yield part.key, one


def _shares(lines: Sequence[ScaledLine]) -> list[tuple[Ingredient, float]]:
    """Return what is weighed of some lines and the table knows, each as a share of their weight."""
    whole = sum(line.recipe_g.value for line in lines if line.recipe_g is not None)
    return [(line.line.ingredient, line.recipe_g.value / whole) for line in lines
            if line.line.ingredient is not None and line.recipe_g is not None and whole > 0]


def _of_batter(lines: Sequence[ScaledLine]) -> Iterator[KeepsSo]:
    """Yield what keeps a baked batter short: much cheese, a custard that is only just set.

    What nobody knows and there is much of keeps it short too.
    """
    shares = _shares(lines)
    whole = sum(line.recipe_g.value for line in lines if line.recipe_g is not None)
    strange = [line.line.name for line in lines if line.line.ingredient is None
               and TABLE.called(line.line.name) is None and not line.line.is_eggs
               and line.recipe_g is not None and line.recipe_g.value >= STRANGE_SHARE * whole]
    if any(CHEESE.search(name) for name in strange):
        yield KEEPS["cheese_batter"]
        return
    if strange:
        yield replace(KEEPS["unknown"], name=listed([name.lower() for name in strange]))
    if sum(share for food, share in shares if _is_cheese(food)) >= CHEESE_SHARE:
        yield KEEPS["cheese_batter"]
        return
    milky = sum(share for food, share in shares if _is_milky(food))
    floury = sum(share for food, share in shares if food.role in (Role.FLOUR, Role.STARCH,
                                                                  Role.NUT, Role.COCOA))
    if milky >= MILKY_SHARE and floury < LITTLE_FLOUR:
        yield KEEPS["custard_batter"]


def _of_layer(lines: Sequence[ScaledLine]) -> Iterator[KeepsSo]:
    """Yield how long something keeps that is baked under the batter or on it."""
    shares = _shares(lines)
    if sum(share for food, share in shares if _is_cheese(food)) >= CHEESE_SHARE:
        yield KEEPS["cheese_batter"]
    elif sum(share for food, share in shares if _is_milky(food)) >= MILKY_SHARE:
        yield KEEPS["custard_batter"]
    if any(_wet(food) for food, _ in shares) or any(
            is_fresh_fruit(line.line.name) for line in lines if line.line.ingredient is None):
        yield KEEPS["baked_fruit"]


def _is_milky(food: Ingredient) -> bool:
    """Say whether something spoils as milk does; drinks of oats and almonds too."""
    return food.role in MILKY or food.key.endswith("milk")


def _is_cheese(food: Ingredient) -> bool:
    return food.key in SOFT_CHEESE


def _is_raw(line: Line, food: Ingredient | None) -> bool:
    known = "" if food is None else food.name
    egg = line.is_eggs or (food is not None and food.role is Role.EGG)
    return egg and not HEATED.search(f"{line.name} {line.written} {known}")


def _of_part(part: FinishPart, scaled: Sequence[ScaledLine]) -> Iterator[KeepsSo]:
    lines = [one.line for one in scaled]
    foods = [line.ingredient for line in lines]
    if part.house:
        foods = [TABLE.named(one.name.split(",")[0].lower()) for one in part.made_from]
    unknown = [line.name for line, food in zip(lines, foods, strict=False) if food is None]
    if part.kind not in COOKED and (any(food is not None and _wet(food) for food in foods)
                                    or any(map(is_fresh_fruit, unknown))):
        yield KEEPS["fresh_fruit"]
    if part.kind in NOT_BAKED and any(map(_is_raw, lines, foods)):
        yield KEEPS["raw_egg"]
    if part.kind not in KEPT_AS_MILK and _milky(scaled) >= DAIRY_SHARE:
        yield KEEPS["dairy"]
    if part.kind == "syrup" and _milky(scaled) >= SOAKED_SHARE:
        yield KEEPS["milk_soak"]
        return
    if part.kind != "other":
        yield KEEPS.get(part.kind, KEEPS["unknown"])
        return
    if any(food is not None and _is_milky(food) for food in foods):
        yield KEEPS["dairy"]
    if any(food is not None and food.key == "lemon_curd" for food in foods):
        yield KEEPS["curd"]
    left = [food.name for food in foods if food is not None and food.role not in DRY
            and food.role is not Role.FRUIT]
    if left:
        yield replace(KEEPS["other"], name=listed([name.lower() for name in left]))
    strange = [name.lower() for name in unknown if not is_fresh_fruit(name)]
    if strange:
        yield replace(KEEPS["unknown"], name=listed(strange))


def _milky(lines: Sequence[ScaledLine]) -> float:
    """Return the share of milk in what is stirred together; all, where nobody weighs the milk."""
    milk = [one for one in lines if one.line.ingredient is not None
            and _is_milky(one.line.ingredient)]
    if any(one.recipe_g is None for one in milk):
        return 1.0
    return sum(share for food, share in _shares(lines) if _is_milky(food))


def is_fresh_fruit(name: str) -> bool:
    """Say whether a thing the table does not know sounds like fresh fruit.

    >>> is_fresh_fruit("Thin plum slices"), is_fresh_fruit("Candied rhubarb strips")
    (True, False)
    """
    words = plain(name).split()
    if any(word in NOT_FRESH for word in words):
        return False
    return any((row := TABLE.named(word)) is not None and _wet(row) for word in words)


def _wet(food: Ingredient) -> bool:
    if food.role is not Role.FRUIT:
        return False
    return food.key not in PRESERVED if food.water is None else food.water >= WET


def _warm_min(cake: FinishedCake) -> float | None:
    body = cake.dressed.body
    surface = 2 * area_cm2(body.outline) + edge_cm(body.outline) * cake.height_cm
    return warming_min(mass_g=cake.mass_g, surface_cm2=surface,
                       half_cm=min(cake.height_cm, cake.width_cm) / 2)


def _take_out(keys: set[str], cold: bool, warm_min: float | None) -> str:
    if keys & SOON:
        return (f"Take it out {SOON_MIN[0]} to {SOON_MIN[1]} min before it is eaten, and eat all "
                "of it then.")
    if keys & MELTS and warm_min is not None:
        away = max(30, round(warm_min / 15) * 15)
        return (f"If it comes from the fridge, take it out about {_time(away)} before it is eaten "
                f"(worked out: {celsius(18)} in the middle in a kitchen of {celsius(21)}).")
    return "Take it out 30 min before it is eaten." if cold else ""


def _time(minutes: int) -> str:
    hours, rest = divmod(minutes, 60)
    return " ".join([f"{hours} h"] * bool(hours) + [f"{rest} min"] * bool(rest))
