"""By how much each kind of line grows: batter by volume, layers by area, coats by top and side."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field

from entremet.core.card.lines import Line, ScalesBy
from entremet.core.ground.findings import Finding, note
from entremet.core.ground.wording import listed
from entremet.core.pans.pan import AnyPan, Pan, PanKind

AREAS = (ScalesBy.TOP_AREA, ScalesBy.JOINS, ScalesBy.TOP_AND_SIDE, ScalesBy.PERIMETER)

WORDS = {
    ScalesBy.TOP_AREA: "top area", ScalesBy.JOINS: "joins",
    ScalesBy.TOP_AND_SIDE: "top and side", ScalesBy.PERIMETER: "perimeter",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Baked:
    """Cakes of one pan: how many, and how high they stand when baked; None where not known."""

    pan: AnyPan
    count: int
    risen_cm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Extents:
    """What fillings, coats and borders go by, in cm² and cm; a kind is missing where not known."""

    sizes: Mapping[ScalesBy, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Factors:
    """By how much each kind of line grows; what has no factor of its own goes by the batter.

    ``powder`` is the share of its baking powder that a batter gets; ``finish`` has, by line key,
    the factor of what the finished cakes decide.
    """

    batter: float
    base_area: float
    pieces: float
    others: Mapping[ScalesBy, float]
    powder: float = 1.0
    finish: Mapping[int, float] = field(default_factory=dict)

    def of(self, line: Line) -> float:
        """Return the factor of a line."""
        if line.key in self.finish:
            return self.finish[line.key]
        match line.scales_by:
            case ScalesBy.FIXED:
                return 1.0
            case ScalesBy.BASE_AREA:
                return self.base_area
            case ScalesBy.PIECES:
                return self.pieces
            case _:
                return self.others.get(line.scales_by, self.batter)


def extents(cakes: Sequence[Baked], *, joins: int | None = None) -> Extents:
    """Measure cakes for what goes between, on and around them.

    Flat pans of one row are layers of one cake: n of them have n - 1 joins, a single one is cut
    once. Every ring, loaf and cupcake is a cake of its own. Tops are taken at the rim.

    Parameters
    ----------
    cakes : sequence of Baked
        All rows of a fit, or of a recipe.
    joins : int or None
        All joins together, where the baker says; spread evenly over the rows.
    """
    if not cakes:
        return Extents(sizes={})
    sizes: dict[ScalesBy, float | None] = dict.fromkeys(AREAS, 0.0)
    for cake in cakes:
        for kind, size in _of_row(cake, None if joins is None else joins / len(cakes)).items():
            so_far = sizes[kind]
            sizes[kind] = None if size is None or so_far is None else so_far + size
    return Extents(sizes={kind: size for kind, size in sizes.items() if size})


def piece_factor(source: Sequence[Baked], target: Sequence[Baked]) -> float | None:
    """Return how many times the recipe's cakes there are; None where the recipe has none.

    A cupcake is no whole cake: where one side has wells and the other has not, cakes are counted
    by their top, or one for one where a pan has no measures.
    """
    pieces = sum(cake.count for cake in source)
    if not pieces:
        return None
    wells = all(cake.pan.kind is PanKind.WELLS for cake in source)
    tops = [cake.pan.rim.area() for cake in source if isinstance(cake.pan, Pan)]
    usual = sum(tops) / len(tops) if tops else None

    def whole(cake: Baked) -> float:
        alike = (cake.pan.kind is PanKind.WELLS) is wells
        if alike or usual is None or not isinstance(cake.pan, Pan):
            return float(cake.count)
        return cake.count * cake.pan.rim.area() / usual

    return sum(whole(cake) for cake in target) / pieces


def usual_joins(cakes: Sequence[Baked]) -> int:
    """Return how many joins there are when nobody says: see :func:`extents`."""
    return sum(_usual_joins(cake) for cake in cakes)


def growth(source: Extents, target: Extents) -> dict[ScalesBy, float]:
    """Return the factor of every kind that both sides know."""
    return {kind: size / source.sizes[kind] for kind, size in target.sizes.items()
            if kind in source.sizes}


def growth_findings(lines: Sequence[Line], known: Mapping[ScalesBy, float],
                    joins: int | None, finish: Mapping[int, float]) -> Iterator[Finding]:
    """Yield what is assumed about joins, and what goes by the batter for want of measures.

    ``finish`` has the factor of what the finished cakes decide, by line key.
    """
    by_kind: dict[ScalesBy, list[str]] = {}
    for line in lines:
        if line.scales_by in AREAS and line.amount is not None and line.key not in finish:
            by_kind.setdefault(line.scales_by, []).append(line.name.lower())
    for kind, names in by_kind.items():
        if kind not in known:
            yield note("grows_by_batter", f"{listed(names)}: to grow by {WORDS[kind]}; not every "
                       "pan is measured, so it grows with the batter.",
                       hint="Give one inside measure of each pan.")
    filled = any(line.scales_by is ScalesBy.JOINS and line.amount is not None for line in lines)
    if filled and ScalesBy.JOINS in known and joins is None:
        yield note("joins_assumed", "Filling: pans of one kind are taken as layers of one cake, a "
                   "single one as cut once.", subject="joins",
                   hint="Set the joins, or say in Finish how it is stacked.")


def _usual_joins(cake: Baked) -> int:
    return max(1, cake.count - 1) if cake.pan.kind is PanKind.FLAT else cake.count


def _of_row(cake: Baked, joins: float | None) -> dict[ScalesBy, float | None]:
    pan, count = cake.pan, cake.count
    if not isinstance(pan, Pan):
        return dict.fromkeys(AREAS)
    top, around = pan.rim.area(), pan.perimeter_cm(pan.wall_cm.value)
    layers = pan.kind is PanKind.FLAT
    number = 1 if layers else count
    side: float | None = 0.0
    if pan.kind is not PanKind.WELLS:
        side = None if cake.risen_cm is None else around * cake.risen_cm * count
    between = _usual_joins(cake) if joins is None else joins
    return {
        ScalesBy.TOP_AREA: top * count, ScalesBy.PERIMETER: around * number,
        ScalesBy.JOINS: pan.layer_area_cm2 * between,
        ScalesBy.TOP_AND_SIDE: None if side is None else top * number + side,
    }
