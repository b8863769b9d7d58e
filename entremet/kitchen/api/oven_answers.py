"""From the core's view of the oven to what the API answers."""

from __future__ import annotations

from entremet.core.at_the_oven.card import PanCard
from entremet.core.at_the_oven.view import AtHeight, AtTheOven
from entremet.core.baking.schools import SCHOOL_WORDS, SchoolRow
from entremet.core.baking.what_if import Curve
from entremet.core.loading.loads import Load
from entremet.core.loading.ways import WayRow
from entremet.core.plan.plan import Plan
from entremet.kitchen.api.schemas import oven_view as out
from entremet.kitchen.api.schemas.base import origins
from entremet.kitchen.api.schemas.pans import points_text

HEIGHT_SOURCE = ("A school of practice with wide ranges; only the boiling point is physics. It is "
                 "not in the amounts and times of this fit.")
HEIGHT_CAUTION = "Bake a small trial first, change one thing at a time, and write down what it did."


def oven_view(plan: Plan, view: AtTheOven) -> out.OvenViewOut:
    """Return the view of the oven."""
    shelf = plan.oven.shelf_cm
    card, wait = view.card, view.waiting
    return out.OvenViewOut.told_by(
        view, plan.oven,
        card=out.BakeCardOut.told_by(
            card, heat_before_min=card.heat_before.value, pans=[_pan(one) for one in card.pans],
            origins=origins(heat_before_min=card.heat_before)),
        schools=[_school(row, plan) for row in view.schools],
        shelf_width_cm=None if shelf is None else shelf[0],
        shelf_depth_cm=None if shelf is None else shelf[1],
        loads=[_load(one) for one in view.loads],
        waiting=out.WaitingOut.told_by(wait, minutes=wait.minutes.value, low=wait.minutes.low,
                                       high=wait.minutes.high),
        ways=[_way(one) for one in view.ways],
        height=None if view.height is None else _height(view.height))


def curves_out(plan: Plan, entry: int, curves: tuple[Curve, ...], chosen: int) -> out.CurvesOut:
    """Return the curves of one pan."""
    one = plan.pans[entry]
    return out.CurvesOut(
        label=one.entry.label, chosen=chosen, curves=[_curve(curve) for curve in curves],
        done_c=None if one.bake is None else one.bake.course.done_c)


def _pan(one: PanCard) -> out.PanCardOut:
    return out.PanCardOut.told_by(one, one.leaving, leaving=one.leaving.words)


def _school(row: SchoolRow, plan: Plan) -> out.SchoolOut:
    window = row.bake.window
    shown = (None, None, None, None) if window is None else window.shown
    return out.SchoolOut.told_by(
        row, name=SCHOOL_WORDS[row.school],
        dial=plan.oven.words(row.bake.oven.setting), first_look_min=shown[0],
        likely_min=shown[2], latest_min=shown[3])


def _load(load: Load) -> out.LoadOut:
    return out.LoadOut(
        dial=load.dial, minutes=round(load.minutes), labels=[one.label for one in load.items],
        turn=load.turn_words, slower=load.slower_words, order=list(load.order),
        shelves=[[out.PlacedOut(
            entry=load.items[one.item].entry, label=load.items[one.item].label, x_cm=one.x_cm,
            y_cm=one.y_cm, turned=one.turned, long_cm=load.items[one.item].room.long_cm,
            short_cm=load.items[one.item].room.short_cm,
            plan=[points_text(list(ring)) for ring in load.items[one.item].room.plan])
            for one in shelf] for shelf in load.shelves])


def _way(row: WayRow) -> out.WayRowOut:
    return out.WayRowOut.told_by(
        row, each_min=round(row.each_min), oven_min=round(row.oven_min),
        last_out_min=round(row.last_out_min), waits_min=round(row.waits_min))


def _height(height: AtHeight) -> out.HeightOut:
    return out.HeightOut.told_by(height, source=HEIGHT_SOURCE, caution=HEIGHT_CAUTION)


def _curve(curve: Curve) -> out.CurveOut:
    look, _, likely, latest = curve.window.shown
    return out.CurveOut.told_by(
        curve, first_look_min=look, likely_min=likely, latest_min=latest,
        moments=[out.MomentOut.told_by(one, centre_c=round(one.centre_c, 2))
                 for one in curve.moments])
