"""Oven settings and signs inside sentences, and what kind of oven they are for."""

from __future__ import annotations

import re
from dataclasses import dataclass
from itertools import islice

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.remembered import remembered
from entremet.core.measures.fractions import read_number
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.reading.beside import gives_minutes, row_round

MOST_LOOKED_AT = 60
"""Settings of a text that are looked at."""
NEAR = 40
"""How many signs round a setting the words about it may stand."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenFound:
    """An oven setting in a text, the kind of oven where it says, and where it stands."""

    setting: Setting
    kind: OvenKind | None
    words: str
    start: int = 0
    end: int = 0


_DEGREES = re.compile(
    r"(?<![\d.,x×])(?P<value>\d{2,3})\s*(?:-?\s*(?P<to>\d{3})\s*)?"
    r"(?:(?:°|º|degrees?\b|deg\.?|˚)\s*(?P<scale1>C|F|Celsius|Fahrenheit|centigrade)?"
    r"|(?P<scale2>C|F|Celsius|Fahrenheit|centigrade))(?![a-zA-Z])", re.IGNORECASE)
_FAN_NUMBER = re.compile(r"(?<![\d.,])(?P<value>1\d\d|2[0-4]\d)\s*°?\s*C?\s*-?\s*\(?fan\b"
                         r"(?!\s*(?:oven)?:?\s*[12]\d\d)"
                         r"|\bfan\s*(?:oven|forced|bake|assisted)?\s*:?\s*(?P<behind>1\d\d|"
                         r"2[0-4]\d)"
                         r"(?![\d.])", re.IGNORECASE)
_BARE = re.compile(
    r"(?:(?:\boven\b[^.;\n\d]{0,30}|\bpre-?heat\b[^.;\n\d]{0,30}|\bbak(?:e|ed|ing)\b[^.;\n\d]{0,25}"
    r"\bat\s|\b(?:it|goes in|minutes?|mins?)\s+(?:goes in\s+)?at\s|@\s?))"
    r"(?P<value>1[2-9]\d|2[0-9]\d|[3-4]\d\d)(?!\d|\s*(?:g|ml|kg|cm|mm|min|x)\b)"
    r"|\b(?:pre-?heat|oven)\b[^.;\n]{0,50}\bto\s(?P<to>1[2-9]\d|2[0-4]\d|3[0-9]\d|4[0-7]\d)"
    r"(?!\d|\s*(?:g|ml|kg|cm|mm|min|x)\b)"
    r"|(?:^|(?<=[\s,;]))(?P<for>1[2-9]\d|2[0-4]\d|3[0-9][05])(?=\s+for\s+(?:about\s+)?\d)"
    r"|(?<=\bat )(?P<alone>1[2-9]\d|2[0-4]\d|3[0-9]\d|4[0-7]\d)(?=\s*(?:for\b|[.,;\n]|$))"
    r"|(?<![\d.,/])(?P<slash>1[2-9]\d|2[0-4]\d)"
    r"(?=\s*(?:/\s*1\d\d\s*°?C?\s*fan|,?\s*fan\s*1\d\d|\(\s*(?:fan:?\s*1\d\d|1\d\d\s*°?C?\s*fan)))",
    re.IGNORECASE | re.MULTILINE)
_MARK = re.compile(r"(?:\b(?:gas\s*(?:mark)?|gm|mark|regulo|reg\.?)|(?<=[/ ])G(?=\d(?:\b|"
                   r"½)))\s*(?P<mark>½|¼|1/2|1/4|"
                   r"\d{1,2}|one|two|three|four|five|six|seven|eight|nine)(?![\d°])",
                   re.IGNORECASE)
_MARKS = {"one": "1", "two": "2", "three": "3", "four": "4", "five": "5", "six": "6",
          "seven": "7", "eight": "8", "nine": "9"}
_FAN_BEFORE = re.compile(r"\b(?:fan|convection)\b[^.;\d/]{0,12}$", re.IGNORECASE)
_FAN_BEHIND = re.compile(r"[\s)(,]{0,3}(?:in a |on |a )?"
                         r"(?:fan\b|convection\b)(?!\s*(?:oven)?:?\s*[12]\d\d)", re.IGNORECASE)
_PLAIN_OVEN = re.compile(r"\bconventional\b|\btop and bottom\b|\bwithout (?:a |the )?fan\b|"
                         r"\bno fan\b|\bstatic\b", re.IGNORECASE)
_NO_OVEN = re.compile(
    r"\b(?:syrup|sugar|caramel|chocolate|temper|internal|centre|center|inside|core|reaches|"
    r"thermometer|probe|freezer)\b[^.;\n]{0,25}$", re.IGNORECASE)
_LUKEWARM = re.compile(
    r"\b(?:over (?:hot|simmering) water|over steam|whisk|milk|water|cream|melt|cool(?:ed)? (?:to|"
    r"down)|fridge|room temperature|proof|prove)\b[^.;\n]{0,25}$", re.IGNORECASE)
LEAST_OVEN = 130
"""Numbers below which a heat beside a warm bath or a proof is not an oven's; practice."""
LEAST_FAHRENHEIT = 200
"""Numbers below which no oven bakes in Fahrenheit; practice."""
MOST_FAN_LOWER = 30
"""How much lower a fan stands beside a plain setting, °C; practice, 10 to 25."""
_FAN_SLASH = re.compile(r"(?<![\d.,])(?P<plain>(?P<high>1\d\d|2[0-4]\d)\s*°?\s*C?)\s*/\s*"
                        r"(?P<fan>(?P<low>1\d\d|2[0-3]\d)\s*°?\s*C?\s*F)\b", re.IGNORECASE)
