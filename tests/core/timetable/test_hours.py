"""A kitchen works as its week says: evenings only, a free Sunday, an hour earlier when asked."""

from __future__ import annotations

from datetime import date, time

import pytest

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.timetable.hours import Hours, first_day, moment_of, working_windows, zone

USUAL = Hours(opens=time(7), closes=time(21))
EVENINGS = Hours(opens=time(18), closes=time(22, 30))
FRIDAY, SUNDAY = date(2026, 11, 27), date(2026, 11, 29)


def spans(first, last, week):
    return [(moment_of(start).strftime("%a %H:%M"), moment_of(end).strftime("%a %H:%M"))
            for start, end in working_windows(first, last, usual=USUAL, where=zone("UTC"),
                                              week=week)]


def test_a_day_of_the_week_has_its_own_hours_and_a_free_one_none():
    week = {4: EVENINGS, 6: None}
    assert spans(FRIDAY, SUNDAY, week) == [("Fri 18:00", "Fri 22:30"), ("Sat 07:00", "Sat 21:00")]
    assert spans(SUNDAY, SUNDAY, week) == []
    assert len(spans(FRIDAY, SUNDAY, {})) == 3


def test_working_days_are_counted_back_over_free_ones():
    monday = date(2026, 11, 30)
    assert first_day(monday, days_before=1, most=6) == SUNDAY
    assert first_day(monday, days_before=1, most=6, week={6: None}) == date(2026, 11, 28)
    assert first_day(monday, days_before=2, most=6, week={5: None, 6: None}) == date(2026, 11, 26)
    assert first_day(monday, days_before=0, most=6) == monday
    # It is looked back no further than so many days, whoever works.
    assert first_day(monday, days_before=3, most=6, week=dict.fromkeys(range(6))) == date(
        2026, 11, 24)


@pytest.mark.parametrize(("moved", "opens", "closes"), [
    ((-60, 0), time(17), time(22, 30)), ((0, 30), time(18), time(23)),
    ((0, 120), time(18), time(0, 30)), ((-24 * 60, 0), time(0), time(22, 30))])
def test_hours_move_with_a_wish_and_never_into_the_day_before(moved, opens, closes):
    found = EVENINGS.moved(*moved)
    assert (found.opens, found.closes) == (opens, closes)


def test_hours_that_are_none_are_refused():
    with pytest.raises(ImpossibleChoice):
        Hours(opens=time(9), closes=time(9))
    assert Hours(opens=time(0), closes=time(0)).closes == time(0)
