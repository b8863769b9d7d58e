"""What a rolled cover, a glaze and pressed sides add: weight, and room on board and in box."""

from __future__ import annotations

import pytest

from entremet.core.card.finish import Press
from entremet.core.finishing.coats import GLAZED_SIDE_CM, GLAZED_TOP_CM
from entremet.core.finishing.practice import practice
from entremet.core.ground.quantities import plain
from tests.core.conftest import entry, round_pan
from tests.core.finished.test_finish import finished


def test_rolled_covers_are_weighed_for_every_cake_of_a_row():
    one = finished(entry(round_pan(20), 2), rolled=True)
    rows = finished(entry(round_pan(20), 6), rolled=True)
    assert rows.cakes[0].dressed.cake.count * len(rows.cakes[0].dressed.cake.layers) == 6
    each = [use for use in one.cakes[0].dressed.uses if use.key == "cover"]
    assert len(each) == 1
    disc = float(plain(each[0].words).split("out to ")[1].split(" cm")[0])
    made = each[0].ml * (1 + each[0].over)
    assert made == pytest.approx(3.14159 * disc**2 / 4 * practice("cover").value, rel=0.03)


def test_what_lies_on_the_cake_is_weighed_and_what_is_cut_off_a_rolled_cover_comes_back():
    bare, done = (finished(entry(round_pan(20), 2), rolled=rolled).cakes[0]
                  for rolled in (False, True))
    thick = practice("cover").value
    body = bare.dressed.body
    lies = (body.top_cm2 + body.edge_cm * body.height_cm) * thick
    cover = next(use for use in done.dressed.uses if use.key == "cover")
    assert cover.ml == pytest.approx(lies)
    assert done.mass_g - bare.mass_g == pytest.approx(
        lies * practice("density_fondant").value, rel=1e-6)
    made = next(part for part in finished(entry(round_pan(20), 2), rolled=True).parts
                if part.kind == "fondant")
    assert made.make_g > 1.4 * made.needed_g.value


def test_board_and_box_go_by_all_that_covers_a_cake():
    bare, done = (finished(entry(round_pan(20), 2), rolled=rolled).cakes[0]
                  for rolled in (False, True))
    assert done.width_cm == pytest.approx(bare.width_cm + 2 * 0.4)
    assert done.height_cm == pytest.approx(bare.height_cm + 0.4)
    assert done.box_cm >= bare.box_cm
    plain, pressed, glazed = (
        finished(entry(round_pan(20), 2), **chosen).cakes[0]
        for chosen in ({}, {"press": Press.NUTS}, {"glaze": True}))
    assert pressed.width_cm == pytest.approx(plain.width_cm + 0.6)
    assert glazed.width_cm == pytest.approx(plain.width_cm + 2 * 0.12)
    assert glazed.height_cm == pytest.approx(plain.height_cm + 0.2)
    assert (GLAZED_TOP_CM, GLAZED_SIDE_CM) == (0.2, 0.12)
