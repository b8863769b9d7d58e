"""Cost of a cake: ingredients, packaging, heat, hands, what goes wrong; and two ways to a price."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Figure, Origin, assumed, given, worked_out
from entremet.core.shopping.listing import Stock
from entremet.core.shopping.wants import Want

USUAL_KW = 2.2
"""Power of a hot oven, kW; practice, 1.8 to 3.0. It heats about half of the time it is on."""

DUTY = 0.55
"""Share of the time a hot oven really heats; practice, 0.4 to 0.7."""

FAILED_SHARE = 0.04
"""Cakes that fail, as a share of the rest; practice, 0.03 to 0.05."""

HALF_A_CENT = 0.005
"""Prices are written to the cent: less below the cost than this is not below it."""

MOST_ASKED = 100_000
"""More than this is a slip of the hand."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Rates:
    """What a kitchen pays and asks.

    Parameters
    ----------
    wage : float
        Of an hour of hands.
    kwh : float
        Of a kilowatt-hour.
    kw : float or None
        Power of the oven; None assumes the usual.
    packaging : float
        Board, box and label of a cake.
    fixed : float
        Share of rent, insurance and wear for a cake.
    margin : float
        On the cost, as a share.
    portion : float or None
        Asked for a portion, where the price goes by portions.
    rounding : float
        Prices come in steps of it; 0 leaves them.
    """

    wage: float = 0.0
    kwh: float = 0.0
    kw: float | None = None
    packaging: float = 0.0
    fixed: float = 0.0
    margin: float = 0.0
    portion: float | None = None
    rounding: float = 0.0

    def __post_init__(self) -> None:
        for name in ("wage", "kwh", "packaging", "fixed", "margin", "rounding"):
            value = getattr(self, name)
            if not (math.isfinite(value) and 0 <= value <= 10_000):
                raise ImpossibleChoice(f"{name.capitalize()} is 0 to 10 000.", field=name)
        if self.kw is not None and not 0.2 <= self.kw <= 20:
            raise ImpossibleChoice("An oven has 0.2 to 20 kW.", field="kw")
        if self.portion is not None and not 0 <= self.portion <= 10_000:
            raise ImpossibleChoice("A portion is asked 0 to 10 000 for.", field="portion")


@dataclass(frozen=True, slots=True, kw_only=True)
class CostPart:
    """A part of the cost: its name, its sum with where it comes from."""

    key: str
    name: str
    sum: Figure


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeCost:
    """What a cake costs.

    Parameters
    ----------
    parts : tuple of CostPart
        Ingredients, packaging, heat, hands, fixed share, what goes wrong.
    total : float
        Of all parts.
    without_price : tuple of str
        Ingredients of which no price is known; they are not in the total.
    by_margin, by_portion : float or None
        The two prices; None where nothing is asked for a portion.
    each : float or None
        What one of small cakes comes to by the margin; None for a cake that is cut.
    below_cost : bool
        Whether the price by portions does not pay what the cake costs.
    hands_left_out : bool
        Whether hands cost nothing here, so that nothing left over is a profit.
    """

    parts: tuple[CostPart, ...]
    total: float
    without_price: tuple[str, ...]
    by_margin: float
    by_portion: float | None
    each: float | None
    below_cost: bool
    hands_left_out: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """A price that was agreed, beside what it has to pay.

    Parameters
    ----------
    price, cost : float
        Of the whole order; above zero or nothing.
    complete : bool
        Whether every ingredient has a price, so that the cost is all of it.
    """

    price: float
    cost: float
    complete: bool

    def __post_init__(self) -> None:
        if not (math.isfinite(self.price) and 0 <= self.price <= MOST_ASKED):
            raise ImpossibleChoice(f"A price is 0 to {MOST_ASKED}.", field="price")

    @property
    def over(self) -> float:
        """What the price leaves over the cost; below zero where it does not pay it."""
        return self.price - self.cost

    def words(self, currency: str) -> str:
        """Return what the price comes to, in one sentence."""
        least = "" if self.complete else "at least "
        if self.over <= -HALF_A_CENT:
            return (f"{self.price:.2f} {currency} is {least}{-self.over:.2f} {currency} below "
                    "what it costs.")
        most = "" if self.complete else "at most "
        return (f"{self.price:.2f} {currency} leaves {most}{max(0.0, self.over):.2f} {currency} "
                "over its cost.")


