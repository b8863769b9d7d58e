"""What names a piece of work, from the plan through the timetable to the ticks of its day."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import Enum
from typing import assert_never

AT_ONCE = 0
"""Number of the order of a cake that is made at once, without an order."""


class WorkKind(Enum):
    """What is done."""

    TAKE_OUT = "take_out"
    WEIGH = "weigh"
    LINE = "line"
    HEAT = "heat"
    MIX = "mix"
    FILL = "fill"
    BAKE = "bake"
    OUT = "out"
    STAND = "stand"
    TURN_OUT = "turn_out"
    COOL = "cool"
    MAKE = "make"
    LEVEL = "level"
    FINISH = "finish"
    WAIT = "wait"
    CHILL = "chill"
    BOX = "box"
    DRIVE = "drive"
    BACK = "back"
    WASH = "wash"
    MEAL = "meal"


ALONE = frozenset({WorkKind.STAND, WorkKind.COOL, WorkKind.WAIT, WorkKind.CHILL})
"""What goes on by itself from when what it waits for is over."""


@dataclass(frozen=True, slots=True, kw_only=True, order=True)
class CakeId:
    """A cake: the number of its order, its row there, which of its copies; all from 0 or 1 up.

    >>> CakeId(order=3, row=1).text
    '3.1.0'
    """

    order: int
    row: int = 0
    copy: int = 0

    def __post_init__(self) -> None:
        if min(self.order, self.row, self.copy) < 0:
            raise ValueError("A cake is numbered from 0.")

    @property
    def text(self) -> str:
        """As it is written; ``fit`` stands for no order."""
        return f"{self.order or 'fit'}.{self.row}.{self.copy}"

    @staticmethod
    def read(text: str) -> CakeId | None:
        """Return a cake from what :attr:`text` writes; None for anything else."""
        order, *rest = text.split(".")
        numbers = [str(AT_ONCE) if order == "fit" else order, *rest]
        if len(numbers) != 3 or not all(one.isascii() and one.isdigit() for one in numbers):
            return None
        found = CakeId(order=int(numbers[0]), row=int(numbers[1]), copy=int(numbers[2]))
        return found if found.text == text else None


@dataclass(frozen=True, slots=True, kw_only=True, order=True)
class WorkId:
    """A piece of work.

    Parameters
    ----------
    cake : CakeId or None
        Which cake's; None for what is nobody's.
    kind : WorkKind
        What is done.
    place : int
        Which mix, load or row of pans, by kind; 0 where there is one.
    turn : int
        Which load, where a row of pans goes into the oven in several; 0 for the first.
    part : str
        Key of the component or of the step of its finish; empty for none.
    text : str
        As it is written: what fixes, ticks and timers are kept under, and what ids are compared by.
        Nothing is read back from it.

    >>> WorkId(cake=CakeId(order=3), kind=WorkKind.BAKE, place=1).text
    '3.0.0/bake1'
    """

    cake: CakeId | None = field(compare=False)
    kind: WorkKind = field(compare=False)
    place: int = field(default=0, compare=False)
    part: str = field(default="", compare=False)
    turn: int = field(default=0, compare=False)
    text: str = field(init=False, repr=False)

    def __post_init__(self) -> None:
        whose = "" if self.cake is None else f"{self.cake.text}/"
        object.__setattr__(self, "text", f"{whose}{self._name()}")

    def _name(self) -> str:
        match self.kind:
            case WorkKind.LINE | WorkKind.MIX | WorkKind.FILL | WorkKind.BAKE | WorkKind.STAND | (
                    WorkKind.TURN_OUT):
                return f"{self.kind.value}{self.place}{f'.{self.turn}' if self.turn else ''}"
            case WorkKind.OUT:
                return f"outbake{self.place}"
            case WorkKind.MAKE:
                return f"make_{self.part.replace(':', '_')}"
            case WorkKind.FINISH | WorkKind.WAIT | WorkKind.CHILL:
                return self.part
            case WorkKind.MEAL:
                return f"meal/{self.part}"
            case WorkKind.TAKE_OUT if self.part:
                return f"take_out_{self.part}"
            case WorkKind.TAKE_OUT | WorkKind.WEIGH | WorkKind.HEAT | WorkKind.COOL | (
                    WorkKind.LEVEL | WorkKind.BOX | WorkKind.DRIVE | WorkKind.BACK | WorkKind.WASH):
                return str(self.kind.value)
            case _ as never:
                assert_never(never)
