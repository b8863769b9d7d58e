"""Pans anywhere in a text: sizes, shapes, wells, capacities, and how many."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from itertools import islice

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.remembered import remembered
from entremet.core.measures.fractions import read_number
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.pans.pan import PanFinish
from entremet.core.reading.beside import gives_minutes, row_round

MOST_TIN_CM = 75.0
MOST_PANS_READ = 6
MOST_LOOKED_AT = 120
"""Sizes of a text that are looked at; a recipe has a few."""
DEEP_REACH = 200
"""How many signs behind a pan "deep" may stand to belong to it."""
CUP_ML = 236.588
LOAF_ML_PER_LB = 950.0
"""Capacity of a loaf tin for each pound it is called by; practice, 800 to 1100."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanFound:
    """Pans in a text: what they are called, their measures, how many, and where they stand."""

    label: str
    measures: PanMeasures
    count: int
    words: str
    start: int = 0
    end: int = 0
    assumed: str = ""


_SIZE = r"(?:\d{1,3}\s+[1-3]/[248]|\d{1,3}(?:[.,]\d{1,2})?(?:\s?[½¼¾])?)"
_UNIT = (r"(?:cm\b|centi(?:metre|meter)s?\b|mm\b|in\b\.?(?!\s+(?:the|an?|my|your|our|it|this|that|"
         r"its|their|two|one)\b)|ins\b|inch(?:es)?\b|\"|″|”|'')")
_BY = r"\s*(?:x|×|by|\*)\s*"
_DIMS = re.compile(
    rf"(?<![\d.,/])(?<!\dh)(?P<first>{_SIZE})\s*-?\s*(?P<unit1>{_UNIT})?"
    rf"(?:{_BY}(?P<second>{_SIZE})\s*-?\s*(?P<unit2>{_UNIT})?)?"
    rf"(?:{_BY}(?P<third>{_SIZE})\s*-?\s*(?P<unit3>{_UNIT})?)?(?![\d%])", re.IGNORECASE)
_VESSEL = (r"tins?|pans?|moulds?|molds?|trays?|dish(?:es)?|rings?|springforms?|spring-form|"
           r"bundts?|loaf|skillets?|tray\s?bakes?|sandwich(?:es)?|cake\s?tins?|roasting|"
           r"jelly[- ]?roll|swiss[- ]?roll|frames?|cake boards?")
PAN_WORD = re.compile(rf"\b(?:{_VESSEL})\b", re.IGNORECASE)
_CAKE = re.compile(r"\b(?:cakes?|sponges?|layers)\b", re.IGNORECASE)
SHAPES: tuple[tuple[OutlineName, str, str], ...] = (
    (OutlineName.HEART, "heart", r"heart(?:s|-shaped| shaped)?"),
    (OutlineName.RING, "ring", r"rings?|bundts?|tube|savarin|kugelhopf|gugelhupf|angel"),
    (OutlineName.LOAF, "loaf", r"loaf|loaves|pullman"),
    (OutlineName.OVAL, "oval", r"oval"),
    (OutlineName.HALF_BALL, "half ball", r"half[- ]?balls?|hemispheres?|half[- ]?spheres?|domes?"),
    (OutlineName.HALF_MOON, "half moon", r"half[- ]?moons?"),
    (OutlineName.POLYGON, "hexagon", r"hexagon(?:al)?|octagon(?:al)?"),
    (OutlineName.PETAL, "petal", r"petals?|flower(?:-shaped)?|scalloped"),
    (OutlineName.SQUARE, "square", r"square|sq\.?"),
    (OutlineName.ROUND, "round", r"rounds?|rd\.?|circular|springforms?|spring-form|sandwich|"
                                 r"skillet|cake ring"),
    (OutlineName.RECTANGLE, "sheet", r"rectang\w+|oblong|sheet|swiss[- ]?roll|jelly[- ]?roll|"
                                     r"tray\s?bakes?|trays?|roasting|oven tray"),
)
_SHAPE_WORD = re.compile(r"\b(?:" + "|".join(words for _, _, words in SHAPES) + r")(?!\w)",
                         re.IGNORECASE)
_WELL_THING = (r"(?:muffins?|cupcakes?|cup cakes?|fairy cakes?|bun|buns|mini|fingers?|financiers?|"
               r"friands?|madeleines?|cavity|patty|deep|shallow|silicone|standard|non-?stick|large|"
               r"small)")
