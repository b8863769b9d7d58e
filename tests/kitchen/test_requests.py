"""What is chosen for a fit is one shape from the screen to the rules, kept as it was typed."""

from pathlib import Path

import pytest
from pydantic import TypeAdapter, ValidationError

from entremet.core.card.finish import Finishing
from entremet.core.fitting.rules import Rule
from entremet.core.measures.lengths import TypedLength
from entremet.core.plan.request import Request
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import Damaged

READ = TypeAdapter(Request).validate_python


def test_what_was_typed_is_kept_as_typed_and_counts_in_centimetres():
    asked = READ({"recipe": 3, "depth_cm": "1 1/2 in", "finishing": {"coat_cm": "5 mm"},
                  "into": [{"pan": {"outline": "round", "across": "8 in", "wall_cm": 5}}]})
    assert asked.depth_cm == pytest.approx(3.81)
    assert asked.finishing.coat_cm == 0.5
    assert isinstance(asked.depth_cm, TypedLength)
    document = requests.kept(asked)
    assert document == {"recipe": 3, "depth_cm": "1 1/2 in", "finishing": {"coat_cm": "5 mm"},
                        "into": [{"pan": {"outline": "round", "across": "8 in", "wall_cm": 5}}]}
    assert requests.read(document, requests.CURRENT) == asked


def test_what_is_usual_is_not_kept_so_that_it_may_improve():
    assert requests.kept(Request(recipe=7, finishing=Finishing())) == {
        "recipe": 7, "finishing": {}}


@pytest.mark.parametrize(("wrong", "field"), [
    ({"depth_cm": True}, "depth_cm"), ({"egg_count": True}, "egg_count"),
    ({"separately": 1}, "separately"), ({"with_optional": [True]}, "with_optional.0"),
    ({"variant": True}, "variant"), ({"instead": {"3": True}}, "instead.3"),
    ({"finishing": {"stack": True}}, "finishing.stack"),
    ({"finishing": {"icing": 1}}, "finishing.icing"), ({"surprise": 1}, "surprise"),
    ({"into": [{"pan": True}]}, "into.0.pan.constrained-int"),
    ({"into": [{"pan": 1, "rule": {"grams": 5, "fill": 0.5}}]}, "into.0.rule"),
    ({"into": [{"pan": 1, "rule": {"kind": "servings"}}]}, "into.0.rule"),
    ({"into": [{"pan": 1, "rule": {"fill": 9}}]}, "into.0.rule"),
    ({"shares": [{"name": "pink", "pans": [{"entry": 0, "part": 2}]}]}, "shares.0.pans.0"),
])
def test_what_cannot_be_is_told_at_its_own_place(wrong, field):
    with pytest.raises(ValidationError) as refused:
        READ({"recipe": 1, **wrong})
    assert field in {".".join(str(part) for part in one["loc"]) for one in refused.value.errors()}


def test_one_number_tells_the_rule_of_a_pan():
    asked = READ({"recipe": 1, "into": [{"pan": 1, "rule": {"fill": 0.5}},
                                        {"pan": 2, "rule": {"height_cm": "2 in"}}]})
    assert [one.rule.kind for one in asked.into] == [Rule.FILL, Rule.HEIGHT]


@pytest.mark.parametrize("document", [None, {"recipe": 1, "into": 3}, {"recipe": "x"},
                                      {"recipe": 1, "finishing": {"coat_cm": 900}}])
def test_what_was_kept_and_cannot_be_read_is_damaged_and_no_crash(document):
    with pytest.raises(Damaged):
        requests.read(document, requests.CURRENT)


def test_the_interface_asks_no_row_of_the_database():
    """Rows are read by the kitchen's own verbs, so that whatever else needs them finds them."""
    asked = [f"{file.name}:{number}" for file in Path("entremet/kitchen/api").rglob("*.py")
             for number, line in enumerate(file.read_text(encoding="utf-8").splitlines(), start=1)
             if ".objects" in line]
    assert asked == []


def test_a_pan_that_left_the_rack_stands_with_its_measures_beside_a_typed_one():
    typed = {"outline": "round", "across": "8 in", "wall_cm": 5}
    document = {"recipe": 3, "into": [{"pan": 7}, {"pan": typed}, {"pan": 8, "count": 2}]}
    copies = {"7": {"label": "Grandmother's", "measures": {"outline": "round", "across": 18,
                                                           "wall_cm": 6}}}
    found = requests.read(document, requests.CURRENT, copies=copies, racked=lambda: {8: object()})
    gone, beside, here = (one.pan for one in found.into)
    assert (gone.label, gone.across, here) == ("Grandmother's", 18, 8)
    assert beside.across == "8 in"
