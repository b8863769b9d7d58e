"""The core's own answers: what it refuses, pans, bakes, lines, packets, over drawn values."""

from __future__ import annotations

import random
from collections.abc import Iterator
from dataclasses import fields, is_dataclass, replace
from functools import cache
from itertools import product
from typing import Any

from entremet.core.baking.heat_balance import centre_c, single
from entremet.core.baking.heat_balance import minutes as minutes_of
from entremet.core.baking.heat_load import Faces
from entremet.core.baking.window import Window
from entremet.core.batter.bowl_loss import BowlLoss
from entremet.core.batter.styles import STYLES, style
from entremet.core.card.card import Swap
from entremet.core.card.finish import Border, Carving, Profile
from entremet.core.costing.cost_of import Rates
from entremet.core.dressing.sized import Thing
from entremet.core.finishing.sloped import SlopedCut
from entremet.core.fitting.shares import Taken
from entremet.core.ground.errors import CoreError
from entremet.core.ground.reference import read_table
from entremet.core.labelling.label import WantedLabel
from entremet.core.labelling.packet_list import read_packet
from entremet.core.labelling.sheets import LabelSheet
from entremet.core.learning.entries import Logged
from entremet.core.measures.amounts import Amount, Precision, show_scaled, written
from entremet.core.measures.fractions import read_number, write_number
from entremet.core.measures.habits import Units, inches, worded
from entremet.core.measures.lengths import read_length_cm
from entremet.core.measures.masses import share_steps, show_mass
from entremet.core.measures.scoops import cups, spoons
from entremet.core.measures.units import STANDARDS, Unit
from entremet.core.mixing.bowl import Bowl
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.cuts import cut_of
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.packing import packed
from entremet.core.plan.request import Request
from entremet.core.probing.posterior import Watched
from entremet.core.reading.lines import read_line
from entremet.core.reading.recipes import read_recipe
from entremet.core.shopping.listing import Pack
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import plan as plan_of
from tests.core.timetable.days import SATURDAY, cake, means, tasks
from tests.known.test_known_answers import held_against
from tests.known.test_known_days import plain

NUMBERS = (0.0, -1.0, 0.001, 0.24, 0.26, 0.5, 1.0, 2.0, 7.5, 40.0, 101.0, 450.0, 1500.0, 1e4, 2e5,
           1e9, float("nan"), float("inf"))


def tried(work: Any, *breaks: type[Exception]) -> Any:
    """Return what something gives, or in which words it is refused."""
    try:
        return plain(work())
    except CoreError as error:
        return {"refused": error.text, "field": error.field}
    except (ValueError, OverflowError, *breaks) as error:
        return {"broke": type(error).__name__}


def everything_in(value: Any, found: dict[type, Any]) -> None:
    """Find one instance of each dataclass that a value is made of."""
    if is_dataclass(value) and not isinstance(value, type):
        if type(value) not in found:
            found[type(value)] = value
            for one in fields(value):
                everything_in(getattr(value, one.name), found)
    elif isinstance(value, dict):
        everything_in(list(value.values()), found)
    elif isinstance(value, list | tuple):
        for one in value[:16]:
            everything_in(one, found)


@cache
def things() -> dict[type, Any]:
    found: dict[type, Any] = {}
    dressed = cake("Harvest supper", SATURDAY, drip=True, soak=0.2, border=Border.ROSETTE)
    plan = plan_of(make_card(), entry(round_pan(20), 2))
    sheet = LabelSheet(paper="A4", across=3, down=8, width=63, height=33, left=8, top=12)
    outlines = [seen_pan.base for seen_pan in (
        pan_from(PanMeasures(outline=name, across=20, width=12, tube=5, wall_cm=6,
                             points=((0, 0), (9, 0), (4, 9))), label="tin")
        for name in OutlineName) if hasattr(seen_pan, "base")]
    holding = pan_from(PanMeasures(outline=OutlineName.ROUND, capacity_ml=1800), label="bowl")
    at = Setting(value=180, scale=Scale.CELSIUS)
    read = read_recipe("Ring\nServes 8\n200 g flour\n3 eggs\n1 cup milk or cider\nMethod\n"
                       "Bake at 180 C in a 20 cm round tin for 30 minutes until springy.").card
    window = Window(first_look_min=20, early_min=22, likely_min=26, latest_min=31)
    for one in (dressed, plan, means(2), BowlLoss(), sheet, at, outlines, holding, read, Faces(),
                Amount(value=2, high=3, unit=Unit.GRAM), Phase(setting=at, minutes=12.0),
                Rates(), Carving(profile=Profile.TAPER, top_cm=12.0), Request(recipe=1),
                Pack(g=500.0),
                Thing(length_cm=20.0, width_cm=10.0, height_cm=6.0), Taken(entry=0, count=1),
                WantedLabel(title="Ring", made_on=SATURDAY.date()),
                Bowl(name="Big", capacity_ml=4000.0),
                Logged(oven="a", recipe="r", pan="p", expected_min=30.0, minutes=33.0),
                Watched(window=window, spread=0.1, start_c=20.0, done_c=96.0, oven_c=170.0),
                Swap(kind="oil", line=1), SlopedCut(
                    profile=Profile.TAPER, foot_cm=20.0, top_cm=12.0, height_cm=9.0),
                tasks(dressed)):
        everything_in(one, found)
    return found