_WELLS = re.compile(
    rf"(?<![\d./])(?P<wells>\d{{1,3}}|two|four|six|eight|nine|ten|twelve|twenty-?four)"
    rf"(?:[- ]?(?P<kind>holes?|wells?|moulds?|molds?|cases?|cavity|cups?)\b[- ]?"
    rf"(?P<between>(?:{_WELL_THING}[- ]+){{0,3}})(?P<vessel>tins?|trays?|pans?|moulds?)\b"
    rf"|[- ]+(?P<things>(?:{_WELL_THING}[- ]+){{1,3}})(?P<cases>moulds?|molds?|cases?|tins?|"
    rf"wells?|papers)\b)", re.IGNORECASE)
_BARE_WELLS = re.compile(r"(?<![\d./])(?P<wells>\d{1,3}|six|twelve|twenty-?four)[- ](?:hole|well|"
                         r"cavity)\b", re.IGNORECASE)
_CUPS = re.compile(r"(?<![\d./])(?P<cups>\d{1,2}(?:[.,]\d|"
                   r"\s?½)?)[- ]?cups?\b(?P<rest>(?:\s+[a-z-]+){0,3}?)"
                   r"\s+(?P<vessel>rings?|bundts?|tube|moulds?|molds?)\b", re.IGNORECASE)
_LITRES = re.compile(r"(?<![\d./])(?P<litres>\d{1,2}(?:[.,]\d{1,2})?)[- ]?(?:l|litres?|liters?)\b"
                     r"(?P<rest>[^.;\n]{0,40}?)\b(?P<vessel>rings?|bundts?|tube|moulds?|molds?|"
                     r"loaf)\b", re.IGNORECASE)
_POUNDS = re.compile(r"(?<![\d./])(?P<size>\d(?:[.,]5|\s?½)?\s*-?\s*(?:lb|pound)|(?:450|500|"
                     r"900)\s*g|"
                     r"1\s*kg)s?\b[^.;\n\d]{0,25}?\b(?:loaf|bread|tins?\b)"
                     r"|\b(?:loaf|bread) tins?\s*(?:of|,|\()?\s*(?P<behind>(?:450|500|900)\s*g|"
                     r"1\s*kg|"
                     r"[12]\s*-?\s*lbs?)\b", re.IGNORECASE)
_DEEP = re.compile(rf"(?<![\d.,])(?P<wall>{_SIZE})\s*-?\s*(?P<unit>{_UNIT})\s*-?\s*"
                   r"(?:deep|high|tall|walls?|depth)", re.IGNORECASE)
_NOT_A_PAN = re.compile(
    r"\s*-?\s*(?:deep|high|tall|thick|apart|long|cubes?|pieces|strips?|chunks|dice|slices|"
    r"squares(?!\s+(?:tins?|pans?))|above|from|fingers|depth|lengths?|gap|border|"
    r"cutters?|nozzle|cm\b)", re.IGNORECASE)
_COUNT_BEFORE = re.compile(
    r"(?:^|[^\w.,/])(?P<count>[1-9]|1[0-2]|one|two|three|four|five|six|seven|eight|an?|pair)"
    r"(?:\s*[x×]\s*|\s+(?:of\s+)?(?:(?!\d|in\b|into\b|turns|goes\b|lots\b|at\b|"
    r"for\b|an?\b|the\b|to\b)[\w'-]{1,20},?\s+){0,4}?)$", re.IGNORECASE)
_COUNT_BEHIND = re.compile(r"\s*[x×]\s*(?P<count>[1-9]|1[0-2])\b(?!\s*(?:cm|in\b|inch|\"))"
                           r"|\s*\((?P<bracket>[2-9]|two|three|four)(?:\s+of them)?\)",
                           re.IGNORECASE)
_PATTED = re.compile(
    rf"(?P<across>{_SIZE})\s*-?\s*(?P<unit>{_UNIT})\s+(?P<shape>squares?|rounds?|circles?)\b"
    rf"[^.;\n]{{0,40}}?(?P<wall>{_SIZE})\s*-?\s*(?P<unit2>{_UNIT})\s+thick\b",
    re.IGNORECASE)
