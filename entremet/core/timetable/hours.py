"""When a kitchen works, on the real clock: across midnights and changes of the clocks."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from entremet.core.ground.errors import ImpossibleChoice


@dataclass(frozen=True, slots=True, kw_only=True)
class Hours:
    """When a kitchen works on a day; closing at or before opening is on the next day.

    Parameters
    ----------
    opens, closes : time
        On the kitchen's clock; the same time twice is the whole day at midnight, else refused.
    """

    opens: time
    closes: time

    def __post_init__(self) -> None:
        if self.opens == self.closes and self.opens != time(0):
            raise ImpossibleChoice("The kitchen opens and closes at one time.", field="closes")

    def moved(self, opens_min: int, closes_min: int) -> Hours:
        """Return hours that open and close so much later; earlier where below zero.

        Never past midnight into the day before, and never over a whole day.

        >>> Hours(opens=time(18), closes=time(22)).moved(-60, 0).opens
        datetime.time(17, 0)
        """
        opens = max(0, _minutes(self.opens) + opens_min)
        last = _minutes(self.closes) + (0 if self.closes > self.opens else DAY)
        closes = min(opens + DAY, max(opens + 1, last + closes_min))
        return Hours(opens=_clock(opens), closes=_clock(closes))


def _minutes(clock: time) -> int:
    return 60 * clock.hour + clock.minute


def _clock(minutes: int) -> time:
    return time(minutes % DAY // 60, minutes % 60)


DAY = 24 * 60

EPOCH = datetime(2020, 1, 1, tzinfo=UTC)

USUAL_WEEK: Mapping[int, Hours | None] = {}
"""No day of the week has hours of its own."""


def minute_of(moment: datetime) -> int:
    """Return a moment as minutes since the start of 2020, UTC.

    Raises
    ------
    ImpossibleChoice
        For a moment that says no zone.

    >>> minute_of(datetime(2020, 1, 1, 1, 30, tzinfo=UTC))
    90
    """
    if moment.tzinfo is None:
        raise ImpossibleChoice("A time needs its zone.", field="due")
    return int((moment - EPOCH).total_seconds() // 60)


def moment_of(minute: int) -> datetime:
    """Return minutes since the start of 2020 as a moment, UTC."""
    return EPOCH + timedelta(minutes=minute)


def zone(name: str) -> ZoneInfo:
    """Return a time zone by its name.

    Raises
    ------
    ImpossibleChoice
        When there is none of that name.
    """
    try:
        return ZoneInfo(name)
    except (KeyError, ValueError, OSError) as error:
        raise ImpossibleChoice(f"“{name}” is no time zone.", field="zone") from error


def working_windows(first: date, last: date, *, usual: Hours, where: ZoneInfo,
                    week: Mapping[int, Hours | None] = USUAL_WEEK) -> tuple[tuple[int, int], ...]:
    """Return when a kitchen works on each day, as minutes on the real clock.

    Parameters
    ----------
    first, last : date
        Days, both included.
    usual : Hours
        Of a day of the week that has none of its own.
    where : ZoneInfo
        The kitchen's time zone: a day of 23 hours is one.
    week : mapping of int to Hours or None
        Hours of a day's own, by day of the week, Monday 0; None where nobody works.

    >>> day = date(2026, 3, 29)  # clocks go forward at 2
    >>> [(b - a) / 60 for a, b in working_windows(
    ...     day, day, usual=Hours(opens=time(1), closes=time(9)), where=zone("Europe/Paris"))]
    [7.0]
    """
    windows: list[tuple[int, int]] = []
    day = first
    while day <= last:
        own = week.get(day.weekday(), usual)
        if own is not None:
            end_day = day if own.closes > own.opens else day + timedelta(days=1)
            start = minute_of(datetime.combine(day, own.opens, tzinfo=where).astimezone(UTC))
            end = minute_of(datetime.combine(end_day, own.closes, tzinfo=where).astimezone(UTC))
            if windows and start <= windows[-1][1]:
                windows[-1] = (windows[-1][0], max(end, windows[-1][1]))
            else:
                windows.append((start, end))
        day += timedelta(days=1)
    return tuple(windows)


def first_day(due: date, *, days_before: int, most: int,
              week: Mapping[int, Hours | None] = USUAL_WEEK) -> date:
    """Return the day to begin on so that so many working days come before one.

    Parameters
    ----------
    due : date
        The day that something is due on.
    days_before, most : int
        Working days wanted before it, and days that are looked back at most.
    week
        As for :func:`working_windows`.

    >>> first_day(date(2026, 11, 30), days_before=1, most=6, week={6: None})
    datetime.date(2026, 11, 28)
    """
    day, found = due, 0
    while found < days_before and (due - day).days < most:
        day -= timedelta(days=1)
        found += week.get(day.weekday(), 0) is not None
    return day
