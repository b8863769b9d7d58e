"""What a whole text says of pan, oven, time and standing, and which of several is taken."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.card.card import Card, CardOffer, CardPan
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind
from entremet.core.reading.apart import TextStretch
from entremet.core.reading.beside import gives_minutes
from entremet.core.reading.pans import PanFound, pans_in
from entremet.core.reading.phases import PhaseFound, cover_after, phases_in
from entremet.core.reading.settings import chosen_oven, lowered_to, ovens_in
from entremet.core.reading.times import all_times, bake_time_in, stand_time_in

_STEAMED = re.compile(r"\bsteam(?:ed|er)?\b(?!\s*(?:escape|vent|rise))", re.IGNORECASE)
_SERVES = re.compile(
    r"\b(?:serves|makes|yields?|servings|portions)\b\s*:?\s*(?:about |around |approx\.? )?"
    r"(?P<many>\d{1,3}(?:\s*(?:-|–|to)\s*\d{1,3})?|a dozen|two dozen|twelve|sixteen|eight|ten|"
    r"twenty)(?!\s*(?:x|×|cm|inch|in\b|\"|loa|tins?|pans?|\d))(?P<what>\s+[a-z-]+(?:\s+[a-z]+)?)?",
    re.IGNORECASE)
_STRIPS = re.compile(r"\b(?:cake|baking|insulat\w+|wet|damp|soaked)\s+strips?\b|"
                     r"\bstrips? round the (?:tin|pan)", re.IGNORECASE)
_TURNS = re.compile(
    r"\b(?P<share>1/[2346]|half|a third|a quarter|a sixth)\s+(?:of\s+)?(?:the\s+)?"
    r"(?:batter|mixture|mix)\s+at a time\b|\bbak(?:e|ed|ing)\b[^.;\n]{0,40}\bin "
    r"(?P<many>two|three|four|five|six|[2-6])\s+(?:turns|goes|lots)\b", re.IGNORECASE)
_TIMES_HEAD = re.compile(r"(?:prep\w*|cook\w*|bak\w*|total|rest\w*|active|"
                         r"hands[- ]on)\s*(?:time)?\s*"
                         r":?\s*\d", re.IGNORECASE)
"""A row that lists times for the whole; no phases of a bake."""
_BARE_SIZE = re.compile(
    r"(?<![\d.,x×])\d{1,2}(?:\s?[x×]\s?\d{1,2}(?:\s?(?:cm|in\b|inch|\"))?|\s?(?:cm|inch|\"))"
    r"(?=\s*(?:[,;.]|$))", re.IGNORECASE)
_WITH_IT = 90
"""How many signs behind a pan its own time may stand."""


class Account(Enum):
    """What a number of the pasted text was taken for."""

    LINE = "line"
    FACT = "fact"
    RESTATED = "restated"
    METHOD = "method"
    ASIDE = "aside"
    OPEN = "open"


SHOWN_ACCOUNTS = frozenset({Account.OPEN, Account.ASIDE, Account.RESTATED})
"""What a baker looks at: the rest is on the card as she wrote it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LedgerEntry:
    """A stretch of the pasted text with a number in it, and the account it is in.

    Parameters
    ----------
    start, end : int
        Of the stretch, in the text as pasted.
    account : Account
        Where it is booked.
    why : str
        What it says again, why it was set aside, or what is asked about it.
    line : int or None
        Key of the card line it belongs to.
    answers : tuple of MarkRole
        Of one that is asked about, what it can be said to be.
    """

    start: int
    end: int
    account: Account
    why: str = ""
    line: int | None = None
    answers: tuple[MarkRole, ...] = ()


class MarkRole(Enum):
    """What a stretch of the pasted text is."""

    TITLE = "title"
    SERVES = "serves"
    HEADING = "heading"
    LINE = "line"
    STEP = "step"
    NOTE = "note"
    PAN = "pan"
    OVEN = "oven"
    TIME = "time"
    RIGHT = "right"


