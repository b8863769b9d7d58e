"""Amounts with their ingredients inside sentences: prose, dictation, joined lists."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from itertools import islice

from entremet.core.ingredients.names import plain
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import Ingredient, IngredientTable, Role
from entremet.core.measures.amounts import Amount
from entremet.core.measures.grammar import CONTAINERS, AmountFound, amount_at, joined_at
from entremet.core.reading.lines import BARE_GRAMS, LEAST_GRAMS

MOST_NAME_WORDS = 7
MOST_MENTIONS = 120
MOST_LOOKED_AT = 300
"""Numbers of one row that are looked at."""
PART_REACH = 50

@dataclass(frozen=True, slots=True, kw_only=True)
class Mention:
    """An amount of something in a text.

    Parameters
    ----------
    text : str
        The line it makes: its own words, or the amount before a name it shares.
    start, end : int
        Where its words stand.
    amount : Amount
        As read.
    ingredient : str
        Key in the table; empty where the name is not known.
    """

    text: str
    start: int
    end: int
    amount: Amount
    ingredient: str


BEGIN = re.compile(
    r"(?<![\w.,/⁄°&])(?:\d|[⅛¼⅓⅜½⅝⅔¾⅞.](?=\d|\s|[a-zA-Z(])|(?:an?|one|two|three|four|five|six|"
    r"seven|"
    r"eight|nine|ten|eleven|twelve|half|couple|dozen|(?:the\s+)?same\b(?=[^.;,]{0,20}\bof\b)|"
    r"pinch|dash|handful|drop)\b|(?:(?<=[,;&]\s)|^)(?:level |heaped )?(?:tsp|tbsp)\b)",
    re.IGNORECASE)
_PART = re.compile(
    r"(?:(?:finely |freshly )?(?:grated |squeezed )?)"
    r"\b(?:zest and juice|juice and zest|zest|juice|rind|peel)\s+(?:(?:of|from)\s+)?$",
    re.IGNORECASE)
_OF = re.compile(r"\s*(?:of\s+(?:the\s+|your\s+|my\s+)?)?", re.IGNORECASE)
_EACH = re.compile(r"\s*(?:each(?:\s+of)?|of\s+each(?:\s+of)?)[:,]?\s+(?:the\s+)?", re.IGNORECASE)
_EACH_BEHIND = re.compile(r"\s*(?:of\s+each|each)\b", re.IGNORECASE)
_LIST = re.compile(r"\s*(?:,\s*(?:and\s+)?|\s+and\s+|\s*&\s*|\s*/\s*)", re.IGNORECASE)
_WORD = re.compile(r"[^\W\d_][^\W\d_'’%-]*(?:[-'’][^\W\d_]+)*\.?|\d{2}\s?%|\(|\)|,|;|[+&]|\d+|\S")
_STOP = frozenset({
    "and", "with", "then", "until", "into", "in", "to", "for", "on", "over", "from", "by", "at",
    "plus", "add", "beat", "stir", "fold", "mix", "whisk", "pour", "when", "while", "or", "the",
    "which", "it", "them", "that", "is", "are", "was", "you", "i", "we", "but", "so", "sift",
    "rub", "melt", "put", "together", "through", "about", "after", "before", "under", "if", "as",
    "till", "not", "off", "out", "one", "two", "three", "four", "bake", "spread", "scatter",
    "sprinkle", "dust", "brush", "roll", "dip", "top", "divide", "simmer", "boil", "heat"})
_HEADS = frozenset({
    "syrup", "sauce", "jam", "curd", "juice", "oil", "butter", "cream", "milk", "flour", "sugar",
    "powder", "extract", "liqueur", "essence", "paste", "puree", "zest", "peel", "seeds", "cheese",
    "chips", "bread", "crumbs", "compote", "jelly", "vinegar", "wine", "yogurt", "yoghurt"})
"""Words that make another thing of the name before them: rum syrup is no rum."""
_AS_VERB = re.compile(r"\s+(?:it|them|the|together|until|till|with|well)\b", re.IGNORECASE)
"""What stands behind a word of these where it says what to do: "cream them", "butter the tin"."""
VESSEL = re.compile(r"(?:\w+\s+)?(?:basins?|bowls?|dish(?:es)?|jugs?|saucepans?|pots?|ramekins?|"
                     r"moulds?|pans?|tins?|bundts?|rings?)\b(?!\s+of\b)", re.IGNORECASE)
"""What holds so much, and is no food."""
_BRACKET = re.compile(r"\s*\((?:about |approx\.? |roughly )?\d[^()]{0,40}\)")
_CORRECTION = re.compile(
    r"[\s,.;:–—-]*(?:(?:oh|er|um|ah)[\s,]+)?(?:no[\s,]+wait|no[\s,]+sorry|sorry|actually|no|i mean|"
    r"or rather|scratch that|wait)[\s,.:–—-]*(?:(?:make|let(?:'|’)?s make|i mean|it(?:'|’)?s|"
    r"that(?:'|’)?s"
    r"|no|sorry)[\s,]*(?:that|it)?[\s,]*)*", re.IGNORECASE)



def mentions_in(text: str, table: IngredientTable) -> list[Mention]:
    """Return every amount of an ingredient in a text, in order; corrected ones are gone.

    >>> from entremet.core.ingredients.table import TABLE
    >>> [one.text for one in mentions_in("Beat 200 g of soft butter with three eggs.", TABLE)]
    ['200 g of soft butter', 'three eggs']
    """
    found: list[Mention] = []
    at = 0
    for begin in islice(BEGIN.finditer(text), MOST_LOOKED_AT):
        if begin.start() < at or len(found) >= MOST_MENTIONS:
            continue
        new = _mentions_at(text, begin.start(), table, found)
        if not new:
            continue
        if found and _CORRECTION.fullmatch(text[found[-1].end:new[0].start]) and (
                new[0].ingredient == found[-1].ingredient):
            found.pop()
        found += new
        at = max(one.end for one in new)
    return found


def _mentions_at(text: str, place: int, table: IngredientTable,
                 before: list[Mention]) -> list[Mention]:
    amount = amount_at(text, place)
    if amount is None:
        return _same_again(text, place, table, before)
    end = amount.end
    if amount.has_unit and (more := joined_at(text, end)) is not None:
        end = more[1]
    each = _each(text, amount, end, table)
    if each:
        return each
    bracket = _BRACKET.match(text, end)
    if bracket is not None and amount.has_unit:
        end = bracket.end()
    again = re.compile(r"\s*/\s*(?=\d|[½¼¾⅓⅔])").match(text, end)
    if again is not None and amount.has_unit:
        other = amount_at(text, again.end())
        if other is not None and other.has_unit:
            end = other.end
    part = _PART.search(text, max(0, place - PART_REACH), place)
    gap = _OF.match(text, end)
    name_at = gap.end() if gap else end
    if amount.has_unit and VESSEL.match(text, name_at):
        return []
    name, name_end = _name(text, name_at, table, counted=not amount.has_unit)
    if not name:
        return _corrected(text, place, amount, before) or _named_before(text, place, amount, table,
                                                                        before)
    known = match(name, "", table)
    if not amount.has_unit and (known is None or not _comes_in_pieces(known.ingredient, amount)
                                ) and part is None:
        return []
    start = place if part is None else part.start() + len(part.group()) - len(part.group().lstrip())
    behind = _BRACKET.match(text, name_end)
    stop = behind.end() if behind else name_end
    return _made(text, start, stop, amount, known.ingredient if known else None, part)


def _comes_in_pieces(one: Ingredient, amount: AmountFound) -> bool:
    """Say whether a bare number may count a thing: an egg, a fruit, or grams of what is weighed."""
    return (one.piece_g is not None or one.role in (Role.EGG, Role.FRUIT, Role.NUT)
            or (one.role in BARE_GRAMS and amount.amount.value >= LEAST_GRAMS))


def _made(text: str, start: int, stop: int, amount: AmountFound, known: Ingredient | None,
          part: re.Match[str] | None) -> list[Mention]:
    """Return the mention; juice and zest of one fruit are two things."""
    one = Mention(
        text=text[start:stop].strip(), start=start, end=stop, amount=amount.amount,
        ingredient="" if known is None else known.key)
    words = "" if part is None else part.group().lower()
    if " and " in words and "zest" in words:
        tail = text[start + len(part.group().strip()):stop].strip() if part else ""
        return [replace(one, text=f"juice of {tail}", ingredient=f"{one.ingredient}_juice"),
                replace(one, text=f"zest of {tail}", ingredient=f"{one.ingredient}_zest")]
    return [one]


def _each(text: str, amount: AmountFound, end: int, table: IngredientTable) -> list[Mention]:
    """Read "240 g each of butter, sugar and flour", and "butter and sugar, 200 g of each"."""
    written = text[amount.start:end].strip()
    each = _EACH.match(text, end)
    names: list[tuple[str, int, int]] = []
    if each is not None and amount.has_unit:
        place = each.end()
        while len(names) < 8:
            name, stop = _name(text, place, table, counted=not names)
            if not name or (match(name, "", table) is None and (
                    not names or len(name.split()) > 2)):
                break
            names.append((name, place, stop))
            more = _LIST.match(text, stop)
            if more is None or not more.group().strip():
                break
            place = more.end()
    if not names and _EACH_BEHIND.match(text, end) and amount.has_unit:
        names = _names_before(text[:amount.start], table)
    if not names:
        return []
    last = max(end, *(stop for _, _, stop in names))
    found = []
    for name, _, stop in names:
        known = match(name, "", table)
        found.append(Mention(text=f"{written} {name}", start=amount.start, end=max(stop, last),
                             amount=amount.amount,
                             ingredient="" if known is None else known.ingredient.key))
    return found


def _names_before(text: str, table: IngredientTable) -> list[tuple[str, int, int]]:
    """Return the names of a list that ends a text: "butter, sugar and flour, "."""
    found: list[tuple[str, int, int]] = []
    tail = text[-160:].rstrip(" ,:")
    for piece in reversed(re.split(r",\s*(?:and\s+)?|\s+and\s+|\s+of\s+", tail)):
        name = piece.strip()
        if not name or match(name, "", table) is None:
            break
        found.insert(0, (name, 0, len(text)))
    return found if len(found) > 1 else []


def _corrected(text: str, place: int, amount: AmountFound, before: list[Mention]) -> list[Mention]:
    """Read "two eggs, sorry, three": the later amount of the same thing."""
    if not before or not _CORRECTION.fullmatch(text[before[-1].end:place]):
        return []
    was = before[-1]
    if not was.ingredient:
        return []
    head = amount_at(was.text, 0)
    if head is None or (amount.has_unit and amount.amount.unit in CONTAINERS):
        return []
    gap = _OF.match(was.text, head.end)
    unit = "" if amount.has_unit else was.text[head.number_end:head.end]
    name = was.text[gap.end() if gap else head.end:]
    return [replace(was, text=f"{text[place:amount.end].strip()}{unit} {name}", start=place,
                    end=amount.end,
                    amount=amount.amount if amount.has_unit else Amount(
                        value=amount.amount.value, unit=was.amount.unit))]


def _named_before(text: str, place: int, amount: AmountFound, table: IngredientTable,
                  before: list[Mention]) -> list[Mention]:
    """Read "oats 300 g, butter 200 g": a name, then its amount, then a comma or the end."""
    if not re.match(r"\s*(?:[,;.)\n]|$)", text[amount.end:amount.end + 3]):
        return []
    low = max(place - 50, before[-1].end if before else 0)
    piece = re.split(r"[,;:.\n]\s*", text[low:place])[-1]
    name = piece.strip(" –—-(")
    known = match(name, "", table) if name else None
    if known is None:
        return []
    start = place - len(piece.lstrip())
    return [Mention(text=f"{text[place:amount.end].strip()} {name}", start=start, end=amount.end,
                    amount=amount.amount, ingredient=known.ingredient.key)]


_SAME = re.compile(r"(?:the\s+)?same\s+(?:amount\s+|weight\s+|quantity\s+|again\s+)?of\s+"
                   r"(?:the\s+)?", re.IGNORECASE)


def _same_again(text: str, place: int, table: IngredientTable,
                before: list[Mention]) -> list[Mention]:
    """Read "175 g of butter and the same of sugar"."""
    same = _SAME.match(text, place)
    if same is None or not before:
        return []
    was = before[-1]
    head = amount_at(was.text, 0)
    name, end = _name(text, same.end(), table, counted=True)
    known = match(name, "", table) if name else None
    if head is None or known is None or not head.has_unit:
        return []
    return [replace(was, text=f"{was.text[:head.end]} {name}", start=place, end=end,
                    ingredient=known.ingredient.key)]


def _name(text: str, place: int, table: IngredientTable, *, counted: bool) -> tuple[str, int]:
    """Return the name that begins at a place, and where it ends; the longest the table knows.

    A name that it does not know goes up to the next word that is no part of a name; of counted
    things only known names count.
    """
    words: list[tuple[str, int]] = []
    for word in _WORD.finditer(text, place):
        bare = word.group()
        if text[place:word.start()].endswith("\n") or bare in "(),;+&" or bare[0].isdigit() or (
                not bare[0].isalpha()):
            break
        if bare.lower().rstrip(".") in _STOP and bare.lower() not in ("off",):
            break
        words.append((bare, word.end()))
        if len(words) == MOST_NAME_WORDS or (bare.endswith(".") and len(bare) > 3):
            break
    best = 0
    for count in range(len(words), 0, -1):
        end = words[count - 1][1]
        name = text[place:end].rstrip(".")
        if table.named(name) is not None or match(name, "", table) is not None:
            best = count
            break
    if best == 0:
        if counted or not words:
            return "", place
        kept = words[:4]
        name = text[place:kept[-1][1]].rstrip(".")
        return (name, place + len(name)) if len(plain(name)) > 1 else ("", place)
    if best < len(words) and words[best][0].lower().rstrip(".") in _HEADS and not _AS_VERB.match(
            text, words[best][1]):
        best += 1
    end = words[best - 1][1]
    name = text[place:end].rstrip(".")
    return name, place + len(name)
