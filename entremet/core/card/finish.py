"""How a cake is finished after the oven, on a card and in a fit; what is open goes by practice."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, fields
from enum import Enum
from itertools import pairwise
from typing import Annotated, ClassVar

from pydantic import ConfigDict, Field

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm, cm_to
from entremet.core.ground.shape import CLOSED, Flag, Number, Whole
from entremet.core.measures.lengths import Length


class Profile(Enum):
    """What a stack is cut to."""

    TAPER = "taper"
    ROUNDED = "rounded"
    BALL = "ball"
    EGG = "egg"
    DRAWN = "drawn"


class Level(Enum):
    """What happens to the tops of layers."""

    EDGE = "edge"
    LEAVE = "leave"
    TO = "to"


class Coat(Enum):
    """How a cake is coated."""

    FULL = "full"
    NAKED = "naked"
    TOP = "top"
    NONE = "none"


class Border(Enum):
    """What is piped along the edge."""

    NONE = "none"
    ROSETTE = "rosette"
    STAR = "star"
    SHELL = "shell"


class Press(Enum):
    """What is pressed against the sides."""

    NONE = "none"
    FLAKES = "flakes"
    CRUMBS = "crumbs"
    NUTS = "nuts"
    SPRINKLES = "sprinkles"


class TopBy(Enum):
    """What goes on top, or is pressed on, by which part of the finished cake."""

    AREA = "area"
    EDGE = "edge"
    SIDES = "sides"
    ALL = "all"
    CARD = "card"


class Dipped(Enum):
    """Which faces of a piece are coated."""

    ALL = "all"
    NO_FOOT = "no_foot"
    TOP = "top"


class OnWells(Enum):
    """What goes on small cakes."""

    SWIRL = "swirl"
    FLAT = "flat"
    MINI = "mini"
    NONE = "none"


BOUNDS = {
    "level_cm": (0.5, 30), "dome_cm": (0, 8), "filling_cm": (0, 6), "dam_cm": (0, 5),
    "crumb_cm": (0, 1), "coat_cm": (0, 4), "side_cm": (0, 4), "drip_cm": (0.5, 40),
    "pitch_cm": (1, 10), "press_cm": (0, 100), "border_cm": (0.5, 10),
    "hollow_cm": (1, 80), "hollow_high_cm": (0.5, 100), "soak": (0, 1.5), "piece_cm": (1, 60)}
"""Least and most of every number, cm; a share for the soak."""

MOST_SPLITS, MOST_STACKED = 8, 6


MOST_DRAWN = 24
"""Points of a drawn profile."""


def check_drawn(drawn: Sequence[tuple[float, float]], *, field: str = "carve.drawn") -> None:
    """Refuse a half profile that is none.

    Parameters
    ----------
    drawn : sequence of (float, float)
        Heights and widths, cm: from 0 upwards, each height above the last.

    Raises
    ------
    ImpossibleChoice
        Naming what is wrong with it.
    """
    if not 2 <= len(drawn) <= MOST_DRAWN:
        raise ImpossibleChoice(f"A drawn profile has 2 to {MOST_DRAWN} points.", field=field)
    if not all(math.isfinite(number) for point in drawn for number in point):
        raise ImpossibleChoice("A drawn profile is made of numbers.", field=field)
    if drawn[0][0] != 0 or any(high - low < 0.05 for (low, _), (high, _) in pairwise(drawn)):
        raise ImpossibleChoice("A drawn profile goes from the foot, at 0, upwards.", field=field)
    if not 1 <= drawn[-1][0] <= 150 or not all(0 <= wide <= 150 for _, wide in drawn):
        raise ImpossibleChoice(f"What is drawn is {cm_to(1, 150)} high and up to {cm(150)} wide.",
                               field=field)


@dataclass(frozen=True, slots=True, kw_only=True)
class ProfilePoint:
    """A point of a drawn half profile: how far up from the foot, and how wide there, cm."""

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    up_cm: Number
    wide_cm: Number


@dataclass(frozen=True, slots=True, kw_only=True)
class Carving:
    """What a stack is cut to; measures left open are those of the stack itself, cm.

    ``drawn`` has heights and widths of a half profile; one left open starts as the stack stands.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    profile: Profile
    foot_cm: Annotated[Length | None, Field(description="null cuts to the stack itself")] = None
    top_cm: Length | None = None
    height_cm: Length | None = None
    drawn: Annotated[tuple[ProfilePoint, ...], Field(
        max_length=MOST_DRAWN,
        description="from the foot upwards; empty starts as the stack stands")] = ()

    def __post_init__(self) -> None:
        if self.drawn:
            check_drawn(self.points, field="finishing.carve.drawn")
        for name in ("foot_cm", "top_cm", "height_cm"):
            value = getattr(self, name)
            least = 0.0 if name == "top_cm" else 1.0
            if value is not None and not (math.isfinite(value) and least <= value <= 150):
                raise ImpossibleChoice(
                    f"The {name.removesuffix('_cm')} of what is carved is {cm_to(least, 150)}.",
                    field=f"finishing.carve.{name}")

    @property
    def points(self) -> tuple[tuple[float, float], ...]:
        """What was drawn, as heights and widths."""
        return tuple((one.up_cm, one.wide_cm) for one in self.drawn)


