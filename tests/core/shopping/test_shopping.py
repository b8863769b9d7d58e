"""The shopping list: sums hold, packs cover, nothing is counted twice."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import Coat
from entremet.core.card.lines import MIXED
from entremet.core.finished.amounts import made_g
from entremet.core.finished.finish import finish
from entremet.core.finished.parts import groups_of
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.shopping.listing import Pack, Stock, packs_for, shopping_list
from entremet.core.shopping.raw import raw_of
from entremet.core.shopping.wants import Want, bought_as, wants_of
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import plan as plan_of
from tests.core.timetable.days import cake


def test_the_list_is_the_sum_of_all_weigh_outs_and_house_formulas():
    one, other = cake("One", drip=True), cake("Two", width=23, drip=True)
    wants = [*wants_of(one.plan, one.finish, cake="One"),
             *wants_of(other.plan, other.finish, cake="Two", count=2)]
    rows = shopping_list(wants, {})
    weighed = sum(times * line.g.value for times, each in ((1, one), (2, other))
                  for line in each.plan.lines
                  if line.included and line.g and line.line.component in MIXED)
    made = sum(times * from_.g for times, each in ((1, one), (2, other))
               for part in each.finish.parts for from_ in part.made_from)
    assert sum(row.needed_g or 0 for row in rows) == pytest.approx(weighed + made)
    assert len({row.key for row in rows}) == len(rows)
    for row in rows:
        assert sum(grams for _, grams in row.cakes) == pytest.approx(row.needed_g or 0)


def test_what_is_bought_of_a_component_is_what_finish_says_to_make():
    one, as_written = cake("One", width=23, coat_cm=0.9), cake("One", width=23)
    frosting, before = (next(part for part in each.finish.parts
                             if part.key.startswith("frosting")) for each in (one, as_written))
    assert frosting.make_g > 1.05 * before.make_g
    group = next(group for group in groups_of(one.plan.lines) if group.key == frosting.key)
    wants = [want for want in wants_of(one.plan, one.finish, cake="One")
             if want.name in {line.line.name for line in group.lines}]
    bought = sum(want.g for want in wants if not want.house)
    inside = sum(line.g.value for line in one.plan.lines if line.line.component in MIXED
                 and line.included and line.line.name in {want.name for want in wants})
    assert bought - inside == pytest.approx(frosting.make_g)


def test_a_component_the_finish_takes_none_of_is_bought_as_the_fit_scales_it():
    one = cake("One", coat=Coat.NONE, filling_cm=0.0)
    unused = [part for part in one.finish.parts if not part.uses and not part.house]
    assert unused
    made = made_g(one.plan, one.finish)
    for group in groups_of(one.plan.lines):
        if group.key in {part.key for part in unused}:
            assert [made[line.line.key] for line in group.lines] == [
                line.g.value for line in group.lines]


def test_a_piece_of_a_fruit_is_bought_as_the_fruit():
    assert bought_as(line(1, "Thin plum slices", 8, "piece", "8"))[0] == "plum"
    assert bought_as(line(1, "Plum jam sponge", 8, "g", "8 g"))[0] == "plum jam sponge"


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


@pytest.mark.parametrize(("name", "left", "words"), [
    ("Stoned plums", 0.88, "stoned"), ("Plums, stoned and diced", None, ""),
    ("Peeled parsnips, grated", 0.85, "peeled"), ("Unpeeled apples", None, ""),
    ("Peeled and cored apples", 0.85 * 0.88, "peeled and cored"),
    ("Peeled bananas", 0.65, "peeled"), ("Stoned dates", None, ""),
    ("Shelled walnuts", None, ""), ("Shelled broad beans", 0.48, "shelled"),
    ("Hulled strawberries", 0.95, "hulled"), ("Butter", None, "")])
def test_what_is_weighed_peeled_or_stoned_is_bought_by_its_raw_weight(name, left, words):
    found = raw_of(name)
    assert (None if found is None else found.left) == (
        None if left is None else pytest.approx(left))
    assert ("" if found is None else found.words) == words


def test_raw_weights_count_in_the_list_and_say_so():
    card = make_card(lines=(*make_card().lines, line(9, "Stoned plums", 88, "g", "88 g"),
                            line(10, "Lemons", 2, "piece", "2 lemons", "lemon_juice")))
    plan = plan_of(card, entry(round_pan(18), 2))
    wants = {want.name: want for want in wants_of(plan, finish(plan), cake="One", count=3)}
    plums = wants["Stoned plums"]
    assert plums.g == pytest.approx(3 * plan.lines[8].g.value / 0.88)
    row = next(one for one in shopping_list([plums], {}))
    assert (row.raw, row.buy_g) == ("stoned", plums.g)
    assert shopping_list([wants["Butter"]], {})[0].raw == ""
    assert wants["Lemons"].pieces == pytest.approx(6 * plan.amounts.factor.value)


def test_what_one_card_counts_and_another_weighs_is_bought_by_the_piece_for_both():
    counted = Want(key="lemon", name="Lemons", g=200, pieces=2, cake="One")
    weighed = Want(key="lemon", name="Lemons", g=150, cake="Two")
    assert shopping_list([counted, weighed], {})[0].pieces == 4  # 350 g at 100 g each
    assert shopping_list([counted], {"lemon": Stock(have_g=150)})[0].pieces == 1
    assert shopping_list([weighed], {})[0].pieces is None
