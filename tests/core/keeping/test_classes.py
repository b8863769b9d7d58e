"""Cakes whose place is known: cool or chilled, and for how long at the most. Practice, written
down before the rules were: nothing here may be kept longer than it says.
"""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component
from entremet.core.finished.finish import finish
from entremet.core.ingredients.table import TABLE
from entremet.core.keeping.keeping import keeping_of
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import OVEN

BUTTER_CAKE = {"unsalted_butter": 225, "caster_sugar": 220, "egg": 200, "plain_flour": 240,
               "whole_milk": 60}
SPONGE = {"egg": 240, "caster_sugar": 120, "plain_flour": 120}
OIL_CAKE = {"sunflower_oil": 180, "light_brown_sugar": 220, "egg": 150, "plain_flour": 240,
            "carrot": 250}
YOGURT_CAKE = {"plain_yogurt": 200, "sunflower_oil": 120, "caster_sugar": 200, "egg": 150,
               "plain_flour": 260}
CHEESECAKE = {"cream_cheese": 600, "caster_sugar": 150, "egg": 200, "soured_cream": 150,
              "cornflour": 20}
RICOTTA_CAKE = {"ricotta": 350, "caster_sugar": 180, "egg": 200, "plain_flour": 120}
MASCARPONE_LOAF = {"mascarpone": 250, "caster_sugar": 200, "egg": 200, "plain_flour": 220}
CUSTARD_TART = {"whole_milk": 500, "egg": 250, "caster_sugar": 120, "plain_flour": 60}
FLAN = {"double_cream": 400, "whole_milk": 200, "egg_yolk": 120, "caster_sugar": 90}
ALMOND_CAKE = {"ground_almonds": 300, "caster_sugar": 200, "egg": 250, "unsalted_butter": 150}
POUND = {"unsalted_butter": 250, "caster_sugar": 250, "egg": 250, "plain_flour": 250}

COOL, COLD = "cool", "chilled"
F, FILL, TOP = Component.FROSTING, Component.FILLING, Component.DECORATION
SOAK, UNDER, OVER = Component.SOAK, Component.BASE_LAYER, Component.TOP_LAYER


def kept(batter, *parts):
    """Keeping of a batter by grams with parts: component, heading, grams by ingredient."""
    lines = [line(place, TABLE.rows[key].name, grams, "g", f"{grams} g", key)
             for place, (key, grams) in enumerate(batter.items(), 1)]
    for number, (component, heading, made) in enumerate(parts, 2):
        for place, (key, grams) in enumerate(made.items()):
            known = key in TABLE.rows
            lines.append(line(number * 20 + place, TABLE.rows[key].name if known else key, grams,
                              "g", f"{grams} g", key if known else "", component=component,
                              heading=heading))
    plan = make_plan(make_card(lines=tuple(lines)), [entry(round_pan(20), 2)],
                     request=Request(recipe=1),
                     oven=OVEN)
    done = finish(plan)
    return keeping_of(plan, done, done.cakes[0])


BUTTERCREAM = (F, "Buttercream", {"unsalted_butter": 200, "icing_sugar": 400})
YOLKS = (F, "Buttercream", {"unsalted_butter": 200, "icing_sugar": 200, "egg_yolk": 60})
WHITES = (F, "Buttercream", {"unsalted_butter": 250, "icing_sugar": 200, "egg_white": 120})
JAM = (FILL, "Plum jam", {"jam": 200})
CURD = (FILL, "Lemon curd", {"lemon_curd": 200})
CREAM = (FILL, "Cream", {"double_cream": 300, "caster_sugar": 30})
GANACHE = (F, "Ganache", {"dark_chocolate": 200, "double_cream": 200})
CHEESE = (F, "Cream cheese frosting", {"cream_cheese": 200, "icing_sugar": 200})
SYRUP = (SOAK, "Syrup", {"caster_sugar": 60, "water": 60})
MILK = (SOAK, "Soak", {"condensed_milk": 200, "evaporated_milk": 200, "whole_milk": 100})
RUM_MILK = (SOAK, "Soak", {"whole_milk": 100, "rum": 40})
CUSTARD = (FILL, "Custard", {"whole_milk": 300, "egg_yolk": 60, "cornflour": 30})
MOUSSE = (FILL, "Chocolate mousse", {"dark_chocolate": 150, "egg": 150})
GLAZE = (Component.GLAZE, "Glaze", {"icing_sugar": 150, "lemon_juice": 30})
RAW_GLAZE = (Component.GLAZE, "Glaze", {"icing_sugar": 150, "egg_white": 30})
NUTS, BERRIES = (TOP, "", {"chopped_walnuts": 40}), (TOP, "", {"raspberries": 120})
PLUMS_UNDER, PEARS_UNDER = (UNDER, "", {"plum": 300}), (UNDER, "", {"sliced_pear": 300})
CUSTARD_OVER = (OVER, "", {"whole_milk": 200, "egg_yolk": 60, "caster_sugar": 30})
CHEESE_OVER = (OVER, "", {"cream_cheese": 200, "caster_sugar": 50, "egg": 50})
CRUMBLE = (OVER, "", {"plain_flour": 80, "unsalted_butter": 50, "demerara_sugar": 40})
MOSS = (TOP, "", {"sugared moss": 20})