_BETWEEN_SIZES = re.compile(r"^[\s/(]*(?:or|about|approx\.?|=)?[\s(]*$", re.IGNORECASE)
_DARK = re.compile(r"\b(?:dark|black)(?:-coloured)?\b", re.IGNORECASE)
_MATERIAL = ((PanFinish.GLASS, re.compile(r"\b(?:glass|pyrex)\b", re.IGNORECASE)),
             (PanFinish.SILICONE, re.compile(r"\bsilicone\b", re.IGNORECASE)),
             (PanFinish.DARK, _DARK),
             (PanFinish.HEAVY, re.compile(
                 r"\b(?:heavy(?:-?(?:duty|gauge|weight|bottomed|based)\b|(?!\s+cream\b))|"
                 r"thick(?:[- ]?(?:walled|bottomed|based)|\s+(?:metal|tins?|pans?|moulds?))|"
                 r"cast(?:[- ]?(?:iron|alumini?um)|\s+(?:tins?|pans?|moulds?)))\b",
                 re.IGNORECASE)),
             (PanFinish.PAPER, re.compile(r"\b(?:paper|cardboard) (?:mould|mold|pan|tin|loaf|"
                                       r"case form)", re.IGNORECASE)))
COUNTS = {"one": 1, "a": 1, "an": 1, "two": 2, "pair": 2, "three": 3, "four": 4, "five": 5,
           "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "twelve": 12,
           "twentyfour": 24, "twenty-four": 24}
_CLAUSE_END = re.compile(r"[;\n]|\.(?=\s|$)|(?<=\S)\s+or\s+(?=an?\b|the\b|in\b|for\b|use\b|one\b|"
                         r"\d)|"
                         r"\bthen\b", re.IGNORECASE)
REACH = 45
_CALLED = re.compile(r"\b(?:the|my|a|in)\s+(?P<across>1[5-9]|2\d|30)\s+"
                     r"(?P<shape>springform|round|square)\b", re.IGNORECASE)


@remembered
def pans_in(text: str) -> list[PanFound]:
    """Return the pans a text names with their measures, in order.

    >>> [(one.count, one.label) for one in pans_in("Grease two 18 cm round tins")]
    [(2, 'round 18')]
    >>> pans_in("a 12-cup fluted ring tin")[0].measures.capacity_ml
    2839.1
    """
    found = [*_by_capacity(text), *_trays(text), *_patted(text), *_called(text)]
    taken = [(one.start, one.end) for one in found]
    last_end = -1
    for match in islice(_DIMS.finditer(text), MOST_LOOKED_AT):
        if any(start < match.end() and match.start() < end for start, end in taken):
            continue
        pan = _sized(match, text)
        if pan is None:
            continue
        if last_end >= 0 and _BETWEEN_SIZES.match(text[last_end:match.start()]):
            last_end = match.end()
            continue
        found.append(pan)
        last_end = match.end()
        if len(found) >= MOST_PANS_READ:
            break
    return sorted(found, key=lambda one: one.start)[:MOST_PANS_READ]


def _clause(text: str, start: int, end: int) -> tuple[int, int]:
    """Return the clause around a stretch, no further than a pan is spoken of."""
    low = max(0, start - REACH)
    high = min(len(text), end + REACH)
    before = [one.end() for one in _CLAUSE_END.finditer(text, low, start)]
    behind = _CLAUSE_END.search(text, end, high)
    return (before[-1] if before else low), (behind.start() if behind else high)


def _sized(match: re.Match[str], text: str) -> PanFound | None:
    unit = match["unit1"] or match["unit2"] or match["unit3"]
    numbers = [one for one in (match["first"], match["second"], match["third"]) if one]
    start, end = match.span()
    if _NOT_A_PAN.match(text, end):
        return None
    low, high = _clause(text, start, end)
    around = text[low:high]
    vessel, shape = PAN_WORD.search(around), _SHAPE_WORD.search(around)
    if vessel is None and shape is None and not (
            unit and _CAKE.search(around) and (_number(numbers[-1]) or 0) >= 6):
        return None
    if unit is None and (len(numbers) < 2 or not _looks_like_sides(numbers)):
        return None
    several = _counted(match)
    numbers = numbers[1:] if several else numbers
    per = _per(unit, numbers)
    sides = [side * per for one in numbers if (side := _number(one)) is not None]
    if not sides or not all(2 <= side <= MOST_TIN_CM for side in sides):
        return None
    if vessel is None and shape is not None and unit is not None and len(sides) == 1 and (
            abs(low + shape.start() - start) > 24):
        return None
    outline, label = _outline(text, start, end, low, high, sides)
    flat = 2 if outline in _TWO_SIDES and len(sides) > 1 else 1
    if outline is OutlineName.LOAF and len(sides) < 2:
        return None
    across, width, wall = _sides(sides, flat)
    if outline is OutlineName.SQUARE and len(sides) > 1 and sides[1] == sides[0]:
        wall = sides[2] if len(sides) > 2 else None
    if deep := _DEEP.search(text, start, end + DEEP_REACH):
        wall = (_number(deep["wall"]) or 0) * _per(deep["unit"], []) or None
    size = " × ".join(f"{side / per:.3g}" for side in ((across, width) if width else (across,)))
    return PanFound(
        label=f"{label} {size}{'' if per == 1 else ' in'}",
        count=several or _count(text, start, end, low),
        words=text[start:_words_end(text, end, high)].strip(),
        measures=PanMeasures(
            outline=outline, across=across, width=width, wall_cm=wall, finish=_finish(around),
            sides=8 if "octagon" in around.lower() else 6),
        start=start, end=end)


