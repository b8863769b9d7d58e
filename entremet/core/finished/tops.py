"""Things counted or scattered on top: by the finished top or its edge, not by pans."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.card.lines import Component
from entremet.core.finished.choices import TopBy
from entremet.core.finished.kinds import words_of_heading
from entremet.core.finished.parts import FinishPart, MadeFrom, UsedFor
from entremet.core.finished.uses import Dressed
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.finishing.practice import practice
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.fitting.source import Source
from entremet.core.ground.provenance import worked_out
from entremet.core.measures.units import Unit
from entremet.core.pans.pan import Pan, PanKind

WORDS = {TopBy.AREA: "by the finished top", TopBy.EDGE: "by the edge of the finished top",
         TopBy.CARD: "as the card has it for each cake"}


def tops_of(lines: Sequence[ScaledLine], rows: Sequence[Dressed], source: Source,
            by: TopBy) -> list[FinishPart]:
    """Return what lies on top of the finished cakes, by its headings.

    Parameters
    ----------
    lines : sequence of ScaledLine
        The card's lines as scaled.
    rows : sequence of Dressed
        Cakes as dressed.
    source : Source
        The recipe in its own pans, whose tops its amounts are for.
    by : TopBy
        What it goes by.
    """
    own = [line for line in lines
           if line.line.component is Component.DECORATION and line.included]
    ratio = _ratio(rows, source, by)
    found: dict[str, list[ScaledLine]] = {}
    for line in own:
        found.setdefault(line.line.heading, []).append(line)
    return [_part(heading, group, 1.0 if ratio is None else ratio, by, place)
            for place, (heading, group) in enumerate(found.items())]


def _ratio(rows: Sequence[Dressed], source: Source, by: TopBy) -> float | None:
    """Return the finished tops over the recipe's own; None where either is not known."""
    pans = [one for one in source.filled if isinstance(one.vessel.pan, Pan)]
    if not rows or not pans or len(pans) < len(source.filled):
        return None
    leaves = practice("leaves_wall").value

    def own(pan: Pan, count: int) -> float:
        cakes = 1 if pan.kind is PanKind.FLAT else count
        match by:
            case TopBy.AREA:
                return area_cm2(pan.rim, -leaves) * cakes
            case TopBy.EDGE:
                return edge_cm(pan.rim, -leaves, outer_only=True) * cakes
            case TopBy.CARD:
                return float(cakes)

    def now(row: Dressed) -> float:
        match by:
            case TopBy.AREA:
                return row.body.top_cm2 * row.cake.count
            case TopBy.EDGE:
                return row.body.edge_cm * row.cake.count
            case TopBy.CARD:
                return float(row.cake.count)

    was = sum(own(one.vessel.pan, one.count) for one in pans
              if isinstance(one.vessel.pan, Pan))
    return sum(now(row) for row in rows) / was if was > 0 else None


def _part(heading: str, lines: Sequence[ScaledLine], ratio: float, by: TopBy,
          place: int) -> FinishPart:
    made = []
    for line in lines:
        was = None if line.recipe_g is None else line.recipe_g.value
        amount = line.line.amount
        counted = amount is not None and amount.unit is Unit.PIECE
        made.append(MadeFrom(
            name=line.line.name, was_g=was, g=0.0 if was is None else was * ratio,
            count=str(max(1, round(amount.value * ratio)))
            if counted and amount is not None else ""))
    total = sum(one.g for one in made)
    was_g = sum(one.was_g or 0.0 for one in made)
    words = WORDS[by]
    return FinishPart(
        key=f"decoration-{place}", title=words_of_heading(heading) or "Decoration",
        kind="other", house=False, was_g=was_g or None, now_g=None,
        needed_g=worked_out(total, f"the card's amount × {ratio:.2f}, {words}"),
        spare_g=worked_out(0.0, "none"), made_from=tuple(made), factor=None, short=False,
        uses=(UsedFor(key="top", words=f"{words}, {ratio:.2f} times the card's", grams=total),),
        enough_for=f"On top, {words}.")