CASES = [
    (BUTTER_CAKE, [], COOL, 4), (SPONGE, [], COOL, 4), (OIL_CAKE, [], COOL, 4),
    (YOGURT_CAKE, [], COOL, 4), (ALMOND_CAKE, [], COOL, 4), (POUND, [], COOL, 4),
    (CHEESECAKE, [], COLD, 4), (RICOTTA_CAKE, [], COLD, 4), (MASCARPONE_LOAF, [], COLD, 4),
    (CUSTARD_TART, [], COLD, 3), (FLAN, [], COLD, 3), (CHEESECAKE, [BERRIES], COLD, 1),
    (CHEESECAKE, [JAM], COLD, 4), (RICOTTA_CAKE, [NUTS], COLD, 4), (FLAN, [CREAM], COLD, 1),
    (BUTTER_CAKE, [BUTTERCREAM], COOL, 3), (BUTTER_CAKE, [BUTTERCREAM, JAM], COOL, 3),
    (BUTTER_CAKE, [BUTTERCREAM, NUTS], COOL, 3), (BUTTER_CAKE, [JAM], COOL, 4),
    (BUTTER_CAKE, [YOLKS], COLD, 1), (SPONGE, [YOLKS], COLD, 1), (POUND, [YOLKS, JAM], COLD, 1),
    (BUTTER_CAKE, [WHITES], COLD, 1), (OIL_CAKE, [WHITES, NUTS], COLD, 1),
    (BUTTER_CAKE, [CREAM], COLD, 1), (SPONGE, [CREAM, JAM], COLD, 1),
    (SPONGE, [CREAM, BERRIES], COLD, 1), (BUTTER_CAKE, [CURD], COLD, 5),
    (BUTTER_CAKE, [CURD, BUTTERCREAM], COLD, 5), (BUTTER_CAKE, [GANACHE], COOL, 3),
    (OIL_CAKE, [CHEESE], COLD, 4), (OIL_CAKE, [CHEESE, NUTS], COLD, 4),
    (BUTTER_CAKE, [SYRUP], COOL, 4), (SPONGE, [SYRUP, JAM], COOL, 4),
    (SPONGE, [MILK], COLD, 3), (SPONGE, [MILK, CREAM], COLD, 1), (BUTTER_CAKE, [RUM_MILK], COLD, 3),
    (BUTTER_CAKE, [CUSTARD], COLD, 2), (SPONGE, [CUSTARD, GANACHE], COLD, 2),
    (BUTTER_CAKE, [MOUSSE], COLD, 1), (SPONGE, [MOUSSE, GANACHE], COLD, 1),
    (BUTTER_CAKE, [GLAZE], COOL, 3), (POUND, [GLAZE, NUTS], COOL, 3),
    (BUTTER_CAKE, [RAW_GLAZE], COLD, 1), (BUTTER_CAKE, [BERRIES], COLD, 1),
    (ALMOND_CAKE, [BERRIES], COLD, 1), (BUTTER_CAKE, [PLUMS_UNDER], COOL, 2),
    (BUTTER_CAKE, [PEARS_UNDER], COOL, 2), (ALMOND_CAKE, [PLUMS_UNDER], COOL, 2),
    (BUTTER_CAKE, [PLUMS_UNDER, CREAM], COLD, 1), (BUTTER_CAKE, [CUSTARD_OVER], COLD, 3),
    (BUTTER_CAKE, [CHEESE_OVER], COLD, 4), (BUTTER_CAKE, [CHEESE_OVER, PLUMS_UNDER], COLD, 4),
    (BUTTER_CAKE, [CRUMBLE], COOL, 4), (BUTTER_CAKE, [CRUMBLE, PLUMS_UNDER], COOL, 2),
    (BUTTER_CAKE, [MOSS], COLD, 2), (SPONGE, [MOSS, JAM], COLD, 2),
    (YOGURT_CAKE, [GLAZE], COOL, 3), (YOGURT_CAKE, [CHEESE], COLD, 4),
    (MASCARPONE_LOAF, [BUTTERCREAM], COLD, 4), (CUSTARD_TART, [BERRIES], COLD, 1)]