def _counted(match: re.Match[str]) -> int:
    """Return how many pans "2 x 20 cm" counts; 0 where its first number is a side."""
    first, second = match["first"], match["second"]
    if match["unit1"] or match["third"] or not match["unit2"] or not first.isdigit():
        return 0
    return int(first) if int(first) <= 4 and (_number(second) or 0) >= 2.5 * int(first) else 0


_TWO_SIDES = (OutlineName.RECTANGLE, OutlineName.LOAF, OutlineName.OVAL)


def _sides(sides: list[float], flat: int) -> tuple[float, float | None, float | None]:
    wall = sides[flat] if len(sides) > flat else None
    if flat == 1:
        return sides[0], None, wall
    return max(sides[:2]), min(sides[:2]), wall


def _looks_like_sides(numbers: list[str]) -> bool:
    """Say whether two bare numbers can be the sides of a pan: 9 x 13, 33 x 23."""
    values = [_number(one) or 0 for one in numbers[:2]]
    return all(4 <= one <= 60 for one in values) and max(values) <= 3.5 * min(values)


def _per(unit: str | None, numbers: list[str]) -> float:
    """Return centimetres for one of a unit; bare sides up to 18 are inches, as pans are made."""
    if unit is None:
        return 2.54 if max(_number(one) or 0 for one in numbers[:2]) <= 18 else 1.0
    if unit.lower().startswith("mm"):
        return 0.1
    return 1.0 if unit.lower().startswith("c") else 2.54


def _outline(text: str, start: int, end: int, low: int, high: int,
             sides: list[float]) -> tuple[OutlineName, str]:
    """Return the outline by the nearest word of a shape that the sides allow."""
    two = len(sides) > 1
    equal = two and abs(sides[0] - sides[1]) < 0.01
    tall = two and not equal and sides[1] <= 0.45 * sides[0] and len(sides) == 2
    named = []
    for rank, (outline, label, words) in enumerate(SHAPES):
        for one in re.finditer(rf"\b(?:{words})(?!\w)", text[low:high], re.IGNORECASE):
            gap = low + one.start() - end if low + one.start() >= end else start - low - one.end()
            named.append((rank if gap <= REACH else 99, gap, outline, label))
    for _, _, outline, label in sorted(named, key=lambda row: row[:2]):
        if outline is OutlineName.ROUND and two and not equal and not tall:
            continue
        if outline is OutlineName.RECTANGLE and (not two or equal):
            continue
        return outline, label
    if equal:
        return OutlineName.SQUARE, "square"
    if two and not (tall and sides[1] <= 8):
        return OutlineName.RECTANGLE, "sheet"
    return OutlineName.ROUND, "round"


def _finish(around: str) -> PanFinish:
    return next((finish for finish, words in _MATERIAL if words.search(around)), PanFinish.BRIGHT)


def _count(text: str, start: int, end: int, low: int) -> int:
    before = _COUNT_BEFORE.search(text[max(low, text.rfind("\n", 0, start) + 1):start])
    behind = _COUNT_BEHIND.search(text[end:end + 40])
    if before is not None:
        words = before["count"].lower()
        return COUNTS.get(words) or int(words)
    if behind is not None:
        words = (behind["count"] or behind["bracket"]).lower()
        return COUNTS.get(words) or int(words)
    return 1


def _words_end(text: str, end: int, high: int) -> int:
    word = PAN_WORD.search(text, end, high)
    return word.end() if word else end


def _called(text: str) -> list[PanFound]:
    """Read a pan called by its bare number: "the 23 springform"."""
    found = []
    for match in islice(_CALLED.finditer(text), MOST_LOOKED_AT):
        across = float(match["across"])
        square = match["shape"].lower().startswith("square")
        found.append(PanFound(
            label=f"{'square' if square else 'round'} {across:g}", count=1, words=match.group(),
            start=match.start(), end=match.end(), assumed=f"{across:g} taken for centimetres",
            measures=PanMeasures(outline=OutlineName.SQUARE if square else OutlineName.ROUND,
                                 across=across)))
    return found


