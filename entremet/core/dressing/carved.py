"""A stack of layers carved to a profile: what stays, what its coats and fillings take then."""

from __future__ import annotations

import math
from dataclasses import replace

from entremet.core.card.finish import Carving, Finishing, Profile
from entremet.core.card.lines import Component
from entremet.core.dressing.cakes import Cake
from entremet.core.dressing.uses import (
    SPREAD,
    CarvedCake,
    Dressed,
    Has,
    Use,
    soak_of,
    soak_share,
    soaks_hot,
)
from entremet.core.dressing.whole import (
    border_cm,
    border_on,
    coat_cm,
    cover_of,
    covered,
    drip_on,
    filling_key,
    hollow_in,
    hollow_use,
    joint,
    pressed_on,
)
from entremet.core.finishing.coats import Body
from entremet.core.finishing.practice import practice
from entremet.core.finishing.sloped import Slab, SlopedCut, carve, marks, sloped_coat_ml
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.quantities import cm, cm_to
from entremet.core.ground.wording import listed
from entremet.core.pans.outlines import Round

MARKS = 6
"""Heights that are marked for the knife, besides the foot; at least 2 cm apart."""

LEAST_TOP_CM = 4.0
"""A top narrower than this takes no drip and no border; practice."""


def dress_carved(cake: Cake, chosen: Finishing, has: Has, asked: Carving) -> Dressed:
    """Work out what a carved stack takes.

    Parameters
    ----------
    cake : Cake
        Its layers, the widest at the foot.
    chosen : Finishing
        The baker's choices.
    has : Has
        What the card has.
    asked : Carving
        The profile; what it leaves open is cut to the stack itself.
    """
    findings: list[Finding] = []
    fillings, _ = joint(cake, chosen, has)
    filling = sum(one.thick_cm for one in fillings)
    stack = Body(outline=cake.outline, height_cm=sum(
        one.height_cm for one in cake.layers) + cake.joins * filling)
    cut = _cut(asked, cake, stack.height_cm)
    slabs = _slabs(cake, filling)
    found = carve(tuple(slabs), cut)
    share = found.kept_ml / found.stack_ml
    between = sum(kept for kept, slab in zip(found.kept_by_layer, slabs, strict=True)
                  if not slab.cake)
    findings += _told(cake, cut, found.missing)
    hollow = hollow_in(cake, stack, chosen, findings)
    crumb, top, side = coat_cm(cake, chosen, has)
    crumb = practice("crumb_carved").value if crumb > 0 and chosen.crumb_cm is None else crumb
    uses = [*soak_of(cake, chosen, has, kept=share), *hollow_use(hollow, cake.count)]
    if between > 0:
        uses += [Use(key=filling_key(nth), nth=nth, words=f"{cake.joins} joins, "
                     f"{cm(one.thick_cm)} thick, as far as the cut goes",
                     ml=between * cake.count * one.thick_cm / filling, house="buttercream",
                     wants=(Component.FILLING, *SPREAD))
                 for nth, one in enumerate(fillings) if one.thick_cm > 0]
    if crumb > 0:
        uses.append(Use(key="crumb", words=f"crumb coat of {cm(crumb)} along the cut",
                        ml=sloped_coat_ml(cut, crumb) * cake.count, wants=SPREAD,
                        house="buttercream"))
    if side > 0 or top > 0:
        uses.append(Use(key="coat", words=f"coat of {cm(max(side, top))} along the cut",
                        wants=SPREAD, house="buttercream",
                        ml=cake.count * (sloped_coat_ml(cut, crumb + side, top_cm=crumb + top)
                                         - (sloped_coat_ml(cut, crumb) if crumb else 0.0))))
    body = covered(stack.coated(top_cm=crumb + top, side_cm=crumb + side), chosen)
    flat = _flat_top(cut, crumb + top, crumb + side)
    drips, border = 0, 0
    if flat is not None:
        drips, drip = drip_on(flat, chosen, has, False, cake.count, findings)
        border, piped = border_on(flat, chosen, cake.count)
        uses += [*drip, *pressed_on(flat, chosen, cake.count), *piped,
                 *cover_of(flat, chosen, cake.count)]
    elif chosen.drip or chosen.border.value != "none" or chosen.rolled:
        findings.append(warn("finish_no_top", f"{cake.label}: what is carved so has no flat top "
                             "for a drip, a border or a cover.", hint="A taper has one."))
    carved = CarvedCake(
        cut=cut, carved=found, kept_g=cake.mass_g * share, trimmed_g=cake.mass_g * (1 - share),
        marks=tuple(marks(cut, every_cm=max(2.0, cut.height_cm / MARKS))))
    return Dressed(
        cake=cake, bare=stack, body=body, soak_share=soak_share(chosen, has),
        soak_hot=soaks_hot(chosen, has), fillings=fillings, crumb_cm=crumb,
        final_top_cm=top, final_side_cm=side, drips=drips,
        drip_cm=0.0 if not drips else min(chosen.drip_cm or practice("drip_length").value,
                                          cut.height_cm),
        border=border, border_cm=border_cm(chosen) if border else 0.0, hollow=hollow,
        carved=carved, uses=tuple(uses), findings=tuple(findings))


