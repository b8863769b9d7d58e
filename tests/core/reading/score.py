"""Scores readings of whole texts against their full right reading.

``python -m tests.core.reading.score [held]`` prints the table.
"""

from __future__ import annotations

import sys
from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path

from entremet.core.card.card import Card, CardLine
from entremet.core.ground.errors import CoreError
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.amounts import Amount
from entremet.core.ovens.settings import OvenKind
from entremet.core.reading.recipes import read_recipe

HERE = Path(__file__).parent
TIDY = frozenset({"list"})
KINDS = {"": None, "fan": OvenKind.FAN, "conventional": OvenKind.CONVENTIONAL,
         "gas": OvenKind.GAS}
FACTS = ("pan", "oven", "time", "serves", "stand")


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
    for block in (HERE / half / "texts.txt").read_text("utf-8").split("=== ")[1:]:
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


def line_scores(card: Card, gold: Gold) -> Counter[str]:
    """Count exact, but for component, asked, wrong, missing, and invented lines."""
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
        else:
            open_.append((kind, number, unit, key))
    for _, number, unit, key in open_:
        if take(lambda one, n=number, u=unit, i=key: one.ingredient == i and _same(one, n, u)):
            score["but for component"] += 1
        elif (near := take(lambda one, i=key, n=number, u=unit: one.ingredient == i or (
                one.ingredient not in TABLE.rows and _same(one, n, u)))) is not None:
            asked = near.amount is None or near.ingredient not in TABLE.rows or near.unit_assumed
            score["asked" if asked else "wrong"] += 1
        else:
            score["missing"] += 1
    score["invented"] = sum(one.amount is not None for one in left)
    score["left"] = len(left) - score["invented"]
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


def score(half: str, *, tell: bool = False) -> tuple[dict[str, Counter[str]], Counter[str]]:
    """Score a half: lines of lists and of everything else, and header facts."""
    lines = {"lists": Counter[str](), "the rest": Counter[str]()}
    facts: Counter[str] = Counter()
    for gold in texts(half):
        try:
            card = read_recipe(gold.text).card
        except CoreError as error:
            card = Card(title=error.text)
        found = line_scores(card, gold)
        lines["lists" if gold.form in TIDY else "the rest"] += found
        told = fact_score(card, gold)
        for name, right in told.items():
            facts[name] += right
            facts[f"{name} of"] += 1
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


def table(half: str, *, tell: bool = False) -> str:
    """Return the table of a half, as text."""
    lines, facts = score(half, tell=tell)
    rows = []
    for name, counts in lines.items():
        of = sum(counts[one] for one in ("exact", "but for component", "asked", "wrong",
                                         "missing"))
        rows.append(f"{half} {name}: {counts['exact']} of {of} exact "
                    f"({100 * counts['exact'] / max(of, 1):.1f} %), " + ", ".join(
                        f"{counts[one]} {one}" for one in
                        ("but for component", "asked", "wrong", "missing", "invented")))
    rows.append(", ".join(f"{name} {facts[name]} of {facts[f'{name} of']}" for name in FACTS))
    return "\n".join(rows)


if __name__ == "__main__":
    print(table("held" if "held" in sys.argv else "texts", tell="tell" in sys.argv))
