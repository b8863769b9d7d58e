"""What a finish answers: the cakes to draw, components, order of work. Grams are unrounded."""

from __future__ import annotations

from pydantic import Field

from entremet.core.card.finish import Finishing
from entremet.core.dressing.cakes import CakeKind
from entremet.core.dressing.uses import InJoin
from entremet.core.finished.steps import FinishStep
from entremet.core.finished.supports import Stacked, Support
from entremet.core.ground.findings import Finding
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut


class FinishedLayerOut(Out):
    """A layer from the foot upwards."""

    outline: list[str] = Field(description="polygons as SVG points, cm from the middle")
    width_cm: float
    height_cm: float
    mass_g: float
    pan: str


class ProfilePointOut(Out):
    """A point of a drawn half profile."""

    up_cm: float
    wide_cm: float


class CarvedOut(Out):
    """A stack cut to a profile."""

    foot_cm: float
    top_cm: float
    cut_high_cm: float
    kept_g: float
    trimmed_g: float
    marks: list[tuple[float, float]] = Field(description="height and width for the knife, cm")
    drawn: list[ProfilePointOut] = Field(description="of a drawn profile, from the foot upwards")


class CoverLayerOut(Out):
    """A layer that a wanted shape can be cut from; no pan where the rack has none that covers."""

    pan: int | None
    label: str
    beside: int = Field(description="so many side by side")
    height_cm: float
    wide_cm: float = Field(description="what it has to cover")
    batter_g: float = Field(description="in each pan")


class ServingOut(Out):
    """How a cake is cut, on its finished top."""

    outline: list[str] = Field(description="polygons as SVG points, cm from the middle")
    cuts: list[str] = Field(description="lines as SVG points, cm")
    pieces: int
    origin: ProvenanceOut = Field(description="of the number of pieces")
    portion: str
    words: str


class FinishedCakeOut(Out):
    """A cake as it stands, with what is on and in it, to be drawn."""

    label: str
    kind: CakeKind
    count: int
    layers: list[FinishedLayerOut]
    height_cm: float = Field(description="finished, without border and board")
    width_cm: float = Field(description="finished, at its widest")
    tube_cm: float
    mass_g: float
    top_cm2: float
    side_cm2: float
    hollow_cm: float
    hollow_high_cm: float
    soak_share: float
    soak_hot: bool = Field(description="over the warm, pierced cake before it cools")
    filling_cm: float = Field(description="all that lies in a join")
    fillings: list[InJoin] = Field(description="each thing in a join, from below")
    dam_cm: float
    crumb_cm: float
    coat_top_cm: float = Field(description="crumb coat and final coat")
    coat_side_cm: float
    final_top_cm: float
    glazed: bool
    drips: int
    drip_cm: float
    pitch_cm: float
    border: int
    border_cm: float
    dome_cm: float
    fruit_cm: float = Field(description="what lay in the pan first, within a layer")
    turned_over: bool
    pieces: int
    split: int = Field(description="layers cut from each baked one")
    board_cm: float
    box_cm: float
    carved: CarvedOut | None
    cover: list[CoverLayerOut] = Field(description="what a carved one could be cut from")
    serving: ServingOut | None


class EnlargedOut(Out):
    """A thing made as a cake: its size, the layers it is cut from, what it takes."""

    factor: float
    length_cm: float
    width_cm: float
    height_cm: float
    is_round: bool
    layers: list[CoverLayerOut]
    kept_g: float = Field(description="batter of the cake itself")
    batter_g: float = Field(description="batter of all layers, with what is cut off")
    coat_g: float = Field(description="buttercream for one coat all round")
    board_cm: float
    findings: list[Finding]
    origins: dict[str, ProvenanceOut]


class UsedForOut(Out):
    """Where a component goes."""

    key: str
    words: str
    grams: float


class MadeFromOut(Out):
    """A line of a component, at what is made; ``count`` where it is counted."""

    name: str
    was_g: float | None
    g: float
    count: str


class FinishPartOut(Out):
    """A component: was, now, needed, for what it is enough."""

    key: str
    title: str
    kind: str
    house: bool
    was_g: float | None
    now_g: float | None
    needed_g: float
    spare_g: float
    make_g: float
    factor: float | None
    enough_for: str
    short: bool
    kept_share: float = Field(description="left of it once it is made")
    uses: list[UsedForOut]
    made_from: list[MadeFromOut]
    ready: str
    use_at: str
    holds: str
    put_right: str
    origins: dict[str, ProvenanceOut]


class InPanLineOut(Out):
    """An ingredient of a layer in a pan, grams in each."""

    name: str
    g: float


class InPanOut(Out):
    """What goes into each of a row of pans beside its batter, by ingredient."""

    pan: str
    first: bool
    lines: list[InPanLineOut]


class OwnFinishOut(Out):
    """How the recipe finishes its own cakes: a fit where nothing is chosen does the same."""

    finish: Finishing = Field(description="what the card says; open fields follow its amounts")
    settled: bool = Field(description="whether the baker settled it on the card")
    said: list[str] = Field(description="sentences of its method that say so; empty: assumed")
    version: int = Field(description="newest revision of the card")


class FinishOut(Out):
    """Everything after the oven."""

    own: OwnFinishOut
    cakes: list[FinishedCakeOut]
    components: list[FinishPartOut]
    trim_g: float
    trim_ml: float
    trim_words: str
    steps: list[FinishStep]
    findings: list[Finding]
    in_pans: list[InPanOut]
    supports: list[Support]
    drenched: float = Field(description="share of its weight that a drenched cake drinks")
    stacked: Stacked | None = Field(description="tiers as they stand on one board; null for none")
