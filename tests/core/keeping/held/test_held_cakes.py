"""Cakes whose right class was written down before the keeping rules were run on them.

19 of 22 held on the first run: fillings of quark, crème fraîche and yogurt were kept as a glaze.
That was mended in the rule. From now on they are no longer unseen.
"""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component
from tests.core.keeping.test_classes import (
    BUTTER_CAKE,
    BUTTERCREAM,
    COLD,
    COOL,
    FILL,
    GANACHE,
    JAM,
    OIL_CAKE,
    OVER,
    POUND,
    SOAK,
    SPONGE,
    TOP,
    UNDER,
    F,
    kept,
)

HONEY_SYRUP = (SOAK, "Syrup", {"runny_honey": 60, "water": 60, "lemon_juice": 20})
CREAM_SOAK = (SOAK, "Soak", {"double_cream": 150, "condensed_milk": 100})
COCONUT_SOAK = (SOAK, "Soak", {"coconut_milk": 150, "caster_sugar": 50})
QUARK = (FILL, "Quark filling", {"quark": 250, "icing_sugar": 60})
CRAB = (FILL, "Crème fraîche filling", {"creme_fraiche": 200, "icing_sugar": 40})
CARAMEL = (FILL, "Caramel", {"caster_sugar": 200, "double_cream": 120, "unsalted_butter": 60})
MARZIPAN = (F, "Marzipan", {"marzipan": 400})
FONDANT = (F, "Rolled fondant", {"fondant_icing": 500})
YOGURT_FROST = (F, "Yogurt frosting", {"greek_yogurt": 200, "icing_sugar": 100})
ROYAL = (Component.GLAZE, "Royal icing", {"icing_sugar": 250, "egg_white": 45})
POWDER_ROYAL = (Component.GLAZE, "Royal icing", {"icing_sugar": 250, "meringue_powder": 20})
FIGS, DRIED = (TOP, "", {"fig_fresh": 120}), (TOP, "", {"dried_apricots": 60})
APPLES_UNDER = (UNDER, "", {"apple": 300})
RICOTTA_OVER = (OVER, "", {"ricotta": 250, "caster_sugar": 50})
BANANA_CAKE = {"banana": 300, "plain_flour": 250, "unsalted_butter": 120, "caster_sugar": 150,
               "egg": 100}
CARROT_CAKE = {"carrot": 250, "plain_flour": 250, "sunflower_oil": 180, "caster_sugar": 200,
               "egg": 150}
FLOURLESS = {"dark_chocolate": 250, "unsalted_butter": 200, "caster_sugar": 200, "egg": 250}
CURD_CAKE = {"quark": 500, "caster_sugar": 120, "egg": 150, "semolina": 60}

HELD = [
    (BUTTER_CAKE, [HONEY_SYRUP], COOL, 5), (SPONGE, [CREAM_SOAK], COLD, 3),
    (SPONGE, [COCONUT_SOAK], COLD, 3), (BUTTER_CAKE, [QUARK], COLD, 4),
    (SPONGE, [CRAB, JAM], COLD, 4), (BUTTER_CAKE, [CARAMEL], COOL, 5),
    (BUTTER_CAKE, [MARZIPAN], COOL, 7), (BUTTER_CAKE, [FONDANT], COOL, 7),
    (OIL_CAKE, [YOGURT_FROST], COLD, 4), (BUTTER_CAKE, [ROYAL], COLD, 1),
    (BUTTER_CAKE, [POWDER_ROYAL], COOL, 5), (BUTTER_CAKE, [FIGS], COLD, 1),
    (BUTTER_CAKE, [DRIED], COOL, 5), (BUTTER_CAKE, [APPLES_UNDER], COOL, 2),
    (BUTTER_CAKE, [RICOTTA_OVER], COLD, 4), (BANANA_CAKE, [], COOL, 4), (CARROT_CAKE, [], COOL, 4),
    (FLOURLESS, [], COOL, 4), (FLOURLESS, [GANACHE], COOL, 4), (CURD_CAKE, [], COLD, 4),
    (POUND, [BUTTERCREAM, FIGS], COLD, 1), (CURD_CAKE, [APPLES_UNDER], COLD, 4)]


@pytest.mark.parametrize("case", range(len(HELD)))
def test_a_held_cake_stands_where_it_must_and_no_longer_than_it_may(case):
    batter, parts, where, most = HELD[case]
    found = kept(batter, *parts)
    assert found.cold is (where == COLD), found.decides.name
    assert found.at_most <= most, found.decides.name
