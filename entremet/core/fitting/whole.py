"""Things that come whole: tins and sachets to open, fruit halves and biscuits to lay."""

from __future__ import annotations

import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.card.lines import Component, Line
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.fitting.sharing import Place
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, warn
from entremet.core.ingredients.table import Role
from entremet.core.measures.amounts import written
from entremet.core.measures.masses import show_mass
from entremet.core.measures.units import Unit
from entremet.core.pans.packing import Packing, packed
from entremet.core.pans.pan import Pan

OPENED = frozenset({Unit.TIN, Unit.SACHET, Unit.PACK})
_WORD = re.compile(r"\b(tin|can|sachet|packet|pack)s?\b", re.IGNORECASE)
_COUNT = re.compile(r"\s*(\d+)\s*(?:x\b|×|\(|(?:tin|can|sachet|packet|pack)s?\b)", re.IGNORECASE)
_ONE_WORD = {"can": "tin", "packet": "pack"}
LAID = frozenset({Component.BASE_LAYER, Component.TOP_LAYER})


@dataclass(frozen=True, slots=True, kw_only=True)
class OpenedWhole:
    """Tins, sachets or packs to open for a line, and what is over."""

    line: Line
    count: int
    text: str
    over: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Laid:
    """Whole things of a line laid in the pans.

    Parameters
    ----------
    line : Line
        Of a base or a layer on top.
    across_cm : float
        Width of each.
    each : tuple of (Packing or None)
        For every place; None where a pan has no outline.
    count : int
        In all pans together.
    text : str
        For the baker.
    """

    line: Line
    across_cm: float
    each: tuple[Packing | None, ...]
    count: int
    text: str


def comes_whole(line: Line) -> bool:
    """Say whether a layer's things could be laid in whole: fruit, nuts, biscuits."""
    if line.component not in LAID:
        return False
    counted = line.amount is not None and line.amount.unit is Unit.PIECE
    return counted or (line.ingredient is not None and (
        line.ingredient.role in (Role.FRUIT, Role.NUT) or "biscuit" in line.ingredient.name))


def opened_for(lines: Sequence[ScaledLine], *, scale_step_g: float) -> tuple[OpenedWhole, ...]:
    """Round tins, sachets and packs up to whole ones, and name the surplus."""
    found = []
    for scaled in lines:
        held = _containers(scaled.line)
        if held is None or not scaled.included or scaled.factor <= 0:
            continue
        number, word = held
        wanted = number * scaled.factor
        count = max(1, math.ceil(wanted - 1e-6))
        share = (count - wanted) / wanted
        over = ""
        if share > 1e-6:
            over = (show_mass(scaled.g.value * share, scale_step_g=scale_step_g)
                    if scaled.g is not None else f"{count - wanted:.2g} {word}")
        several = "s" if count > 1 else ""
        text = f"open {count} {word}{several}"
        found.append(OpenedWhole(line=scaled.line, count=count, over=over,
                            text=f"{text}, {over} is over" if over else text))
    return tuple(found)


def laid_in(lines: Sequence[ScaledLine], places: Sequence[Place],
            across_cm: Mapping[int, float]) -> tuple[tuple[Laid, ...], list[Finding]]:
    """Lay whole things into every pan and count them.

    Parameters
    ----------
    lines : sequence of ScaledLine
        The card.
    places : sequence of Place
        The pans.
    across_cm : mapping of int to float
        By line, how wide one is; lines without are not laid.

    Returns
    -------
    tuple of Laid, list of Finding
        A width that is none, or a line that is no layer, is a finding.
    """
    laid, findings = [], []
    for scaled in lines:
        width = across_cm.get(scaled.line.key)
        if width is None or not scaled.included:
            continue
        line = scaled.line
        if line.component not in LAID:
            findings.append(warn("not_laid", f"{line.name} is no layer of the cake, so it is not "
                                 "laid out in the pans.", subject=line.name,
                                 hint="Lay out lines of a base layer or of a layer on top."))
            continue
        try:
            each = tuple(_in_pan(place, line, width) for place in places)
        except ImpossibleChoice as error:
            findings.append(warn("not_laid", f"{line.name}: {error.text}", subject=line.name,
                                 field=f"laid.{line.key}", hint="Type the width of one."))
            continue
        count = sum(one.count * place.count for one, place in zip(each, places, strict=True)
                    if one is not None)
        laid.append(Laid(line=line, across_cm=width, each=each, count=count,
                         text=_words(line, count, each, places)))
        if any(one is None for one in each):
            findings.append(warn("not_laid", f"{line.name}: a pan without measures has no outline "
                                 "to lay it in, and is not counted.", subject=line.name,
                                 hint="Give one inside measure of each pan."))
    return tuple(laid), findings


def _containers(line: Line) -> tuple[float, str] | None:
    """Return how many tins, sachets or packs a line names; None where it names none.

    "2 tins", and what is kept as grams with the tin in its words: "2 x 385 g tins", "a 7 g sachet".
    """
    amount = line.amount
    if amount is None:
        return None
    if amount.unit in OPENED:
        return amount.middle, amount.unit.value
    named = _WORD.search(line.written)
    if named is None:
        return None
    count = _COUNT.match(line.written)
    return (float(count.group(1)) if count else 1.0), _ONE_WORD.get(
        named.group(1).lower(), named.group(1).lower())


def _in_pan(place: Place, line: Line, width: float) -> Packing | None:
    pan = place.vessel.pan
    if not isinstance(pan, Pan):
        return None
    return packed(pan.rim if line.component is Component.TOP_LAYER else pan.base, width)


def _words(line: Line, count: int, each: Sequence[Packing | None],
           places: Sequence[Place]) -> str:
    counts = ", ".join(
        f"{place.count} × {one.count}" if place.count > 1 else f"{one.count}"
        for one, place in zip(each, places, strict=True) if one is not None)
    had = "" if line.amount is None else f"; the recipe has {written(line.amount)}"
    return f"{count} lie side by side ({counts}){had}"
