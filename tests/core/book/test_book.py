"""The kitchen's book: every card on its own spread, found by contents and index."""

from __future__ import annotations

import re
import zlib
from dataclasses import replace

import pytest

from entremet.core.book.book_pdf import book_pdf
from entremet.core.book.entries import BookCard, FittedColumn, book_card
from entremet.core.book.galley import PAPERS, Galley, PlacedWords, Shape, Stroke
from entremet.core.book.indexed import index_of
from entremet.core.book.spreads import set_card
from entremet.core.finished.finish import finish
from entremet.core.fitting.rules import Rule
from entremet.core.measures.habits import Units
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, RING


def measure(text: str, strong: bool, size_pt: float) -> float:
    return len(text) * size_pt * 0.19 * (1.05 if strong else 1.0)


def fitted(pan, head="In its own pans", count=2):
    plan = make_plan(make_card(), [entry(pan, count=count)],
                     request=Request(recipe=1, rule=Rule.SAME_DEPTH), oven=OVEN)
    return FittedColumn(head=head, plan=plan, done=finish(plan))


def card(*columns, **more) -> BookCard:
    return book_card(columns or (fitted(round_pan(18, 5)),
                                 fitted(round_pan(30, 7.5), "In another pan", 1)),
                     scale_step_g=1, **more)


def said(galley: Galley, page: int) -> str:
    return " ".join(one.text for one in galley.pages[page].marks if isinstance(one, PlacedWords))


def pages_of(pdf: bytes) -> list[bytes]:
    packed = re.findall(rb"stream\n(.*?)\nendstream", pdf, re.S)
    return [one for one in (zlib.decompress(part) for part in packed if part[:1] == b"x")
            if b"BT" in one or b" w" in one]


def test_amounts_of_two_pans_stand_side_by_side_and_are_those_of_their_fits():
    small, large = fitted(round_pan(18, 5)), fitted(round_pan(30, 7.5), "In another pan", 1)
    rows = {row.name: row.amounts for part in card(small, large).parts for row in part.rows}
    for line in large.plan.lines:
        if line.included and line.shown.grams and not line.shown.measure_leads:
            assert rows[line.line.name][1].startswith(line.shown.grams)
    changed = [row for row in rows.values() if row[0] != row[1]]
    assert len(changed) >= 3


def test_a_card_is_measured_in_grams_first_and_says_the_cups_beside():
    amounts = [text for part in card().parts for row in part.rows for text in row.amounts]
    assert all(re.match(r"\d", text) for text in amounts if " g (" in text)
    assert any(text.endswith(" g") for text in amounts)


def test_what_is_left_out_of_both_is_not_printed():
    both = [fitted(round_pan(18, 5)), fitted(round_pan(25, 7.5))]
    names = [row.name for part in card(*both).parts for row in part.rows]
    none = [replace(one, plan=replace(one.plan, lines=tuple(
        replace(line, included=line.included and place > 0)
        for place, line in enumerate(one.plan.lines))))
        for one in both]
    assert [row.name for part in card(*none).parts for row in part.rows] == names[1:]
    first = both[0].plan.lines[0].line
    assert (first.ingredient.name if first.ingredient else first.name) in card(*both).things
    assert len(card(*none).things) == len(card(*both).things) - 1


def test_what_a_fit_swapped_is_never_told_under_the_name_of_what_it_replaced():
    own, other = fitted(round_pan(18, 5)), fitted(round_pan(25, 7.5))
    lines = list(other.plan.lines)
    lines[0] = replace(lines[0], line=replace(lines[0].line, name="Something without nuts"))
    swapped = replace(other, plan=replace(other.plan, lines=tuple(lines)))
    rows = {row.name: row.amounts for part in card(own, swapped).parts for row in part.rows}
    assert rows[own.plan.lines[0].line.name][1] == "–"
    assert rows["Something without nuts"][0] == "–"
    shorter = replace(other, plan=replace(other.plan, lines=tuple(lines[1:])))
    rows = {row.name: row.amounts for part in card(own, shorter).parts for row in part.rows}
    assert rows[own.plan.lines[0].line.name][1] == "–"


def test_what_is_left_out_of_one_stands_there_as_nothing():
    own, other = fitted(round_pan(18, 5)), fitted(round_pan(25, 7.5))
    without = replace(other, plan=replace(other.plan, lines=tuple(
        replace(line, included=line.included and place > 0)
        for place, line in enumerate(other.plan.lines))))
    rows = [row for part in card(own, without).parts for row in part.rows]
    assert rows[0].amounts[1] == "–"
    assert rows[0].amounts[0] != "–"


