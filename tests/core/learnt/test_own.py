"""A kitchen's own numbers take the book's place only where they are measured, and say so."""

from __future__ import annotations

import pytest

from entremet.core.batter.bowl_loss import USUAL_LOSS
from entremet.core.batter.styles import style
from entremet.core.finishing.practice import bake_loss
from entremet.core.ground.provenance import Origin
from entremet.core.ground.reference import Basis
from entremet.core.learning.quantities import Taught, taught
from entremet.core.learnt.own import (
    hands_notes,
    own_loss,
    own_oven,
    own_pace,
    own_style,
    recipe_notes,
)
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale

OVEN = Oven(name="Main oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
            highest=250)
CREAMED = style("creamed")


def kitchen(**readings):
    return lambda name: taught(name, readings.get(name, ()))


def test_nothing_measured_changes_nothing():
    nothing = kitchen()
    assert own_oven(OVEN, nothing) is OVEN
    assert own_style(CREAMED, nothing) is CREAMED
    assert own_loss(USUAL_LOSS, nothing) is USUAL_LOSS
    assert own_pace(1.0, nothing) == 1.0
    assert recipe_notes("Plum cake", nothing) == hands_notes(1.0, nothing) == []


def test_an_oven_is_as_its_thermometer_says_unless_the_baker_said():
    off = kitchen(dial=[-12] * 4, preheat=[1.4] * 4)
    own = own_oven(OVEN, off)
    assert (own.dial_off_c, own.dial_readings, own.preheat_readings) == (-10, 4, 4)
    assert own.preheat.origin is Origin.MEASURED
    assert 24 < own.preheat.value < 28
    said = Oven(name="Main oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5,
                lowest=50, highest=250, dial_off_c=3, preheat_min=18)
    assert own_oven(said, off) is said


def test_a_steamer_has_no_dial_to_be_off():
    steamer = Oven(name="Steamer", kind=OvenKind.STEAM, scale=Scale.CELSIUS, step=5, lowest=50,
                   highest=250)
    assert own_oven(steamer, kitchen(dial=[-12] * 4)).dial_off_c == 0


def test_a_batter_is_as_it_was_measured():
    own = own_style(CREAMED, kitchen(rise=[1.2] * 6, density=[0.9] * 6, bake_loss=[0.14] * 6))
    assert own.rise.value == pytest.approx(CREAMED.rise.value * 1.18, rel=0.02)
    assert own.density.value == pytest.approx(CREAMED.density.value * 0.91, rel=0.02)
    assert own.rise.basis is own.density.basis is Basis.MEASURED
    assert bake_loss(CREAMED) == 0.1
    assert bake_loss(own) == pytest.approx(0.138, abs=0.003)


def test_bowls_and_hands():
    learnt_loss = own_loss(USUAL_LOSS, kitchen(bowl_loss=[0.05] * 9))
    assert learnt_loss.origin is Origin.MEASURED
    assert learnt_loss.fixed_g == 0  # what was weighed is a share of the batter, and all of it
    slow = kitchen(hands=[1.5] * 40)
    assert own_pace(1.0, kitchen(hands=[1.5] * 9)) == 1.0
    assert 1.3 < own_pace(1.0, slow) < 1.5
    assert own_pace(0.8, slow) == 0.8
    assert hands_notes(0.8, slow) == []
    assert "from 40 readings" in hands_notes(1.0, slow)[0].text


def test_what_is_counted_otherwise_is_said_once_each():
    def learnt(name):
        return Taught(value=1.1, sd=0.03, count=2 if name == "rise" else 0)

    (one,) = recipe_notes("Plum cake", learnt)
    assert (one.code, one.text) == (
        "learnt_rise", "Plum cake rises 10 % more than its style, ± 3, from 2 readings.")
