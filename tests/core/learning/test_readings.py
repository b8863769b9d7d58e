"""What a measure says of the number it teaches, and what cannot be."""

from __future__ import annotations

from dataclasses import fields

import pytest

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.learning.quantities import QUANTITIES
from entremet.core.learning.readings import FIELDS, Measures, Planned, check, readings_of

CAKE = Planned(set_c=170, preheat_min=20, batter_g=500, layer_g=0, risen_cm=5, density=0.92)


@pytest.mark.parametrize(("measure", "quantity", "value"), [
    ({"oven_read_c": 158}, "dial", -12), ({"hot_after_min": 25}, "preheat", 1.25),
    ({"height_cm": 5.5}, "rise", 1.1), ({"weight_g": 440}, "bake_loss", 0.12),
    ({"batter_g_dl": 101.2}, "density", 1.1),
])
def test_each_measure_is_a_reading_of_its_number(measure, quantity, value):
    assert readings_of(CAKE, Measures(**measure)) == {quantity: pytest.approx(value)}
    check(CAKE, Measures(**measure))


def test_layers_are_weighed_with_the_cake_and_lose_nothing():
    layered = Planned(batter_g=500, layer_g=200)
    assert readings_of(layered, Measures(weight_g=640))["bake_loss"] == pytest.approx(0.12)


def test_what_the_plan_cannot_say_is_no_reading():
    everything = Measures(oven_read_c=158, hot_after_min=25, height_cm=5, weight_g=440,
                          batter_g_dl=92)
    assert readings_of(Planned(), everything) == {}
    assert readings_of(CAKE, Measures()) == {}
    check(Planned(), everything)


@pytest.mark.parametrize(("measure", "value"), [
    ("oven_read_c", 90), ("hot_after_min", 100), ("height_cm", 12), ("weight_g", 510),
    ("weight_g", 200), ("batter_g_dl", 20),
])
def test_what_cannot_be_is_refused_and_its_field_named(measure, value):
    with pytest.raises(ImpossibleChoice) as refused:
        check(CAKE, Measures(**{measure: value}))
    assert refused.value.field == measure


def test_every_reading_is_of_a_number_in_the_table():
    assert set(FIELDS) <= set(QUANTITIES)
    assert sorted(FIELDS.values()) == sorted(one.name for one in fields(Measures))
