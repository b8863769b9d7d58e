"""What share of a line an amount in a step is."""

from __future__ import annotations

import pytest

from entremet.core.card.share import share_of_line
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from tests.core.card.cards import resolved, settled


@pytest.mark.parametrize(("text", "amount", "share"), [
    ("200 g plain flour", Amount(value=50, unit=Unit.GRAM), 0.25),
    ("200 g plain flour", Amount(value=40, high=60, unit=Unit.GRAM), 0.25),
    ("1 kg plain flour", Amount(value=250, unit=Unit.GRAM), 0.25),
    ("2 cups plain flour", Amount(value=0.5, unit=Unit.CUP), 0.25),
    ("4 eggs", Amount(value=1, unit=Unit.EGG), 0.25),
    ("200 g plain flour", Amount(value=1, unit=Unit.CUP), 250 / 236.588 * 125 / 200),
    ("200 g plain flour", Amount(value=1, unit=Unit.YOLK), None),
    ("200 g rose petals", Amount(value=1, unit=Unit.CUP), None),
    ("2 tbsp quince paste", Amount(value=20, unit=Unit.GRAM), None),
    ("salt, to taste", Amount(value=2, unit=Unit.GRAM), None)])
def test_what_cannot_be_compared_is_no_share_and_no_error(text, amount, share):
    card = settled(text)
    found = share_of_line(amount, card.lines[0], resolved(card))
    assert found is None if share is None else found == pytest.approx(share, rel=1e-3)
