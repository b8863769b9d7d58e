"""Questions of a fit: when to look, what is done first, how much goes in, the dial, the strips.

Each holds its answers against the plan; where two could be defended there is no question.
"""

from __future__ import annotations

import math
from itertools import pairwise
from random import Random

from entremet.core.baking.schools import SCHOOL_WORDS, school_rows
from entremet.core.baking.window import Window
from entremet.core.fitting.rules import Rule
from entremet.core.ground.quantities import cm, cm2
from entremet.core.inside.of_fit import inside_told
from entremet.core.loading.ways import UNSAFE
from entremet.core.ovens.settings import KIND_WORDS, Setting
from entremet.core.pans.pan import Pan
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.trainer.guess import Asks, Guess, GuessChoice, shuffled

DEEP_CM, THIN_CM = 4.0, 2.5
"""Raw batter from which a cake is told of as deep, and up to which as thin; practice."""

SOON_SHARE = 0.9
"""A look so little before the first look is no wrong answer; practice."""

APART = 1.12
"""Amounts nearer to one another than this are the same guess; practice."""

DECIDES = 1.15
"""Of two pans the measure that differs by more than this decides; else nothing is asked."""

LONGER_MIN = 3
"""Strips that change the time by less than this are not asked about; practice."""


def first_look_asked(plan: Plan, dice: Random) -> Guess | None:
    """Ask when to look first; right is what lies between the first look and the early end."""
    one = _only(plan)
    window = None if one is None or one.bake is None else one.bake.window
    if one is None or window is None:
        return None
    first, _, likely, latest = window.shown
    kind = _kind(one)
    early, late = f"You look too early {kind}.", f"You look too late {kind}."
    wrong = [GuessChoice(text=_min(minutes), tells=tells)
             for minutes, tells in ((round(0.55 * likely), early),
                                    (latest + max(3, round(0.15 * likely)), late),
                                    (round(1.8 * likely), late))
             if not in_time(window, minutes)]
    return shuffled(
        Asks.FIRST_LOOK, f"{plan.recipe.title} in {_put(one)}, {_dial(plan, one)}. When would you "
        "first look?", GuessChoice(text=_min(first)), wrong,
        f"Likely {likely} min, no later than {latest}: the door stays shut until about {first}, "
        f"for a cake that has not set sinks. {' '.join(one.why[:1])}".strip(), dice)


def in_time(window: Window, minutes: float) -> bool:
    """Say whether a first look at a minute is a right one.

    >>> window = Window(first_look_min=24, early_min=26, likely_min=30, latest_min=36)
    >>> [in_time(window, one) for one in (16, 22, 24, 26, 40)]
    [False, True, True, True, False]
    """
    first, early, _, _ = window.shown
    return SOON_SHARE * first <= minutes <= max(early, first)


def done_first_asked(plan: Plan, dice: Random) -> Guess | None:
    """Ask which of two pans is done first; nothing where their windows overlap."""
    timed = [one for one in plan.pans if _sound(one)]
    if len(timed) != 2:
        return None
    soon, late = sorted(timed, key=lambda one: one.bake.window.likely_min
                        if one.bake is not None and one.bake.window is not None else 0.0)
    fact = _decides(soon, late)
    if not apart(soon, late) or not fact:
        return None
    tells = "You take the wrong pan to be done first."
    return shuffled(
        Asks.DONE_FIRST, f"{plan.recipe.title} goes into {_put(timed[0])} and {_put(timed[1])} "
        "together. Which is done first?", GuessChoice(text=soon.entry.label),
        [GuessChoice(text=late.entry.label, tells=tells),
         GuessChoice(text="both within a few minutes",
                     tells="You think that pans bake more alike than they do.")], fact, dice)


def apart(soon: PanPlan, late: PanPlan) -> bool:
    """Say whether two windows do not overlap."""
    one, other = soon.bake, late.bake
    if one is None or other is None or one.window is None or other.window is None:
        return False
    return one.window.shown[3] < other.window.shown[1]


