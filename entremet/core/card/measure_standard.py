"""Which cup a card means: its own word, or what its own pairs of volumes leave possible."""

from __future__ import annotations

from entremet.core.card.card import Card, CardLine
from entremet.core.measures.units import HOUSEHOLD_UNITS, STANDARDS, Standard, Unit, ml_per

SAME_VOLUME = 0.025
"""Share by which two volumes of one thing may differ through rounding; practice."""


def standards_possible(card: Card) -> list[Standard]:
    """Return the measure standards that the card's own pairs of volumes leave possible.

    All of them where the pairs contradict each other; the card's own where it names one.
    """
    if card.measure_standard is not None:
        return [STANDARDS[card.measure_standard]]
    possible = [sizes for sizes in STANDARDS.values()
                if all(volumes_agree(line, sizes) for line in card.lines)]
    return possible or list(STANDARDS.values())


def standard_named_by_pairs(card: Card) -> Standard | None:
    """Return the cup that the card's own pairs ("2 cups (500 ml)") name; None where they leave two.

    Cups that differ by no more than rounding count as one; the nearest is taken.
    """
    if card.measure_standard is not None or not any(
            is_volume_pair(line) for line in card.lines):
        return None
    possible = [sizes for sizes in STANDARDS.values()
                if all(volumes_agree(line, sizes) for line in card.lines)]
    cups = [sizes.cup_ml for sizes in possible]
    if not cups or max(cups) > (1 + SAME_VOLUME) * min(cups):
        return None
    return min(possible, key=lambda sizes: sum(_apart(line, sizes) for line in card.lines))


def is_volume(unit: Unit) -> bool:
    """Return whether a unit measures volume."""
    return unit in HOUSEHOLD_UNITS or unit in (Unit.MILLILITRE, Unit.LITRE)


def is_volume_pair(line: CardLine) -> bool:
    """Return whether a line states its amount as two volumes."""
    return (line.amount is not None and line.second is not None and line.joined is None
            and is_volume(line.amount.unit) and is_volume(line.second.unit))


def volumes_agree(line: CardLine, sizes: Standard) -> bool:
    """Return whether a line's two volumes are one under a standard; true where it has no two."""
    return _apart(line, sizes) <= SAME_VOLUME


def _apart(line: CardLine, sizes: Standard) -> float:
    """Return how far a line's two volumes are apart, as a share; 0 where it has no two."""
    if not is_volume_pair(line) or line.amount is None or line.second is None:
        return 0.0
    first = line.amount.middle * (ml_per(line.amount.unit, sizes) or 0.0)
    second = line.second.middle * (ml_per(line.second.unit, sizes) or 0.0)
    return abs(first - second) / max(first, second)
