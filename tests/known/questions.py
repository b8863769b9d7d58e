"""The questions: fits drawn by fixed dice from all there is to choose, texts, days, labels."""

from __future__ import annotations

import random
from collections.abc import Iterator
from typing import Any

FITS, SEED = 120, 2026
FINISHES: list[dict[str, Any]] = [
    {"drip": True, "dome_cm": 1.2, "border": "rosette"}, {"tiers": True}, {"rolled": True},
    {"coat": "naked", "side_cm": 0.15}, {"coat": "top"}, {"coat": "none"}, {"glaze": True},
    {"dam_cm": 1.2, "filling_cm": 0.9}, {"press": "nuts", "press_cm": 4}, {"press": "flakes"},
    {"border": "star", "border_cm": 2}, {"border": "shell"}, {"soak": 0.25}, {"split": 3},
    {"level": "leave", "dome_cm": 2}, {"level": "to", "level_cm": 3}, {"stack": 2},
    {"pieces": 16}, {"hollow": True}, {"joined": True}, {"turned_over": False},
    {"carve": {"profile": "ball"}}, {"carve": {"profile": "taper", "top_cm": 12}},
    {"carve": {"profile": "rounded"}, "drip": True}, {"carve": {"profile": "egg"}},
    {"carve": {"profile": "drawn", "drawn": [
        {"up_cm": 0, "wide_cm": 18}, {"up_cm": 4, "wide_cm": 17}, {"up_cm": 7, "wide_cm": 10}]}},
    {"wells": "flat"}, {"wells": "mini"}, {"wells": "none"}, {"batter_layers": 3},
    {"top_by": "edge"}, {"top_by": "card"}, {"drip": True, "edge_ring": True, "pitch_cm": 1.8},
    {"crumb_cm": 0.3, "coat_cm": 0.8}, {"yields": {"filling-0": 0.6}}]
RULES: list[dict[str, Any]] = [
    {}, {"rule": "keep_batch"}, {"rule": "fill"}, {"rule": "depth", "depth_cm": 3},
    {"rule": "height", "height_cm": 5}, {"rule": "servings", "servings": 24},
    {"rule": "eggs", "egg_count": 5}, {"rule": "depth", "depth_cm": 0.8}]
PAN_RULES: list[dict[str, Any] | None] = [
    None, None, {"grams": 300}, {"fill": 0.4}, {"depth_cm": 2}, {"height_cm": 6}, {"grams": 15}]
TREATED: list[dict[str, Any]] = [
    {}, {}, {"strips": True}, {"cover": "late"}, {"cover": "whole"}, {"finish": "dark"},
    {"finish": "glass"}, {"finish": "heavy"}, {"start": "chilled"}, {"start": "warm"}]


def fits(recipes: dict[str, int], pans: dict[str, int],
         ovens: dict[str, int]) -> Iterator[tuple[str, dict[str, Any]]]:
    """Yield names and requests of fits, the same ones every time."""
    dice = random.Random(SEED)
    for number in range(FITS):
        recipe = dice.choice(sorted(recipes))
        into = []
        for key in dice.sample(sorted(pans), dice.choice([1, 1, 1, 2, 3])):
            count = dice.choice([6, 12, 24]) if key == "tray-12" else dice.choice([1, 2, 2, 3])
            rule = dice.choice(PAN_RULES)
            into.append({"pan": pans[key], "count": count, **({"rule": rule} if rule else {})})
        body = {"recipe": recipes[recipe], "into": into, **dice.choice(RULES),
                **dice.choice(TREATED),
                "eggs": dice.choice(["default", "exact", "nearest", "up", "half"]),
                "raising": dice.choice(["proportion", "proportion", "less"]),
                "temperature": dice.choice(["same_crust", "both_ways", "as_recipe", "lower"]),
                "separately": dice.random() < 0.2, "oven": ovens[dice.choice(sorted(ovens))],
                "portion": dice.choice(["", "", "own", "small", "party", "dessert"]),
                "bowl": dice.choice([None, None, "none"]),
                "finishing": dice.choice([None, *FINISHES])}
        if dice.random() < 0.15:
            body["joins"] = dice.choice([0, 1, 4])
        yield f"{number:03} {recipe}", body


ORDERS: list[tuple[str, str, str, int, dict[str, Any]]] = [
    ("2031-10-11T15:00:00Z", "plum-bergamot", "round-20", 2, {"drip": True}),
    ("2031-10-11T09:30:00Z", "rhubarb-custard", "tray-12", 12, {}),
    ("2031-10-11T18:00:00Z", "elderflower-chiffon", "fluted-ring", 1, {}),
    ("2031-10-12T12:00:00Z", "parsnip-honey", "round-18", 4, {"rolled": True})]
TEXTS = ["Bake at 200 °C for 10 minutes, then at 160 °C for 35 more", "½ cup plus 1 tbsp butter",
         "2-3 ripe bananas, mashed (about 350 g)", "a knob of butter", "1 lb 4 oz plums, stoned",
         "juice of 1 lemon", "3 large eggs plus 2 yolks", "200 g/7 oz flour", "1½ sticks butter",
         "2 × 400 g tins pears", "scant tsp salt", "250ml milk or oat drink", "1 1/2 tsp. soda"]
