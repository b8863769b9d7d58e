"""Regions, usual pans and recipes to try, read from their files."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files
from typing import Any, Literal

from entremet.core.card.card import Card, CardPan
from entremet.core.measures.habits import Units
from entremet.core.measures.lengths import read_length_cm
from entremet.core.ovens.settings import Scale
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.reading.recipes import read_recipe

_LENGTHS = ("across", "width", "tube", "rim_across", "rim_width", "rim_tube", "wall_cm")


@dataclass(frozen=True, slots=True, kw_only=True)
class HomeRegion:
    """Habits a kitchen of a region usually has."""

    key: str
    name: str
    units: Units
    dial: Scale
    measure_standard: str
    egg_grade: str
    paper: Literal["A4", "Letter"]
    clock: Literal["24", "12"]


@dataclass(frozen=True, slots=True, kw_only=True)
class ShelfPan:
    """A pan as shops sell it."""

    label: str
    measures: PanMeasures
    inches: bool


@cache
def regions() -> tuple[HomeRegion, ...]:
    """Return the regions, the most asked for first."""
    return tuple(HomeRegion(**{**row, "units": Units(row["units"]), "dial": Scale(row["dial"])})
                 for row in _read("regions.toml")["regions"])


@cache
def shelf(inches: bool) -> tuple[ShelfPan, ...]:
    """Return the usual pans, as sold in inches or in centimetres."""
    rows = _read("shelf.toml")["us" if inches else "metric"]["pans"]
    return tuple(ShelfPan(label=row["label"], inches=inches, measures=_measures(row))
                 for row in rows)


@cache
def starters() -> dict[str, Card]:
    """Return the recipes to try, by their keys."""
    folder = files("entremet.kitchen.welcome").joinpath("starters")
    found = {}
    for name in sorted(one.name for one in folder.iterdir() if one.name.endswith(".toml")):
        row = _read(f"starters/{name}")
        card = read_recipe(row["text"].strip()).card
        pans = card.pans if "pan" not in row else (_pan(row["pan"]),)
        found[row["key"]] = replace(card, style=row["style"], pans=pans)
    return found


def _pan(row: dict[str, Any]) -> CardPan:
    measures = {name: value for name, value in row.items() if name != "count"}
    return CardPan(label=row["label"], count=row["count"], measures=_measures(measures))


def _measures(row: dict[str, Any]) -> PanMeasures:
    given: dict[str, Any] = {
        name: read_length_cm(value, field=name) if name in _LENGTHS else value
        for name, value in row.items() if name not in ("label", "outline")}
    return PanMeasures(outline=OutlineName(row["outline"]), **given)


def _read(name: str) -> dict[str, Any]:
    return tomllib.loads(files("entremet.kitchen.welcome").joinpath(name).read_text("utf-8"))
