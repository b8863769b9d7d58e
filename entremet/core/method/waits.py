"""How long a method itself says that something waits: a part of it, the batter, the whole cake."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import Enum

from entremet.core.card.lines import MIXED, Component, Line
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.step_kind import StepKind
from entremet.core.ingredients.names import plain
from entremet.core.method.bench import lines_named
from entremet.core.method.kinds import SENTENCE, kinds_in
from entremet.core.reading.times import all_times

OVERNIGHT_MIN = 8 * 60
"""Overnight, at least; practice, 8 to 12 h."""

LEAST_MIN = 10.0
"""A shorter wait is part of the work around it; practice."""

WAITING = frozenset({StepKind.STRAIN, StepKind.MACERATE, StepKind.REST, StepKind.CHILL,
                     StepKind.COOL, StepKind.STAND})
"""Work that is waited for, and no hands."""

_OVERNIGHT = re.compile(r"\bovernight\b|\bthe (?:night|day) before\b", re.IGNORECASE)
_MIXTURE = re.compile(r"\b(?:batter|dough|mixture|it)\b", re.IGNORECASE)
_SOAKED = re.compile(r"\b(?:soak|steep|infuse|macerat\w*|plump)\b", re.IGNORECASE)
_CAKE = re.compile(r"\b(?:cakes?|cheesecakes?|loaf|ring)\b|\bbefore (?:cutting|serving|slicing|it "
                   r"is (?:cut|served))\b", re.IGNORECASE)
_FOR = re.compile(r"(\bfor (?:at least |about |another )?[^.;,]{1,24}?)(?= before\b)",
                  re.IGNORECASE)
_OUT = frozenset({StepKind.BAKE, StepKind.TURN_OUT})


class WaitOf(Enum):
    """What waits."""

    PART = "part"
    SOAKED = "soaked"
    BATTER = "batter"
    CAKE = "cake"


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnWait:
    """A wait of a recipe's own.

    Parameters
    ----------
    of : WaitOf
        A part that is made for the cake, what is soaked before it is mixed, the batter in its bowl,
        or the cake when all else is done.
    component, heading : Component, str
        Which part.
    least_min : float
        The fewer of a range.
    cold : bool
        Whether in the fridge.
    words : str
        The sentence that says so.
    """

    of: WaitOf
    component: Component = Component.BATTER
    heading: str = ""
    least_min: float
    cold: bool
    words: str


def own_waits(recipe: Recipe) -> tuple[OwnWait, ...]:
    """Return how long the method says that things wait, in its order.

    A sentence belongs to the one part whose lines or heading it names, else to what the sentence
    before it was about. What cools in its pan and what stands for less than ten minutes is left
    out; of the waits of one thing the longest counts.
    """
    longest: dict[tuple[WaitOf, Component, str], OwnWait] = {}
    for one in _told(recipe.steps, recipe.lines):
        key = (one.of, one.component, one.heading)
        if key not in longest or one.least_min > longest[key].least_min:
            longest[key] = one
    return tuple(longest.values())


def _told(steps: Sequence[TiedStep], lines: Sequence[Line]) -> Iterator[OwnWait]:
    about: tuple[Component, str] | None = None
    baked, last = False, _last_sentence(steps)
    for step in steps:
        for found in SENTENCE.finditer(step.text):
            text = found[0].strip()
            kinds = kinds_in(text) if step.kinds is None else step.kinds
            about = _about(text, step, found, lines) or about
            minutes = _minutes(text)
            if minutes is not None and minutes >= LEAST_MIN and WAITING & set(kinds):
                cold = StepKind.CHILL in kinds
                if baked and cold and text == last and _CAKE.search(text):
                    yield OwnWait(of=WaitOf.CAKE, least_min=minutes, cold=True, words=text)
                elif about is not None and about[0] not in MIXED:
                    yield OwnWait(of=WaitOf.PART, component=about[0], heading=about[1],
                                  least_min=minutes, cold=cold, words=text)
                elif not baked and not _OUT & set(kinds):
                    if _SOAKED.search(text):
                        yield OwnWait(of=WaitOf.SOAKED, least_min=minutes, cold=cold, words=text)
                    elif _MIXTURE.search(text) and StepKind.COOL not in kinds:
                        yield OwnWait(of=WaitOf.BATTER, least_min=minutes, cold=cold, words=text)
            if StepKind.BAKE in kinds:
                baked, about = True, None


def _about(text: str, step: TiedStep, found: re.Match[str],
           lines: Sequence[Line]) -> tuple[Component, str] | None:
    """Return the one part a sentence names by an amount, a line or its heading; None for none."""
    parts = list(dict.fromkeys((one.component, one.heading) for one in lines))
    words = set(plain(text).split())
    headed = [one for one in parts if one[0] not in MIXED and one[1] and _head(one[1]) in words]
    if len(headed) == 1:
        return headed[0]
    tied = {tie.line for tie in step.ties
            if tie.line is not None and found.start() <= tie.start < found.end()}
    keys = tied | set(lines_named(text, lines))
    named = {(one.component if one.component not in MIXED else Component.BATTER,
              one.heading if one.component not in MIXED else "")
             for one in lines if one.key in keys}
    return named.pop() if len(named) == 1 else None


def _head(heading: str) -> str:
    """Return the word of a heading that says what it is: "For the plum filling" is filling."""
    words = plain(heading).split()
    return words[-1] if words else ""


def _minutes(text: str) -> float | None:
    # "For 3 hours before cutting" waits; "3 hours before cutting" is when something else is done.
    times = [one.low_min for one in all_times(_FOR.sub(r"\1,", text))]
    if _OVERNIGHT.search(text):
        times.append(float(OVERNIGHT_MIN))
    return max(times, default=None)


def _last_sentence(steps: Sequence[TiedStep]) -> str:
    """Return the last sentence of a method that waits; serving it comes after."""
    waiting = [text for step in steps for one in SENTENCE.findall(step.text)
               if WAITING & set(kinds_in(text := one.strip()))]
    return waiting[-1] if waiting else ""
