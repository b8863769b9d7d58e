"""A card as Markdown, to be read by people and pasted back."""

from __future__ import annotations

from collections.abc import Iterator

from entremet.core.batter.styles import style
from entremet.core.card.card import Card
from entremet.core.measures.units import standard
from entremet.core.ovens.settings import setting_words


def to_markdown(card: Card, *, variant: str = "") -> str:
    """Return a card as Markdown.

    Parameters
    ----------
    card : Card
        With the swaps of a variant on it, where one is exported.
    variant : str
        That variant's name.
    """
    return "\n".join([*_head(card, variant), "", "## Ingredients", *_lines(card), "",
                      "## Method", "", *_steps(card)]).rstrip() + "\n"


def _head(card: Card, variant: str) -> Iterator[str]:
    yield f"# {card.title}{f' ({variant})' if variant else ''}"
    if card.servings:
        yield f"\nMakes: {card.servings}" if not card.servings.lower().startswith(
            ("makes", "serves")) else f"\n{card.servings}"
    facts = [f"{one.count} × {one.label}" for one in card.pans]
    if card.setting is not None:
        facts.append(setting_words(card.setting, card.oven_kind))
    if card.stated_low_min is not None:
        low, high = card.stated_low_min, card.stated_high_min
        facts.append(f"{low:g} min" if low == high else f"{low:g}–{high:g} min")
    if card.style is not None:
        facts.append(f"{style(card.style).name} batter")
    if card.measure_standard is not None:
        facts.append(f"{standard(card.measure_standard).name} cups and spoons")
    if facts:
        yield f"\nBaked as: {', '.join(facts)}"
    if card.phases:
        yield f"\nPhases: {'; '.join(one.text for one in card.phases)}"
    if card.tags:
        yield f"\nTags: {', '.join(card.tags)}"


def _lines(card: Card) -> Iterator[str]:
    for component in card.components:
        lines = [line for line in card.lines if line.component == component.key]
        if not lines:
            continue
        title = component.title or component.kind.value.replace("_", " ").capitalize()
        if len(card.components) > 1:
            yield f"\n### {title}"
        yield ""
        for line in lines:
            swapped = f" (for {line.swapped_from})" if line.swapped_from else ""
            yield f"- {line.text}{swapped}"
            yield from (f"    - {part.written or f'{part.share:.0%}'} {part.name}"
                        for part in line.parts)


def _steps(card: Card) -> Iterator[str]:
    yield from (f"{place}. {step.text}" for place, step in enumerate(card.steps, start=1))
    notes = list(filter(None, (card.note, f"Source: {card.source_note}" if card.source_note
                               else "")))
    if notes:
        yield "\n## Notes\n"
        yield from notes
