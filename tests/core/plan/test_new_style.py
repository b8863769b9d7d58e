"""A new style of batter is a table only: it goes all the way through without a line of code."""

from __future__ import annotations

import dataclasses

import pytest

from entremet.core.at_the_oven.view import at_the_oven
from entremet.core.batter.styles import STYLES, styles_in
from entremet.core.desk.ratios import ratio_findings, ratios
from entremet.core.ground.reference import read_table
from entremet.core.ovens.settings import OvenKind
from entremet.core.pans.pan import PanKind
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import LOAF, OVEN, RING, plan


@pytest.fixture
def style():
    row = read_table("entremet.core.batter", "styles.toml")["oil"]
    row.update(name="beaten potato", like="oil", clings=True, fat="dripping", dust="rye flour",
               waits="powder", leaves="", never_hotter="a potato batter")
    (found,) = styles_in({"potato": row}).values()
    return found


@pytest.mark.parametrize("kind", list(OvenKind))
def test_it_goes_from_the_desk_through_the_fit_to_the_oven(style, kind):
    card = make_card(style=style)
    oven = dataclasses.replace(OVEN, kind=kind)
    made = plan(card, entry(round_pan(20), 2), entry(RING), entry(LOAF), entry(wells_pan(), 12),
                oven=oven)
    view = at_the_oven(made, [], refit=lambda entries: plan(card, *entries, oven=oven))
    assert len(view.card.signs) >= 2
    assert view.waiting.key == "powder"
    assert all(one.bake.window for one in made.pans)
    assert ratios(card)
    assert list(ratio_findings(card)) is not None
    ring = next(one for one in made.pans if one.entry.pan.kind is PanKind.RING)
    assert "bare and dry" in ring.lining[0].text
    if oven.has_dial:
        assert "hang it upside down" in view.card.pans[1].leaving.words
    loaf = " ".join(one.text for one in made.pans[2].lining)
    assert "dripping" in loaf


def test_every_style_names_rows_that_there_are():
    from entremet.core.at_the_oven.signs import SIGNS
    from entremet.core.desk.ratios import _RANGES
    from entremet.core.loading.waiting import WAITING
    from entremet.core.preparing.leaving import LEAVING

    for one in STYLES.values():
        assert one.like in SIGNS
        assert one.like in _RANGES
        assert one.traits.waits in {"", *WAITING}
        assert one.traits.leaves in {"", *LEAVING}
