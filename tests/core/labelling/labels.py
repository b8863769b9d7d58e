"""Cakes and labels of the labelling tests."""

from __future__ import annotations

from datetime import date

from entremet.core.finished.finish import finish
from entremet.core.labelling.allergens import REGIONS
from entremet.core.labelling.foods import Packet
from entremet.core.labelling.goes_in import inside
from entremet.core.labelling.label import WantedLabel, make_label
from tests.core.conftest import entry, round_pan
from tests.core.dressing.test_growing import LINES, plan_of

MADE_ON = date(2026, 11, 28)
PACKETS = {
    "jam:plum jam": Packet(opened="plums, sugar, pectin"),
    "dark_chocolate": Packet(opened="cocoa mass, sugar, emulsifier: soya lecithin",
                             contains=("soya",), may_contain=("milk", "hazelnuts")),
    "icing_sugar": Packet(), "baking_powder": Packet(opened="raising agents, maize starch")}


def made(*entries, lines=LINES, **choices):
    """Return a plan with its finish."""
    plan = plan_of(*(entries or (entry(round_pan(20), 2),)), lines=lines, **choices)
    return plan, finish(plan)


def within(*entries, row=0, lines=LINES, **choices):
    """Return what goes into one cake."""
    plan, done = made(*entries, lines=lines, **choices)
    return inside(plan, done, done.cakes[row])


def label(*entries, region="eu", packets=PACKETS, row=0, lines=LINES, title="Plum layer cake",
          choices=None, **wanted):
    """Return a label."""
    plan, done = made(*entries, lines=lines, **(choices or {}))
    return make_label(plan, done, done.cakes[row],
                      WantedLabel(title=title, made_on=MADE_ON, **wanted), packets=packets,
                      region=REGIONS[region])
