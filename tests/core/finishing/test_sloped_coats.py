"""A coat lies square to the cut, as thick everywhere: balls, steps, tapers."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import Profile
from entremet.core.finishing.sloped import SlopedCut, sloped_coat_ml


def cut(profile, foot=15.0, top=15.0, height=15.0, drawn=()):
    return SlopedCut(profile=profile, foot_cm=foot, top_cm=top, height_cm=height, drawn=drawn)


def ball_ml(radius):
    return 4 / 3 * math.pi * radius**3


@pytest.mark.parametrize("thick", [0.2, 0.5, 0.8])
def test_the_coat_of_a_ball_is_the_larger_ball_less_the_ball_and_what_the_board_takes(thick):
    radius = 7.5
    under = math.pi * thick**2 * (3 * (radius + thick) - thick) / 3
    wanted = ball_ml(radius + thick) - ball_ml(radius) - under
    assert sloped_coat_ml(cut(Profile.BALL), thick) == pytest.approx(wanted, rel=0.004)
    surface = 4 * math.pi * radius**2 * thick
    assert sloped_coat_ml(cut(Profile.BALL), thick) == pytest.approx(surface, rel=0.12)


def test_steps_are_coated_as_two_cakes_on_each_other_are():
    steps = cut(Profile.DRAWN, foot=24, top=14, height=16,
                drawn=((0.0, 24.0), (8.0, 24.0), (8.06, 14.0), (16.0, 14.0)))
    thick = 0.5
    lower = math.pi * 12.5**2 * 8.5 - math.pi * 12**2 * 8
    upper = math.pi * 7.5**2 * 8.5 - math.pi * 7**2 * 8
    shared = math.pi * 7.5**2 * 0.5
    assert sloped_coat_ml(steps, thick) == pytest.approx(lower + upper - shared, rel=0.01)


def test_a_straight_side_is_a_cylinder():
    straight = cut(Profile.TAPER, foot=20, top=20, height=8.4)
    assert sloped_coat_ml(straight, 0.15) == pytest.approx(128.3, abs=0.1)
    body, top = math.pi * 100 * 8.4, 0.6
    assert sloped_coat_ml(straight, 0.3, top_cm=top) == pytest.approx(
        math.pi * 10.3**2 * (8.4 + top) - body, rel=1e-6)
    assert sloped_coat_ml(straight, 0.3, top_cm=0.0) == pytest.approx(
        math.pi * 10.3**2 * 8.4 - body, rel=1e-6)


@given(st.sampled_from([Profile.TAPER, Profile.ROUNDED, Profile.BALL, Profile.EGG]),
       st.floats(10, 30), st.floats(8, 25), st.floats(0.1, 0.6), st.floats(1.05, 2))
def test_a_thicker_coat_takes_more_and_a_larger_cake_too(profile, wide, high, thick, more):
    here = cut(profile, foot=wide, top=wide * 0.8, height=high)
    assert 0 < sloped_coat_ml(here, thick) < sloped_coat_ml(here, thick * more)
    larger = cut(profile, foot=wide * more, top=wide * 0.8 * more, height=high * more)
    assert sloped_coat_ml(here, thick) < sloped_coat_ml(larger, thick)