@dataclass(frozen=True, slots=True, kw_only=True)
class Finishing:
    """Choices after the oven; None takes the usual for what the card has.

    Parameters
    ----------
    level : Level
        To the edge, left as it is, or to ``level_cm``; to the half centimetre below where open.
    level_cm, dome_cm : float or None
        Height wanted; middle less edge as measured.
    split : int or None
        Layers cut from each baked one; None cuts a single layer once if the card fills it.
    stack : int
        A sheet cut in so many equal pieces that are stacked; 1 leaves it whole.
    pieces : int
        A sheet cut in so many pieces that are coated one by one; 0 leaves it whole.
    piece_cm : float or None
        How wide a piece is, counted square: how many there are follows from the sheet, and
        ``pieces`` says only that it is cut.
    dipped : Dipped
        Faces of a piece that are coated, and rolled in what lies on top.
    joined : bool
        Whether all flat pans make one stack and not a cake for each row.
    soak : float or None
        Share of the layers' mass.
    soak_hot : bool or None
        Whether it is poured over the warm, pierced cake before that cools.
    filling_cm, dam_cm, crumb_cm, coat_cm, side_cm : float or None
        Thicknesses, and the width of the dam.
    fillings_cm : mapping of str to float
        By key of a component, how thick it lies in a join on the filling before it.
    coat : Coat or None
        How it is coated.
    glaze, drip, edge_ring, rolled : bool or None
        A poured glaze, a drip, only round the edge, a rolled cover.
    turned_over : bool or None
        Whether what lay in the pan first comes to lie on top; None turns a cake that has such a
        layer.
    drip_cm, pitch_cm : float or None
        Length and distance of drips.
    press, press_cm : Press, float or None
        What is pressed on, and how far up; None all the way.
    border, border_cm : Border, float or None
        What is piped, and how wide.
    wells : OnWells or None
        What goes on small cakes.
    carve : Carving or None
        What the stack is cut to.
    hollow, hollow_cm, hollow_high_cm : bool, float or None
        Whether a round chamber is cut out and filled; its width and height, else as its walls bear.
    tiers : bool
        Whether the rows stand on each other, each on its own board.
    top_by : TopBy
        Whether what lies on top goes by the finished top, its edge, the sides it is pressed on,
        top and sides, or the card's cakes.
    batter_layers : int
        Layers the batter goes into its pan in, with what is folded in lying between them.
    yields : mapping of str to float
        By key of a component, what share of it is left once cooked, strained or reduced.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    level: Level = Level.EDGE
    level_cm: Length | None = None
    dome_cm: Annotated[Length | None, Field(description="middle less edge, at the rack")] = None
    split: Annotated[Whole | None, Field(
        description="layers cut from each baked one; "
        "null cuts a single one once if the card fills it")] = None
    stack: Annotated[Whole, Field(description="a sheet cut in so many pieces that are stacked")] = 1
    pieces: Annotated[Whole, Field(description="a sheet cut in so many pieces that are coated")] = 0
    piece_cm: Annotated[Length | None, Field(
        description="how wide a piece is; how many follows from the sheet")] = None
    dipped: Annotated[Dipped, Field(description="faces of a piece that are coated")] = Dipped.ALL
    joined: Annotated[Flag, Field(description="all flat pans in one stack")] = False
    soak: Annotated[Number | None, Field(description="share of the layers' mass")] = None
    soak_hot: Annotated[Flag | None, Field(
        description="poured over the warm, pierced cake before it cools")] = None
    filling_cm: Length | None = None
    fillings_cm: Annotated[Mapping[str, Length], Field(
        max_length=20, description="by key of a component, what lies in a join on the first "
        "filling; what is not named lies as thick as the card's amount of it")] = field(
            default_factory=dict)
    dam_cm: Annotated[Length | None, Field(description="width of the dam")] = None
    crumb_cm: Length | None = None
    coat: Coat | None = None
    coat_cm: Length | None = None
    side_cm: Annotated[Length | None, Field(
        description="sides, where they differ from the top")] = None
    glaze: Flag | None = None
    drip: Flag = False
    drip_cm: Length | None = None
    pitch_cm: Length | None = None
    edge_ring: Annotated[Flag, Field(description="the drip only round the edge of the top")] = False
    rolled: Annotated[Flag, Field(description="a rolled cover")] = False
    turned_over: Annotated[Flag | None, Field(
        description="what lay in the pan first on top; "
        "null turns a cake that has such a layer")] = None
    press: Press = Press.NONE
    press_cm: Annotated[Length | None, Field(description="how far up; null is all the way")] = None
    border: Border = Border.NONE
    border_cm: Length | None = None
    wells: OnWells | None = None
    carve: Carving | None = None
    hollow: Annotated[Flag, Field(description="a round chamber cut out and filled")] = False
    hollow_cm: Length | None = None
    hollow_high_cm: Length | None = None
    tiers: Annotated[Flag, Field(description="the rows stand on each other")] = False
    top_by: Annotated[TopBy, Field(description="what counted things on top go by")] = TopBy.AREA
    batter_layers: Annotated[Whole, Field(description="layers the batter goes into its pan in")] = 1
    yields: Annotated[Mapping[str, Number], Field(
        max_length=20,
        description="by key of a component, the share left once it is made")] = field(
            default_factory=dict)

    def __post_init__(self) -> None:
        for name, (least, most) in BOUNDS.items():
            value = getattr(self, name)
            if value is not None and not (math.isfinite(value) and least <= value <= most):
                raise ImpossibleChoice(
                    f"{name.removesuffix('_cm').capitalize()} goes from "
                    f"{cm_to(least, most) if name.endswith('_cm') else f'{least:g} to {most:g}'}.",
                    field=f"finishing.{name}")
        if self.split is not None and not 1 <= self.split <= MOST_SPLITS:
            raise ImpossibleChoice(f"A layer is split in 1 to {MOST_SPLITS}.",
                                   field="finishing.split")
        if not 1 <= self.stack <= MOST_STACKED:
            raise ImpossibleChoice(f"A sheet is cut in 1 to {MOST_STACKED} to be stacked.",
                                   field="finishing.stack")
        if not 0 <= self.pieces <= 400:
            raise ImpossibleChoice("A sheet is cut in up to 400 pieces.",
                                   field="finishing.pieces")
        if not 1 <= self.batter_layers <= MOST_SPLITS:
            raise ImpossibleChoice(f"Batter goes in 1 to {MOST_SPLITS} layers.",
                                   field="finishing.batter_layers")
        least, most = BOUNDS["filling_cm"]
        for key, thick in self.fillings_cm.items():
            if not least <= thick <= most:
                raise ImpossibleChoice(f"A filling goes from {cm_to(least, most)}.",
                                       field=f"finishing.fillings_cm.{key}")
        for key, share in self.yields.items():
            if not 0.05 <= share <= 3:
                raise ImpossibleChoice("A component keeps 5 to 300 % of its weight.",
                                       field=f"finishing.yields.{key}")


AS_USUAL = Finishing()


def finish_words(finish: Finishing | None) -> str:
    """Return what a finish settles, in words; empty where nothing is settled.

    >>> from entremet.core.ground.quantities import plain
    >>> plain(finish_words(Finishing(split=2, coat=Coat.NAKED, filling_cm=0.7)))
    'split 2, filling 0.7 cm, coat naked'
    """
    if finish is None or finish == AS_USUAL:
        return ""
    told = []
    for one in fields(finish):
        value = getattr(finish, one.name)
        if value == getattr(AS_USUAL, one.name):
            continue
        name = one.name.removesuffix("_cm").replace("_", " ")
        match value:
            case bool():
                told.append(name if value else f"no {name}")
            case Enum():
                told.append(f"{name} {value.value.replace('_', ' ')}")
            case float() if one.name.endswith("_cm"):
                told.append(f"{name} {cm(value)}")
            case int() | float():
                told.append(f"{name} {value:g}")
            case Carving():
                told.append(f"carved to a {value.profile.value}")
            case _:
                told.append(name)
    return ", ".join(told)
