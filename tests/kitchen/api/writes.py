"""One body of every write, and the lists that have to stand after any of them."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from entremet.core.reading.recipes import read_recipe
from entremet.kitchen.documents.cards import stored
from entremet.kitchen.models import Bowl, Kitchen, Oven, RackPan, Recipe

LISTS = ("/api/recipes", "/api/recipes?archived=true", "/api/pans", "/api/ovens", "/api/bowls",
         "/api/fits", "/api/kitchen")


def card() -> dict[str, Any]:
    """A card with something in every one of its lists."""
    found = stored(read_recipe(
        "Sloe ring\nServes 8\nFor the cake\n200 g self-raising flour, divided\n3 eggs\n"
        "1 cup cider or apple juice\nMethod\nBake at 180 C for 30 minutes until springy.").card)
    found["tags"], found["signs"], found["assumed"] = ["autumn"], ["springs back"], ["pan_wall"]
    found["lines"][0]["parts"] = [{"name": "for the top", "share": 0.5, "written": "half"},
                                  {"name": "the rest", "share": 0.5, "written": ""}]
    found["lines"][0]["settled"] = ["name"]
    found["steps"][0]["ties"] = [{"words": "30", "line": None}]
    found["variants"] = [{"key": 1, "name": "plain", "swaps": []}]
    found["phases"] = [{"setting": {"value": 180, "scale": "C"}, "minutes": 30, "covered": False,
                        "note": "door shut"}]
    found["pans"] = [{"label": "ring", "count": 1, "measures": {
        "outline": "round", "across": 20, "wall_cm": 6}}]
    return found


def every_write() -> Iterator[tuple[str, str, dict[str, Any]]]:
    """Method, path and body of each operation that keeps something."""
    recipe, pan = Recipe.objects.all()[0], RackPan.objects.all()[0]
    oven, bowl, kitchen = Oven.objects.all()[0], Bowl.objects.all()[0], Kitchen.objects.get()
    pan_in = {"outline": "round", "label": "Round", "across": "20 cm", "wall_cm": 6}
    fit = {"recipe": recipe.pk, "portion": "own", "into": [{"pan": pan_in, "count": 2}],
           "shares": [{"name": "cocoa half", "pans": [{"entry": 0, "count": 1}],
                       "adds": ["20 g cocoa"]}]}
    yield "post", "/api/recipes", {"card": card()}
    yield "put", f"/api/recipes/{recipe.pk}", {"card": card(), "base": recipe.head}
    yield "post", "/api/pans", {"pan": pan_in, "owned": 1}
    yield "put", f"/api/pans/{pan.pk}", {"pan": pan_in, "owned": 1, "base": pan.version}
    yield "post", "/api/rack/file", {"text": "label,outline,across,wall_cm\nNew,round,20,5"}
    yield "post", "/api/ovens", {"name": "Hall", "shelf_width_cm": "45 cm",
                                 "shelf_depth_cm": "36 cm"}
    yield "put", f"/api/ovens/{oven.pk}", {"name": "Hall", "base": oven.version}
    yield "post", "/api/bowls", {"name": "Copper", "capacity_ml": 3000}
    yield "put", f"/api/bowls/{bowl.pk}", {"name": "Copper", "capacity_ml": 3000,
                                           "base": bowl.version}
    yield "put", "/api/kitchen", {"name": "Orchard", "base": kitchen.version}
    yield "post", "/api/ingredients", {"name": "sloe powder", "role": "fruit"}
    yield "put", "/api/ingredients/plain_flour/weight", {"measure": "1 cup", "grams": 130}
    yield "post", "/api/answers", {"phrase": "sloes", "ingredient": "plain_flour"}
    yield "post", "/api/fits", {"name": "Choir tea", "request": fit, "replace": True}


def texts_in(body: Any, path: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """Where texts stand in a body."""
    if isinstance(body, str):
        yield path
    rows = body.items() if isinstance(body, dict) else enumerate(
        body) if isinstance(body, list) else ()
    for name, value in rows:
        yield from texts_in(value, (*path, name))


def numbers_in(body: Any, path: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """Where numbers stand in a body."""
    if isinstance(body, (int, float)) and not isinstance(body, bool):
        yield path
    rows = body.items() if isinstance(body, dict) else enumerate(
        body) if isinstance(body, list) else ()
    for name, value in rows:
        yield from numbers_in(value, (*path, name))


def put_in(body: Any, path: tuple[Any, ...], value: Any) -> Any:
    """A body with another value at one place."""
    if not path:
        return value
    name, *rest = path
    if isinstance(body, dict):
        return {**body, name: put_in(body[name], tuple(rest), value)}
    return [*body[:name], put_in(body[name], tuple(rest), value), *body[name + 1:]]
