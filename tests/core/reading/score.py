"""Scores readings of whole texts against their full right reading; silence comes first.

``python -m tests.core.reading.score [tell]`` prints the table of every half. What is wrong,
missing, in a wrong part of the cake or invented counts as silent where nothing is asked about it:
neither by its line (a name, a unit or an amount that is open) nor by the ledger.
"""

from __future__ import annotations

import sys
from collections import Counter
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from pathlib import Path

from entremet.core.card.card import Card, CardLine
from entremet.core.ground.errors import CoreError
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.amounts import Amount
from entremet.core.measures.numbers import number_at
from entremet.core.measures.spelt import with_digits
from entremet.core.ovens.settings import OvenKind
from entremet.core.reading.facts import LedgerEntry, RecipeRead
from entremet.core.reading.ledger import open_in
from entremet.core.reading.recipes import read_recipe

HERE = Path(__file__).parent
TIDY = frozenset({"list"})
KINDS_OF_LINES = ("exact", "but for component", "asked", "wrong", "missing")
KINDS = {"": None, "fan": OvenKind.FAN, "conventional": OvenKind.CONVENTIONAL,
         "gas": OvenKind.GAS}
FACTS = ("pan", "oven", "time", "serves", "stand")
FACT_WORDS = {"pan": "is a pan", "oven": "oven setting", "time": "bake time"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Gold:
    """A text and what any person reads in it."""

    name: str
    form: str
    text: str
    lines: tuple[tuple[str, float, str, str], ...]
    facts: dict[str, list[str]] = field(default_factory=dict)


def texts(half: str) -> list[Gold]:
    """Return the texts of a half: ``texts`` or ``held``."""
    found = []
    blocks = [block for path in sorted((HERE / half).glob("*.txt"))
              for block in path.read_text("utf-8").split("=== ")[1:]]
    for block in blocks:
        head, _, rest = block.partition("\n")
        name, form = (one.strip() for one in head.split("|"))
        text, _, gold = rest.partition("--->\n")
        lines: list[tuple[str, float, str, str]] = []
        facts: dict[str, list[str]] = {}
        for row in gold.strip().split("\n"):
            parts = [one.strip() for one in row.split(";")]
            if len(parts) == 3:
                number, unit = parts[1].split(" ", 1)
                lines.append((parts[0], float(number), unit, parts[2]))
            else:
                facts[parts[0]] = parts[1].split()
        found.append(Gold(name=name, form=form, text=text, lines=tuple(lines), facts=facts))
    return found


def amounts_of(line: CardLine) -> list[Amount]:
    """Every statement of a line's amount."""
    return [one for one in (line.amount, line.second) if one is not None]


def _same(line: CardLine, number: float, unit: str) -> bool:
    return any(abs(one.value - number) <= 0.004 * number and (
        one.unit.value == unit or {one.unit.value, unit} == {"white", "egg"})
        for one in amounts_of(line))


@dataclass(frozen=True, slots=True)
class Asked:
    """What a reading asks: rows of the text with something open in them, and their lines."""

    read: RecipeRead
    text: str

    def of_number(self, number: float) -> bool:
        """Say whether an open row holds a number."""
        asked = [*open_in(self.read.ledger), *(
            one for one in self.read.ledger if one.why.startswith("not read"))]
        return any(abs(value - number) <= 0.004 * number for entry in asked
                   for value in self._numbers(entry))

    def _numbers(self, entry: LedgerEntry) -> list[float]:
        start = self.text.rfind("\n", 0, entry.start) + 1
        end = self.text.find("\n", entry.end)
        row = with_digits(self.text[start:end if end >= 0 else len(self.text)]).text
        return [found.low for place in range(len(row)) if row[place] in "0123456789½¼¾⅓⅔"
                and (found := number_at(row, place, words=False)) is not None]

    def of_line(self, line: CardLine) -> bool:
        """Say whether a line is asked about."""
        return line.amount is None or line.ingredient not in TABLE.rows or line.unit_assumed or any(
            entry.line == line.key for entry in open_in(self.read.ledger))

    def of_fact(self, word: str) -> bool:
        """Say whether a pan, a setting or a time is asked about."""
        return any(word in entry.why for entry in open_in(self.read.ledger))


def line_scores(read: RecipeRead, gold: Gold) -> Counter[str]:
    """Count exact, but for component, asked, wrong, missing, invented and silent lines."""
    card = read.card
    asks = Asked(read, gold.text)
    score: Counter[str] = Counter()
    left = list(card.lines)

    def take(test: Callable[[CardLine], bool]) -> CardLine | None:
        for one in left:
            if test(one):
                left.remove(one)
                return one
        return None

    open_ = []
    for kind, number, unit, key in gold.lines:
        exact = take(lambda one, k=kind, n=number, u=unit, i=key: (
            one.ingredient == i and _same(one, n, u) and card.component_of(one).kind.value == k))
        if exact is not None:
            score["exact"] += 1
            score["needless"] += exact.unit_assumed
        else:
            open_.append((kind, number, unit, key))
    troubles = len(open_)
    for _, number, unit, key in open_:
        asked = asks.of_number(number)
        if near := take(lambda one, n=number, u=unit, i=key: one.ingredient == i
                        and _same(one, n, u)):
            score["but for component"] += 1
            score["silent"] += not (asked or asks.of_line(near))
        elif (near := take(lambda one, i=key, n=number, u=unit: one.ingredient == i or (
                one.ingredient not in TABLE.rows and _same(one, n, u)))) is not None:
            asked = asked or asks.of_line(near)
            score["asked" if asked else "wrong"] += 1
            score["silent"] += not asked
        else:
            score["missing"] += 1
            score["silent"] += not asked
    score["invented"] = sum(one.amount is not None for one in left)
    score["left"] = len(left) - score["invented"]
    score["silent"] += sum(one.amount is not None and not asks.of_line(one) for one in left)
    score["needless"] += sum(asks.of_line(one) for one in left)
    score["needless"] += max(0, len({entry.why for entry in open_in(read.ledger)
                                     if entry.line is None}) - troubles)
    return score


def fact_score(card: Card, gold: Gold) -> dict[str, bool]:
    """Say of every header fact of the gold whether it was read."""
    told: dict[str, bool] = {}
    if pan := gold.facts.get("pan"):
        count, outline, sides = int(pan[0]), pan[1], [float(one) for one in pan[2:]]
        told["pan"] = any(
            one.count == count and one.measures.outline.value == outline and
            (not sides or sides == [0.0] or (
                one.measures.across is not None and abs(one.measures.across - sides[0]) < 0.06
                and (len(sides) < 2 or (one.measures.width is not None
                                        and abs(one.measures.width - sides[1]) < 0.06))))
            for one in card.pans[:1])
    if oven := gold.facts.get("oven"):
        told["oven"] = (card.setting is not None and card.setting.value == float(oven[0])
                        and card.setting.scale.value == oven[1]
                        and (len(oven) < 3 or card.oven_kind is KINDS[oven[2]]))
    if time := gold.facts.get("time"):
        told["time"] = (card.stated_low_min, card.stated_high_min) == (
            float(time[0]), float(time[1]))
    if serves := gold.facts.get("serves"):
        told["serves"] = serves[0] in card.servings
    if stand := gold.facts.get("stand"):
        told["stand"] = card.stand_min == float(stand[0])
    return told


def _has(card: Card, name: str) -> bool:
    """Say whether a card has a fact at all; one that it lacks is asked for on the desk."""
    return bool({"pan": card.pans, "oven": card.setting, "time": card.stated_low_min,
                 "serves": card.servings, "stand": card.stand_min}[name])


def score(half: str | Iterable[Gold], *,
          tell: bool = False) -> tuple[dict[str, Counter[str]], Counter[str]]:
    """Score a half, or texts: lines of lists and of everything else, and header facts."""
    lines = {"lists": Counter[str](), "the rest": Counter[str]()}
    facts: Counter[str] = Counter()
    for gold in texts(half) if isinstance(half, str) else half:
        try:
            read = read_recipe(gold.text)
        except CoreError as error:
            read = RecipeRead(card=Card(title=error.text), found=())
        card = read.card
        found = line_scores(read, gold)
        lines["lists" if gold.form in TIDY else "the rest"] += found
        told = fact_score(card, gold)
        for name, right in told.items():
            facts[name] += right
            facts[f"{name} of"] += 1
            facts["silent"] += not right and _has(card, name) and not Asked(
                read, gold.text).of_fact(FACT_WORDS.get(name, "\0"))
        facts["texts"] += 1
        if tell and (found["exact"] < len(gold.lines) or found["invented"] or found["left"]
                     or not all(told.values())):
            _tell(gold, card, found, told)
    return lines, facts


def _tell(gold: Gold, card: Card, found: Counter[str], told: dict[str, bool]) -> None:
    print(f"--- {gold.name}: {dict(found)} {[one for one, right in told.items() if not right]}")
    for line in card.lines:
        print("   ", card.component_of(line).kind.value, [
            f"{one.value:g} {one.unit.value}" for one in amounts_of(line)],
            line.ingredient or f"?{line.name}", "|", line.text[:70])
    print("    pans", [(one.count, one.label) for one in card.pans], "oven",
          card.setting and card.setting.text, card.oven_kind, "time", card.stated_low_min,
          card.stated_high_min, "serves", card.servings, "stand", card.stand_min)


def table(half: str, golds: Iterable[Gold] | None = None, *, tell: bool = False) -> str:
    """Return the table of a half, or of texts under that name, as text."""
    lines, facts = score(half if golds is None else golds, tell=tell)
    rows = []
    for name, counts in lines.items():
        of = sum(counts[one] for one in KINDS_OF_LINES)
        if of == 0:
            continue
        rows.append(f"{half} {name}: {counts['silent']} in silence "
                    f"({100 * counts['silent'] / max(of, 1):.1f} %), {counts['exact']} of {of} "
                    f"exact ({100 * counts['exact'] / max(of, 1):.1f} %), " + ", ".join(
                        f"{counts[one]} {one}" for one in (*KINDS_OF_LINES[1:], "invented"))
                    + f", {counts['needless']} needless questions")
    right = sum(facts[name] for name in FACTS)
    of = sum(facts[f"{name} of"] for name in FACTS)
    rows.append(f"facts {right} of {of} ({100 * right / of:.1f} %), {facts['silent']} in silence: "
                + ", ".join(f"{name} {facts[name]} of {facts[f'{name} of']}" for name in FACTS))
    return "\n".join(rows)


if __name__ == "__main__":
    from tests.core.reading.noise import noisy_copies

    for each in ("texts", "held"):
        print(table(each, tell="tell" in sys.argv and each == "texts"))
        print(table(f"noisy {each}", noisy_copies(each, 300, seed=7)))