@pytest.mark.parametrize("paper", PAPERS.values(), ids=lambda one: one.name)
def test_every_card_begins_on_the_left_and_nothing_lies_over_the_edge(paper):
    galley = Galley(paper, measure, first=4)
    long = replace(card(), steps=tuple(f"Step {n}: " + "fold the batter in. " * 12
                                       for n in range(30)))
    starts = [set_card(one, galley) for one in (card(), long, card(fitted(RING)), long)]
    assert all(start % 2 == 0 for start in starts)
    assert starts == sorted(set(starts))
    for place, page in enumerate(galley.pages):
        even = (place + galley.first) % 2 == 0
        left, right = (paper.outer, paper.inner) if even else (paper.inner, paper.outer)
        for mark in page.marks:
            match mark:
                case PlacedWords():
                    xs = (mark.x, mark.x + measure(mark.text, mark.strong, mark.size_pt))
                    ys = (mark.y,)
                case Stroke():
                    xs, ys = (mark.x1, mark.x2), (mark.y1, mark.y2)
                case Shape():
                    xs, ys = tuple(zip(*mark.points, strict=True))
            assert min(xs) >= left - 0.01
            assert max(xs) <= paper.width - right + 0.01
            assert min(ys) >= paper.top - 0.01
            assert max(ys) <= paper.height - paper.foot + 2


def test_amounts_stand_left_and_the_method_right():
    galley = Galley(PAPERS["a5"], measure)
    one = replace(card(), steps=("Cream the butter.",),
                  best=("12 Oct 2026, Round 18, 34 min. Next time: strips",))
    set_card(one, galley)
    assert len(galley.pages) == 2
    assert "Batter" in said(galley, 0)
    assert "Method" not in said(galley, 0)
    assert said(galley, 1).startswith("Method")
    assert "Next time: strips" in said(galley, 1)
    assert "Done when" in said(galley, 1)


def test_nothing_of_a_long_card_is_lost():
    long = replace(card(), steps=tuple(f"Word{n} and more of it" for n in range(200)))
    galley = Galley(PAPERS["a5"], measure)
    set_card(long, galley)
    text = " ".join(said(galley, page) for page in range(len(galley.pages)))
    assert all(f"Word{n} " in text for n in range(200))
    assert len(galley.pages) > 2


def test_pans_of_a_spread_are_drawn_to_one_scale_with_their_batter():
    galley = Galley(PAPERS["a5"], measure)
    set_card(card(fitted(round_pan(18, 5), count=1), fitted(round_pan(25, 7.5), count=1)), galley)
    batter = [one for one in galley.pages[0].marks if isinstance(one, Shape)]
    wide = [max(x for x, _ in one.points) - min(x for x, _ in one.points) for one in batter]
    assert len(batter) == 2
    assert wide[1] / wide[0] == pytest.approx(25 / 18, rel=0.01)
    high = [max(y for _, y in one.points) - min(y for _, y in one.points) for one in batter]
    assert high[1] == pytest.approx(high[0], rel=0.15)


def test_a_ring_is_cut_in_two_and_a_tray_has_no_drawing_of_its_kind():
    galley = Galley(PAPERS["a5"], measure)
    set_card(card(fitted(RING, count=1)), galley)
    assert sum(isinstance(one, Shape) for one in galley.pages[0].marks) == 2
    tray = Galley(PAPERS["a5"], measure)
    set_card(card(fitted(wells_pan(), count=12)), tray)
    assert "12 wells" in said(tray, 0)


def test_the_index_names_pages_and_leaves_out_what_is_in_most():
    few = index_of([(4, ["Oats", "salt"]), (6, ["oats", "oats"])])
    assert [(one.name, one.pages) for one in few] == [("Oats", (4, 6)), ("Salt", (4,))]
    many = index_of([(2 * n, ["Salt", *(["Plums"] if n < 6 else [])]) for n in range(2, 12)])
    assert {one.name: one.pages for one in many} == {"Salt": (), "Plums": (4, 6, 8, 10)}


def test_a_book_can_be_folded_and_its_contents_and_index_lead_to_the_cards():
    told = []
    cards = [replace(card(), title=f"Cake {n}") for n in range(45)]
    book = book_pdf(cards, PAPERS["a5"], title="Quillet Lane", told="45 cards",
                    progress=told.append)
    assert told == list(range(1, 46))
    assert book.pages % 4 == 0
    assert book.pages >= 45 * 2 + 4
    assert len(pages_of(book.pdf)) <= book.pages
    links = {int(one) for one in re.findall(rb"/Dest \[(\d+) 0 R", book.pdf)}
    assert len(links) >= 45
    assert not book.lacking


def test_signs_the_face_has_not_are_named_with_their_card():
    odd = replace(card(), title="Plum 梅 cake", steps=("⅓ of it, then ж",))
    book = book_pdf([card(), odd], PAPERS["half-letter"], title="Book", told="")
    assert book.lacking == (("Plum 梅 cake", "梅ж"),)


def test_a_book_is_told_in_the_units_of_the_kitchen():
    galley = Galley(PAPERS["a5"], measure)
    from entremet.core.measures.habits import worded_all
    set_card(worded_all(card(), Units.US), galley)
    text = " ".join(said(galley, page) for page in range(len(galley.pages)))
    assert " cm " not in text
