"""Boards, supports and loads of tiers, and the whole as it stands."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.ground.findings import Finding, warn

COUNTS = ((15.0, 5), (20.0, 6), (39.0, 8))
MORE = 12
"""Supports under a tier by the width of the tier above; practice, 4 to 9, and 12 from 40 cm on."""

INSIDE_CM = 2.0

TIER_BOARD_CM = 0.3
"""Thickness of the board under an upper tier; practice, 0.2 to 0.5."""

BOARD_HIGH_CM, BOX_OVER_CM = 1.2, 2.0
"""A drum is so thick, and a box so much higher than all on it; practice."""

MOST_LOAD_G = 5000.0
"""What one set of supports carries before it is said; practice, 4 to 6 kg."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Tier:
    """A tier as it is finished: its name, its bare width, its finished measures, its weight."""

    label: str
    wide_cm: float
    width_cm: float
    height_cm: float
    high_cm: float
    mass_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Support:
    """What stands in a tier under the one above it.

    Parameters
    ----------
    tier, above : str
        The tier they stand in, and the one they carry.
    count : int
        How many.
    height_cm : float
        All cut to this one height.
    circle_cm : float
        Width of the circle they stand on, inside the board above.
    board_cm : float
        Board under the tier above: its own width, never wider.
    load_g : float
        All that stands on them, boards aside.
    """

    tier: str
    above: str
    count: int
    height_cm: float
    circle_cm: float
    board_cm: float
    load_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Stacked:
    """Tiers as they stand on one board.

    Parameters
    ----------
    tiers : tuple of str
        From the foot.
    height_cm, width_cm : float
        Of the whole, boards between the tiers counted in, the drum not.
    mass_g : float
        Of all tiers, boards aside.
    box_cm : float
        Least height of its box: drum, whole and room.
    """

    tiers: tuple[str, ...]
    height_cm: float
    width_cm: float
    mass_g: float
    box_cm: float


def in_order(tiers: Sequence[Tier]) -> list[Tier]:
    """Return tiers from the foot: the widest first."""
    return sorted(tiers, key=lambda one: -one.width_cm)


def supports_of(tiers: Sequence[Tier]) -> list[Support]:
    """Return the supports of tiers, the widest at the foot."""
    ordered, found = in_order(tiers), []
    for place, (below, above) in enumerate(pairwise(ordered)):
        count = next((count for least, count in COUNTS if above.wide_cm <= least + 0.5), MORE)
        found.append(Support(
            tier=below.label, above=above.label, count=count,
            height_cm=round(below.height_cm, 1),
            circle_cm=round(max(4.0, above.wide_cm - 2 * INSIDE_CM), 1),
            board_cm=own_board_cm(above), load_g=sum(one.mass_g for one in ordered[place + 1:])))
    return found


def own_board_cm(tier: Tier) -> float:
    """Return the board of an upper tier: as wide as its cake, to the half centimetre below."""
    return math.floor(tier.wide_cm * 2 + 1e-9) / 2


def stacked_of(tiers: Sequence[Tier]) -> Stacked | None:
    """Return the whole that tiers make; None where fewer than two are stacked."""
    ordered = in_order(tiers)
    if len(ordered) < 2:
        return None
    between = TIER_BOARD_CM * (len(ordered) - 1)
    height = sum(one.height_cm for one in ordered[:-1]) + between + ordered[-1].high_cm
    return Stacked(
        tiers=tuple(one.label for one in ordered), height_cm=height,
        width_cm=ordered[0].width_cm, mass_g=sum(one.mass_g for one in ordered),
        box_cm=box_for(height))


def box_for(high_cm: float) -> float:
    """Return the least height of a box for a cake so high with all that is on it."""
    return math.ceil((high_cm + BOARD_HIGH_CM + BOX_OVER_CM) * 2) / 2


def load_findings(supports: Sequence[Support]) -> list[Finding]:
    """Return what stands too heavy on one set of supports."""
    return [warn("tier_heavy", f"{one.tier}: {one.load_g / 1000:.1f} kg stand on its supports, "
                 f"and over {MOST_LOAD_G / 1000:g} kg they sink or break.", subject=one.tier,
                 numbers={"load_g": one.load_g},
                 hint="A board and supports within the tier, a centre rod, or somebody who has "
                 "done it; drive the tiers apart and stack them there.")
            for one in supports if one.load_g > MOST_LOAD_G]