def batter_asked(plan: Plan, dice: Random) -> Guess | None:
    """Ask how much batter goes in at the recipe's own depth; wrong are the usual mistakes."""
    one = _only(plan)
    own = plan.source.filled[0] if len(plan.source.filled) == 1 else None
    if one is None or own is None or own.batter_ml <= 0 or one.standing is None or (
            plan.rule is not Rule.SAME_DEPTH):
        return None
    pan, base = one.entry.pan, own.vessel.pan
    if not isinstance(pan, Pan) or not isinstance(base, Pan) or pan.is_ball or base.is_ball:
        return None
    grams = one.standing.batter_g
    was = own.batter_ml * plan.recipe.style.density.value
    wider = math.sqrt(pan.base_area_cm2 / base.base_area_cm2)
    wrong = [GuessChoice(text=_g(was * wider),
                         tells="You go by the width of a pan; its area decides."),
             GuessChoice(text=_g(was * wider ** 3),
                         tells="You change the batter too much with the pan."),
             GuessChoice(text=_g(was), tells="You leave the batter as it was in another pan.")]
    sizes = sorted([grams, was * wider, was * wider ** 3, was])
    if any(high / low < APART for low, high in pairwise(sizes)):
        return None
    ratio = pan.base_area_cm2 / base.base_area_cm2
    # A loaf and a ring stand by rules of their own: there the base alone does not decide.
    if pan.kind is not base.kind or not 1 / APART < grams / (was * ratio) < APART:
        return None
    return shuffled(
        Asks.BATTER, f"{plan.recipe.title} puts {_g(was)} into {base.label}. How much goes into "
        f"{one.entry.label}, as deep as there?", GuessChoice(text=_g(grams)), wrong,
        f"The base is {cm2(pan.base_area_cm2)} against {cm2(base.base_area_cm2)}, so about "
        f"{ratio:.2f} times as much stands as deep (a sloping wall takes a little more or less).",
        dice)


def setting_asked(plan: Plan, dice: Random) -> Guess | None:
    """Ask what the dial is set to; nothing where it is what the card says."""
    one = _only(plan)
    baked = plan.source_bake
    if one is None or one.bake is None or baked is None or baked.setting is None or (
            not plan.oven.has_dial or one.bake.oven.setting is None) or len(
            one.bake.oven.steps) > 1:
        return None
    setting = one.bake.oven.setting
    # What another school would set is no wrong answer.
    schools = {row.bake.oven.setting for row in school_rows(one.bake.heat, baked, plan.way)}
    right, written = plan.oven.words(setting), Setting(
        value=baked.setting.value, scale=baked.setting.scale)
    if written == setting and baked.kind is plan.oven.kind:
        return None
    hot, cool = "You set this oven too hot.", "You set this oven too cool."
    wrong = [GuessChoice(text=plan.oven.words(Setting(value=value, scale=setting.scale)),
                         tells=tells)
             for steps, tells in ((2, hot), (4, hot), (-3, cool))
             if plan.oven.lowest <= (value := setting.value + steps * plan.oven.step)
             <= plan.oven.highest and Setting(value=value, scale=setting.scale) not in schools]
    why = SCHOOL_WORDS[plan.school]
    return shuffled(
        Asks.SETTING, f"{plan.recipe.title} is written for {_written(plan)}. What is "
        f"{plan.oven.name} ({KIND_WORDS[plan.oven.kind]}) set to for {_put(one)}, by “{why}”?",
        GuessChoice(text=right), wrong,
        "Another kind of oven or another load wants another setting, to the nearest on its dial.",
        dice)


