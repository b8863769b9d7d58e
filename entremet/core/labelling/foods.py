"""What is known of each ingredient's allergens: by what it is, by its packet, or not at all.

A thing that is one thing (flour, butter, a walnut) has its allergens by nature. What is made of
several (chocolate, jam, baking powder) has those its packet names: the table only knows what it
holds at least, and nothing is taken for the rest.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.reference import read_rows
from entremet.core.labelling.allergens import allergens_of

LONGEST = 400
"""Letters of what a packet says is in it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Food:
    """A row of the table: whether it is one thing, and what it holds, or holds at least."""

    key: str
    one_thing: bool
    contains: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Packet:
    """What a baker read off a packet, or knows of her own.

    Parameters
    ----------
    name : str
        As it stands on the label; empty for the card's own name.
    opened : str
        What it is made of, as its packet lists it; empty for one thing.
    contains, may_contain : tuple of str
        Keys of allergens.
    """

    name: str = ""
    opened: str = ""
    contains: tuple[str, ...] = ()
    may_contain: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        object.__setattr__(self, "contains", allergens_of(self.contains))
        object.__setattr__(self, "may_contain",
                           allergens_of(self.may_contain, field="may_contain"))
        for field in ("name", "opened"):
            if len(getattr(self, field)) > LONGEST:
                raise ImpossibleChoice(f"This is longer than {LONGEST} letters.", field=field)


@dataclass(frozen=True, slots=True, kw_only=True)
class Settled:
    """What a label says of an ingredient, and how it is known.

    Parameters
    ----------
    name, opened : str
        As on the label; what it is made of, where that is entered.
    contains, may_contain : tuple of str
        Keys of allergens; of what is not settled, those it holds at least.
    by_nature : tuple of str
        Those of them that no packet takes away.
    known : bool
        Whether it is settled: a label waits for what is not.
    words : str
        How it is known, or what to do.
    """

    name: str
    opened: str
    contains: tuple[str, ...]
    may_contain: tuple[str, ...]
    by_nature: tuple[str, ...]
    known: bool
    words: str


FOODS: dict[str, Food] = {
    row["key"]: Food(key=row["key"], one_thing=row["is"] == "itself",
                     contains=tuple(filter(None, row["contains"].split(";"))))
    for row in read_rows("entremet.core.labelling", "foods.csv")}


def settled(key: str, name: str, packets: Mapping[str, Packet]) -> Settled:
    """Return what is known of an ingredient.

    Parameters
    ----------
    key, name : str
        The ingredient: its key in the table (with the card's name after a colon, where that is
        another product), or its name in small letters; and its usual name.
    packets : mapping of str to Packet
        What the kitchen read off packets, by key. A packet never takes away what a thing holds
        by nature.

    >>> settled("plain_flour", "plain flour", {}).contains
    ('wheat',)
    >>> settled("jam", "jam", {}).known
    False
    """
    food, packet = FOODS.get(key.partition(":")[0]), packets.get(key)
    least = () if food is None else food.contains
    if packet is not None:
        return Settled(
            name=packet.name or name, opened=packet.opened, known=True, by_nature=least,
            contains=allergens_of((*least, *packet.contains)),
            may_contain=tuple(one for one in packet.may_contain
                              if one not in packet.contains and one not in least),
            words="as your packet says")
    if food is not None and food.one_thing:
        return Settled(name=name, opened="", contains=least, may_contain=(), by_nature=least,
                       known=True, words="by what it is")
    words = ("Read its packet: what is made of several things holds what its packet names."
             if food is not None else "The table does not know it: say what is in it.")
    return Settled(name=name, opened="", contains=least, may_contain=(), by_nature=least,
                   known=False, words=words)