def test_what_cannot_be_is_refused_in_the_same_words() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for kind, one in sorted(things().items(), key=lambda pair: pair[0].__qualname__):
            if "__post_init__" not in vars(kind):
                continue
            for field in fields(one):
                if isinstance(getattr(one, field.name), int | float | None) and not isinstance(
                        getattr(one, field.name), bool):
                    yield f"{kind.__qualname__}.{field.name}", {
                        str(value): tried(lambda o=one, f=field.name, v=value: type(
                            replace(o, **{f: v})).__name__, TypeError, AttributeError)
                        for value in NUMBERS}

    held_against("refused", asked(), deep=0)


def test_pans_of_every_outline() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        dice = random.Random(3)
        for name in OutlineName:
            for number in range(14):
                measures = PanMeasures(
                    outline=name, across=dice.choice([12, 20, 27.5, None, 140]),
                    width=dice.choice([8, 15, None]), tube=dice.choice([4, 7, None, 30]),
                    corner=dice.choice([0, 0, 2, 11]), rim_across=dice.choice([None, None, 23]),
                    rim_width=dice.choice([None, None, 17]), rim_tube=dice.choice([None, 5]),
                    wall_cm=dice.choice([5, 7.5, None, 70]), wells=dice.choice([1, 6, 12, 0]),
                    sides=dice.choice([5, 6, 8, 2]), capacity_ml=dice.choice(
                        [None, None, None, 1800, 90_000]),
                    patted=dice.random() < 0.1,
                    points=dice.choice([(), ((0, 0), (9, 0), (9, 6), (4, 9), (0, 6))]))
                yield f"{name.value} {number}", tried(lambda m=measures: seen(m))

    held_against("pans", asked(), deep=0)


def seen(measures: PanMeasures) -> Any:
    pan = pan_from(measures, label="tin")
    told: dict[str, Any] = {"pan": plain(pan), "holds": pan.capacity_ml}
    if hasattr(pan, "depth_cm"):
        for share in (0.1, 0.5, 0.9, 1.2):
            depth = pan.depth_cm(share * pan.capacity_ml)
            told[f"at {share}"] = (depth, pan.volume_ml(depth), pan.area_cm2(depth),
                                   pan.perimeter_cm(depth), pan.wall_area_cm2(depth))
        told["layer"] = pan.layer_area_cm2
        told["cut"] = [tried(lambda n=pieces: plain(cut_of(pan.base, n)))
                       for pieces in (1, 2, 7, 12, 24, 60)]
        told["packed"] = [tried(lambda w=across: plain(packed(pan.base, w)))
                          for across in (0, 3, 5.5, 60)]
    return told


def test_bakes_of_every_batter() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        dice = random.Random(5)
        for key, number in product(sorted(STYLES), range(8)):
            setting = dice.choice([
                Setting(value=dice.choice([150, 165, 180, 200]), scale=Scale.CELSIUS),
                Setting(value=dice.choice([300, 350, 375]), scale=Scale.FAHRENHEIT),
                Setting(value=dice.choice([2, 4, 6]), scale=Scale.MARK), None])
            stands = dice.choice([round_pan(18), round_pan(23, 5), round_pan(15, 10)])
            recipe = make_card(style=style(key), setting=setting,
                               oven_kind=dice.choice([None, *OvenKind]))
            into = [entry(stands, dice.choice([1, 2, 4])), entry(round_pan(20), 1)]
            yield f"{key} {number}", tried(lambda r=recipe, i=into: told(plan_of(r, *i)))
        for load, oven, pace, start in product((1.2, 2.5, 4.0), (150, 180), (4, 9), (4, 20)):
            course = single(load, oven, pace=pace, start_c=start, done_c=96)
            whole = minutes_of(course)
            yield f"course {load} {oven} {pace} {start}", {
                "min": whole, "shifted": [minutes_of(course, shift_c=by) for by in (-15, 8, -90)],
                "centre": [centre_c(course, at, total_min=whole) for at in (0, 5, 20, 60)]
                if whole else None}

    held_against("bakes", asked(), deep=1)


def told(plan: Any) -> Any:
    return {"pans": plain(plan.pans), "findings": plain(plan.findings), "mixes": plain(plan.mixes)}


