"""One batter, several cakes: what goes into the shared bowl, and what into each share of it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, ClassVar

from pydantic import ConfigDict, Field

from entremet.core.card.lines import Line, weigh
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.rules import Entry
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.shape import CLOSED, Number, Whole
from entremet.core.ground.wording import listed, percent
from entremet.core.ingredients.table import precision_of
from entremet.core.measures.amounts import Shown, show_scaled

MOST_SHARES = 12
NOTICED = 0.05
"""Share by which what is stirred in may swell a batter without a word; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Taken:
    """Pans a share fills: a row of the fit, how many of it, and what part of their batter."""

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    entry: Annotated[Whole, Field(ge=0, lt=40)]
    count: Annotated[Whole, Field(ge=1, le=500)] = 1
    part: Number = 1.0

    def __post_init__(self) -> None:
        if not 0 < self.part <= 1:
            raise ImpossibleChoice("A share takes a part of a pan's batter, above 0 and at most "
                                   "all of it.", field="shares")


@dataclass(frozen=True, slots=True, kw_only=True)
class ShareChoice:
    """A share as the baker wants it.

    Parameters
    ----------
    name : str
        What it becomes: "cocoa", "pink".
    pans : tuple of Taken
        Where it goes.
    lines : tuple of Line
        What is stirred in, amounts for the whole recipe's batter.
    """

    name: str
    pans: tuple[Taken, ...]
    lines: tuple[Line, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Stirred:
    """A line stirred into one share; grams are None where nothing tells its weight."""

    line: Line
    g: float | None
    shown: Shown


@dataclass(frozen=True, slots=True, kw_only=True)
class Share:
    """A share of the batter.

    Parameters
    ----------
    name : str
        What it becomes.
    part : float
        Of the batter that reaches the pans.
    batter_g : float
        Plain batter weighed off for it.
    stirred : tuple of Stirred
        What goes into it.
    total_g : float
        Batter and what is stirred in.
    pans : tuple of (int, int, float)
        Entry, how many, and grams for each of them.
    steps : tuple of str
        What to do, in order.
    """

    name: str
    part: float
    batter_g: float
    stirred: tuple[Stirred, ...]
    total_g: float
    pans: tuple[tuple[int, int, float], ...]
    steps: tuple[str, ...]


def shares_of(choices: Sequence[ShareChoice], entries: Sequence[Entry],
              each_g: Sequence[float | None], recipe: Recipe, *, factor: float,
              scale_step_g: float) -> tuple[tuple[Share, ...], list[Finding]]:
    """Work out every share.

    Parameters
    ----------
    choices : sequence of ShareChoice
        At most 12.
    entries : sequence of Entry
        The pans of the fit.
    each_g : sequence of float or None
        Batter in one of each; None where it is not filled.
    recipe : Recipe
        For its cups and eggs.
    factor : float
        Of the whole recipe.
    scale_step_g : float
        What the kitchen's scale reads to.

    Returns
    -------
    tuple of Share, list of Finding
        A share that takes more of a row than there is is a finding, and is left out.
    """
    if len(choices) > MOST_SHARES:
        raise ImpossibleChoice(f"One batter goes into at most {MOST_SHARES} shares.",
                               field="shares")
    whole_g = sum((grams or 0.0) * entry.count
                  for grams, entry in zip(each_g, entries, strict=True))
    room = [float(max(0, entry.count)) for entry in entries]
    found: list[Share] = []
    findings: list[Finding] = []
    for choice in choices:
        problem = _problem(choice, entries, each_g, room)
        if problem is not None:
            findings.append(problem)
            continue
        for one in choice.pans:
            room[one.entry] -= one.count * one.part
        share = _share(choice, entries, each_g, recipe, factor, whole_g, scale_step_g)
        found.append(share)
        swells = share.total_g / share.batter_g - 1 if share.batter_g else 0.0
        if swells > NOTICED:
            findings.append(note(
                "share_swells", f"“{share.name}” has {percent(swells)} more in it than the plain "
                "batter: its pans stand about so much deeper than drawn.", subject=share.name,
                numbers={"swells": swells}))
    return tuple(found), findings


def _problem(choice: ShareChoice, entries: Sequence[Entry], each_g: Sequence[float | None],
             room: Sequence[float]) -> Finding | None:
    def wrong(why: str) -> Finding:
        return warn("share_left_out", f"“{choice.name}” {why}, so it is left out.",
                    subject=choice.name, field="shares", hint="Mend what it takes.")

    if not choice.pans:
        return wrong("takes no pan")
    for one in choice.pans:
        if not 0 <= one.entry < len(entries):
            return wrong("takes a pan that is not in this fit")
        if each_g[one.entry] is None:
            return wrong(f"takes {entries[one.entry].label}, which cannot be filled")
        if one.count < 1 or one.count * one.part > room[one.entry] + 1e-9:
            return wrong(f"takes more of {entries[one.entry].label} than there is left")
    return None


def _share(choice: ShareChoice, entries: Sequence[Entry], each_g: Sequence[float | None],
           recipe: Recipe, factor: float, whole_g: float, step_g: float) -> Share:
    takes = [(one, each_g[one.entry] or 0.0) for one in choice.pans]
    batter = sum(grams * one.count * one.part for one, grams in takes)
    part = batter / whole_g if whole_g else 0.0
    stirred = tuple(_stirred(line, recipe, factor * part, step_g) for line in choice.lines)
    added = sum(one.g or 0.0 for one in stirred)
    swell = 1 + added / batter if batter else 1.0
    pans = tuple((one.entry, one.count, grams * one.part * swell) for one, grams in takes)
    into = listed([_into(entries[entry].label, count, grams) for entry, count, grams in pans])
    stir = listed([f"{one.shown.text} {one.line.name.lower()}" for one in stirred])
    steps = [f"Weigh {batter:.0f} g of the finished batter into a bowl of its own."]
    if stir:
        steps.append(f"Stir in {stir}, no longer than it takes.")
    steps.append(f"Divide: {into}.")
    return Share(name=choice.name, part=part, batter_g=batter, stirred=stirred,
                 total_g=batter + added, pans=pans, steps=tuple(steps))


def _into(label: str, count: int, grams: float) -> str:
    return f"{grams:.0f} g into {f'each of {count} × ' if count > 1 else ''}{label}"


def _stirred(line: Line, recipe: Recipe, factor: float, step_g: float) -> Stirred:
    weight = weigh(line, recipe.scales)
    grams = None if weight is None else weight.value * factor
    if line.amount is None or factor <= 0:
        return Stirred(line=line, g=grams, shown=Shown(
            text=line.written, grams=None, measure=line.written, measure_leads=True))
    sizes = recipe.scales.sizes
    shown = show_scaled(
        line.amount, factor=factor, grams=grams, sizes=sizes, scale_step_g=step_g,
        precision=precision_of(line.ingredient.role if line.ingredient else None))
    return Stirred(line=line, g=grams, shown=shown)
