"""A pan as it was typed: lengths as numbers or as text, read into measures in centimetres."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, ClassVar

from pydantic import ConfigDict, Field

from entremet.core.ground.shape import CLOSED, Flag, Number, Whole
from entremet.core.measures.lengths import read_length_cm
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.pans.pan import PanFinish
from entremet.core.pans.shapes import MOST_POINTS

AsTyped = Number | str
"""A length: a number of centimetres, or text such as "8 in"."""

_Corner = Annotated[tuple[Number, ...], Field(min_length=2, max_length=2)]


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedPan:
    """Inside measures of a pan as they were typed; they become measures when they are read.

    What each of them is, :class:`entremet.core.pans.measures.PanMeasures` says. A measure that
    cannot be read is a finding of its pan and no error of the fit, so text is let in.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    outline: OutlineName
    label: Annotated[str, Field(max_length=80)] = ""
    across: AsTyped | None = None
    width: AsTyped | None = None
    tube: AsTyped | None = None
    corner: AsTyped = 0.0
    rim_across: AsTyped | None = None
    rim_width: AsTyped | None = None
    rim_tube: AsTyped | None = None
    wall_cm: AsTyped | None = None
    wells: Whole = 1
    flutes: Whole = 0
    finish: PanFinish = PanFinish.BRIGHT
    capacity_ml: Number | None = None
    sides: Whole = 6
    points: Annotated[tuple[_Corner, ...], Field(max_length=MOST_POINTS)] = ()
    loose_base: Flag = False
    patted: Flag = False

    def measures(self) -> PanMeasures:
        """Read the measures into centimetres.

        Raises
        ------
        UnreadableAmount
            Naming the measure that is no length.
        """
        return PanMeasures(
            outline=self.outline, across=_cm(self.across, "across"),
            width=_cm(self.width, "width"), tube=_cm(self.tube, "tube"),
            corner=read_length_cm(self.corner, field="corner"),
            rim_across=_cm(self.rim_across, "rim_across"),
            rim_width=_cm(self.rim_width, "rim_width"), rim_tube=_cm(self.rim_tube, "rim_tube"),
            wall_cm=_cm(self.wall_cm, "wall_cm"), wells=self.wells, flutes=self.flutes,
            finish=self.finish, capacity_ml=self.capacity_ml, sides=self.sides,
            points=tuple((x, y) for x, y in self.points), loose_base=self.loose_base,
            patted=self.patted)


def _cm(value: AsTyped | None, field: str) -> float | None:
    return None if value is None else read_length_cm(value, field=field)
