"""How the batter stands in each pan, raw and risen, and the verdict on it."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.batter.styles import WELLS_MAY_TAKE_MORE, Style
from entremet.core.fitting.source import FilledPan, Source
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.findings import Severity
from entremet.core.ground.quantities import cm, ml
from entremet.core.ground.wording import compared, percent
from entremet.core.pans.pan import AnyPan, Pan, PanKind

OVER_THE_RIM = 1.05
"""Risen volume over capacity from which it runs over; practice."""

THIN_CM = 1.0
"""Batter in a flat pan below which it bakes to a biscuit; practice."""

HARDLY_FULL = 0.5
"""Share of the usual fill below which a well, ring or loaf is hardly filled; practice."""

SAME_DEPTH = 0.05
"""Share within which a depth counts as the same; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """Batter in one pan or well. Heights are from the bottom of the pan, None without measures.

    Parameters
    ----------
    batter_g, batter_ml : float
        Raw batter.
    batter_cm : float or None
        Its depth above the base layer.
    layer_g, top_g : float
        Layers under and on it.
    layer_cm, stands_cm, risen_cm : float or None
        Top of the layer, of the raw batter, and of the risen one.
    fill : float or None
        Share of the room above the layer; None where the layer leaves none.
    limit : float
        Usual largest fill of this pan.
    risen_ml : float
        Risen batter and layers.
    fits : bool
        Whether the raw batter goes in at all.
    """

    batter_g: float
    batter_ml: float
    batter_cm: float | None
    layer_g: float
    top_g: float
    layer_cm: float | None
    stands_cm: float | None
    risen_cm: float | None
    fill: float | None
    limit: float
    risen_ml: float
    fits: bool


class VerdictCode(Enum):
    """Verdicts, gravest first."""

    DOES_NOT_FIT = "does_not_fit"
    OVER_RIM = "over_rim"
    OVER_LIMIT = "over_limit"
    TOO_THIN = "too_thin"
    SAME_DEPTH = "same_depth"
    DEEPER = "deeper"
    SHALLOWER = "shallower"
    FITS = "fits"


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    """What to think of a pan's filling: overflow first, then depth, then rise.

    Parameters
    ----------
    code : VerdictCode
        Which it is.
    severity : Severity
        How bad.
    overflow, depth, rise : str
        Its sentences, each whole; empty where there is nothing to say.
    """

    code: VerdictCode
    severity: Severity
    overflow: str
    depth: str = ""
    rise: str = ""

    def text(self, *, time: str = "") -> str:
        """Join the sentences; what another depth costs in time stands behind the depth."""
        return " ".join(part for part in (self.overflow, self.depth, time, self.rise) if part)


def standing_of(vessel: Vessel, batter_ml: float, *, style: Style, limit: float) -> Standing:
    """Stand so much batter in a pan.

    Parameters
    ----------
    vessel : Vessel
        The pan with its layer.
    batter_ml : float
        Zero or more.
    style : Style
        For density and rise.
    limit : float
        Usual largest fill.
    """
    risen_ml = style.rise.value * batter_ml + vessel.layer_ml + vessel.top_ml
    return Standing(
        batter_g=batter_ml * style.density.value, batter_ml=batter_ml,
        batter_cm=vessel.depth_cm(batter_ml), layer_g=vessel.layer_g,
        top_g=vessel.top_g, layer_cm=vessel.layer_cm,
        stands_cm=vessel.stands_cm(batter_ml),
        risen_cm=vessel.pan.depth_cm(risen_ml) if isinstance(vessel.pan, Pan) else None,
        fill=vessel.fill(batter_ml), limit=limit, risen_ml=risen_ml,
        fits=batter_ml <= vessel.room_ml * (1 + 1e-9))


