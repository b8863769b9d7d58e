"""Nobody gets in from another site or under another name."""

from __future__ import annotations

import json

import pytest
from django.test import Client

from entremet.kitchen.models import Bowl

BOWL = json.dumps({"name": "Copper", "capacity_ml": 3000})
PATHS = ("/", "/recipes", "/static/index.html", "/static/mark.svg", "/api/recipes", "/api/nothing",
         "/nothing/at/all.txt")


@pytest.mark.parametrize("headers", [
    {"Sec-Fetch-Site": "cross-site"}, {"Sec-Fetch-Site": "same-site"}, {"Sec-Fetch-Site": "weird"},
    {"Origin": "http://other.example"}, {"Origin": "null"}, {"Origin": "http://testserver:81"},
    {"Sec-Fetch-Site": "cross-site", "Origin": "http://testserver"}])
def test_another_site_writes_and_reads_nothing(demo, client, headers):
    before = Bowl.objects.count()
    for method in ("post", "put", "delete", "get"):
        refused = getattr(client, method)("/api/bowls", BOWL if method != "get" else None,
                                          content_type="application/json", headers=headers)
        assert (refused.status_code, refused.json()["code"]) == (403, "other_site"), method
    assert Bowl.objects.count() == before


@pytest.mark.parametrize("headers", [
    {}, {"Sec-Fetch-Site": "same-origin"}, {"Sec-Fetch-Site": "none"},
    {"Origin": "http://testserver"}])
def test_our_own_pages_and_a_bakers_own_programs_are_let_in(demo, client, headers):
    kept = client.post("/api/bowls", BOWL, content_type="application/json", headers=headers)
    assert kept.status_code == 201


def test_a_link_from_elsewhere_opens_a_room(demo, client):
    opened = client.get("/recipes", headers={"Sec-Fetch-Site": "cross-site"})
    assert opened.status_code == 200


@pytest.mark.parametrize("kind", ["text/plain", "application/x-www-form-urlencoded", "",
                                  "multipart/form-data; boundary=x"])
def test_only_json_is_read(demo, client, kind):
    refused = client.generic("POST", "/api/bowls", BOWL, content_type=kind)
    assert refused.status_code == 415
    assert refused["content-type"] == "application/problem+json"


@pytest.mark.parametrize("path", PATHS)
def test_other_hosts_are_refused_on_every_path(demo, client, path):
    refused = client.get(path, headers={"Host": "kitchen.example"})
    assert (refused.status_code, refused.json()["code"]) == (400, "wrong_host")


@pytest.mark.parametrize("path", PATHS)
def test_every_answer_is_guarded(demo, client, path):
    answer = client.get(path)
    assert answer["X-Frame-Options"] == "DENY"
    assert answer["X-Content-Type-Options"] == "nosniff"
    assert answer["Referrer-Policy"] == "same-origin"
    assert "camera=()" in answer["Permissions-Policy"]
    assert "Access-Control-Allow-Origin" not in answer
    policy = dict(part.strip().split(" ", 1)
                  for part in answer["Content-Security-Policy"].split(";"))
    assert policy["script-src"] == "'self'"
    assert policy["frame-ancestors"] == policy["default-src"] == "'none'"
    assert "unsafe" not in answer["Content-Security-Policy"]


def test_the_page_carries_a_nonce_of_its_own_each_time(db, client):
    pages = [client.get("/") for _ in range(2)]
    nonces = [page["Content-Security-Policy"].split("'nonce-")[1].split("'")[0] for page in pages]
    assert nonces[0] != nonces[1]
    for page, nonce in zip(pages, nonces, strict=True):
        assert f'content="{nonce}"' in page.content.decode()


@pytest.mark.parametrize(("method", "path", "status"), [
    ("GET", "/api/nothing", 404), ("PATCH", "/api/recipes", 405), ("PUT", "/api/fit", 405),
    ("GET", "/api/recipes/0", 422), ("DELETE", "/api", 404)])
def test_every_error_under_the_api_is_a_problem(demo, method, path, status):
    answer = Client().generic(method, path)
    assert (answer.status_code, answer["content-type"]) == (status, "application/problem+json")
    assert answer.json()["status"] == status
    assert ("Allow" in answer) == (status == 405)
