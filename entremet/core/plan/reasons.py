"""Why a result is what it is: two or three facts in a baker's words."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.baking.bakes import Bake
from entremet.core.baking.pace import PaceBasis
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.treatment import Cover, Treatment
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ground.quantities import degrees
from entremet.core.ground.wording import compared, listed, percent
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import KIND_WORDS

LEAST_MOVED = 0.005
"""A learnt time nearer to the one without is as long."""


def time_reasons(bake: Bake, source: SourceBake, oven: Oven, treatment: Treatment,
                 learnt: Sequence[str]) -> tuple[str, ...]:
    """Return the facts behind one pan's time.

    Parameters
    ----------
    bake : Bake
        The pan's bake.
    source : SourceBake
        The recipe's own.
    oven : Oven
        The kitchen's oven.
    treatment : Treatment
        Strips, covering, another finish or start.
    learnt : sequence of str
        From :func:`learnt_words`.
    """
    facts = []
    if source.load is not None:
        ratio = bake.heat.load / source.load
        more = compared(ratio, more="more batter per warm surface",
                        less="less batter per warm surface",
                        times="as much batter per warm surface")
        facts.append(f"{more} in the recipe's pan.")
    facts.append(_pace_words(source))
    if not oven.has_dial:
        facts.append(f"{oven.name} keeps its own heat.")
    elif bake.oven.moved_c > 0.5:
        facts.append(f"{degrees(bake.oven.moved_c)} below the recipe, so that the longer bake does "
                     "not darken the crust." if bake.oven.moved_c >= 5 else
                     "The oven stands a little below the recipe.")
    elif bake.oven.moved_c < -0.5:
        facts.append(f"{degrees(-bake.oven.moved_c)} above the recipe.")
    if oven.kind is not source.kind:
        facts.append(f"Written for a {KIND_WORDS[source.kind]}, baked in a "
                     f"{KIND_WORDS[oven.kind]}: the window is wider for it.")
    if oven.dial_off_c:
        readings = f", from {oven.dial_readings} readings" if oven.dial_readings else ""
        facts.append(f"The dial is {degrees(abs(oven.dial_off_c))} off, by your thermometer"
                     f"{readings}.")
    if len(bake.oven.steps) > 1:
        facts.append("Each phase keeps its share of the time.")
    facts += _treatment_words(treatment)
    facts += learnt
    facts.append(f"The window is ± {percent(bake.spread.total)} about the likely time, two bakes "
                 "of three."
                 if not bake.as_stated else "The recipe's own bake, so its own time; the window is "
                 f"± {percent(bake.spread.total)}, for another oven than the recipe's.")
    return tuple(facts)


def learnt_words(bake: Bake) -> list[str]:
    """Return what the logbook did to a time; nothing where nothing is logged of it."""
    said = bake.expects
    if not said.bakes:
        return []
    behind = listed([f"{count} {of}" for count, of in (
        (said.by_oven, "in this oven"), (said.by_recipe, "of this recipe"),
        (said.by_pan, "in this pan")) if count])
    moved = said.factor - 1
    does = ("as long as" if abs(moved) < LEAST_MOVED
            else f"{percent(abs(moved))} {'longer' if moved > 0 else 'shorter'} than")
    bakes = "1 bake" if said.bakes == 1 else f"{said.bakes} bakes"
    return [f"Learnt from {bakes}, {behind}: {does} the heat balance alone would say."]


def likely_figure(bake: Bake, source: SourceBake, learnt: Sequence[str]) -> Figure | None:
    """Return the likely time with the fact it is moved by; None where there is no time."""
    if bake.window is None:
        return None
    return worked_out(bake.window.likely_min, " ".join([_pace_words(source), *learnt]))


def factor_reasons(*, factor: float, recipe_g: float, gross_g: float, loss_g: float,
                   loss_words: str, eggs_text: str, rule_words: str) -> tuple[str, ...]:
    """Return the facts behind the factor."""
    facts = [f"{rule_words} The recipe makes {recipe_g:.0f} g of batter, this fit {gross_g:.0f} g: "
             f"× {factor:.2f}."]
    if eggs_text:
        facts.append(f"Eggs: {eggs_text}.")
    facts.append(f"About {loss_g:.0f} g stays in the bowl: {loss_words}.")
    return tuple(facts)


def _treatment_words(treatment: Treatment) -> list[str]:
    facts = []
    if treatment.strips:
        facts.append("Strips slow the wall to about half (practice).")
    if treatment.cover in (Cover.LATE, Cover.WHOLE):
        facts.append("A covered top takes up about two thirds of the heat (practice).")
    if treatment.start is not None:
        facts.append("The batter goes in warmer or colder than the recipe says.")
    return facts


def _pace_words(source: SourceBake) -> str:
    stated = source.stated
    if source.pace.own is not None and stated is not None:
        return (f"The recipe's own {stated.text} is far from the usual for its pan and holds there "
                "alone; other pans go by the usual pace of this style.")
    if not source.pace.calibrated or stated is None:
        return "No time of the recipe's own to go by: the usual pace of this style."
    unusual = "" if source.pace.basis is PaceBasis.STATED else ", which is unusual for it"
    second = "" if source.second is None else (
        f" and {source.second.stated.text} in {source.second.label}")
    return f"Moved from the recipe's own {stated.text} in its own pan{second}{unusual}."