def _by_capacity(text: str) -> list[PanFound]:
    """Read a 12-cup ring, a 2-litre mould, a 2 lb loaf tin."""
    found = []
    for pattern, name, per in ((_CUPS, "cups", CUP_ML), (_LITRES, "litres", 1000.0)):
        for match in islice(pattern.finditer(text), MOST_LOOKED_AT):
            amount = _number(match[name])
            if amount is None or not 1.0 <= amount * per / 1000 <= 12:
                continue
            loaf = match["vessel"].lower() == "loaf"
            found.append(PanFound(
                label=f"{'loaf' if loaf else 'ring'} of {amount:g} "
                      f"{'cups' if per == CUP_ML else 'l'}",
                measures=PanMeasures(outline=OutlineName.LOAF if loaf else OutlineName.RING,
                                     capacity_ml=round(amount * per, 1)),
                count=_count(text, match.start(), match.end(), max(0, match.start() - REACH)),
                words=match.group(), start=match.start(), end=match.end()))
    for match in islice(_POUNDS.finditer(text), MOST_LOOKED_AT):
        size = re.sub(r"\s|-", "", (match["size"] or match["behind"]).lower())
        pounds = {"450g": 1.0, "500g": 1.0, "900g": 2.0, "1kg": 2.0}.get(size) or _number(
            re.sub(r"[a-z]", "", size)) or 1.0
        named = re.search("loaf|bread", match.group(), re.IGNORECASE) is not None
        if not named and "lb" not in size and "pound" not in size and not gives_minutes(
                row_round(text, match.start())[1]):
            continue
        found.append(PanFound(
            label=f"loaf of {pounds:g} lb", count=_count(text, match.start(), match.end(), max(
                0, match.start() - REACH)), words=match.group(), start=match.start(),
            end=match.end(), assumed=f"a tin called {pounds:g} lb taken to hold "
            f"{pounds * LOAF_ML_PER_LB:.0f} ml",
            measures=PanMeasures(outline=OutlineName.LOAF,
                                 capacity_ml=pounds * LOAF_ML_PER_LB)))
    return found


def _trays(text: str) -> list[PanFound]:
    found: list[PanFound] = []
    for match in [*islice(_WELLS.finditer(text), MOST_LOOKED_AT),
                  *islice(_BARE_WELLS.finditer(text), MOST_LOOKED_AT)]:
        words = match["wells"].lower()
        wells = COUNTS.get(words) or (int(words) if words.isdigit() else 0)
        rest = match.group().lower()
        if not 1 < wells <= 96 or any(one.start <= match.start() < one.end for one in found):
            continue
        if re.search(r"\b(?:ring|bundt|tube|loaf)\b", text[match.start():match.end() + 12].lower()):
            continue
        if "cup" in rest and "muffin" not in rest and "cake" not in rest and wells > 48:
            continue
        trays = _count(text, match.start(), match.end(), max(0, match.start() - REACH))
        found.append(PanFound(
            label=f"tray of {wells}", count=wells * (trays if trays > 1 else 1),
            words=match.group(), start=match.start(), end=match.end(),
            measures=PanMeasures(outline=OutlineName.WELLS, wells=wells)))
    return found


def _patted(text: str) -> list[PanFound]:
    """Read dough patted out: "two 10 cm squares patted 2.5 cm thick"."""
    found = []
    for match in islice(_PATTED.finditer(text), MOST_LOOKED_AT):
        across, wall = _number(match["across"]), _number(match["wall"])
        if across is None or wall is None:
            continue
        square = match["shape"].lower().startswith("square")
        found.append(PanFound(
            label=f"{'square' if square else 'round'} {across:g}, patted out",
            count=_count(text, match.start(), match.end(), max(0, match.start() - REACH)),
            words=match.group(), start=match.start(), end=match.end(),
            measures=PanMeasures(
                outline=OutlineName.SQUARE if square else OutlineName.ROUND, patted=True,
                across=across * _per(match["unit"], []), wall_cm=wall * _per(match["unit2"], []))))
    return found


def _number(words: str) -> float | None:
    try:
        value = read_number(" ".join(words.replace(",", ".").split()))
    except UnreadableAmount:
        return None
    return value if math.isfinite(value) else None
