"""A kitchen with orders of its own, and its plans."""

from __future__ import annotations

from datetime import UTC, datetime

import pytest

from entremet.kitchen.models import Order, StockRow, Workday

SATURDAY = datetime(2027, 3, 20, 10, tzinfo=UTC)


@pytest.fixture
def ordered(demo, post, recipe_id, pan_id):
    """A kitchen with the demo's cards and pans, and no orders of its own yet."""
    for kind in (Order, Workday, StockRow):
        kind.objects.all().delete()

    def add(title, *, due=SATURDAY, recipe="plum-bergamot", pan="round-20", count=2, status=201,
            finishing=None, cake=None, **more):
        fit = {"recipe": recipe_id(recipe), "into": [{"pan": pan_id(pan), "count": count}],
               **({"finishing": finishing} if finishing else {})}
        answer = post("/api/orders", {"title": title, "due": due.isoformat(),
                                      "cakes": [{"fit": fit, **(cake or {})}], **more})
        assert answer.status_code == status, answer.content
        return answer.json()
    return add


@pytest.fixture
def planned(post):
    """Plan some orders."""
    def ask(*orders, status=200, **more):
        answer = post("/api/plan", {"orders": [one["id"] for one in orders], **more})
        assert answer.status_code == status, answer.content
        return answer.json()
    return ask


@pytest.fixture
def tick(post):
    """Tick steps of a day, each tick with a name of its own."""
    numbers = iter(range(10_000))

    def send(day, *events, status=200):
        body = {"events": [{"id": f"tick-{next(numbers):06}", **one} for one in events]}
        answer = post(f"/api/days/{day['id']}/events", body)
        assert answer.status_code == status, answer.content
        return answer.json()
    return send
