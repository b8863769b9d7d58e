"""Pans as they come from the oven: those of a fit, and those the recipe was written for."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.batter.styles import Style
from entremet.core.dressing.cakes import BakedPan
from entremet.core.finishing.practice import bake_loss
from entremet.core.fitting.rules import Entry
from entremet.core.fitting.sharing import Place
from entremet.core.fitting.source import Source
from entremet.core.fitting.standing import Standing


def baked_places(entries: Sequence[Entry], places: Sequence[Place],
                 standings: Sequence[Standing], style: Style) -> list[BakedPan]:
    """Return the pans of a fit as baked.

    Parameters
    ----------
    entries : sequence of Entry
        All that were chosen, for their labels.
    places, standings : sequence of Place, sequence of Standing
        Those that are filled, and how the batter stands in each.
    style : Style
        Of the batter, for what leaves in the oven.
    """
    return [BakedPan(
        label=entries[place.entry].label, place=place.entry, count=place.count,
        pan=place.vessel.pan, risen_cm=standing.risen_cm, batter_g=standing.batter_g,
        under_g=standing.layer_g, over_g=standing.top_g, loss=bake_loss(style))
        for place, standing in zip(places, standings, strict=True)]


def baked_source(source: Source, style: Style) -> list[BakedPan]:
    """Return the recipe's own pans as baked.

    Parameters
    ----------
    source : Source
        The recipe in its own pans.
    style : Style
        Of its batter.
    """
    return [BakedPan(
        label="", place=place, count=one.count, pan=one.vessel.pan, risen_cm=baked.risen_cm,
        batter_g=one.batter_ml * style.density.value, under_g=one.vessel.layer_g,
        over_g=one.vessel.top_g, loss=bake_loss(style))
        for place, (one, baked) in enumerate(zip(source.filled, source.baked(style),
                                                 strict=True))]
