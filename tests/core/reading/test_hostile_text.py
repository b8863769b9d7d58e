"""What is pasted or brought in is counted before it is read, and read in one pass."""

from __future__ import annotations

import pytest

from entremet.core.card.card import MOST_LINES, Card, CardLine, MethodStep
from entremet.core.card.ties import MOST_TIES, tied_steps
from entremet.core.formats.json_ld import from_json_ld
from entremet.core.formats.saved_page import from_saved_page
from entremet.core.formats.svg_outline import corners_of_svg
from entremet.core.ground.errors import CoreError, UnreadableOutline, UnreadableRecipe
from entremet.core.ingredients.table import TABLE
from entremet.core.reading import building
from entremet.core.reading.pans import pans_in
from entremet.core.reading.recipes import read_recipe
from entremet.core.reading.settings import ovens_in
from tests.core.hang import no_hang
from tests.core.reading.hostile import DOCUMENTS, DRAWINGS, PAGES, TEXTS, fill, node
from tests.everyday import some


@pytest.mark.parametrize("name", some(list(TEXTS), 8))
def test_no_text_makes_the_reader_go_on_and_on(name):
    with no_hang():
        try:
            card = read_recipe(TEXTS[name]).card
        except UnreadableRecipe:
            return
        tied_steps(card, table=TABLE)
        assert len(card.lines) + len(card.steps) > 0


@pytest.mark.parametrize("name", some(list(PAGES), 6))
def test_no_saved_page_does(name):
    with no_hang(), pytest.raises(UnreadableRecipe):
        from_saved_page(PAGES[name])


@pytest.mark.parametrize("name", DOCUMENTS)
def test_no_document_does(name):
    with no_hang(), pytest.raises(UnreadableRecipe):
        from_json_ld(DOCUMENTS[name])


@pytest.mark.parametrize("name", DRAWINGS)
def test_no_drawing_does(name):
    with no_hang(), pytest.raises(CoreError):
        corners_of_svg(DRAWINGS[name])


@pytest.mark.parametrize("text", [
    node(recipeIngredient=["1 cup flour"] * 150_000), "1 cup flour\n" * 4_000])
def test_lines_are_counted_before_they_are_read(text, monkeypatch):
    read = []
    real = building.read_line
    monkeypatch.setattr(building, "read_line", lambda *a, **k: (read.append(1), real(*a, **k))[1])
    with pytest.raises(UnreadableRecipe):
        from_json_ld(text) if text.startswith("{") else read_recipe(text)
    assert len(read) <= 2 * (MOST_LINES + 1)


def test_reading_stops_when_it_is_told_that_it_took_too_long():
    asked = []

    def still() -> None:
        asked.append(1)
        if len(asked) == 5:
            raise UnreadableRecipe("too long", field="text")

    with pytest.raises(UnreadableRecipe, match="too long"):
        read_recipe("1 cup flour\n" * 50, still=still)
    assert len(asked) == 5


def test_a_page_is_read_though_it_is_badly_written():
    page = ("<html><!-- x --><![CDATA[y]]><style>p{}</style><nav><p>Home</nav><h1>Sloe ring"
            "<p>200 g self-raising flour<li>3 eggs<p>½ cup milk &amp; honey<script>x()</script>")
    lines = [line.text for line in from_saved_page(page).card.lines]
    assert lines == ["200 g self-raising flour", "3 eggs", "½ cup milk & honey"]


def test_letters_beyond_ascii_are_read_whatever_a_page_says_of_itself():
    page = "<meta charset='iso-8859-1'><p>Pêche ring<p>200 g crème fraîche"
    assert from_saved_page(page).card.lines[0].ingredient == "creme_fraiche"


def test_fan_and_depth_belong_to_what_stands_near():
    assert ovens_in("fan 160 C")[0].kind is not None
    assert ovens_in("use a fan to dry your hands and then heat to 180 C")[0].kind is None
    near = pans_in("a 20 cm round tin, 7 cm deep")
    far = pans_in("a 20 cm round tin. " + fill("Mix. ", 400) + " 7 cm deep")
    assert near[0].measures.wall_cm == 7
    assert far[0].measures.wall_cm is None


def test_ties_of_a_card_have_an_end():
    lines = tuple(CardLine(key=i, text=f"{i} g flour", name="flour") for i in range(1, 50))
    steps = tuple(MethodStep(key=i, text=fill("20 g flour ", 1_900)) for i in range(1, 60))
    tied = tied_steps(Card(title="x", lines=lines, steps=steps), table=TABLE)
    assert sum(len(step.ties) for step in tied) == MOST_TIES


@pytest.mark.parametrize("path", [
    "M0 0 A1e200 1e200 0 0 1 5 5 L0 9", "M0 0 A1e-200 1 0 0 1 1e200 5 L0 9",
    "M0 0 L1e300 0 L5 5", f"M0 0 L{'9' * 400} 0 L5 5"])
def test_a_drawing_with_numbers_beyond_measure_is_refused(path):
    with pytest.raises(UnreadableOutline):
        corners_of_svg(f"<svg><path d='{path}'/></svg>")


def test_the_outline_with_the_most_corners_is_taken():
    corners = corners_of_svg("<svg><path d='M0 0L9 0L9 9z'/><g><polygon points='0,0 4,0 4,4 0,4'/>"
                             "</g><!-- <path d='M0 0L1 0L2 1L1 2L0 2z'/> --></svg>")
    assert len(corners) == 4
