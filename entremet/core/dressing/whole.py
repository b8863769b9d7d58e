"""A whole cake dressed: joins, coats, glaze and drip, what is pressed and piped, a cover."""

from __future__ import annotations

import math

from entremet.core.card.finish import Border, Coat, Finishing, Press
from entremet.core.card.lines import Component
from entremet.core.dressing.cakes import Cake, CakeKind
from entremet.core.dressing.uses import (
    SPREAD,
    Dressed,
    Has,
    Hollow,
    InJoin,
    Use,
    is_glazed,
    soak_of,
    soak_share,
    soaks_hot,
    thick_cm,
    usual_or,
)
from entremet.core.finishing.coats import (
    PROUD_CM,
    Body,
    border_count,
    border_ml,
    coat_ml,
    cover_disc_cm,
    dam_ml,
    drip_ml,
    filling_ml,
    glaze_ml,
)
from entremet.core.finishing.practice import practice
from entremet.core.ground.findings import Finding, stop, warn
from entremet.core.ground.quantities import cm
from entremet.core.pans.outlines import Outline

SLIDES_CM = 0.5
"""Jam thicker than this slides out without a dam; practice, 0.4 to 0.6."""

LEAST_WALL_CM = 2.5
"""A wall round a hollow so thick holds; practice, 2 to 4."""

DRIPPING = frozenset({"ganache", "caramel", "glaze"})
"""Kinds on a card that a drip can be made from."""

PIECES = {Border.ROSETTE: "rosettes", Border.STAR: "stars", Border.SHELL: "shells"}


