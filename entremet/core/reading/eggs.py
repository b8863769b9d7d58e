"""Eggs as lines call them: whole, white or yolk, and how large."""

from __future__ import annotations

import re

from entremet.core.card.card import EggSize
from entremet.core.ingredients.names import plain
from entremet.core.measures.units import Unit

_EGG_WORDS = {"egg": Unit.EGG, "whole egg": Unit.EGG, "hen egg": Unit.EGG, "egg white": Unit.WHITE,
              "white": Unit.WHITE, "egg yolk": Unit.YOLK, "yolk": Unit.YOLK}
_EGG_SIZES = (
    ("extra large", EggSize.EXTRA_LARGE), ("x large", EggSize.EXTRA_LARGE),
    ("xl", EggSize.EXTRA_LARGE), ("large", EggSize.LARGE), ("lge", EggSize.LARGE),
    ("lrg", EggSize.LARGE), ("medium", EggSize.MEDIUM), ("med", EggSize.MEDIUM),
    ("small", EggSize.SMALL))
_EGG_DROPPED = re.compile(r"\b(?:free|range|organic|fresh|room|temperature|beaten|lightly|whisked|"
                          r"at|separated|cold|extra|x|xl|large|lge|lrg|lg|medium|med|small|whole|"
                          r"hen)\b")


def egg_unit(name: str) -> Unit | None:
    """Return what of an egg a name counts; None where it is no egg.

    >>> egg_unit("large free-range eggs")
    <Unit.EGG: 'egg'>
    """
    bare = " ".join(_EGG_DROPPED.sub(" ", plain(name)).split())
    return _EGG_WORDS.get(bare)


def egg_size_of(words: str) -> EggSize | None:
    """Return the size of egg that words name; None where they name none.

    >>> egg_size_of("large eggs").value
    'large'
    """
    bare = plain(words)
    return next((size for word, size in _EGG_SIZES if re.search(rf"\b{word}\b", bare)), None)