@dataclass(frozen=True, slots=True, kw_only=True)
class PanOffer:
    """Another pan that the text offers, with its own time where it says one."""

    pan: CardPan
    low_min: float | None = None
    high_min: float | None = None
    words: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeRead:
    """A recipe as read.

    Parameters
    ----------
    card : Card
        Every line of the text is on it: as a line, a step, a heading or the note.
    found : tuple of str
        What was taken from sentences, in words: settings, times, pans.
    marks : tuple of TextMark
        What every stretch of the pasted text was read as.
    offers : tuple of PanOffer
        Other pans the text offers, with their own times.
    apart : tuple of TextStretch
        Recipes of the text, where it holds several.
    ledger : tuple of LedgerEntry
        Every number of the pasted text and what it was taken for; empty where no text was pasted.
    """

    card: Card
    found: tuple[str, ...]
    marks: tuple[TextMark, ...] = ()
    offers: tuple[PanOffer, ...] = ()
    apart: tuple[TextStretch, ...] = ()
    ledger: tuple[LedgerEntry, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class TextMark:
    """A stretch of the pasted text, what it was read as, and the line it became.

    Of a row that was set aside, ``why`` says for what reason; ``asks`` is what is asked about it.
    """

    start: int
    end: int
    kind: MarkRole
    line: int | None = None
    why: str = ""
    asks: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """What the baker said a stretch of the pasted text is: one of the kinds of marks."""

    start: int
    end: int
    kind: MarkRole


Fact = tuple[int, int, MarkRole]


def facts_in(text: str) -> tuple[Fact, ...]:
    """Return where a stretch of text states pans, settings, times and yields, and which it is."""
    return (*((one.start, one.end, MarkRole.PAN) for one in pans_in(text)),
            *((one.start, one.end, MarkRole.OVEN) for one in ovens_in(text)),
            *((one.start, one.end, MarkRole.TIME) for one in all_times(text)),
            *((one.start(), one.end(), MarkRole.SERVES) for one in _SERVES.finditer(text)))


def servings_in(text: str) -> str:
    """Return how many a text says it serves or makes, as written; empty where it does not.

    >>> servings_in("A cake (makes 12 slices) for tea")
    'makes 12 slices'
    """
    found = _SERVES.search(text)
    return "" if found is None else without_factors(found.group())[:80]


def without_factors(words: str) -> str:
    """Return how many it serves without the factors a page offers beside it.

    >>> without_factors("12   1x 2x 3x")
    '12'
    """
    return " ".join(re.sub(r"\b\d(?:/\d)?\s*[x×]\b", "", words).split())


def turns_in(text: str) -> int:
    """Return in how many turns the pans are filled: a share of the batter at a time.

    >>> turns_in("Bake a quarter of the batter at a time"), turns_in("Bake until golden")
    (4, 1)
    """
    found = _TURNS.search(text)
    if found is None:
        return 1
    if found["share"]:
        return {"1/2": 2, "half": 2, "1/3": 3, "a third": 3, "1/4": 4, "a quarter": 4,
                "1/6": 6, "a sixth": 6}[" ".join(found["share"].lower().split())]
    words = found["many"].lower()
    return {"two": 2, "three": 3, "four": 4, "five": 5, "six": 6}.get(words) or int(words)


def with_settings(card: Card, *, extra: str = "", marks: tuple[TextMark, ...] = (),
                  without: Sequence[str] = ()) -> RecipeRead:
    """Take setting, time, pans and standing time from a card's words, where it has none yet.

    Parameters
    ----------
    card : Card
        As read so far; its steps and notes are looked through.
    extra : str
        More words: a heading, rows that became lines.
    marks : tuple of TextMark
        Handed on.
    without : sequence of str
        Words the baker has said something else about; nothing is taken from them.
    """
    steps = "\n".join(filter(None, [*(step.text for step in card.steps), card.note]))
    for told in without:
        steps = steps.replace(told, "¦" * len(told))
    words = "\n".join(filter(None, [extra, steps]))
    found: list[str] = []
    method = "\n".join(filter(None, [extra, *(
        step.text for step in card.steps if not _TIMES_HEAD.match(step.text))]))
    phases = phases_in(method)
    card = _with_oven(card, words, found, in_phases=bool(phases))
    card = _with_phases(card, phases, found)
    time = None
    if card.stated_low_min is None:
        time = bake_time_in(words) or bake_time_in(words, bakes=True)
        if time is not None:
            card = replace(card, stated_low_min=time.low_min, stated_high_min=time.high_min)
            found.append(f"bake time “{time.words}”")
            card = _covered(card, words, found)
    offers: tuple[PanOffer, ...] = ()
    pans = pans_in(words) or _bare_pan(words)
    if not card.pans and pans:
        taken, others = _chosen(pans, words)
        turns = turns_in(words)
        card = replace(card, pans=tuple(
            replace(card_pan(one), count=min(one.count * turns, 200)) for one in taken))
        if turns > 1:
            found.append(f"baked in {turns} turns, each counted as a pan")
        found += [f"pan “{one.words}”" for one in taken]
        found += [one.assumed for one in taken if one.assumed]
        offers = tuple(_offer(one, words) for one in others)
        card = replace(card, offers=tuple(
            CardOffer(pan=one.pan, low_min=one.low_min, high_min=one.high_min)
            for one in offers if one.low_min is not None and one.high_min is not None)[:6])
    if not card.strips and _STRIPS.search(words):
        card = replace(card, strips=True)
        found.append("strips round the pan")
    stand = stand_time_in(words)
    if card.stand_min is None and stand is not None:
        card = replace(card, stand_min=stand.low_min)
        found.append(f"standing time “{stand.words}”")
    return RecipeRead(card=card, found=tuple(found), marks=marks, offers=offers)


def _bare_pan(words: str) -> list[PanFound]:
    """Return the pan of a row that gives a size beside minutes and calls it nothing."""
    for row in words.split("\n"):
        if gives_minutes(row) and (
                size := _BARE_SIZE.search(row)) is not None:
            return pans_in(f"{size.group()} tin")
    return []


def _with_oven(card: Card, words: str, found: list[str], *, in_phases: bool) -> Card:
    ovens = ovens_in(words)
    if card.setting is None and ovens:
        first, kind = chosen_oven(ovens)
        # Turned down before anything bakes: what it was heated to is not what it bakes at.
        low = None if in_phases else lowered_to(words, ovens)
        if low is not None:
            found.append(f"heated to {first.setting.text}, turned down before it bakes")
            first, kind = low, low.kind or kind
        found.append(f"oven “{first.words}”")
        return replace(card, setting=first.setting, oven_kind=card.oven_kind or kind)
    if card.setting is None and card.oven_kind is None and _STEAMED.search(words):
        found.append("it is steamed")
        return replace(card, oven_kind=OvenKind.STEAM)
    return card


def _with_phases(card: Card, phases: Sequence[PhaseFound], found: list[str]) -> Card:
    if card.phases or not phases or card.stated_low_min is not None:
        return card
    found.append(f"{len(phases)} phases of the bake")
    return replace(
        card, stated_low_min=sum(one.low_min for one in phases),
        stated_high_min=sum(one.high_min for one in phases),
        phases=tuple(Phase(setting=one.setting or card.setting, covered=one.covered,
                           minutes=round((one.low_min * one.high_min) ** 0.5, 1))
                     for one in phases))


def _covered(card: Card, words: str, found: list[str]) -> Card:
    """Cover inside the total: bare up to then, covered for the rest."""
    after = cover_after(words)
    low, high = card.stated_low_min, card.stated_high_min
    if after is None or low is None or high is None or card.phases:
        return card
    whole = (low * high) ** 0.5
    if not 0 < after < whole:
        return card
    found.append(f"covered after {after:g} minutes")
    return replace(card, phases=(
        Phase(setting=card.setting, covered=False, minutes=after),
        Phase(setting=card.setting, covered=True, minutes=round(whole - after, 1))))


def _chosen(pans: Sequence[PanFound], words: str) -> tuple[list[PanFound], list[PanFound]]:
    """Return the pans that are taken, and those the text offers besides.

    The first is taken; one that "and" joins to it belongs to the same batch.
    """
    taken = [pans[0]]
    others: list[PanFound] = []
    for one in pans[1:]:
        between = words[taken[-1].end:one.start]
        if not others and re.fullmatch(r"[^.;\n]{0,30}\b(?:and|plus|\+|&)\s+(?:an?\s+)?", between,
                                       re.IGNORECASE):
            taken.append(one)
        elif (one.measures, one.count) not in [(was.measures, was.count) for was in
                                               (*taken, *others)]:
            others.append(one)
    return taken, others


def _offer(one: PanFound, words: str) -> PanOffer:
    behind = words[one.end:one.end + _WITH_IT]
    time = bake_time_in(re.split(r"[.;\n]|\bor\b", behind)[0], bakes=True)
    return PanOffer(pan=card_pan(one), low_min=None if time is None else time.low_min,
                    high_min=None if time is None else time.high_min, words=one.words)


def card_pan(one: PanFound) -> CardPan:
    """Return a pan of a text as a card holds it."""
    return CardPan(label=one.label, measures=one.measures, count=one.count, assumed=one.assumed)
