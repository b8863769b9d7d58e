"""Things counted or scattered on top: by the finished top or its edge, not by pans."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.card.finish import TopBy
from entremet.core.card.lines import Component
from entremet.core.dressing.growing import top_growth
from entremet.core.dressing.kinds import words_of_heading
from entremet.core.dressing.uses import Dressed
from entremet.core.finished.parts import FinishPart, MadeFrom, UsedFor
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.provenance import worked_out
from entremet.core.measures.units import Unit

WORDS = {TopBy.AREA: "by the finished top", TopBy.EDGE: "by the edge of the finished top",
         TopBy.SIDES: "by the sides it is pressed on", TopBy.ALL: "by top and sides",
         TopBy.CARD: "as the card has it for each cake"}


def tops_of(lines: Sequence[ScaledLine], rows: Sequence[Dressed], own: Sequence[Dressed],
            by: TopBy) -> list[FinishPart]:
    """Return what lies on top of the finished cakes, by its headings.

    Parameters
    ----------
    lines : sequence of ScaledLine
        The card's lines as scaled.
    rows : sequence of Dressed
        Cakes as dressed.
    own : sequence of Dressed
        The recipe's own cakes, whose tops its amounts are for.
    by : TopBy
        What it goes by.
    """
    scattered = [line for line in lines
                 if line.line.component is Component.DECORATION and line.included]
    ratio = top_growth(own, rows, by)
    found: dict[str, list[ScaledLine]] = {}
    for line in scattered:
        found.setdefault(line.line.heading, []).append(line)
    return [_part(heading, group, ratio, by, place)
            for place, (heading, group) in enumerate(found.items())]


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
        enough_for=f"On {'the sides' if by is TopBy.SIDES else 'top'}, {words}.")
