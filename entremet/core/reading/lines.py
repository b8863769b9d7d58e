"""Reading one ingredient line: amount, unit, ingredient, note, each with its place in the text."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from enum import Enum

from entremet.core.card.card import CardLine, Instead
from entremet.core.card.lines import ScalesBy
from entremet.core.ingredients.names import plain
from entremet.core.ingredients.search import Match, match
from entremet.core.ingredients.table import TABLE, Ingredient, IngredientTable, Role
from entremet.core.measures.amounts import Amount, Joined
from entremet.core.measures.grammar import AmountFound, amount_at, joined_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import EGG_UNITS, MASS_G, Unit
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.eggs import egg_size_of, egg_unit

FLUID_ROLES = frozenset({Role.LIQUID, Role.DAIRY, Role.ACID_DAIRY, Role.ACID})
FLUID_WATER = 0.55
"""Share of water from which a dairy food pours, so that its ounces may be fluid; estimate."""

LONGEST_AMOUNT = 80
"""Signs in which an amount behind its name has to fit."""

BARE_GRAMS = frozenset({Role.FLOUR, Role.STARCH, Role.SUGAR, Role.FAT})
"""Things nobody counts, so that a bare number of them weighs; practice."""

LEAST_GRAMS = 15
"""From here on a bare number of them is taken for grams; practice."""

MOST_COUNTED = 60
"""A number behind a name counts up to here; practice."""

LEAVE = ""
"""Answer to "what is this?": nothing in the table; leave it as written."""


class MarkKind(Enum):
    """What a stretch of a line's text was read as."""

    AMOUNT = "amount"
    UNIT = "unit"
    INGREDIENT = "ingredient"
    NOTE = "note"


@dataclass(frozen=True, slots=True, kw_only=True)
class Mark:
    """A stretch of the text, from ``start`` up to ``end``, and what it was read as."""

    kind: MarkKind
    start: int
    end: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Memory:
    """What the baker answered before.

    Parameters
    ----------
    names : mapping
        From a name in plain form to an ingredient's key, or to nothing for "leave as written".
    ounces : mapping
        From a name in plain form to the unit its "oz" means.
    """

    names: Mapping[str, str] = field(default_factory=dict)
    ounces: Mapping[str, Unit] = field(default_factory=dict)


NO_MEMORY = Memory()


@dataclass(frozen=True, slots=True, kw_only=True)
class LineRead:
    """A line as read, with the marks in its text, and whether all of it is for the pan."""

    line: CardLine
    marks: tuple[Mark, ...]
    for_pan: bool = False


_SPACES = re.compile(r"[\s ]+")
_OPTIONAL = re.compile(r"\(?\b(?:optional|if (?:you )?like|if liked)\b\)?", re.IGNORECASE)
_TASTE = re.compile(r"\b(?:to taste|as needed|as required|for (?:dusting|serving|decorating|"
                    r"sprinkling|finishing))\b", re.IGNORECASE)
_FOR_PAN = re.compile(
    r"\bfor (?:(?:greasing|lining|buttering|brushing(?= (?:the |your )?(?:pan|tin|mould)))\b"
    r"(?: (?:the |your )?(?:pans?|tins?|moulds?|"
    r"trays?|dish|ring)\b)?|(?:the |your )(?:pans?|tins?|moulds?|trays?|dish|ring)\b)",
    re.IGNORECASE)
DIVIDED = re.compile(r"\b(?:divided|separated into|in (?:two|three) (?:parts|lots))\b",
                      re.IGNORECASE)
_ABOUT = re.compile(r"(?:about|approx(?:imately|\.)?|around|roughly|circa|scant|generous|~|"
                    r"ca\.)\s*", re.IGNORECASE)
_OF = re.compile(r"\s*(?:of\s+(?:the\s+)?)?", re.IGNORECASE)
_FRUIT_PART = re.compile(
    r"(?:the\s+)?(?P<prep>(?:finely |freshly |coarsely )?(?:grated |squeezed )?)"
    r"(?P<part>zest and juice|juice and zest|zest|juice|rind|peel|whites?|yolks?)\s+"
    r"(?:(?:of|from)\s+|(?=\d|½|half\s|an?\s))", re.IGNORECASE)
_PART_BEHIND = re.compile(r"(?:the |finely |freshly |grated |only )*(zest|juice|rind|peel)"
                          r"(?:d\b|\b)(?: only| grated)?(?=\s*(?:$|[,;)]))", re.IGNORECASE)
