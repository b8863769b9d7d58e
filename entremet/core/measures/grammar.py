"""Amounts inside a line: a number with its unit, doubled by brackets, joined by plus or less."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.measures.amounts import Amount, AmountSign, Joined
from entremet.core.measures.numbers import NumberFound, number_at
from entremet.core.measures.units import Unit

_UNIT_WORDS: dict[str, tuple[Unit, float]] = {}
for _unit, _factor, _words in (
    (Unit.GRAM, 1.0, "g gr gm gms gram grams gramme grammes"),
    (Unit.GRAM, 0.001, "mg milligram milligrams"),
    (Unit.KILOGRAM, 1.0, "kg kgs kilo kilos kilogram kilograms"),
    (Unit.FLUID_OUNCE, 1.0, "floz fl_oz fl_ozs fluid_ounce fluid_ounces fluid_oz"),
    (Unit.OUNCE, 1.0, "oz ozs ounce ounces"),
    (Unit.POUND, 1.0, "lb lbs pound pounds"),
    (Unit.MILLILITRE, 1.0, "ml mls mil mils millilitre millilitres milliliter milliliters cc"),
    (Unit.GRAM, 10.0, "dag deka dekagram dekagrams"),
    (Unit.MILLILITRE, 1.0, "krm"),
    (Unit.MILLILITRE, 10.0, "cl centilitre centilitres centiliter"),
    (Unit.MILLILITRE, 100.0, "dl decilitre decilitres deciliter deciliters"),
    (Unit.LITRE, 1.0, "l ltr litre litres liter liters"),
    (Unit.CUP, 1.0, "cup cups"),
    (Unit.PINT, 1.0, "pint pints pt"),
    (Unit.QUART, 1.0, "quart quarts qt"),
    (Unit.TABLESPOON, 1.0, "tbsp tbsps tbspn tbs tblsp tbl tablespoon tablespoons tablespoonful "
                           "tablespoonfuls msk el essl esslöffel cda cdas"),
    (Unit.DESSERTSPOON, 1.0, "dsp dstsp dessertspoon dessertspoons dessertspoonful"),
    (Unit.TEASPOON, 1.0, "tsp tsps tspn teaspn teaspoon teaspoons teaspoonful teaspoonfuls tsk "
                         "tl teel "
                         "teelöffel cdta cdtas cdita"),
    (Unit.TEASPOON, 0.25, "saltspoon saltspoons"),
    (Unit.PINCH, 1.0, "pinch pinches prise prisen"),
    (Unit.DASH, 1.0, "dash dashes"),
    (Unit.DROP, 1.0, "drop drops"),
    (Unit.HANDFUL, 1.0, "handful handfuls"),
    (Unit.STICK, 1.0, "stick sticks"),
    (Unit.TIN, 1.0, "tin tins can cans"),
    (Unit.SACHET, 1.0, "sachet sachets packet packets pkt pkts envelope envelopes pck päckchen "
                       "pckg"),
    (Unit.PACK, 1.0, "pack packs package packages jar jars carton cartons tub tubs bag bags box "
                     "boxes block blocks bar bars pkg"),
):
    for _word in _words.split():
        _UNIT_WORDS[_word.replace("_", " ")] = (_unit, _factor)

MOST_SCOOPS_ADDED = 4

CONTAINERS = frozenset({Unit.TIN, Unit.SACHET, Unit.PACK})

_UNIT = re.compile(
    r"(?:(?P<size>heaped|heaping|level|flat|rounded|scant|generous|small|large|big|good|packed)\s+)?"
    r"(?P<word>(?i:fl\.?\s*ozs?|fluid\s+(?:ounces?|oz)|"
    r"c(?:uill\w*)?\.?\s*[àa]\.?\s*(?:soupe|caf[ée]|th[ée]|s|c)\b|" + "|".join(
        sorted((re.escape(word) for word in _UNIT_WORDS if " " not in word), key=len,
               reverse=True)) + r")|T|t|c)(?![^\W\d_])\.?", re.UNICODE)
_FRENCH_SPOON = re.compile(r"c(?:uill\w*)?\.?\s*[àa]\.?\s*(\w+)", re.IGNORECASE)
_SPOON_OF = re.compile(r"(?:level |heaped )?(?:tea\s?spoon|tsp|table\s?spoon|tbsp)(?:ful)?\.?\s+"
                       r"(?:of\s+)?[a-z]", re.IGNORECASE)
_TIMES = re.compile(r"\s*[x×]\s*", re.IGNORECASE)
_JOIN = re.compile(r"\s*(?:,\s*)?(\+|plus\b|and\b|&|less\b|minus\b)\s*", re.IGNORECASE)
_PLUS = re.compile(r"\s*\+\s*")
_SPACE = re.compile(r"\s*")
_OPENED = re.compile(r"\s*\(\s*(?:about\s+)?")
_CLOSED = re.compile(r"\s*(?:each)?\s*\)")


@dataclass(frozen=True, slots=True, kw_only=True)
class AmountFound:
    """An amount inside a text.

    Parameters
    ----------
    amount : Amount
        What it says.
    start, number_end, end : int
        Where it begins, where its number ends, and where it ends.
    has_unit : bool
        Whether a unit was written; else it counts pieces.
    packs : int or None
        How many packs of that amount, for "2 x 385 g tins".
    """

    amount: Amount
    start: int
    number_end: int
    end: int
    has_unit: bool
    packs: int | None = None


def amount_at(text: str, place: int) -> AmountFound | None:
    """Return the amount that begins at a place, or None where there is no number.

    >>> amount_at("2 x 385 g tins pear halves", 0).amount.value
    770.0
    """
    number = number_at(text, place)
    if number is None:
        return _bare_unit(text, place)
    packed = _packs(text, number)
    if packed is not None:
        return packed
    number = _with_more_scoops(text, number)
    unit = _unit_at(text, number.end)
    if unit is None:
        return _found(number, Unit.PIECE, 1.0, end=number.end, has_unit=False)
    kind, factor, end = unit
    sized = _container_of(text, number, kind, end)
    return sized or _found(number, kind, factor, end=end, has_unit=True)


def joined_at(text: str, place: int) -> tuple[Joined, int] | None:
    """Return a joined amount that begins at a place with its sign, and where it ends."""
    sign = _JOIN.match(text, place)
    if sign is None:
        return None
    more = amount_at(text, sign.end())
    if more is None or not more.has_unit:
        return None
    kind = AmountSign.LESS if sign.group(1).lower() in ("less", "minus") else AmountSign.PLUS
    return Joined(sign=kind, amount=more.amount), more.end


def _found(number: NumberFound, unit: Unit, factor: float, *, end: int, has_unit: bool,
           packs: int | None = None) -> AmountFound | None:
    times = factor * (packs or 1)
    try:
        amount = Amount(value=number.low * times, unit=unit,
                        high=None if number.high is None else number.high * times)
    except UnreadableAmount:
        return None
    return AmountFound(amount=amount, start=number.start, number_end=number.end, end=end,
                       has_unit=has_unit, packs=packs)


def _with_more_scoops(text: str, number: NumberFound) -> NumberFound:
    """Add up "½ + ¼" before a unit, as spoons and cups are written."""
    for _ in range(MOST_SCOOPS_ADDED):
        plus = _PLUS.match(text, number.end)
        if plus is None or number.high is not None:
            break
        more = number_at(text, plus.end(), words=False)
        if more is None or more.high is not None:
            break
        unit, so_far = _unit_at(text, more.end), _unit_at(text, number.end)
        if so_far is not None or (unit is None and not _PLUS.match(text, more.end)):
            break
        number = NumberFound(low=number.low + more.low, high=None, start=number.start,
                             end=more.end)
    return number


def _unit_at(text: str, place: int) -> tuple[Unit, float, int] | None:
    gap = _SPACE.match(text, place)
    start = gap.end() if gap else place
    if text[start:start + 1] in "-–":
        start += 1
    match = _UNIT.match(text, start)
    if match is None:
        return None
    word = match.group("word")
    if word in ("T", "t", "c"):
        unit = {"T": Unit.TABLESPOON, "t": Unit.TEASPOON, "c": Unit.CUP}[word]
        return unit, 1.0, match.end()
    if french := _FRENCH_SPOON.fullmatch(word):
        unit = Unit.TABLESPOON if french[1].lower().startswith("s") else Unit.TEASPOON
        return unit, 1.0, match.end()
    known = " ".join(word.lower().replace("fl.", "fl ").replace("floz", "fl oz").split())
    unit, factor = _UNIT_WORDS[known if known in _UNIT_WORDS else known.replace(" ", "")]
    return unit, factor, match.end()


def _bare_unit(text: str, place: int) -> AmountFound | None:
    """Read "pinch of salt", "tsp baking powder": one of a unit that needs no number."""
    unit = _unit_at(text, place)
    if unit is None or unit[0] not in (Unit.PINCH, Unit.DASH, Unit.HANDFUL, Unit.DROP,
                                       Unit.TEASPOON, Unit.TABLESPOON):
        return None
    if unit[0] in (Unit.TEASPOON, Unit.TABLESPOON) and not _SPOON_OF.match(text, place):
        return None
    number = NumberFound(low=1.0, high=None, start=place, end=place)
    return _found(number, unit[0], 1.0, end=unit[2], has_unit=True)


def _packs(text: str, count: NumberFound) -> AmountFound | None:
    """Read "2 x 385 g tins" and "1 (385 g) tin"."""
    times = _TIMES.match(text, count.end)
    opened = _OPENED.match(text, count.end)
    if count.high is not None or count.low != int(count.low):
        return None
    gap = times or opened or _SPACE.match(text, count.end)
    start = gap.end() if gap else count.end
    each = number_at(text, start, words=False)
    unit = None if each is None else _unit_at(text, each.end)
    if each is None or unit is None or unit[0] in CONTAINERS:
        return None
    end = unit[2]
    if opened and not times:
        closed = _CLOSED.match(text, end)
        after = None if closed is None else _unit_at(text, closed.end())
        if closed is None or after is None or after[0] not in CONTAINERS:
            return None
        end = after[2]
    else:
        after = _unit_at(text, end)
        if after is not None and after[0] in CONTAINERS:
            end = after[2]
        elif not times:
            return None
    whole = NumberFound(low=each.low, high=each.high, start=count.start, end=each.end)
    return _found(whole, unit[0], unit[1], end=end, has_unit=True, packs=int(count.low))


def _container_of(text: str, count: NumberFound, unit: Unit, end: int) -> AmountFound | None:
    """Read "2 tins (385 g each)" as so many grams, and "a 385 g tin" as one pack."""
    if unit in CONTAINERS and count.high is None and count.low == int(count.low):
        opened = _OPENED.match(text, end)
        each = None if opened is None else number_at(text, opened.end(), words=False)
        inner = None if each is None else _unit_at(text, each.end)
        if each is not None and inner is not None and inner[0] not in CONTAINERS:
            closed = _CLOSED.match(text, inner[2])
            if closed is not None:
                whole = NumberFound(low=each.low, high=each.high, start=count.start, end=each.end)
                return _found(whole, inner[0], inner[1], end=closed.end(), has_unit=True,
                              packs=int(count.low))
    after = None if unit in CONTAINERS else _unit_at(text, end)
    if after is not None and after[0] in CONTAINERS and text[end:end + 1] in (" ", "-"):
        return _found(count, unit, _UNIT_WORDS.get(unit.value, (unit, 1.0))[1], end=after[2],
                      has_unit=True, packs=1)
    return None
