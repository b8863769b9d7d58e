"""A kitchen whose bakes are logged over the API."""

from __future__ import annotations

import pytest


@pytest.fixture
def request_body(demo, recipe_id, pan_id):
    return {"recipe": recipe_id("parsnip-honey"),
            "into": [{"pan": pan_id("round-18"), "count": 2}]}


@pytest.fixture
def log(post, request_body):
    def enter(minutes, **more):
        body = {"request": request_body, "entry": 0, "minutes": minutes, "how": "right", **more}
        response = post("/api/bakes", body)
        assert response.status_code == 201, response.content
        return response.json()
    return enter


@pytest.fixture
def bake(fit, pan_id):
    def now(**choices):
        return fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2}, **choices)["bakes"][0]
    return now


@pytest.fixture
def taught(client):
    def ask():
        answer = client.get("/api/bakes/taught")
        assert answer.status_code == 200, answer.content
        return answer.json()
    return ask


def lesson(answer, kind):
    return next(one for one in answer["lessons"] if one["kind"] == kind)


def width(one):
    return one["exact"]["latest_min"] / one["exact"]["likely_min"]
