"""Oven settings, times, pans and signs inside sentences."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.measures.fractions import read_number
from entremet.core.measures.numbers import number_at
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures

MOST_TIN_CM = 60.0
MOST_PANS_READ = 4
FAN_REACH, DEEP_REACH = 24, 200
"""How many signs before a setting "fan", and behind a pan "deep", may stand to belong to it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenFound:
    """An oven setting in a text, and the kind of oven where it says."""

    setting: Setting
    kind: OvenKind | None
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class TimeFound:
    """A time in a text, minutes; low = high for one number."""

    low_min: float
    high_min: float
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PanFound:
    """Pans in a text: what they are called, their measures and how many."""

    label: str
    measures: PanMeasures
    count: int
    words: str


_DEGREES = re.compile(
    r"(?<![\d.,])(?P<value>\d{2,3})\s*(?:°|º|degrees?|deg\.?)?\s*(?P<scale>C|F|Celsius|Fahrenheit)"
    r"(?![a-zA-Z])(?P<fan>\s*\(?\s*fan)?", re.IGNORECASE)
_MARK = re.compile(r"gas\s*(?:mark)?\s*(?P<mark>½|¼|1/2|1/4|\d{1,2})(?![\d°])", re.IGNORECASE)
_FAN_ONLY = re.compile(r"\bfan\b[^.;]{0,12}$", re.IGNORECASE)
_TIME_UNIT = re.compile(r"\s*-?\s*(?P<unit>minutes?|mins?\.?|hours?|hrs?\.?|h\b)", re.IGNORECASE)
_BAKE = re.compile(r"\b(?:bake[ds]?|baking|cook(?:ed|ing)?|steam(?:ed)?|oven (?:time|for)|"
                   r"in the oven)\b", re.IGNORECASE)
_UNTIL = re.compile(r"\buntil\s+(?:it(?:’s|'s|\s+is)\s+|they(?:’re|'re|\s+are)\s+)?"
                    r"(?P<sign>[^.;,]+)", re.IGNORECASE)
_STAND = re.compile(r"\b(?:cool|stand|rest|sit|leave)\b[^.;]{0,80}?\bin (?:the|its|their) "
                    r"(?:pans?|tins?|moulds?|cases?|tray)\b[^.;]{0,80}", re.IGNORECASE)
_LENGTH = r"\d{1,4}(?:[.,]\d{1,3})?(?:\s?[½¼¾])?"
_UNIT = r"(?:cm|centimetres?|in\b\.?|inch(?:es)?|\"|″|”)"
_PAN = re.compile(
    rf"(?:\b(?P<count>[1-9]|1[0-2]|one|two|three|four|five|six|a|an)\s*(?:x|×)?\s+"
    rf"(?:[a-z,-]{{1,20}}\s+){{0,3}}?)?(?<![\d.,])(?P<first>{_LENGTH})\s*-?\s*(?P<unit1>{_UNIT})?"
    rf"(?:\s*(?:x|×|by)\s*(?P<second>{_LENGTH})\s*-?\s*(?P<unit2>{_UNIT})?)?"
    rf"(?:\s*(?:x|×|by)\s*(?P<third>{_LENGTH})\s*-?\s*(?P<unit3>{_UNIT})?)?"
    r"(?:\s*/\s*[\d½]+\s*-?\s*(?:in|inch(?:es)?)\b)?"
    r"(?P<between>[^.;:\d]{0,40}?)\b"
    r"(?P<word>tins?|pans?|moulds?|molds?|trays?|dish(?:es)?|rings?)\b", re.IGNORECASE)
PAN_WORD = re.compile(r"\b(?:tins?|pans?|moulds?|molds?|trays?|dish(?:es)?|rings?)\b",
                      re.IGNORECASE)
_DEEP = re.compile(rf"(?<![\d.,])(?P<wall>{_LENGTH})\s*-?\s*(?P<unit>{_UNIT})\s*-?\s*"
                   r"(?:deep|high|tall|walls?)", re.IGNORECASE)
_WELLS = re.compile(r"(?P<wells>(?<!\d)\d{1,3}|twelve|six|ten)[- ]"
                    r"(?:hole|cup|well|case|mould)s?\b[^.;]{0,25}?"
                    r"\b(?:tins?|trays?|pans?)\b", re.IGNORECASE)
_COUNTS = {"one": 1, "a": 1, "an": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6,
           "ten": 10, "twelve": 12}


def ovens_in(text: str) -> list[OvenFound]:
    """Return the oven settings a text names, in order; those no oven has are passed over.

    >>> [(one.setting.text, one.kind) for one in ovens_in("Heat the oven to 180 °C (160 °C fan)")]
    [('180 °C', None), ('160 °C', <OvenKind.FAN: 'fan'>)]
    """
    found: list[tuple[int, OvenFound]] = []
    for match in _DEGREES.finditer(text):
        scale = Scale.CELSIUS if match["scale"][0].upper() == "C" else Scale.FAHRENHEIT
        fan = match["fan"] is not None or _FAN_ONLY.search(
            text, max(0, match.start() - FAN_REACH), match.start()) is not None
        setting = _setting(float(match["value"]), scale)
        if setting is not None:
            found.append((match.start(), OvenFound(
                setting=setting, kind=OvenKind.FAN if fan else None,
                words=match.group().strip())))
    for match in _MARK.finditer(text):
        setting = _setting(read_number(match["mark"]), Scale.MARK)
        if setting is not None:
            found.append((match.start(), OvenFound(setting=setting, kind=OvenKind.GAS,
                                                   words=match.group())))
    return [one for _, one in sorted(found, key=lambda row: row[0])]