def verdict_on(vessel: Vessel, standing: Standing, source: Source, style: Style) -> Verdict:
    """Judge how a pan is filled.

    Parameters
    ----------
    vessel : Vessel
        The pan with its layer.
    standing : Standing
        How the batter stands in it.
    source : Source
        The recipe in its own pans, for comparison.
    style : Style
        Of the batter.
    """
    pan, fill = vessel.pan, standing.fill
    if vessel.is_patted:
        return Verdict(code=VerdictCode.FITS, severity=Severity.NOTE, overflow=(
            f"Patted out {cm(standing.batter_cm or 0)} thick."))
    if not standing.fits or fill is None:
        return Verdict(code=VerdictCode.DOES_NOT_FIT, severity=Severity.STOP, overflow=(
            f"Does not fit: {ml(standing.batter_ml)} of batter, room for {ml(vessel.room_ml)}."))
    rise = _rise(vessel, standing)
    over = standing.risen_ml > _overflows_at(pan, style) * pan.capacity_ml
    if over and _as_its_own_wells(vessel, standing, source):
        return Verdict(code=VerdictCode.OVER_LIMIT, severity=Severity.WARN, rise=rise,
                       overflow="As full as the recipe fills its own wells, though that rises over "
                                "the rim by the usual rise of this style.")
    if over:
        return Verdict(code=VerdictCode.OVER_RIM, severity=Severity.STOP,
                       overflow="Rises over the rim.", rise=rise)
    code, depth = _depth_words(vessel, standing, source)
    if fill > standing.limit + 1e-6:
        return Verdict(code=VerdictCode.OVER_LIMIT, severity=Severity.WARN, depth=depth, rise=rise,
                       overflow=f"Over the usual fill: {percent(fill)} full, "
                                f"{percent(standing.limit)} is the usual most.")
    as_recipe = code in (VerdictCode.SAME_DEPTH, VerdictCode.DEEPER)
    if (vessel.is_flat and standing.batter_cm is not None and standing.batter_cm < THIN_CM
            and not as_recipe):
        return Verdict(code=VerdictCode.TOO_THIN, severity=Severity.WARN, overflow=(
            f"Too thin: {cm(standing.batter_cm)} of batter bakes crisp and dry."))
    if not vessel.is_flat and fill < HARDLY_FULL * style.usual_fill.value and not as_recipe:
        return Verdict(code=VerdictCode.TOO_THIN, severity=Severity.WARN, depth=depth, rise=rise,
                       overflow=f"Hardly filled: {percent(fill)} full, about "
                                f"{percent(style.usual_fill.value)} is usual.")
    return Verdict(code=code, severity=Severity.NOTE, depth=depth, rise=rise,
                   overflow="Fits." if standing.risen_ml <= pan.capacity_ml * (1 + 1e-9)
                   else "Fits, with a crown over the rim.")


def _as_its_own_wells(vessel: Vessel, standing: Standing, source: Source) -> bool:
    """Say whether wells are the recipe's own, filled as it fills them: it knows how they rise."""
    own = source.of_kind(PanKind.WELLS)
    if own is None or vessel.pan.kind is not PanKind.WELLS or not math.isclose(
            own.vessel.pan.capacity_ml, vessel.pan.capacity_ml, rel_tol=0.02):
        return False
    ratio = depth_ratio(vessel, standing, own)
    return ratio is not None and ratio <= 1 + SAME_DEPTH


def _overflows_at(pan: AnyPan, style: Style) -> float:
    """Return the risen volume, over the capacity, that runs over; a well's top may dome."""
    dome = WELLS_MAY_TAKE_MORE * style.rise.value if pan.kind is PanKind.WELLS else 0.0
    return OVER_THE_RIM + dome


def depth_ratio(vessel: Vessel, standing: Standing, own: FilledPan | None) -> float | None:
    """Return the depth over the recipe's; the share of the pan over the recipe's where not flat."""
    if own is None:
        return None
    if vessel.is_flat:
        ours, theirs = standing.batter_cm, own.depth_cm
    else:
        ours, theirs = standing.fill, own.fill
    return ours / theirs if ours is not None and theirs else None


def _depth_words(vessel: Vessel, standing: Standing, source: Source) -> tuple[VerdictCode, str]:
    own = source.of_kind(vessel.pan.kind)
    ratio = depth_ratio(vessel, standing, own)
    if ratio is None or own is None:
        return VerdictCode.FITS, _fill_words(vessel, standing)
    if abs(ratio - 1) <= SAME_DEPTH + 1e-9:
        return VerdictCode.SAME_DEPTH, _same_words(vessel, standing, own)
    code = VerdictCode.DEEPER if ratio > 1 else VerdictCode.SHALLOWER
    if not vessel.is_flat:
        words = compared(ratio, more="fuller", less="less full", times="as full")
        return code, f"{words} the recipe."
    words = compared(ratio, more="deeper", less="shallower", times="as deep")
    return code, f"{words} the recipe ({cm(standing.batter_cm or 0)})."


def _same_words(vessel: Vessel, standing: Standing, own: FilledPan) -> str:
    """Say that it stands as in the recipe, with both numbers where they differ as they are read."""
    if vessel.is_flat:
        ours, theirs = (cm(one or 0) for one in (standing.batter_cm, own.depth_cm))
        return ("Same depth as the recipe." if ours == theirs else
                f"About the recipe's depth: {ours}, {theirs} there.")
    full, there = (percent(one or 0.0) for one in (standing.fill, own.fill))
    return ("As full as in the recipe." if full == there else
            f"About as full as in the recipe: {full}, {there} there.")


def _fill_words(vessel: Vessel, standing: Standing) -> str:
    full = percent(standing.fill or 0.0)
    if standing.stands_cm is None or not isinstance(vessel.pan, Pan):
        return f"{full} full."
    return f"{full} full, {percent(standing.stands_cm / vessel.pan.wall_cm.value)} of the way up."


def _rise(vessel: Vessel, standing: Standing) -> str:
    if standing.risen_cm is None or not isinstance(vessel.pan, Pan):
        return f"Rises to {percent(standing.risen_ml / vessel.pan.capacity_ml)} of the pan."
    return (f"Rises to {cm(standing.risen_cm)}, rim at "
            f"{cm(vessel.pan.wall_cm.value)}.")