def dress_whole(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Work out what a whole cake takes: a stack, a ring, a loaf or half a ball.

    Parameters
    ----------
    cake : Cake
        Its layers.
    chosen : Finishing
        The baker's choices.
    has : Has
        What the card has.
    """
    findings: list[Finding] = []
    fillings, dam = joint(cake, chosen, has)
    bare = Body(outline=cake.outline, height_cm=sum(
        one.height_cm for one in cake.layers) + cake.joins * sum(one.thick_cm for one in fillings))
    hollow = hollow_in(cake, bare, chosen, findings)
    crumb, top, side = coat_cm(cake, chosen, has)
    body = bare.coated(top_cm=crumb, side_cm=crumb).coated(top_cm=top, side_cm=side)
    glazed = is_glazed(chosen, has, coated=top > 0)
    drips, drip = drip_on(body, chosen, has, glazed, cake.count, findings)
    border, piped = border_on(body, chosen, cake.count)
    return Dressed(
        cake=cake, bare=bare, body=covered(body, chosen), soak_share=soak_share(chosen, has),
        soak_hot=soaks_hot(chosen, has), fillings=fillings, dam_cm=dam, crumb_cm=crumb,
        final_top_cm=top, final_side_cm=side,
        glazed=glazed, drips=drips,
        drip_cm=min(usual_or(chosen.drip_cm, "drip_length"), body.height_cm),
        pitch_cm=usual_or(chosen.pitch_cm, "drip_pitch"), border=border,
        border_cm=border_cm(chosen) if border else 0.0, hollow=hollow,
        uses=(*soak_of(cake, chosen, has),
              *_joins(cake, fillings, dam, has, findings), *hollow_use(hollow, cake.count),
              *_coats(cake, bare, crumb, top, side), *_glaze(body, glazed, cake.count), *drip,
              *pressed_on(body, chosen, cake.count), *piped, *cover_of(body, chosen, cake.count)),
        findings=tuple(findings))


def joint(cake: Cake, chosen: Finishing, has: Has) -> tuple[tuple[InJoin, ...], float]:
    """Return all that lies in a join, from below, and how wide its dam is, cm.

    Nothing without a filling. What a card has several of lies in every join, one on the other.
    """
    kind = has.kind(Component.FILLING, *SPREAD)
    if not cake.joins or (kind is None and chosen.filling_cm is None):
        return (), 0.0
    first = thick_cm(chosen.filling_cm, kind, "filling")
    found = (InJoin(component=has.fillings[0][0] if has.fillings else "", thick_cm=first), *(
        InJoin(component=key, thick_cm=thick_cm(chosen.fillings_cm.get(key), of, "filling"))
        for key, of in has.fillings[1:]))
    return found, (chosen.dam_cm or 0.0) if any(one.thick_cm for one in found) else 0.0


def filling_key(nth: int) -> str:
    """Return what the use of so many-th thing in a join is called, from 0.

    >>> filling_key(0), filling_key(1)
    ('filling', 'filling2')
    """
    return "filling" if nth == 0 else f"filling{nth + 1}"


def levels_of(cake: Cake) -> list[Outline]:
    """Return the outline at every join: that of the smaller of the two layers that meet."""
    return [min((below.outline, above.outline), key=lambda one: one.area())
            for below, above in zip(cake.layers, cake.layers[1:], strict=False)]


def _joins(cake: Cake, fillings: tuple[InJoin, ...], dam: float, has: Has,
           findings: list[Finding]) -> list[Use]:
    thick = sum(one.thick_cm for one in fillings)
    if thick <= 0:
        return []
    levels, many = levels_of(cake), cake.joins * cake.count
    inside = sum(filling_ml(one, thick, dam_cm=dam) for one in levels) * cake.count
    if inside <= 0:
        findings.append(stop("finish_dam_wide", f"{cake.label}: a dam of {cm(dam)} leaves no "
                             "room for a filling.", hint="Take a narrower dam."))
    kinds = dict(has.fillings)
    jam = max((one.thick_cm for one in fillings if kinds.get(one.component) == "jam"), default=0.0)
    if not dam and jam > SLIDES_CM:
        findings.append(warn("finish_slides", f"Jam thicker than {cm(SLIDES_CM)} slides out.",
                             hint="Hold it with a dam, or spread it thinner."))
    uses = [Use(key=filling_key(nth), nth=nth, words=f"{many} {'join' if many == 1 else 'joins'}, "
                f"{cm(one.thick_cm)} thick{f', inside a dam of {cm(dam)}' if dam else ''}",
                ml=inside * one.thick_cm / thick, wants=(Component.FILLING, *SPREAD),
                house="buttercream")
            for nth, one in enumerate(fillings) if one.thick_cm > 0]
    if dam:
        uses.append(Use(
            key="dam", words=f"{cm(dam)} wide, a little proud of the filling", wants=SPREAD,
            ml=sum(dam_ml(one, thick, dam, proud_cm=PROUD_CM) for one in levels) * cake.count,
            house="buttercream", bagged=True))
    return uses


def coat_cm(cake: Cake, chosen: Finishing, has: Has) -> tuple[float, float, float]:
    """Return crumb coat, and final coat on top and round the sides, cm."""
    kind = has.kind(*SPREAD)
    usual = Coat.NONE if kind is None else (
        Coat.FULL if cake.kind is CakeKind.STACK else Coat.TOP)
    coat = chosen.coat or usual
    final = thick_cm(chosen.coat_cm, kind or "buttercream", "coat")
    crumb = 0.0 if chosen.crumb_cm is None else chosen.crumb_cm
    match coat:
        case Coat.NONE:
            return 0.0, 0.0, 0.0
        case Coat.TOP:
            return 0.0, final, 0.0
        case Coat.NAKED:
            return crumb, final, usual_or(chosen.side_cm, "coat_naked")
        case Coat.FULL:
            if chosen.crumb_cm is None and cake.kind is CakeKind.STACK:
                crumb = practice("crumb").value
            return crumb, final, final if chosen.side_cm is None else chosen.side_cm


def _coats(cake: Cake, bare: Body, crumb: float, top: float, side: float) -> list[Use]:
    uses = []
    if crumb > 0:
        uses.append(Use(key="crumb", words=f"crumb coat of {cm(crumb)}", wants=SPREAD,
                        ml=coat_ml(bare, top_cm=crumb, side_cm=crumb) * cake.count,
                        house="buttercream"))
    if top > 0 or side > 0:
        crumbed = bare.coated(top_cm=crumb, side_cm=crumb)
        where = "on top alone" if side == 0 else (
            "all round" if side == top else f"sides of {cm(side)}")
        uses.append(Use(key="coat", words=f"coat of {cm(top)}, {where}", wants=SPREAD,
                        ml=coat_ml(crumbed, top_cm=top, side_cm=side) * cake.count,
                        house="buttercream"))
    return uses


def _glaze(body: Body, glazed: bool, count: int) -> list[Use]:
    if not glazed:
        return []
    return [Use(key="glaze", words="poured over; what runs off is caught", house="glaze",
                ml=glaze_ml(body) * count, over=practice("glaze_made").value - 1,
                wants=(Component.GLAZE, Component.COATING))]


def drip_on(body: Body, chosen: Finishing, has: Has, glazed: bool, count: int,
            findings: list[Finding]) -> tuple[int, list[Use]]:
    """Return the number of drips on one cake, and what they take on all."""
    if not chosen.drip:
        return 0, []
    length = usual_or(chosen.drip_cm, "drip_length")
    if length > body.height_cm:
        findings.append(stop("finish_drip_long", f"A drip of {cm(length)} is longer than the "
                             f"side, {cm(body.height_cm)}.", hint="Take shorter drips."))
        length = body.height_cm
    top, down, drips = drip_ml(
        body, length_cm=length, pitch_cm=usual_or(chosen.pitch_cm, "drip_pitch"), glazed=glazed,
        edge_ring=chosen.edge_ring)
    where = "" if glazed else ", an edge ring" if chosen.edge_ring else f", {cm(0.25)} over the top"
    wants = tuple(one for one in (Component.GLAZE, Component.COATING)
                  if has.kind(one) in DRIPPING)
    return drips, [Use(key="drip", words=f"{drips} drips of {cm(length)}{where}",
                       ml=(top + down) * count, wants=wants, house="drip")]


def border_on(body: Body, chosen: Finishing, count: int) -> tuple[int, list[Use]]:
    """Return the pieces piped along the edge of one cake, and what they take on all."""
    if chosen.border is Border.NONE:
        return 0, []
    width = border_cm(chosen)
    pieces = border_count(body, width)
    return pieces, [Use(
        key="border", words=f"{pieces} {PIECES[chosen.border]} of {cm(width)}",
        ml=border_ml(pieces, width, tall=chosen.border is Border.ROSETTE) * count,
        wants=(*SPREAD, Component.FILLING), house="buttercream", bagged=True)]


def border_cm(chosen: Finishing) -> float:
    """Return how wide a piped piece is."""
    return usual_or(chosen.border_cm, f"border_{chosen.border.value}")


def pressed_on(body: Body, chosen: Finishing, count: int) -> list[Use]:
    """Return what is pressed against the sides."""
    if chosen.press is Press.NONE:
        return []
    up = body.height_cm if chosen.press_cm is None else min(chosen.press_cm, body.height_cm)
    grams = body.edge_cm * up * practice(f"press_{chosen.press.value}").value
    return [Use(key="press", words=f"{chosen.press.value} {cm(up)} up the sides",
                grams=grams * count, over=practice("press_tray").value - 1,
                house=f"press_{chosen.press.value}")]


def cover_of(body: Body, chosen: Finishing, count: int) -> list[Use]:
    """Return a rolled cover: what lies on the cake stays, what hangs over is cut off."""
    if not chosen.rolled:
        return []
    disc, thick = cover_disc_cm(body), practice("cover").value
    lies = (body.top_cm2 + body.edge_cm * body.height_cm) * thick
    rolled = math.pi * disc**2 / 4 * thick
    return [Use(key="cover", words=f"rolled out to {cm(disc, 0)}, {cm(thick)} thick; what is cut "
                "off comes back", over=max(0.0, rolled / lies - 1), ml=lies * count,
                house="fondant")]


def covered(body: Body, chosen: Finishing) -> Body:
    """Return a cake under its rolled cover, where it has one: it is wider and higher by it."""
    thick = practice("cover").value if chosen.rolled else 0.0
    return body.coated(top_cm=thick, side_cm=thick)


def hollow_in(cake: Cake, bare: Body, chosen: Finishing,
              findings: list[Finding]) -> Hollow | None:
    """Return the chamber cut out of a stack; as large as its walls bear where no size is given."""
    if not chosen.hollow or cake.kind is not CakeKind.STACK:
        return None
    across = 2 * math.sqrt(min(one.outline.area() for one in cake.layers) / math.pi)
    wide = across - 2 * LEAST_WALL_CM if chosen.hollow_cm is None else chosen.hollow_cm
    high = bare.height_cm - 2 * LEAST_WALL_CM if chosen.hollow_high_cm is None else (
        chosen.hollow_high_cm)
    wall, lid = (across - wide) / 2, bare.height_cm - high
    if min(wide, high, wall, lid) <= 0:
        findings.append(stop("finish_hollow", f"{cake.label}: there is no room for a hollow with "
                             f"{cm(LEAST_WALL_CM)} of cake round it."
                             if min(wide, high) <= 0 else
                             f"{cake.label}: a hollow of {cm(wide)} across and {cm(high)} high "
                             "leaves no cake round it.", hint="Take a smaller one."))
        return None
    if min(wall, lid) < LEAST_WALL_CM - 1e-9:
        findings.append(warn("finish_hollow_thin", f"{cake.label}: the hollow leaves a wall of "
                             f"{cm(wall)} and {cm(lid)} over it; under {cm(LEAST_WALL_CM)} "
                             "it gives way.", hint="A smaller hollow; keep a lid from the top."))
    return Hollow(ml=math.pi * wide**2 / 4 * high, wide_cm=wide, high_cm=high)


def hollow_use(hollow: Hollow | None, count: int) -> list[Use]:
    """Return what fills a chamber."""
    if hollow is None:
        return []
    return [Use(key="hollow", words=f"a hollow {cm(hollow.wide_cm)} across, "
                f"{cm(hollow.high_cm)} high", ml=hollow.ml * count,
                wants=(Component.FILLING, *SPREAD), house="cream")]
