"""The method of a fit: where the recipe names its pans, setting and minutes, the fit's stand."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import replace

from entremet.core.fitting.scaled_steps import ScaledStep, StandsFor, Words
from entremet.core.ground.wording import listed
from entremet.core.ovens.oven import Oven
from entremet.core.pans.counted import count_words
from entremet.core.plan.pan_plan import PanPlan


def in_this_fit(steps: Sequence[ScaledStep], pans: Sequence[PanPlan], oven: Oven, *,
                own_pans: bool) -> tuple[ScaledStep, ...]:
    """Return the steps with the pans, the setting and the minutes of the fit in their words.

    Parameters
    ----------
    steps : sequence of ScaledStep
        As scaled; what was the recipe's own is marked.
    pans : sequence of PanPlan
        As chosen, with their bakes.
    oven : Oven
        Of the kitchen: its dial words the setting.
    own_pans : bool
        Whether they are the recipe's own: their words stay, and those of its bake too where
        nothing moves it.
    """
    filled = [one for one in pans if one.standing is not None]
    own_bake = own_pans and all(_as_written(one) for one in filled)
    stays = {StandsFor.PANS: own_pans, StandsFor.SETTING: own_bake, StandsFor.MINUTES: own_bake}
    told = {StandsFor.PANS: listed([pan_words(one) for one in filled]),
            StandsFor.SETTING: _by_pan(filled, lambda one: _setting(one, oven)),
            StandsFor.MINUTES: _by_pan(filled, _minutes)}

    def filled_in(words: Words, before: str) -> Words:
        if words.stands_for is None:
            return words
        if stays[words.stands_for] or not told[words.stands_for]:
            return Words(text=words.was)
        text = told[words.stands_for]
        return replace(words, text=text.removeprefix("about ") if _ABOUT.search(before) else text)

    return tuple(replace(step, words=tuple(
        filled_in(one, step.words[place - 1].text if place else "")
        for place, one in enumerate(step.words))) for step in steps)


_ABOUT = re.compile(r"\b(?:about|around|roughly|approximately|approx\.?|some)\s+$", re.IGNORECASE)


def _as_written(one: PanPlan) -> bool:
    """Say whether a pan is baked just as the recipe says, and nothing was learnt to differ."""
    return one.bake is not None and one.bake.as_stated and abs(
        one.bake.expects.factor - 1) < UNMOVED


UNMOVED = 0.005
"""A learnt factor nearer to one than that moves no minute of an hour's bake."""


def pan_words(one: PanPlan) -> str:
    """Return a row of pans as one counts them."""
    pan = one.entry.pan
    return count_words(one.entry.count, one.entry.label, 1 if pan is None else pan.wells)


def _setting(one: PanPlan, oven: Oven) -> str:
    return "" if one.bake is None else oven.words(one.bake.oven.steps[0].setting)


def _minutes(one: PanPlan) -> str:
    if one.bake is None or one.bake.window is None:
        return ""
    first, _, likely, _ = one.bake.window.shown
    return f"about {likely} minutes (look from {first})"


def _by_pan(pans: Sequence[PanPlan], words: Callable[[PanPlan], str]) -> str:
    """Return what holds for all pans once, else for each by its name."""
    told = {words(one) for one in pans} - {""}
    if len(told) < 2:
        return next(iter(told), "")
    return listed([f"{words(one)} for {one.entry.label}" for one in pans if words(one)])
