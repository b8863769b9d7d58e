"""Roots: found to the promised nearness, in few steps, or refused."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.roots import brentq


def counted(f):
    asked = []

    def g(x):
        asked.append(x)
        return f(x)

    return g, asked


@pytest.mark.parametrize(("f", "low", "high", "root", "most"), [
    (lambda x: x * x - 2, 0, 2, math.sqrt(2), 11),
    (lambda x: math.cos(x) - x, 0, 1, 0.7390851332, 10),
    (lambda x: math.exp(-x) - 0.2, 0, 9, math.log(5), 14), (lambda x: x**3, -1, 2, 0.0, 90),
    (lambda x: 3 * x - 6, -50, 80, 2.0, 6), (lambda x: math.atan(x - 4), -30, 9, 4.0, 16)])
def test_a_root_is_found_in_few_steps(f, low, high, root, most):
    g, asked = counted(f)
    assert brentq(g, low, high) == pytest.approx(root, abs=1e-9)
    assert len(asked) <= most


@given(st.floats(-50, 50), st.floats(0.01, 40), st.floats(0.01, 40), st.floats(0.1, 3))
def test_a_root_lies_within_the_promised_distance(root, below, above, steep):
    def f(x):
        return math.sinh(steep * (x - root) / 40) + (x - root)

    assert abs(brentq(f, root - below, root + above, xtol=1e-7) - root) <= 1e-6


def test_an_end_that_is_the_root_is_it_and_one_sign_is_refused():
    assert brentq(lambda x: x, 0, 5) == 0
    assert brentq(lambda x: x - 5, 0, 5) == 5
    with pytest.raises(ValueError, match="same sign"):
        brentq(lambda x: x * x + 1, -1, 1)


def test_a_jump_is_halved_down_to():
    assert brentq(lambda x: -1.0 if x < 0.3 else 2.0, 0, 1) == pytest.approx(0.3, abs=1e-9)
