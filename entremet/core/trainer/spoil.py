"""Spoil it without flour: a number is turned, and what comes of it is worked out or known."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.baking.temperature import School
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import degrees
from entremet.core.ground.reference import read_table
from entremet.core.inside.of_fit import inside_told
from entremet.core.inside.words import InsideCells, cells_of
from entremet.core.loading.ways import UNSAFE
from entremet.core.ovens.settings import Setting
from entremet.core.plan.plan import Plan
from entremet.core.plan.request import Request

HOTTER_C = 20.0
DEEPER = 1.5


class Turned(Enum):
    """What is turned."""

    HOTTER = "hotter"
    DEEPER = "deeper"
    LESS_RAISING = "less_raising"
    MELTED_BUTTER = "melted_butter"
    LEFT_IN = "left_in"


@dataclass(frozen=True, slots=True, kw_only=True)
class Outcome:
    """One thing that comes of it.

    Parameters
    ----------
    text : str
        What.
    practice : bool
        Whether practice says so; else the clock and the field work it out.
    """

    text: str
    practice: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Spoilt:
    """A cake with one number turned.

    Parameters
    ----------
    turned : Turned
        Which.
    name : str
        In words.
    outcomes : tuple of Outcome
        What is worked out first.
    request : Request
        The fit with it turned; the same where nothing in it can be.
    """

    turned: Turned
    name: str
    outcomes: tuple[Outcome, ...]
    request: Request


_TABLE = read_table("entremet.core.trainer", "spoil.toml")

NAMES: dict[Turned, str] = {
    one: _TABLE[one.value]["name"].format(hotter=degrees(HOTTER_C)) for one in Turned}
"""What can be turned, in words."""


def spoilt(request: Request, turned: Turned, fit: Callable[[Request], Plan]) -> Spoilt:
    """Turn one number of a fit of one pan and return what comes of it.

    Parameters
    ----------
    request : Request
        The fit.
    turned : Turned
        What is turned.
    fit : callable
        Works a request out.

    Raises
    ------
    ImpossibleChoice
        Where the fit has not exactly one kind of pan with a time.
    """
    plan = fit(request)
    if len(plan.pans) != 1 or plan.pans[0].bake is None or plan.pans[0].bake.window is None:
        raise ImpossibleChoice("Choose one pan that has a time: that cake is spoilt.", field="fit")
    other = _turned(request, turned, plan)
    found = () if other is None else _compared(plan, fit(other))
    return Spoilt(
        turned=turned, name=NAMES[turned], request=request if other is None else other,
        outcomes=(*(Outcome(text=one, practice=False) for one in found),
                  *(Outcome(text=one, practice=True) for one in _TABLE[turned.value]["practice"])))


def _turned(request: Request, turned: Turned, plan: Plan) -> Request | None:
    """Return a request with the number turned; None where no number of the fit says it."""
    one = plan.pans[0]
    if turned is Turned.DEEPER and one.standing is not None:
        return replace(request, into=(replace(request.into[0], rule=PanRule(
            kind=Rule.GRAMS, grams=DEEPER * one.standing.batter_g)),))
    bake = one.bake
    if turned is Turned.HOTTER and bake is not None and bake.oven.setting is not None and (
            plan.oven.has_dial):
        setting = bake.oven.setting
        while setting.value + plan.oven.step <= plan.oven.highest + 1e-9:
            setting = Setting(value=setting.value + plan.oven.step, scale=setting.scale)
            if plan.oven.heat_c(setting) >= bake.oven.oven_c + HOTTER_C - 1e-9:
                return replace(request, temperature=School.OWN, dial=setting.value)
    return None


def _compared(plan: Plan, other: Plan) -> list[str]:
    was, now = plan.pans[0].bake, other.pans[0].bake
    if was is None or was.window is None:
        return []
    if now is None or now.window is None:
        return ["No time can be given for it."]
    found = [f"Likely {now.window.shown[2]} min instead of {was.window.shown[2]}."]
    before, after = _cells(plan), _cells(other)
    if before is not None and after is not None:
        found.append(f"The rim is done {after.lead} before the middle instead of {before.lead}.")
        if after.dry != before.dry:
            found.append(f"About {after.dry} of the slice is hot enough to boil dry instead of "
                         f"{before.dry}.")
        if after.dome != before.dome:
            found.append(f"Its dome: {after.dome} instead of {before.dome}.")
    verdict = other.pans[0].verdict
    if verdict is not None and verdict.code in UNSAFE:
        found.append(verdict.overflow)
    return found


def _cells(plan: Plan) -> InsideCells | None:
    told = inside_told(plan.pans[0], oven=plan.oven.kind, treatment=plan.treatment)
    return None if told is None else cells_of(told)
