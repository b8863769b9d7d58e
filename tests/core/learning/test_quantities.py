"""What is learnt beside times, and how all of it is told."""

from __future__ import annotations

import math

import pytest

from entremet.core.baking.heat_balance import minutes, single, slowed
from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.quantities import plain
from entremet.core.learning.book import CLOSED_BOOK, Book
from entremet.core.learning.entries import Facts, Logged
from entremet.core.learning.model import learn
from entremet.core.learning.quantities import QUANTITIES, Taught, taught
from entremet.core.learning.scoring import by_depth, foretold, score_of_rule
from entremet.core.learning.words import dial_words, learnt_dial_c, quantity_words, shift_words


def test_every_quantity_says_where_it_comes_from_and_starts_in_its_range():
    for row in QUANTITIES.values():
        assert row.low <= row.start <= row.high
        assert row.prior_sd > 0 < row.noise_sd
        assert row.source
        assert row.basis in ("estimate", "practice")


@pytest.mark.parametrize("name", sorted(QUANTITIES))
def test_no_reading_is_the_books_value_and_many_are_their_own(name):
    row = QUANTITIES[name]
    nothing = taught(name, [])
    assert (nothing.value, nothing.count, nothing.clear) == (row.start, 0, False)
    assert nothing.sd == pytest.approx(row.prior_sd)
    seen = row.start + (0.3 if row.log else row.noise_sd)
    many = taught(name, [seen] * 200)
    assert many.value == pytest.approx(seen, rel=0.03)
    assert many.count == 200
    assert many.sd < 0.1 * row.prior_sd


def test_two_readings_of_a_dial_by_hand():
    """Weights are (4 + 1)/(4 + r²): with r = 0 each reading counts 5/4."""
    found = taught("dial", [-12.0, -12.0])
    sure = 1 / 100 + 2 * found_weight(-12, found.value) / 36
    assert found.value == pytest.approx(-12 * (sure - 1 / 100) / sure, rel=1e-6)
    assert found.sd == pytest.approx(1 / math.sqrt(sure), rel=1e-6)
    assert -12 < found.value < -9


def found_weight(reading, mean):
    return 5 / (4 + ((reading - mean) / 6)**2)


def test_one_wild_reading_weighs_little_and_nonsense_none():
    plain = taught("bowl_loss", [0.03] * 5)
    wild = taught("bowl_loss", [0.03] * 5 + [0.2])
    assert wild.value < 0.034
    assert taught("bowl_loss", [0.03] * 5 + [0.4, -0.1, math.nan, math.inf]) == plain
    assert taught("rise", [0.0, -1.0]).count == 0


def test_readings_that_disagree_leave_it_wider():
    assert taught("dial", [-30, 10, -10]).sd > 1.5 * taught("dial", [-10, -10, -10]).sd


def test_nothing_is_learnt_of_what_is_not_in_the_table():
    with pytest.raises(UnknownReference):
        taught("mood", [1.0])


@pytest.mark.parametrize(("readings", "off"), [
    ([], 0), ([-12, -12], 0), ([-12, -12, -12], -10), ([-3] * 20, 0), ([14] * 6, 15),
    ([-40, 30, -12], 0),
])
def test_a_dial_is_set_otherwise_only_when_it_is_clear(readings, off):
    assert learnt_dial_c(taught("dial", readings)) == off


def test_it_is_told_in_a_bakers_words():
    assert shift_words("recipe", "Plum cake", 0.02, 0.06, 4) == (
        "Plum cake: as long as its card says, as far as can be told: ± 6, from 4 bakes.")
    assert shift_words("pan", "Round 18", -0.08, 0.03, 1) == (
        "Round 18 bakes 8 % faster than other pans of its finish, ± 3, from 1 bake.")
    assert plain(dial_words("Main oven", Taught(value=-8.6, sd=2.0, count=5))) == (
        "Main oven is 9 °C cooler than its dial, ± 2, from 5 readings: set 180 to get 170.")
    assert plain(dial_words("Main oven", Taught(value=1.0, sd=3.0, count=1))) == (
        "Main oven is within 5 °C of its dial: ± 3, from 1 reading.")
    assert "rises 12 % less" in quantity_words("rise", "Plum cake",
                                               Taught(value=0.88, sd=0.03, count=3))
    assert quantity_words("hands", "Your hands", Taught(value=1.2, sd=0.1, count=12)) == (
        "Your hands take 20 % longer than the book says, ± 10, from 12 readings.")


def facts(**more):
    return Facts(**{"oven": "main", "recipe": "plum", "pan": "18", "expected_min": 30, **more})


def test_what_was_set_back_is_looked_up_under_its_new_name():
    slow = [Logged(oven="main", recipe="plum", pan="18", expected_min=30, minutes=36)
            for _ in range(5)]
    found = learn(slow)
    assert Book(learnt=found).expects(facts()).by_oven == 5
    back = Book(learnt=found, epochs={("oven", "main"): 1}).expects(facts())
    assert (back.by_oven, back.by_recipe, back.by_pan) == (0, 5, 5)
    assert back.factor < Book(learnt=found).expects(facts()).factor
    assert CLOSED_BOOK.expects(facts()).factor == 1


def test_an_oven_that_was_set_back_learns_from_what_comes_after():
    entries = [Logged(oven="main", recipe="plum", pan="18", expected_min=30, minutes=36),
               Logged(oven="main#1", recipe="plum", pan="18", expected_min=30, minutes=27)]
    book = Book(learnt=learn(entries), epochs={("oven", "main"): 1})
    assert book.expects(facts()).by_oven == 1
    assert book.learnt.of("oven", "main#1")[0] < 0 < book.learnt.of("oven", "main")[0]


@pytest.mark.parametrize("factor", [0.8, 1.0, 1.25])
def test_a_slowed_bake_takes_so_many_times_as_long(factor):
    course = single(0.9, 170, pace=1.1, start_c=21, done_c=97)
    model = minutes(course)
    assert minutes(slowed(course, factor, model_min=model)) == pytest.approx(factor * model)


def test_a_long_logbook_is_scored_in_blocks_that_look_only_back():
    late = [Logged(oven="main", recipe="plum", pan="18", expected_min=30,
                   minutes=30 if place < 50 else 36) for place in range(100)]
    said = foretold(late)
    assert len(said) == 100
    assert all(one.factor == pytest.approx(1, abs=1e-9) for one in said[:50])
    assert said[-1].factor > 1.05


def test_a_rule_of_thumb_is_scored_where_it_says_something():
    bakes = [Logged(oven="a", recipe="b", pan="c", expected_min=30, minutes=33) for _ in range(3)]
    found = score_of_rule(bakes, [30, None, 30])
    assert (found.bakes, found.median, found.inside) == (2, pytest.approx(0.1), None)
    assert score_of_rule(bakes, [None] * 3).median is None


@pytest.mark.parametrize(("stated_min", "ratio", "said"), [
    (30.0, 1.2, 36.0), (30.0, None, None), (None, 1.2, None)])
def test_the_rule_by_depth_says_nothing_of_what_is_not_known(stated_min, ratio, said):
    assert by_depth(stated_min, ratio) == (None if said is None else pytest.approx(said))