_LONE = re.compile(
    r"(?:^|[,;/|]\s*|(?<=min)\s+|(?<=mins)\s+|(?<=minutes)\s+)(?P<value>1[2-9][05]|2[0-4][05]|3[0-9][05]|4[0-5]0)(?=\s*(?:[,;/|]|$))",
    re.MULTILINE)
_OVEN_WORD = re.compile(r"\b(?:oven|bake[ds]?|baking|heat|preheat)\b", re.IGNORECASE)
_LOWERED = re.compile(
    r"\b(?:turn(?:ed|ing)?|reduc\w+|lower\w*|drop\w*|bring\w*|decreas\w+|knock\w*|take|turn)\b"
    r"[^.;\d]{0,50}$", re.IGNORECASE)
_UNTIL = re.compile(r"\buntil\s+(?:it(?:’s|'s|\s+is)\s+|they(?:’re|'re|\s+are)\s+)?"
                    r"(?P<sign>[^.;,]+)", re.IGNORECASE)


@remembered
def ovens_in(text: str) -> list[OvenFound]:
    """Return the oven settings a text names, in order; those no oven has are passed over.

    >>> [(one.setting.text, one.kind) for one in ovens_in("Heat the oven to 180 °C (160 °C fan)")]
    [('180 °C', None), ('160 °C', <OvenKind.FAN: 'fan'>)]
    """
    found: dict[int, OvenFound] = {}

    def add(start: int, end: int, value: float, scale: Scale, kind: OvenKind | None) -> None:
        setting = _setting(value, scale)
        overlaps = any(one.start < end and start < one.end for one in found.values())
        if setting is not None and not overlaps:
            found[start] = OvenFound(setting=setting, kind=kind, words=text[start:end].strip(),
                                     start=start, end=end)

    for match in islice(_FAN_SLASH.finditer(text), MOST_LOOKED_AT):
        plain, fan = float(match["high"]), float(match["low"])
        if 5 <= plain - fan <= MOST_FAN_LOWER:
            add(match.start("plain"), match.end("plain"), plain, Scale.CELSIUS, None)
            add(match.start("fan"), match.end("fan"), fan, Scale.CELSIUS, OvenKind.FAN)
    for match in islice(_DEGREES.finditer(text), MOST_LOOKED_AT):
        written = match["scale1"] or match["scale2"]
        value = float(match["value"])
        before = text[max(0, match.start() - NEAR):match.start()]
        if not written and not 100 <= value <= 500:
            continue
        if value < 100 and not _OVEN_WORD.search(before):
            continue
        if (_NO_OVEN.search(before) or (value < LEAST_OVEN and _LUKEWARM.search(before))) and not (
                value >= LEAST_OVEN and _OVEN_WORD.search(before)):
            continue
        scale = _scale(value) if not written else (
            Scale.FAHRENHEIT if written[0].upper() == "F" else Scale.CELSIUS)
        if scale is Scale.FAHRENHEIT and value < LEAST_FAHRENHEIT:
            continue
        add(match.start(), match.end(), value, scale, _kind(text, match.start(), match.end()))
    for match in islice(_FAN_NUMBER.finditer(text), MOST_LOOKED_AT):
        name = "value" if match["value"] else "behind"
        add(match.start(name), match.end(name), float(match[name]), Scale.CELSIUS, OvenKind.FAN)
    for match in islice(_BARE.finditer(text), MOST_LOOKED_AT):
        name = next(one for one in ("value", "to", "for", "alone", "slash") if match[one])
        value = float(match[name])
        if _NO_OVEN.search(text[max(0, match.start(name) - NEAR):match.start(name)]):
            continue
        add(match.start(name), match.end(name), value, _scale(value),
            _kind(text, match.start(name), match.end(name)))
    for match in islice(_MARK.finditer(text), MOST_LOOKED_AT):
        mark = _MARKS.get(match["mark"].lower(), match["mark"])
        add(match.start(), match.end(), read_number(mark), Scale.MARK, OvenKind.GAS)
    for match in islice(_LONE.finditer(text), MOST_LOOKED_AT):
        low, row = row_round(text, match.start("value"))
        if gives_minutes(row) and not any(
                low <= one.start < low + len(row) for one in found.values()):
            add(match.start("value"), match.end("value"), float(match["value"]),
                _scale(float(match["value"])), None)
    return [found[start] for start in sorted(found)]


