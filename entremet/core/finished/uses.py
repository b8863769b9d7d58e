"""What each part of a finish takes, in ml or grams, and what it is spread, poured or piped from."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

from entremet.core.card.lines import Component
from entremet.core.finished.cakes import Cake, CakeKind
from entremet.core.finished.choices import Border, Coat, Finishing, OnWells, Press
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
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.finishing.practice import practice
from entremet.core.ground.findings import Finding, stop, warn
from entremet.core.pans.outlines import Outline

SPREAD = (Component.FROSTING, Component.COATING)
SLIDES_CM = 0.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Use:
    """One use of a component on the cakes of a row.

    Parameters
    ----------
    key : str
        What it is: filling, dam, crumb, coat, drip and so on.
    words : str
        With its size, for the baker.
    ml : float
        Over all cakes; grams where ``grams`` is set.
    grams : float or None
        Where the amount is known by weight.
    wants : tuple of Component
        Components of the card it is made from, in order of preference.
    house : str
        House formula that stands in where the card has none; empty for none.
    bagged : bool
        Whether it is piped.
    nth : int
        Which of several components of that kind it is made from.
    """

    key: str
    words: str
    ml: float
    grams: float | None
    wants: tuple[Component, ...]
    house: str
    bagged: bool = False
    nth: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Dressed:
    """A cake with its sizes as it is dressed.

    Parameters
    ----------
    cake : Cake
        The layers.
    bare, body : Body
        Before and after its coats.
    soak_share, filling_cm, dam_cm, crumb_cm, coat_top_cm, coat_side_cm : float
        What is on and in it.
    drips, drip_cm, pitch_cm : int, float, float
        The drip.
    border, border_cm : int, float
        Pieces piped along the edge.
    pieces : int
        Pieces a sheet is cut in; 0 for a whole cake.
    hollow_ml, hollow_cm, hollow_high_cm : float
        Cut out of one cake for a chamber; its width and height.
    uses : tuple of Use
        What it takes.
    findings : tuple of Finding
        What cannot be, or wants care.
    """

    cake: Cake
    bare: Body
    body: Body
    soak_share: float = 0.0
    filling_cm: float = 0.0
    dam_cm: float = 0.0
    crumb_cm: float = 0.0
    coat_top_cm: float = 0.0
    coat_side_cm: float = 0.0
    glazed: bool = False
    drips: int = 0
    drip_cm: float = 0.0
    pitch_cm: float = 0.0
    border: int = 0
    border_cm: float = 0.0
    pieces: int = 0
    hollow_ml: float = 0.0
    hollow_cm: float = 0.0
    hollow_high_cm: float = 0.0
    uses: tuple[Use, ...] = ()
    findings: tuple[Finding, ...] = field(default=())


@dataclass(frozen=True, slots=True, kw_only=True)
class Has:
    """Kinds of what the card has, by component; a missing one is not on the card."""

    kinds: dict[Component, str]
    soak: float
    counts: dict[Component, int] = field(default_factory=dict)

    def kind(self, *wants: Component) -> str | None:
        """Return the kind of the first component there is."""
        return next((self.kinds[one] for one in wants if one in self.kinds), None)


def dress(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Work out everything a cake takes.

    Parameters
    ----------
    cake : Cake
        One row of a fit.
    chosen : Finishing
        The baker's choices.
    has : Has
        What the card has.
    """
    match cake.kind:
        case CakeKind.SMALL:
            return _small(cake, chosen, has)
        case CakeKind.PIECES:
            return _pieces(cake, chosen, has)
        case _:
            return _whole(cake, chosen, has)


