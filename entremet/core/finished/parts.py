"""Components of a finish: was, now, needed, for what it is enough, made from what."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType

from entremet.core.card.lines import Component
from entremet.core.dressing.components import HOUSE_KEY, MADE, served
from entremet.core.dressing.kinds import kind_of, words_of_heading
from entremet.core.dressing.own import BY_PRACTICE, OwnFinish
from entremet.core.dressing.uses import Use
from entremet.core.finishing.practice import practice
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.provenance import Figure, assumed, worked_out
from entremet.core.ground.reference import read_table

LITTLE, MUCH = 0.95, 2.0
"""Below this share of what is needed it runs out; above it a bowl is thrown away; practice."""

FAR_TOO_LITTLE = 0.5
"""Below this share of what it takes by the recipe's own measure it is warned about; practice."""

ABOUT = 0.2
"""An amount that differs from the usual by less is about the usual; practice."""

NO_YIELDS: Mapping[str, float] = MappingProxyType({})

HOUSE = read_table("entremet.core.finished", "house.toml")


@dataclass(frozen=True, slots=True, kw_only=True)
class Group:
    """A component of the card: its lines, its own heading, what it is made as."""

    key: str
    title: str
    heading: str
    component: Component
    kind: str
    lines: tuple[ScaledLine, ...]

    @property
    def was_g(self) -> float:
        """Its weight on the card; lines without a weight are left out."""
        return sum(line.recipe_g.value for line in self.lines if line.recipe_g is not None)

    @property
    def now_g(self) -> float:
        """Its weight as the fit scales it."""
        return sum(line.g.value for line in self.lines if line.g is not None)


@dataclass(frozen=True, slots=True, kw_only=True)
class UsedFor:
    """What a component is used for: words, and grams."""

    key: str
    words: str
    grams: float


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeFrom:
    """An ingredient of a component at what the cake takes; ``count`` where it is counted."""

    name: str
    was_g: float | None
    g: float
    count: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishPart:
    """A component with what the cake takes of it.

    Parameters
    ----------
    key, title, kind : str
        The card's own heading names it.
    house : bool
        Whether it stands on no card and comes from a house formula.
    was_g, now_g : float or None
        On the card, and as the fit scales it.
    needed_g, spare_g : Figure
        What the cake takes, and what is made over it.
    uses : tuple of UsedFor
        Where it goes.
    made_from : tuple of MadeFrom
        Its lines at what is made.
    enough_for : str
        What the scaled amount is enough for.
    factor : float or None
        By how much the scaled amount is to be multiplied.
    short : bool
        Whether the scaled amount runs out.
    kept_share : float
        Share of its weight left once it is cooked, strained or reduced.
    """

    key: str
    title: str
    kind: str
    house: bool
    was_g: float | None
    now_g: float | None
    needed_g: Figure
    spare_g: Figure
    uses: tuple[UsedFor, ...]
    made_from: tuple[MadeFrom, ...]
    enough_for: str
    factor: float | None
    short: bool
    kept_share: float = 1.0

    @property
    def make_g(self) -> float:
        """What has to be weighed: needed and spare, worked back through what is lost in making."""
        return (self.needed_g.value + self.spare_g.value) / self.kept_share


def groups_of(lines: Sequence[ScaledLine]) -> list[Group]:
    """Return the components of a card that go on or in a cake, in the order of the card."""
    found: dict[tuple[Component, str], list[ScaledLine]] = {}
    for line in lines:
        one = line.line
        if one.component not in MADE or not line.included:
            continue
        found.setdefault((one.component, one.heading), []).append(line)
    return [Group(
        key=f"{component.value}-{place}", component=component, heading=heading,
        lines=tuple(own),
        title=words_of_heading(heading) or MADE[component],
        kind=kind_of(component, heading, [line.line for line in own]))
        for place, ((component, heading), own) in enumerate(found.items())]


