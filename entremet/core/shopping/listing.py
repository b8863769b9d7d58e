"""The shopping list: added up by ingredient, less the larder, rounded up to packs."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import product

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.shopping.wants import Want

MOST_TRIED = 200
"""Counts of the larger pack that are tried, from the most downwards."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Pack:
    """A pack as bought: its grams, and its price where it is known."""

    g: float
    price: float | None = None

    def __post_init__(self) -> None:
        if not (math.isfinite(self.g) and 1 <= self.g <= 100_000):
            raise ImpossibleChoice("A pack holds 1 to 100 000 g.", field="packs")
        if self.price is not None and not (math.isfinite(self.price)
                                           and 0 <= self.price <= 100_000):
            raise ImpossibleChoice("A price is 0 to 100 000.", field="packs")


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """What the larder says of an ingredient: what is there, packs it comes in, where from."""

    have_g: float = 0.0
    packs: tuple[Pack, ...] = ()
    where: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ToBuy:
    """A row of the list.

    Parameters
    ----------
    key, name : str
        The ingredient.
    needed_g, have_g, buy_g : float or None
        Wanted by all cakes, there already, to buy; None where nothing weighs it.
    pieces : int or None
        Whole ones to buy, where it is counted.
    packs : tuple of (Pack, int)
        What covers it; empty where no pack is known.
    left_g : float
        Of the packs, once all is made.
    price : float or None
        Of the packs; None where one has none.
    where : str
        Where it is bought.
    cakes : tuple of (str, float)
        Who takes how much of it.
    raw : str
        In which words some of it is weighed once it is peeled or stoned, so that it is bought by
        more; empty where nothing is.
    house : bool
        Whether all of it is for house formulas.
    """

    key: str
    name: str
    needed_g: float | None
    have_g: float
    buy_g: float | None
    pieces: int | None
    packs: tuple[tuple[Pack, int], ...]
    left_g: float
    price: float | None
    where: str
    cakes: tuple[tuple[str, float], ...]
    raw: str
    house: bool

    @property
    def packs_g(self) -> float:
        """What comes home: the packs together, or just what is to buy where none is known."""
        return sum(pack.g * count for pack, count in self.packs) or self.buy_g or 0.0


def shopping_list(wants: Sequence[Want], stocks: Mapping[str, Stock]) -> tuple[ToBuy, ...]:
    """Add up what cakes take and say what to buy.

    Parameters
    ----------
    wants : sequence of Want
        Of all cakes.
    stocks : mapping of str to Stock
        By ingredient; what is not named is not in the larder.

    Returns
    -------
    tuple of ToBuy
        By where it is bought, then by name.
    """
    rows: dict[str, list[Want]] = {}
    for want in wants:
        rows.setdefault(want.key, []).append(want)
    bought = [_row(key, own, stocks.get(key, Stock())) for key, own in rows.items()]
    return tuple(sorted(bought, key=lambda one: (one.where, one.name.lower(), one.key)))


def _row(key: str, own: Sequence[Want], stock: Stock) -> ToBuy:
    weighed = [one.g for one in own if one.g is not None]
    needed = sum(weighed) if weighed else None
    buy = None if needed is None else max(0.0, needed - stock.have_g)
    counted = [one for one in own if one.pieces is not None]
    pieces, counted_g = None, sum(one.g or 0.0 for one in counted)
    if counted_g > 0:
        # What another card weighs of it is bought by the piece too.
        whole = sum(one.pieces or 0.0 for one in counted)
        pieces = math.ceil(whole * (buy or 0.0) / counted_g - 1e-6)
    packs = () if not buy else packs_for(buy, stock.packs)
    held = sum(pack.g * count for pack, count in packs)
    prices = [None if pack.price is None else pack.price * count for pack, count in packs]
    cakes: dict[str, float] = {}
    for one in own:
        cakes[one.cake] = cakes.get(one.cake, 0.0) + (one.g or 0.0)
    return ToBuy(
        key=key, name=own[0].name[:1].upper() + own[0].name[1:], needed_g=needed,
        have_g=stock.have_g, buy_g=buy, pieces=pieces, packs=packs, where=stock.where,
        cakes=tuple(cakes.items()),
        left_g=max(0.0, held - (buy or 0.0)) if packs else max(
            0.0, stock.have_g - (needed or 0.0)),
        price=None if any(one is None for one in prices) or not packs else sum(
            one or 0.0 for one in prices),
        raw=next((one.raw.words for one in own if one.raw is not None), ""),
        house=all(one.house for one in own))


def packs_for(grams: float, packs: Sequence[Pack]) -> tuple[tuple[Pack, int], ...]:
    """Return the packs that cover an amount: the cheapest, or the fewest where prices are missing.

    Of two sizes at most; a third is rarely bought. Of equals the one with the least left over.

    >>> [(pack.g, count) for pack, count in packs_for(1400, [Pack(g=500, price=1.2),
    ...                                                      Pack(g=1000, price=1.8)])]
    [(500, 1), (1000, 1)]
    """
    if not packs or grams <= 0:
        return ()
    priced = all(one.price is not None for one in packs)
    best: tuple[tuple[float, ...], tuple[tuple[Pack, int], ...]] | None = None
    sizes = sorted(set(packs), key=lambda one: (one.g, one.price or 0.0))
    for small, large in product(sizes, sizes):
        if small.g > large.g:
            continue
        most = math.ceil(grams / large.g)
        for count in (0, *range(max(0, most - MOST_TRIED), most + 1)):
            rest = grams - count * large.g
            more = 0 if rest <= 1e-9 else math.ceil(rest / small.g - 1e-9)
            chosen = tuple((one, number) for one, number in ((small, more), (large, count))
                           if number)
            if small == large:
                chosen = ((small, more + count),) if more + count else ()
            held = sum(one.g * number for one, number in chosen)
            number = sum(number for _, number in chosen)
            cost = sum((one.price or 0.0) * n for one, n in chosen) if priced else float(number)
            rank = (round(cost, 6), held - grams, float(number))
            if chosen and (best is None or rank < best[0]):
                best = (rank, chosen)
    return () if best is None else best[1]