_CITRUS = re.compile(r"\b(?:lemon|lime|orange|grapefruit|clementine|bergamot)", re.IGNORECASE)
"""Fruit of which often only the zest or the juice goes in: "2 lemons, zest"."""
_BRACKETS = re.compile(r"\(([^()]*)\)")
_NOTE_BEGINS = re.compile(
    r",|\s[-–—]\s|;|:\s|\s&\s+an?\s|(?<!\s)\s+(\+|plus|at|for|from|to|such as|cut|if|which|that|"
    r"in(?=\s+(?:pieces|chunks|slices|cubes|small|thin|thick|halves|quarters|big|"
    r"(?:the |their )?shells?)\b))\s+(?=\S)",
    re.IGNORECASE)
_OR = re.compile(r"(?<!\s)\s+or\s+", re.IGNORECASE)
_WORD_END = re.compile(r"[^\W\d_]*")
_NUMBER_BEGINS = re.compile(r"(?<![\w.,/⁄])[\d⅛¼⅓⅜½⅝⅔¾⅞.]")
_WEIGHT_LAST = re.compile(r"[(\[]\s*(?:about |approx\.? )?\d[\d.,]*\s*(?:g|kg|oz|lb)s?\s*[)\]]",
                          re.IGNORECASE)
_STATED = frozenset({Unit.GRAM, Unit.KILOGRAM, Unit.OUNCE, Unit.POUND, Unit.MILLILITRE})
_SLASH = re.compile(r"\s*[/|]\s*")


def read_line(text: str, *, key: int = 1, component: int = 1, table: IngredientTable = TABLE,
              memory: Memory = Memory()) -> LineRead:
    """Read a line; what cannot be read stays in its text and is left open.

    Parameters
    ----------
    text : str
        One line as written; bullets and doubled spaces go.
    key, component : int
        Of the card line to make.
    table : IngredientTable
        With the baker's own ingredients.
    memory : Memory
        Earlier answers.

    >>> read_line("115 g (1/2 cup) unsalted butter, softened").line.ingredient
    'unsalted_butter'
    >>> read_line("a bit of luck").line.amount is None
    True
    """
    written = _SPACES.sub(" ", BULLET.sub("", text)).strip() or _SPACES.sub(" ", text).strip()
    spelt = with_digits(written)
    read = _read(spelt.text, key, component, table, memory)
    if spelt.text == written:
        return read
    return replace(read, line=replace(read.line, text=written), marks=tuple(
        replace(mark, start=spelt.places[mark.start], end=spelt.places[mark.end])
        for mark in read.marks))


def _read(bare: str, key: int, component: int, table: IngredientTable,
          memory: Memory) -> LineRead:
    part = _FRUIT_PART.match(bare)
    place = part.end() if part else 0
    about = _ABOUT.match(bare, place)
    found = amount_at(bare, about.end() if about else place)
    if found is None and part is not None:
        part = None
    if found is None:
        return _without_amount(bare, key, component, table, memory)
    joined, second, end = _further(bare, found)
    rest_start = _after(_OF, bare, end)
    name, note, name_at = _name_and_note(bare, rest_start)
    if part is not None:
        name, note = _fruit_part(part.group("part").lower(), name, note)
    elif not found.has_unit and (behind := _PART_BEHIND.match(note)) is not None and (
            _CITRUS.search(name)):
        name, note = _fruit_part(behind[1].lower(), name, note[behind.end():].strip(" ,"))
    if second is None and not found.has_unit:
        second = _weighed_in(note)
    elif second is None and found.amount.unit not in MASS_G:
        # Beside a volume only a weight in brackets says more: "1 cup mashed banana (240 g)".
        second = _weighed_in(note) if _WEIGHT_LAST.search(bare) else None
    optional = _OPTIONAL.search(bare) is not None
    line = _line_of(bare, key, component, found, joined, second, name, note, table, memory,
                    optional=optional)
    written_end = _written_end(bare, found, end, line)
    marks = _marks(found, written_end, name_at, name, bare, part)
    if not found.has_unit and not line.ingredient and bare[found.start].isalpha():
        return _without_amount(bare, key, component, table, memory)
    start = found.start if part is not None else 0
    return LineRead(line=replace(line, written=bare[start:written_end].strip(" ,(")), marks=marks,
                    for_pan=_for_pan(note))


def _bare_grams(amount: Amount, known: Match | None, *, has_unit: bool) -> bool:
    """Say whether a number without a unit means grams: "175 SR flour", never "20 hazelnuts"."""
    return (not has_unit and amount.unit is Unit.PIECE and known is not None
            and known.ingredient.role in BARE_GRAMS and amount.value >= LEAST_GRAMS)


_NOT_OF_ALL = re.compile(r"each|\bfor\b|\bof\b|\bmore\b|\bextra\b|\breserved?\b|\bfrom\b")


