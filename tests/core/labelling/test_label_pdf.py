"""Labels on paper: where each lies, in which size, and no smaller than can be read."""

from __future__ import annotations

import re
import zlib

import pytest
from fpdf import FPDF
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.labelling.allergens import LabelText
from entremet.core.labelling.handing import handed_over, paragraphs_of_card
from entremet.core.labelling.label_pdf import CARD, label_pdf, words_pdf
from entremet.core.labelling.setting import LEAST_PT, MOST_PT, Paragraph, fitted
from entremet.core.labelling.sheets import PAPERS_MM, SHEETS, LabelSheet, places
from tests.core.labelling.labels import label, made

A_SHEET = {"paper": "A4", "across": 2, "down": 4, "width": 90.0, "height": 60.0, "left": 10.0,
           "top": 10.0}


def pages(pdf: bytes) -> list[bytes]:
    """Return what is drawn on each page."""
    packed = re.findall(rb"stream\n(.*?)\nendstream", pdf, re.S)
    drawn = [zlib.decompress(one) for one in packed if one[:1] == b"x"]
    return [one for one in drawn if b"BT" in one]


def measure(text: str, strong: bool, size_pt: float) -> float:
    return len(text) * size_pt * 0.18 * (1.05 if strong else 1.0)


@pytest.mark.parametrize("key", sorted(SHEETS))
def test_every_usual_sheet_lies_on_its_paper_and_takes_a_label(key):
    sheet = SHEETS[key]
    wide, high = PAPERS_MM[sheet.paper]
    for place in range(sheet.count):
        x, y = sheet.corner(place)
        assert x >= 0
        assert x + sheet.width <= wide + 0.05
        assert y >= 0
        assert y + sheet.height <= high + 0.05
    pdf = label_pdf(label(), sheet, count=3, first=2, more=["Quillet Lane Kitchen"])
    assert pdf.startswith(b"%PDF")
    assert len(pages(pdf)) == 2


def test_labels_begin_where_the_sheet_is_free_and_go_on_to_the_next():
    assert list(places(SHEETS["a4-8"], first=8, count=2)) == [(0, 7), (1, 0)]
    assert len(pages(label_pdf(label(), SHEETS["a4-8"], count=2, first=8))) == 3


def test_a_label_that_fits_on_no_small_one_is_put_on_two_of_them():
    small = SHEETS["a4-24"]
    one = label(pieces=1, title="Plum and bergamot layer cake for the harvest supper")
    assert len(pages(label_pdf(one, small, count=12))) == 2
    assert len(pages(label_pdf(one, small, count=13))) == 3
    with pytest.raises(ImpossibleChoice) as refused:
        label_pdf(one, LabelSheet(**{**A_SHEET, "width": 25.0, "height": 12.0}), count=1)
    assert refused.value.field == "sheet"


@given(st.lists(st.text(st.sampled_from("abcdefg "), min_size=1, max_size=200), min_size=1,
                max_size=6), st.floats(25, 150), st.floats(12, 120))
def test_words_are_set_within_the_label_as_large_as_they_fit(texts, width, height):
    paragraphs = [Paragraph(said=(LabelText(text=one),)) for one in texts]
    lines = fitted(paragraphs, measure, width_mm=width, height_mm=height)
    if lines is None:
        return
    assert sum(line.high_mm for line in lines) <= height + 1e-6
    said = ["".join(piece.text for piece in line.said) for line in lines]
    assert "".join(said).replace(" ", "") == "".join(texts).replace(" ", "")
    for line in lines:
        assert LEAST_PT - 1e-9 <= line.size_pt <= MOST_PT
        assert sum(measure(piece.text, piece.strong, line.size_pt)
                   for piece in line.said) - measure(" ", False, line.size_pt) <= width + 1e-6


def test_no_label_is_printed_that_is_not_settled():
    with pytest.raises(ImpossibleChoice) as refused:
        label_pdf(label(packets={}), SHEETS["a4-8"], count=1)
    assert refused.value.field == "packets"


@pytest.mark.parametrize(("wrong", "field"), [
    ({"paper": "A3"}, "sheet.paper"), ({"across": 0}, "sheet.across"),
    ({"width": 5.0}, "sheet.width"), ({"width": 110.0}, "sheet.width"),
    ({"height": 80.0}, "sheet.height"), ({"left": float("nan")}, "sheet.left"),
    ({"gap_x": -1.0}, "sheet.gap_x")])
def test_a_sheet_that_cannot_be_is_refused_at_its_field(wrong, field):
    with pytest.raises(ImpossibleChoice) as refused:
        LabelSheet(**{**A_SHEET, **wrong})
    assert refused.value.field == field


@pytest.mark.parametrize(("wrong", "field"), [({"count": 0}, "count"), ({"count": 501}, "count"),
                                              ({"first": 9}, "first")])
def test_so_many_cannot_be_printed(wrong, field):
    with pytest.raises(ImpossibleChoice) as refused:
        label_pdf(label(), SHEETS["a4-8"], **{"count": 1, **wrong})
    assert refused.value.field == field


def test_the_card_says_how_to_keep_cut_and_what_is_in_it():
    plan, done = made()
    one = label()
    card = handed_over(one, done, done.cakes[0])
    assert any("Best before 30 Nov 2026" in line for line in card.keep)
    assert card.cut.startswith("For ")
    assert "portions" in card.cut
    assert card.allergens == ("Contains: wheat, milk, egg.",)
    assert card.not_food
    first, *rest = paragraphs_of_card(card, one)
    assert first.title
    assert [(said.text, said.strong) for said in first.said] == [(card.title, True)]
    # What must not be overlooked is set strong: what is in it, and nothing beside.
    assert [said.text for each in rest for said in each.said if said.strong] == [
        "Contains: wheat, milk, egg."]
    pdf = words_pdf([[paragraphs_of_card(card, one)]], CARD, title=card.title, count=2)
    assert len(pages(pdf)) == 2
    assert plan.recipe.title


def test_letters_the_face_lacks_are_refused_and_those_of_europe_are_not():
    assert label_pdf(label(title="Žemlovka s jablky, Käse, crème brûlée"), SHEETS["a4-8"],
                     count=1).startswith(b"%PDF")
    with pytest.raises(ImpossibleChoice, match="Latin letters") as refused:
        label_pdf(label(title="Пирог"), SHEETS["a4-8"], count=1)
    assert refused.value.field == "title"


@pytest.mark.parametrize("key", sorted(SHEETS))
def test_a_usual_sheet_has_the_same_margin_left_and_right_and_top_and_bottom(key):
    sheet = SHEETS[key]
    wide, high = PAPERS_MM[sheet.paper]
    right, bottom = sheet.corner(sheet.count - 1)
    assert wide - right - sheet.width == pytest.approx(sheet.left, abs=0.35)
    assert high - bottom - sheet.height == pytest.approx(sheet.top, abs=0.35)


def test_what_is_measured_after_printing_lies_across_the_middle_of_the_first_label(monkeypatch):
    sheet = LabelSheet(**A_SHEET)
    drawn = []
    monkeypatch.setattr(FPDF, "line", lambda _, *ends: drawn.append(ends))
    label_pdf(label(), sheet, count=1)
    left, top = sheet.corner(0)
    long = [ends for ends in drawn if ends[1] == ends[3] and ends[2] - ends[0] >= 10]
    assert [ends[1] for ends in long[:1]] == [pytest.approx(top + 30)]
    assert left < long[0][0] < long[0][2] < left + 90
