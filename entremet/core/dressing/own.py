"""The finish a recipe has of its own: as its card says, as thick as its own amounts make it.

A frosting that the recipe knows to be enough is enough: how thick it lies follows from its amount
on the recipe's own cakes, and every other fit is measured from there. What is usual is a word
beside it, and stands in only where the card has no amount.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

from entremet.core.batter.styles import Style
from entremet.core.card.finish import AS_USUAL, BOUNDS, Finishing
from entremet.core.card.lines import Component, Line
from entremet.core.dressing.cakes import BakedPan, CakeKind, cakes_of
from entremet.core.dressing.components import components_of, has_of, served
from entremet.core.dressing.dress import dress_all
from entremet.core.dressing.kinds import kind_of
from entremet.core.dressing.uses import Dressed, all_uses
from entremet.core.dressing.whole import filling_key

THINNEST, THICKEST = 0.2, 2.0
"""By what a thickness may differ from the usual to be what the card means: less is a smear, and of
more the rest is left over; practice."""

ROUNDS = 8
"""Coats on a thicker filling take more, so that thicknesses are found step by step."""

FIELDS = {"filling": "filling_cm", "crumb": "crumb_cm", "coat": "coat_cm", "soak": "soak",
          "dip": "coat_cm"}
"""By use, the choice that says how much of it there is."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnFinish:
    """How a recipe's own cakes are finished.

    Parameters
    ----------
    finishing : Finishing
        With every thickness that its amounts tell.
    usual : Finishing
        The same, as thick as is usual.
    shares : mapping of (Component, str) to float
        By component and heading, its amount on the card over what its own finish takes; what the
        own finish takes nothing of is not in it.
    uses : frozenset of str
        What its own cakes take: filling, coat and so on.
    """

    finishing: Finishing = AS_USUAL
    usual: Finishing = AS_USUAL
    shares: Mapping[tuple[Component, str], float] = field(default_factory=dict)
    uses: frozenset[str] = frozenset()


BY_PRACTICE = OwnFinish()
"""A recipe that says nothing of its finish, and has no amounts for it."""


def own_finish(lines: Sequence[Line], style: Style, *, own: Sequence[BakedPan],
               said: Finishing, was_g: Mapping[int, float]) -> OwnFinish:
    """Return how a recipe's own cakes are finished.

    Parameters
    ----------
    lines : sequence of Line
        Of the card, those that go in.
    style : Style
        Of its batter.
    own : sequence of BakedPan
        The recipe in its own pans.
    said : Finishing
        What the card says of its finish.
    was_g : mapping of int to float
        By line key, what the card has of it, grams.
    """
    has = has_of(lines, style.key)
    said = _with_pieces(said, own)
    components = {key: (kind_of(*key, own_lines), sum(was_g.get(one.key, 0.0) for one in own_lines)
                        * said.yields.get(f"{key[0].value}-{place}", 1.0))
                  for place, (key, own_lines) in enumerate(components_of(lines).items())}
    finishing, uses = said, frozenset[str]()
    shares: dict[tuple[Component, str], float] = {}
    first: dict[str, float] = {}
    further = {filling_key(nth): key for nth, (key, _) in enumerate(has.fillings) if nth}
    for turn in range(ROUNDS + 1):
        rows, _ = dress_all(own, finishing, has)
        takes = all_uses(rows)
        uses = frozenset(one.key for one in takes)
        by_component = served([(_key(key), key[0]) for key in components], takes)
        changes: dict[str, float] = {}
        shares = {}
        for key, (kind, grams) in components.items():
            given = by_component.get(_key(key), ())
            needs = sum(use.grams_of(kind) for use in given)
            if needs <= 0 or grams <= 0:
                continue
            shares[key] = grams / needs
            if abs(shares[key] - 1) < 1e-4:
                continue
            for use in given:
                name = further.get(use.key) or FIELDS.get(use.key)
                if name is None or name in changes or (
                        name in said.fillings_cm if use.key in further
                        else getattr(said, name) is not None):
                    continue
                now = _thickness(use.key, rows)
                usual = first.setdefault(name, now)
                least, most = BOUNDS["filling_cm" if use.key in further else name]
                # All of a syrup is drunk, as the recipe found out; of a thick coat the rest is
                # left over.
                most = most if name == "soak" else min(most, usual * THICKEST)
                moved = min(max(now * shares[key], usual * THINNEST, least), most)
                if now > 0 and abs(moved / now - 1) > 1e-5:
                    changes[name] = moved
        # What is left over is measured by the thicknesses that are told, so nothing moves after it.
        if not changes or turn == ROUNDS:
            break
        finishing = _changed(finishing, changes, set(further.values()))
    return OwnFinish(finishing=finishing, usual=said, shares=shares, uses=uses)


def as_recipe(chosen: Finishing | None, own: OwnFinish) -> Finishing:
    """Return a finish in which whatever the baker left open is as the recipe has it.

    Parameters
    ----------
    chosen : Finishing or None
        None finishes as the recipe does.
    own : OwnFinish
        The recipe's own.
    """
    return own.finishing if chosen is None else _filled(chosen, own.finishing)


def as_usual(chosen: Finishing | None, own: OwnFinish) -> Finishing:
    """Return the same finish as thick as is usual, for a comparison."""
    return own.usual if chosen is None else _filled(chosen, own.usual)


def _filled(chosen: Finishing, own: Finishing) -> Finishing:
    names = ["filling_cm", "soak", "soak_hot", "coat", "glaze", "wells", "turned_over", "split"]
    if bool(chosen.pieces) is bool(own.pieces):
        # A coat round a cake says nothing of pieces that are dipped.
        names.append("coat_cm")
        if chosen.pieces == own.pieces:
            names.append("piece_cm")
        if chosen.coat is None or chosen.coat is own.coat:
            names += ["crumb_cm", "side_cm"]
    return replace(chosen, **{name: getattr(own, name) for name in names
                              if getattr(chosen, name) is None},
                   fillings_cm={**own.fillings_cm, **chosen.fillings_cm},
                   yields=chosen.yields or own.yields)


def _with_pieces(said: Finishing, own: Sequence[BakedPan]) -> Finishing:
    """Return a finish whose pieces have the size that the recipe's own cake gives them."""
    if not said.pieces or said.piece_cm is not None:
        return said
    cakes, _ = cakes_of(own, said)
    area = next((one.outline.area() for one in cakes if one.kind is CakeKind.PIECES), None)
    return said if area is None else replace(said, piece_cm=(area / said.pieces) ** 0.5)


def _changed(finishing: Finishing, changes: Mapping[str, Any],
             further: Collection[str]) -> Finishing:
    return replace(
        finishing, **{name: value for name, value in changes.items() if name not in further},
        fillings_cm={**finishing.fillings_cm, **{
            name: value for name, value in changes.items() if name in further}})


def _key(key: tuple[Component, str]) -> str:
    return f"{key[0].value}|{key[1]}"


def _thickness(use: str, rows: Sequence[Dressed]) -> float:
    """Return how thick it lies on the first cake that has it; the share, of a soak."""
    for row in rows:
        if any(one.key == use for one in row.uses):
            match use:
                case _ if use.startswith("filling"):
                    return row.fillings[int(use.removeprefix("filling") or 1) - 1].thick_cm
                case "crumb":
                    return row.crumb_cm
                case "soak":
                    return row.soak_share
                case _:
                    return row.final_top_cm
    return 0.0
