"""Two versions of a card, compared in words."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, fields
from enum import Enum
from typing import Any

from entremet.core.card.card import Card, CardComponent, CardLine, CardPan, MethodStep, Variant
from entremet.core.card.finish import finish_words
from entremet.core.measures.fractions import write_number
from entremet.core.ovens.settings import setting_words


class CardChange(Enum):
    """What happened to a part of the card."""

    ADDED = "added"
    TAKEN_AWAY = "taken_away"
    CHANGED = "changed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """One difference: where, and how it read before and after."""

    change: CardChange
    part: str
    was: str
    now: str


_PLAIN = ("title", "source_note", "note", "servings", "style", "measure_standard", "egg_grade")


def differences(was: Card, now: Card) -> list[Difference]:
    """Return what differs between two versions, in the order of the card; empty where nothing does.

    Parameters
    ----------
    was, now : Card
        The earlier and the later version.
    """
    found = list(_fields(was, now))
    found += _rows("component", was.components, now.components, lambda one: one.key, _component)
    found += _rows("line", was.lines, now.lines, lambda one: one.key, _line)
    found += _rows("step", was.steps, now.steps, lambda one: one.key, _step)
    found += _rows("pan", was.pans, now.pans, lambda one: one.label, _pan)
    found += _rows("variant", was.variants, now.variants, lambda one: one.key, _variant)
    if not found and was != now:
        found.append(Difference(change=CardChange.CHANGED, part="order of the card", was="",
                                now=""))
    return found


def _fields(was: Card, now: Card) -> Iterator[Difference]:
    for name in _PLAIN:
        yield from _one(name.replace("_", " "), getattr(was, name) or "", getattr(now, name) or "")
    yield from _one("tags", ", ".join(was.tags), ", ".join(now.tags))
    yield from _one("oven", _oven(was), _oven(now))
    yield from _one("bake time", _time(was), _time(now))
    yield from _one("phases", "; ".join(one.text for one in was.phases),
                    "; ".join(one.text for one in now.phases))
    yield from _one("batter goes in", was.batter_start.name.lower(), now.batter_start.name.lower())
    yield from _one("egg weight", _number(was.egg_g, "g"), _number(now.egg_g, "g"))
    yield from _one("strips round the pan", _yes(was.strips), _yes(now.strips))
    yield from _one("times of other pans", _offers(was), _offers(now))
    yield from _one("standing time", _number(was.stand_min, "min"), _number(now.stand_min, "min"))
    yield from _one("cooling", was.cooling.value.replace("_", " ") if was.cooling else "",
                    now.cooling.value.replace("_", " ") if now.cooling else "")
    yield from _one("finish", finish_words(was.finish), finish_words(now.finish))
    yield from _one("open questions", "; ".join(one.words for one in was.doubts),
                    "; ".join(one.words for one in now.doubts))
    yield from _one("text as pasted", was.pasted[:200], now.pasted[:200])
    yield from _one("signs of being done", "; ".join(was.signs), "; ".join(now.signs))


def _one(part: str, was: str, now: str) -> Iterator[Difference]:
    if was == now:
        return
    change = (CardChange.ADDED if not was else
              CardChange.TAKEN_AWAY if not now else CardChange.CHANGED)
    yield Difference(change=change, part=part, was=was, now=now)


def _rows(part: str, was: Sequence[Any], now: Sequence[Any], key: Callable[[Any], object],
          words: Callable[[Any], str]) -> list[Difference]:
    before, after = {key(row): row for row in was}, {key(row): row for row in now}
    found: list[Difference] = []
    for name in dict.fromkeys([*before, *after]):
        old, new = before.get(name), after.get(name)
        if old == new:
            continue
        old_words = "" if old is None else words(old)
        new_words = "" if new is None else words(new)
        if old_words == new_words:
            new_words = f"{new_words} ({', '.join(_changed_fields(old, new))})"
        found += _one(part, old_words, new_words)
    return found


def _changed_fields(old: Any, new: Any) -> list[str]:
    return [one.name.replace("_", " ") for one in fields(old)
            if getattr(old, one.name) != getattr(new, one.name)]


def _line(line: CardLine) -> str:
    return line.text


def _component(component: CardComponent) -> str:
    return component.title or component.kind.value.replace("_", " ")


def _step(step: MethodStep) -> str:
    return step.text


def _pan(pan: CardPan) -> str:
    return f"{pan.count} × {pan.label}"


def _variant(variant: Variant) -> str:
    return f"{variant.name}: {len(variant.swaps)} swaps"


def _oven(card: Card) -> str:
    return "" if card.setting is None else setting_words(card.setting, card.oven_kind)


def _time(card: Card) -> str:
    low, high = card.stated_low_min, card.stated_high_min
    if low is None or high is None:
        return ""
    return f"{low:g} min" if low == high else f"{low:g}–{high:g} min"


def _number(value: float | None, unit: str) -> str:
    return "" if value is None else f"{write_number(value)} {unit}"


def _yes(value: bool) -> str:
    return "yes" if value else ""


def _offers(card: Card) -> str:
    return "; ".join(f"{one.pan.count} × {one.pan.label}: {one.low_min:g} to {one.high_min:g} min"
                     for one in card.offers)
