"""What a fit answers. Grams are unrounded; ``shown`` is what to read out at the bench."""

from __future__ import annotations

from pydantic import Field

from entremet.core.at_the_oven.card import CardPhase
from entremet.core.baking.window import Window
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.choosing.compare import ComparedRow
from entremet.core.fitting.patted import CutOut
from entremet.core.fitting.rules import EggChoice, Raising, Rule
from entremet.core.fitting.scaled_lines import ScaledPart
from entremet.core.fitting.scaled_steps import ScaledStep
from entremet.core.fitting.standing import VerdictCode
from entremet.core.ground.findings import Finding, Severity
from entremet.core.method.notes import MethodNotes
from entremet.core.mixing.mixes import MixPart
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.measures import PanMeasures
from entremet.core.pans.pan import PanFinish, PanKind
from entremet.core.preparing.lining import Preparation
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut
from entremet.kitchen.api.schemas.pans import DrawingOut


class FitLineOut(Out):
    """A line, was and now."""

    id: int
    name: str
    heading: str = Field(description="the card's own over it; empty where it has none")
    component: Component
    scales_by: ScalesBy
    optional: bool
    included: bool
    was: str
    swapped_from: str
    recipe_g: float | None
    g: float | None
    factor: float
    shown: str
    shown_g: str | None
    shown_measure: str | None
    measure_leads: bool
    parts: list[ScaledPart]
    origins: dict[str, ProvenanceOut]


class EggOptionOut(Out):
    """One way to settle the eggs."""

    choice: EggChoice
    same_as: list[EggChoice]
    text: str
    count: float
    beaten_g: float
    factor: float
    depth_change: float
    depth_changes: list[float | None]
    over_limit: bool
    leftover_g: float
    effect: str


class EggsOut(Out):
    """The eggs that lead, and the ways to settle them."""

    line: int
    name: str
    recipe_count: float
    count: float
    beaten_g: float
    total_g: float = Field(description="all of them, without shells")
    choice: EggChoice
    text: str
    options: list[EggOptionOut]


class FitPanOut(Out):
    """A chosen pan, filled. Heights are in cm from the bottom of the pan, except batter_cm."""

    pan: int | None = Field(description="id on the rack; null for measures")
    label: str
    count: int
    owned: int | None
    wells: int
    kind: PanKind | None
    finish: PanFinish | None
    capacity_ml: float | None
    rule: Rule | None
    rule_fill: float | None
    rule_grams: float | None
    rule_depth_cm: float | None
    rule_height_cm: float | None
    batter_g_each: float | None
    batter_cm: float | None = Field(description="depth of the batter above a base layer")
    layer_g_each: float | None
    top_g_each: float | None
    layer_cm: float | None
    stands_cm: float | None
    risen_cm: float | None
    fill: float | None = Field(description="share of the room above a base layer")
    fill_limit: float | None
    depth_change: float | None
    verdict: str
    verdict_code: VerdictCode | None
    verdict_severity: Severity | None
    drawing: DrawingOut | None
    pieces_each: int | None = Field(description="portions of one; null where nobody cuts it")
    cuts: list[str] = Field(description="lines of the cut as SVG points, as the plan")
    lining: list[Preparation]
    patted: bool
    cut_out: CutOut | None
    laid: list[str] = Field(description="middles of things laid in whole, as SVG points")
    laid_cm: float | None = Field(description="width of one of them")
    origins: dict[str, ProvenanceOut]


class SpreadOut(Out):
    """A cause that widens the window."""

    cause: str
    share: float


class FitBakeOut(Out):
    """The bake of the pan at the same place; minutes are null where there are none to give."""

    pan: int | None
    label: str
    oven_c: float | None = Field(description="heat as a conventional oven")
    dial: str | None
    written: str | None = Field(description="the recipe's setting where it reads otherwise")
    alone_dial: str | None = Field(description="setting this pan would have alone")
    first_look_min: int | None
    early_min: int | None
    likely_min: int | None
    latest_min: int | None
    exact: Window | None
    phases: list[CardPhase] = Field(description="one where nothing changes on the way")
    spread: list[SpreadOut] = Field(description="what the width of the window adds up from")
    crust: str = Field(description="against the recipe's own, in words")
    origins: dict[str, ProvenanceOut]
    why: list[str]


class SourcePanOut(Out):
    """A pan of the recipe as the recipe fills it."""

    label: str
    count: int
    kind: PanKind
    batter_g_each: float
    batter_cm: float | None
    layer_cm: float | None
    stands_cm: float | None
    wall_assumed: bool
    drawing: DrawingOut | None


class SourceOut(Out):
    """The recipe as it is written."""

    batter_g: float
    pans: list[SourcePanOut]
    oven: str | None
    oven_c: float | None
    time: str | None


class FitOvenOut(Out):
    """The oven of the fit."""

    id: int | None
    name: str
    kind: OvenKind
    kind_words: str
    has_dial: bool
    dial_off_c: float
    dial: Scale = Field(description="what its dial counts in")
    dial_step: float
    dial_lowest: float
    dial_highest: float
    set_to: float | None = Field(description="setting of the pan that leads; null without a dial")


