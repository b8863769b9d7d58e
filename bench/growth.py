"""``python -m bench.growth``: a kitchen of twenty thousand cards, and how long its lists take."""

from __future__ import annotations

import json
import time
from collections.abc import Callable
from typing import Any

from bench.inside import demo_kitchen

CARDS, PANS, FITS = 20_000, 480, 50_000
PROMISED_MS = 60.0
FRUITS = ("plum", "damson", "quince", "sloe", "medlar", "pear", "rhubarb", "blackcurrant")


def main() -> None:
    with demo_kitchen():
        _fill()
        _report()


def _fill() -> None:
    from django.utils import timezone

    from entremet.kitchen.models import KeptFit, RackPan, Recipe, Revision

    now, first = timezone.now(), Recipe.objects.all()[0]
    card, words = first.revisions.get().card, first.words
    Recipe.objects.bulk_create([Recipe(
        title=f"{FRUITS[i % 8]} squares {i}", tags=[FRUITS[i % 8], f"week {i % 52}"],
        position=i + 9,
        words=f"{words} {FRUITS[i % 8]} {i} #{FRUITS[i % 8]}# #week {i % 52}#", changed_at=now)
        for i in range(CARDS)], batch_size=2_000)
    ids = list(Recipe.objects.order_by("id").values_list("id", flat=True))[8:]
    Revision.objects.bulk_create([Revision(recipe_id=one, number=1, card=card, made="new",
                                           saved_at=now) for one in ids], batch_size=1_000)
    RackPan.objects.bulk_create([RackPan(label=f"Round {i}", outline="round", across=10 + i % 30,
                                         wall_cm=5 + i % 5, position=i + 30) for i in range(PANS)])
    pan = RackPan.objects.all()[0].pk
    KeptFit.objects.bulk_create([KeptFit(
        name=f"Fit {i} for {FRUITS[i % 8]} day", recipe_id=ids[i % len(ids)], kept_at=now,
        request={"recipe": ids[i % len(ids)], "into": [{"pan": pan, "count": 2}]})
        for i in range(FITS)], batch_size=2_000)


def _report() -> None:
    from django.test import Client

    client = Client()
    pans = client.get("/api/pans").json()
    body: dict[str, Any] = {"recipe": client.get("/api/recipes").json()["rows"][0]["id"],
                            "into": [{"pan": pan["id"], "count": 2} for pan in pans[:6]]}

    def get(path: str) -> Callable[[], object]:
        return lambda: client.get(path)

    def fit() -> object:
        return client.post("/api/fit", json.dumps({**body, "joins": time.time_ns() % 150 + 1}),
                           content_type="application/json")

    for name, work in (
            ("the first page of cards", get("/api/recipes")),
            ("the hundredth page", get("/api/recipes?offset=6000")),
            ("search, one word", get("/api/recipes?search=quince")),
            ("search, three words", get("/api/recipes?search=medl+squares+19")),
            ("search, nothing found", get("/api/recipes?search=zebra")),
            ("cards with a tag", get("/api/recipes?tag=sloe")),
            ("the archive", get("/api/recipes?archived=true")),
            ("kept fits", get("/api/fits")),
            ("kept fits, searched", get("/api/fits?search=sloe+19")),
            ("the rack, 500 pans", get("/api/pans")), ("a fit", fit)):
        took = []
        for _ in range(12):
            start = time.perf_counter()
            work()
            took.append((time.perf_counter() - start) * 1000)
        middle = sorted(took)[6]
        print(f"{name:<28}{middle:8.1f} ms   promised {PROMISED_MS:g} ms: "
              f"{'met' if middle <= PROMISED_MS else 'MISSED'}")


if __name__ == "__main__":
    main()