def bake_time_in(text: str) -> TimeFound | None:
    """Return the bake time a text states: the first time in a sentence that bakes.

    >>> bake_time_in("Bake for 30–35 minutes.").high_min
    35.0
    """
    for sentence in re.split(r"(?<=[.;!?])\s+", text):
        verb = _BAKE.search(sentence)
        if verb is None:
            continue
        found = _times(sentence, verb.end()) or _times(sentence, 0)
        if found is not None:
            return found
    return None


def times_in(text: str) -> TimeFound | None:
    """Return the first time a stretch of text states.

    >>> times_in("for another 20 minutes").low_min
    20.0
    """
    return _times(text, 0)


def sign_in(text: str) -> str:
    """Return the sign a step ends on: what stands behind its last "until".

    >>> sign_in("Beat the butter and sugar until pale and fluffy.")
    'pale and fluffy'
    """
    signs = [match["sign"].strip(" ,") for match in _UNTIL.finditer(text)]
    return signs[-1][:120] if signs else ""


def stand_time_in(text: str) -> TimeFound | None:
    """Return how long the cake stands in its pan, where a sentence says."""
    stand = _STAND.search(text)
    if stand is None:
        return None
    sentence_start = max(text.rfind(".", 0, stand.start()), 0)
    return _times(text[sentence_start:stand.end()], 0) or _times(stand.group(), 0)


def pans_in(text: str) -> list[PanFound]:
    """Return the pans a text names with their measures.

    >>> [(one.count, one.label) for one in pans_in("Grease two 18 cm round tins")]
    [(2, 'round 18')]
    """
    found = []
    for match in _WELLS.finditer(text):
        wells = _COUNTS.get(match["wells"].lower()) or int(match["wells"])
        if 1 < wells <= 48:
            found.append(PanFound(
                label=f"tray of {wells}", count=wells, words=match.group(),
                measures=PanMeasures(outline=OutlineName.WELLS, wells=wells)))
        if len(found) == MOST_PANS_READ:
            break
    if found:
        return found
    for match in _PAN.finditer(text):
        pan = _pan(match, text)
        if pan is not None:
            found.append(pan)
        if len(found) == MOST_PANS_READ:
            break
    return found


def _pan(match: re.Match[str], text: str) -> PanFound | None:
    unit = match["unit1"] or match["unit2"] or match["unit3"]
    if unit is None:
        return None
    per = 1.0 if unit.lower().startswith("c") else 2.54
    sides = [side for one in (match["first"], match["second"], match["third"])
             if one and (side := _cm(one, unit)) is not None]
    if not sides or not all(2 <= side <= MOST_TIN_CM for side in sides):
        return None
    words = text[match.start():match.end()].lower()
    if re.search(r"\b(?:loaf)\b", words):
        if len(sides) < 2:
            return None
        outline, label = OutlineName.LOAF, "loaf"
    elif re.search(r"\b(?:ring|tube|bundt|savarin)\b", words):
        outline, label = OutlineName.RING, "ring"
    elif "square" in words:
        outline, label = OutlineName.SQUARE, "square"
    elif len(sides) >= 2 and not re.search(r"\b(?:round|springform)\b", words):
        outline, label = OutlineName.RECTANGLE, "sheet"
    else:
        outline, label = OutlineName.ROUND, "round"
    flat_sides = 2 if outline in (OutlineName.RECTANGLE, OutlineName.LOAF) else 1
    if outline is OutlineName.SQUARE and len(sides) > 1 and sides[1] == sides[0]:
        sides = sides[1:]
    wall = sides[flat_sides] if len(sides) > flat_sides else None
    if deep := _DEEP.search(text, match.start(), match.end() + DEEP_REACH):
        wall = _cm(deep["wall"], deep["unit"])
    size = " × ".join(f"{side / per:.3g}" for side in sides[:flat_sides])
    size = size if per == 1 else f"{size} in"
    count = match["count"]
    number = 1 if count is None else _COUNTS.get(count.lower()) or int(count)
    if not 1 <= number <= 24:
        return None
    return PanFound(
        label=f"{label} {size}", count=number, words=match.group().strip(),
        measures=PanMeasures(outline=outline, across=sides[0],
                             width=sides[1] if flat_sides == 2 else None, wall_cm=wall))


def _cm(number: str, unit: str) -> float | None:
    try:
        return read_number(number.replace(" ", "")) * (
            1.0 if unit.lower().startswith("c") else 2.54)
    except UnreadableAmount:
        return None


def _times(text: str, start: int) -> TimeFound | None:
    for digit in re.finditer(r"(?<![\w.,/⁄°])\d", text[start:]):
        place = start + digit.start()
        number = number_at(text, place, words=False)
        unit = None if number is None else _TIME_UNIT.match(text, number.end)
        if number is None or unit is None:
            continue
        per = 60.0 if unit["unit"].lower().startswith("h") else 1.0
        low, high, end = number.low * per, (number.high or number.low) * per, unit.end()
        if per == 60.0 and (more := number_at(text, _skip(text, end), words=False)):
            minutes = _TIME_UNIT.match(text, more.end)
            if minutes and minutes["unit"].lower().startswith("m"):
                low, high = low + more.low, high + (more.high or more.low)
                end = minutes.end()
        if 0 < low <= high <= 600:
            return TimeFound(low_min=low, high_min=high, words=text[place:end].strip())
    return None


def _skip(text: str, place: int) -> int:
    found = re.compile(r"\s*(?:and\s+)?").match(text, place)
    return found.end() if found else place


def _setting(value: float, scale: Scale) -> Setting | None:
    try:
        return Setting(value=value, scale=scale)
    except UnreadableAmount:
        return None
