"""Cards and pans of the core's tests."""

from __future__ import annotations

import pytest

from entremet.core.batter.styles import style
from entremet.core.card.lines import Component, Line, Part, ScalesBy
from entremet.core.card.recipe import Recipe, SourcePan, StatedTime
from entremet.core.fitting.rules import Entry
from entremet.core.ingredients.table import ingredient
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import AnyPan


def line(key: int, name: str, value: float | None, unit: str, written: str,
         ingredient_key: str = "", **more: object) -> Line:
    amount = None if value is None else Amount(value=value, unit=Unit(unit))
    return Line(key=key, name=name, amount=amount, written=written,
                ingredient=ingredient(ingredient_key) if ingredient_key else None, **more)


def round_pan(across: float, wall: float = 7.5, label: str = "round", **more: object) -> AnyPan:
    return pan_from(PanMeasures(outline=OutlineName.ROUND, across=across, wall_cm=wall, **more),
                    label=label)


def square_pan(across: float, wall: float = 5.0) -> AnyPan:
    return pan_from(PanMeasures(outline=OutlineName.SQUARE, across=across, wall_cm=wall),
                    label="square")


def wells_pan(wells: int = 12) -> AnyPan:
    return pan_from(PanMeasures(outline=OutlineName.WELLS, across=5, rim_across=7, wall_cm=3.2,
                                wells=wells), label="tray")


def entry(pan: AnyPan, count: int = 1, **more: object) -> Entry:
    return Entry(label=pan.label, pan=pan, count=count, **more)


def make_card(**changes: object) -> Recipe:
    fields: dict[str, object] = {
        "title": "Plum and bergamot layer cake",
        "style": style("creamed"),
        "lines": (
            line(1, "Butter", 225, "g", "225 g"),
            line(2, "Caster sugar", 220, "g", "220 g",
                 parts=(Part(name="creamed", share=180 / 220), Part(name="eggs", share=40 / 220))),
            line(3, "Eggs", 4, "egg", "4 medium"),
            line(4, "Plain flour", 240, "g", "240 g", "plain_flour"),
            line(5, "Baking powder", 2, "tsp", "2 tsp", "baking_powder"),
            line(6, "Fine salt", 0.25, "tsp", "¼ tsp", "fine_salt"),
            line(7, "Milk", 60, "ml", "60 ml", "whole_milk"),
            line(8, "Walnuts", 80, "g", "80 g", optional=True),
        ),
        "pans": (SourcePan(pan=round_pan(18), count=2),),
        "setting": Setting(value=170, scale=Scale.CELSIUS),
        "oven_kind": OvenKind.CONVENTIONAL,
        "stated": StatedTime(low_min=34, high_min=34),
        "standard_key": "metric",
        "grade_key": "uk_medium",
    }
    return Recipe(**{**fields, **changes})


def base_layer_lines() -> tuple[Line, ...]:
    return (
        *make_card().lines,
        line(20, "Plums", 240, "g", "240 g", component=Component.BASE_LAYER,
             scales_by=ScalesBy.BASE_AREA),
        line(21, "Icing sugar", 10, "g", "10 g", component=Component.DECORATION,
             scales_by=ScalesBy.FIXED),
    )


@pytest.fixture
def card() -> Recipe:
    return make_card()


@pytest.fixture
def oven() -> Oven:
    return Oven(name="oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
                highest=250)