def _weighed_in(note: str) -> Amount | None:
    """Return the weight or volume that a counted thing's note gives: "(about 400 g peeled)"."""
    for digit in _NUMBER_BEGINS.finditer(note[:LONGEST_AMOUNT]):
        before = note[:digit.start()].strip().lower()
        found = amount_at(note, digit.start())
        if found is not None and found.amount.unit in _STATED and (
                before in ("", "about", "approx", "approx.", "roughly", "around", "total",
                           "in total", "weighing", "weighing about") or before.endswith(
                               (", about", ", approx.", "peeled", "stoned", "net", ","))):
            behind = note[found.end:found.end + 12].lower()
            return None if _NOT_OF_ALL.search(behind) else found.amount
    return None


def pours(ingredient: Ingredient) -> bool:
    """Return whether it is poured, so that "oz" could mean fluid ounces."""
    words = plain(ingredient.name).split()
    if "oil" in words or "syrup" in words:
        return True
    return ingredient.role in FLUID_ROLES and (
        ingredient.water is None or ingredient.water >= FLUID_WATER)


def reread(was: CardLine, text: str, *, table: IngredientTable = TABLE,
           memory: Memory = Memory()) -> CardLine:
    """Read a line anew after its text was edited; what the baker had settled about it stays.

    Its place and growth stay; the ingredient she picked stays while the name does; a split stays
    while there is an amount to split.

    Parameters
    ----------
    was : CardLine
        The line before.
    text : str
        Its new text.
    table, memory
        As for :func:`read_line`.
    """
    now = read_line(text, key=was.key, component=was.component, table=table, memory=memory).line
    same_name = bool(now.name) and plain(now.name) == plain(was.name)
    return replace(
        now, scales_by=was.scales_by or now.scales_by,
        ingredient=was.ingredient if same_name and was.ingredient else now.ingredient,
        state=now.state, settled=was.settled if same_name else now.settled,
        parts=was.parts if now.amount is not None else (),
        optional=now.optional or (was.optional and same_name and not _OPTIONAL.search(was.text)))


def _line_of(bare: str, key: int, component: int, found: AmountFound, joined: Joined | None,
             second: Amount | None, name: str, note: str, table: IngredientTable, memory: Memory,
             *, optional: bool) -> CardLine:
    amount = found.amount
    egg_size = None
    if not found.has_unit and amount.unit is Unit.PIECE:
        egg = egg_unit(name)
        if egg is not None:
            amount = Amount(value=amount.value, unit=egg, high=amount.high)
            egg_size = egg_size_of(f"{name} {note}")
            name = {Unit.EGG: "eggs" if amount.middle > 1 else "egg",
                    Unit.WHITE: "egg whites" if amount.middle > 1 else "egg white",
                    Unit.YOLK: "egg yolks" if amount.middle > 1 else "egg yolk"}[egg]
    name, instead = _alternatives(name, table, memory)
    known = _known(name, note, table, memory)
    unit_assumed = _bare_grams(amount, known, has_unit=found.has_unit)
    if unit_assumed:
        amount = Amount(value=amount.value, unit=Unit.GRAM, high=amount.high)
    if (amount.unit is Unit.OUNCE and second is None and known is not None
            and pours(known.ingredient)):
        unit = memory.ounces.get(plain(name))
        unit_assumed = unit is None
        if unit is not None:
            amount = Amount(value=amount.value, unit=unit, high=amount.high)
    return CardLine(
        key=key, text=bare, component=component, amount=amount, joined=joined, second=second,
        packs=found.packs, name=name, note=note,
        ingredient="" if known is None else known.ingredient.key,
        state="" if known is None else known.state, egg_size=egg_size, optional=optional,
        unit_assumed=unit_assumed, instead=instead,
        scales_by=ScalesBy.FIXED if _for_pan(note) else None,
        settled=("name",) if memory.names.get(plain(name)) == LEAVE else ())


