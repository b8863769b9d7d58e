"""The shopping list: sums hold, packs cover, nothing is counted twice."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.finished.finish import finish
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.shopping.listing import Pack, Stock, packs_for, shopping_list
from entremet.core.shopping.wants import Want, wants_of
from tests.core.timetable.days import cake


def test_the_list_is_the_sum_of_all_weigh_outs_and_house_formulas():
    one, other = cake("One", drip=True), cake("Two", width=23, drip=True)
    wants = [*wants_of(one.plan, one.finish, cake="One"),
             *wants_of(other.plan, other.finish, cake="Two", count=2)]
    rows = shopping_list(wants, {})
    weighed = sum(line.g.value for line in one.plan.lines if line.included and line.g)
    weighed += 2 * sum(line.g.value for line in other.plan.lines if line.included and line.g)
    house = sum(made.g for part in one.finish.parts if part.house for made in part.made_from)
    house += 2 * sum(made.g for part in other.finish.parts if part.house
                     for made in part.made_from)
    assert sum(row.needed_g or 0 for row in rows) == pytest.approx(weighed + house)
    assert len({row.key for row in rows}) == len(rows)
    for row in rows:
        assert sum(grams for _, grams in row.cakes) == pytest.approx(row.needed_g or 0)


def test_eggs_come_whole():
    one = cake()
    eggs = next(row for row in shopping_list(
        list(wants_of(one.plan, one.finish, cake="One")), {}) if row.pieces is not None)
    line = next(line for line in one.plan.lines if line.line.is_eggs)
    assert eggs.pieces == math.ceil(line.line.amount.value * line.factor - 1e-6)


def test_a_line_left_out_is_not_bought():
    plan = cake().plan
    names = {want.name for want in wants_of(plan, finish(plan), cake="x")}
    assert "Walnuts" not in names


def test_the_larder_comes_off_first_and_what_is_left_is_said():
    want = [Want(key="flour", name="Flour", g=800, cake="One")]
    stock = Stock(have_g=300, packs=(Pack(g=1000, price=1.5), Pack(g=500, price=1.0)),
                  where="Mill")
    row = shopping_list(want, {"flour": stock})[0]
    assert (row.buy_g, row.price, row.left_g, row.where) == (500, 1.0, 0, "Mill")
    full = shopping_list(want, {"flour": Stock(have_g=900)})[0]
    assert (full.buy_g, full.packs, full.left_g) == (0, (), 100)


def test_packs_without_a_price_are_the_fewest():
    assert packs_for(1100, [Pack(g=500), Pack(g=1000, price=2)]) == ((Pack(g=500), 1),
                                                                    (Pack(g=1000, price=2), 1))
    assert packs_for(0, [Pack(g=500)]) == ()
    assert packs_for(500, []) == ()


@given(st.floats(1, 20_000), st.lists(st.tuples(st.floats(20, 5000), st.floats(0.1, 30)),
                                      min_size=1, max_size=4))
def test_packs_always_cover_and_never_with_one_too_many(grams, sizes):
    packs = [Pack(g=g, price=price) for g, price in sizes]
    chosen = packs_for(grams, packs)
    held = sum(pack.g * count for pack, count in chosen)
    assert held >= grams - 1e-6
    cost = sum(pack.price * count for pack, count in chosen)
    for pack in packs:
        assert cost <= pack.price * math.ceil(grams / pack.g) + 1e-6
    for pack, _ in chosen:
        assert held - pack.g < grams


@given(st.lists(st.tuples(st.sampled_from("abc"), st.floats(0, 2000)), max_size=12),
       st.floats(0, 3000))
def test_nothing_is_lost_or_counted_twice(rows, have):
    wants = [Want(key=key, name=key, g=g, cake=str(place)) for place, (key, g) in enumerate(rows)]
    for row in shopping_list(wants, {"a": Stock(have_g=have)}):
        needed = sum(g for key, g in rows if key == row.key)
        assert row.needed_g == pytest.approx(needed)
        assert row.buy_g == pytest.approx(max(0, needed - (have if row.key == "a" else 0)))


@pytest.mark.parametrize("wrong", [{"g": 0}, {"g": float("nan")}, {"g": 500, "price": -1}])
def test_what_is_no_pack_is_refused(wrong):
    with pytest.raises(ImpossibleChoice):
        Pack(**wrong)