def cost_of(wants: Sequence[Want], stocks: Mapping[str, Stock], rates: Rates, *,
            hands_min: float, oven_min: float, portions: int | None,
            small: bool = False) -> CakeCost:
    """Add up what a cake costs.

    Parameters
    ----------
    wants : sequence of Want
        What it takes, all of it.
    stocks : mapping of str to Stock
        With the packs that prices come from: the cheapest gram of each.
    rates : Rates
        What the kitchen pays and asks.
    hands_min, oven_min : float
        Of its timetable.
    portions : int or None
        It gives; None where nobody cuts it.
    small : bool
        Whether those are cakes by themselves, as cupcakes are, sold by the piece.
    """
    priced, missing = 0.0, []
    for want in wants:
        per_g = _per_g(stocks.get(want.key))
        if per_g is None or want.g is None:
            if (want.g or 0.0) > 0 or want.g is None:
                missing.append(want.name)
        else:
            priced += per_g * want.g
    basis = assumed(rates.kw or USUAL_KW, f"{USUAL_KW:g} kW (practice, 1.8 to 3.0)") \
        if rates.kw is None else given(rates.kw, "the oven's power")
    heat = oven_min / 60 * (rates.kw or USUAL_KW) * DUTY * rates.kwh
    parts = [
        CostPart(key="ingredients", name="Ingredients", sum=worked_out(
            priced, "grams × the price of the cheapest pack known")),
        CostPart(key="packaging", name="Packaging", sum=given(rates.packaging, "a cake's")),
        CostPart(key="heat", name="Oven", sum=worked_out(
            heat, f"{oven_min:.0f} min on, heating {DUTY:.0%} of it (practice)", basis)),
        CostPart(key="hands", name="Hands", sum=worked_out(
            hands_min / 60 * rates.wage, f"{hands_min / 60:.1f} h × wage")),
        CostPart(key="fixed", name="Fixed", sum=given(rates.fixed, "share of a cake"))]
    so_far = sum(one.sum.value for one in parts)
    parts.append(CostPart(key="failed", name="What goes wrong", sum=assumed(
        so_far * FAILED_SHARE, f"{FAILED_SHARE:.0%} of the rest (practice, 3 to 5 %)")))
    total = sum(one.sum.value for one in parts)
    by_margin = rounded_up(total * (1 + rates.margin), rates.rounding)
    by_portion = None if rates.portion is None or portions is None else rounded_up(
        rates.portion * portions, rates.rounding)
    return CakeCost(
        parts=tuple(parts), total=total, without_price=tuple(dict.fromkeys(missing)),
        by_margin=by_margin, by_portion=by_portion,
        each=by_margin / portions if small and portions else None,
        below_cost=by_portion is not None and by_portion < total,
        hands_left_out=rates.wage == 0)


def rounded_up(price: float, step: float) -> float:
    """Return a price in steps, never below it.

    >>> rounded_up(31.2, 0.5), rounded_up(31.2, 0)
    (31.5, 31.2)
    """
    return price if step <= 0 else math.ceil(price / step - 1e-9) * step


def is_assumed(part: CostPart) -> bool:
    """Say whether a part rests on an assumption, to be drawn so."""
    return part.sum.origin is Origin.ASSUMED or bool(part.sum.assumptions)


def _per_g(stock: Stock | None) -> float | None:
    prices = [pack.price / pack.g for pack in (() if stock is None else stock.packs)
              if pack.price is not None]
    return min(prices) if prices else None
