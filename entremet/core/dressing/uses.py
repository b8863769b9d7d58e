"""What each part of a finish takes, in ml or grams, and what it is spread, poured or piped from."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from entremet.core.card.finish import Finishing
from entremet.core.card.lines import Component
from entremet.core.dressing.cakes import Cake
from entremet.core.finishing.coats import Body
from entremet.core.finishing.practice import PRACTICE, practice
from entremet.core.finishing.sloped import Carved, SlopedCut
from entremet.core.ground.findings import Finding

SPREAD = (Component.FROSTING, Component.COATING)
"""What a cake is coated with, in order of preference."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Use:
    """One use of a component on the cakes of a row.

    Parameters
    ----------
    key : str
        What it is: filling, dam, crumb, coat, drip and so on.
    words : str
        With its size, for the baker.
    ml : float
        What stays on all cakes; 0 where ``grams`` says it.
    grams : float or None
        Where the amount is known by weight.
    wants : tuple of Component
        Components of the card it is made from, in order of preference.
    house : str
        House formula that stands in where the card has none.
    over : float or None
        Share that is made over what stays; None takes the usual spare of what is spread.
    bagged : bool
        Whether it is piped.
    nth : int
        Which of several components of that kind it is made from.
    """

    key: str
    words: str
    ml: float = 0.0
    grams: float | None = None
    wants: tuple[Component, ...] = ()
    house: str
    over: float | None = None
    bagged: bool = False
    nth: int = 0

    def grams_of(self, kind: str) -> float:
        """Return what stays on the cakes in grams, made as that kind."""
        return self.ml * practice(f"density_{kind}").value if self.grams is None else self.grams


@dataclass(frozen=True, slots=True, kw_only=True)
class InJoin:
    """One of the things that lie between layers: key of its component, and how thick it lies."""

    component: str
    thick_cm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class CarvedCake:
    """A stack cut to a profile: the profile, what stays, where the knife goes."""

    cut: SlopedCut
    carved: Carved
    kept_g: float
    trimmed_g: float
    marks: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Hollow:
    """A round chamber cut out of a cake and filled."""

    ml: float
    wide_cm: float
    high_cm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Dressed:
    """A cake with its sizes as it is dressed.

    Parameters
    ----------
    cake : Cake
        The layers.
    bare, body : Body
        Before and after its coats; of the whole stack where it is carved.
    soak_share, fillings, dam_cm, crumb_cm, final_top_cm, final_side_cm : float
        What is on and in it; all that lies in a join from below; the final coat without the
        crumb coat.
    soak_hot : bool
        Whether it is soaked warm, before it cools.
    drips, drip_cm, pitch_cm : int, float, float
        The drip.
    border, border_cm : int, float
        Pieces piped along the edge.
    pieces, faces_cm2 : int, float
        Pieces a sheet is cut in, 0 for a whole cake; the faces of all of them that are coated.
    hollow : Hollow or None
        A chamber in it.
    carved : CarvedCake or None
        What carving leaves of it.
    uses : tuple of Use
        What it takes.
    findings : tuple of Finding
        What cannot be, or wants care.
    """

    cake: Cake
    bare: Body
    body: Body
    soak_share: float = 0.0
    fillings: tuple[InJoin, ...] = ()
    dam_cm: float = 0.0
    soak_hot: bool = False
    crumb_cm: float = 0.0
    final_top_cm: float = 0.0
    final_side_cm: float = 0.0
    glazed: bool = False
    drips: int = 0
    drip_cm: float = 0.0
    pitch_cm: float = 0.0
    border: int = 0
    border_cm: float = 0.0
    pieces: int = 0
    faces_cm2: float = 0.0
    hollow: Hollow | None = None
    carved: CarvedCake | None = None
    uses: tuple[Use, ...] = ()
    findings: tuple[Finding, ...] = ()

    @property
    def filling_cm(self) -> float:
        """How thick a join is, with all that lies in it."""
        return sum(one.thick_cm for one in self.fillings)

    @property
    def hollowed_g(self) -> float:
        """What a chamber takes out of one cake, grams."""
        if self.hollow is None:
            return 0.0
        volume = sum(one.outline.area() * one.height_cm for one in self.cake.layers)
        return self.cake.mass_g * min(1.0, self.hollow.ml / volume)

    @property
    def cake_g(self) -> float:
        """What is left of its layers, grams."""
        kept = self.cake.mass_g if self.carved is None else self.carved.kept_g
        return kept - self.hollowed_g


@dataclass(frozen=True, slots=True, kw_only=True)
class Has:
    """What the card has to put on a cake.

    Parameters
    ----------
    kinds : dict of Component to str
        What each is made as; a missing one is not on the card.
    counts : dict of Component to int
        How many of each there are, each under its own heading.
    fillings : tuple of (str, str)
        Key and kind of all that lies between layers, in the order of the card.
    soak : float
        Usual soak of this batter, share of the layers' mass.
    """

    kinds: dict[Component, str]
    counts: dict[Component, int] = field(default_factory=dict)
    fillings: tuple[tuple[str, str], ...] = ()
    soak: float = 0.0

    def kind(self, *wants: Component) -> str | None:
        """Return the kind of the first component there is."""
        return next((self.kinds[one] for one in wants if one in self.kinds), None)


def soak_of(cake: Cake, chosen: Finishing, has: Has, *, kept: float = 1.0) -> list[Use]:
    """Return the soak of a cake: a share of what stays of its layers."""
    share = soak_share(chosen, has)
    if share <= 0:
        return []
    each = cake.mass_g * kept * share / max(1, len(cake.layers))
    return [Use(key="soak", words=f"{each:.0f} g on each layer", over=0.0,
                grams=cake.mass_g * kept * share * cake.count, wants=(Component.SOAK,),
                house="syrup")]


def soak_share(chosen: Finishing, has: Has) -> float:
    """Return what share of the layers' mass is drunk in: as chosen, or usual if the card soaks."""
    if chosen.soak is not None:
        return chosen.soak
    return has.soak if Component.SOAK in has.kinds else 0.0


def soaks_hot(chosen: Finishing, has: Has) -> bool:
    """Say whether what is soaked is soaked warm, before it cools."""
    return bool(chosen.soak_hot) and soak_share(chosen, has) > 0


def is_glazed(chosen: Finishing, has: Has, *, coated: bool) -> bool:
    """Say whether a glaze is poured: as chosen, else where the card has one and nothing else."""
    if chosen.glaze is not None:
        return chosen.glaze
    return not coated and Component.GLAZE in has.kinds


def thick_cm(given: float | None, kind: str | None, what: str) -> float:
    """Return a thickness: as given, or usual for what it is made as."""
    if given is not None:
        return given
    key = f"{what}_{kind}"
    return practice(key if key in PRACTICE else f"{what}_other").value


def usual_or(given: float | None, key: str) -> float:
    """Return a number as given, or the usual one."""
    return practice(key).value if given is None else given


def all_uses(rows: Sequence[Dressed]) -> list[Use]:
    """Return the uses of all rows, those of one key added up."""
    found: dict[str, Use] = {}
    for row in rows:
        for use in row.uses:
            seen = found.get(use.key)
            found[use.key] = use if seen is None else replace(
                seen, words=f"{seen.words}; {use.words}", ml=seen.ml + use.ml,
                grams=None if seen.grams is None or use.grams is None
                else seen.grams + use.grams)
    return list(found.values())
