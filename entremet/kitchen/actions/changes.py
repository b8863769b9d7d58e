"""What writes touched, for the screens that show it: topics, counted while this program runs."""

from __future__ import annotations

import re
import secrets
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from enum import Enum
from threading import Lock
from typing import Any

from django.db import connection


class Topic(Enum):
    """What answers rest on."""

    RECIPES = "recipes"
    PANS = "pans"
    OVENS = "ovens"
    BOWLS = "bowls"
    HABITS = "habits"
    INGREDIENTS = "ingredients"
    ANSWERS = "answers"
    FITS = "fits"
    ORDERS = "orders"
    LARDER = "larder"
    LEFTOVERS = "leftovers"
    DAYS = "days"
    TICKS = "ticks"
    BAKES = "bakes"
    LABELS = "labels"
    DEVICES = "devices"
    COPIES = "copies"


OF_TABLE = {
    "recipe": Topic.RECIPES, "revision": Topic.RECIPES, "rackpan": Topic.PANS,
    "oven": Topic.OVENS, "bowl": Topic.BOWLS, "kitchen": Topic.HABITS,
    "owningredient": Topic.INGREDIENTS, "ownweight": Topic.INGREDIENTS, "answer": Topic.ANSWERS,
    "keptfit": Topic.FITS, "order": Topic.ORDERS, "ordercake": Topic.ORDERS,
    "workday": Topic.ORDERS, "taskfix": Topic.ORDERS, "stockrow": Topic.LARDER,
    "leftover": Topic.LEFTOVERS, "day": Topic.DAYS, "tick": Topic.TICKS, "bake": Topic.BAKES,
    "bakephoto": Topic.BAKES, "setback": Topic.BAKES, "labelhabits": Topic.LABELS,
    "packetrow": Topic.LABELS, "labelprint": Topic.LABELS, "device": Topic.DEVICES}
"""By table of the kitchen; a test holds every table against it."""

_WRITES = re.compile(r'(?:INSERT(?: OR \w+)? INTO|UPDATE|DELETE FROM) "kitchen_(\w+)"')

start_of_run = secrets.token_hex(4)
"""Names this run of the program: numbers of another say nothing."""

_lock = Lock()
_number = 0
_touched: dict[Topic, int] = {}


@contextmanager
def watched() -> Iterator[set[Topic]]:
    """Note which topics are written to inside, by the tables that are."""
    found: set[Topic] = set()

    def noting(execute: Any, sql: str, params: Any, many: bool, context: Any) -> Any:
        written = _WRITES.match(sql)
        if written is not None and written[1] in OF_TABLE:
            found.add(OF_TABLE[written[1]])
        return execute(sql, params, many, context)

    with connection.execute_wrapper(noting):
        yield found


def tell(topics: Iterable[Topic]) -> int:
    """Note that topics were touched, and return the number of that."""
    global _number
    with _lock:
        _number += 1
        _touched.update(dict.fromkeys(topics, _number))
        return _number


def since(start: str, number: int) -> tuple[int, list[Topic]]:
    """Return the number of the newest change, and what was touched after an older one.

    Parameters
    ----------
    start : str
        Which run of the program the number is of; of another one everything may be touched.
    number : int
        The newest that is known.
    """
    with _lock:
        if start != start_of_run or number > _number:
            return _number, list(Topic) if start else []
        return _number, [one for one, at in _touched.items() if at > number]
