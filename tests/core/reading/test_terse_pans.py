"""A pan typed in one box: what is read, what is asked for, what is assumed and said."""

from __future__ import annotations

import pytest

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.quantities import plain
from entremet.core.pans.measures import OutlineName, pan_from
from entremet.core.reading.terse_pans import terse_pan


@pytest.mark.parametrize(("text", "count", "label", "across", "width", "wall"), [
    ("20x7.5 round", 1, "round 20", 20, None, 7.5),
    ("round 20 × 7,5", 1, "round 20", 20, None, 7.5),
    ("20 round deep 7", 1, "round 20", 20, None, 7),
    ("square 20, 5 deep", 1, "square 20", 20, None, 5),
    ("2 20x5 round", 2, "round 20", 20, None, 5),
    ("2 x 20 x 5 round", 2, "round 20", 20, None, 5),
    ("two 20 cm rounds 7.5 cm deep", 2, "round 20", 20, None, 7.5),
    ("3 round 18 × 5", 3, "round 18", 18, None, 5),
    ("24 of 5 x 3 round", 24, "round 5", 5, None, 3),
    ("9 x 13 x 2 sheet", 1, "sheet 13 × 9", 13, 9, 2),
    ("33x23x5", 1, "sheet 33 × 23", 33, 23, 5),
    ("2 sheets 33 by 23 by 5", 2, "sheet 33 × 23", 33, 23, 5),
    ("23 x 13 x 6.5 loaf", 1, "loaf 23 × 13", 23, 13, 6.5),
    ("oval 25 x 18 x 5", 1, "oval 25 × 18", 25, 18, 5),
    ("200 x 75 mm round", 1, "round 20", 20, None, 7.5),
    ("a pair of 20 x 5 rounds", 1, "round 20", 20, None, 5),
    ("8x3 in round", 1, "round 8 in", 20.32, None, 7.62),
    ("8 inch round, 3 deep", 1, "round 8 in", 20.32, None, 7.62),
    ("8½ x 4 in round", 1, "round 8.5 in", 21.59, None, 10.16)])
def test_shape_and_sizes_are_read_in_any_order(text, count, label, across, width, wall):
    pan = terse_pan(text)
    assert (pan.count, pan.label, pan.assumed) == (count, label, "")
    measures = pan.measures
    assert (measures.across, measures.width, measures.wall_cm) == pytest.approx(
        (across, width, wall))
    assert pan_from(measures, label=label).capacity_ml > 0


def test_a_bare_number_is_in_the_units_of_the_kitchen():
    assert terse_pan("8 x 3 round", inches=True).measures.across == pytest.approx(20.32)
    assert terse_pan("8 x 3 round", inches=True).label == "round 8 in"
    assert terse_pan("8 x 3 round").measures.across == 8
    # What is written with its unit is in that unit, in any kitchen.
    for inches in (True, False):
        assert terse_pan("20 x 7.5 cm round", inches=inches).measures.across == 20
        assert terse_pan("200 x 75 mm round", inches=inches).measures.wall_cm == 7.5
        assert terse_pan("8 in round, 3 deep", inches=inches).measures.wall_cm == pytest.approx(
            7.62)


@pytest.mark.parametrize(("text", "missing"), [
    ("round 20", "How deep is round 20?"), ("two 18 cm round tins", "How deep"),
    ("12 hole muffin tin", "How large is a well"), ("20 by 5", "No pan can be read"),
    ("8 in round, 7 cm deep", "one unit"),
    ("a large one", "No pan can be read"), ("100 l ring", "0.3 to 12 litres"),
    ("0.2 l ring", "0.3 to 12 litres"), ("33 x 23 x 5 x 2 sheet", "more sizes than a pan")])
def test_what_is_missing_is_asked_for_and_never_made_up(text, missing):
    with pytest.raises(UnreadableAmount, match=missing) as told:
        terse_pan(text)
    assert told.value.field == "text"


@pytest.mark.parametrize(("text", "holds"), [
    ("2.4 l ring", 2400), ("10 cup bundt", 2365.9), ("fluted ring 900 ml", 900),
    ("two 1.5 litre rings", 1500)])
def test_a_ring_known_by_what_it_holds_has_the_usual_shape_and_says_so(text, holds):
    pan = terse_pan(text)
    assert pan.measures.outline is OutlineName.RING
    assert pan.measures.capacity_ml == pytest.approx(holds)
    assert pan.label.endswith("usual shape")
    assert "usual shape, practice" in plain(pan.assumed)
    assert pan.count == (2 if text.startswith("two") else 1)
    # The shape holds what was said, as wide as such rings are for their depth.
    built = pan_from(pan.measures, label=pan.label)
    assert built.capacity_ml == pytest.approx(holds)
    assert 2 < built.rim.widest() / pan.measures.wall_cm < 3


def test_a_loaf_tin_known_by_its_pounds_is_taken_by_what_it_holds():
    pan = terse_pan("a 2lb loaf tin")
    assert pan.measures.outline is OutlineName.LOAF
    assert pan.measures.capacity_ml == pytest.approx(1900)
