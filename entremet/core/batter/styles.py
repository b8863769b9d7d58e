"""Styles of batter and what follows from each: density, rise, fill, when it is done."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, fields
from typing import Any

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value

WELLS_MAY_TAKE_MORE = 0.05
"""Added to the fill limit of wells, since they may dome; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Traits:
    """How a style behaves; ``styles.toml`` says what each trait means. All practice."""

    runny: bool
    clings: bool
    chills: bool
    fat: str
    dust: str
    waits: str
    leaves: str
    never_hotter: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Style:
    """A family of batters that behave alike.

    Parameters
    ----------
    key, name : str
        Stable key and the name bakers use.
    density : ReferenceValue
        Grams per ml of raw batter.
    rise : ReferenceValue
        Baked over batter volume.
    usual_fill, fill_limit : ReferenceValue
        Share of the capacity, usual and at most.
    done_c : ReferenceValue
        Centre temperature when done, °C.
    in_bowl : ReferenceValue
        Room the mix takes at its largest while it is made, over the batter's own volume.
    pace : ReferenceValue
        Time against the creamed style, when no stated time says better.
    traits : Traits
        How it behaves beside its numbers.
    like : str
        Key of the style whose signs and usual ratios it shares; its own where it has them.
    bake_loss : ReferenceValue or None
        Share of the batter's weight that leaves in the oven, where it was measured.
    """

    key: str
    name: str
    density: ReferenceValue
    rise: ReferenceValue
    usual_fill: ReferenceValue
    fill_limit: ReferenceValue
    done_c: ReferenceValue
    in_bowl: ReferenceValue
    pace: ReferenceValue
    traits: Traits
    like: str
    bake_loss: ReferenceValue | None = None


NUMBERS = ("density", "rise", "usual_fill", "fill_limit", "done_c", "in_bowl",
           "pace")


def styles_in(table: Mapping[str, Mapping[str, Any]]) -> dict[str, Style]:
    """Return the styles of a table by their keys.

    Raises
    ------
    CoreError
        When a number is out of its range, or a trait is missing.
    """
    return {key: Style(
        key=key, name=row["name"], like=row.get("like", key),
        traits=Traits(**{one.name: row[one.name] for one in fields(Traits)}),
        **{name: reference_value(row[name]) for name in NUMBERS}) for key, row in table.items()}


STYLES = styles_in(read_table("entremet.core.batter", "styles.toml"))


def style(key: str) -> Style:
    """Return the style of that key.

    Raises
    ------
    UnknownReference
        When there is none.

    >>> style("creamed").density.value
    0.92
    """
    if key not in STYLES:
        raise UnknownReference(f"There is no batter style “{key}”.", field="style")
    return STYLES[key]