def strips_asked(plan: Plan, stripped: Plan, dice: Random) -> Guess | None:
    """Ask what strips change; right is what the field inside and the clock have."""
    one, other = _only(plan), _only(stripped)
    if one is None or other is None:
        return None
    bare, strips = (inside_told(pan, oven=of.oven.kind, treatment=of.treatment)
                    for pan, of in ((one, plan), (other, stripped)))
    if bare is None or strips is None:
        return None
    if one.bake is None or one.bake.window is None or (
            other.bake is None or other.bake.window is None):
        return None
    was, now = one.bake.window.shown[2], other.bake.window.shown[2]
    lead, led = strips.lead_min.value, bare.lead_min.value
    flatter = strips.dome.value < bare.dome.value - 0.05
    if now - was < LONGER_MIN or not flatter or not lead / now < led / was:
        return None
    return shuffled(
        Asks.STRIPS, f"{plan.recipe.title} in {_put(one)}, likely {was} min. What do insulating "
        "strips round the pan change?", GuessChoice(text="it takes longer and comes out flatter"),
        [GuessChoice(text="it is done sooner and comes out flatter",
                     tells="You think that strips save time."),
         GuessChoice(text="it takes longer and domes more",
                     tells="You think that strips make a cake dome."),
         GuessChoice(text="nothing that one would see", tells="You think little of strips.")],
        f"Likely {now} min: the wall warms more slowly. The rim is done {lead:.0f} of {now} min "
        f"before the middle instead of {led:.0f} of {was} (estimates), and rises with it.", dice)


def _only(plan: Plan) -> PanPlan | None:
    """Return the one pan of a plan that is measured, safely filled and timed."""
    return plan.pans[0] if len(plan.pans) == 1 and _sound(plan.pans[0]) else None


def _sound(one: PanPlan) -> bool:
    if one.standing is None or not one.standing.batter_cm or one.verdict is None or (
            one.verdict.code in UNSAFE):
        return False
    return one.bake is not None and one.bake.window is not None


def _decides(soon: PanPlan, late: PanPlan) -> str:
    """Return the fact that makes one of two pans the sooner; empty where none does plainly."""
    if soon.standing is None or late.standing is None:
        return ""
    low, high = soon.standing.stands_cm, late.standing.stands_cm
    one, other = soon.entry.pan, late.entry.pan
    if low is None or high is None or not isinstance(one, Pan) or not isinstance(other, Pan):
        return ""
    if high / low >= DECIDES:
        return (f"In {late.entry.label} the batter stands {cm(high)} deep, in {soon.entry.label} "
                f"{cm(low)}: heat has farther to go.")
    wide = other.base.widest() / one.base.widest()
    if wide >= DECIDES:
        return (f"{late.entry.label} is {cm(other.base.widest())} wide, {soon.entry.label} "
                f"{cm(one.base.widest())}: its middle is farther from a wall.")
    return ""


def _kind(one: PanPlan) -> str:
    depth = one.standing.batter_cm if one.standing is not None else None
    if isinstance(one.entry.pan, Pan) and one.entry.pan.wells > 1:
        return "at small cakes"
    if depth is not None and depth >= DEEP_CM:
        return "at deep pans"
    return "at thin layers" if depth is not None and depth <= THIN_CM else "at usual layers"


def _put(one: PanPlan) -> str:
    depth = one.standing.batter_cm if one.standing is not None else None
    return one.entry.label if depth is None else f"{one.entry.label} ({cm(depth)} of batter)"


def _dial(plan: Plan, one: PanPlan) -> str:
    steps = () if one.bake is None else one.bake.oven.steps
    return ", then ".join(dict.fromkeys(plan.oven.words(step.setting) for step in steps))


def _written(plan: Plan) -> str:
    baked = plan.source_bake
    if baked is None or baked.setting is None:
        return "no oven"
    return f"{baked.setting.text}, {KIND_WORDS[baked.kind]}"


def _min(minutes: float) -> str:
    return f"after {minutes:.0f} min"


def _g(grams: float) -> str:
    return f"{5 * round(grams / 5)} g"
