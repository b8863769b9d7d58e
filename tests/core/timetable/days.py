"""Days, cakes and kitchens of the timetable's tests."""

from __future__ import annotations

import zlib
from datetime import UTC, date, datetime, time, timedelta

from entremet.core.dressing.choices import Finishing
from entremet.core.finished.finish import finish
from entremet.core.timetable.hours import minute_of, working_windows, zone
from entremet.core.timetable.model import Means, OvenMeans
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.of_cake import works_of
from entremet.core.work.work import Lane, Work
from tests.core.conftest import entry, round_pan
from tests.core.dressing.test_growing import LINES, plan_of

SATURDAY = datetime(2026, 11, 28, 10, tzinfo=UTC)


def means(days: int = 2, *, opens: time = time(7), closes: time = time(21), ovens: int = 1,
          **more: object) -> Means:
    """Return a kitchen that works the days up to Saturday."""
    last = date(2026, 11, 28)
    windows = working_windows(last - timedelta(days=days - 1), last, opens=opens, closes=closes,
                              where=zone("UTC"))
    return Means(windows=windows, ovens=tuple(
        OvenMeans(name=f"Oven {place + 1}", shelves=2) for place in range(ovens)), **more)


def number(order: str) -> int:
    """Return the number of an order by its title, the same in every run."""
    return zlib.crc32(order.encode()) % 9000 + 1


def cake_id(order: str) -> CakeId:
    """Return the first cake of an order by its title."""
    return CakeId(order=number(order))


def of(order: str, kind: WorkKind, place: int = 0, part: str = "") -> WorkId:
    """Return work of the first cake of an order by its title."""
    return WorkId(cake=cake_id(order), kind=kind, place=place, part=part)


def bare(name: str, cake: CakeId | None = None) -> WorkId:
    """Return an id that is written as a name and nothing else."""
    return WorkId(cake=cake, kind=WorkKind.FINISH, part=name)


def piece(name: str, lane: Lane = Lane.HANDS, minutes: int = 30, **more: object) -> Work:
    """Return a piece of work of nobody's, by a name."""
    return Work(id=bare(name), order="", words=name, lane=lane, minutes=minutes, **more)


def cake(order: str = "Harvest supper", due: datetime = SATURDAY, *, width: float = 20,
         count: int = 2, lines=LINES, inscription: str = "", **chosen: object) -> OrderedCake:
    """Return a cake of an order."""
    plan = plan_of(entry(round_pan(width, 7.5), count), lines=lines,
                   finishing=Finishing(**chosen))
    return OrderedCake(order=order, id=cake_id(order), label=f"Round {width:g}", plan=plan,
                       finish=finish(plan), due=minute_of(due), inscription=inscription)


def tasks(*cakes: OrderedCake):
    """Return the tasks of some cakes."""
    return [one for each in cakes for one in works_of(each)]