def chosen_oven(ovens: list[OvenFound]) -> tuple[OvenFound, OvenKind | None]:
    """Return the setting that is taken of several, and the kind of oven it is for.

    One without a kind, or for a conventional oven, goes first; where a fan's stands beside it, it
    is the conventional oven's.
    """
    first = next((one for one in ovens if one.kind in (None, OvenKind.CONVENTIONAL)), ovens[0])
    if first.kind is None and any(one.kind is OvenKind.FAN for one in ovens):
        return first, OvenKind.CONVENTIONAL
    return first, first.kind


def lowered_to(text: str, ovens: list[OvenFound]) -> OvenFound | None:
    """Return the setting an oven is turned down to before anything bakes; None where it is not.

    >>> words = "Preheat to 220 °C, turn down to 180 °C and bake for 40 minutes."
    >>> lowered_to(words, ovens_in(words)).setting.text
    '180 °C'
    """
    for one in ovens[1:]:
        before = text[max(0, one.start - 2 * NEAR):one.start]
        if _LOWERED.search(before) and one.setting.scale is ovens[0].setting.scale and (
                one.setting.value < ovens[0].setting.value):
            return one
    return None


def sign_in(text: str) -> str:
    """Return the sign a step ends on: what stands behind its last "until".

    >>> sign_in("Beat the butter and sugar until pale and fluffy.")
    'pale and fluffy'
    """
    signs = [match["sign"].strip(" ,") for match in _UNTIL.finditer(text)]
    return signs[-1][:120] if signs else ""


def _kind(text: str, start: int, end: int) -> OvenKind | None:
    behind = text[end:end + NEAR]
    if _FAN_BEHIND.match(behind) or _FAN_BEFORE.search(text[max(0, start - 24):start]):
        if re.search(r"\b(?:without|no)\b[^.;]{0,8}$", text[max(0, start - 20):start]):
            return OvenKind.CONVENTIONAL
        return OvenKind.FAN
    near = re.match(r"[^.;\n\d]{0,40}", behind)
    if near is not None and _PLAIN_OVEN.search(near.group()):
        return OvenKind.CONVENTIONAL
    before = re.search(r"[^.;\n\d]{0,30}$", text[:start][-60:])
    if before is not None and _PLAIN_OVEN.search(before.group()):
        return OvenKind.CONVENTIONAL
    return None


def _scale(value: float) -> Scale:
    """Return what a bare setting counts in: no dial in Celsius goes above 260."""
    return Scale.CELSIUS if value <= 260 else Scale.FAHRENHEIT


def _setting(value: float, scale: Scale) -> Setting | None:
    try:
        return Setting(value=value, scale=scale)
    except UnreadableAmount:
        return None
