"""What many rows have in common is read once: the queries of a list do not grow with it."""

from __future__ import annotations

import pytest
from django.db import connection
from django.test.utils import CaptureQueriesContext

from entremet.kitchen.current import at_one_moment, once

RECIPES = ("plum-bergamot", "parsnip-honey", "black-sesame", "cornmeal-blackcurrant")


@pytest.fixture
def counted(client, post):
    def count(path, body=None):
        with CaptureQueriesContext(connection) as seen:
            answer = client.get(path) if body is None else post(path, body)
        assert answer.status_code == 200, answer.content
        return len(seen)
    return count


def test_eight_sold_orders_take_as_many_queries_as_two(ordered, counted):
    ids = []

    def add(many):
        ids.extend(ordered(f"Order {len(ids)}", sold=True, recipe=RECIPES[len(ids) % 4])["id"]
                   for _ in range(many))
        return {"list": counted("/api/orders"), "plan": counted("/api/plan", {"orders": ids}),
                "shopping": counted("/api/shopping", {"orders": ids})}

    two, eight = add(2), add(6)
    assert eight == two
    assert eight["list"] <= 15
    assert eight["shopping"] <= 18
    assert eight["plan"] <= 20


def test_outside_of_a_moment_all_is_read_anew():
    read = []

    def work():
        read.append(1)
        return

    once("a", work), once("a", work)
    assert len(read) == 2
    with at_one_moment():
        once("a", work), once("a", work)
        with at_one_moment():
            once("a", work)
        once("b", work)
    assert len(read) == 4
    once("a", work)
    assert len(read) == 5
