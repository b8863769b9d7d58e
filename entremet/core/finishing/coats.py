"""What lies between, on and round a cake: volumes in ml from its outline and height."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from entremet.core.finishing.offsets import area_cm2, edge_cm, ring_inside_cm2
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm
from entremet.core.pans.outlines import Outline

PROUD_CM = 0.2
"""A dam stands so much above its filling; practice."""

EDGE_RING_SHARE = 0.5
"""Share of a whole poured top that an edge ring of a drip takes; practice."""

DRIP_ML_PER_CM = 0.3
"""Each drip holds so much for each cm it runs; practice, 0.2 to 0.4."""

GLAZED_TOP_CM, GLAZED_SIDE_CM = 0.2, 0.12
"""How thick a poured glaze sets on top and on each side; practice, 0.15 to 0.3 and 0.1 to 0.2."""

BORDER_TALL, BORDER_FLAT = 0.33, 0.2
"""Share of the cube of its width that a piped piece holds, tall or flat; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """A cake as it stands after each coat.

    Parameters
    ----------
    outline : Outline
        The bare cake from above.
    grown_cm : float
        How far coats have moved its edge outwards.
    height_cm : float
        How high it stands now.
    """

    outline: Outline
    height_cm: float
    grown_cm: float = 0.0

    def __post_init__(self) -> None:
        if not (math.isfinite(self.height_cm) and 0 < self.height_cm <= 200):
            raise ImpossibleChoice(f"A cake stands up to {cm(200)} high, and above nothing.",
                                   field="finish")

    @property
    def top_cm2(self) -> float:
        """Area of its top."""
        return area_cm2(self.outline, self.grown_cm)

    @property
    def edge_cm(self) -> float:
        """Length of its outer edge, cm."""
        return edge_cm(self.outline, self.grown_cm, outer_only=True)

    @property
    def side_cm2(self) -> float:
        """Area of its sides, a ring's inner one included."""
        return edge_cm(self.outline, self.grown_cm) * self.height_cm

    @property
    def volume_ml(self) -> float:
        """Everything it holds so far."""
        return self.top_cm2 * self.height_cm

    def coated(self, *, top_cm: float, side_cm: float) -> Body:
        """Return the body with a coat on top and round the sides; either may be nothing."""
        return replace(self, height_cm=self.height_cm + top_cm, grown_cm=self.grown_cm + side_cm)


def coat_ml(body: Body, *, top_cm: float, side_cm: float) -> float:
    """Return what a coat takes: the grown body less the body.

    >>> from entremet.core.pans.outlines import Round
    >>> cake = Body(outline=Round(diameter=20), height_cm=8.4)
    >>> round(coat_ml(cake, top_cm=0.15, side_cm=0.15), 1)
    128.3
    """
    return body.coated(top_cm=top_cm, side_cm=side_cm).volume_ml - body.volume_ml


def filling_ml(outline: Outline, thick_cm: float, *, dam_cm: float = 0.0) -> float:
    """Return what one join takes inside its dam."""
    return max(0.0, area_cm2(outline, -dam_cm)) * thick_cm


def dam_ml(outline: Outline, thick_cm: float, width_cm: float, *, proud_cm: float = 0.0) -> float:
    """Return what a dam takes round one join: a ring inside the edge, as high as the filling."""
    return ring_inside_cm2(outline, width_cm) * (thick_cm + proud_cm) if width_cm > 0 else 0.0


def glaze_ml(body: Body, *, top_cm: float = GLAZED_TOP_CM,
             side_cm: float = GLAZED_SIDE_CM) -> float:
    """Return what a poured glaze leaves on a cake; what runs off is caught and counted apart."""
    return body.top_cm2 * top_cm + body.side_cm2 * side_cm


def drip_ml(body: Body, *, length_cm: float, pitch_cm: float, top_cm: float = 0.25,
            edge_ring: bool = False, glazed: bool = False) -> tuple[float, float, int]:
    """Return what a drip takes on top, down the side, and how many drips there are.

    >>> from entremet.core.pans.outlines import Round
    >>> cake = Body(outline=Round(diameter=20), height_cm=9.05, grown_cm=0.65)
    >>> [round(one) for one in drip_ml(cake, length_cm=4, pitch_cm=2.5)]
    [89, 32, 27]
    """
    count = max(1, round(body.edge_cm / pitch_cm))
    on_top = 0.0 if glazed else body.top_cm2 * top_cm * (EDGE_RING_SHARE if edge_ring else 1.0)
    return on_top, count * DRIP_ML_PER_CM * length_cm, count


def border_count(body: Body, width_cm: float) -> int:
    """Return how many piped pieces of a width stand side by side along the edge of the top."""
    way = edge_cm(body.outline, body.grown_cm - width_cm / 2, outer_only=True)
    return max(0, round(way / width_cm))


def border_ml(count: int, width_cm: float, *, tall: bool) -> float:
    """Return what piped pieces hold together."""
    return count * (BORDER_TALL if tall else BORDER_FLAT) * width_cm**3


def cover_disc_cm(body: Body) -> float:
    """Return the width a rolled cover is rolled out to: over the top, down both sides, and over.

    >>> from entremet.core.pans.outlines import Round
    >>> round(cover_disc_cm(Body(outline=Round(diameter=20), height_cm=9.05, grown_cm=0.65)), 1)
    44.4
    """
    across = 2 * math.sqrt(body.top_cm2 / math.pi)
    return across + 2 * body.height_cm + 2 * 2.5
