"""A pan in one breath, as somebody types it at the bench: "20x7.5 round", "10 cup bundt"."""

from __future__ import annotations

import re
from dataclasses import replace

from entremet.core.card.card import CardPan
from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.quantities import cm, number
from entremet.core.measures.fractions import read_number
from entremet.core.measures.habits import CM_PER_INCH
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.reading.facts import card_pan
from entremet.core.reading.pans import COUNTS, CUP_ML, PAN_WORD, SHAPES, pans_in

MOST_PANS = 24

_ONE_SIDE = frozenset({OutlineName.ROUND, OutlineName.SQUARE, OutlineName.HEART,
                       OutlineName.HALF_BALL})
_FIGURE = r"\d{1,3}(?:[.,]\d{1,2})?(?:\s+\d/\d|\s?[½¼¾])?"
_NUMBER = re.compile(_FIGURE)
_UNIT = re.compile(r"(?<=[\d\s½¼¾])(mm|cm|in|inch|inches|\")(?![a-z])")
_PER = {"mm": 0.1, "cm": 1.0}
_DEEP = re.compile(rf"(?:({_FIGURE})\s*(?:mm|cm|in|inch|inches|\")?\s*(?:deep|high|tall|walls?)"
                   rf"|(?:deep|wall)\s+({_FIGURE}))")
_HOLDS = re.compile(rf"({_FIGURE})\s*[- ]?(l|litres?|liters?|cups?|ml)(?![a-z])")
_NAMES = {outline: name for outline, name, _ in SHAPES}
_ANY_SHAPE = "|".join(words for _, _, words in SHAPES)
_COUNTED = re.compile(rf"^({'|'.join(COUNTS)}|\d{{1,2}})\s*(?:x\s*|of\s+|\s)"
                      rf"(?=(?:{_ANY_SHAPE})\s+\d"
                      rf"|{_FIGURE}\s*(?:cm|in|inch|\")?\s*(?:x|[a-z]))")

USUAL_RING_ML, USUAL_WALL_CM = 2400.0, 8.5
"""A fluted ring that holds so much is so deep; practice, 8 to 9.5 cm. Its width follows."""


def terse_pan(text: str, *, inches: bool = False) -> CardPan:
    """Read a pan as it is typed in one box.

    Parameters
    ----------
    text : str
        Shape and sizes in any order; a ring by what it holds.
    inches : bool
        Whether a bare number is inches.

    Returns
    -------
    CardPan
        With its count; ``assumed`` says what of it nobody measured.

    Raises
    ------
    UnreadableAmount
        Naming ``text``, with what is missing.

    >>> pan = terse_pan("2 × round 20 x 7.5")
    >>> pan.count, pan.label, pan.measures.wall_cm
    (2, 'round 20', 7.5)
    >>> terse_pan("10 cup bundt").label
    'ring of 10 cups, usual shape'
    """
    said = " ".join(text.lower().replace("×", "x").replace(" by ", " x ").split())
    count, rest = _counted(said)
    outline = _shape_in(rest)
    holds = _HOLDS.search(rest)
    if outline is OutlineName.RING and holds is not None:
        return _ring(holds, count)
    found = _sized(rest, outline, per=_per(rest, inches=inches))
    if found is not None:
        return replace(found, count=count)
    read = pans_in(text if PAN_WORD.search(text) else f"{text} tin")
    if not read:
        raise UnreadableAmount("No pan can be read there. Write for instance 20 × 7.5 round, "
                               "33 × 23 × 5 sheet, or 2.4 l ring.", field="text")
    pan = card_pan(read[0])
    if pan.measures.outline is OutlineName.WELLS and pan.measures.across is None:
        raise UnreadableAmount("How large is a well of it? Take the tray from the rack, or type "
                               "its measures.", field="text")
    if pan.measures.wall_cm is None and pan.measures.capacity_ml is None:
        raise _how_deep(pan.label)
    return pan


def _counted(said: str) -> tuple[int, str]:
    found = _COUNTED.match(said)
    if found is None:
        return 1, said
    count = COUNTS.get(found[1]) or int(found[1])
    figures = len(_NUMBER.findall(said))
    shape = _shape_in(said)
    sides = 2 if shape in _ONE_SIDE else 3
    # "9 x 13 x 2 sheet" has three sides and no count, "2 x 20 x 5 round" has one.
    if not 1 <= count <= MOST_PANS or (
            " x" in f" {said[found.end(1):found.end()]}" and (
                shape is None or figures <= sides)):
        return 1, said
    return count, said[found.end():]


def _shape_in(said: str) -> OutlineName | None:
    return next((shape for shape, _, words in SHAPES
                 if re.search(rf"\b(?:{words})(?!\w)", said)), None)


def _per(rest: str, *, inches: bool) -> float:
    """Return the centimetres of a number: by the unit that is written, else by the kitchen's."""
    written = {_PER.get(one, CM_PER_INCH) for one in _UNIT.findall(rest)}
    if len(written) > 1:
        raise UnreadableAmount("Write all of it in one unit.", field="text")
    return written.pop() if written else CM_PER_INCH if inches else 1.0


def _sized(rest: str, outline: OutlineName | None, *, per: float) -> CardPan | None:
    inches = per == CM_PER_INCH
    deep = _DEEP.search(rest)
    sizes = [read_number(one) for one in _NUMBER.findall(_DEEP.sub(" ", rest))]
    wall = None if deep is None else read_number(deep[1] or deep[2])
    sides = 1 if outline in _ONE_SIDE else 2
    if outline is None and len(sizes) + (deep is not None) == 3:
        outline, sides = OutlineName.RECTANGLE, 2
    if outline is None or outline is OutlineName.RING or len(sizes) < sides:
        return None
    own, over = sorted(sizes[:sides], reverse=True), sizes[sides:]
    wall = over[0] if wall is None and over else wall
    words = " × ".join(number(one * (per if per < 1 else 1)) for one in own)
    label = f"{_NAMES[outline]} {words}{' in' if inches else ''}"
    if len(over) > 1:
        raise UnreadableAmount(f"{label} has more sizes than a pan: its sides, then its wall.",
                               field="text")
    if wall is None and outline is not OutlineName.HALF_BALL:
        raise _how_deep(label)
    return CardPan(label=label, count=1, measures=PanMeasures(
        outline=outline, across=own[0] * per, width=own[1] * per if sides == 2 else None,
        wall_cm=None if wall is None else wall * per))


def _ring(holds: re.Match[str], count: int) -> CardPan:
    """Return a ring known by what it holds, in the usual shape of one."""
    amount, unit = read_number(holds[1]), holds[2]
    per = CUP_ML if unit.startswith("cup") else 1.0 if unit == "ml" else 1000.0
    holds_ml = amount * per
    if not 300 <= holds_ml <= 12_000:
        raise UnreadableAmount("A ring holds 0.3 to 12 litres.", field="text")
    wall = round(USUAL_WALL_CM * (holds_ml / USUAL_RING_ML) ** (1 / 3), 1)
    told = f"{number(amount)} {'cups' if per == CUP_ML else 'ml' if per == 1.0 else 'l'}"
    return CardPan(
        label=f"ring of {told}, usual shape", count=count,
        assumed=f"a ring's usual shape, practice: {cm(wall)} deep",
        measures=PanMeasures(outline=OutlineName.RING, capacity_ml=round(holds_ml, 1), flutes=8,
                             wall_cm=wall))


def _how_deep(label: str) -> UnreadableAmount:
    return UnreadableAmount(f"How deep is {label}? Its wall comes last: 20 × 7.5 round, or "
                            "33 × 23 × 5 sheet.", field="text")
