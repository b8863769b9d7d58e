"""What a card's own method says of its finish: cuts, where it is coated, what is poured or piped.

Only what a sentence says outright is taken, with its words; the rest stays open. The first sentence
that says something of a choice settles it.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any

from entremet.core.card.finish import AS_USUAL, Coat, Dipped, Finishing, OnWells, TopBy
from entremet.core.card.lines import Component


@dataclass(frozen=True, slots=True, kw_only=True)
class Said:
    """A choice of the finish, and the words of the method it was read from."""

    field: str
    words: str


_NUMBERS = {"two": 2, "half": 2, "halves": 2, "three": 3, "thirds": 3, "four": 4, "five": 5}
_CAKE = r"(?:cakes?|sponges?|layers?|loaf|loaves)"
_SPREAD = r"(?:cover|coat|frost|ice|spread|mask|finish|smooth|smear)"
_SIDES = (r"(?:sides? and (?:the )?top|top and (?:the )?sides?|all over|all round|outside of the "
          r"cake|whole cake|entire cake)")

_CUT = re.compile(
    rf"\b(?:cut|split|slice|halve|divide|saw)\b[^.;]{{0,60}}?\b{_CAKE}\b[^.;]{{0,40}}?"
    r"\b(?:in|into)\s+(?P<many>two|half|halves|three|thirds|four|five|\d)\b"
    r"(?!\s*(?:cm|mm|in\b|inch))", re.IGNORECASE)
_HALVE = re.compile(rf"\bhalve\b[^.;]{{0,30}}\b{_CAKE}\b[^.;]{{0,40}}\b(?:horizontally|through|"
                    rf"across the middle)|\b(?:cut|split|slice)\b[^.;]{{0,30}}\b{_CAKE}\b"
                    rf"[^.;]{{0,20}}\bhorizontally\b", re.IGNORECASE)
_PIECES = re.compile(r"\b(?:squares?|fingers?|bars?|slices|wedges|pieces|portions|strips)\b",
                     re.IGNORECASE)
_NAKED = re.compile(r"\b(?:semi-?naked|half-?naked|naked|scrape (?:it |them )?(?:off|back)|"
                    r"so thin(?:ly)? that the (?:cake|crumb) shows)\b", re.IGNORECASE)
_FULL = re.compile(rf"\b{_SPREAD}\b[^.;]{{0,80}}\b{_SIDES}", re.IGNORECASE)
_COATED = re.compile(r"\b(?:coat|cover|frost|ice|mask)\b[^.;]{0,40}\b(?:with|in)\b[^.;]{0,30}"
                     r"\b(?:frosting|icing|butter ?cream|cream|ganache|glaze)\b", re.IGNORECASE)
_TOP = re.compile(rf"\b(?:{_SPREAD}|pipe|swirl|pile|spoon|dollop)\b[^.;]{{0,60}}?"
                  r"\b(?:(?:over|on|onto|across)(?: the)? top|the top\b)", re.IGNORECASE)
_CRUMB = re.compile(r"\bcrumb[ -]coat", re.IGNORECASE)
_DRIP = re.compile(r"\b(?:drip\w*|run\w*(?! (?:a|an|the|your) (?:\w+ ){0,2}(?:knife|blade|spatula|"
                   r"skewer|finger|thumb))|fall)\b[^.;]{0,30}\b(?:sides?|edges?)\b", re.IGNORECASE)
_POUR = re.compile(r"\b(?:pour|drizzle|trickle|brush|spoon)\b[^.;]{0,40}"
                   r"\b(?:glaze|icing|ganache|it)\b[^.;]{0,40}\b(?:over|on)\b[^.;]{0,20}\b(?:cake|top|loaf|ring|cakes)",
                   re.IGNORECASE)
_SWIRL = re.compile(r"\b(?:pipe|swirl)\b", re.IGNORECASE)
_FLAT = re.compile(r"\b(?:spread|smooth|flat)\b", re.IGNORECASE)
_HOT_SOAK = re.compile(
    r"\b(?:pour|brush|spoon|drizzle|ladle|soak|trickle|feed)\b[^.;]*\b(?:syrup|soak|milk|mixture|"
    r"juice|liquid|it|half|third)\b", re.IGNORECASE)
_WARM = re.compile(
    r"\b(?:(?:while|when|as)\b[^.;]{0,30}\b(?:hot|warm)|(?:hot|warm) (?:cakes?|sponges?|ring|loaf|"
    r"loaves)|as soon as\b[^.;]*\b(?:oven|out)|straight from the oven|(?:still|not yet) "
    r"(?:hot|warm|cool(?:ed)?)|prick|pierce|poke)", re.IGNORECASE)
_PRESSED = re.compile(r"\b(?:press|pat|push|stick)\b[^.;]*\b(?:(?:on|onto|on to|against|into|round|"
                      r"around|up|over) (?:the |its |all )*(?:sides?)|round the cake)\b",
                      re.IGNORECASE)
_ON_ALL = re.compile(r"\b(?:press|pat|roll|scatter)\b[^.;]*\b(?:all over|top and sides|sides "
                     r"and top)\b", re.IGNORECASE)
_ON_EDGE = re.compile(r"\b(?:set|stand|arrange|place|put|lay|pipe|scatter|dot|press|sit|line up)\b"
                      r"[^.;]*\b(?:round|around|along) the (?:top )?(?:edge|rim)\b",
                      re.IGNORECASE)
_NO_SOAK = re.compile(r"\b(?:glaz\w*|icing|ganache|frosting|chocolate|caramel|butter)\b",
                      re.IGNORECASE)
_CUT_PIECES = re.compile(
    r"\b(?:cut|slice|divide)\b[^.;]{0,60}?\b(?:in|into)\s+(?P<many>\d{1,3})\b\s*(?!cm|mm|inch|in\b)"
    r"(?:\w+ ){0,2}?(?:squares?|cubes?|fingers?|bars?|pieces?|blocks?|rectangles?)", re.IGNORECASE)
_DIP = re.compile(r"\b(?:dip|dunk|roll|toss|coat|enrobe)\b[^.;]{0,30}\b(?:each|every|"
                  r"the (?:squares?|cubes?|fingers?|bars?|pieces?|blocks?)|them|one by one)\b",
                  re.IGNORECASE)
_DIP_TOP = re.compile(r"\b(?:dip|dunk)\b[^.;]{0,30}\btops?\b", re.IGNORECASE)
_NO_FOOT = re.compile(r"\b(?:all but|except|not) (?:the |its )?(?:base|bottom|foot|underside)\b",
                      re.IGNORECASE)
_BAKED = re.compile(r"\bbakes?\b|\bbaked (?:for|at|until)\b|\binto the oven\b"
                    r"|\bout of the oven\b|\bfrom the oven\b|\bsteam (?:it|them|the|for)\b",
                    re.IGNORECASE)
_NOTHING = re.compile(r"\b(?:before baking|the batter)\b", re.IGNORECASE)


def said_finish(steps: Sequence[str],
                has: Collection[Component]) -> tuple[Finishing, tuple[Said, ...]]:
    """Return what a method says of the finish, and which words say it.

    Parameters
    ----------
    steps : sequence of str
        The steps of the card, as written.
    has : collection of Component
        What the card has lines for: nothing is coated with what it has not.

    >>> finish, said = said_finish(
    ...     ["Cut each cake in half horizontally. Coat the top and sides."], {Component.FROSTING})
    >>> finish.split, finish.coat, [one.field for one in said]
    (2, <Coat.FULL: 'full'>, ['split', 'coat'])
    """
    found: dict[str, tuple[Any, str]] = {}
    out, after = _after_the_bake(_sentences(steps))
    if out and Component.SOAK in has and _hot(out):
        found["soak_hot"] = (True, out)
    found.update(_of_pieces(after) if (_COATS | _POURS) & set(has) else ())
    for sentence in after:
        for field, read, wants in _READ:
            if field not in found and (not wants or wants & set(has)) and (
                    value := read(sentence)) is not None:
                found[field] = (value, sentence)
    return replace(AS_USUAL, **{field: value for field, (value, _) in found.items()}), tuple(
        Said(field=field, words=words) for field, (_, words) in found.items())


def _sentences(steps: Iterable[str]) -> list[str]:
    return [one.strip() for step in steps for one in re.split(r"(?<=[.;!])\s+", step)
            if one.strip() and not _NOTHING.search(one)]


def _after_the_bake(sentences: Sequence[str]) -> tuple[str, Sequence[str]]:
    """Return the sentence that ends the bake, and what is said after it.

    All of it where no bake is told of.
    """
    baked = [place for place, one in enumerate(sentences) if _BAKED.search(one)]
    return (sentences[baked[-1]], sentences[baked[-1] + 1:]) if baked else ("", sentences)


def _hot(sentence: str) -> bool | None:
    if _NO_SOAK.search(sentence) and not re.search(r"\b(?:syrup|soak)", sentence, re.IGNORECASE):
        return None
    return True if _HOT_SOAK.search(sentence) and _WARM.search(sentence) else None


def _pressed(sentence: str) -> TopBy | None:
    if _ON_ALL.search(sentence):
        return TopBy.ALL
    if _PRESSED.search(sentence):
        return TopBy.SIDES
    return TopBy.EDGE if _ON_EDGE.search(sentence) else None


def _of_pieces(sentences: Sequence[str]) -> Iterator[tuple[str, tuple[Any, str]]]:
    """Yield into how many pieces a cake is cut and where they are dipped; only what is both."""
    cut = next(((place, found) for place, one in enumerate(sentences)
                if (found := _CUT_PIECES.search(one))), None)
    if cut is None or not 2 <= int(cut[1]["many"]) <= 400:
        return
    place, found = cut
    dips = [one for one in sentences[place:] if _DIP.search(one) or _DIP_TOP.search(one)]
    if dips:
        yield "pieces", (int(found["many"]), sentences[place])
        if any(_DIP_TOP.search(one) for one in dips):
            yield "dipped", (Dipped.TOP, dips[0])
        elif any(_NO_FOOT.search(one) for one in dips):
            yield "dipped", (Dipped.NO_FOOT, dips[0])


def _split(sentence: str) -> int | None:
    if _PIECES.search(sentence):
        return None
    found = _CUT.search(sentence)
    if found is not None:
        many = found["many"].lower()
        count = _NUMBERS.get(many) or int(many)
        return count if 2 <= count <= 8 else None
    return 2 if _HALVE.search(sentence) else None


def _coat(sentence: str) -> Coat | None:
    if _NAKED.search(sentence):
        return Coat.NAKED
    if _CRUMB.search(sentence):
        return None
    if _FULL.search(sentence) or (_COATED.search(sentence) and not re.search(
            r"\btops?\b|\bpieces?\b|\beach\b", sentence, re.IGNORECASE)):
        return Coat.FULL
    return Coat.TOP if _TOP.search(sentence) and "side" not in sentence.lower() else None


def _wells(sentence: str) -> OnWells | None:
    if not re.search(r"\b(?:cupcakes?|muffins?|each cake|each one|small cakes?|buns?)\b", sentence,
                     re.IGNORECASE):
        return None
    if _SWIRL.search(sentence):
        return OnWells.SWIRL
    return OnWells.FLAT if _FLAT.search(sentence) else None


_COATS = frozenset({Component.FROSTING, Component.COATING})
_POURS = frozenset({Component.GLAZE, Component.COATING})

_READ: tuple[tuple[str, Callable[[str], Any], frozenset[Component]], ...] = (
    ("split", _split, frozenset()), ("coat", _coat, _COATS),
    ("drip", lambda sentence: True if _DRIP.search(sentence) else None, _POURS),
    ("glaze", lambda sentence: True if _POUR.search(sentence) else None, _POURS),
    ("wells", _wells, _COATS | {Component.FILLING}),
    ("soak_hot", _hot, frozenset({Component.SOAK})),
    ("top_by", _pressed, frozenset({Component.DECORATION})))
"""By choice, what reads it, and which components it wants one of."""
