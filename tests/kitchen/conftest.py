"""The demo kitchen in a test database, and a client to its API."""

from __future__ import annotations

import json
from collections.abc import Callable
from functools import cache
from typing import Any

import pytest
from django.test import Client
from django.test.client import ClientHandler

from entremet.kitchen.models import RackPan, Recipe
from tests.demo_rows import put_demo

Post = Callable[..., Any]


class Screen(Client):
    """A client on one chain of middleware: building it looks at every file of the pages."""

    def __init__(self) -> None:
        super().__init__()
        self.handler = _chain()


@cache
def _chain() -> ClientHandler:
    handler = ClientHandler(enforce_csrf_checks=False)
    handler.load_middleware()
    return handler


@pytest.fixture
def demo(db: None) -> None:
    put_demo()


@pytest.fixture(autouse=True)
def no_book_beside(monkeypatch: pytest.MonkeyPatch) -> None:
    """Let no book be made by another thread: it would not see the kitchen of a test."""
    from entremet.kitchen.actions import binding

    monkeypatch.setattr(binding, "_beside", lambda _work: None)
    binding.put_away()


@pytest.fixture
def client() -> Client:
    return Screen()


@pytest.fixture
def pan_id() -> Callable[[str], int]:
    return lambda key: RackPan.objects.get(key=key).pk


@pytest.fixture
def recipe_id() -> Callable[[str], int]:
    return lambda key: Recipe.objects.get(key=key).pk


@pytest.fixture
def post(client: Client) -> Post:
    def send(path: str, body: Any) -> Any:
        return client.post(path, data=json.dumps(body), content_type="application/json")
    return send


@pytest.fixture
def put(client: Client) -> Post:
    def send(path: str, body: Any) -> Any:
        return client.put(path, data=json.dumps(body), content_type="application/json")
    return send


@pytest.fixture
def fit(post: Post, recipe_id: Callable[[str], int]) -> Callable[..., dict[str, Any]]:
    def ask(recipe: str, *into: dict[str, Any], **choices: Any) -> dict[str, Any]:
        response = post("/api/fit", {"recipe": recipe_id(recipe), "into": list(into), **choices})
        assert response.status_code == 200, response.content
        return response.json()
    return ask
