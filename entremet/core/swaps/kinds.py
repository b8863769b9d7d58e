"""The kinds of swap: what each takes and puts, per gram of what it replaces."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import read_table
from entremet.core.ingredients.table import Ingredient, Role


@dataclass(frozen=True, slots=True, kw_only=True)
class Put:
    """What goes in: grams per gram replaced; a liquid joins the card's own liquid where it can."""

    ingredient: str
    per: float
    liquid: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Take:
    """What comes off lines that are there; a needed one limits how much can be swapped."""

    ingredients: tuple[str, ...]
    per: float
    needed: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SwapKind:
    """One kind of swap.

    Parameters
    ----------
    key, name : str
        Stable key, and what it does in words.
    replaces : tuple of str
        Ingredients it can start from.
    puts, takes : tuple
        The arithmetic.
    usual, most : float
        Share of a line it takes by default, and at most.
    counted : bool
        Whether eggs, yolks and whites stay counted.
    limits, source : str
        Where it ends, and what the numbers rest on.
    roles : tuple of Role
        For a line that is only turned down or up: what it does in the batter.
    turn : int
        -1 turns a line down by the share, 1 up; 0 swaps.
    """

    key: str
    name: str
    replaces: tuple[str, ...]
    puts: tuple[Put, ...]
    takes: tuple[Take, ...]
    usual: float
    most: float
    counted: bool
    limits: str
    source: str
    roles: tuple[Role, ...] = ()
    turn: int = 0

    def takes_line(self, found: Ingredient, *, mixed: bool) -> bool:
        """Return whether a line of this ingredient can take it; a turn is for the batter alone."""
        if self.turn:
            return mixed and found.role in self.roles
        return found.key in self.replaces


KINDS: dict[str, SwapKind] = {
    key: SwapKind(
        key=key, name=row["name"], replaces=tuple(row.get("from", ())),
        puts=tuple(Put(**put) for put in row.get("puts", ())),
        takes=tuple(Take(ingredients=tuple(take["ingredients"]), per=take["per"],
                         needed=take["needed"]) for take in row.get("takes", ())),
        usual=row.get("usual", 1.0), most=row.get("most", 1.0),
        counted=row.get("counted", False), limits=row["limits"], source=row["source"],
        roles=tuple(Role(role) for role in row.get("roles", ())), turn=row.get("turn", 0))
    for key, row in read_table("entremet.core.swaps", "swaps.toml").items()
}


def swap_kind(key: str) -> SwapKind:
    """Return the kind of that key.

    Raises
    ------
    UnknownReference
        When there is none.

    >>> swap_kind("cocoa_for_flour").usual
    0.15
    """
    if key not in KINDS:
        raise UnknownReference(f"There is no swap “{key}”.", field="kind")
    return KINDS[key]
