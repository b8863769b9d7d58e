"""Noisy copies of clean texts: another hand, another page, the same recipe, so the same gold."""

from __future__ import annotations

import random
from collections.abc import Callable
from dataclasses import replace

from tests.core.reading.score import TIDY, Gold, texts

Noise = Callable[[str, random.Random], str]


def _rows(change: Callable[[str, random.Random], str]) -> Noise:
    return lambda text, dice: "\n".join(
        change(row, dice) if row.strip() else row for row in text.split("\n"))


def _bulleted(row: str, mark: str) -> str:
    return f"{mark}{row}"


def _stamped(text: str, dice: random.Random) -> str:
    who, minute = dice.choice(["Ada", "Bo", "Tilly", "Wim K."]), dice.randrange(10, 40)
    form = dice.choice(["[{h}:{m:02d}] {who}: ", "{who}, {h}:{m:02d}: ",
                        "0{d}/09, {h}:{m:02d} am - {who}: "])
    return "\n".join(
        form.format(h=9, m=minute + place % 19, d=3, who=who) + row if row.strip() else row
        for place, row in enumerate(text.split("\n")))


def _with_tail(text: str, dice: random.Random) -> str:
    return text.rstrip("\n") + dice.choice([
        "\n\nCOMMENTS\nUrsel: I used 50 g less sugar, lovely.\nBo: 200 ml cream on the side!\n",
        "\n\nNutrition per slice\nEnergy 321 kcal\nFat 14 g\nSugar 22 g\nSalt 0.4 g\n",
        "\n\n4.7 from 118 votes\n", "\n\nPrint  Pin  Share\n", "\n                    — 48 —\n",
        "\n\nPosted on 3 May 2024 by Nell\n", "\n\nKeeps 4 days in a tin; freezes for 2 months.\n"])


NOISE: tuple[Noise, ...] = (
    _rows(lambda row, _: _bulleted(row, "- ")), _rows(lambda row, _: _bulleted(row, "▢ ")),
    _rows(lambda row, _: _bulleted(row, "> ")), _rows(lambda row, _: _bulleted(row, "[ ] ")),
    _rows(lambda row, dice: row + " " * dice.randrange(4)),
    _rows(lambda row, _: row.replace(" ", "\xa0", 1)),
    lambda text, _: text.replace("\n", "\r\n"),
    lambda text, _: text.replace("\n", "\n\n"),
    lambda text, dice: f"TEA TIME{' ' * 30}{dice.randrange(9, 99)}\n\n{text}",
    _stamped, _with_tail, _with_tail)


def noisy(gold: Gold, dice: random.Random) -> Gold:
    """Return a copy of a text with one or two kinds of noise over it; its gold stays."""
    text = gold.text
    for change in dice.sample(NOISE, dice.choice([1, 1, 2])):
        text = change(text, dice)
    return replace(gold, name=f"{gold.name} (noisy)", text=text)


def noisy_copies(half: str, many: int, seed: int) -> list[Gold]:
    """Return so many noisy copies of the tidy lists of a half."""
    dice = random.Random(seed)
    clean = [gold for gold in texts(half) if gold.form in TIDY]
    return [noisy(dice.choice(clean), dice) for _ in range(many)]
