"""The whole of a finish: cakes dressed, components, order of work, what is left, board and box."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.card.lines import Component
from entremet.core.finished.cakes import CakeKind, cakes_of
from entremet.core.finished.choices import Finishing
from entremet.core.finished.in_pans import InPan, batter_in_layers, layers_in_pans
from entremet.core.finished.parts import FinishPart, groups_of, parts_of
from entremet.core.finished.steps import FinishStep, steps_of
from entremet.core.finished.supports import Support, supports_of
from entremet.core.finished.tops import tops_of
from entremet.core.finished.uses import Dressed, Has, Use, all_uses, dress
from entremet.core.finishing.practice import practice
from entremet.core.finishing.sloped import Carved, Cut, Slab, carve, marks, sloped_coat_ml
from entremet.core.ground.findings import Finding, note, ranked, warn
from entremet.core.plan.plan import Plan

BOARDS_CM = (15, 18, 20, 23, 25, 28, 30, 33, 35, 38, 40, 45, 50, 60)
"""Usual sizes of boards; practice."""

BOX_OVER_CM = 2.0
SOAKED = {"oil": "oil", "foam": "foam", "whisked": "whisked", "chiffon": "foam"}


@dataclass(frozen=True, slots=True, kw_only=True)
class CarvedCake:
    """A stack cut to a profile: what stays, what is missing, where the knife goes."""

    carved: Carved
    kept_g: float
    trimmed_g: float
    marks: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishedCake:
    """A cake with what it weighs and stands on."""

    dressed: Dressed
    mass_g: float
    board_cm: float
    box_cm: float
    carved: CarvedCake | None


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


def finish(plan: Plan, chosen: Finishing) -> Finish:
    """Finish the cakes of a fit.

    Parameters
    ----------
    plan : Plan
        The fit.
    chosen : Finishing
        What the baker does to them.
    """
    groups = groups_of(plan.lines)
    kinds: dict[Component, str] = {}
    counts: dict[Component, int] = {}
    for group in groups:
        kinds.setdefault(group.component, group.kind)
        counts[group.component] = counts.get(group.component, 0) + 1
    style = plan.recipe.style
    soak = practice(f"soak_{SOAKED.get(style.key, 'creamed')}").value
    cakes, findings = cakes_of(plan.pans, chosen)
    rows = [dress(cake, chosen, Has(kinds=kinds, soak=soak, counts=counts)) for cake in cakes]
    findings += [one for row in rows for one in row.findings]
    carved = [_carved(row, chosen) for row in rows]
    uses = all_uses([row if cut is None else _carved_uses(row, chosen)
                     for row, cut in zip(rows, carved, strict=True)])
    parts = [*parts_of(groups, uses, chosen.yields),
             *tops_of(plan.lines, rows, plan.source, chosen.top_by)]
    findings += _part_findings(parts, cakes=bool(rows))
    for cut, row in zip(carved, rows, strict=True):
        if cut is not None and chosen.carve is not None:
            findings += [*_missing(cut, row), _wants(chosen.carve, plan, row)]
    if chosen.tiers:
        findings.append(note("finish_tiers", "Tall and heavy cakes want somebody who has done it: "
                             "four hours cold before they are stacked or driven.",
                             hint="Structural supports go on the list for whoever cuts."))
    trim_g = sum((row.cake.trim_g if cut is None else cut.trimmed_g) + _hollowed_g(row)
                 for row, cut in zip(rows, carved, strict=True))
    trim_ml = sum((row.cake.trim_ml * row.cake.count if cut is None
                   else cut.carved.trimmed_ml) + row.hollow_ml * row.cake.count
                  for row, cut in zip(rows, carved, strict=True))
    total = sum(part.needed_g.value for part in parts)
    whole = sum(row.cake.mass_g * row.cake.count for row in rows) or 1.0
    done = [_finished(row, total * row.cake.mass_g / whole, cut)
            for row, cut in zip(rows, carved, strict=True)]
    return Finish(
        cakes=tuple(done), parts=tuple(parts), trim_g=trim_g, trim_ml=trim_ml,
        trim_words=_trim_words(trim_g), steps=tuple(steps_of(rows, parts)) if rows else (),
        findings=ranked(findings),
        in_pans=(*layers_in_pans(plan), *batter_in_layers(plan, chosen.batter_layers)),
        supports=tuple(supports_of(rows)) if chosen.tiers else ())


def _finished(row: Dressed, on_it_g: float, cut: CarvedCake | None) -> FinishedCake:
    body = row.body
    wide = 2 * math.sqrt(body.top_cm2 / math.pi) if row.cake.kind is not CakeKind.STACK else (
        body.outline.widest() + 2 * body.grown_cm)
    least = wide + 2 * practice("board").value
    board = next((size for size in BOARDS_CM if size >= least - 0.75), math.ceil(least))
    high = body.height_cm + (row.border_cm * 0.7 if row.border else 0.0)
    cake_g = (row.cake.mass_g if cut is None else cut.kept_g) - _hollowed_g(row) / max(
        1, row.cake.count)
    return FinishedCake(
        dressed=row, mass_g=cake_g + on_it_g / max(1, row.cake.count), board_cm=float(board),
        box_cm=math.ceil((high + 1.2 + BOX_OVER_CM) * 2) / 2, carved=cut)


def _carved(row: Dressed, chosen: Finishing) -> CarvedCake | None:
    if chosen.carve is None or row.cake.kind is not CakeKind.STACK:
        return None
    slabs: list[Slab] = []
    for place, layer in enumerate(row.cake.layers):
        radius = math.sqrt(layer.outline.area() / math.pi)
        if place and row.filling_cm:
            slabs.append(Slab(radius_cm=radius, height_cm=row.filling_cm, cake=False))
        slabs.append(Slab(radius_cm=radius, height_cm=layer.height_cm))
    found = carve(slabs, chosen.carve)
    share = found.kept_ml / found.stack_ml if found.stack_ml > 0 else 0.0
    return CarvedCake(carved=found, kept_g=row.cake.mass_g * share,
                      trimmed_g=row.cake.mass_g * (1 - share),
                      marks=tuple(marks(chosen.carve, every_cm=max(
                          2.0, chosen.carve.height_cm / 6))))


def _carved_uses(row: Dressed, chosen: Finishing) -> Dressed:
    """Return a carved cake's uses: its coats follow the profile and not the stack."""
    cut = chosen.carve
    if cut is None:
        return row
    final = row.coat_top_cm - row.crumb_cm
    crumb = practice("crumb_carved").value if row.crumb_cm else 0.0
    uses: list[Use] = []
    for use in row.uses:
        if use.key == "crumb":
            use = replace(use, ml=sloped_coat_ml(cut, crumb), words=f"crumb coat of {crumb:g} cm")
        elif use.key == "coat":
            use = replace(use, ml=sloped_coat_ml(cut, crumb + final) - (
                sloped_coat_ml(cut, crumb) if crumb else 0.0),
                words=f"coat of {final:g} cm along the cut side")
        uses.append(use)
    return replace(row, uses=tuple(uses))


