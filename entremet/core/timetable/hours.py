"""When a kitchen works, on the real clock: across midnights and changes of the clocks."""

from __future__ import annotations

from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from entremet.core.ground.errors import ImpossibleChoice

EPOCH = datetime(2020, 1, 1, tzinfo=UTC)


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


def working_windows(first: date, last: date, *, opens: time, closes: time,
                    where: ZoneInfo) -> tuple[tuple[int, int], ...]:
    """Return when a kitchen works on each day, as minutes on the real clock.

    Parameters
    ----------
    first, last : date
        Days, both included.
    opens, closes : time
        On the kitchen's clock; a closing time at or before the opening one is on the next day.
    where : ZoneInfo
        The kitchen's time zone: a day of 23 hours is one.

    >>> day = date(2026, 3, 29)  # clocks go forward at 2
    >>> [(b - a) / 60 for a, b in working_windows(
    ...     day, day, opens=time(1), closes=time(9), where=zone("Europe/Paris"))]
    [7.0]
    """
    windows: list[tuple[int, int]] = []
    day = first
    while day <= last:
        end_day = day if closes > opens else day + timedelta(days=1)
        start = minute_of(datetime.combine(day, opens, tzinfo=where).astimezone(UTC))
        end = minute_of(datetime.combine(end_day, closes, tzinfo=where).astimezone(UTC))
        if windows and start <= windows[-1][1]:
            windows[-1] = (windows[-1][0], max(end, windows[-1][1]))
        else:
            windows.append((start, end))
        day += timedelta(days=1)
    return tuple(windows)
