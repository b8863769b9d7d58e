"""The whole of a finish: cakes dressed, components, order of work, what is left, board and box."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.dressing.cakes import BakedPan, CakeKind
from entremet.core.dressing.carved import batter_wanted_g
from entremet.core.dressing.components import has_of
from entremet.core.dressing.dress import dress_all
from entremet.core.dressing.pans import baked_places, baked_source
from entremet.core.dressing.sized import CoverLayer, pans_for_cut
from entremet.core.dressing.uses import CarvedCake, Dressed, all_uses
from entremet.core.finished.in_pans import InPan, batter_in_layers, layers_in_pans
from entremet.core.finished.parts import FinishPart, Group, groups_of, parts_of
from entremet.core.finished.serving import Serving, serving_of
from entremet.core.finished.steps import FinishStep, steps_of
from entremet.core.finished.supports import (
    Stacked,
    Support,
    Tier,
    box_for,
    in_order,
    load_findings,
    own_board_cm,
    stacked_of,
    supports_of,
)
from entremet.core.finished.tops import tops_of
from entremet.core.finishing.coats import GLAZED_SIDE_CM, GLAZED_TOP_CM
from entremet.core.finishing.practice import practice
from entremet.core.fitting.portions import OWN, portion_of
from entremet.core.ground.findings import Finding, note, ranked, warn
from entremet.core.pans.pan import AnyPan, Pan
from entremet.core.plan.plan import Plan

BOARDS_CM = (15, 18, 20, 23, 25, 28, 30, 33, 35, 38, 40, 45, 50, 60)
"""Usual sizes of boards; practice. The next one up, or one that falls short by under 0.75 cm."""

BOARD_SHORT_CM = 0.75

PRESSED_CM = 0.3
"""What is pressed on the sides adds so much on each; practice, 0.1 to 0.5."""

PIPED_HIGH = 0.7
"""Height of a piped piece over its width; practice, 0.6 to 0.8."""

TRIFLE_G, LEAST_TRIM_G = 40.0, 20.0
"""Cake in a trifle cup, and what is too little to speak of; practice."""

OVER_HALF = 0.5
"""A component of which less than this is wanted is said to be much over; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishedCake:
    """A cake with what it weighs and stands on; width and height as finished, cm.

    ``high_cm`` is with its dome and what is piped on it; board and box go by all that covers it.

    ``serving`` is how it is cut; ``cover`` are layers in pans of the rack that a carved one could
    be cut from with the least cut off.
    """

    dressed: Dressed
    mass_g: float
    width_cm: float
    height_cm: float
    high_cm: float
    board_cm: float
    box_cm: float
    serving: Serving | None = None
    cover: tuple[CoverLayer, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Finish:
    """Everything after the oven.

    Parameters
    ----------
    cakes : tuple of FinishedCake
        A row each.
    parts : tuple of FinishPart
        Components, the card's own first.
    trim_g, trim_ml : float
        Cut off, all cakes together.
    trim_words : str
        What it is good for.
    steps : tuple of FinishStep
        The order of work.
    findings : tuple of Finding
        Gravest first.
    in_pans : tuple of InPan
        What lies under or on the batter of each pan, by ingredient.
    supports : tuple of Support
        What stands under the tiers.
    stacked : Stacked or None
        The whole that tiers make.
    """

    cakes: tuple[FinishedCake, ...]
    parts: tuple[FinishPart, ...]
    trim_g: float
    trim_ml: float
    trim_words: str
    steps: tuple[FinishStep, ...]
    findings: tuple[Finding, ...]
    in_pans: tuple[InPan, ...] = ()
    supports: tuple[Support, ...] = ()
    stacked: Stacked | None = None

    def whole_of(self, cake: FinishedCake) -> tuple[FinishedCake, ...]:
        """Return all that is sold as one with a cake: the tiers it is stacked with, or itself."""
        if self.stacked is None or cake.dressed.cake.kind is not CakeKind.STACK:
            return (cake,)
        return tuple(one for one in self.cakes if one.dressed.cake.kind is CakeKind.STACK)


def finish(plan: Plan, *, rack: Sequence[AnyPan] = ()) -> Finish:
    """Finish the cakes of a fit as its baker chose.

    Parameters
    ----------
    plan : Plan
        The fit.
    rack : sequence of AnyPan
        Pans the kitchen owns, to say which would do for a carved cake.
    """
    chosen = plan.finishing
    groups = groups_of(plan.lines)
    has = has_of([line.line for line in plan.lines if line.included], plan.recipe.style.key)
    pans = _baked(plan)
    rows, findings = dress_all(pans, chosen, has, joins=None if plan.joins_assumed else plan.joins)
    own, _ = dress_all(baked_source(plan.source, plan.recipe.style), plan.own_finish.finishing, has)
    usual, _ = dress_all(pans, plan.usual_finishing, has,
                         joins=None if plan.joins_assumed else plan.joins)
    made = parts_of(groups, all_uses(rows), chosen.yields, own=plan.own_finish,
                    usual=all_uses(usual), as_recipe=chosen == plan.own_finish.finishing)
    tops = tops_of(plan.lines, rows, own, chosen.top_by)
    findings += [one for row in rows for one in row.findings]
    findings += [_wants(row, row.carved, plan) for row in rows if row.carved is not None]
    findings += _part_findings(made, cakes=bool(rows))
    if chosen.tiers:
        findings.append(note("finish_tiers", "Tall and heavy cakes want somebody who has done it: "
                             "four hours cold before they are stacked or driven.",
                             hint="Structural supports go on the list for whoever cuts."))
    trim_g = sum((row.cake.trim_g if row.carved is None else row.carved.trimmed_g)
                 * row.cake.count + row.hollowed_g * row.cake.count for row in rows)
    trim_ml = sum(((row.cake.trim_ml if row.carved is None else row.carved.carved.trimmed_ml)
                   + (0.0 if row.hollow is None else row.hollow.ml)) * row.cake.count
                  for row in rows)
    parts = [*made, *tops]
    cakes = [_served(_finished(row, rows, made, tops), plan, rack) for row in rows]
    tiers = [_tier(cake) for cake in cakes
             if chosen.tiers and cake.dressed.cake.kind is CakeKind.STACK]
    supports = supports_of(tiers)
    findings += load_findings(supports)
    return Finish(
        cakes=tuple(_on_own_board(cake, tiers) for cake in cakes),
        parts=tuple(parts),
        trim_g=trim_g, trim_ml=trim_ml, trim_words=_trim_words(trim_g),
        steps=tuple(steps_of(rows, parts, _names(groups, parts))) if rows else (),
        findings=ranked(findings),
        in_pans=(*layers_in_pans(plan), *batter_in_layers(plan, chosen.batter_layers)),
        supports=tuple(supports), stacked=stacked_of(tiers))


def _tier(cake: FinishedCake) -> Tier:
    return Tier(label=cake.dressed.cake.label, wide_cm=cake.dressed.cake.outline.widest(),
                width_cm=cake.width_cm, height_cm=cake.height_cm, high_cm=cake.high_cm,
                mass_g=cake.mass_g)


def _on_own_board(cake: FinishedCake, tiers: Sequence[Tier]) -> FinishedCake:
    """Return a cake with the board of a tier: the foot's is a cake's, upper ones their width."""
    own = _tier(cake)
    if len(tiers) < 2 or own not in tiers or own == in_order(tiers)[0]:
        return cake
    return replace(cake, board_cm=own_board_cm(own))


def _names(groups: Sequence[Group], parts: Sequence[FinishPart]) -> list[str]:
    """Return the names of all that goes into parts that are used, weighed or not."""
    used = {part.key for part in parts if part.uses}
    return [*(line.line.name for group in groups if group.key in used for line in group.lines),
            *(made.name for part in parts if part.uses for made in part.made_from)]


def board_for(width_cm: float) -> float:
    """Return the board for a finished cake of that width: the next usual size, cm."""
    least = width_cm + 2 * practice("board").value
    return float(next((size for size in BOARDS_CM if size >= least - BOARD_SHORT_CM),
                      math.ceil(least)))


def _baked(plan: Plan) -> list[BakedPan]:
    filled = [(one, one.place, one.standing) for one in plan.pans
              if one.place is not None and one.standing is not None]
    return baked_places([one.entry for one in plan.pans], [place for _, place, _ in filled],
                        [standing for _, _, standing in filled], plan.recipe.style)


def _finished(row: Dressed, rows: Sequence[Dressed], made: Sequence[FinishPart],
              tops: Sequence[FinishPart]) -> FinishedCake:
    body, carved = row.body, row.carved
    width = body.outline.widest() + 2 * body.grown_cm
    height = body.height_cm
    if carved is not None:
        width = carved.cut.widest_cm(0.0, carved.cut.height_cm) + 2 * body.grown_cm
        height = carved.cut.height_cm + body.height_cm - row.bare.height_cm
    over, round_it = (GLAZED_TOP_CM, GLAZED_SIDE_CM) if row.glazed else (0.0, 0.0)
    pressed = any(use.key == "press" for use in row.uses)
    width, height = width + 2 * (round_it + PRESSED_CM * pressed), height + over
    board = board_for(width)
    high = height + row.cake.dome_cm + (row.border_cm * PIPED_HIGH if row.border else 0.0)
    return FinishedCake(
        dressed=row, mass_g=row.cake_g + _on_it_g(row, rows, made, tops), width_cm=width,
        height_cm=height, high_cm=high, board_cm=board, box_cm=box_for(high))


def _served(cake: FinishedCake, plan: Plan, rack: Sequence[AnyPan]) -> FinishedCake:
    """Return a cake with how it is cut, and what a carved one could be cut from."""
    carved, style = cake.dressed.carved, plan.recipe.style
    cover = () if carved is None else pans_for_cut(
        carved.cut, style=style, rack=[one for one in rack if isinstance(one, Pan)])
    portion = plan.portion or portion_of(OWN, source=plan.source, style=style,
                                         servings=plan.recipe.servings)
    return replace(cake, cover=cover, serving=None if portion is None else serving_of(
        cake.dressed, portion, style))


def _on_it_g(row: Dressed, rows: Sequence[Dressed], made: Sequence[FinishPart],
             tops: Sequence[FinishPart]) -> float:
    """Return what stays on and in one cake of a row, grams: its uses, and its share of the tops."""
    kinds = {use.key: part.kind for part in made for use in part.uses}
    own = sum(use.grams_of(kinds[use.key]) for use in row.uses)
    whole = sum(one.body.top_cm2 * one.cake.count for one in rows)
    share = row.body.top_cm2 * row.cake.count / whole
    return (own + share * sum(part.needed_g.value for part in tops)) / row.cake.count


def _wants(row: Dressed, carved: CarvedCake, plan: Plan) -> Finding:
    """Say how much batter a cake of that size wants of this recipe."""
    style = plan.recipe.style
    grams = batter_wanted_g(carved, row.cake, row.filling_cm, rise=style.rise.value,
                            density=style.density.value)
    has = sum(one.standing.batter_g * one.entry.count for one in plan.pans
              if one.standing is not None)
    return note("finish_carve_wants", f"A cake of this size wants {grams:.0f} g of this batter if "
                f"nothing were cut off; this stack has {has:.0f} g.",
                numbers={"wanted_g": grams, "has_g": has},
                hint="A dense batter carves best; chill it before the knife.")


def _part_findings(parts: Sequence[FinishPart], *, cakes: bool) -> list[Finding]:
    found = []
    for part in parts:
        if part.short and part.factor is not None:
            found.append(warn("finish_short", f"{part.title}: {part.enough_for}",
                              subject=part.title, numbers={"factor": part.factor}))
        elif cakes and not part.uses:
            found.append(note("finish_unused", f"{part.title}: {part.enough_for}",
                              subject=part.title))
        elif part.factor is not None and part.factor < OVER_HALF:
            found.append(note("finish_over", f"{part.title}: {part.enough_for}",
                              subject=part.title, numbers={"factor": part.factor}))
    return found


def _trim_words(trim_g: float) -> str:
    if trim_g < LEAST_TRIM_G:
        return ""
    return f"crumbs to press on, or {max(1, round(trim_g / TRIFLE_G))} trifle cups"