def _without_amount(bare: str, key: int, component: int, table: IngredientTable,
                    memory: Memory) -> LineRead:
    """Read "flour: 250 g", "salt, to taste", "butter for the pan"; else keep the text alone."""
    behind = _amount_behind(bare, table)
    if behind is not None:
        name, found = behind
        name, note, name_at = _name_and_note(name, 0)
        if (more := _BRACKETS.search(bare, found.end)) is not None:
            note = ", ".join(filter(None, (note, more.group(1).strip())))
        elif tail := bare[found.end:].strip(" ,."):
            if match(name, note, table) is None and match(f"{tail} {name}", "", table) is not None:
                name, tail = f"{tail} {name}", ""
            note = ", ".join(filter(None, (note, tail)))
        line = _line_of(bare, key, component, found, None, None, name, note, table, memory,
                        optional=_OPTIONAL.search(bare) is not None)
        marks = [*_found_marks(bare[:found.start].rstrip(" :–—-.…("), name, name_at),
                 Mark(kind=MarkKind.AMOUNT, start=found.start, end=found.number_end)]
        if found.end > found.number_end:
            marks.append(Mark(kind=MarkKind.UNIT, start=found.number_end, end=found.end))
        return LineRead(line=replace(line, written=bare[found.start:found.end].strip()),
                        marks=tuple(marks))
    for_pan = _FOR_PAN.search(bare) is not None
    taste = _TASTE.search(bare) is not None
    head = _FOR_PAN.sub("", _TASTE.sub("", _OPTIONAL.sub("", bare)))
    name, note, name_at = _name_and_note(head, 0)
    name, instead = _alternatives(name, table, memory)
    known = _known(name, note, table, memory)
    left = memory.names.get(plain(name)) == LEAVE
    if known is None and not taste and not for_pan and not left:
        return LineRead(line=CardLine(key=key, text=bare, component=component), marks=())
    written = next((words.group() for pattern in (_TASTE, _FOR_PAN)
                    if (words := pattern.search(bare))), "")
    line = CardLine(
        key=key, text=bare, component=component, written=written, name=name, note=note,
        ingredient="" if known is None else known.ingredient.key,
        state="" if known is None else known.state, instead=instead,
        optional=_OPTIONAL.search(bare) is not None,
        scales_by=ScalesBy.FIXED if for_pan else None, settled=("name",) if left else ())
    marks = [] if not name else _found_marks(bare, name, name_at)
    if written and not any(mark.kind is MarkKind.NOTE for mark in marks):
        start = bare.index(written)
        marks.append(Mark(kind=MarkKind.NOTE, start=start, end=start + len(written)))
    return LineRead(line=line, marks=tuple(marks), for_pan=for_pan)


def _amount_behind(bare: str, table: IngredientTable) -> tuple[str, AmountFound] | None:
    """Return the name and the amount of a line that names the ingredient first."""
    for digit in _NUMBER_BEGINS.finditer(bare, max(0, len(bare) - LONGEST_AMOUNT)):
        found = amount_at(bare, digit.start())
        if found is None:
            continue
        before = bare[:found.start]
        noted = bare[found.end:found.end + 1] == "," and before.rstrip().endswith(",") and (
            match(before.strip(" ,"), "", table) is not None)
        if not noted and _BRACKETS.sub("", bare[found.end:]).strip(" .)"):
            continue
        name = before.rstrip(" :–—-.…(,=\t")
        apart = before.rstrip() != name or found.has_unit or (
            match(name, "", table) is not None and found.amount.value < MOST_COUNTED)
        if re.search(r"[^\W\d_]{2}", name) and apart and len(name.split()) <= 6:
            return name, found
    return None


def _further(bare: str, found: AmountFound) -> tuple[Joined | None, Amount | None, int]:
    """Read what follows the first amount: plus or less another, and the same in other units."""
    end = found.end
    joined = None
    if found.has_unit and (more := joined_at(bare, end)):
        joined, end = more
    second = None
    bracket = re.compile(r"\s*[(\[]\s*(?:about |approx\.? |or )?").match(bare, end)
    if bracket is not None:
        inside = amount_at(bare, bracket.end())
        closed = None
        if inside is not None and inside.has_unit:
            inner_end = inside.end
            if more := joined_at(bare, inner_end):
                inner_end = more[1]
            closed = re.compile(r"[^()\[\]]*[)\]]").match(bare, inner_end)
        if inside is not None and closed is not None:
            return joined, inside.amount, closed.end()
    again = _SLASH.match(bare, end) or _OR.match(bare, end)
    if again is not None and found.has_unit:
        other = amount_at(bare, again.end())
        if other is not None and other.has_unit:
            second, end = other.amount, other.end
    return joined, second, end


def _name_and_note(bare: str, start: int) -> tuple[str, str, int]:
    """Split what follows the amount into the name and the notes about it."""
    rest = bare[start:]
    notes: list[str] = []

    def take(found: re.Match[str]) -> str:
        words = _OPTIONAL.sub("", found.group(1)).strip(" ,;")
        if words:
            notes.append(words)
        return " " * len(found.group())

    masked = _BRACKETS.sub(take, rest)
    masked = _OPTIONAL.sub(lambda found: " " * len(found.group()), masked)
    cut = _NOTE_BEGINS.search(masked)
    head, tail = (masked, "") if cut is None else (masked[:cut.start()], masked[cut.end():])
    if cut is not None and cut.group(1):
        tail = f"{cut.group(1)} {tail}"
    name = _SPACES.sub(" ", head).strip(" .;:-–—")
    if tail.strip(" ,.;"):
        notes.insert(0, _SPACES.sub(" ", tail).strip(" ,.;"))
    at = start + len(head) - len(head.lstrip(" .;:-–—"))
    return name, ", ".join(notes), at


