"""The demo's own cards come back in their own pans, to the gram, the minute and the word."""

from __future__ import annotations

from importlib.resources import files

import pytest

from entremet.core.card.resolve import recipe_of
from entremet.core.ingredients.table import TABLE
from entremet.kitchen.demo.files import demo_file
from entremet.kitchen.demo.loading import demo_card
from tests.core.finished.test_identity import differences, in_own_pans

CARDS = sorted(one.name for one in files("entremet.kitchen.demo").joinpath("recipes").iterdir()
               if one.name.endswith(".toml"))


@pytest.mark.parametrize("name", CARDS)
def test_a_card_of_the_demo_comes_back_in_its_own_pans(name):
    card = demo_card(demo_file(f"recipes/{name}"))
    assert differences(in_own_pans(recipe_of(card, table=TABLE, as_written=card))) == []