class VariantOut(Out):
    """A variant of the card."""

    key: int
    name: str


class InsteadOut(Out):
    """A line that leaves a choice; the first name is the one as written."""

    line: int
    chosen: int | None
    names: list[str]


class FitRecipeOut(Out):
    """The recipe of the fit."""

    id: int
    title: str
    style: str
    revision: int
    head: int = Field(description="the newest revision of the card")
    variant: int | None
    variant_name: str
    variants: list[VariantOut]
    instead: list[InsteadOut]
    joins: int | None = Field(description="null where no line goes by joins")
    joins_assumed: bool
    stand_min: float | None
    cooling: str


class MixLineOut(Out):
    """A line in one mix."""

    id: int
    name: str
    g: float | None
    shown_g: str | None
    shown_measure: str | None
    measure_leads: bool
    parts: list[MixPart]


class MixOut(Out):
    """One mix: what goes into the bowl."""

    share: float
    eggs: float | None
    batter_g: float
    in_bowl_ml: float
    lines: list[MixLineOut] = Field(description="empty where one mix takes all lines of the fit")


class FitBowlOut(Out):
    """The bowl of the fit."""

    id: int
    name: str
    capacity_ml: float
    working_ml: float
    tare_g: float | None
    most_g: float = Field(description="batter of this style that one mix may weigh")
    origins: dict[str, ProvenanceOut]


class PortionOut(Out):
    """What the cakes are cut in."""

    key: str
    name: str
    ml: float
    pieces: int = Field(description="of all pans together")
    origins: dict[str, ProvenanceOut]


class StirredOut(Out):
    """A line stirred into a share."""

    name: str
    written: str
    g: float | None
    shown: str


class SharePanOut(Out):
    """Pans of a share."""

    entry: int
    label: str
    count: int
    g_each: float


class ShareOut(Out):
    """A share of the batter."""

    name: str
    part: float
    batter_g: float
    total_g: float
    stirred: list[StirredOut]
    pans: list[SharePanOut]
    steps: list[str]


class WholeOut(Out):
    """Things of a line that come whole: opened, or laid in the pans."""

    line: int
    name: str
    count: int
    text: str
    across_cm: float | None


class AimOut(Out):
    """What the rule aims at, where it goes by a number of its own."""

    depth_cm: float | None
    height_cm: float | None
    egg_count: float | None
    servings: int | None
    factor: float | None = Field(description="how many times the recipe, where that is chosen")


class CautionsOut(Out):
    """The usual cautions, by the step they belong to."""

    weigh: list[str]
    bake: list[str]


class FitOut(Out):
    """A fit. Before rounding: batter_g = pans + leftover_g + bowl_loss_g."""

    recipe: FitRecipeOut
    source: SourceOut
    oven: FitOvenOut
    factor: float | None
    batter_g: float | None
    bowl_loss_g: float | None
    leftover_g: float | None
    weighed_g: float | None = Field(description="what is really in the bowls, where it was "
                                    "weighed; it then takes the place of batter_g")
    aim: AimOut
    raising: Raising
    raising_bites: bool = Field(description="whether the schools of baking powder differ here")
    bowl: FitBowlOut | None
    mixes: list[MixOut]
    portion: PortionOut | None
    shares: list[ShareOut]
    opened: list[WholeOut]
    laid: list[WholeOut]
    may_lay: list[int] = Field(description="lines whose things could be laid in whole")
    origins: dict[str, ProvenanceOut]
    why: list[str]
    eggs: EggsOut | None
    lines: list[FitLineOut]
    steps: list[ScaledStep]
    method: MethodNotes = Field(description="what the steps ask for, and what may be late")
    pans: list[FitPanOut]
    bakes: list[FitBakeOut]
    findings: list[Finding]
    done_when: list[str]
    cautions: CautionsOut


class EntryOut(Out):
    """A pan of the rack and how many; wells, for a tray.

    ``held`` keeps it at the recipe's own depth, whatever else is in the bowl.
    """

    pan: int
    label: str
    count: int
    held: bool


class OpenedOut(Out):
    """A pan a fit opens with; wells, for a tray."""

    pan: int | None = Field(description="its id on the rack; null goes by its measures")
    measures: PanMeasures | None
    label: str
    count: int
    held: bool


class OpeningOut(Out):
    """What a fit opens with, and why."""

    into: list[OpenedOut]
    rule: Rule
    egg_count: float | None
    words: str


class SetOut(Out):
    """A set of pans that takes the recipe, fitted."""

    into: list[EntryOut]
    rule: Rule
    egg_count: float | None
    factor: float
    deviation: float
    words: str
    leftover_g: float
    left_into: list[EntryOut]
    also: list[str] = Field(description="sets of the same pans with other walls")
    fit: FitOut


class SetsOut(Out):
    """Sets of free pans for a recipe, best first."""

    offers: list[SetOut]
    order: str


class CompareOut(Out):
    """Two fits side by side."""

    one: FitOut
    other: FitOut
    rows: list[ComparedRow]
