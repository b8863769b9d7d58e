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
from entremet.core.labelling.packet_list import read_packet

FRESH = "fresh"
"""What the card's own name says of a thing that is squeezed, and not poured from a bottle."""
LONGEST = 400
"""Letters of what a packet says is in it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Food:
    """A row of the table: whether it is one thing, and what it holds, or holds at least.

    Parameters
    ----------
    key : str
        The ingredient.
    one_thing : bool
        Whether it has its allergens by nature.
    only_fresh : bool
        Whether it is one thing only where the card says that it is fresh: a bottle has more in it.
    packet_in : tuple of str
        Regions where another thing is sold under its name, so that its packet is read there.
    contains : tuple of str
        Keys of allergens it holds, or holds at least.
    """

    key: str
    one_thing: bool
    only_fresh: bool
    packet_in: tuple[str, ...]
    contains: tuple[str, ...]

    def settles(self, key: str, region: str) -> bool:
        """Say whether what it is tells all that is in it."""
        if self.only_fresh:
            return FRESH in key.partition(":")[2].split()
        return self.one_thing and region not in self.packet_in


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
        Keys of allergens; of what is not settled, those it holds at least. Traces that its list
        names count whether ticked or not.
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


def _food(row: Mapping[str, str]) -> Food:
    what, _, regions = row["is"].partition(" in ")
    return Food(key=row["key"], one_thing=what == "itself" or bool(regions),
                only_fresh=what == FRESH, packet_in=tuple(filter(None, regions.split(";"))),
                contains=tuple(filter(None, row["contains"].split(";"))))


FOODS: dict[str, Food] = {row["key"]: _food(row)
                          for row in read_rows("entremet.core.labelling", "foods.csv")}


def held_by(key: str) -> tuple[str, ...]:
    """Return the allergens that an ingredient of the table holds, or holds at least.

    >>> held_by("plain_flour"), held_by("sloe dust")
    (('wheat',), ())
    """
    food = FOODS.get(key)
    return () if food is None else food.contains


def settled(key: str, name: str, packets: Mapping[str, Packet], region: str = "") -> Settled:
    """Return what is known of an ingredient.

    Parameters
    ----------
    key, name : str
        The ingredient: its key in the table (with the card's name after a colon, where that is
        another product), or its name in small letters; and its usual name.
    packets : mapping of str to Packet
        What the kitchen read off packets, by key. A packet never takes away what a thing holds
        by nature.
    region : str
        Where it is sold: in some, another thing goes by the same name.

    >>> settled("lemon_juice", "lemon juice", {}).known
    False
    >>> settled("lemon_juice:fresh", "lemon juice", {}).known
    True
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
            may_contain=tuple(
                one for one in allergens_of((*packet.may_contain,
                                             *read_packet(packet.opened).traces))
                if one not in packet.contains and one not in least),
            words="as your packet says")
    if food is not None and food.settles(key, region):
        return Settled(name=name, opened="", contains=least, may_contain=(), by_nature=least,
                       known=True, words="by what it is")
    if food is None:
        words = "The table does not know it: say what is in it."
    elif food.only_fresh:
        words = ("Freshly squeezed it holds nothing else: say so on the card, or here. A bottle's "
                 "label tells; sulphites are common.")
    elif region in food.packet_in:
        words = "Where you sell, it is often made of wheat: read its packet."
    else:
        words = "Read its packet: what is made of several things holds what its packet names."
    return Settled(name=name, opened="", contains=least, may_contain=(), by_nature=least,
                   known=False, words=words)