def _hollowed_g(row: Dressed) -> float:
    """Return what a hollow takes out of all cakes of a row, grams."""
    if row.hollow_ml <= 0:
        return 0.0
    volume = sum(one.outline.area() * one.height_cm for one in row.cake.layers)
    return row.cake.mass_g * min(1.0, row.hollow_ml / volume) * row.cake.count


def _wants(cut: Cut, plan: Plan, row: Dressed) -> Finding:
    """Say how much batter a cake of that size wants of this recipe."""
    style = plan.recipe.style
    whole = carve([Slab(radius_cm=60, height_cm=cut.height_cm)], cut).kept_ml
    filling = math.pi * (cut.foot_cm / 2) ** 2 * row.filling_cm * row.cake.joins
    grams = max(0.0, whole - filling) / style.rise.value * style.density.value
    has = sum(one.standing.batter_g * one.entry.count for one in plan.pans
              if one.standing is not None)
    return note("finish_carve_wants", f"A cake of this size is {whole:.0f} ml: {grams:.0f} g of "
                f"this batter if nothing were cut off; this stack has {has:.0f} g.",
                numbers={"wanted_g": grams, "has_g": has},
                hint="A dense batter carves best; chill it before the knife.")


def _missing(cut: CarvedCake, row: Dressed) -> list[Finding]:
    return [warn("finish_carve_missing", f"{row.cake.label}: from {low:g} to {high:g} cm the "
                 "profile stands outside the stack; cake is missing there.",
                 hint="Take wider pans there, another layer, or a smaller profile.")
            for low, high in cut.carved.missing]


def _part_findings(parts: Sequence[FinishPart], *, cakes: bool) -> list[Finding]:
    found = []
    for part in parts:
        if part.short and part.factor is not None:
            found.append(warn("finish_short", f"{part.title}: {part.enough_for}",
                              subject=part.title, numbers={"factor": part.factor}))
        elif cakes and not part.uses and not part.house:
            found.append(note("finish_unused", f"{part.title}: {part.enough_for}",
                              subject=part.title))
        elif part.factor is not None and part.factor < 0.5:
            found.append(note("finish_over", f"{part.title}: {part.enough_for}",
                              subject=part.title, numbers={"factor": part.factor}))
    return found


def _trim_words(trim_g: float) -> str:
    if trim_g < 20:
        return ""
    cups = max(1, round(trim_g / 40))
    return f"crumbs to press on, or {cups} trifle cups"