def _whole(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    uses: list[Use] = []
    findings: list[Finding] = []
    count, joins = cake.count, cake.joins
    soak = _soak(cake, chosen, has, uses)
    filling = _thick(chosen.filling_cm, has.kind(Component.FILLING, *SPREAD), "filling")
    filling = filling if joins else 0.0
    dam = (chosen.dam_cm or 0.0) if joins else 0.0
    levels = _levels(cake)
    if joins and filling > 0 and has.kind(Component.FILLING, *SPREAD) is not None:
        inside = sum(filling_ml(one, filling, dam_cm=dam) for one in levels) * count
        many = joins * count
        uses.append(Use(key="filling", words=f"{many} {'join' if many == 1 else 'joins'}, "
                        f"{filling:g} cm thick"
                        + (f", inside a dam of {dam:g} cm" if dam else ""), ml=inside, grams=None,
                        wants=(Component.FILLING, *SPREAD), house="buttercream"))
        if inside <= 0:
            findings.append(stop("finish_dam_wide", f"{cake.label}: a dam of {dam:g} cm leaves no "
                                 "room for a filling.", hint="Take a narrower dam."))
        if dam:
            uses.append(Use(key="dam", words=f"{dam:g} cm wide, a little proud of the filling",
                            ml=sum(dam_ml(one, filling, dam, proud_cm=PROUD_CM)
                                   for one in levels) * count,
                            grams=None, wants=SPREAD, house="buttercream", bagged=True))
        elif has.kind(Component.FILLING) == "jam" and filling > SLIDES_CM:
            findings.append(warn("finish_slides", "Jam thicker than 0.5 cm slides out.",
                                 hint="Hold it with a dam, or spread it thinner."))
    else:
        filling = filling if joins else 0.0
    bare = Body(outline=cake.outline, height_cm=sum(
        one.height_cm for one in cake.layers) + joins * filling)
    hollow = _hollow(cake, bare, chosen, uses, findings)
    body, coats = _coats(cake, bare, chosen, has, uses)
    crumb, top, side = coats
    glazed = chosen.glaze if chosen.glaze is not None else (
        top == 0 and has.kind(Component.GLAZE) is not None)
    if glazed:
        stays = glaze_ml(body) * count
        uses.append(Use(
            key="glaze", words="poured; what runs off is caught and counted in",
            ml=stays * practice("glaze_made").value, grams=None,
            wants=(Component.GLAZE, Component.COATING), house="glaze"))
    drips = _drips(body, chosen, glazed, count, uses, findings)
    border = _border(body, chosen, count, uses)
    _press(body, chosen, count, uses)
    if chosen.rolled:
        disc = cover_disc_cm(body)
        uses.append(Use(key="cover", words=f"rolled out to {disc:.0f} cm, 0.4 cm thick",
                        ml=math.pi * disc**2 / 4 * practice("cover").value * count, grams=None,
                        wants=(), house="fondant"))
    return Dressed(
        cake=cake, bare=bare, body=body, soak_share=soak, filling_cm=filling, dam_cm=dam,
        crumb_cm=crumb, coat_top_cm=top, coat_side_cm=side, glazed=glazed, drips=drips,
        drip_cm=_or(chosen.drip_cm, "drip_length") if drips else 0.0,
        pitch_cm=_or(chosen.pitch_cm, "drip_pitch") if drips else 0.0, border=border,
        border_cm=_border_cm(chosen) if border else 0.0, hollow_ml=hollow,
        hollow_cm=(chosen.hollow_cm or 0.0) if hollow else 0.0,
        hollow_high_cm=(chosen.hollow_high_cm or 0.0) if hollow else 0.0, uses=tuple(uses),
        findings=tuple(findings))


LEAST_WALL_CM = 2.5
"""A wall round a hollow so thick holds; practice, 2 to 4."""


def _hollow(cake: Cake, bare: Body, chosen: Finishing, uses: list[Use],
            findings: list[Finding]) -> float:
    """Return what a chamber takes out of one cake, ml; the same goes in as filling."""
    wide, high = chosen.hollow_cm, chosen.hollow_high_cm
    if wide is None or high is None or cake.kind is not CakeKind.STACK:
        return 0.0
    wall = (2 * math.sqrt(bare.top_cm2 / math.pi) - wide) / 2
    lid = bare.height_cm - high
    if wall <= 0 or lid <= 0:
        findings.append(stop("finish_hollow", f"{cake.label}: a hollow of {wide:g} cm across and "
                             f"{high:g} cm high leaves no cake round it.",
                             hint="Take a smaller one."))
        return 0.0
    if min(wall, lid) < LEAST_WALL_CM:
        findings.append(warn("finish_hollow_thin", f"{cake.label}: the hollow leaves a wall of "
                             f"{wall:.1f} cm and {lid:.1f} cm over it; under 2.5 cm it gives way.",
                             hint="A smaller hollow; keep a lid from the top layer."))
    ml = math.pi * wide**2 / 4 * high
    uses.append(Use(key="hollow", words=f"a hollow {wide:g} cm across, {high:g} cm high",
                    ml=ml * cake.count, grams=None, wants=(Component.FILLING, *SPREAD),
                    house="cream"))
    return ml


def _levels(cake: Cake) -> list[Outline]:
    """Return the outline at every join: that of the smaller of the two layers that meet."""
    return [min((below.outline, above.outline), key=lambda one: one.area())
            for below, above in zip(cake.layers, cake.layers[1:], strict=False)]


def _soak(cake: Cake, chosen: Finishing, has: Has, uses: list[Use]) -> float:
    share = chosen.soak if chosen.soak is not None else (
        has.soak if Component.SOAK in has.kinds else 0.0)
    if share > 0:
        each = cake.mass_g * share / max(1, len(cake.layers))
        uses.append(Use(key="soak", words=f"{each:.0f} g on each layer", ml=0.0,
                        grams=cake.mass_g * share * cake.count, wants=(Component.SOAK,),
                        house="syrup"))
    return share


def _coats(cake: Cake, bare: Body, chosen: Finishing, has: Has, uses: list[Use],
           ) -> tuple[Body, tuple[float, float, float]]:
    kind = has.kind(*SPREAD)
    usual = Coat.NONE if kind is None else (
        Coat.FULL if cake.kind is CakeKind.STACK else Coat.TOP)
    coat = chosen.coat or usual
    if coat is Coat.NONE:
        return bare, (0.0, 0.0, 0.0)
    final = _thick(chosen.coat_cm, kind or "buttercream", "coat")
    side = final if chosen.side_cm is None else chosen.side_cm
    if coat is Coat.NAKED:
        side = practice("coat_naked").value if chosen.side_cm is None else chosen.side_cm
    if coat is Coat.TOP:
        side = 0.0
    crumb = 0.0
    if coat is Coat.FULL and cake.kind is CakeKind.STACK:
        crumb = practice("crumb").value if chosen.crumb_cm is None else chosen.crumb_cm
    if chosen.crumb_cm is not None and coat is not Coat.TOP:
        crumb = chosen.crumb_cm
    crumbed = bare.coated(top_cm=crumb, side_cm=crumb)
    if crumb:
        uses.append(Use(key="crumb", words=f"crumb coat of {crumb:g} cm",
                        ml=coat_ml(bare, top_cm=crumb, side_cm=crumb) * cake.count, grams=None,
                        wants=SPREAD, house="buttercream"))
    where = {Coat.TOP: "on top alone", Coat.NAKED: f"sides of {side:g} cm",
             Coat.FULL: "all round"}.get(coat, "")
    ml = coat_ml(crumbed, top_cm=final, side_cm=side) * cake.count
    uses.append(Use(key="coat", words=f"coat of {final:g} cm, {where}", ml=ml, grams=None,
                    wants=SPREAD, house="buttercream"))
    return crumbed.coated(top_cm=final, side_cm=side), (crumb, crumb + final, crumb + side)


def _drips(body: Body, chosen: Finishing, glazed: bool, count: int, uses: list[Use],
           findings: list[Finding]) -> int:
    if not chosen.drip:
        return 0
    length, pitch = _or(chosen.drip_cm, "drip_length"), _or(chosen.pitch_cm, "drip_pitch")
    if length > body.height_cm:
        findings.append(stop("finish_drip_long", f"A drip of {length:g} cm is longer than the "
                             f"side, {body.height_cm:.1f} cm.", hint="Take shorter drips."))
        length = body.height_cm
    top, down, drips = drip_ml(body, length_cm=length, pitch_cm=pitch, glazed=glazed,
                               edge_ring=chosen.edge_ring)
    uses.append(Use(
        key="drip", words=f"{drips} drips of {length:g} cm"
        + ("" if glazed else ", an edge ring" if chosen.edge_ring else ", 0.25 cm over the top"),
        ml=(top + down) * count, grams=None, wants=(), house="drip"))
    return drips


def _border(body: Body, chosen: Finishing, count: int, uses: list[Use]) -> int:
    if chosen.border is Border.NONE:
        return 0
    width = _border_cm(chosen)
    pieces = border_count(body, width)
    name = {Border.ROSETTE: "rosettes", Border.STAR: "stars", Border.SHELL: "shells"}[chosen.border]
    uses.append(Use(key="border", words=f"{pieces} {name} of {width:g} cm",
                    ml=border_ml(pieces, width, tall=chosen.border is Border.ROSETTE) * count,
                    grams=None, wants=(*SPREAD, Component.FILLING), house="buttercream",
                    bagged=True))
    return pieces


def _border_cm(chosen: Finishing) -> float:
    return _or(chosen.border_cm, f"border_{chosen.border.value}")


def _press(body: Body, chosen: Finishing, count: int, uses: list[Use]) -> None:
    if chosen.press is Press.NONE:
        return
    up = body.height_cm if chosen.press_cm is None else min(chosen.press_cm, body.height_cm)
    area = body.edge_cm * up
    grams = area * practice(f"press_{chosen.press.value}").value
    uses.append(Use(
        key="press", words=f"{chosen.press.value} {up:.1f} cm up the sides, a quarter more in "
        "the tray", ml=0.0, grams=grams * practice("press_tray").value * count,
        wants=(), house="pressed"))


def _small(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    uses: list[Use] = []
    _soak(cake, chosen, has, uses)
    wells = chosen.wells or (OnWells.NONE if has.kind(*SPREAD) is None else OnWells.SWIRL)
    bare = Body(outline=cake.outline, height_cm=cake.layers[0].height_cm)
    if wells is not OnWells.NONE:
        each = practice(f"well_{wells.value}").value
        uses.append(Use(key="swirl", words=f"{cake.count} × {each:g} ml", ml=each * cake.count,
                        grams=None, wants=(*SPREAD, Component.FILLING), house="buttercream",
                        bagged=wells is not OnWells.FLAT))
    if chosen.glaze:
        uses.append(Use(key="glaze", words="on top of each",
                        ml=cake.outline.area() * 0.2 * cake.count, grams=None,
                        wants=(Component.GLAZE, Component.COATING), house="glaze"))
    return Dressed(cake=cake, bare=bare, body=bare, uses=tuple(uses))


def _pieces(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Cut a sheet in pieces and coat each on all its faces."""
    uses: list[Use] = []
    soak = _soak(cake, chosen, has, uses)
    height = cake.layers[0].height_cm
    bare = Body(outline=cake.outline, height_cm=height)
    each = cake.outline.area() / chosen.pieces
    side = math.sqrt(each)
    faces = 2 * each + 4 * side * height
    thick = practice("dip").value if chosen.coat_cm is None else chosen.coat_cm
    wanted = chosen.coat or (None if has.kind(
        Component.COATING, Component.GLAZE, Component.FROSTING) is None else Coat.FULL)
    if wanted not in (None, Coat.NONE):
        # Pieces are shared by count between the coats the card has.
        all_pieces = chosen.pieces * cake.count
        coats = min(max(1, has.counts.get(Component.COATING, 1)), all_pieces)
        for nth in range(coats):
            share = all_pieces // coats + (1 if nth < all_pieces % coats else 0)
            uses.append(Use(
                key="dip" if nth == 0 else f"dip{nth + 1}", nth=nth,
                words=f"{share} pieces of {side:.1f} cm, {thick:g} cm all round, and what stays "
                "in the bath", ml=faces * thick * share, grams=None,
                wants=(Component.COATING, Component.GLAZE, Component.FROSTING), house="ganache"))
    findings = () if side >= 1 else (stop(
        "finish_crumbs", f"{cake.label}: {chosen.pieces} pieces are {side:.1f} cm wide, which is "
        "crumbs.", hint="Cut fewer."),)
    on = thick if any(use.key == "dip" for use in uses) else 0.0
    return Dressed(cake=cake, bare=bare, body=bare, soak_share=soak,
                   coat_top_cm=on, coat_side_cm=on, pieces=chosen.pieces,
                   uses=tuple(uses), findings=findings)


def _thick(given: float | None, kind: str | None, what: str) -> float:
    if given is not None:
        return given
    key = f"{what}_{kind or 'other'}"
    return practice(key if key in _THICK else f"{what}_other").value


_THICK = frozenset(
    f"{what}_{kind}" for what, kinds in (
        ("filling", ("jam", "curd", "ganache", "caramel", "buttercream", "custard", "cream",
                     "cream_cheese", "mousse")),
        ("coat", ("buttercream", "ganache", "cream_cheese", "cream"))) for kind in kinds)


def _or(given: float | None, key: str) -> float:
    return practice(key).value if given is None else given


def top_and_side(dressed: Dressed) -> tuple[float, float]:
    """Return the finished top and side of one cake, cm²."""
    body = dressed.body
    return area_cm2(body.outline, body.grown_cm), edge_cm(
        body.outline, body.grown_cm) * body.height_cm


def all_uses(rows: Sequence[Dressed]) -> list[Use]:
    """Return the uses of all rows, those of one key added up."""
    found: dict[str, Use] = {}
    for row in rows:
        for use in row.uses:
            seen = found.get(use.key)
            found[use.key] = use if seen is None else Use(
                key=use.key, words=f"{seen.words}; {use.words}", ml=seen.ml + use.ml,
                grams=None if seen.grams is None or use.grams is None
                else seen.grams + use.grams, wants=use.wants, house=use.house,
                bagged=use.bagged, nth=use.nth)
    return list(found.values())
