"""Days, cakes and kitchens of the timetable's tests."""

from __future__ import annotations

import random
import zlib
from dataclasses import replace
from datetime import UTC, date, datetime, time, timedelta

from entremet.core.card.finish import Finishing
from entremet.core.finished.finish import finish
from entremet.core.ingredients.table import TABLE
from entremet.core.mixing.bowl import Bowl
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.timetable.hours import Hours, minute_of, working_windows, zone
from entremet.core.timetable.model import Means, OvenMeans
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.of_cake import works_of_all
from entremet.core.work.work import Lane, Work
from tests.core.conftest import entry, make_card, round_pan
from tests.core.dressing.test_growing import LINES
from tests.core.plan.test_plan import OVEN

SATURDAY = datetime(2026, 11, 28, 10, tzinfo=UTC)


def means(days: int = 2, *, opens: time = time(7), closes: time = time(21), ovens: int = 1,
          **more: object) -> Means:
    """Return a kitchen that works the days up to Saturday."""
    last = date(2026, 11, 28)
    windows = working_windows(last - timedelta(days=days - 1), last, where=zone("UTC"),
                              usual=Hours(opens=opens, closes=closes))
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


COLD = replace(LINES[2], name="Double cream", written="240 g", heading="For the whipped cream",
               ingredient=TABLE.get("double_cream"))
"""Instead of jam: a filling that has to stand chilled."""

SMALL = Oven(name="small oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
             highest=250, shelf_cm=(40, 30), shelves=1)
"""Takes two small pans at a time."""


def cake(order: str = "Harvest supper", due: datetime = SATURDAY, *, width: float = 20,
         count: int = 2, lines=LINES, inscription: str = "", cold: bool = False,
         c: float = 170, oven: Oven = OVEN, bowl_ml: float | None = None, drive_min: int = 0,
         **chosen: object) -> OrderedCake:
    """Return a cake of an order."""
    if cold:
        lines = tuple(COLD if one.key == COLD.key else one for one in lines)
    card = make_card(setting=Setting(value=c, scale=Scale.CELSIUS))
    plan = make_plan(
        replace(card, lines=(*card.lines, *lines)), [entry(round_pan(width, 7.5), count)],
        request=Request(recipe=1, finishing=Finishing(**chosen)), oven=oven,
        tools=Tools(bowl=None if bowl_ml is None else Bowl(name="bowl", capacity_ml=bowl_ml)))
    return OrderedCake(id=cake_id(order), order=order, label=f"Round {width:g}", plan=plan,
                       finish=finish(plan), due=minute_of(due), inscription=inscription,
                       drive_min=drive_min)


def some_day(seed: int) -> tuple[list[OrderedCake], Means]:
    """Return the cakes and means of a random day: cold ones, two heats, several loads, drives."""
    dice = random.Random(seed)
    cakes = []
    for place in range(dice.choice([1, 1, 2, 2, 3, 4])):
        count = dice.choice([1, 2, 2, 3, 4])
        cakes.append(cake(
            f"Order {place}", SATURDAY + timedelta(minutes=dice.choice([0, 45, 180, 420])),
            width=dice.choice([15, 18, 20, 23]), count=count, cold=dice.random() < 0.4,
            c=dice.choice([150, 170, 170]), oven=dice.choice([OVEN, OVEN, SMALL]),
            bowl_ml=dice.choice([None, 1500, 3000]), drive_min=dice.choice([0, 0, 20, 45]),
            drip=dice.random() < 0.3, inscription=dice.choice(["", "Maud"])))
    return cakes, means(
        dice.choice([2, 3, 4]), ovens=dice.choice([1, 1, 2]), hands=dice.choice([1, 1, 2]),
        bowls=dice.choice([1, 2]), pans={"round": dice.choice([4, 5, 8])},
        boards=dice.choice([1, 3, 6]))


def tasks(*cakes: OrderedCake):
    """Return the tasks of some cakes."""
    return works_of_all(cakes)
