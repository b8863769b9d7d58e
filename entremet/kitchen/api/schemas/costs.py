"""What a cake and an order cost, and what an order comes to while it is typed."""

from __future__ import annotations

from pydantic import Field

from entremet.kitchen.api.schemas.base import Out, ProvenanceOut


class CostPartOut(Out):
    """A part of the cost."""

    key: str
    name: str
    sum: float
    assumed: bool
    origin: ProvenanceOut


class CakeCostOut(Out):
    """What a cake costs, and two prices."""

    label: str
    count: int
    parts: list[CostPartOut]
    total: float
    without_price: list[str]
    by_margin: float
    by_portion: float | None
    each: float | None = Field(description="of one small cake, by the margin")
    below_cost: bool = Field(description="by portions it does not pay what it costs")
    portions: int | None
    hands_min: int
    hands_left_out: bool


class AskedOut(Out):
    """A price that was agreed, beside what it has to pay."""

    price: float
    over: float = Field(description="over the cost; below zero where it does not pay it")
    words: str


class CostOut(Out):
    """What an order costs."""

    cakes: list[CakeCostOut]
    total: float
    by_margin: float
    currency: str
    asked: AskedOut | None = Field(description="what the price agreed leaves; null without one")


class WorthOut(Out):
    """What an order comes to that is not kept yet: its price, its hands, the load of its day."""

    cost: CostOut
    hands_min: int
    beside: list[str] = Field(description="titles of what else is due that day")
    day_hands_min: int = Field(description="hands of all of them")
    hours_min: int = Field(description="hands there are on that day and the working day before")
