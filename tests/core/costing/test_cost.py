"""What a cake costs: each part by its own rule, and what is not known stays out and is named."""

from __future__ import annotations

from contextlib import nullcontext

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.costing.cost_of import DUTY, Asked, Rates, cost_of, is_assumed, rounded_up
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.shopping.listing import Pack, Stock
from entremet.core.shopping.wants import Want

WANTS = (Want(key="flour", name="Flour", g=400, cake="One"),
         Want(key="plums", name="Plums", g=300, cake="One"))
STOCKS = {"flour": Stock(packs=(Pack(g=1000, price=2.0), Pack(g=500, price=1.5)))}
RATES = Rates(wage=12, kwh=0.3, packaging=1.5, fixed=0.5, margin=0.5, portion=3, rounding=0.5)


def cost(rates=RATES, **more):
    return cost_of(WANTS, STOCKS, rates, **{"hands_min": 120, "oven_min": 60, "portions": 14,
                                            **more})


def test_each_part_by_its_own_rule():
    made = cost()
    parts = {one.key: one.sum.value for one in made.parts}
    assert parts["ingredients"] == pytest.approx(400 * 0.002)  # the cheapest gram known
    assert parts["hands"] == 24
    assert parts["heat"] == pytest.approx(2.2 * DUTY * 0.3)
    rest = sum(value for key, value in parts.items() if key != "failed")
    assert parts["failed"] == pytest.approx(0.04 * rest)
    assert made.total == pytest.approx(sum(parts.values()))


def test_two_prices_in_the_kitchens_steps():
    made = cost()
    assert made.by_margin >= made.total * 1.5
    assert made.by_margin == rounded_up(made.total * 1.5, 0.5)
    assert made.by_portion == 42
    assert cost(portions=None).by_portion is None
    assert cost(Rates(wage=12)).by_portion is None


def test_small_cakes_have_a_price_each_and_a_cake_that_is_cut_has_none():
    assert cost(small=True).each == pytest.approx(cost().by_margin / 14)
    assert cost().each is None
    assert cost(small=True, portions=None).each is None


def test_a_price_that_does_not_pay_the_cost_is_said():
    assert cost(portions=8).below_cost
    assert cost(portions=8).by_portion == 24
    assert not cost(portions=14).below_cost
    assert not cost(portions=None).below_cost
    short = Asked(price=20, cost=28.4, complete=True)
    assert short.over == pytest.approx(-8.4)
    assert short.words("€") == "20.00 € is 8.40 € below what it costs."
    assert Asked(price=20, cost=28.4, complete=False).words("€") == (
        "20.00 € is at least 8.40 € below what it costs.")
    assert Asked(price=30, cost=28, complete=True).words("€") == (
        "30.00 € leaves 2.00 € over its cost.")
    # Less than a cent below is not below: no “0.00 below”.
    assert Asked(price=28, cost=28.004, complete=True).words("€") == (
        "28.00 € leaves 0.00 € over its cost.")
    assert "0.01 € below" in Asked(price=28, cost=28.006, complete=True).words("€")
    assert Asked(price=30, cost=28, complete=False).words("€") == (
        "30.00 € leaves at most 2.00 € over its cost.")


@pytest.mark.parametrize("price", [-0.01, float("nan"), float("inf"), 100_001])
def test_a_price_that_is_none_is_refused(price):
    with pytest.raises(ImpossibleChoice) as refused:
        Asked(price=price, cost=1, complete=True)
    assert refused.value.field == "price"


def test_what_has_no_price_is_named_and_what_is_assumed_says_so():
    made = cost()
    assert made.without_price == ("Plums",)
    assumed = {one.key for one in made.parts if is_assumed(one)}
    assert assumed == {"heat", "failed"}
    known = cost(Rates(kw=2.0, kwh=0.3))
    assert "heat" not in {one.key for one in known.parts if is_assumed(one)}


def test_nothing_is_a_profit_that_leaves_hands_out():
    assert cost(Rates()).hands_left_out
    assert not cost().hands_left_out


@given(st.floats(0, 600), st.floats(0, 600))
def test_more_work_never_costs_less(hands, more):
    assert cost(hands_min=hands + more).total >= cost(hands_min=hands).total


@pytest.mark.parametrize(("wrong", "field"), [({"wage": -1}, "wage"), ({"kw": 90}, "kw"),
                                              ({"portion": -2}, "portion")])
def test_rates_that_are_none_name_their_field(wrong, field):
    with pytest.raises(ImpossibleChoice) as refused:
        Rates(**wrong)
    assert refused.value.field == field


@pytest.mark.parametrize(("kw", "fine"), [(0.2, True), (20, True), (0.1, False), (21, False)])
def test_an_oven_has_the_power_of_an_oven(kw, fine):
    with nullcontext() if fine else pytest.raises(ImpossibleChoice, match=r"0\.2 to 20 kW"):
        assert Rates(kw=kw).kw == kw
