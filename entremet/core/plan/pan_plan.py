"""Every chosen pan of a plan: filled, judged, timed, cut and prepared."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.baking.bakes import Bake, BakeWay, bake_all, pan_heat
from entremet.core.baking.findings import oven_findings, pace_findings, shelf_findings
from entremet.core.baking.source_bake import SourceBake
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.findings import pan_findings
from entremet.core.fitting.patted import CutOut, cut_out
from entremet.core.fitting.portions import Portion, pieces_of
from entremet.core.fitting.rules import Entry
from entremet.core.fitting.sharing import Place
from entremet.core.fitting.source import Source
from entremet.core.fitting.standing import Standing, Verdict, VerdictCode, verdict_on
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, warn
from entremet.core.ground.provenance import Figure
from entremet.core.pans.cuts import Cut, cut_of
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.plan.batch import Batch
from entremet.core.plan.reasons import learnt_words, likely_figure, time_reasons
from entremet.core.preparing.lining import Preparation, lining_of, sweetness_of

TIMED_VERDICTS = frozenset({VerdictCode.DEEPER, VerdictCode.SHALLOWER, VerdictCode.OVER_LIMIT})


@dataclass(frozen=True, slots=True, kw_only=True)
class PanPlan:
    """One chosen pan, filled, judged and timed as far as it can be.

    Parameters
    ----------
    entry : Entry
        As chosen.
    place : Place or None
        None where it cannot be filled; a finding says why.
    standing, verdict : Standing or None, Verdict or None
        How the batter stands, and what to think of it.
    depth_change : float or None
        What settling the eggs did to its depth, as a share.
    bake : Bake or None
        None where no time can be given.
    minutes_moved : float or None
        Time with nothing learnt, less the recipe's own: what another depth costs.
    likely : Figure or None
        Likely time in minutes, with the fact it comes from.
    why : tuple of str
        Facts behind the time.
    pieces : int or None
        Portions one of it gives; None where nobody cuts it.
    cut : Cut or None
        How it is cut, where there is a plan to draw it on.
    lining : tuple of Preparation
        What to do to it before the batter goes in.
    cut_out : CutOut or None
        Rounds from dough that is patted out.
    """

    entry: Entry
    place: Place | None = None
    standing: Standing | None = None
    verdict: Verdict | None = None
    depth_change: float | None = None
    bake: Bake | None = None
    minutes_moved: float | None = None
    likely: Figure | None = None
    why: tuple[str, ...] = ()
    pieces: int | None = None
    cut: Cut | None = None
    lining: tuple[Preparation, ...] = ()
    cut_out: CutOut | None = None

    @property
    def verdict_text(self) -> str:
        """The verdict, and what another depth costs in time."""
        if self.verdict is None:
            return ""
        moved = self.minutes_moved
        if moved is None or self.verdict.code not in TIMED_VERDICTS or abs(moved) < 0.5:
            return self.verdict.text()
        return self.verdict.text(
            time=f"About {abs(moved):.0f} min {'longer' if moved > 0 else 'sooner'}.")


def pan_plans(entries: Sequence[Entry], places: Sequence[Place], standings: Sequence[Standing], *,
              batch: Batch, recipe: Recipe, source: Source, baked: SourceBake | None,
              way: BakeWay, portion: Portion | None,
              ) -> tuple[tuple[PanPlan, ...], list[Finding]]:
    """Judge, time, cut and prepare every chosen pan.

    Parameters
    ----------
    entries : sequence of Entry
        All that were chosen.
    places, standings : sequence of Place, sequence of Standing
        Those that can be filled, and how the batter stands in each.
    batch, recipe, source, baked, way, portion
        What the plan rests on.
    """
    notes: list[Finding] = []
    verdicts = [verdict_on(place.vessel, standing, source, recipe.style)
                for place, standing in zip(places, standings, strict=True)]
    for place, standing, verdict in zip(places, standings, verdicts, strict=True):
        notes += pan_findings(place, entries[place.entry], standing, verdict,
                              own_dough=source.is_dough)
    notes += shelf_findings([(place.entry, entries[place.entry].label, place.vessel.pan)
                             for place in places], way.oven)
    bakes, bake_notes = _bakes(entries, places, standings, recipe, baked, way,
                              own_dough=source.is_dough)
    notes += bake_notes
    plans = [PanPlan(entry=entry) for entry in entries]
    sweet = sweetness_of(recipe)
    option = batch.option
    for i, (place, standing, verdict) in enumerate(zip(places, standings, verdicts, strict=True)):
        entry, bake = entries[place.entry], bakes.get(place.entry)
        learnt = [] if bake is None else learnt_words(bake)
        pieces = None if portion is None else pieces_of(place.vessel.pan, standing, portion)
        plans[place.entry] = PanPlan(
            entry=entry, place=place, standing=standing, verdict=verdict,
            depth_change=option.effect.depth_changes[i] if option is not None else None, bake=bake,
            minutes_moved=_moved(bake, baked),
            likely=None if bake is None or baked is None else likely_figure(bake, baked, learnt),
            why=() if bake is None or baked is None
            else time_reasons(bake, baked, way.oven, way.treatment, learnt),
            pieces=pieces, cut=_cut(place, pieces),
            lining=lining_of(place.vessel, standing, recipe.style, entry.count,
                             sweetness=sweet),
            cut_out=_cut_out(place, entry, notes))
    return tuple(plans), notes


def _bakes(entries: Sequence[Entry], places: Sequence[Place], standings: Sequence[Standing],
           recipe: Recipe, baked: SourceBake | None,
           way: BakeWay, *, own_dough: bool) -> tuple[dict[int, Bake], list[Finding]]:
    if baked is None:
        return {}, []
    heats = [heat for place, standing in zip(places, standings, strict=True)
             if (heat := pan_heat(place.entry, place.vessel, standing, way.treatment,
                              baked.constants, own_dough=own_dough,
                              key=entries[place.entry].key)) is not None]
    found = bake_all(heats, baked, way)
    return {bake.entry: bake for bake in found}, [
        *pace_findings(recipe, baked),
        *oven_findings(baked, found, way, [entry.label for entry in entries])]


def _cut(place: Place, pieces: int | None) -> Cut | None:
    pan = place.vessel.pan
    if pieces is None or not isinstance(pan, Pan) or pan.kind is PanKind.WELLS:
        return None
    return cut_of(pan.rim, pieces)


def _cut_out(place: Place, entry: Entry, notes: list[Finding]) -> CutOut | None:
    pan = place.vessel.pan
    if entry.cutter_cm is None or not isinstance(pan, Pan) or not pan.patted:
        return None
    try:
        return cut_out(pan, entry.cutter_cm)
    except ImpossibleChoice as error:
        notes.append(warn("no_cutter", f"{entry.label}: {error.text} No rounds are counted.",
                          subject=entry.label, entry=place.entry, field="cutter_cm"))
        return None


def _moved(bake: Bake | None, baked: SourceBake | None) -> float | None:
    if bake is None or bake.facts is None or baked is None or baked.likely_min is None:
        return None
    return bake.facts.expected_min - baked.likely_min
