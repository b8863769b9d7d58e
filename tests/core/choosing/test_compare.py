"""Two sets side by side."""

from __future__ import annotations

from entremet.core.choosing.compare import comparison
from entremet.core.fitting.rules import Rule
from entremet.core.ground.quantities import plain
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN


def plan(*entries, **choices):
    return make_plan(make_card(), entries, request=Request(recipe=1, **choices), oven=OVEN)


def rows(one, other):
    return {row.name: row for row in comparison(one, other)}


def test_one_wide_for_two_small():
    two = plan(entry(round_pan(18), 2), rule=Rule.KEEP_BATCH)
    wide = plan(entry(round_pan(25), 1), rule=Rule.KEEP_BATCH)
    found = rows(two, wide)
    assert (found["Layers"].one, found["Layers"].other) == ("2", "1")
    assert found["Layers"].words == "About half as many as the first"
    assert plain(found["Area from above, all pans"].one) == "509 cm²"
    assert "shallower" not in found["Depth of the batter, deepest pan"].words
    assert found["Batter"].words == "Just as much as the first"
    assert found["Likely time, slowest pan"].other.endswith(" min")


def test_what_only_one_knows_is_a_dash_without_words():
    ring = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=1500), label="ring")
    found = rows(plan(entry(round_pan(18), 2)), plan(entry(ring, 1)))
    depth = found["Depth of the batter, deepest pan"]
    assert (depth.other, depth.words) == ("–", "")


def test_what_neither_has_is_left_out():
    found = rows(plan(entry(wells_pan(), 6)), plan(entry(wells_pan(), 8)))
    assert "Layers" not in found
    assert "Portions" not in found


def test_portions_are_counted_over_all_pans():
    found = rows(plan(entry(round_pan(18), 2), portion="party"),
                 plan(entry(wells_pan(), 12), portion="party"))
    assert found["Portions"].other == "12"
