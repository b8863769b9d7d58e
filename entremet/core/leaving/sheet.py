"""What a file of a fit holds, in words: pans, amounts, method, bake and finish as they are now."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.at_the_oven.card import CardPhase, phases_of
from entremet.core.at_the_oven.signs import signs_of
from entremet.core.card.lines import Component
from entremet.core.dressing.components import MADE
from entremet.core.dressing.kinds import words_of_heading
from entremet.core.finished.finish import Finish
from entremet.core.finished.steps import FinishStep
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.findings import Severity
from entremet.core.ground.quantities import cm
from entremet.core.ground.wording import listed
from entremet.core.measures.masses import show_mass
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.plan.steps import pan_words


@dataclass(frozen=True, slots=True, kw_only=True)
class LeavingPart:
    """Lines of one part of the cake, each with its amount and its name."""

    title: str
    lines: tuple[tuple[str, str], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LeavingSheet:
    """A fit as it leaves.

    Parameters
    ----------
    title, facts : str
        Its name, and how many times the recipe it is.
    makes : str
        What comes of it.
    pans, bakes : tuple of str
        A sentence for each row of pans.
    taken : tuple of LeavingPart
        What goes in, by part, the card's own headings first.
    steps, done_when, finish, cautions : tuple of str
        The method in its words for this fit, the signs of done, the order of work after the oven
        and what to take care of.
    bake_min : int or None
        Likely minutes of the longest bake.
    """

    title: str
    facts: str
    makes: str
    pans: tuple[str, ...]
    taken: tuple[LeavingPart, ...]
    steps: tuple[str, ...]
    bakes: tuple[str, ...]
    done_when: tuple[str, ...]
    finish: tuple[str, ...]
    cautions: tuple[str, ...]
    bake_min: int | None


def leaving_sheet(plan: Plan, done: Finish, *, scale_step_g: float,
                  cautions: Sequence[str]) -> LeavingSheet:
    """Return what a file of a fit holds.

    Parameters
    ----------
    plan, done : Plan, Finish
        The fit, and its cakes after the oven.
    scale_step_g : float
        What the kitchen's scale reads to.
    cautions : sequence of str
        What is said at every weighing and bake.
    """
    recipe = plan.recipe
    windows = [one.bake.window for one in plan.pans
               if one.bake is not None and one.bake.window is not None]
    return LeavingSheet(
        title=recipe.title if not recipe.variant else f"{recipe.title}, {recipe.variant}",
        facts="" if plan.amounts is None else (
            f"{plan.amounts.factor.value:.3g} × the recipe, "
            f"{show_mass(plan.amounts.batter_g.value, scale_step_g=scale_step_g)} of batter"),
        makes=_makes(done), pans=tuple(_pan(one, scale_step_g) for one in plan.pans),
        taken=tuple(_taken(plan, done, scale_step_g)),
        steps=plan.method,
        bakes=tuple(dict.fromkeys(one for pan in plan.pans if (one := _bake(pan, plan)))),
        done_when=tuple(one.text for one in signs_of(recipe)),
        finish=tuple(_work(one) for one in done.steps),
        cautions=(*_warned(plan, done), *cautions),
        bake_min=max((one.shown[2] for one in windows), default=None))


def _warned(plan: Plan, done: Finish) -> Iterator[str]:
    """Yield what stands against it: a file goes where nobody sees the screen."""
    for one in (*plan.findings, *done.findings):
        if one.severity is not Severity.NOTE:
            yield " ".join(part for part in (one.text, one.hint) if part)


def _makes(done: Finish) -> str:
    pieces = sum(one.serving.cut.pieces * one.dressed.cake.count for one in done.cakes
                 if one.serving is not None)
    kinds = dict.fromkeys(one.serving.portion for one in done.cakes if one.serving is not None)
    named = " or ".join(f"of {one}" if one.startswith("the ") else one for one in kinds)
    return f"{pieces} {named}" if pieces else ""


def filled_words(one: PanPlan, step_g: float) -> str:
    """Return a row of pans as one counts them, with what goes into each and how deep it stands."""
    label = pan_words(one)
    if one.standing is None:
        return label
    deep = "" if one.standing.batter_cm is None else f", {cm(one.standing.batter_cm)} deep"
    return f"{label}: {show_mass(one.standing.batter_g, scale_step_g=step_g)} each{deep}"


def _pan(one: PanPlan, step_g: float) -> str:
    words = filled_words(one, step_g)
    return words if one.standing is None else f"{words}. {one.verdict_text}".rstrip()


def _bake(one: PanPlan, plan: Plan) -> str:
    if one.bake is None:
        return ""
    if one.bake.window is None:
        dial = plan.oven.words(one.bake.oven.setting)
        return f"{one.entry.label}: {dial}; no time to give, the signs alone"
    dial = ", then ".join(_phase(phase) for phase in phases_of(one.bake, plan))
    look, _, likely, latest = one.bake.window.shown
    return (f"{one.entry.label}: {dial}, look at {look} min, likely {likely} min, no later than "
            f"{latest} min")


def _phase(phase: CardPhase) -> str:
    told = phase.dial if phase.from_min == 0 else f"{phase.dial} from {phase.from_min} min"
    return ", ".join(part for part in (told, "covered" if phase.covered else "", phase.note)
                     if part)


def _taken(plan: Plan, done: Finish, step_g: float) -> Iterator[LeavingPart]:
    made = {one.title for one in done.parts if one.make_g > 0}
    for title, lines in _by_part([one for one in plan.lines if one.included]).items():
        if title not in made:
            yield LeavingPart(title=title, lines=tuple(
                (one.shown.text, _name(one)) for one in lines))
    for part in done.parts:
        if part.make_g <= 0:
            continue
        total = show_mass(part.make_g, scale_step_g=step_g)
        yield LeavingPart(title=f"{part.title}, {total}", lines=tuple(
            (one.count or show_mass(one.g, scale_step_g=step_g), one.name)
            for one in part.made_from))


def _by_part(lines: Sequence[ScaledLine]) -> dict[str, list[ScaledLine]]:
    found: dict[str, list[ScaledLine]] = {}
    for one in lines:
        found.setdefault(part_title(one), []).append(one)
    return found


TITLES = {**MADE, Component.BATTER: "Batter", Component.INCLUSION: "To fold in",
          Component.BASE_LAYER: "In the pan first", Component.TOP_LAYER: "On top of the batter",
          Component.DECORATION: "Decoration", Component.PAN: "For the pan"}


def part_title(line: ScaledLine) -> str:
    """Return the part of the cake a line belongs to: the card's own heading, else what it is."""
    return words_of_heading(line.line.heading) or TITLES[line.line.component]


def _name(line: ScaledLine) -> str:
    parts = [f"{one.shown} {one.name}" for one in line.parts]
    return f"{line.line.name} ({listed(parts)})" if parts else line.line.name


def _work(one: FinishStep) -> str:
    name = one.name if one.name.endswith("?") else f"{one.name}:"
    sign = one.sign if not one.sign or one.sign.endswith((".", "!")) else f"{one.sign}."
    return " ".join(part for part in (name, sign, one.caution) if part)