NUMBERS_SAID = ("2", "1½", "1/2", "2-3", "2 to 3", "0,5", "1.25", "a", "half a", "1 1/2", "12",
                "250", "1 heaped", "a scant", "about 3", "2 x 400")
MEASURES_SAID = ("", "g ", "kg ", "ml ", "oz ", "lb ", "cups ", "cup of ", "tbsp ", "tsp. ", "EL ",
                 "pinch of ", "fl oz ", "sticks ", "tins ", "sachet ")
NAMES_SAID = ("plain flour", "caster sugar, plus extra", "eggs, beaten", "ripe bananas (peeled)",
              "butter or margarine", "milk, warm", "lemon, juice only", "egg yolks", "vanilla",
              "ground almonds / oats", "dark chocolate (70 %)", "boiling water", "Damson jam")


def test_lines_of_every_making() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        dice = random.Random(8)
        for _ in range(420):
            text = (dice.choice(NUMBERS_SAID) + dice.choice([" ", " ", ""])
                    + dice.choice(MEASURES_SAID) + dice.choice(NAMES_SAID)
                    + dice.choice(["", "", " (about 60 g)", " or 2 tbsp", ", divided",
                                   " plus 1 tsp", " – optional", ", at room temperature",
                                   " / 7 oz"]))
            yield text, tried(lambda t=text: read_line(t))

    held_against("lines", asked(), deep=0)


def test_numbers_and_measures_as_they_are_said() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        values = [0, 0.04, 0.125, 0.3, 1 / 3, 0.5, 0.97, 1.05, 2.5, 3.62, 9.9, 14.4, 61, 250.3,
                  999.6, 4321.9, 20_000]
        for value in values:
            yield f"number {value}", [write_number(value, places=one) for one in (0, 1, 2)]
            yield f"mass {value}", [show_mass(value, scale_step_g=one) for one in (0.1, 0.5, 1, 5)]
            yield f"shares {value}", share_steps([value, 2 * value, 7], scale_step_g=1)
            yield f"inches {value}", tried(lambda v=value: inches(v))
            for key, sizes in STANDARDS.items():
                yield f"scoops {key} {value}", [
                    tried(lambda v=value, s=sizes: cups(v, sizes=s)),
                    tried(lambda v=value, s=sizes: spoons(v, sizes=s, tolerance=0.04)),
                    tried(lambda v=value, s=sizes: spoons(v, sizes=s, tolerance=0.2))]
            for unit in Unit:
                amount = Amount(value=value or 1, high=2 * value or 3, unit=unit)
                yield f"amount {unit.value} {value}", [
                    tried(lambda a=amount: written(a)),
                    tried(lambda a=amount: written(replace(a, high=None)))]
                yield f"scaled {unit.value} {value}", [
                    tried(lambda a=amount, f=factor, p=precision: show_scaled(
                        a, factor=f, grams=a.value * f * 0.9, precision=p,
                        sizes=STANDARDS["metric"]))
                    for precision, factor in product(Precision, (0.37, 1, 2.6))]
        for text in ("1½", "1/3", "2 3/4", "½", ".5", "1,5", "1.000", "two", "x", "-3", "1e5", "٣"):
            yield f"read {text}", tried(lambda t=text: read_number(t))
        for text in ("8 in", '8"', "20 cm", "200 mm", "20", "7½ in", "0", "1 m", "a", "9 inch", -3):
            yield f"long {text}", tried(lambda t=text: read_length_cm(t, field="across"))
        for text in ("Bake at 180\ue000°C for 20 cm", "5 mm thick", "1.5\ue000cm up, 66\ue001°C"):
            yield f"habit {text}", [worded(text, one) for one in Units]

    held_against("said", asked(), deep=0)


FRAMES = ("{}", "sugar, {}, salt", "may contain {}", "contains: {}", "free from {}", "no {}",
          "{} (5 %)", "made in a factory that handles {}", "{}-free",
          "kann Spuren von {} enthalten",
          "peut contenir {}", "plant {} drink", "{} flavouring", "Ingredients: {}. May contain {}")


def test_packets_in_every_word_they_use() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        dice = random.Random(11)
        table = read_table("entremet.core.labelling", "packet_words.toml")
        words = [word for words in table["allergens"].values() for word in words]
        words += [word for name, one in table.items() if name != "allergens"
                  for word in _words_in(one)]
        for word in dict.fromkeys(words):
            texts = [frame.replace("{}", word.replace("*", "en"))
                     for frame in (FRAMES[0], *dice.sample(FRAMES[1:], 2))]
            yield word, [(text, plain(read_packet(text))) for text in texts]

    held_against("packets", asked(), deep=0)


def _words_in(value: Any) -> Iterator[str]:
    if isinstance(value, str):
        yield value
    for one in value.values() if isinstance(value, dict) else (
            value if isinstance(value, list) else ()):
        yield from _words_in(one)