def parts_of(groups: Sequence[Group], uses: Sequence[Use],
             yields: Mapping[str, float] = NO_YIELDS, *, own: OwnFinish = BY_PRACTICE,
             usual: Sequence[Use] = (), as_recipe: bool = True) -> list[FinishPart]:
    """Give every use to a component of the card, or to a house formula; then weigh each.

    Parameters
    ----------
    groups : sequence of Group
        Components of the card.
    uses : sequence of Use
        What the cakes take, as thick as the recipe has it.
    yields : mapping of str to float
        By key, the share left of a component once it is made.
    own : OwnFinish
        How the recipe finishes its own cakes: what it knows to be enough is enough.
    usual : sequence of Use
        What the cakes would take as thick as is usual.
    as_recipe : bool
        Whether the cakes are finished just as the recipe finishes its own.
    """
    keys = [(group.key, group.component) for group in groups]
    given, as_usual = served(keys, uses), served(keys, usual)
    parts = [_card_part(group, given.get(group.key, []), yields.get(group.key, 1.0), own=own,
                        usual=as_usual.get(group.key, []), as_recipe=as_recipe)
             for group in groups]
    return [*parts, *(_house_part(key.removeprefix(HOUSE_KEY), own_uses)
                      for key, own_uses in given.items() if key.startswith(HOUSE_KEY))]


def _amounts(kind: str, uses: Sequence[Use]) -> tuple[Figure, Figure, tuple[UsedFor, ...]]:
    density, spread = practice(f"density_{kind}"), practice("spare").value - 1
    used = tuple(UsedFor(key=use.key, words=use.words, grams=use.grams_of(kind)) for use in uses)
    total = sum(one.grams for one in used)
    bags = sum(1 for use in uses if use.bagged)
    bath = practice("dip_bath").value if any(use.key.startswith("dip") for use in uses) else 0.0
    over = sum(one.grams * (spread if use.over is None else use.over)
               for one, use in zip(used, uses, strict=True))
    basis = assumed(density.value, f"{kind.replace('_', ' ')} weighs {density.value:g} g/ml "
                    f"(practice, {density.low:g} to {density.high:g})")
    needed = worked_out(total, "volume on the cake × density", basis) if any(
        use.grams is None for use in uses) else worked_out(
            total, "share of the layers, or by the area it covers")
    words = [f"a tenth of what is spread ({over:.0f} g)"
             if all(use.over is None for use in uses) else f"made over what stays ({over:.0f} g)"]
    words += [f"{practice('bag').value:g} g for each bag"] * (bags > 0)
    words += ["what stays in the bath"] * (bath > 0)
    return needed, assumed(over + bags * practice("bag").value + bath,
                           f"{', '.join(words)}; practice"), used


def _card_part(group: Group, uses: Sequence[Use], kept: float, *, own: OwnFinish,
               usual: Sequence[Use], as_recipe: bool) -> FinishPart:
    share = own.shares.get((group.component, group.heading))
    if share is None or not uses:
        return _part_by_practice(group, uses, kept)
    needed, _, used = _amounts(group.kind, uses)
    # What the recipe has beyond what lies on its cakes stays over in proportion; its own amount
    # has its own spare. What this fit adds of its own, a border or a drip, has the usual one.
    lies = worked_out(needed.value * min(share, 1.0), "as the recipe has it, by the volume on the "
                      "cake", needed)
    over = needed.value * max(0.0, share - 1.0)
    new = [use for use in uses if use.key not in own.uses]
    more = _amounts(group.kind, new)[1].value if new else 0.0
    make, now = (lies.value + over + more) / kept, group.now_g
    factor = _factor(make, now)
    return FinishPart(
        key=group.key, title=group.title, kind=group.kind, house=False,
        was_g=group.was_g or None, now_g=now or None, needed_g=lies,
        spare_g=assumed(over + more, " and ".join(filter(None, (
            "left over in the recipe too" if over > 0 else "",
            "spare for what this finish adds" if more > 0 else ""))) or "none"),
        uses=used, made_from=_made_from(group, factor), factor=factor,
        enough_for=_as_the_recipe(now * kept, lies.value, make * kept, usual, group.kind,
                                  over_g=over, as_recipe=as_recipe),
        short=now * kept < FAR_TOO_LITTLE * lies.value, kept_share=kept)