@pytest.mark.parametrize("case", range(len(CASES)))
def test_a_cake_stands_where_it_must_and_no_longer_than_it_may(case):
    batter, parts, where, most = CASES[case]
    found = kept(batter, *parts)
    assert found.cold is (where == COLD), found.decides.name
    assert found.at_most <= most, found.decides.name
    assert found.days.value > 0


@pytest.mark.parametrize("amount", [(1, "cup", "1 cup"), (None, "", "milk, to soak")])
def test_a_soak_of_milk_is_one_in_cups_too_and_where_nobody_weighs_it(amount):
    value, unit, written = amount
    lines = (*(line(place, TABLE.rows[key].name, grams, "g", f"{grams} g", key)
               for place, (key, grams) in enumerate(BUTTER_CAKE.items(), 1)),
             line(40, "Caster sugar", 60, "g", "60 g", "caster_sugar", component=SOAK,
                  heading="Syrup"),
             line(41, "Milk", value, unit, written, "whole_milk", component=SOAK, heading="Syrup"))
    plan = make_plan(make_card(lines=lines), [entry(round_pan(20), 2)], request=Request(recipe=1),
                     oven=OVEN)
    done = finish(plan)
    assert keeping_of(plan, done, done.cakes[0]).cold


@pytest.mark.parametrize(("name", "key", "cold"), [
    ("Egg whites, for the meringue", "egg_white", True),
    ("Pasteurised egg whites", "egg_white", False),
    ("Egg yolks", "", True)])
def test_an_egg_is_raw_unless_it_is_said_to_be_pasteurised(name, key, cold):
    unit = "g" if key else "yolk"
    lines = (*(line(place, TABLE.rows[one].name, grams, "g", f"{grams} g", one)
               for place, (one, grams) in enumerate(BUTTER_CAKE.items(), 1)),
             line(40, "Unsalted butter", 250, "g", "250 g", "unsalted_butter", component=F,
                  heading="Buttercream"),
             line(41, name, 3, unit, f"3 {unit}", key, component=F, heading="Buttercream"))
    plan = make_plan(make_card(lines=lines), [entry(round_pan(20), 2)], request=Request(recipe=1),
                     oven=OVEN)
    done = finish(plan)
    assert keeping_of(plan, done, done.cakes[0]).cold is cold


def test_there_are_sixty_of_them():
    assert len(CASES) >= 60


@pytest.mark.parametrize(("name", "grams", "cold", "said"), [
    ("Curd cheese from the market", 400, True, "cheese batter"),
    ("Marsh root pulp", 200, True, "marsh root pulp"),
    ("Bergamot extract", 5, False, "bare cake")])
def test_what_nobody_knows_of_a_batter_keeps_it_chilled_and_short(name, grams, cold, said):
    lines = (*(line(place, TABLE.rows[one].name, weight, "g", f"{weight} g", one)
               for place, (one, weight) in enumerate(BUTTER_CAKE.items(), 1)),
             line(40, name, grams, "g", f"{grams} g", ""))
    plan = make_plan(make_card(lines=lines), [entry(round_pan(20), 2)], request=Request(recipe=1),
                     oven=OVEN)
    done = finish(plan)
    found = keeping_of(plan, done, done.cakes[0])
    assert found.cold is cold
    assert any(said in one.name for one in found.parts) or found.decides.key == "cheese_batter"
