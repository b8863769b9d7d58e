"""What names a piece of work: written one way, read back only as a cake, never mixed up."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.work.ids import AT_ONCE, CakeId, WorkId, WorkKind
from tests.core.timetable.days import cake, tasks

NUMBERS = st.integers(0, 10**6)


@given(NUMBERS, NUMBERS, NUMBERS)
def test_a_cake_is_read_as_it_is_written(order, row, copy):
    one = CakeId(order=order, row=row, copy=copy)
    assert CakeId.read(one.text) == one


@pytest.mark.parametrize("text", ["", "3", "3.1", "3.1.0.0", "3.1.x", "-3.1.0", "3.01.0", "0.0.0",
                                  "fat.0.0", "3.1.²", " 3.1.0", "3.1.0/bake0"])
def test_what_is_no_cake_is_read_as_none(text):
    assert CakeId.read(text) is None


def test_a_cake_made_at_once_has_no_order():
    assert CakeId(order=AT_ONCE).text == "fit.0.0"
    assert CakeId.read("fit.0.0").order == AT_ONCE
    with pytest.raises(ValueError, match="from 0"):
        CakeId(order=3, row=-1)


@pytest.mark.parametrize(("kind", "place", "part", "text"), [
    (WorkKind.BAKE, 1, "", "3.0.0/bake1"), (WorkKind.OUT, 1, "", "3.0.0/outbake1"),
    (WorkKind.TAKE_OUT, 0, "", "3.0.0/take_out"), (WorkKind.TURN_OUT, 2, "", "3.0.0/turn_out2"),
    (WorkKind.MAKE, 0, "house:buttercream", "3.0.0/make_house_buttercream"),
    (WorkKind.FINISH, 0, "crumb", "3.0.0/crumb"), (WorkKind.BOX, 0, "", "3.0.0/box"),
    (WorkKind.LEVEL, 0, "level", "3.0.0/level"), (WorkKind.CHILL, 0, "chill_crumb",
                                                  "3.0.0/chill_crumb")])
def test_work_is_written_as_its_fixes_and_ticks_are_kept(kind, place, part, text):
    assert WorkId(cake=CakeId(order=3), kind=kind, place=place, part=part).text == text


def test_a_meal_is_nobodys():
    meal = WorkId(cake=None, kind=WorkKind.MEAL, part="0.1")
    assert meal.text == "meal/0.1"


@pytest.mark.parametrize("more", [{}, {"drip": True}, {"rolled": True}, {"glaze": True}])
def test_no_two_pieces_of_some_cakes_are_written_alike_and_each_is_the_same_by_its_text(more):
    one = cake("One", count=3, inscription="Maud", **more)
    made = tasks(one, cake("Two", **more), replace(one, id=replace(one.id, copy=1)))
    assert len({work.id.text for work in made}) == len({work.id for work in made}) == len(made)
    assert all(work.id == replace(work.id) for work in made)