def _part_by_practice(group: Group, uses: Sequence[Use], kept: float) -> FinishPart:
    """Return a component that the recipe's own finish takes nothing of: as much as is usual."""
    needed, spare, used = _amounts(group.kind, uses)
    make, now = (needed.value + spare.value) / kept, group.now_g
    factor = _factor(make, now) if uses else None
    return FinishPart(
        key=group.key, title=group.title, kind=group.kind, house=False,
        was_g=group.was_g or None, now_g=now or None, needed_g=needed, spare_g=spare, uses=used,
        made_from=_made_from(group, factor),
        enough_for=_enough(now * kept, needed.value, make * kept, used), factor=factor,
        short=factor is not None and now * kept < needed.value * LITTLE, kept_share=kept)


def _factor(make_g: float, now_g: float) -> float | None:
    """Return by how much a scaled amount is multiplied; one where rounding alone differs."""
    if now_g <= 0:
        return None
    factor = make_g / now_g
    return 1.0 if math.isclose(factor, 1.0, rel_tol=1e-6) else factor


def _made_from(group: Group, factor: float | None) -> tuple[MadeFrom, ...]:
    return tuple(MadeFrom(
        name=line.line.name, was_g=None if line.recipe_g is None else line.recipe_g.value,
        g=(0.0 if line.g is None else line.g.value) * (1.0 if factor is None else factor))
        for line in group.lines if line.g is not None)


def _as_the_recipe(now_g: float, lies_g: float, make_g: float, usual: Sequence[Use],
                   kind: str, *, over_g: float, as_recipe: bool) -> str:
    """Say what an amount is by the recipe's own measure, and what is usual beside it."""
    if now_g <= 0:
        return "What the card has of it is not weighed."
    if now_g < FAR_TOO_LITTLE * lies_g:
        return (f"The scaled {now_g:.0f} g is {now_g / lies_g:.0%} of what the recipe itself would "
                f"put on these cakes: make {make_g / now_g:.2f} times as much.")
    left = f" {over_g:.0f} g of it is left over, as in the recipe." if over_g >= 1 else ""
    if not as_recipe:
        return f"Worked out from the recipe's own finish.{left}"
    usual_g = sum(use.grams_of(kind) for use in usual)
    if usual_g <= 0 or abs(lies_g / usual_g - 1) < ABOUT:
        return f"As the recipe has it.{left}"
    return (f"As the recipe has it; {'more' if usual_g > lies_g else 'less'} is usual, "
            f"{usual_g:.0f} g.{left}")


def _enough(now_g: float, needed_g: float, make_g: float,
            used: Sequence[UsedFor]) -> str:
    if not used:
        return "It has no place on this cake yet: where does it go?"
    if now_g <= 0:
        return "What the card has of it is not weighed."
    share = now_g / needed_g if needed_g > 0 else 0.0
    if share < LITTLE:
        return (f"The scaled {now_g:.0f} g is enough for {share:.0%} of it: make "
                f"{make_g / now_g:.2f} times as much.")
    if share > MUCH:
        return (f"The scaled {now_g:.0f} g is {share:.1f} times what it takes; "
                f"{needed_g / now_g:.0%} of it will do.")
    over = now_g - needed_g
    return (f"The scaled {now_g:.0f} g is enough, {over:.0f} g over." if over >= 1
            else f"The scaled {now_g:.0f} g is just enough.")


def _house_part(key: str, uses: Sequence[Use]) -> FinishPart:
    row = HOUSE[key]
    needed, spare, used = _amounts(row["kind"], uses)
    make, whole = needed.value + spare.value, sum(row["shares"].values())
    return FinishPart(
        key=f"house-{key}", title=row["name"], kind=row["kind"], house=True, was_g=None,
        now_g=None, needed_g=needed, spare_g=spare, uses=used,
        made_from=tuple(MadeFrom(name=name, was_g=None, g=make * share / whole)
                        for name, share in row["shares"].items()),
        enough_for=f"Not on the card: a house formula, {row['purpose']}.", factor=None,
        short=False)
