"""Servings: how large a portion is, how many a cake gives, how much batter so many want."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.fitting.source import Source
from entremet.core.fitting.standing import Standing
from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.provenance import Figure, assumed, worked_out
from entremet.core.ground.quantities import ml_to
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value
from entremet.core.pans.pan import AnyPan, PanKind

OWN = "own"
"""Key of the recipe's own portion: its cake over its servings."""

USUAL_SERVINGS = 12
"""Where neither recipe nor baker names a number; an assumption, said so."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PortionSize:
    """A usual portion: its name, how it looks, and its baked cake in ml."""

    key: str
    name: str
    text: str
    size: ReferenceValue


@dataclass(frozen=True, slots=True, kw_only=True)
class Portion:
    """The portion a fit is cut in."""

    key: str
    name: str
    ml: Figure


PORTIONS: dict[str, PortionSize] = {
    key: PortionSize(key=key, name=row["name"], text=row["text"], size=reference_value(row["size"]))
    for key, row in read_table("entremet.core.fitting", "portions.toml").items()
}

_NUMBER = re.compile(r"\d{1,4}")


def servings_of(words: str) -> int | None:
    """Return the servings a recipe writes, the fewer of a range; None where it names none.

    >>> servings_of("Serves 10-12"), servings_of("a crowd")
    (10, None)
    """
    found = _NUMBER.search(words)
    count = int(found.group()) if found else 0
    return count or None


def servings_wanted(typed: int | None, words: str) -> int:
    """Return how many are served: as typed, else as the recipe writes, else the usual."""
    return typed or servings_of(words) or USUAL_SERVINGS


def baked_ml(source: Source, style: Style) -> float:
    """Return what the recipe's own cake measures once baked, layers in it included, ml."""
    return (source.net_g / style.density.value * style.rise.value
            + source.layer_g + source.top_g)


def portion_of(key: str, *, source: Source, style: Style, servings: str) -> Portion | None:
    """Return the portion of that key.

    Parameters
    ----------
    key : str
        Of a usual portion; "own" for the recipe's; empty for none.
    source : Source
        The recipe in its own pans.
    style : Style
        Of its batter.
    servings : str
        As the recipe writes them.

    Returns
    -------
    Portion or None
        A dessert slice, assumed, where the recipe's own is wanted and it names none.

    Raises
    ------
    UnknownReference
        For a key that is none.
    """
    if not key:
        return None
    if key == OWN:
        count = servings_of(servings)
        if count is None or source.net_g <= 0:
            usual = PORTIONS["dessert"]
            return Portion(key=OWN, name=usual.name, ml=assumed(
                usual.size.value, "the recipe names no servings: dessert slices assumed"))
        return Portion(key=OWN, name="the recipe's own portions", ml=worked_out(
            baked_ml(source, style) / count, f"the recipe's cake over its own “{servings}”"))
    if key not in PORTIONS:
        raise UnknownReference(f"There is no portion “{key}”.", field="portion")
    size = PORTIONS[key]
    return Portion(key=key, name=size.name, ml=assumed(
        size.size.value, f"{size.name}: {size.text}; {ml_to(size.size.low, size.size.high)} "
        "is usual"))


def pieces_of(pan: AnyPan, standing: Standing, portion: Portion) -> int:
    """Return how many whole portions one pan gives; a cupcake is one, a cake at least one."""
    if pan.kind is PanKind.WELLS:
        return 1
    return max(1, math.floor(standing.risen_ml / portion.ml.value + 1e-6))


def batter_for_ml(servings: int, portion: Portion, style: Style, layers_ml: float) -> float:
    """Return the batter, ml, whose baked cake with its layers gives so many portions."""
    return max(0.0, (servings * portion.ml.value - layers_ml) / style.rise.value)
