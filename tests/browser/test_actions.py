"""How many actions the main ways through the program take, counted: a click, a text, a key.

A field that is filled counts once, however long its text.
"""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from entremet.kitchen.models import Order

RECIPE = """Sloe and almond squares
Makes two 20 cm round tins, 5 cm deep.
200 g soft butter
200 g caster sugar
4 eggs
200 g self-raising flour
Bake at 180 C for 25 to 30 minutes. Creaming method."""


class Counted:
    """Takes actions on a page and counts them."""

    def __init__(self) -> None:
        self.taken: list[str] = []

    def click(self, what: Locator) -> None:
        self.taken.append(f"click {what}")
        what.click()

    def type(self, what: Locator, text: str) -> None:
        self.taken.append(f"type {text}")
        what.fill(text)

    def press(self, what: Locator, key: str) -> None:
        self.taken.append(f"press {key}")
        what.press(key)


@pytest.fixture
def hand() -> Counted:
    return Counted()


def test_from_a_pasted_recipe_to_grams_in_its_own_pans_in_three(bench: Page, hand: Counted):
    bench.get_by_role("link", name="Recipes").click()
    hand.click(bench.get_by_role("link", name="Paste a recipe"))
    hand.type(bench.get_by_label("Recipe text"), RECIPE)
    hand.click(bench.get_by_role("button", name="Save and fit it"))
    pans = bench.get_by_role("list", name="Chosen pans")
    expect(pans).to_contain_text("round 20", ignore_case=True)
    expect(bench.get_by_role("region", name="Card")).to_contain_text("200 g")
    assert len(hand.taken) <= 4, hand.taken


def test_a_pan_that_is_on_no_rack_in_four(bench: Page, hand: Counted):
    bench.get_by_role("button", name=re.compile("Parsnip and honey")).click()
    hand.click(bench.get_by_role("button", name="+ pan"))
    box = bench.get_by_role("textbox", name="Type a pan")
    hand.type(box, "17 x 6 round")
    hand.press(box, "Enter")
    expect(bench.get_by_text("Read as round 17")).to_be_visible()
    hand.click(bench.get_by_role("button", name="Done"))
    expect(bench.get_by_role("list", name="Chosen pans")).to_contain_text("round 17")
    assert len(hand.taken) <= 4, hand.taken


def test_an_order_from_nothing_in_nine(bench: Page, hand: Counted):
    before = Order.objects.count()
    bench.get_by_role("link", name="Orders").click()
    hand.click(bench.get_by_role("button", name="Add an order"))
    form = bench.get_by_role("dialog")
    hand.type(form.get_by_label("Order", exact=True), "Lantern walk")
    recipe = form.get_by_role("combobox", name="Add a recipe")
    hand.type(recipe, "Black sesame")
    hand.press(recipe, "ArrowDown")
    hand.press(recipe, "Enter")
    hand.click(form.get_by_role("combobox", name="Another pan"))
    hand.click(bench.get_by_role("option", name=re.compile("^Sheet 33")))
    hand.click(bench.get_by_role("button", name="Save the order"))
    expect(bench.get_by_text("Lantern walk").first).to_be_visible()
    assert Order.objects.count() == before + 1
    assert len(hand.taken) <= 9, hand.taken