def _fruit_part(part: str, name: str, note: str) -> tuple[str, str]:
    """Turn "zest of 2 limes" into "lime zest"."""
    words = plain(name).split()
    fruit = words[-1] if words else plain(name)
    if part.startswith(("white", "yolk")):
        return f"egg {part}", note
    if " and " in part:
        return f"{fruit}, zest and juice", note
    part = "zest" if part in ("rind", "peel") else part
    return f"{fruit} {part}", ", ".join(filter(None, (note, " ".join(words[:-1]))))


def _for_pan(words: str) -> bool:
    """Return whether all of an amount is for the pan, not only "plus extra for the pan"."""
    return _FOR_PAN.search(words) is not None and "extra" not in words and "more" not in words


def _alternatives(name: str, table: IngredientTable,
                  memory: Memory) -> tuple[str, tuple[Instead, ...]]:
    """Split "cider or apple juice" into the first and what may take its place."""
    if table.named(name) is not None or not _OR.search(name):
        return name, ()
    first, *others = _OR.split(name)
    if not first or len(others) > 4:
        return name, ()
    last_word = others[-1].split()[-1] if others[-1].split() else ""
    if _known(first, "", table, memory) is None and last_word:
        whole = f"{first} {last_word}"
        if _known(whole, "", table, memory) is not None:
            first = whole
    found = []
    for other in others:
        amount = amount_at(other, 0)
        words = other if amount is None else other[_after(_OF, other, amount.end):]
        known = _known(words, "", table, memory)
        found.append(Instead(
            name=words.strip() or other, amount=None if amount is None else amount.amount,
            written="" if amount is None else other[:amount.end].strip(),
            ingredient="" if known is None else known.ingredient.key))
    return first, tuple(found)


def _known(name: str, note: str, table: IngredientTable, memory: Memory) -> Match | None:
    found = match(name, note, table)
    if found is not None:
        return found
    answer = memory.names.get(plain(name))
    if answer and answer in table.rows:
        return Match(ingredient=table.rows[answer])
    return None


def _written_end(bare: str, found: AmountFound, end: int, line: CardLine) -> int:
    """Return where the amount as written ends: behind the size of an egg, before a bracket."""
    if line.amount is not None and line.amount.unit in EGG_UNITS and not found.has_unit:
        size = re.compile(r"\s+(?:(?:extra[- ]|x[- ])?large|medium|small)\b", re.IGNORECASE).match(
            bare, found.end)
        return size.end() if size else found.end
    return end


def _marks(found: AmountFound, written_end: int, name_at: int, name: str, bare: str,
           part: re.Match[str] | None) -> tuple[Mark, ...]:
    marks = []
    if part is not None:
        marks.append(Mark(kind=MarkKind.INGREDIENT, start=part.start("part"),
                          end=part.end("part")))
    if found.number_end > found.start:
        marks.append(Mark(kind=MarkKind.AMOUNT, start=found.start, end=found.number_end))
    if written_end > found.number_end:
        marks.append(Mark(kind=MarkKind.UNIT, start=found.number_end, end=written_end))
    behind = max(name_at, written_end)
    marks += _found_marks(bare, name, behind + len(bare[behind:]) - len(bare[behind:].lstrip(" )")))
    return tuple(marks)


def _found_marks(bare: str, name: str, name_at: int) -> list[Mark]:
    """Mark the name where it stands, and all behind it as a note."""
    end = name_at
    for word in name.split():
        place = bare.casefold().find(word.casefold(), end)
        if place < 0:
            break
        end = _after(_WORD_END, bare, place + len(word))
    if end <= name_at:
        end = next((i for i in range(name_at, len(bare)) if bare[i] in ",("), len(bare))
    marks = [Mark(kind=MarkKind.INGREDIENT, start=name_at, end=end)] if end > name_at else []
    if bare[end:].strip(" ,;."):
        marks.append(Mark(kind=MarkKind.NOTE, start=end, end=len(bare)))
    return marks


def _after(pattern: re.Pattern[str], text: str, place: int) -> int:
    found = pattern.match(text, place)
    return found.end() if found else place
