"""Reading a pasted recipe: title, sections, lines, steps, and what the steps say of the bake."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from entremet.core.card.card import (
    MOST_LINES,
    MOST_STEPS,
    MOST_TEXT,
    Card,
    CardComponent,
    CardLine,
    CardPan,
    Step,
)
from entremet.core.card.lines import Component
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.table import TABLE, IngredientTable
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind
from entremet.core.reading.lines import NO_MEMORY, Memory, read_line
from entremet.core.reading.phases import phases_in
from entremet.core.reading.settings import (
    bake_time_in,
    ovens_in,
    pans_in,
    sign_in,
    stand_time_in,
)

LONGEST_TEXT = 60_000

Still = Callable[[], None]


def always() -> None:
    """Go on for as long as it takes."""


_UNSHOWN = re.compile("[\x00-\x08\x0e-\x1f\x7f\ud800-\udfff]")

_INGREDIENTS = re.compile(r"(?:the\s+)?(?:ingredients?|you(?:'|’)?(?:ll| will)? need|what you need)"
                          r"(?:\s+list)?\s*:?", re.IGNORECASE)
_METHOD = re.compile(r"(?:the\s+)?(?:method|directions?|instructions?|steps|preparation|to make|"
                     r"what to do|how to make (?:it|them)|procedure)\s*:?", re.IGNORECASE)
_NOTES = re.compile(r"(?:notes?|tips?|source)\s*:?", re.IGNORECASE)
_NUMBERED = re.compile(r"(?:step\s*)?(\d{1,2})\s*[.):]\s+(?=[^\d\W])", re.IGNORECASE)
_HASHES = re.compile(r"#{1,6}\s+|\*\*(?=[^*]+\*\*\s*:?$)|__(?=[^_]+__\s*:?$)")
_SERVES = re.compile(r"(?:serves|makes|yield|yields|servings|portions)\b\s*:?\s*(.+)",
                     re.IGNORECASE)
_TIMES = re.compile(r"(?:prep(?:aration)?|cook(?:ing)?|total|bake|baking)\s*(?:time)?\s*:\s*.+",
                    re.IGNORECASE)
_VERB = re.compile(
    r"(?:pre-?heat|heat|bake|beat|mix|stir|fold|whisk|cream|pour|divide|line|grease|melt|add|put|"
    r"place|leave|turn|spread|sift|combine|cool|brush|scrape|rub)\s", re.IGNORECASE)
_KINDS = (
    (Component.INCLUSION, r"fold in|folded in|stir in"), (Component.SOAK, r"soak|syrup"),
    (Component.FILLING, r"filling|curd|custard|compote"),
    (Component.FROSTING, r"frosting|icing|buttercream"), (Component.GLAZE, r"glaze|drizzle"),
    (Component.COATING, r"coating|ganache|crumb coat"),
    (Component.TOP_LAYER, r"topping|crumble|streusel|on top"),
    (Component.BASE_LAYER, r"base|bottom|crust"), (Component.PAN, r"(?:the )?(?:pan|tin)s?$"),
    (Component.DECORATION, r"decorat|finish|to serve|to dust|garnish"),
    (Component.BATTER, r"cake|batter|sponge|cupcake|loaf"),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeRead:
    """A recipe as read.

    Parameters
    ----------
    card : Card
        Every line of the text is on it: as a line, a step, a heading or the note.
    found : tuple of str
        What was taken from sentences, in words: settings, times, pans.
    """

    card: Card
    found: tuple[str, ...]


def read_recipe(text: str, *, title: str = "", table: IngredientTable = TABLE,
                memory: Memory = NO_MEMORY, still: Still = always) -> RecipeRead:
    """Read pasted text into a card.

    Parameters
    ----------
    text : str
        Lines, with or without title, headings and steps.
    title : str
        Where it is known already.
    table, memory
        As for a line.
    still : callable
        Asked before each row whether to go on; raises when reading has taken too long.

    Raises
    ------
    UnreadableRecipe
        When the text is empty, too long, or holds more lines than a card takes.

    >>> [line.name for line in read_recipe("2 eggs\\n100 g caster sugar").card.lines]
    ['eggs', 'caster sugar']
    """
    if len(text) > LONGEST_TEXT:
        raise UnreadableRecipe(f"This text is longer than {LONGEST_TEXT} signs. Paste one recipe "
                               "at a time.", field="text")
    rows = [bare for row in clean_text(text).split("\n") if (bare := row.strip())]
    if not rows:
        raise UnreadableRecipe("There is nothing to read. Paste ingredient lines, one a line.",
                               field="text")
    sheet = _Sheet(title=title, table=table, memory=memory)
    rows = [piece for row in rows for piece in _pieces(row)]
    for place, row in enumerate(rows):
        still()
        sheet.take(row, first=place == 0, more=len(rows) > 1)
    return sheet.read()


def recipe_of_rows(title: str, rows: Sequence[str], steps: Sequence[str], *, servings: str = "",
                   note: str = "", table: IngredientTable = TABLE,
                   memory: Memory = NO_MEMORY, still: Still = always) -> RecipeRead:
    """Read rows that are known to be ingredient lines (or their headings), and steps.

    Raises
    ------
    UnreadableRecipe
        When there is nothing, or more than a card takes.
    """
    sheet = _Sheet(title=clean_text(title).strip()[:120] or "Untitled card", table=table,
                   memory=memory)
    for row in rows:
        for piece in clean_text(row).split("\n"):
            if bare := piece.strip():
                still()
                sheet.take_known(bare)
    for row in steps:
        for piece in clean_text(row).split("\n"):
            if bare := piece.strip():
                sheet.steps += _pieces(bare)
        if len(sheet.steps) > MOST_STEPS:
            raise _too_many()
    if not sheet.lines and not sheet.steps:
        raise UnreadableRecipe("There are no ingredient lines and no steps in it.", field="text")
    sheet.servings = clean_text(servings).replace("\n", " ").strip()
    if bare := clean_text(note).strip():
        sheet.notes.append(bare)
    return sheet.read()


def clean_text(text: str) -> str:
    """Return a text with one kind of line end and without signs that cannot be shown."""
    lines = text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0b", "\n").replace(
        "\x0c", "\n").replace("\u2028", "\n").replace("\u2029", "\n").replace("\x85", "\n")
    return _UNSHOWN.sub(" ", lines)


def kind_of_heading(words: str) -> Component:
    """Return the component a heading most likely names; batter where nothing says otherwise.

    >>> kind_of_heading("For the syrup")
    <Component.SOAK: 'soak'>
    """
    bare = re.sub(r"^(?:for|to make)\s+(?:the\s+)?", "", words.strip().lower())
    return next((kind for kind, pattern in _KINDS if re.search(rf"\b(?:{pattern})", bare)),
                Component.BATTER)


class _Sheet:
    """A recipe while it is read, from the top down."""

    def __init__(self, *, title: str, table: IngredientTable, memory: Memory) -> None:
        self.title = title
        self.table, self.memory = table, memory
        self.components: list[CardComponent] = []
        self.lines: list[CardLine] = []
        self.steps: list[str] = []
        self.notes: list[str] = []
        self.servings = ""
        self.part = "lines"

    def take(self, row: str, *, first: bool, more: bool) -> None:
        """Put one row of the text where it belongs."""
        bare = _HASHES.sub("", row).strip().strip("*_").strip() or row
        hashed = bare != row and not row.lstrip().startswith(("-", "*  "))
        part = next((name for pattern, name in ((_INGREDIENTS, "lines"), (_METHOD, "steps"),
                                                (_NOTES, "notes")) if pattern.fullmatch(bare)), "")
        if part:
            self.part = part
        elif first and more and not self.title and self._is_title(bare, hashed=hashed):
            self.title = bare[:120]
            if len(bare) > 120:
                self.notes.append(bare)
        elif (serves := _SERVES.fullmatch(bare)) and len(bare) <= 80 and not self.servings:
            self.servings = bare if bare.lower().startswith(("serves", "makes")) else serves[1]
        elif self.part == "notes":
            self.notes.append(bare)
        elif self.part == "steps" or _NUMBERED.match(row):
            self._take_step(row)
        elif _TIMES.fullmatch(bare) and len(bare) <= 120:
            self.steps.append(bare)
        elif self._is_heading(bare, hashed=hashed):
            self._begin(bare.rstrip(" :"))
        elif self._is_sentence(bare):
            self._take_step(bare)
        else:
            self._take_line(row)

    def take_known(self, row: str) -> None:
        """Put a row that is an ingredient line or a heading where it belongs."""
        if row.endswith(":") and self._is_heading(row, hashed=False):
            self._begin(row.rstrip(" :"))
        else:
            self._take_line(row)

    def read(self) -> RecipeRead:
        """Return the card."""
        if len(self.steps) > MOST_STEPS:
            raise _too_many()
        self.notes = [piece for row in self.notes for piece in _pieces(row)]
        note = "\n".join(self.notes)
        card = Card(
            title=self.title or "Untitled card", servings=self.servings[:80],
            note=note if len(note) <= MOST_TEXT else "",
            components=tuple(self.components) or Card(title="x").components,
            lines=tuple(self.lines),
            steps=tuple(Step(key=place, text=words, sign=sign_in(words))
                        for place, words in enumerate(
                            [*self.steps, *([] if len(note) <= MOST_TEXT else self.notes)],
                            start=1)))
        return with_settings(card)

    def _is_title(self, bare: str, *, hashed: bool) -> bool:
        if hashed:
            return True
        if bare.endswith((":", ".")) or len(bare) > 90 or _NUMBERED.match(bare):
            return False
        read = read_line(bare, table=self.table, memory=self.memory).line
        return read.amount is None and not read.ingredient and not read.written

    def _is_heading(self, bare: str, *, hashed: bool) -> bool:
        words = bare.rstrip(" :").split()
        if not words or len(words) > 8 or len(bare) > 80 or any(map(str.isdigit, bare)):
            return False
        if hashed or bare.endswith(":"):
            return True
        if re.match(r"for (?:the|your)\s", bare, re.IGNORECASE):
            return True
        return bare.isupper() and len(bare) > 3 and self.table.named(bare) is None

    def _is_sentence(self, bare: str) -> bool:
        words = bare.split()
        if len(words) < 3 or not bare[0].isalpha():
            return False
        ends = bare.endswith((".", "!"))
        told = _VERB.match(bare) is not None and (ends or len(words) > 4)
        if not told and not (ends and len(words) > 6) and len(bare) <= 110:
            return False
        return read_line(bare, table=self.table, memory=self.memory).line.amount is None

    def _begin(self, heading: str) -> None:
        self.components.append(CardComponent(
            key=len(self.components) + 1, kind=kind_of_heading(heading), title=heading[:80]))

    def _component(self, kind: Component | None = None) -> int:
        if kind is not None:
            for one in self.components:
                if one.kind is kind:
                    return one.key
            self.components.append(CardComponent(key=len(self.components) + 1, kind=kind))
            return self.components[-1].key
        if not self.components or self.components[-1].kind is Component.PAN:
            others = [one for one in self.components if one.kind is not Component.PAN]
            if others:
                return others[-1].key
            self.components.append(CardComponent(key=len(self.components) + 1,
                                                 kind=Component.BATTER))
        return self.components[-1].key

    def _take_line(self, row: str) -> None:
        for piece in _pieces(row):
            if len(self.lines) == MOST_LINES:
                raise _too_many()
            read = read_line(piece, key=len(self.lines) + 1, table=self.table,
                             memory=self.memory)
            home = self._component(Component.PAN if read.for_pan else None)
            self.lines.append(replace(read.line, component=home))

    def _take_step(self, row: str) -> None:
        words = _NUMBERED.sub("", row, count=1) if _NUMBERED.match(row) else row
        self.part = "steps"
        self.steps += _pieces(re.sub(r"^[-*•]\s+", "", words).strip() or row)


_STEAMED = re.compile(r"\bsteam(?:ed|er)?\b(?!\s*(?:escape|vent|rise))", re.IGNORECASE)


def with_settings(card: Card) -> RecipeRead:
    """Take setting, time, pans and standing time from a card's steps, where it has none yet."""
    words = "\n".join([step.text for step in card.steps] + [card.note])
    found = []
    ovens = ovens_in(words)
    if card.setting is None and ovens:
        first = next((one for one in ovens if one.kind is None), ovens[0])
        fan_beside = first.kind is None and any(one.kind is OvenKind.FAN for one in ovens)
        card = replace(card, setting=first.setting,
                       oven_kind=OvenKind.CONVENTIONAL if fan_beside else first.kind)
        found.append(f"oven “{first.words}”")
    elif card.setting is None and card.oven_kind is None and _STEAMED.search(words):
        card = replace(card, oven_kind=OvenKind.STEAM)
        found.append("it is steamed")
    phases = phases_in(words)
    if not card.phases and phases and card.stated_low_min is None:
        card = replace(
            card, stated_low_min=sum(one.low_min for one in phases),
            stated_high_min=sum(one.high_min for one in phases),
            phases=tuple(Phase(setting=one.setting or card.setting, covered=one.covered,
                               minutes=round((one.low_min * one.high_min) ** 0.5, 1))
                         for one in phases))
        found.append(f"{len(phases)} phases of the bake")
    time = bake_time_in(words)
    if card.stated_low_min is None and time is not None:
        card = replace(card, stated_low_min=time.low_min, stated_high_min=time.high_min)
        found.append(f"bake time “{time.words}”")
    pans = pans_in(words)
    if not card.pans and pans:
        card = replace(card, pans=(CardPan(label=pans[0].label, measures=pans[0].measures,
                                           count=pans[0].count),))
        found.append(f"pan “{pans[0].words}”")
    stand = stand_time_in(words)
    if card.stand_min is None and stand is not None:
        card = replace(card, stand_min=stand.low_min)
        found.append(f"standing time “{stand.words}”")
    return RecipeRead(card=card, found=tuple(found))


def _too_many() -> UnreadableRecipe:
    return UnreadableRecipe(f"A card holds at most {MOST_LINES} lines and {MOST_STEPS} steps. "
                            "Paste one recipe at a time.", field="text")


def _pieces(row: str) -> list[str]:
    """Cut what is too long for one line or step, so that nothing is lost."""
    if len(row) <= MOST_TEXT:
        return [row]
    return [row[start:start + MOST_TEXT] for start in range(0, len(row), MOST_TEXT)]