def batter_wanted_g(carved: CarvedCake, cake: Cake, filling_cm: float, *, rise: float,
                    density: float) -> float:
    """Return the raw batter that a cake of the carved size is, were nothing cut off, grams."""
    cut = carved.cut
    whole = carve((Slab(radius_cm=cut.widest_cm(0.0, cut.height_cm), height_cm=cut.height_cm),),
                  cut).kept_ml
    filling = sum(kept for kept, slab in zip(
        carved.carved.kept_by_layer, _slabs(cake, filling_cm), strict=True) if not slab.cake)
    return max(0.0, whole - filling) / rise * density


def _cut(asked: Carving, cake: Cake, height_cm: float) -> SlopedCut:
    """Return the profile; open measures are those of the stack's own lowest and highest layer."""
    foot, top = cake.layers[0].outline, cake.layers[-1].outline
    wide = 2 * math.sqrt(foot.area() / math.pi)
    narrow = 2 * math.sqrt(top.area() / math.pi)
    if asked.profile is Profile.DRAWN:
        drawn = asked.points or _as_it_stands(wide, narrow, height_cm)
        return SlopedCut(profile=asked.profile, foot_cm=max(1.0, drawn[0][1]), top_cm=drawn[-1][1],
                   height_cm=drawn[-1][0], drawn=drawn)
    if asked.profile is not Profile.TAPER:
        wide = min(wide, narrow)
    if asked.profile is Profile.BALL:
        wide = height_cm = asked.foot_cm or asked.height_cm or min(wide, height_cm)
    return SlopedCut(profile=asked.profile, foot_cm=asked.foot_cm or wide,
               top_cm=narrow if asked.top_cm is None else asked.top_cm,
               height_cm=asked.height_cm or height_cm)


def _as_it_stands(wide_cm: float, narrow_cm: float,
                  height_cm: float) -> tuple[tuple[float, float], ...]:
    """Return a profile to start drawing from: the straight taper of the stack, in five points."""
    return tuple((round(height_cm * i / 4, 1), round(wide_cm + (narrow_cm - wide_cm) * i / 4, 1))
                 for i in range(5))


def _slabs(cake: Cake, filling_cm: float) -> list[Slab]:
    slabs: list[Slab] = []
    for place, layer in enumerate(cake.layers):
        radius = math.sqrt(layer.outline.area() / math.pi)
        if place and filling_cm > 0:
            slabs.append(Slab(radius_cm=min(radius, slabs[-1].radius_cm), height_cm=filling_cm,
                              cake=False))
        slabs.append(Slab(radius_cm=radius, height_cm=layer.height_cm))
    return slabs


def _flat_top(cut: SlopedCut, top_cm: float, side_cm: float) -> Body | None:
    across = 2 * cut.radius_cm(cut.height_cm)
    if across < LEAST_TOP_CM:
        return None
    bare = Body(outline=Round(diameter=across), height_cm=cut.height_cm)
    return replace(bare, height_cm=cut.height_cm + top_cm, grown_cm=side_cm)


def _told(cake: Cake, cut: SlopedCut, missing: tuple[tuple[float, float], ...]) -> list[Finding]:
    found = []
    if missing:
        where = listed([f"from {cm_to(low, high)}" for low, high in _together(missing)])
        found.append(warn("finish_carve_missing", f"{cake.label}: {where} the profile stands "
                          "outside the stack; cake is missing there.",
                          hint="Take wider pans there, another layer, or a smaller profile."))
    if not all(isinstance(one.outline, Round) for one in cake.layers):
        found.append(note("finish_carve_round", f"{cake.label}: a profile is turned round its "
                          "axis; layers that are not round are counted as discs of their area.",
                          numbers={"height_cm": cut.height_cm}))
    return found


def _together(missing: tuple[tuple[float, float], ...]) -> list[tuple[float, float]]:
    """Return heights with those that meet put together."""
    found: list[tuple[float, float]] = []
    for low, high in missing:
        if found and low - found[-1][1] <= 0.11:
            found[-1] = (found[-1][0], high)
        else:
            found.append((low, high))
    return found
